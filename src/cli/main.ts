import { kymation } from './run';

process.exitCode = await kymation(process.argv.slice(2), {
  out: (text) => console.log(text),
  note: (text) => console.error(text)
});

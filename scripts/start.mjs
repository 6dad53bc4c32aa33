import { buildApp, fail, freePort, installPackages, startServer } from './lib.mjs';

const [major, minor] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 19))
  fail(`Kymation needs Node 20.19 or newer; this is ${process.versions.node}.`);
installPackages();
buildApp();
const { address, server } = await startServer(await freePort(Number(process.env.PORT ?? 4173)));
console.log(`Kymation runs at ${address}`);
for (const signal of ['SIGINT', 'SIGTERM']) {
  process.on(signal, () => {
    server.kill();
    process.exit(0);
  });
}

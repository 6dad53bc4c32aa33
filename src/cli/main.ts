import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { dirname, join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { planExport } from '../core/compile/files';
import { readProjectFile } from '../core/formats/project-file';
import type { PageId, Project } from '../core/project/types';
import { registry } from '../core/registry';
import { finish } from '../server/finish';

const USAGE = `Usage:
  npm run kymation -- export FILE --out DIR [--page ID] [--single]

  export   Writes the pages of a project file as HTML, CSS and script, with their pictures.
    --out DIR    the folder to write into; made where it is missing
    --page ID    one page only, by its id
    --single     one HTML file for each page, with everything inside`;

/** A fault of the person at the keyboard: shown as one sentence, exit code 2. */
class Mistake extends Error {}

function pagesOf(project: Project, wanted: string | undefined): readonly PageId[] {
  if (wanted === undefined) return project.info.pageOrder;
  const known = project.info.pageOrder.find((id) => id === wanted);
  if (known) return [known];
  throw new Mistake(`There is no page “${wanted}” in this project. It has: ${project.info.pageOrder.join(', ')}.`);
}

async function exportCommand(file: string, options: { out?: string; page?: string; single?: boolean }): Promise<void> {
  if (!options.out) throw new Mistake('Say where to write with --out DIR.');
  const bytes = await readFile(file).catch(() => {
    throw new Mistake(`${file} cannot be read. Check the path.`);
  });
  const opened = readProjectFile(registry, bytes);
  if (!opened.ok) throw new Mistake(`${file}: ${opened.sentence}`);
  opened.notes.forEach((note) => console.error(`note: ${note}`));
  const dataUri: Parameters<typeof planExport>[3]['dataUri'] = (asset) =>
    `data:${asset.type};base64,${Buffer.from(opened.bytes.get(asset.id)!).toString('base64')}`;
  const plan = planExport(registry, opened.project, pagesOf(opened.project, options.page), { single: options.single ?? false, dataUri });
  const { files, problems } = await finish({ single: plan.single, pages: plan.pages.map((page) => ({ ...page, behaviours: [...page.behaviours] })) });
  const out = resolve(options.out);
  for (const each of files) await write(join(out, each.path), each.text);
  for (const asset of plan.assets) await write(join(out, 'assets', asset.file), opened.bytes.get(asset.id)!);
  for (const each of files) console.log(`${each.path}  ${each.raw} bytes, ${each.gzip} gzip`);
  for (const asset of plan.assets) console.log(`assets/${asset.file}  ${asset.bytes} bytes`);
  problems.forEach((problem) => console.error(`problem: ${problem}`));
  if (problems.length > 0) process.exitCode = 1;
}

async function write(path: string, content: string | Uint8Array): Promise<void> {
  await mkdir(dirname(path), { recursive: true });
  await writeFile(path, content);
}

async function main(): Promise<void> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { out: { type: 'string' }, page: { type: 'string' }, single: { type: 'boolean' }, help: { type: 'boolean', short: 'h' } }
  });
  const [command, file] = positionals;
  if (values.help || !command) return console.log(USAGE);
  if (command !== 'export') throw new Mistake(`There is no command “${command}”.\n${USAGE}`);
  if (!file) throw new Mistake(`Name the project file to export.\n${USAGE}`);
  await exportCommand(file, values);
}

main().catch((error: unknown) => {
  const isMistake = error instanceof Mistake || (error instanceof TypeError && 'code' in error);
  if (!isMistake) throw error;
  console.error((error as Error).message);
  process.exitCode = 2;
});

import { mkdir, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join, relative, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { withTones } from '../core/colour/tones';
import { planExport, requestOf } from '../core/compile/files';
import { compact } from '../core/data/compact';
import { withShippedFaces } from '../core/faces/shipping';
import { renditionPlan } from '../core/compile/rendition-plan';
import { renditionFile, type Rendition } from '../core/compile/renditions';
import { printSnippet, type SnippetOptions } from '../core/compile/snippet';
import { placeholdersOf } from '../core/findings/placeholders';
import { loadRules, runFindings } from '../core/findings/run';
import { readProjectFile, writeProjectFile, type Opened } from '../core/formats/project-file';
import { NO_FACTS, splitAside, type Facts } from '../core/kinds/finding';
import { sarifOf } from '../core/formats/sarif';
import { ownOf } from '../core/data/record';
import { writeDesignTokens } from '../core/formats/design-tokens';
import { pageStem } from '../core/project/files';
import { maybeNode, maybePageOf } from '../core/project/tree';
import type { Asset, AssetId, NodeId, PageId, Project } from '../core/project/types';
import { SWEEP_FROM, SWEEP_TO } from '../core/sweep/span';
import { registry } from '../core/whole';
import { finish, finishSnippet, type Finished } from '../server/finish';
import { sites, sitesFolder } from '../server/host/host';
import { nameFault, Refused } from '../server/host/store';
import { makeRenditions } from '../server/renditions';
import { readTones } from '../server/tones';
import { refreshed } from './refresh';
import { sheetOf } from './sheet';
import { maybeChromium, NeverRests, sweptPages } from './sweep';
import { subsetFace } from '../server/typefaces';
import { usage } from './usage';

/** Where a command's answer goes, a line at a time: what was asked for, and what is said about it. */
export interface Say {
  out(text: string): void;
  note(text: string): void;
}

/** A fault of the person at the keyboard: shown as one sentence, exit code 2. */
class Mistake extends Error {}

function pagesOf(project: Project, wanted: string | undefined): readonly PageId[] {
  if (wanted === undefined) return project.info.pageOrder;
  const known = project.info.pageOrder.find((id) => id === wanted);
  if (known) return [known];
  throw new Mistake(
    `There is no page “${wanted}” in this project. It has: ${project.info.pageOrder.join(', ')}.`
  );
}

interface Options {
  readonly out?: string;
  readonly page?: string;
  readonly single?: boolean;
  readonly snippet?: string;
  readonly look?: string;
  readonly root?: string;
  readonly minify?: boolean;
  readonly json?: boolean;
  readonly sarif?: boolean;
  readonly sweep?: boolean;
  readonly from?: readonly string[];
  readonly piece?: string;
  readonly to?: string;
}

async function openFile(file: string, say: Say): Promise<Extract<Opened, { ok: true }>> {
  const bytes = await readFile(file).catch(() => {
    throw new Mistake(`${file} cannot be read. Check the path.`);
  });
  const opened = readProjectFile(registry, bytes);
  if (!opened.ok) throw new Mistake(`${file}: ${opened.sentence}`);
  opened.notes.forEach((note) => say.note(`note: ${note}`));
  return opened;
}

async function exportCommand(file: string, options: Options, say: Say): Promise<number> {
  if (!options.out) throw new Mistake('Say where to write with --out DIR.');
  const opened = await openFile(file, say);
  const roots = rootsOf(opened.project, options);
  const { project, bytes, notes } = await withShippedFaces(opened.project, opened.bytes, roots, subsetFace);
  notes.forEach((note) => say.note(`note: ${note}`));
  const dataUri = (asset: Asset) =>
    `data:${asset.type};base64,${Buffer.from(bytes.get(asset.id)!).toString('base64')}`;
  const out = resolve(options.out);
  if (options.snippet !== undefined) return exportSnippet(project, options, dataUri, out, say);
  const pages = pagesOf(project, options.page);
  const renditions = new Map<AssetId, Rendition[]>();
  const files = new Map<string, Uint8Array>();
  for (const [asset, widths] of options.single ? [] : renditionPlan(registry, project)) {
    const made = await makeRenditions(bytes.get(asset.id)!, widths);
    if (!made.ok) say.note(`note: ${asset.file} goes along as it is: ${made.sentence}.`);
    else
      renditions.set(
        asset.id,
        made.made.map(
          ({ format, width, bytes: own }) => (
            files.set(renditionFile(asset, width, format), own),
            { format, width, file: renditionFile(asset, width, format) }
          )
        )
      );
  }
  const plan = planExport(registry, project, pages, { single: options.single ?? false, dataUri, renditions });
  const finished = await finish({ ...requestOf(plan), minified: options.minify ?? false });
  for (const asset of plan.assets) await write(join(out, 'assets', asset.file), bytes.get(asset.id)!);
  for (const file of plan.renditions) await write(join(out, 'assets', file), files.get(file)!);
  const code = await writeFinished(finished, out, say);
  for (const file of plan.renditions) say.out(`assets/${file}  ${files.get(file)!.length} bytes`);
  for (const asset of plan.assets) say.out(`assets/${asset.file}  ${asset.bytes} bytes`);
  return code;
}

/** Roots of what leaves: of one piece, or of pages. A piece that is not there is told of where it is printed. */
function rootsOf(project: Project, { snippet, page }: Options): readonly NodeId[] {
  if (snippet !== undefined) return compact([maybeNode(project, snippet)?.id]);
  return pagesOf(project, page).map((id) => project.pages[id]!.root);
}

/** What is said of the site that a snippet goes into. */
function siteOf({ look, root }: Options): Omit<SnippetOptions, 'addressOf'> {
  const site = look ?? 'page';
  if (site !== 'page' && site !== 'site') throw new Mistake(`--look is page or site, not “${look}”.`);
  if (root === undefined) return { look: site };
  const rootSize = Number(root);
  if (!(rootSize >= 4 && rootSize <= 64))
    throw new Mistake(`--root is a number of px from 4 to 64, not “${root}”.`);
  return { look: site, rootSize };
}

async function exportSnippet(
  project: Project,
  options: Options,
  dataUri: (asset: Asset) => string,
  out: string,
  say: Say
): Promise<number> {
  const id = options.snippet!;
  const node = maybeNode(project, id);
  if (!node || !registry.of(node).markup || registry.of(node).category === 'page')
    throw new Mistake(
      `There is no piece “${id}” in this project that can stand alone. Ids stand in project.json under nodes.`
    );
  const { assets: _assets, ...snippet } = printSnippet(registry, project, node.id, {
    ...siteOf(options),
    addressOf: dataUri
  });
  const request = {
    snippet: { ...snippet, behaviours: [...snippet.behaviours] },
    minified: options.minify ?? false
  };
  return writeFinished(await finishSnippet(request), out, say);
}

async function writeFinished({ files, problems, broken }: Finished, out: string, say: Say): Promise<number> {
  for (const each of files) await write(join(out, each.path), each.text);
  for (const each of files) say.out(`${each.path}  ${each.raw} bytes, ${each.gzip} gzip`);
  broken.forEach((fault) => say.note(`error: ${fault}`));
  problems.forEach((problem) => say.note(`problem: ${problem}`));
  return problems.length + broken.length > 0 ? 1 : 0;
}

/** What is measured at all widths, where that is asked for; else nothing is. */
async function factsOf(
  { project, bytes }: Extract<Opened, { ok: true }>,
  sweep: boolean,
  pages = project.info.pageOrder
): Promise<Facts> {
  if (!sweep) return NO_FACTS;
  const chromium = maybeChromium();
  if (chromium === null)
    throw new Mistake(
      'There is no Chromium to lay the pages out with. ' +
        'Install it (on Debian: apt-get install chromium), or name it in CHROMIUM.'
    );
  try {
    return { ...NO_FACTS, sweeps: await sweptPages(chromium, project, bytes, pages) };
  } catch (error) {
    if (error instanceof NeverRests)
      throw new Mistake(`${error.message} Look for it in the workbench, under Widths.`);
    throw error;
  }
}

/**
 * Without a browser nothing is measured, so what hangs on measurements (fit of labels, heights) is not looked
 * at.
 */
async function checkCommand(
  file: string,
  { json, sarif, sweep = false }: Options,
  say: Say
): Promise<number> {
  const opened = await openFile(file, say);
  const project = await withTones(opened.project, ({ id }) => readTones(opened.bytes.get(id)!));
  await loadRules(registry);
  const findings = runFindings(registry, project, await factsOf(opened, sweep));
  const { open, aside } = splitAside(findings, project.info.aside);
  const placeholders = placeholdersOf(registry, project);
  if (sarif) say.out(JSON.stringify(await sarifOf(registry, project, findings, file), null, 2));
  else if (json) say.out(JSON.stringify({ file, findings: open, aside, placeholders }, null, 2));
  else {
    for (const { severity, sentence, cause, node, rule } of open)
      say.out(`${severity}: ${sentence}\n    ${cause}\n    ${node} (${rule})`);
    const counted = `${open.length} ${open.length === 1 ? 'finding' : 'findings'}, ${aside.length} set aside.`;
    const swept = sweep ? ` Laid out from ${SWEEP_FROM} to ${SWEEP_TO} px.` : '';
    say.out(`${counted}${swept} Fit of labels and heights are measured in the workbench only.`);
    if (placeholders.length > 0)
      say.out(
        `Still as it came: ${placeholders.map(({ node, what, text }) => `${node} (${text ? `“${text}”` : `no ${what} yet`})`).join(', ')}`
      );
  }
  return open.some(({ severity }) => severity === 'error') ? 1 : 0;
}

/** `NAME=TABLE` of every `--from`, the names those of sources of the project. */
function filesOf({ sources }: Project, from: readonly string[]): ReadonlyMap<string, string> {
  const names = Object.values(sources).map(({ name }) => name);
  const pairs = from.map((each): [string, string] => {
    const at = each.lastIndexOf('=');
    const name = each.slice(0, Math.max(0, at));
    if (names.includes(name)) return [name, each.slice(at + 1)];
    const known = names.length > 0 ? `It has: ${names.join(', ')}.` : 'It has none.';
    throw new Mistake(`--from ${each} names no source of this project. ${known}`);
  });
  return new Map(pairs);
}

async function refreshCommand(file: string, { from = [], out = file }: Options, say: Say): Promise<number> {
  const { project, bytes } = await openFile(file, say);
  const done = await refreshed(project, filesOf(project, from));
  done.said.forEach((line) => say.out(line));
  done.faults.forEach((fault) => say.note(`error: ${fault}`));
  if (done.project !== project) await write(out, writeProjectFile(done.project, bytes));
  if (Object.keys(project.sources).length === 0) say.out('This project has no source of rows.');
  return done.faults.length > 0 ? 1 : 0;
}

/** The page asked for by itself, or by a piece on it; all of them where neither is named. */
function pagesToDescribe(project: Project, { page, piece }: Options): readonly PageId[] {
  if (piece === undefined) return pagesOf(project, page);
  const node = maybeNode(project, piece);
  const on = node && registry.of(node).markup ? maybePageOf(project, node.id) : null;
  if (on) return [on.id];
  throw new Mistake(
    `There is no piece “${piece}” on a page of this project that draws itself. Ids stand in project.json under nodes.`
  );
}

async function sheetCommand(file: string, options: Options, say: Say): Promise<number> {
  if (!options.out) throw new Mistake('Say where to write with --out DIR.');
  const opened = await openFile(file, say);
  const { bytes } = opened;
  const project = await withTones(opened.project, ({ id }) => readTones(bytes.get(id)!));
  const pages = pagesToDescribe(project, options);
  await loadRules(registry);
  const facts = await factsOf(opened, options.sweep ?? false, pages);
  const findings = runFindings(registry, project, facts);
  const piece = options.piece === undefined ? null : (options.piece as NodeId);
  for (const page of pages) {
    const stem = `${pageStem(project, page)}${piece ? `-${piece}` : ''}-specification`;
    const lanes = facts.sweeps.get(project.pages[page]!.root) ?? null;
    for (const [type, text] of Object.entries(sheetOf(project, page, piece, bytes, { findings, lanes }))) {
      await write(join(resolve(options.out), `${stem}.${type}`), text);
      say.out(`${stem}.${type}  ${Buffer.byteLength(text)} bytes`);
    }
  }
  return 0;
}

async function filesIn(folder: string): Promise<ReadonlyMap<string, Uint8Array>> {
  const entries = await readdir(folder, { recursive: true, withFileTypes: true });
  const paths = entries.filter((entry) => entry.isFile()).map((entry) => join(entry.parentPath, entry.name));
  const read = paths.map(
    async (path) => [relative(folder, path), new Uint8Array(await readFile(path))] as const
  );
  return new Map(await Promise.all(read));
}

async function publishCommand(file: string, { to }: Options, say: Say): Promise<number> {
  if (!to) throw new Mistake('Say what the site is called with --to NAME.');
  const fault = nameFault(to);
  if (fault !== null) throw new Mistake(fault);
  const folder = await mkdtemp(join(tmpdir(), 'kymation-'));
  try {
    const code = await exportCommand(file, { out: folder, minify: true }, { ...say, out: () => {} });
    if (code !== 0) return code;
    const { files } = await sites.publish(to, await filesIn(folder));
    say.out(
      `${to}: ${files.length} files published into ${sitesFolder()}. Kymation shows them while it runs.`
    );
    return 0;
  } catch (error) {
    if (error instanceof Refused) throw new Mistake(error.message);
    throw error;
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

async function tokensCommand(file: string, { out }: Options, say: Say): Promise<number> {
  const { project } = await openFile(file, say);
  const text = writeDesignTokens(project.tokens);
  if (out === undefined) say.out(text);
  else await write(resolve(out), text);
  return 0;
}

async function write(path: string, content: string | Uint8Array): Promise<void> {
  await mkdir(dirname(path), { recursive: true });
  await writeFile(path, content);
}

const COMMANDS = {
  export: exportCommand,
  check: checkCommand,
  refresh: refreshCommand,
  sheet: sheetCommand,
  publish: publishCommand,
  tokens: tokensCommand
};

async function act(args: readonly string[], say: Say): Promise<number> {
  const { values, positionals } = parseArgs({
    args: [...args],
    allowPositionals: true,
    options: {
      out: { type: 'string' },
      page: { type: 'string' },
      single: { type: 'boolean' },
      snippet: { type: 'string' },
      look: { type: 'string' },
      root: { type: 'string' },
      minify: { type: 'boolean' },
      json: { type: 'boolean' },
      sarif: { type: 'boolean' },
      sweep: { type: 'boolean' },
      from: { type: 'string', multiple: true },
      piece: { type: 'string' },
      to: { type: 'string' },
      help: { type: 'boolean', short: 'h' }
    }
  });
  const [command, file] = positionals;
  const run = command === undefined ? undefined : ownOf(COMMANDS, command);
  if (!command || (values.help && run)) {
    say.out(usage(command));
    return 0;
  }
  if (!run) throw new Mistake(`There is no command “${command}”.\n${usage()}`);
  if (!file) throw new Mistake(`Name the project file to ${command}.\n${usage(command)}`);
  return run(file, values, say);
}

/**
 * The command line.
 * @param args what stands behind the program's name.
 * @returns the exit code: 0 good, 1 problems or findings that are errors, 2 a mistake in the call, said in
 * one sentence.
 */
export async function kymation(args: readonly string[], say: Say): Promise<number> {
  try {
    return await act(args, say);
  } catch (error) {
    const isMistake = error instanceof Mistake || (error instanceof TypeError && 'code' in error);
    if (!isMistake) throw error;
    say.note((error as Error).message);
    return 2;
  }
}

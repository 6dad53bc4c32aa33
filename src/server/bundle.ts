import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';

/** The folder `src` of this checkout: from the source when run as TypeScript, from the working folder when built. */
export function sourceFolder(): string {
  const starts = [dirname(fileURLToPath(import.meta.url)), process.cwd()];
  for (const start of starts) {
    for (let folder = start; folder !== dirname(folder); folder = dirname(folder)) {
      if (existsSync(join(folder, 'src/runtime/index.ts'))) return join(folder, 'src');
    }
  }
  throw new Error('sourceFolder: no src/runtime/index.ts above this file or the working folder');
}

const bundles = new Map<string, Promise<string>>();

function bundled(key: string, contents: string, folder: string, isStoppable: boolean): Promise<string> {
  const known = bundles.get(key);
  if (known) return known;
  const made = build({
    stdin: { contents, resolveDir: join(sourceFolder(), folder), loader: 'ts' },
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    write: false,
    legalComments: 'none',
    logLevel: 'silent',
    alias: { $core: join(sourceFolder(), 'core'), $runtime: join(sourceFolder(), 'runtime') },
    define: { STOPPABLE: String(isStoppable) },
    tsconfigRaw: '{}'
  }).then(({ outputFiles }) => outputFiles[0]!.text);
  bundles.set(key, made);
  // A failed bundle is not remembered: the next call tries again.
  made.catch(() => bundles.delete(key));
  return made;
}

function checkedNames(behaviours: readonly string[]): string {
  const strange = behaviours.filter((name) => !/^[a-z][a-zA-Z0-9]*$/.test(name));
  if (strange.length > 0) throw new Error(`no such behaviour: ${strange.join(', ')}`);
  return [...behaviours].sort().join(', ');
}

/**
 * The script of an exported page: the named behaviours and what starts them, nothing else.
 * @returns null where there are none. Throws where a name is not in the runtime's contract.
 */
export async function pageScript(behaviours: readonly string[]): Promise<string | null> {
  if (behaviours.length === 0) return null;
  const names = checkedNames(behaviours);
  return bundled(`page:${names}`, `import { start, ${names} } from './index'; start({ ${names} });`, 'runtime', false);
}

/**
 * The script of a snippet: it starts within the element it stands in, and nowhere else.
 * @param opens whether something in it is opened by its id, which a second copy on the same page has to have of its own.
 */
export async function snippetScript(behaviours: readonly string[], opens = false): Promise<string | null> {
  if (behaviours.length === 0) return opens ? bundled('snippet', `import { scoped } from './index'; scoped(document.currentScript.parentElement);`, 'runtime', false) : null;
  const names = checkedNames(behaviours);
  return bundled(`snippet:${names}`, `import { scoped, start, ${names} } from './index'; const root = document.currentScript.parentElement; scoped(root); start({ ${names} }, root);`, 'runtime', false);
}

/** The script of the preview frame: the probe and every behaviour. */
export function probeScript(): Promise<string> {
  return bundled('probe', `import './probe';`, 'preview', true);
}

/** The editor for writing in the preview; fetched when someone first writes there. */
export function writerScript(): Promise<string> {
  return bundled('writer', `import './writer';`, 'preview', true);
}

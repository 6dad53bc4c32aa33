import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build, type Plugin } from 'esbuild';
import { minify } from 'terser';

/**
 * The folder `src` of this checkout: from the source when run as TypeScript, from the working folder when
 * built.
 */
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

/**
 * `read`: as its source reads. `short`: without comments and white space. `shortest`: what is called in one place only
 * is put there too, which takes a second for a large script.
 */
type Form = 'read' | 'short' | 'shortest';

/** How a bundle is made. */
interface Bundle {
  /** What it runs, as a module that stands in `folder` of `src`. */
  readonly contents: string;
  readonly folder: string;
  /** Whether behaviours can be stopped again, as the workbench has to. */
  readonly isStoppable: boolean;
  readonly form: Form;
}

function bundled(key: string, bundle: Bundle): Promise<string> {
  const { contents, folder, isStoppable, form } = bundle;
  const isRead = form === 'read';
  const known = bundles.get(key);
  if (known) return known;
  const made = build({
    stdin: { contents, resolveDir: join(sourceFolder(), folder), loader: 'ts' },
    bundle: true,
    minify: !isRead,
    format: 'iife',
    target: 'es2022',
    write: false,
    legalComments: isRead ? 'inline' : 'none',
    plugins: isRead ? [keepingComments] : [],
    logLevel: 'silent',
    alias: { $core: join(sourceFolder(), 'core'), $runtime: join(sourceFolder(), 'runtime') },
    dropLabels: isStoppable ? [] : ['STOPPABLE'],
    tsconfigRaw: '{}'
  }).then(({ outputFiles }) => written(outputFiles[0]!.text, form));
  bundles.set(key, made);
  // A failed bundle is not remembered: the next call tries again.
  made.catch(() => bundles.delete(key));
  return made;
}

/** A bundle as it is handed on. */
async function written(text: string, form: Form): Promise<string> {
  if (form === 'read') return asWritten(text);
  return form === 'short' ? text : shortest(text);
}

async function shortest(text: string): Promise<string> {
  const { code } = await minify(text, { ecma: 2020, compress: { passes: 2, unsafe_arrows: true } });
  return code!;
}

/** A bundler keeps only comments that are marked as legal ones, so all are while it works. */
const keepingComments: Plugin = {
  name: 'keeping-comments',
  setup(builder) {
    builder.onLoad({ filter: /src[\\/]runtime[\\/][^\\/]*\.ts$/ }, async ({ path }) => ({
      contents: withLegalComments(await readFile(path, 'utf8')),
      loader: 'ts'
    }));
  }
};

const withLegalComments = (source: string) =>
  source
    .replace(COMMENTED_TYPE, '')
    .replace(/^([ \t]*)\/\*\*/gm, '$1/*!')
    .replace(/^([ \t]*)\/\/ (.*)$/gm, '$1/*! $2 */');

/** A type leaves nothing behind, so what is said of it has nothing to stand at. */
const COMMENTED_TYPE = /\/\*\*(?:(?!\*\/)[\s\S])*\*\/\n(?=export (?:type|interface) )/g;

/** The bundle with its comments as they were, air before each piece, and no word of where the source lay. */
function asWritten(text: string): string {
  return text
    .replace(/^ *\/\/ (?:\S*\/)?[\w.-]+\.ts\n/gm, '')
    .replace(/^ *\/\/ <stdin>\n/gm, '')
    .replaceAll('/* @__PURE__ */ ', '')
    .replace(/\/\*! ([^\n]*?) \*\//g, '// $1')
    .replace(/\/\*!/g, '/**')
    .replace(/(\n  (?:\};?|\}\);?))\n(?=  (?:var|function|\/\/|\/\*\*))/g, '$1\n\n');
}

/** Each from the file that has its name, so that nothing else of the runtime comes along. */
const imports = (names: readonly string[]): string =>
  names.map((name) => `import { ${name} } from './${name}';`).join(' ');

function checkedNames(behaviours: readonly string[]): string[] {
  const strange = behaviours.filter((name) => !/^[a-z][a-zA-Z0-9]*$/.test(name));
  if (strange.length > 0) throw new Error(`no such behaviour: ${strange.join(', ')}`);
  return [...behaviours].sort();
}

/** Code that starts behaviours on every element that asks for them. */
function starting(names: readonly string[], within: 'document' | 'root'): string {
  const each = (name: string) => `${within}.querySelectorAll('[data-k-${name}]').forEach(${name});`;
  return `${imports(names)} ${names.map(each).join('')}`;
}

/**
 * The script of an exported page: the named behaviours and what starts them, nothing else.
 * @returns null where there are none. Throws where a name is not in the runtime's contract.
 */
export const pageScript = (behaviours: readonly string[], isMinified: boolean): Promise<string | null> =>
  pageIn(behaviours, isMinified ? 'shortest' : 'read');

/** The same made quickly, some percent larger: to tell what each behaviour adds. @returns as `pageScript`. */
export const roughScript = (behaviours: readonly string[]): Promise<string | null> =>
  pageIn(behaviours, 'short');

async function pageIn(behaviours: readonly string[], form: Form): Promise<string | null> {
  if (behaviours.length === 0) return null;
  const names = checkedNames(behaviours);
  const contents = starting(names, 'document');
  return bundled(`page:${form}:${names.join()}`, { contents, folder: 'runtime', isStoppable: false, form });
}

/**
 * The script of a snippet: it starts within the element it stands in, and nowhere else.
 * @param opens whether something in it is opened by its id, which a second copy on the same page has to have
 * of its own.
 */
export async function snippetScript(
  behaviours: readonly string[],
  opens: boolean,
  isMinified: boolean
): Promise<string | null> {
  if (behaviours.length === 0 && !opens) return null;
  const names = checkedNames(behaviours);
  const contents = `${imports(['scoped'])} const root = document.currentScript.parentElement; scoped(root);
    ${starting(names, 'root')}`;
  const form = isMinified ? 'shortest' : 'read';
  return bundled(`snippet:${form}:${names.join()}`, {
    contents,
    folder: 'runtime',
    isStoppable: false,
    form
  });
}

/** The script of the preview frame: the probe and every behaviour. */
export function probeScript(): Promise<string> {
  return bundled('probe', {
    contents: `import './probe';`,
    folder: 'preview',
    isStoppable: true,
    form: 'short'
  });
}

/** Scripts of the frame that are fetched when someone first needs them: the editor, and what is heard. */
export const LATER = ['writer', 'heard'] as const;

/** @param name one of `LATER`. */
export function laterScript(name: (typeof LATER)[number]): Promise<string> {
  return bundled(name, {
    contents: `import './${name}';`,
    folder: 'preview',
    isStoppable: true,
    form: 'short'
  });
}

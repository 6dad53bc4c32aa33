import { gzipSync } from 'node:zlib';
import { transform } from 'lightningcss';
import { CssSyntaxError, parse } from 'postcss';
import { array, boolean, object, string, type InferType } from 'yup';
import { documentText } from '../core/compile/document';
import { snippetText } from '../core/compile/snippet';
import { bracketDepth } from '../core/css/depth';
import { nestingOf } from '../core/html/nesting';
import * as runtime from '../runtime/index';
import { pageScript, roughScript, snippetScript } from './bundle';
import { htmlProblems } from './validator';

const text = (most: number) => string().strict(true).max(most).defined();

/**
 * Brackets in one another in a style sheet, and elements in one another in a page; parsers call themselves
 * once a level.
 */
const BRACKETS_MOST = 64;
const ELEMENTS_MOST = 2000;

const style = (most: number) =>
  text(most)
    .test('closing', 'a closing tag stands inside the style sheet', (value) => !/<\/style/i.test(value ?? ''))
    .test(
      'depth',
      `brackets of the style sheet stand more than ${BRACKETS_MOST} deep in one another`,
      (value) => bracketDepth(value ?? '') <= BRACKETS_MOST
    );
const markup = () =>
  text(40_000_000)
    .test(
      'depth',
      `elements stand more than ${ELEMENTS_MOST} deep in one another`,
      (value) => nestingOf(value ?? '') <= ELEMENTS_MOST
    )
    .required();
const behaviours = () =>
  array()
    .of(string().strict(true).oneOf(Object.keys(runtime), 'there is no behaviour “${value}”').required())
    .max(100)
    .required();

/** What the finishing step takes: printed pages, by the file name they will have (without ending). */
export const finishRequest = object({
  single: boolean().strict(true).required(),
  /** The script without comments and white space. */
  minified: boolean().strict(true).optional(),
  /** The style sheet that all pages share; single files carry their own. */
  css: style(20_000_000).optional(),
  pages: array()
    .of(
      object({
        file: text(80)
          .matches(/^[a-z][a-z0-9-]*$/, 'A page’s file name is made of small letters, digits and hyphens.')
          .required(),
        title: text(500),
        picture: text(2000).nullable().default(null),
        description: text(2000),
        language: text(40),
        preloads: array().of(text(2000)).max(50).required(),
        body: markup(),
        css: style(20_000_000).optional(),
        behaviours: behaviours()
      }).required()
    )
    .min(1)
    .max(200)
    .required()
});

export type FinishRequest = InferType<typeof finishRequest>;

/** One piece to paste: what `printSnippet` gives. */
export const snippetRequest = object({
  minified: boolean().strict(true).optional(),
  snippet: object({
    prefix: text(80)
      .matches(/^[a-z][a-z0-9-]*$/)
      .required(),
    language: text(40),
    html: markup(),
    css: style(20_000_000),
    behaviours: behaviours()
  }).required()
});

export type SnippetRequest = InferType<typeof snippetRequest>;

export interface FinishedFile {
  readonly path: string;
  readonly text: string;
  /** Bytes as they stand, and after gzip. */
  readonly raw: number;
  readonly gzip: number;
}

export interface Finished {
  readonly files: readonly FinishedFile[];
  /** What html-validate objects to, as sentences. Empty when all is well. */
  readonly problems: readonly string[];
  /**
   * Places where a style sheet cannot be read as it was meant, as sentences: such an export must not be used.
   * Empty when all is well.
   */
  readonly broken: readonly string[];
  /** What each behaviour adds to the script, in bytes after gzip. */
  readonly costs: Readonly<Record<string, number>>;
}

export function sized(path: string, content: string): FinishedFile {
  const bytes = Buffer.from(content, 'utf8');
  return { path, text: content, raw: bytes.length, gzip: gzipSync(bytes, { level: 9 }).length };
}

/** Names of the files that the pages of a site share. */
const SHARED = { style: 'style.css', script: 'script.js' } as const;

/**
 * Turns printed pages into files: style checked, the script bundled from the behaviours the pages name, each
 * document put together and validated. Pages of a site share a style sheet and a script; single files carry
 * their own.
 */
export async function finish({
  single,
  minified = false,
  css = '',
  pages
}: FinishRequest): Promise<Finished> {
  const { files, problems, broken } = single
    ? await finishSingles(pages, minified)
    : await finishSite(css, pages, minified);
  return { files, problems, broken, costs: await scriptCosts(pages.flatMap((page) => page.behaviours)) };
}

type Pages = FinishRequest['pages'];
type Made = Omit<Finished, 'costs'>;

async function finishSite(css: string, pages: Pages, minified: boolean): Promise<Made> {
  const behaviours = [...new Set(pages.flatMap((page) => page.behaviours))];
  const script = await pageScript(behaviours, minified);
  const files: FinishedFile[] = [];
  const problems: string[] = [];
  for (const page of pages) {
    const needsScript = page.behaviours.length > 0;
    const html = documentText(page, {
      style: { href: SHARED.style },
      script: needsScript ? { src: SHARED.script } : null
    });
    files.push(sized(`${page.file}.html`, html));
    problems.push(...(await htmlProblems(page.file, html)));
  }
  files.push(sized(SHARED.style, css));
  if (script !== null) files.push(sized(SHARED.script, script));
  return { files, problems, broken: styleFaults(SHARED.style, css) };
}

async function finishSingles(pages: Pages, minified: boolean): Promise<Made> {
  const files: FinishedFile[] = [];
  const problems: string[] = [];
  const broken: string[] = [];
  for (const page of pages) {
    const css = page.css ?? '';
    const script = await pageScript(page.behaviours, minified);
    const html = documentText(page, {
      style: { text: css },
      script: script === null ? null : { text: script }
    });
    files.push(sized(`${page.file}.html`, html));
    broken.push(...styleFaults(`${page.file}.html`, css));
    problems.push(...(await htmlProblems(page.file, html)));
  }
  return { files, problems, broken };
}

/** What a page's script would be smaller by without each of its behaviours, bytes after gzip. */
async function scriptCosts(behaviours: readonly string[]): Promise<Record<string, number>> {
  const all = [...new Set(behaviours)];
  const size = async (names: readonly string[]) =>
    gzipSync((await roughScript(names)) ?? '', { level: 9 }).length;
  const whole = await size(all);
  const costs = all.map(async (name): Promise<[string, number]> => [
    name,
    whole - (all.length === 1 ? 0 : await size(all.filter((each) => each !== name)))
  ]);
  return Object.fromEntries(await Promise.all(costs));
}

/**
 * Whether a second copy of a snippet would share an opener's target, or a group of which one is open, with
 * the first.
 */
const hasNames = (html: string) =>
  /<[^>]* popovertarget=|<details[^>]* name=|<input[^>]* type="radio"/i.test(html);

/**
 * Turns a printed piece into one text to paste: style checked, script bundled, the whole validated as part of
 * a page.
 */
export async function finishSnippet({ snippet, minified = false }: SnippetRequest): Promise<Finished> {
  const script = await snippetScript(snippet.behaviours, hasNames(snippet.html), minified);
  const content = snippetText(snippet, script);
  // A style sheet in the body is what pasting comes to; the rest is checked as it will stand.
  const page = `<!doctype html>\n<html lang="${snippet.language}"><head><title>Snippet</title></head><body>${snippet.html}</body></html>\n`;
  const problems = await htmlProblems('snippet', page, true);
  const broken = styleFaults('snippet', snippet.css);
  return {
    files: [sized('snippet.html', content)],
    problems,
    broken,
    costs: await scriptCosts(snippet.behaviours)
  };
}

/** @returns what cannot be read in a style sheet, as sentences: a parser leaves it out, and all it swallows. */
function styleFaults(file: string, css: string): string[] {
  const broken: string[] = [];
  const { code, warnings } = transform({
    filename: file,
    code: Buffer.from(css),
    minify: false,
    errorRecovery: true
  });
  broken.push(...warnings.map((warning) => `${file}, line ${warning.loc.line}: ${warning.message}`));
  try {
    parse(css);
  } catch (error) {
    if (!(error instanceof CssSyntaxError)) throw error;
    broken.push(`${file}, line ${error.line ?? '?'}: ${error.reason}`);
  }
  const [before, after] = [css, Buffer.from(code).toString('utf8')].map(ruleCount) as [number, number];
  if (after < before / 2)
    broken.push(`${file}: ${before - after} of ${before} rules are lost; something in it is not closed`);
  return broken;
}

/** Rules that are like one another are written as one, so some may go; half of them never do. */
const ruleCount = (css: string): number => css.match(/\{/g)?.length ?? 0;

import { gzipSync } from 'node:zlib';
import { parse } from 'css-tree';
import { transform } from 'lightningcss';
import { array, boolean, object, string, type InferType } from 'yup';
import { documentText } from '../core/compile/document';
import { snippetText } from '../core/compile/snippet';
import { bracketDepth } from '../core/css/depth';
import { nestingOf } from '../core/html/nesting';
import * as runtime from '../runtime/index';
import { pageScript, snippetScript } from './bundle';
import { htmlProblems } from './validator';

const text = (most: number) => string().strict(true).max(most).defined();

/** Brackets in one another in a style sheet, and elements in one another in a page; parsers call themselves once a level. */
const BRACKETS_MOST = 64;
const ELEMENTS_MOST = 2000;

const style = (most: number) =>
  text(most)
    .test('closing', 'a closing tag stands inside the style sheet', (value) => !/<\/style/i.test(value ?? ''))
    .test('depth', `brackets of the style sheet stand more than ${BRACKETS_MOST} deep in one another`, (value) => bracketDepth(value ?? '') <= BRACKETS_MOST);
const markup = () =>
  text(40_000_000)
    .test('depth', `elements stand more than ${ELEMENTS_MOST} deep in one another`, (value) => nestingOf(value ?? '') <= ELEMENTS_MOST)
    .required();
const behaviours = () => array().of(string().strict(true).oneOf(Object.keys(runtime), 'there is no behaviour “${value}”').required()).max(100).required();

/** What the finishing step takes: printed pages, by the file name they will have (without ending). */
export const finishRequest = object({
  single: boolean().strict(true).required(),
  pages: array()
    .of(
      object({
        file: text(80).matches(/^[a-z][a-z0-9-]*$/, 'A page’s file name is made of small letters, digits and hyphens.').required(),
        title: text(500),
        picture: text(2000).nullable().default(null),
        description: text(2000),
        language: text(40),
        body: markup(),
        css: style(20_000_000),
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
  snippet: object({
    prefix: text(80).matches(/^[a-z][a-z0-9-]*$/).required(),
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
  /** What html-validate and lightningcss object to, as sentences. Empty when all is well. */
  readonly problems: readonly string[];
  /** Places where a style sheet cannot be read as it was meant, as sentences: such an export must not be used. Empty when all is well. */
  readonly broken: readonly string[];
  /** What each behaviour adds to the script, in bytes after gzip. */
  readonly costs: Readonly<Record<string, number>>;
}

export function sized(path: string, content: string): FinishedFile {
  const bytes = Buffer.from(content, 'utf8');
  return { path, text: content, raw: bytes.length, gzip: gzipSync(bytes, { level: 9 }).length };
}

/**
 * Turns printed pages into files: style checked and evened out by lightningcss, the script bundled from the behaviours the
 * page names, the document put together and validated. Pages whose style or script is the same text share no file: each page
 * can be taken away alone.
 */
export async function finish({ single, pages }: FinishRequest): Promise<Finished> {
  const files: FinishedFile[] = [];
  const problems: string[] = [];
  const broken: string[] = [];
  for (const page of pages) {
    const css = finishedStyle(page.file, page.css, broken);
    const script = await pageScript(page.behaviours);
    const html = documentText(page, {
      style: single ? { text: css } : { href: `${page.file}.css` },
      script: script === null ? null : single ? { text: script } : { src: `${page.file}.js` }
    });
    files.push(sized(`${page.file}.html`, html));
    if (!single) {
      files.push(sized(`${page.file}.css`, css));
      if (script !== null) files.push(sized(`${page.file}.js`, script));
    }
    problems.push(...(await htmlProblems(page.file, html)));
  }
  return { files, problems, broken, costs: await scriptCosts(pages.flatMap((page) => page.behaviours)) };
}

/** What a page's script would be smaller by without each of its behaviours, bytes after gzip. */
async function scriptCosts(behaviours: readonly string[]): Promise<Record<string, number>> {
  const all = [...new Set(behaviours)];
  const size = async (names: readonly string[]) => gzipSync((await pageScript(names)) ?? '', { level: 9 }).length;
  const whole = await size(all);
  const costs = all.map(async (name): Promise<[string, number]> => [name, whole - (all.length === 1 ? 0 : await size(all.filter((each) => each !== name)))]);
  return Object.fromEntries(await Promise.all(costs));
}

/** Whether a second copy of a snippet would share an opener's target, or a group of which one is open, with the first. */
const hasNames = (html: string) => /<[^>]* popovertarget=|<details[^>]* name=|<input[^>]* type="radio"/i.test(html);

/** Turns a printed piece into one text to paste: style evened out, script bundled, the whole validated as part of a page. */
export async function finishSnippet({ snippet }: SnippetRequest): Promise<Finished> {
  const broken: string[] = [];
  const css = finishedStyle('snippet', snippet.css, broken);
  const content = snippetText({ ...snippet, css }, await snippetScript(snippet.behaviours, hasNames(snippet.html)));
  // A style sheet in the body is what pasting comes to; the rest is checked as it will stand.
  const page = `<!doctype html>\n<html lang="${snippet.language}"><head><title>Snippet</title></head><body>${snippet.html}</body></html>\n`;
  const problems = await htmlProblems('snippet', page, true);
  return { files: [sized('snippet.html', content)], problems, broken, costs: await scriptCosts(snippet.behaviours) };
}

/** @returns the style sheet, evened out. What cannot be read in it is said in `broken`: a parser leaves it out, and all it swallows. */
function finishedStyle(file: string, css: string, broken: string[]): string {
  const { code, warnings } = transform({ filename: `${file}.css`, code: Buffer.from(css), minify: false, errorRecovery: true });
  broken.push(...warnings.map((warning) => `${file}.css, line ${warning.loc.line}: ${warning.message}`));
  parse(css, {
    positions: true,
    parseValue: false,
    onParseError: (error) => broken.push(`${file}.css, line ${(error as unknown as { line?: number }).line ?? '?'}: ${error.message}`)
  });
  const [before, after] = [css, Buffer.from(code).toString('utf8')].map(ruleCount) as [number, number];
  if (after < before / 2) broken.push(`${file}.css: ${before - after} of ${before} rules are lost; something in it is not closed`);
  return Buffer.from(code).toString('utf8');
}

/** Rules that are like one another are written as one, so some may go; half of them never do. */
const ruleCount = (css: string): number => css.match(/\{/g)?.length ?? 0;

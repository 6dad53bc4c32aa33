import { gzipSync } from 'node:zlib';
import { HtmlValidate } from 'html-validate';
import { transform } from 'lightningcss';
import { array, boolean, object, string, type InferType } from 'yup';
import { documentText } from '../core/compile/document';
import { snippetText } from '../core/compile/snippet';
import { pageScript, snippetScript } from './bundle';

const text = (most: number) => string().strict(true).max(most).defined();

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
        body: text(40_000_000).required(),
        css: text(20_000_000),
        behaviours: array().of(text(40).required()).max(100).required()
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
    html: text(40_000_000).required(),
    css: text(20_000_000),
    behaviours: array().of(text(40).required()).max(100).required()
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
  /** What each behaviour adds to the script, in bytes after gzip. */
  readonly costs: Readonly<Record<string, number>>;
}

// Off are matters of taste and of hosting (length of titles, integrity hashes, elements in place of roles); everything that is an
// error by the HTML standard stays on.
const validatorRules = { 'no-trailing-whitespace': 'off', 'long-title': 'off', 'require-sri': 'off', 'prefer-native-element': 'off', 'no-redundant-role': 'off' } as const;
const validator = new HtmlValidate({ extends: ['html-validate:standard', 'html-validate:document', 'html-validate:a11y'], rules: validatorRules });

// A snippet stands somewhere in another page, so which level its headings may have cannot be known.
const partValidator = new HtmlValidate({ extends: ['html-validate:standard', 'html-validate:document', 'html-validate:a11y'], rules: { ...validatorRules, 'heading-level': 'off' } });

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
  for (const page of pages) {
    const css = finishedStyle(page.file, page.css, problems);
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
  return { files, problems, costs: await scriptCosts(pages.flatMap(({ behaviours }) => behaviours)) };
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
  const problems: string[] = [];
  const css = finishedStyle('snippet', snippet.css, problems);
  const content = snippetText({ ...snippet, css }, await snippetScript(snippet.behaviours, hasNames(snippet.html)));
  // A style sheet in the body is what pasting comes to; the rest is checked as it will stand.
  const page = `<!doctype html>\n<html lang="${snippet.language}"><head><title>Snippet</title></head><body>${snippet.html}</body></html>\n`;
  problems.push(...(await htmlProblems('snippet', page, partValidator)));
  return { files: [sized('snippet.html', content)], problems, costs: await scriptCosts(snippet.behaviours) };
}

function finishedStyle(file: string, css: string, problems: string[]): string {
  const { code, warnings } = transform({ filename: `${file}.css`, code: Buffer.from(css), minify: false, errorRecovery: true });
  problems.push(...warnings.map((warning) => `${file}.css, line ${warning.loc.line}: ${warning.message}`));
  return Buffer.from(code).toString('utf8');
}

async function htmlProblems(file: string, html: string, by = validator): Promise<string[]> {
  const report = await by.validateString(html);
  return report.results.flatMap((result) =>
    result.messages.filter((message) => message.severity === 2).map((message) => `${file}.html, line ${message.line}: ${message.message} (${message.ruleId})`)
  );
}

import { createHash } from 'node:crypto';
import {
  HtmlElement,
  HtmlValidate,
  StaticConfigLoader,
  type ResolvedConfig,
  type RuleConfig
} from 'html-validate';

// The package joins a new list for every element it passes, so that its time grows with the square of a page;
// the same answer in one walk.
HtmlElement.prototype.getElementsByTagName = function (this: HtmlElement, tagName: string): HtmlElement[] {
  const found: HtmlElement[] = [];
  const open = [...this.childElements].reverse();
  for (let next = open.pop(); next; next = open.pop()) {
    if (next.is(tagName)) found.push(next);
    const below = next.childElements;
    for (let i = below.length - 1; i >= 0; i -= 1) open.push(below[i]!);
  }
  return found;
};

// Off are matters of taste and of hosting (length of titles, integrity hashes, elements in place of roles);
// everything that is an
// error by the HTML standard stays on.
const rules = {
  'no-trailing-whitespace': 'off',
  'long-title': 'off',
  'require-sri': 'off',
  'prefer-native-element': 'off',
  'no-redundant-role': 'off'
} as const;
/** What opens over a page may stand before the page's own title; a page without one is a finding of our own. */
const headings = {
  'heading-level': ['error', { minInitialRank: 'h2', sectioningRoots: [] }]
} satisfies RuleConfig;
const presets = ['html-validate:standard', 'html-validate:document', 'html-validate:a11y'];

/** The package works its rules out anew for every document, which takes five times as long as most documents. */
class WorkedOutOnce extends StaticConfigLoader {
  private worked?: ReturnType<StaticConfigLoader['getConfigFor']>;

  override getConfigFor(
    ...asked: Parameters<StaticConfigLoader['getConfigFor']>
  ): ResolvedConfig | Promise<ResolvedConfig> {
    this.worked ??= super.getConfigFor(...asked);
    return this.worked;
  }
}

const validator = (own: Record<string, RuleConfig[string]>): HtmlValidate =>
  new HtmlValidate(new WorkedOutOnce({ extends: presets, rules: { ...rules, ...own } }));

const ofPages = validator(headings);
// A snippet stands somewhere in another page, so which level its headings may have cannot be known.
const ofParts = validator({ 'heading-level': 'off' });

/** Problems that are told of one document; more say nothing new. */
const PROBLEMS_MOST = 50;

/** What was found in documents lately: of a site that leaves again after an edit, most pages are as they were. */
const lately = new Map<string, readonly string[]>();
const LATELY_MOST = 200;

/** @returns what html-validate objects to in a document, as sentences with their lines. */
export async function htmlProblems(file: string, html: string, isPart = false): Promise<readonly string[]> {
  const key = createHash('sha256').update(`${isPart} ${file}\n${html}`).digest('base64');
  const known = lately.get(key);
  if (known) return known;
  const found = await validated(file, html, isPart);
  lately.set(key, found);
  const [oldest] = lately.keys();
  if (lately.size > LATELY_MOST) lately.delete(oldest!);
  return found;
}

async function validated(file: string, html: string, isPart: boolean): Promise<readonly string[]> {
  const report = await (isPart ? ofParts : ofPages).validateString(html);
  const messages = report.results
    .flatMap((result) => result.messages)
    .filter(({ severity }) => severity === 2);
  const told = messages
    .slice(0, PROBLEMS_MOST)
    .map(({ line, message, ruleId }) => `${file}.html, line ${line}: ${message} (${ruleId})`);
  const rest = messages.length - told.length;
  return rest > 0 ? [...told, `${file}.html: ${rest} more of the kind`] : told;
}

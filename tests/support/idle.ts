import { readFileSync } from 'node:fs';
import { Features, transform } from 'lightningcss';
import { parse, type AtRule, type Container, type Rule } from 'postcss';
import type { Page } from './test';

/** A declaration of a style sheet in which nothing is nested. */
interface Said {
  readonly selector: string;
  readonly media: readonly string[];
  readonly property: string;
  readonly value: string;
  /** What else its rule says. */
  readonly without: string;
}

const STATES = ['hover', 'focus-visible', 'focus-within', 'active'] as const;

/**
 * Without nesting, and with states that a class brings about: all of them can then be looked at without a
 * hand.
 */
function flat(css: string): { readonly text: string; readonly said: readonly Said[] } {
  const { code } = transform({ filename: 'style.css', code: Buffer.from(css), include: Features.Nesting });
  const forced = STATES.reduce(
    (text, state) => text.replaceAll(`:${state}`, `.is-${state}`),
    code.toString()
  ).replaceAll('(hover: hover)', 'all');
  const said: Said[] = [];
  parse(forced).walkDecls((declaration) => {
    const rule = declaration.parent as Rule;
    const media: string[] = [];
    for (
      let around = rule.parent as Container | undefined;
      around && around.type !== 'root';
      around = around.parent as Container | undefined
    ) {
      const { name, params } = around as AtRule;
      if (name === 'keyframes') return;
      media.push(params);
    }
    if (declaration.prop.startsWith('--')) return;
    const without = rule.nodes.filter((each) => each !== declaration).join('; ');
    said.push({
      selector: rule.selector,
      media: media.reverse(),
      property: declaration.prop,
      value: declaration.value,
      without
    });
  });
  return { text: forced, said };
}

/**
 * Declarations that change no computed value of any element, whatever the width, the state and the condition.
 * @param address of a page with one style sheet, `style.css` or `index.css`, beside it.
 * @param use brings the page on the way: what its script makes of it is looked at too.
 */
export async function idleDeclarations(
  page: Page,
  folder: string,
  sheet: string,
  use: (page: Page) => Promise<void>
): Promise<string[]> {
  const { text, said } = flat(readFileSync(`${folder}/${sheet}`, 'utf8'));
  const open = new Set(said.keys());
  await page.route(`**/${sheet}`, (route) => route.fulfill({ contentType: 'text/css', body: text }));
  const look = async (): Promise<void> => {
    for (const state of ['', ...STATES]) {
      const busy = await page.evaluate(busyOnes, {
        said: [...open].map((at) => [at, said[at]!] as const),
        state
      });
      busy.forEach((at) => open.delete(at));
    }
  };
  for (const width of [390, 800, 1280]) {
    await page.setViewportSize({ width, height: 900 });
    await page.emulateMedia({ media: 'screen', reducedMotion: 'no-preference' });
    await page.goto(`file://${folder}/index.html`);
    await look();
    await use(page);
    await look();
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await look();
    await page.emulateMedia({ media: 'print', reducedMotion: 'no-preference' });
    await look();
    await page.route('**/*.js', (route) => route.abort());
    await page.emulateMedia({ media: 'screen' });
    await page.goto(`file://${folder}/index.html`);
    await look();
    await page.unroute('**/*.js');
  }
  await page.unroute(`**/${sheet}`);
  return [...open].map(
    (at) => `${said[at]!.media.join(' ')} ${said[at]!.selector} { ${said[at]!.property}: ${said[at]!.value} }`
  );
}

/** Runs in the page: takes each declaration out for a moment. @returns those whose absence can be seen. */
function busyOnes({ said, state }: { said: (readonly [number, Said])[]; state: string }): number[] {
  const all = [...document.querySelectorAll('*')];
  if (state) all.forEach((each) => each.classList.add(`is-${state}`));
  const rules: { rule: CSSStyleRule; media: string[] }[] = [];
  const collect = (list: CSSRuleList, media: string[]): void => {
    for (const rule of list) {
      if (rule instanceof CSSStyleRule) rules.push({ rule, media });
      else if (rule instanceof CSSMediaRule || rule instanceof CSSContainerRule)
        collect(rule.cssRules, [...media, rule.conditionText]);
    }
  };
  for (const sheet of document.styleSheets) collect(sheet.cssRules, []);
  const found: number[] = [];
  const squeezed = (text: string) =>
    text
      .replace(/\s+/g, '')
      .replace(/['"]/g, '')
      .replace(/::?(before|after)/g, '$1');
  for (const [at, { selector, media, property, value, without }] of said) {
    const isMine = (each: (typeof rules)[number]) =>
      squeezed(each.rule.selectorText) === squeezed(selector) &&
      squeezed(each.media.join()) === squeezed(media.join());
    const mine = rules.filter(isMine);
    if (mine.length === 0) throw new Error(`idleDeclarations: no rule ${media.join(' ')} ${selector}`);
    const isSeen = mine.some(({ rule }) => {
      const pseudo = /::?(?:before|after)/.exec(rule.selectorText)?.[0] ?? null;
      const ofElements = rule.selectorText
        .replace(/(^|,\s*)::?(?:before|after)/g, '$1*')
        .replace(/::?(?:before|after)/g, '');
      const elements = [...document.querySelectorAll(ofElements)];
      const probe = document.createElement('i');
      probe.style.setProperty(property, value);
      const longhands = probe.style.length > 0 ? [...probe.style] : [property];
      const values = () =>
        elements.map((each) =>
          longhands.map((name) => getComputedStyle(each, pseudo).getPropertyValue(name)).join()
        );
      const before = values();
      const text = rule.style.cssText;
      rule.style.cssText = without;
      const after = values();
      rule.style.cssText = text;
      return before.some((each, i) => each !== after[i]);
    });
    if (isSeen) found.push(at);
  }
  if (state) all.forEach((each) => each.classList.remove(`is-${state}`));
  return found;
}

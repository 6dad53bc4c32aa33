import { LARGE, LONGER, SPACED, type Trial } from '$core/sweep/trials';
import { wordsShown } from './text';

const lengthened = new WeakSet<Text>();

/** Words go on with their own beginning, so that they break as words do. */
function lengthen(page: HTMLElement): void {
  for (const { text } of wordsShown(page)) {
    if (lengthened.has(text)) continue;
    lengthened.add(text);
    const words = text.data.trim();
    const more = Math.ceil(words.length * LONGER);
    text.data = `${text.data.trimEnd()} ${words.padEnd(more, words).slice(0, more).trim()}`;
  }
}

const spacing = new CSSStyleSheet();
const declarations = Object.entries(SPACED).map(([name, value]) => `${name}: ${value} !important`);
spacing.replaceSync(`* { ${declarations.join('; ')} }`);

function space(): void {
  if (document.adoptedStyleSheets.includes(spacing)) return;
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, spacing];
}

/** What an element said of its own size before it was doubled. */
const ownSizes = new WeakMap<HTMLElement, string>();

function asItWas(holder: HTMLElement): void {
  const { style } = holder;
  if (!ownSizes.has(holder)) ownSizes.set(holder, style.fontSize);
  style.removeProperty('font-size');
  style.fontSize = ownSizes.get(holder)!;
}

/** Each size doubled, as it is at this width: all are read before any is set, since some follow others. */
function enlarge(page: HTMLElement): void {
  const holders = [...new Set(wordsShown(page).map(({ holder }) => holder))];
  holders.forEach(asItWas);
  const sizes = holders.map((holder) => parseFloat(getComputedStyle(holder).fontSize));
  holders.forEach(({ style }, i) => style.setProperty('font-size', `${sizes[i]! * LARGE}px`, 'important'));
}

const MAKERS: Readonly<Record<Trial, (page: HTMLElement) => void>> = {
  own: () => {},
  longer: lengthen,
  spaced: space,
  large: enlarge
};

/** Gives the page the texts that are to be tried, in a frame that is for nothing else. */
export function tryTexts(page: HTMLElement, trial: string): void {
  if (Object.hasOwn(MAKERS, trial)) MAKERS[trial as Trial](page);
}

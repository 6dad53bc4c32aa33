import { createRequire } from 'node:module';
import { isIcon, type Icon } from '../core/html/icon';

interface Known {
  readonly name: string;
  readonly words: readonly string[];
  readonly icon: Icon;
}

let known: readonly Known[] | null = null;

/** The packaged set: lucide-static (ISC licence), its drawings and the words they are found by. */
function allIcons(): readonly Known[] {
  if (known) return known;
  const load = createRequire(import.meta.url);
  const nodes = load('lucide-static/icon-nodes.json') as Record<string, Icon['nodes']>;
  const tags = load('lucide-static/tags.json') as Record<string, readonly string[]>;
  known = Object.entries(nodes).flatMap(([name, drawing]): Known[] => {
    const icon = { name, nodes: drawing };
    if (!isIcon(icon)) return [];
    const words = name.split('-').concat(tags[name] ?? []);
    return [{ name, words: words.map((word) => word.toLowerCase()), icon }];
  });
  return known;
}

/**
 * How well an icon answers one word: 3 for its name, 2 for a word it is known by, 1 for the start of one, 0
 * for none.
 */
function answer({ name, words }: Known, word: string): number {
  if (name === word || name.startsWith(`${word}-`)) return 3;
  if (words.includes(word)) return 2;
  return words.some((each) => each.startsWith(word)) ? 1 : 0;
}

/** @returns icons found by what they mean, best first; every word must be answered. */
export function findIcons(query: string, most: number): readonly Icon[] {
  const words = query
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter(Boolean)
    .slice(0, 6);
  if (words.length === 0)
    return allIcons()
      .slice(0, most)
      .map(({ icon }) => icon);
  return allIcons()
    .map((each) => ({ each, answers: words.map((word) => answer(each, word)) }))
    .filter(({ answers }) => answers.every((value) => value > 0))
    .sort(
      (a, b) =>
        b.answers.reduce((x, y) => x + y, 0) - a.answers.reduce((x, y) => x + y, 0) ||
        a.each.name.length - b.each.name.length
    )
    .slice(0, most)
    .map(({ each }) => each.icon);
}

import { withClasses, type Cell } from './cells';
import { inReadingOrder } from './order';

/** Declarations that stand together: under one selector, in the same at-rules. */
interface Group {
  /** Relative to the block's own selector; empty for the block itself, null where it stands beside the block. */
  readonly nested: string | null;
  readonly selector: string;
  readonly at: readonly string[];
  readonly cells: Cell[];
}

/** The class that stands for a part in a selector; `isLast` marks the part whose block it is. */
export type ClassOf = (part: string, isLast: boolean) => string;

/**
 * One part of a kind or of a piece as CSS: one rule, with its states and conditions in it (CSS Nesting 1).
 * @param cells all of one part, in the order of the cascade.
 * @param classOf the class that stands in a selector for a part; of the part the block is of, the block's own
 * class.
 * @param also classes of which the same is true.
 */
export function printBlock(cells: readonly Cell[], classOf: ClassOf, also: readonly string[] = []): string {
  const groups = grouped(cells, classOf);
  const inside = groups.filter(({ nested }) => nested !== null);
  const beside = groups.filter(({ nested }) => nested === null);
  const base = `.${classOf(cells[0]!.part, true)}`;
  const prelude = [base, ...also.map((name) => `.${name}`)].join(',\n');
  const own = inside.length > 0 ? [rule(prelude, bodyOf(inside))] : [];
  return [
    ...own,
    ...beside.map((group) => wrapped(group.at, rule(group.selector, declarations(group.cells))))
  ].join('\n\n');
}

/**
 * Cells in groups of one selector and condition. A later one joins an earlier group unless one between would
 * then win over it.
 */
function grouped(cells: readonly Cell[], classOf: ClassOf): Group[] {
  const groups: Group[] = [];
  const base = `.${classOf(cells[0]!.part, true)}`;
  for (const cell of cells) {
    const selector = withClasses(cell.selector, classOf);
    const isMine = (group: Group) => group.selector === selector && group.at.join() === cell.at.join();
    const at = groups.findLastIndex(isMine);
    const isParted = groups
      .slice(at + 1)
      .some((between) =>
        between.cells.some((each) => each.meets === cell.meets && each.weight === cell.weight)
      );
    if (at >= 0 && !isParted) {
      groups[at]!.cells.push(cell);
      continue;
    }
    const nested = nestedIn(base, selector);
    // The block's own declarations stand first in it; what has to stand later is a rule in it.
    const isLater =
      nested === '' &&
      cell.at.length === 0 &&
      groups.some((group) => group.nested === '' && group.at.length === 0);
    groups.push({ nested: isLater ? '&' : nested, selector, at: cell.at, cells: [cell] });
  }
  return groups;
}

/** @returns a selector as it is written inside the block of `base`; null where it cannot be. */
function nestedIn(base: string, selector: string): string | null {
  if (selector === base) return '';
  const at = selector.lastIndexOf(base);
  const [before, after] = [selector.slice(0, at), selector.slice(at + base.length)];
  const isInBrackets = before.split('(').length !== before.split(')').length;
  if (at < 0 || isInBrackets || /^[\w-]/.test(after)) return null;
  if (before === '' && after.startsWith(' ')) return after.trim();
  return `${before}&${after}`;
}

/**
 * What stands between the braces of a block: its own declarations first, then what is nested, neighbours in
 * one at-rule together.
 */
function bodyOf(groups: readonly Group[]): string {
  const plain = groups.filter(({ nested, at }) => nested === '' && at.length === 0);
  const parts = plain.map(({ cells }) => declarations(cells));
  for (const chunk of lightestFirst(chunksOf(groups.filter((group) => !plain.includes(group))))) {
    parts.push(wrapped(chunk[0]!.at, contentOf(chunk).join('\n\n')));
  }
  return parts.join('\n\n');
}

/** What stands in one at-rule; neighbours that say the same are one rule. */
function contentOf(chunk: readonly Group[]): string[] {
  const merged: { preludes: string[]; body: string }[] = [];
  for (const { nested, cells } of chunk) {
    const body = declarations(cells);
    const last = merged.at(-1);
    const isSame = last !== undefined && last.preludes.length > 0 && last.body === body && nested !== '';
    if (isSame) last.preludes.push(nested!);
    else merged.push({ preludes: nested === '' ? [] : [nested!], body });
  }
  return merged.map(({ preludes, body }) =>
    preludes.length === 0 ? body : rule(preludes.join(',\n'), body)
  );
}

/**
 * Neighbours in the same at-rules. Declarations that stand after a nested rule are newer than nesting, so
 * they begin anew.
 */
function chunksOf(groups: readonly Group[]): Group[][] {
  const chunks: Group[][] = [];
  for (const group of groups) {
    const last = chunks.at(-1);
    const isSame = last !== undefined && last[0]!.at.join() === group.at.join();
    if (isSame && group.nested !== '' && group.at.length > 0) last.push(group);
    else chunks.push([group]);
  }
  return chunks;
}

/**
 * The order in which one expects selectors, as far as it changes nothing: of two of one weight the later one
 * would win.
 */
function lightestFirst(chunks: readonly Group[][]): Group[][] {
  const sorted: Group[][] = [];
  for (const chunk of chunks) {
    let at = sorted.length;
    while (at > 0 && heaviest(sorted[at - 1]!) > heaviest(chunk) && !canCollide(sorted[at - 1]!, chunk))
      at -= 1;
    sorted.splice(at, 0, chunk);
  }
  return sorted;
}

const cellsIn = (chunk: readonly Group[]): Cell[] => chunk.flatMap(({ cells }) => cells);
const heaviest = (chunk: readonly Group[]): number => Math.max(...cellsIn(chunk).map(({ weight }) => weight));
const canCollide = (one: readonly Group[], other: readonly Group[]): boolean =>
  cellsIn(one).some((a) => cellsIn(other).some((b) => collide(a, b)));

const collide = (a: Cell, b: Cell): boolean => a.meets === b.meets && a.weight === b.weight;

const indented = (text: string): string => text.replace(/^(?=.)/gm, '  ');

const rule = (prelude: string, body: string): string => `${prelude} {\n${indented(body)}\n}`;

export const wrapped = (at: readonly string[], content: string): string =>
  at.reduceRight((inner, prelude) => rule(prelude, inner), content);

/** Custom properties first, apart from the rest. Of two for the same property the later one stands. */
function declarations(cells: readonly Cell[]): string {
  const last = new Map(cells.map(({ property, value }) => [property, value]));
  const custom: string[] = [];
  const plain: string[] = [];
  for (const property of inReadingOrder([...last.keys()])) {
    (property.startsWith('--') ? custom : plain).push(`${property}: ${last.get(property)!};`);
  }
  return [custom, plain]
    .filter((lines) => lines.length > 0)
    .map((lines) => lines.join('\n'))
    .join('\n\n');
}

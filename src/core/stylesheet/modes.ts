import type { Cell } from './cells';

/**
 * What the script makes of several parts at once, in one place: the at-rules, and the cells that stand in
 * them.
 */
export interface Mode {
  readonly at: readonly string[];
  readonly cells: readonly Cell[];
}

const PARTS_LEAST = 2;

const isOfScript = ({ at }: Cell): boolean => at.some((prelude) => prelude.includes('scripting: enabled'));

/**
 * Parts change together where the script has made something else of them, so that is written once for all of
 * them.
 * @param cells all of one kind. @returns its modes, whose cells then stand after all others, and the cells
 * without them.
 */
export function modesOf(cells: readonly Cell[]): {
  readonly modes: readonly Mode[];
  readonly rest: readonly Cell[];
} {
  const byAt = new Map<string, Cell[]>();
  cells.forEach((cell, i) => {
    if (!isOfScript(cell) || isWonOverLater(cell, cells.slice(i + 1))) return;
    const key = cell.at.join(' ');
    byAt.set(key, (byAt.get(key) ?? []).concat(cell));
  });
  const modes: Mode[] = [];
  for (const own of byAt.values()) {
    const parts = new Set(own.map(({ part }) => part));
    if (parts.size >= PARTS_LEAST)
      modes.push({ at: own[0]!.at, cells: own.map((cell) => ({ ...cell, at: [] })) });
  }
  const gone = new Set(modes.map(({ at }) => at.join(' ')));
  const rest = cells.filter(
    (cell) => !gone.has(cell.at.join(' ')) || !byAt.get(cell.at.join(' '))!.includes(cell)
  );
  return { modes, rest };
}

/**
 * Whether a later cell has the same weight: standing after it, this one would win. Those of modes keep their
 * order.
 */
const isWonOverLater = (cell: Cell, later: readonly Cell[]): boolean =>
  later.some((each) => !isOfScript(each) && each.meets === cell.meets && each.weight === cell.weight);

import { groupedBy } from '../data/grouped';
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

const atOf = ({ at }: Pick<Cell, 'at'>): string => at.join(' ');
const partsOf = (cells: readonly Cell[]): number => new Set(cells.map(({ part }) => part)).size;

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
  const moved = inModes(cells, new Set(cells.filter(isOfScript)));
  const modes = [...groupedBy([...moved], atOf).values()].map((own) => ({
    at: own[0]!.at,
    cells: own.map((cell) => ({ ...cell, at: [] }))
  }));
  return { modes, rest: cells.filter((cell) => !moved.has(cell)) };
}

/**
 * Cells that can stand in modes: of several parts in each, none of which one that stays would win over. What falls
 * out stays itself, so that is looked at again.
 */
function inModes(cells: readonly Cell[], candidates: ReadonlySet<Cell>): ReadonlySet<Cell> {
  const byAt = groupedBy([...candidates], atOf);
  const isMoved = (cell: Cell) => candidates.has(cell) && partsOf(byAt.get(atOf(cell))!) >= PARTS_LEAST;
  const left = cells.filter((cell, i) => isMoved(cell) && !isWonOverLater(cell, cells.slice(i + 1), isMoved));
  return left.length === candidates.size ? candidates : inModes(cells, new Set(left));
}

/**
 * Whether a later cell that stays where it is has the same weight: standing after it, this one would win. Those of
 * modes keep their order.
 */
const isWonOverLater = (cell: Cell, later: readonly Cell[], isMoved: (cell: Cell) => boolean): boolean =>
  later.some((each) => !isMoved(each) && each.meets === cell.meets && each.weight === cell.weight);

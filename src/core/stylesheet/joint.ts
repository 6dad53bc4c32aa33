import { keyOf, partsIn, type Cell } from './cells';
import { withoutSaid } from './share';

/** What two parts of one kind have in common. */
export interface Joint {
  readonly parts: readonly [string, string];
  /** Of the first of the two; they are the same for the other. */
  readonly cells: readonly Cell[];
}

/** From how many declarations in common on two parts are written as one. */
const COMMON_LEAST = 4;

/**
 * Parts that are drawn nearly alike, such as a tab and the header it folds into, are written once for both.
 * @returns what each such pair has in common, and the cells without it.
 */
export function jointParts(cells: readonly Cell[]): {
  readonly joints: readonly Joint[];
  readonly rest: readonly Cell[];
} {
  const parts = [...new Set(cells.map(({ part }) => part))];
  const joints: Joint[] = [];
  const free = new Set(parts);
  for (const one of parts) {
    for (const other of parts.slice(parts.indexOf(one) + 1)) {
      if (!free.has(one) || !free.has(other)) continue;
      const common = inCommon(cells, one, other);
      if (common.length < COMMON_LEAST) continue;
      joints.push({ parts: [one, other], cells: common });
      free.delete(one);
      free.delete(other);
    }
  }
  const said = new Map<string, Cell>();
  for (const { parts: both, cells: common } of joints)
    for (const part of both)
      for (const cell of common) said.set(placeOf({ ...cell, part: both[0] }, part), cell);
  const rest = parts.flatMap((part) => {
    const own = cells.filter((cell) => cell.part === part);
    return free.has(part)
      ? own
      : withoutSaid(own, (cell) => said.get(placeOf(cell, part))?.value === cell.value);
  });
  return { joints, rest };
}

function inCommon(cells: readonly Cell[], one: string, other: string): Cell[] {
  const of = (part: string) =>
    new Map(
      cells.filter((cell) => cell.part === part && isOfItself(cell)).map((cell) => [placeOf(cell, ''), cell])
    );
  const others = of(other);
  return [...of(one)]
    .filter(([place, { value }]) => others.get(place)?.value === value)
    .map(([, cell]) => cell);
}

/** Whether the selector names no other part: only then can two parts stand in it side by side. */
const isOfItself = ({ selector }: Cell): boolean =>
  partsIn(selector).length === 1 && /^\.[^ ]*$/.test(selector);

/** Where a cell stands in the block of its part, with the name of a part before it. */
const placeOf = (cell: Cell, part: string): string => {
  const own = cell.part === 'root' ? '' : `-${cell.part}`;
  return `${part}|${keyOf(cell).replace(new RegExp(`${own}(?![\\w-])`), '')}`;
};

import { keyOf, type Cell } from './cells';

/** Pieces of one kind that are set and look alike. */
export interface Alike {
  readonly cells: readonly Cell[];
  /** How many pieces they are. */
  readonly count: number;
  /** Whether they draw every part that a selector names; what is not drawn needs no declaration. */
  draws(selector: string): boolean;
}

export interface Shared {
  /** Declarations of all pieces of the kind. */
  readonly kind: readonly Cell[];
  /** What each group of pieces that are alike says beside them, in the order the groups came in. */
  readonly own: readonly (readonly Cell[])[];
}

/**
 * What most pieces of a kind say goes to the kind, the rest to the pieces. A declaration is the kind's only
 * where every piece that draws its part has one in the same place, so that no piece has to take back what it
 * never said.
 */
export function share(groups: readonly Alike[]): Shared {
  const tables = groups.map(({ cells }) => new Map(cells.map((cell) => [keyOf(cell), cell])));
  const kind = new Map<string, Cell>();
  for (const [key, cell] of inOrder(tables)) {
    const concerned = groups.filter((group) => group.draws(cell.selector));
    const isEverywhere = groups.every((group, i) => !concerned.includes(group) || tables[i]!.has(key));
    if (isEverywhere) kind.set(key, commonest(key, groups, tables));
  }
  return { kind: [...kind.values()], own: groups.map(({ cells }) => ownCells(cells, kind)) };
}

/** All keys of some tables, those of one where its neighbours in it stand in the others. */
function inOrder(tables: readonly ReadonlyMap<string, Cell>[]): Map<string, Cell> {
  const keys: string[] = [];
  const cells = new Map<string, Cell>();
  for (const table of tables) {
    let at = 0;
    for (const [key, cell] of table) {
      if (cells.has(key)) {
        at = keys.indexOf(key) + 1;
        continue;
      }
      cells.set(key, cell);
      keys.splice(at, 0, key);
      at += 1;
    }
  }
  return new Map(keys.map((key) => [key, cells.get(key)!]));
}

function commonest(
  key: string,
  groups: readonly Alike[],
  tables: readonly ReadonlyMap<string, Cell>[]
): Cell {
  const counts = new Map<string, { cell: Cell; count: number }>();
  groups.forEach(({ count }, i) => {
    const cell = tables[i]!.get(key);
    if (!cell) return;
    const known = counts.get(cell.value) ?? { cell, count: 0 };
    counts.set(cell.value, { cell, count: known.count + count });
  });
  return [...counts.values()].reduce((most, each) => (each.count > most.count ? each : most)).cell;
}

/** A piece's own declarations stand after those of its kind. */
const ownCells = (cells: readonly Cell[], kind: ReadonlyMap<string, Cell>): Cell[] =>
  withoutSaid(cells, (cell) => kind.get(keyOf(cell))?.value === cell.value);

/**
 * Cells that need not be said again after others have been. One that is said here would also win over those
 * of the others that come later in the cascade with the same weight, such as those for a narrow window: these
 * are said again.
 * @param isSaid whether the others say it already.
 */
export function withoutSaid(cells: readonly Cell[], isSaid: (cell: Cell) => boolean): Cell[] {
  const own: Cell[] = [];
  const places = new Set<string>();
  for (const cell of cells) {
    const place = `${cell.meets} ${cell.weight}`;
    if (isSaid(cell) && !places.has(place)) continue;
    own.push(cell);
    places.add(place);
  }
  return own;
}

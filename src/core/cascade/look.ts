import { statesOf } from './states';
import type { Kind } from '../kinds/contract';
import {
  CONDITIONS,
  type ConditionName,
  type Declarations,
  type Node,
  type StateName,
  type Styles
} from '../project/types';
import { remembered } from '../data/remembered';

/** One declared value of one part, with where it was declared. */
export interface Cell {
  readonly property: string;
  readonly value: string;
  readonly from: 'own' | 'look';
  readonly state: StateName;
  readonly condition: ConditionName;
}

const cellsOf = new WeakMap<Styles, Map<Kind, ReadonlyMap<string, readonly Cell[]>>>();
const NO_CELLS: readonly Cell[] = [];

/**
 * Every cell that applies to a part: the kind's look with the node's own values over it, cell by cell, in
 * cascade order (state first, then condition). A later cell wins over an earlier one; the printed rules stand
 * in the same order.
 */
export function cells(kind: Kind, node: Node, part: string): readonly Cell[] {
  const byKind = remembered(cellsOf, node.styles, () => new Map());
  const parts = remembered(byKind, kind, () => allCells(kind, node.styles));
  return parts.get(part) ?? NO_CELLS;
}

function allCells(kind: Kind, own: Styles): ReadonlyMap<string, readonly Cell[]> {
  const states = statesOf(kind);
  return new Map(
    Object.keys(kind.anatomy).map((part) => [part, partCells(states, kind.look[part], own[part])])
  );
}

function partCells(
  states: readonly StateName[],
  look: Styles[string] | undefined,
  own: Styles[string] | undefined
): readonly Cell[] {
  const found: Cell[] = [];
  if (!look && !own) return found;
  for (const state of states) {
    for (const condition of CONDITIONS) {
      const base = look?.[state]?.[condition];
      const mine = own?.[state]?.[condition];
      if (base) addCells(found, base, mine, 'look', state, condition);
      if (mine) addCells(found, mine, undefined, 'own', state, condition);
    }
  }
  return found;
}

function addCells(
  found: Cell[],
  declarations: Declarations,
  hiddenBy: Declarations | undefined,
  from: Cell['from'],
  state: StateName,
  condition: ConditionName
): void {
  for (const property in declarations) {
    if (hiddenBy && Object.hasOwn(hiddenBy, property)) continue;
    found.push({ property, value: declarations[property]!, from, state, condition });
  }
}

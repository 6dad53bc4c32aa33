import type { Registry } from '../kinds/registry';
import { drawnIn } from '../stylesheet/drawn';
import type { Analysis } from './analyse';
import type { Sheet } from './sheet';
import { withoutParts } from './rules';

const NONE: ReadonlySet<string> = new Set();

/** @returns the parts that really stand in a node's markup: a text without a link draws no link. */
export const drawnParts = ({ markup }: Analysis): ReadonlySet<string> =>
  markup ? drawnIn(markup).parts : NONE;

/** A sheet that is printed, with the class its selectors start with. */
export interface StemSheet {
  readonly stem: string;
  readonly sheet: Sheet;
}

/** @returns the sheets of some pieces, each once, without the rules of parts that none of them draws. */
export function sheetsOf(registry: Registry, found: readonly Analysis[]): readonly StemSheet[] {
  const byStem = new Map<string, { sheet: Sheet; kind: string; drawn: Set<string> }>();
  for (const each of found) {
    const known = byStem.get(each.stem);
    if (!known)
      byStem.set(each.stem, { sheet: each.sheet, kind: each.kind, drawn: new Set(drawnParts(each)) });
    else drawnParts(each).forEach((part) => known.drawn.add(part));
  }
  return [...byStem].map(([stem, { sheet, kind, drawn }]) => {
    const undrawn = Object.keys(registry.kindOf(kind).anatomy).filter(
      (part) => part !== 'root' && !drawn.has(part)
    );
    return { stem, sheet: withoutParts(sheet, undrawn) };
  });
}

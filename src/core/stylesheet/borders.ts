import type { Cell } from './cells';

const SIDES = ['top', 'right', 'bottom', 'left'] as const;

/**
 * The border of a part in one line where it can be: a look says style, widths and colour apart, since each is
 * a cell of its own.
 * @param cells all of one piece. @param needsReset whether the browser draws a border of its own on the
 * part's element.
 */
export function shortBorders(cells: readonly Cell[], needsReset: (part: string) => boolean): Cell[] {
  const parts = new Set(cells.map(({ part }) => part));
  return [...parts].reduce((all, part) => shortened(all, part, needsReset(part)), [...cells]);
}

function shortened(cells: Cell[], part: string, needsReset: boolean): Cell[] {
  const ofBorder = cells.filter((cell) => cell.meets === `${part} border`);
  const base = ofBorder.filter(({ at, selector }) => at.length === 0 && !/[:[ ]/.test(selector));
  const others = ofBorder.filter((cell) => !base.includes(cell));
  const reset = base.find(({ property }) => property === 'border');
  const known = ['border', 'border-width', 'border-style', 'border-color'];
  if (!reset || base.some(({ property }) => !known.includes(property))) return cells;
  // A state that gives a width of its own needs the style on every side.
  if (others.some(({ property }) => property !== 'border-color')) return cells;
  const width = base.findLast(({ property }) => property === 'border-width')?.value ?? '0';
  const colour = base.findLast(({ property }) => property === 'border-color')?.value ?? '';
  const style = base.findLast(({ property }) => property === 'border-style')?.value ?? 'solid';
  const lines = linesOf({ width, style, colour }, needsReset);
  if (!lines) return cells;
  const isDrawn = lines.at(-1)!.value !== '0';
  const replaced = isDrawn || needsReset ? lines.map((line) => ({ ...reset, ...line })) : [];
  const gone = new Set(isDrawn ? base : ofBorder);
  return cells.flatMap((cell) => {
    if (cell === reset) return replaced;
    return gone.has(cell) ? [] : [cell];
  });
}

interface Line {
  readonly width: string;
  readonly style: string;
  readonly colour: string;
}

interface Said {
  readonly property: string;
  readonly value: string;
}

/** Null where it cannot be said so: widths differ from side to side. */
function linesOf({ width, style, colour }: Line, needsReset: boolean): readonly Said[] | null {
  const given = width.split(' ');
  if (colour.includes(' ') && !/^[\w-]+\(.*\)$/.test(colour)) return null;
  const widths = [0, 1, 2, 3].map((i) => given[i] ?? given[i - 2] ?? given[0]!);
  const drawn = SIDES.filter((_side, i) => widths[i] !== '0');
  const line = (side: string, thickness: string) => ({
    property: `border${side}`,
    value: [thickness, style, colour].filter(Boolean).join(' ')
  });
  const none = { property: 'border', value: '0' };
  if (drawn.length === 0) return [none];
  if (new Set(widths).size === 1) return [line('', widths[0]!)];
  if (drawn.length > 1) return null;
  const one = line(`-${drawn[0]!}`, widths[SIDES.indexOf(drawn[0]!)]!);
  return needsReset ? [none, one] : [one];
}

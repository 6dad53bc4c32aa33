import type { RowFit } from '$core/facts/fit';
import { defined } from '$core/data/compact';

type RowMeasure = RowFit & { readonly node: string };

/** A row where it stands. */
export interface Place {
  readonly node: string;
  readonly list: HTMLElement;
  readonly root: HTMLElement;
}

interface Row extends Place {
  readonly panels: readonly HTMLElement[];
  readonly copy: HTMLElement;
}

type ElementOf = (id: string) => HTMLElement | null;

/**
 * Shows a panel in the flow of nothing. By style, not by taking the attribute off, which behaviours would
 * take for a choice.
 */
const SHOWN: Readonly<Record<string, string>> = {
  display: 'flex',
  position: 'absolute',
  visibility: 'hidden',
  'content-visibility': 'visible',
  animation: 'none',
  transition: 'none'
};

/**
 * How much room a row needs on one line and how much there is, and how high each panel would be. Rows are
 * measured as copies, so they can be asked for while they are folded away. Everything is put in place first
 * and read then, so that a page of a thousand rows is laid out twice and not a thousand times; nothing of it
 * is left when something is painted.
 */
export function measureRows(
  asked: readonly { readonly node: string; readonly row: string }[],
  elementOf: ElementOf
): RowMeasure[] {
  const places = asked.flatMap(({ node, row }) => placesOf(node, row, elementOf));
  return measured(
    places.map((place) => ({
      ...place,
      copy: copyOf(place.list),
      panels: [...place.root.querySelectorAll<HTMLElement>(partOf(place.node, 'panel'))]
    }))
  );
}

/** How much room rows need on one line, px, in the order they are given; no panel is looked at. */
export const neededBy = (places: readonly Place[]): number[] =>
  measured(places.map((place) => ({ ...place, copy: copyOf(place.list), panels: [] }))).map(
    ({ needed }) => needed
  );

function measured(rows: readonly Row[]): RowMeasure[] {
  const widths = rows.map(({ root }) => root.lastElementChild!.getBoundingClientRect().width);
  rows.forEach(({ root, copy, panels }, i) => {
    root.append(copy);
    for (const panel of panels) {
      if (!panel.hidden) continue;
      for (const [name, value] of Object.entries(SHOWN)) panel.style.setProperty(name, value, 'important');
      panel.style.setProperty('width', `${widths[i]}px`, 'important');
    }
  });
  const found = rows.map(read);
  for (const { copy, panels } of rows) {
    copy.remove();
    for (const panel of panels)
      if (panel.hidden) for (const name of [...Object.keys(SHOWN), 'width']) panel.style.removeProperty(name);
  }
  return found;
}

const partOf = (node: string, part: string) =>
  `[data-k-node="${CSS.escape(node)}"][data-k-part="${CSS.escape(part)}"]`;

/** @returns where the row of a piece stands; nothing where it is not drawn. */
export function placesOf(node: string, row: string, elementOf: ElementOf): readonly Place[] {
  const list = elementOf(node)?.querySelector<HTMLElement>(partOf(node, row));
  const around = list?.parentElement;
  // In a side panel of its own the row is none; what is asked is whether it fits where the panel is not there.
  const root = around?.popover ? around.parentElement : around;
  return list && root ? [{ node, list, root }] : [];
}

function copyOf(list: HTMLElement): HTMLElement {
  const copy = list.cloneNode(true) as HTMLElement;
  copy.querySelectorAll('[id]').forEach((each) => each.removeAttribute('id'));
  Object.assign(copy.style, {
    position: 'absolute',
    visibility: 'hidden',
    display: 'flex',
    flexDirection: 'row',
    flexWrap: 'nowrap',
    width: 'max-content',
    maxWidth: 'none',
    overflow: 'visible'
  });
  // As wide as its words: wrapping happens before anything shrinks.
  for (const item of copy.querySelectorAll<HTMLElement>(':scope > button, :scope > li'))
    Object.assign(item.style, { flex: '0 0 auto', whiteSpace: 'nowrap' });
  return copy;
}

/** How much room there is for a row, px. */
export function availableIn(root: HTMLElement): number {
  const { paddingLeft, paddingRight, borderLeftWidth, borderRightWidth } = getComputedStyle(root);
  const around = [paddingLeft, paddingRight, borderLeftWidth, borderRightWidth].map(parseFloat);
  return Math.max(0, root.getBoundingClientRect().width - around.reduce((sum, px) => sum + px, 0));
}

function read({ node, list, root, copy, panels }: Row): RowMeasure {
  const sides = [...list.querySelectorAll<HTMLElement>(':scope > button, :scope > li > a')].flatMap(
    (button) => (button.offsetWidth > 0 ? [button.offsetWidth, button.offsetHeight] : [])
  );
  return defined({
    node,
    needed: copy.getBoundingClientRect().width,
    available: availableIn(root),
    heights: panels.map((panel) => panel.getBoundingClientRect().height),
    target: sides.length > 0 ? Math.min(...sides) : undefined
  });
}

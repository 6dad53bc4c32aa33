import type { RowFit } from '$core/facts/fit';
import { defined } from '$core/data/compact';

type RowMeasure = RowFit & { readonly node: string };

interface Row {
  readonly node: string;
  readonly list: HTMLElement;
  readonly root: HTMLElement;
  readonly panels: readonly HTMLElement[];
  readonly copy: HTMLElement;
}

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
 * @param withPanels whether panels are measured too; else no heights are told.
 */
export function measureRows(
  asked: readonly { readonly node: string; readonly row: string }[],
  elementOf: (id: string) => HTMLElement | null,
  withPanels: boolean
): RowMeasure[] {
  const found = asked.flatMap(({ node, row }) => maybeRow(node, row, elementOf(node)));
  return measured(withPanels ? found : found.map((row) => ({ ...row, panels: [] })));
}

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

function maybeRow(node: string, row: string, outer: HTMLElement | null): Row[] {
  const own = (part: string) => `[data-k-node="${CSS.escape(node)}"][data-k-part="${CSS.escape(part)}"]`;
  const list = outer?.querySelector<HTMLElement>(own(row));
  const around = list?.parentElement;
  // In a side panel of its own the row is none; what is asked is whether it fits where the panel is not there.
  const root = around?.popover ? around.parentElement : around;
  if (!list || !root) return [];
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
  return [{ node, list, root, copy, panels: [...root.querySelectorAll<HTMLElement>(own('panel'))] }];
}

function read({ node, list, root, copy, panels }: Row): RowMeasure {
  const style = getComputedStyle(root);
  const around = [
    style.paddingLeft,
    style.paddingRight,
    style.borderLeftWidth,
    style.borderRightWidth
  ].reduce((sum, px) => sum + parseFloat(px), 0);
  const sides = [...list.querySelectorAll<HTMLElement>(':scope > button, :scope > li > a')].flatMap(
    (button) => (button.offsetWidth > 0 ? [button.offsetWidth, button.offsetHeight] : [])
  );
  return defined({
    node,
    needed: copy.getBoundingClientRect().width,
    available: Math.max(0, root.getBoundingClientRect().width - around),
    heights: panels.map((panel) => panel.getBoundingClientRect().height),
    target: sides.length > 0 ? Math.min(...sides) : undefined
  });
}

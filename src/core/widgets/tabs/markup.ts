import type { Element } from 'hast';
import type { Context } from '../../kinds/contract';
import type { Node } from '../../project/types';
import type { TabsSettings } from './settings';

/** @returns the id of the panel that is open at load: the chosen one, else the first that is not disabled, else the first. */
export function firstOpen(node: Node, items: readonly Node[]): string | null {
  const enabled = items.filter((item) => !isDisabled(item));
  const chosen = enabled.find((item) => item.id === node.settings.first);
  return (chosen ?? enabled[0] ?? items[0])?.id ?? null;
}

/**
 * One list of labels and panels, drawn twice: as a tab list, and as a header on each panel. Style shows one of the two; the
 * behaviour gives the roles of the form that is shown. Without script the headers are plain headings and all panels are open.
 */
export function markup(node: Node, ctx: Context): Element {
  const { label, side, activation, several, level } = ctx.settings<TabsSettings>(node);
  const items = ctx.items('panels');
  const open = firstOpen(node, items);
  const vertical = side === 'left' || side === 'right';
  const list = ctx.part(
    'list',
    'div',
    { role: 'tablist', ariaLabel: label || node.name, ...(vertical ? { ariaOrientation: 'vertical' } : {}) },
    items.map((item) => tab(item, item.id === open, ctx))
  );
  const options = [activation === 'manual' ? 'manual' : '', several ? 'several' : ''].filter(Boolean).join(' ');
  const body: Element = {
    type: 'element',
    tagName: 'div',
    properties: { className: [ctx.cls('panels')] },
    children: items.flatMap((item) => [head(item, Number(level), ctx), panel(item, item.id === open, ctx)])
  };
  return ctx.part('root', 'div', { dataKTabs: options, ...(open ? { dataCurrent: open } : {}) }, [list, body]);
}

const isDisabled = (item: Node) => item.settings.disabled === true;

function tab(item: Node, isOpen: boolean, ctx: Context): Element {
  return ctx.part(
    'tab',
    'button',
    {
      type: 'button',
      role: 'tab',
      id: `${item.id}-tab`,
      ariaControls: [item.id],
      ariaSelected: isOpen ? 'true' : 'false',
      ...(isDisabled(item) ? { ariaDisabled: 'true' } : {}),
      ...(isOpen ? {} : { tabIndex: -1 })
    },
    [{ type: 'text', value: item.name }],
    item
  );
}

function head(item: Node, level: number, ctx: Context): Element {
  const inner = ctx.part(
    'header',
    'span',
    { id: `${item.id}-header`, ...(isDisabled(item) ? { ariaDisabled: 'true' } : {}) },
    [{ type: 'text', value: item.name }],
    item
  );
  return { type: 'element', tagName: `h${level}`, properties: { className: [ctx.cls('head')] }, children: [inner] };
}

function panel(item: Node, isOpen: boolean, ctx: Context): Element {
  return ctx.part('panel', 'div', { id: item.id, ...(isOpen ? { dataFirst: '' } : {}) }, ctx.slot('content', item), item);
}

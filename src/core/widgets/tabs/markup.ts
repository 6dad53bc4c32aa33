import type { Element, ElementContent } from 'hast';
import { iconElement, type Icon } from '../../html/icon';
import type { Context } from '../../kinds/contract';
import { notes } from '../../kinds/rule';
import { moves } from '../../motion/track';
import type { Node } from '../../project/types';
import type { PlatformFeature } from '../../support/features';
import { canBeFound, type TabsSettings } from './settings';
import { compact, defined } from '../../data/compact';
import { element, text } from '../../html/build';
import { isDisabled } from '../../kinds/disabled';

/**
 * @returns the id of the panel that is open at load: the chosen one, else the first that is not disabled,
 * else the first.
 */
export function firstOpen(node: Node, items: readonly Node[]): string | null {
  const enabled = items.filter((item) => !isDisabled(item));
  const chosen = enabled.find((item) => item.id === node.settings.first);
  return (chosen ?? enabled[0] ?? items[0])?.id ?? null;
}

/**
 * One list of labels and panels, drawn twice: as a row of buttons, and as a header on each panel. Style shows
 * one of the two; the behaviour gives the roles of the form that is shown, tabs among them. Without script
 * the headers are plain headings and all panels are open.
 */
export function markup(node: Node, ctx: Context): Element {
  const { label, activation, several, level, indicator, link } = ctx.settings<TabsSettings>(node);
  const items = ctx.items('panels');
  const open = firstOpen(node, items);
  const variants = ctx.variants<TabsSettings>(node);
  const isMoving = (name: 'out' | 'height') => variants.some((each) => moves(each[name]));
  const list = ctx.part(
    'list',
    'div',
    { role: 'group', ariaLabel: label || node.name },
    compact([
      ...items.map((item) => tab(item, item.id === open, ctx)),
      indicator ? ctx.part('indicator', 'span', { ariaHidden: 'true' }) : null
    ])
  );
  const body = element(
    'div',
    { className: [ctx.cls('panels')] },
    items.flatMap((item) => [head(item, Number(level), ctx), panel(item, item.id === open, ctx)])
  );
  const options = [
    activation === 'manual' ? 'manual' : '',
    several ? 'several' : '',
    canBeFound(variants) ? 'find' : ''
  ]
    .filter(Boolean)
    .join(' ');
  return ctx.part(
    'root',
    'div',
    defined({
      dataKTabs: options,
      dataKLinked: link ? '' : undefined,
      dataKLeave: isMoving('out') && ctx.support === 'widely' ? '' : undefined,
      dataKGrow: isMoving('height') ? '' : undefined,
      dataKGlide: indicator ? '' : undefined,
      dataCurrent: open ? open : undefined
    }),
    [alive(list, { role: 'tablist' }), body]
  );
}

/** A panel that waits for the browser's search, and one that leaves while it is already hidden. */
export function uses(node: Node, ctx: Context): readonly PlatformFeature[] {
  const isLeaving = behaviours(node, ctx).includes('leave');
  return compact([
    canBeFound(ctx.variants<TabsSettings>(node)) ? 'hidden-until-found' : null,
    isLeaving ? 'transition-behavior' : null
  ]);
}

export function behaviours(node: Node, ctx: Context): readonly string[] {
  const { indicator, link } = ctx.settings<TabsSettings>(node);
  const isMoving = (name: 'out' | 'height') =>
    ctx.variants<TabsSettings>(node).some((each) => moves(each[name]));
  return compact([
    'tabs',
    link ? 'linked' : null,
    isMoving('out') && ctx.support === 'widely' ? 'leave' : null,
    isMoving('height') ? 'grow' : null,
    indicator ? 'glide' : null
  ]);
}

/** The words, with the icon beside them. */
function label(item: Node, ctx: Context, chosen: readonly Element[] = []): ElementContent[] {
  const { icon } = item.settings as { icon?: Icon | null };
  const words = element('span', { dir: 'auto' }, [text(item.name)]);
  if (!icon) return [words];
  return [ctx.part('icon', 'span', {}, [...chosen, iconElement(icon)], item), words];
}

/** Another icon, where there is one, takes the place of the first once the tab is chosen. */
function chosenIcon({ settings }: Node): Element[] {
  const { iconChosen } = settings as { iconChosen?: Icon | null };
  if (!iconChosen) return [];
  const drawn = iconElement(iconChosen);
  return [{ ...drawn, properties: { ...drawn.properties, dataChosen: '' } }];
}

function tab(item: Node, isOpen: boolean, ctx: Context): Element {
  const drawn = ctx.part(
    'tab',
    'button',
    defined({
      type: 'button',
      id: `${item.id}-tab`,
      ariaControls: [item.id],
      ariaCurrent: isOpen ? 'true' : undefined,
      ariaDisabled: isDisabled(item) ? 'true' : undefined
    }),
    label(item, ctx, chosenIcon(item)),
    item
  );
  return alive(drawn, { role: 'tab', ariaSelected: String(isOpen) });
}

function head(item: Node, level: number, ctx: Context): Element {
  const inner = ctx.part(
    'header',
    'span',
    defined({
      id: `${item.id}-header`,
      ariaControls: [item.id],
      ariaDisabled: isDisabled(item) ? 'true' : undefined
    }),
    label(item, ctx),
    item
  );
  inner.data = notes({ ...inner.data, becomes: 'button' });
  return element(`h${level}`, { className: [ctx.cls('head')] }, [inner]);
}

function panel(item: Node, isOpen: boolean, ctx: Context): Element {
  const properties = defined({ id: item.id, dataFirst: isOpen ? '' : undefined });
  const drawn = ctx.part('panel', 'div', properties, ctx.slot('content', item), item);
  return alive(drawn, { role: 'tabpanel', hidden: !isOpen });
}

/** The element with what the behaviour gives it when the page starts. */
function alive(drawn: Element, live: Element['properties']): Element {
  drawn.data = notes({ ...drawn.data, live });
  return drawn;
}

import type { Element } from 'hast';
import { compact, defined } from '../../data/compact';
import { isEmpty } from '../../data/record';
import { element, text } from '../../html/build';
import { iconElement, type Icon } from '../../html/icon';
import type { Context } from '../../kinds/contract';
import type { Node, NodeId } from '../../project/types';
import { isPanel, type LinksSettings } from './settings';
import { opensByScript } from '../../kinds/opener';

interface LinkSettings {
  readonly opens: string;
  readonly href: string;
  readonly icon: Icon | null;
}

/** What is drawn for the eye alone, since the element says it in another way. */
const sign = (value: string) => element('span', { ariaHidden: 'true' }, [text(value)]);

/** The links in a link's own list. Lists in those came along with a link that was moved there: they follow it. */
function sublinksOf(item: Node, ctx: Context): readonly Node[] {
  const own = compact((item.slots.links ?? []).map((id: NodeId) => ctx.maybeNode(id)));
  return own.flatMap((each) => [each, ...sublinksOf(each, ctx)]);
}

function wordsOf(item: Node, ctx: Context) {
  const { icon } = ctx.settings<LinkSettings>(item);
  return compact([icon && iconElement(icon), text(item.name)]);
}

function link(part: 'link' | 'sublink', item: Node, ctx: Context, isAround = false): Element {
  const { href, opens } = ctx.settings<LinkSettings>(item);
  const opener = ctx.opener(opens);
  if (!isEmpty(opener))
    return ctx.part(part, 'button', { type: 'button', ...opener }, wordsOf(item, ctx), item);
  const current = ctx.leadsHere(href) ? 'page' : isAround && 'true';
  const properties = defined({ href: href || '#', ariaCurrent: current || undefined });
  return ctx.part(part, 'a', properties, wordsOf(item, ctx), item);
}

/** The section one is in: a page of its sub-list. */
const isAroundHere = (subs: readonly Node[], ctx: Context): boolean =>
  subs.some((sub) => ctx.leadsHere(ctx.settings<LinkSettings>(sub).href));

/**
 * A link with a list of its own. What leads somewhere keeps doing so and has an arrow beside it; what leads nowhere
 * is the button itself (ARIA Authoring Practices, disclosure navigation with top-level links).
 */
function withSublist(item: Node, subs: readonly Node[], ctx: Context): Element {
  const id = `${item.id}-links`;
  const opens = { type: 'button', ariaExpanded: 'false', ariaControls: [id] };
  const { href } = ctx.settings<LinkSettings>(item);
  const isAround = isAroundHere(subs, ctx);
  const current = isAround ? { ariaCurrent: 'true' } : {};
  const words = [...wordsOf(item, ctx), sign('▾')];
  const arrow = { ...opens, ariaLabel: `${item.name}, more` };
  const head = href
    ? [link('link', item, ctx, isAround), ctx.part('arrow', 'button', arrow, [sign('▾')], item)]
    : [ctx.part('link', 'button', { ...opens, ...current }, words, item)];
  const entries = subs.map((sub) => element('li', {}, [link('sublink', sub, ctx)]));
  const sublist = ctx.part('sublist', 'ul', { role: 'list', id }, entries, item);
  return element('li', { dataSub: '' }, [...head, sublist]);
}

function entry(item: Node, ctx: Context): Element {
  const subs = sublinksOf(item, ctx);
  return subs.length > 0 ? withSublist(item, subs, ctx) : element('li', {}, [link('link', item, ctx)]);
}

/** The button that the links stand behind where they do not fit, and what it opens. */
function folded(own: LinksSettings, list: Element, opened: string, ctx: Context): readonly Element[] {
  const words = [sign('☰'), text(own.menu || 'Menu')];
  const opens = { type: 'button', ariaExpanded: 'false', ariaControls: [opened] };
  if (!isPanel(own)) return [ctx.part('menu', 'button', opens, words), list];
  const putAway = { type: 'button', popoverTarget: opened, popoverTargetAction: 'hide' };
  const close = ctx.part('close', 'button', putAway, [text(own.close)]);
  return [
    ctx.part('menu', 'button', { type: 'button', popoverTarget: opened }, words),
    ctx.part('panel', 'div', { id: opened, popover: 'auto' }, [close, list])
  ];
}

/** Attributes that ask for what the list does. */
const asks = (own: LinksSettings, items: readonly Node[]) => ({
  dataKMenu: own.foldUnder > 0 && !isPanel(own) ? '' : undefined,
  dataKCloses: isPanel(own) ? '' : undefined,
  dataKSpy: own.spy ? '' : undefined,
  dataKSublists: hasSublists(items) ? '' : undefined
});

export function markup(node: Node, ctx: Context): Element {
  const own = ctx.settings<LinksSettings>(node);
  const items = ctx.items('links');
  const isNavigation = own.element === 'navigation';
  const ariaLabel = isNavigation && own.label ? own.label : undefined;
  const properties = defined({ ariaLabel, ...asks(own, items) });
  return ctx.part('root', isNavigation ? 'nav' : 'div', properties, content(node, own, items, ctx));
}

function content({ id }: Node, own: LinksSettings, items: readonly Node[], ctx: Context): readonly Element[] {
  const entries = items.map((item) => entry(item, ctx));
  const isBelow = own.foldUnder > 0 && !isPanel(own);
  const ownId = isBelow ? { id: `${id}-list` } : {};
  const list = ctx.part('list', 'ul', { role: 'list', ...ownId }, entries);
  return own.foldUnder > 0 ? folded(own, list, `${id}-${isBelow ? 'list' : 'panel'}`, ctx) : [list];
}

/** Whether one of them, or of their own lists, opens a dialog: that takes a script. */
export const opensDialog = (items: readonly Node[], ctx: Context): boolean =>
  items.some((item) => {
    const { opens } = ctx.settings<LinkSettings>(item);
    return opensByScript(opens, ctx) || opensDialog(sublinksOf(item, ctx), ctx);
  });

/** Whether one of them is a button: it opens something, or its own list. */
export const hasButtons = (items: readonly Node[], ctx: Context): boolean =>
  items.some((item) => {
    const { href, opens } = ctx.settings<LinkSettings>(item);
    const subs = sublinksOf(item, ctx);
    return opens !== '' || (subs.length > 0 && href === '') || hasButtons(subs, ctx);
  });

export const hasSublists = (items: readonly Node[]): boolean =>
  items.some(({ slots }) => (slots.links ?? []).length > 0);

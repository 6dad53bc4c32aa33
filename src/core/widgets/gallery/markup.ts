import type { Element } from 'hast';
import { compact, defined } from '../../data/compact';
import { element, text } from '../../html/build';
import type { Context } from '../../kinds/contract';
import { notes } from '../../kinds/rule';
import type { Node } from '../../project/types';
import { pictureOf } from '../../kinds/pictures';
import type { GallerySettings } from './settings';

/** Items that open large: none where nothing does. */
const opening = (own: GallerySettings, items: readonly Node[], ctx: Context): readonly Node[] =>
  own.large ? items.filter((item) => pictureOf(item, ctx)) : [];

export const opensLarge = (node: Node, ctx: Context): boolean =>
  opening(ctx.settings<GallerySettings>(node), ctx.items('panels'), ctx).length > 0;

/** A list, so that people who listen hear how many there are. Without script a link leads to the picture itself. */
export function markup(node: Node, ctx: Context): Element {
  const own = ctx.settings<GallerySettings>(node);
  const items = ctx.items('panels');
  const large = opening(own, items, ctx);
  const list = element(
    'ul',
    { className: [ctx.cls('list')] },
    items.map((item) => itemOf(item, own, large.includes(item), ctx))
  );
  return ctx.part(
    'root',
    'div',
    defined({ dataKLarge: large.length > 0 ? '' : undefined }),
    compact([
      element('div', { className: [ctx.cls('room')] }, [list]),
      large.length > 0 ? viewOf(node, own, large, ctx) : null
    ])
  );
}

function itemOf(item: Node, own: GallerySettings, isLink: boolean, ctx: Context): Element {
  const picture = ctx.slot('content', item);
  const caption = own.captions === 'none' ? null : ctx.part('caption', 'p', {}, [text(item.name)], item);
  return ctx.part(
    'item',
    'li',
    {},
    compact([isLink ? linkOf(item, picture, ctx) : ctx.part('open', 'div', {}, picture, item), caption]),
    item
  );
}

function linkOf(item: Node, picture: Element['children'], ctx: Context): Element {
  const { asset, alt } = pictureOf(item, ctx)!;
  // A link is called as the picture in it is, if that says anything.
  const link = ctx.part('open', 'a', alt ? {} : { ariaLabel: item.name }, picture, item);
  link.data = notes({ ...link.data, asset });
  return link;
}

/** The browser's own dialog: what is behind it is out of reach, Escape closes it, the focus comes back. */
function viewOf(node: Node, own: GallerySettings, large: readonly Node[], ctx: Context): Element {
  const arrow = (by: string, label: string, sign: string) =>
    ctx.part('step', 'button', { type: 'button', dataKBy: by, ariaLabel: label }, [text(sign)]);
  const shown = element('img', { alt: '' });
  shown.data = notes({ asset: pictureOf(large[0]!, ctx)!.asset });
  const arrows = large.length > 1 ? [arrow('-1', own.before, '←'), arrow('1', own.after, '→')] : [];
  const view = ctx.part('view', 'dialog', { ariaLabel: own.label || node.name }, [
    element('form', { method: 'dialog', className: [ctx.cls('form')] }, [
      ctx.part('close', 'button', { type: 'submit' }, [text(own.close)])
    ]),
    element('div', { className: [ctx.cls('frame')], ariaLive: 'polite' }, [shown]),
    ctx.part('words', 'p', { ariaLive: 'polite' }, [text(own.captions === 'none' ? '' : large[0]!.name)]),
    ...arrows
  ]);
  view.data = notes({ ...view.data, keptUntil: 'open' });
  return view;
}

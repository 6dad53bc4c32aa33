import type { Element } from 'hast';
import { compact, defined } from '../../data/compact';
import { element, text } from '../../html/build';
import type { Context } from '../../kinds/contract';
import { pictureOf } from '../../kinds/pictures';
import { notes } from '../../kinds/rule';
import type { Node } from '../../project/types';
import type { SliderSettings } from './settings';

/** @returns the item that is current at load; null where there is none. */
export const firstSlide = (node: Node, items: readonly Node[]): Node | null =>
  items.find(({ id }) => id === node.settings.first) ?? items[0] ?? null;

/** It plays under one condition at least. */
export const everPlays = (node: Node, ctx: Context): boolean =>
  ctx.variants<SliderSettings>(node).some(({ plays }) => plays);

/** The strip of a slider that goes round has room at both ends for slides that are laid there. */
const isRound = ({ ends, form }: SliderSettings): boolean => ends === 'loop' && form === 'slide';

export const behaviours = (node: Node, ctx: Context): readonly string[] => {
  const own = ctx.settings<SliderSettings>(node);
  // What lays slides out comes before what looks where they are.
  return compact([
    own.drag && own.form === 'slide' ? 'drags' : null,
    isRound(own) ? 'rounds' : null,
    'slider',
    everPlays(node, ctx) ? 'turns' : null
  ]);
};

/**
 * A strip that the browser itself scrolls and snaps (CSS Scroll Snap 1), so that without script all of it is in
 * reach. ARIA Authoring Practices, carousel: what holds it comes first, then the arrows, then the slides.
 */
export function markup(node: Node, ctx: Context): Element {
  const own = ctx.settings<SliderSettings>(node);
  const items = ctx.items('panels');
  const first = firstSlide(node, items);
  const asked = behaviours(node, ctx);
  const asks = (name: string, value = '') => (asked.includes(name) ? value : undefined);
  return ctx.part(
    'root',
    'div',
    defined({
      role: 'group',
      ariaRoleDescription: ['carousel'],
      ariaLabel: own.label || node.name,
      dataKSlider: own.ends === 'stop' ? 'stops' : '',
      dataKDrags: asks('drags'),
      dataKRounds: asks('rounds'),
      dataKTurns: asks('turns', own.holdUsed ? 'used' : ''),
      // What fades rests on every slide.
      dataLooped: own.form === 'fade' ? 'true' : undefined
    }),
    compact([
      bar(own, asked.includes('turns'), ctx),
      asked.includes('turns')
        ? ctx.part('progress', 'div', { ariaHidden: 'true', dataKRound: own.way === 'back' ? '-1' : '1' })
        : null,
      view(own, node, items, first, ctx),
      own.dots ? dots(own, items, first, ctx) : null,
      own.counter ? ctx.part('counter', 'p', { ariaHidden: 'true' }) : null,
      // The script writes into the last element.
      element('p', { className: [ctx.cls('said')], role: 'status' })
    ])
  );
}

function bar(own: SliderSettings, plays: boolean, ctx: Context): Element | null {
  const arrow = (to: string, label: string, sign: string) =>
    ctx.part('arrow', 'button', { type: 'button', dataKTo: to, ariaLabel: label }, [
      element('span', { ariaHidden: 'true' }, [text(sign)])
    ]);
  const held =
    plays && own.button
      ? ctx.part('hold', 'button', { type: 'button', dataKHold: '', ariaPressed: 'false' }, [text(own.hold)])
      : null;
  const arrows = own.arrows ? [arrow('-1', own.before, '←'), arrow('1', own.after, '→')] : [];
  const inside = compact([held, ...arrows]);
  return inside.length > 0 ? ctx.part('bar', 'div', {}, inside) : null;
}

function view(
  own: SliderSettings,
  node: Node,
  items: readonly Node[],
  first: Node | null,
  ctx: Context
): Element {
  const scrolls = own.form === 'slide';
  const slides = items.map((item) =>
    ctx.part(
      'slide',
      'div',
      defined({
        id: item.id,
        role: 'group',
        ariaRoleDescription: ['slide'],
        ariaLabel: item.name,
        ariaCurrent: item === first ? 'true' : undefined
      }),
      ctx.slot('content', item),
      item
    )
  );
  return ctx.part(
    'view',
    'div',
    scrolls
      ? { dataKView: '', role: 'group', tabIndex: 0, ariaLabel: own.label || node.name }
      : { dataKView: '' },
    [element('div', { className: [ctx.cls('strip')] }, slides)]
  );
}

/** How wide a small picture is, px. */
export const THUMB = 64;

/** What stands for a slide below it: a small one of its picture, where it is one, else a dot. */
function mark(item: Node, own: SliderSettings, first: Node | null, ctx: Context): Element {
  const picture = own.thumbs ? pictureOf(item, ctx) : null;
  const attributes = defined({
    type: 'button',
    dataKDot: '',
    ariaLabel: item.name,
    ariaCurrent: item === first ? 'true' : undefined
  });
  if (!picture) return ctx.part('dot', 'button', attributes, [], item);
  const small = element('img', { alt: '' });
  small.data = notes({ asset: picture.asset, shownAs: `${THUMB}px` });
  return ctx.part('thumb', 'button', attributes, [small], item);
}

const dots = (own: SliderSettings, items: readonly Node[], first: Node | null, ctx: Context): Element =>
  ctx.part(
    'dots',
    'div',
    {},
    items.map((item) => mark(item, own, first, ctx))
  );

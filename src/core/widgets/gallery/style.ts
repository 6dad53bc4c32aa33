import { printValue } from '../../css/tokens';
import type { Context, Rule } from '../../kinds/contract';
import { entranceAnimation } from '../../kinds/entrance';
import { merged, rule } from '../../kinds/rule';
import type { Declarations, Node } from '../../project/types';
import { opensLarge } from './markup';
import { packedColumns } from './packing';
import { ratiosOf } from '../../kinds/pictures';
import type { GallerySettings } from './settings';

const CLEAR = { margin: '0', padding: '0', 'list-style': 'none' };

/** How wide a picture is, out of how wide the gallery is. */
const widthOf = ({ columns, across }: GallerySettings): string =>
  `(100cqw - ${columns - 1} * ${printValue(across)}) / ${columns}`;

const captionRoom = ({ captions, room }: GallerySettings): string =>
  captions === 'below' ? ` + ${printValue(room)}` : '';

/** Rows of 1 px, of which each picture takes as many as it is high: its ratio says that beforehand, without script. */
function packedRules(own: GallerySettings, ratios: readonly number[], ctx: Context): readonly Rule[] {
  const list = ctx.sel('list');
  const columns = packedColumns(ratios, own.columns);
  const height = (ratio: number) =>
    `calc(${widthOf(own)} * ${Math.round(ratio * 10_000) / 10_000} + ${printValue(own.below)}${captionRoom(own)})`;
  const isPacked = own.order === 'packed';
  return ratios.map((ratio, i) =>
    rule(`${list} > :nth-child(${i + 1})`, {
      'grid-column': isPacked ? String(columns[i]! + 1) : 'auto',
      // A length as a number (CSS Values 4, sections 10.4 and 10.8): its tangent over 1 px.
      'grid-row': isPacked ? `span calc(tan(atan2(${height(ratio)}, 1px)))` : 'auto'
    })
  );
}

const gridOf = ({ columns }: GallerySettings, isPacked: boolean): Declarations => ({
  'grid-template-columns': `repeat(${columns}, minmax(0, 1fr))`,
  'grid-auto-rows': isPacked ? '1px' : 'auto',
  'align-items': isPacked ? 'stretch' : 'start'
});

/** Each of the two ways to lay out is written only where it is used, under any condition. */
function waysOf(own: GallerySettings, isPacked: boolean, orders: readonly string[]): Declarations {
  const isDown = own.order === 'down';
  const columns = { columns: isDown ? String(own.columns) : 'auto' };
  return merged([
    orders.some((order) => order !== 'down') ? gridOf(own, isPacked) : {},
    orders.includes('down') ? columns : {},
    { display: isDown ? 'block' : 'grid' }
  ]);
}

function listRules(own: GallerySettings, isPacked: boolean, ctx: Context, node: Node): readonly Rule[] {
  const [list, item] = [ctx.sel('list'), ctx.sel('item')];
  const below = printValue(own.below);
  const orders = ctx.variants<GallerySettings>(node).map(({ order }) => order);
  return [
    rule(list, {
      ...CLEAR,
      ...waysOf(own, isPacked, orders),
      'column-gap': printValue(own.across),
      // The gap below the last pictures is no room of the gallery's.
      'margin-bottom': `calc(-1 * ${below})`
    }),
    rule(item, { position: 'relative', 'break-inside': 'avoid' }),
    rule(`${item}::after`, { content: '""', display: 'block', height: below })
  ];
}

function captionRules(own: GallerySettings, isPacked: boolean, ctx: Context): readonly Rule[] {
  const caption = ctx.sel('caption');
  if (own.captions === 'none') return [];
  const below = printValue(own.below);
  if (own.captions === 'over')
    return [rule(caption, { position: 'absolute', inset: `auto 0 ${below} 0`, margin: '0' })];
  return [
    rule(caption, {
      flex: 'none',
      margin: '0',
      'box-sizing': 'border-box',
      height: isPacked ? printValue(own.room) : 'auto',
      overflow: isPacked ? 'hidden' : 'visible'
    })
  ];
}

const ACROSS: Declarations = { position: 'absolute', inset: '0', width: '100%', height: '100%' };

function viewRules(own: GallerySettings, ctx: Context): readonly Rule[] {
  const view = ctx.sel('view');
  const frame = ctx.sel('frame');
  return [
    rule(`${view}[open]`, {
      display: 'grid',
      position: 'fixed',
      inset: '0',
      'grid-template': 'auto minmax(0, 1fr) auto / auto minmax(0, 1fr) auto',
      width: '100%',
      'max-width': '100vw',
      height: '100dvh',
      'max-height': '100dvh',
      margin: '0',
      'box-sizing': 'border-box',
      'touch-action': 'pan-y pinch-zoom',
      animation: entranceAnimation(own.track)
    }),
    rule(view, { 'border-width': '0' }),
    rule(`${view}::backdrop`, { background: printValue(own.backdrop) }),
    // The page behind keeps its place, and the room of its bar, which is as dark as the rest.
    rule(
      `:root:has(${view}[open])`,
      { overflow: 'hidden', 'scrollbar-gutter': 'stable', background: printValue(own.backdrop) },
      'used'
    ),
    rule(ctx.sel('form'), { 'grid-area': '1 / 1 / auto / -1', 'justify-self': 'end', margin: '0' }),
    rule(frame, { 'grid-area': '2 / 1 / auto / -1', position: 'relative' }),
    ...['img', ':where(picture) > img'].map((each) =>
      rule(`${frame} > ${each}`, { ...ACROSS, 'object-fit': 'scale-down' })
    ),
    rule(ctx.sel('words'), { 'grid-area': '3 / 2', 'align-self': 'center', margin: '0' }),
    rule(ctx.sel('step'), { 'grid-area': '3 / 1' }),
    rule(`${ctx.sel('step')}:last-child`, { 'grid-area': '3 / 3' }),
    ...['step', 'close'].map((part) => rule(ctx.sel(part), { font: 'inherit' }))
  ];
}

/**
 * Packed, a picture takes the height that is kept for it, and what frames it is taken from that; else it is as high as
 * it is.
 */
function pictureRules(isPacked: boolean, ctx: Context): readonly Rule[] {
  const [item, open] = [ctx.sel('item'), ctx.sel('open')];
  const height = isPacked ? '100%' : 'auto';
  return [
    rule(item, { display: isPacked ? 'flex' : 'block', 'flex-direction': 'column' }),
    rule(open, {
      display: isPacked ? 'grid' : 'block',
      'grid-template': 'minmax(0, 1fr) / minmax(0, 1fr)',
      flex: '1 1 0',
      'min-height': '0',
      color: 'inherit',
      'text-decoration': 'none'
    }),
    ...['img', ':where(picture) > img'].map((each) =>
      rule(`${open} > ${each}`, { width: '100%', height, 'object-fit': 'cover' })
    )
  ];
}

export function style(node: Node, ctx: Context): readonly Rule[] {
  const own = ctx.settings<GallerySettings>(node);
  const ratios = ratiosOf(ctx.items('panels'), ctx);
  const isPacked = own.order === 'packed' && ratios !== null;
  const found = [
    rule(ctx.sel('root'), { width: '100%', 'min-width': '0' }),
    rule(ctx.sel('room'), { 'container-type': 'inline-size' }),
    ...listRules(own, isPacked, ctx, node),
    ...packedRules(own, ratios ?? [], ctx),
    ...pictureRules(isPacked, ctx),
    ...captionRules(own, isPacked, ctx),
    rule(`div${ctx.sel('open')}`, { cursor: 'auto' })
  ];
  return opensLarge(node, ctx) ? [...found, ...viewRules(own, ctx)] : found;
}

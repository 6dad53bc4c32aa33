import { compact, defined } from '../../data/compact';
import type { Context, Rule } from '../../kinds/contract';
import { merged, rule } from '../../kinds/rule';
import type { Declarations, Node } from '../../project/types';
import { hasBackdrop, type SectionSettings } from './settings';

const COVERS = { position: 'absolute', inset: '0', width: '100%', height: '100%' };
const OVER = { position: 'absolute', 'inset-inline': '0', 'z-index': '2' };
const AT_SIDE = {
  'grid-column': '1',
  'grid-row': '1 / span 99',
  position: 'sticky',
  top: '0',
  height: '100dvh',
  'overflow-y': 'auto',
  'align-self': 'start'
};

const tall = ({ height, place }: SectionSettings) => ({
  'min-height': height === '' ? '0' : height,
  'box-sizing': 'border-box',
  display: 'flex',
  'flex-direction': 'column',
  'justify-content': place
});

/** Drawn up over what stands above it, by a share of its own height. */
const lifted = ({ height, overlap }: SectionSettings) => ({
  'z-index': '1',
  'margin-top': height === '' ? '0' : `calc(${height} * ${-overlap / 100})`
});

function ofRoot(own: SectionSettings, mayBeTall: boolean): Declarations {
  const isOver = own.header === 'over';
  const isLifted = own.overlap > 0 && mayBeTall;
  const isLayered = hasBackdrop(own) || isLifted;
  return merged(
    compact<Declarations>([
      mayBeTall && tall(own),
      isOver && OVER,
      !isOver && isLayered && { position: 'relative' },
      hasBackdrop(own) && { isolation: 'isolate' },
      !isOver && isLifted && lifted(own)
    ])
  );
}

const ofInner = ({ span, inner }: SectionSettings, mayBeTall: boolean): Declarations =>
  defined({
    display: 'flex',
    'flex-direction': 'column',
    'max-width': span === 'bleed' ? 'none' : `${inner}px`,
    'margin-inline': span === 'bleed' ? '0' : 'auto',
    width: mayBeTall ? '100%' : undefined
  });

/** The page is told by what stands in it, so that pages without such a section have no rule for it. */
function asideRules(width: string, ctx: Context): readonly Rule[] {
  const root = ctx.sel('root');
  const page = `:where(body:has(> ${root}))`;
  const columns = `${width} minmax(0, 1fr)`;
  return [
    rule(page, { display: 'grid', 'grid-template-columns': columns, 'align-content': 'start' }),
    rule(`${page} > :where(*)`, { 'grid-column': '2' }),
    rule(root, AT_SIDE),
    rule(page, { 'grid-template-columns': 'minmax(0, 1fr)' }, 'narrow'),
    rule(`${page} > :where(*)`, { 'grid-column': '1' }, 'narrow'),
    rule(root, { 'grid-row': 'auto', position: 'static', height: 'auto' }, 'narrow')
  ];
}

const asTiles = ({ focus, tile }: SectionSettings): Declarations => ({
  'background-size': tile > 0 ? `${tile}px` : 'auto',
  'background-position': focus
});

const ofPicture = (own: SectionSettings): Declarations =>
  own.fit === 'tile' ? asTiles(own) : { 'object-fit': own.fit, 'object-position': own.focus };

const ofLayer = ({ layer, opacity, blend }: SectionSettings): Declarations => ({
  background: layer,
  opacity: String(opacity / 100),
  'mix-blend-mode': blend
});

function backdropRules(own: SectionSettings, ctx: Context): readonly Rule[] {
  const ofFilm = { 'object-fit': 'cover', 'object-position': own.focus };
  return [
    rule(ctx.sel('picture'), { ...COVERS, ...ofPicture(own), 'z-index': '-3' }),
    rule(ctx.sel('film'), { ...COVERS, ...ofFilm, 'z-index': '-2' }),
    rule(ctx.sel('layer'), { ...COVERS, ...ofLayer(own), 'z-index': '-1' })
  ];
}

export function style(node: Node, ctx: Context): readonly Rule[] {
  const own = ctx.settings<SectionSettings>(node);
  // Once it is tall under some condition, the same properties are there under every one.
  const mayBeTall = ctx.variants<SectionSettings>(node).some(({ height }) => height !== '');
  const aside = own.aside ? asideRules(own.aside, ctx) : [];
  const behind = hasBackdrop(own) ? backdropRules(own, ctx) : [];
  return [
    rule(ctx.sel('root'), ofRoot(own, mayBeTall)),
    ...aside,
    rule(ctx.sel('inner'), ofInner(own, mayBeTall)),
    ...behind
  ];
}

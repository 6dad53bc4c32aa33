import type { Ground, GroundLayer, Kind, PageEdge } from '../../kinds/contract';
import { defined } from '../../data/compact';
import { ownOf, type Loose } from '../../data/record';
import type { Landmark } from '../../kinds/landmark';
import type { AssetId, NodeId } from '../../project/types';
import { about } from './about';
import { backdrop } from './backdrop';
import { plays, settings, type SectionSettings } from './settings';
import { style } from './style';

/** Commands that lay a colour over what is behind, at an opacity of 0 to 1. */
const veil = (id: NodeId, colour: string, share: number) => [
  { type: 'set-setting', id, key: 'layer', value: colour },
  { type: 'set-setting', id, key: 'opacity', value: Math.round(share * 100) },
  { type: 'set-setting', id, key: 'blend', value: 'normal' }
];

function ground(settings: Loose): Ground | null {
  const { picture, fit, layer, opacity, blend, header, span } = settings as SectionSettings;
  const layers: GroundLayer[] = [];
  if (picture) layers.push({ picture: picture as AssetId, isWhole: fit === 'contain' });
  if (plays(settings as SectionSettings)) layers.push({ film: true });
  if (layers.length > 0 && layer) layers.push({ paint: layer, opacity: opacity / 100, blend });
  const isOverNext = header === 'over';
  const isFilledByFirst = span === 'bleed';
  if (layers.length === 0 && !isOverNext && !isFilledByFirst) return null;
  return defined({
    layers,
    isOverNext,
    isFilledByFirst,
    veil: layers.length > 0 ? veil : undefined
  });
}

/** Header and footer stand at the edges of their page. */
const EDGES: Readonly<Record<string, PageEdge>> = { header: 'start', footer: 'end' };

/** HTML-AAM 1.0, mappings of elements; null for a section as any other. */
const ROLES: Readonly<Record<SectionSettings['element'], Landmark['role'] | null>> = {
  section: null,
  header: 'banner',
  footer: 'contentinfo',
  aside: 'complementary',
  nav: 'navigation'
};

/** Roles that a page may have several of, each with a name. */
const NAMED: ReadonlySet<string> = new Set(['complementary', 'navigation']);

function landmark({ element = 'section' }: Loose): Landmark | null {
  const role = ROLES[element as SectionSettings['element']];
  return role && { role, named: NAMED.has(role) ? 'label' : null, none: ['element', 'section'] };
}

/** A name that was given to what has none does not go out with it. */
const nameOf = (own: SectionSettings): string | undefined =>
  own.label && landmark(own)?.named ? own.label : undefined;

export const section: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'section',
      states: { hover: ':hover' },
      hasText: true,
      box: { x: 0, y: 0, width: 150, height: 116 }
    },
    picture: { label: 'picture', states: {} },
    film: { label: 'film', states: {} },
    layer: { label: 'layer', states: {} },
    inner: {
      label: 'inner area',
      states: {},
      properties: ['gap'],
      box: { x: 16, y: 14, width: 118, height: 88 }
    }
  },
  settings,
  slots: { content: { label: 'Content', accepts: ['block'], part: 'inner' } },
  forms: [],
  look: {
    root: { rest: { always: { padding: '56px 24px' } } },
    inner: { rest: { always: { gap: '24px' } } }
  },
  create: (make) => make('section', 'Section', {}, { content: [] }),
  markup(node, ctx) {
    const own = ctx.settings<SectionSettings>(node);
    const isPlaying = plays(own);
    return ctx.part(
      'root',
      own.element,
      defined({
        id: own.anchor ? own.anchor : undefined,
        ariaLabel: nameOf(own),
        dataKPlays: isPlaying ? '' : undefined
      }),
      [...backdrop(own, ctx), ctx.part('inner', 'div', {}, ctx.slot('content'))]
    );
  },
  style,
  behaviours: (node, ctx) => (plays(ctx.settings<SectionSettings>(node)) ? ['plays'] : []),
  fallbacks: () => [],
  ground,
  landmark,
  edge: ({ element }) => ownOf(EDGES, String(element)) ?? null,
  backdrop: 'picture',
  findings: () => import('./findings')
};

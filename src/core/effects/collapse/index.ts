import type { Element } from 'hast';
import { compact, defined } from '../../data/compact';
import type { Context, Effect, EffectPlace } from '../../kinds/contract';
import { markerRules } from '../../kinds/marker';
import { rule } from '../../kinds/rule';
import type { Node } from '../../project/types';
import { about } from './about';
import { anatomy, look } from './anatomy';
import { settings, type CollapseSettings } from './settings';
import { text, element } from '../../html/build';

/** Those of a page of which one is open at a time. */
const GROUP = 'one-at-a-time';

function maybeUnfit({ kind, around }: EffectPlace): string | null {
  if (!around) return 'The page itself cannot be closed. Let its sections collapse.';
  const holds = Object.values(kind.slots).some(({ items }) => !items);
  if (!holds)
    return `There is nothing in ${kind.label.toLowerCase()} to put away as a whole. Put it into a stack, and let that collapse.`;
  return around.slot.stacked ? 'A layer lies over others; what is in it can collapse, not the layer.' : null;
}

/** The words are a heading, so that the page can be read by its headings. */
function header({ label, level, marker }: CollapseSettings, { name }: Node, ctx: Context): Element {
  const words = element(`h${level}`, { className: [ctx.cls('collapse-words')], dir: 'auto' }, [
    text(label || name)
  ]);
  const sign = ctx.part('collapse-marker', 'span', { ariaHidden: 'true' });
  return ctx.part('collapse-header', 'summary', {}, compact([words, marker === 'none' ? null : sign]));
}

/**
 * The browser's own disclosure (HTML standard, 4.11.1): opened by pointer, key, a link to something in it and the
 * browser's search, all without script.
 */
export const collapse: Effect = {
  ...about,
  settings,
  anatomy,
  look,
  states: {
    open: { label: 'open', like: 'selected' },
    'open-hover': { label: 'open, hover', implies: ['hover', 'open'] }
  },
  starts: ({ kind }): Node['settings'] => (kind.category === 'section' ? {} : { level: '3' }),
  maybeUnfit,
  headingLevel: 'level',
  around(holder, values, node, ctx) {
    const own = values as CollapseSettings;
    const attributes = defined({ name: own.alone ? GROUP : undefined, open: own.open || undefined });
    return ctx.part('collapse', 'details', attributes, [header(own, node, ctx), holder]);
  },
  style(values, { root, holder, measure }) {
    const { marker, markerSide } = values as CollapseSettings;
    const [item, head, sign] = [`${root}-collapse`, `${root}-collapse-header`, `${root}-collapse-marker`];
    const rules = [
      rule(item, { 'min-width': '0', 'align-self': 'stretch', width: '100%' }),
      rule(head, { ...measure, display: 'flex', 'align-items': 'center', 'overflow-wrap': 'anywhere' }),
      // The list item's marker goes, ours stands in its place (CSS Lists 3, section 3.1).
      rule(`${head}::-webkit-details-marker`, { display: 'none' }),
      rule(`${root}-collapse-words`, { margin: '0', font: 'inherit', flex: '1 1 0', 'min-width': '0' }),
      // Whoever jumps to what is in it sees the header above it.
      rule(holder, { 'scroll-margin-top': '5rem' }),
      // Paper has no way to open what is closed (CSS Pseudo-Elements 4, ::details-content).
      rule(`${item}::details-content`, { 'content-visibility': 'visible' }, 'print')
    ];
    if (marker === 'none') return rules;
    return [...rules, ...markerRules(sign, `${item}[open] > * > `, { shape: marker, side: markerSide })];
  },
  findings: () => import('./findings')
};

import { compact } from '../../data/compact';
import type { Context, FallbackContext, FallbackRow, Kind, Make } from '../../kinds/contract';
import { moves } from '../../motion/track';
import type { Fragment, Node } from '../../project/types';
import type { PlatformFeature } from '../../support/features';
import { about } from './about';
import { anatomy, look, states } from './anatomy';
import { markup, raises } from './markup';
import { adapt, settings, type AccordionSettings } from './settings';
import { style } from './style';
import { panelWith } from '../../kinds/make';

function fallbacks(_node: Node, { settings: under }: FallbackContext): readonly FallbackRow[] {
  const { several } = under<AccordionSettings>('always');
  return [
    {
      label: 'Panels open',
      wide: several ? 'several' : 'one at a time',
      cells: { 'no-script': null, print: 'all' }
    },
    { label: 'Hover look', wide: 'changes', cells: { touch: 'pressed only', print: '—' } }
  ];
}

function uses(node: Node, ctx: Context): readonly PlatformFeature[] {
  const { several } = ctx.settings<AccordionSettings>(node);
  const isMoving = ctx.variants<AccordionSettings>(node).some(({ height }) => moves(height));
  return compact([
    'details' as const,
    several ? null : ('details-name' as const),
    'details-content' as const,
    isMoving ? ('interpolate-size' as const) : null
  ]);
}

export const accordion: Kind = {
  ...about,
  anatomy,
  states,
  settings,
  slots: {
    panels: { label: 'Panels', accepts: ['panel'], items: true, repeats: true, least: 1, part: 'panel' }
  },
  forms: [],
  look,
  adapt,
  create: (make) =>
    make(
      'accordion',
      'Accordion',
      {},
      {
        panels: ['First', 'Second', 'Third'].map((label) => question(make, label))
      }
    ),
  headingLevel: 'level',
  markup,
  style,
  behaviours: (node, ctx) => (raises(node, ctx) ? ['raise'] : []),
  uses,
  fallbacks,
  findings: () => import('./findings')
};

function question(make: Make, label: string): Fragment {
  return panelWith(make, `${label} question`, `What opens under the ${label.toLowerCase()} question.`);
}

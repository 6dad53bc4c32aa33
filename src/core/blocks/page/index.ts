import type { Context, Kind, Rule } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import type { Node, NodeId } from '../../project/types';
import { about } from './about';
import { areasOf, type Area } from './areas';
import { settings, type PageSettings } from './settings';
import { element } from '../../html/build';

/** Room above what a link leads to, a key goes to or the browser finds (CSS Scroll Snap 1, section 4.2). */
function landingRules(node: Node, ctx: Context): readonly Rule[] {
  if (ctx.variants<PageSettings>(node).every(({ jump }) => jump === 0)) return [];
  const { jump } = ctx.settings<PageSettings>(node);
  return [rule(`:root:has(${ctx.sel('root')})`, { 'scroll-padding-top': `${jump}px` })];
}

function placedOf(id: NodeId, ctx: Context): Parameters<typeof areasOf>[0][number] {
  const section = ctx.maybeNode(id);
  return section ? ctx.settings(section) : {};
}

/**
 * The body of a page. Its sections stand in `main`, but for headers, what stands at the side, and footers,
 * which stand before and after it.
 */
export const page: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'page',
      states: {},
      hasText: true,
      properties: ['font-family', 'font-size', 'line-height'],
      box: { x: 0, y: 0, width: 150, height: 116 }
    }
  },
  settings,
  slots: { sections: { label: 'Sections', accepts: ['section'] } },
  forms: [],
  look: {
    root: {
      rest: {
        always: {
          'background-color': '#ffffff',
          color: '#1f262a',
          'font-family': 'system-ui, sans-serif',
          'font-size': '16px',
          'line-height': '1.55'
        }
      }
    }
  },
  create: (make) => make('page', 'Page', {}, { sections: [] }),
  markup(node, ctx) {
    const markers = ctx.slot('sections');
    const areas = areasOf((node.slots.sections ?? []).map((id) => placedOf(id, ctx)));
    const among = (area: Area) => markers.filter((_marker, index) => areas[index] === area);
    const main = element('main', {}, among('main'));
    return ctx.part('root', 'body', {}, [...among('before'), main, ...among('after')]);
  },
  style: (node, ctx) => [rule(ctx.sel('root'), { margin: '0' }), ...landingRules(node, ctx)],
  behaviours: () => [],
  fallbacks: () => [],
  findings: () => import('./findings')
};

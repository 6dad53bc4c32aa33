import type { ElementContent } from 'hast';
import type { Context, Kind, Rule } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import type { Node } from '../../project/types';
import { about } from './about';
import { settings, type PageSettings } from './settings';
import { element } from '../../html/build';

/** Room above what a link leads to, a key goes to or the browser finds (CSS Scroll Snap 1, section 4.2). */
function landingRules(node: Node, ctx: Context): readonly Rule[] {
  if (ctx.variants<PageSettings>(node).every(({ jump }) => jump === 0)) return [];
  const { jump } = ctx.settings<PageSettings>(node);
  return [rule(`:root:has(${ctx.sel('root')})`, { 'scroll-padding-top': `${jump}px` })];
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
    const before: ElementContent[] = [];
    const main: ElementContent[] = [];
    const after: ElementContent[] = [];
    const markers = ctx.slot('sections');
    for (const [index, id] of (node.slots.sections ?? []).entries()) {
      const section = ctx.maybeNode(id);
      const { element, aside } = section ? ctx.settings<{ element?: string; aside?: string }>(section) : {};
      const isBefore = aside !== undefined && aside !== '';
      const isFirst = element === 'header' && main.length === 0;
      if (element === 'footer') after.push(markers[index]!);
      else if (isBefore || isFirst) before.push(markers[index]!);
      else main.push(markers[index]!);
    }
    const mainElement = element('main', {}, main);
    return ctx.part('root', 'body', {}, [...before, mainElement, ...after]);
  },
  style: (node, ctx) => [rule(ctx.sel('root'), { margin: '0' }), ...landingRules(node, ctx)],
  behaviours: () => [],
  fallbacks: () => [],
  findings: () => import('./findings')
};

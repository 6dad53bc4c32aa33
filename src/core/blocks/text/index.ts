import type { ElementContent } from 'hast';
import { object, type InferType } from 'yup';
import type { Kind } from '../../kinds/contract';
import { richField } from '../../kinds/fields';
import { rule, gapRules } from '../../kinds/rule';
import { about } from './about';

const settings = object({
  html: richField('<p>New text. Press Enter to write.</p>', { label: 'Text' })
});

type Settings = InferType<typeof settings>;

export const text: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'text',
      states: { hover: ':hover' },
      hasText: true,
      properties: ['font-family', 'font-size', 'font-weight', 'line-height', 'text-align'],
      box: { x: 8, y: 20, width: 134, height: 76 }
    },
    link: {
      label: 'link',
      states: { hover: ':hover', focus: ':focus-visible', pressed: ':active' },
      hasText: true,
      properties: ['font-weight', 'text-decoration-line', 'cursor'],
      box: { x: 20, y: 60, width: 46, height: 16 }
    }
  },
  settings,
  slots: {},
  forms: [],
  look: {
    link: {
      rest: { always: { color: '#0b6a5f', 'text-decoration-line': 'underline', cursor: 'pointer' } },
      hover: { always: { color: '#063f39' } },
      focus: { always: { outline: '2px solid #2b55a0', 'outline-offset': '2px' } }
    }
  },
  create: (make) => make('text', 'Text'),
  markup(node, ctx) {
    const { html } = ctx.settings<Settings>(node);
    const linkClass = ctx.cls('link');
    const withLinks = (children: readonly ElementContent[]): ElementContent[] =>
      children.map((child) => {
        if (child.type !== 'element') return child;
        if (child.tagName !== 'a') return { ...child, children: withLinks(child.children) };
        return ctx.part('link', 'a', { ...child.properties, className: [linkClass] }, child.children);
      });
    return ctx.part('root', 'div', {}, withLinks(ctx.html(html).children as ElementContent[]));
  },
  style: (_node, ctx) => [
    rule(ctx.sel('root'), { 'overflow-wrap': 'break-word' }),
    ...gapRules(ctx.sel('root'), '0.8em')
  ],
  behaviours: () => [],
  fallbacks: () => [],
  findings: []
};

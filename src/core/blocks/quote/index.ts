import type { ElementContent } from 'hast';
import { object, type InferType } from 'yup';
import type { Kind } from '../../kinds/contract';
import { linkField, richField, textField } from '../../kinds/fields';
import { rule, gapRules } from '../../kinds/rule';
import { compact } from '../../data/compact';
import { about } from './about';
import { text, element } from '../../html/build';

const settings = object({
  words: richField('<p>What they said.</p>', { label: 'Words', part: 'words' }),
  author: textField('', 200, { label: 'Who said it' }),
  source: linkField({ label: 'Where it is from', help: 'An address; the name then leads there.' })
});

type Settings = InferType<typeof settings>;

export const quote: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'quotation',
      states: { hover: ':hover' },
      hasText: true,
      properties: ['gap', 'text-align'],
      box: { x: 8, y: 12, width: 134, height: 92 }
    },
    words: {
      label: 'words',
      states: {},
      hasText: true,
      properties: ['font-family', 'font-size', 'line-height', 'font-weight'],
      box: { x: 16, y: 22, width: 118, height: 48 }
    },
    author: {
      label: 'name',
      states: {},
      hasText: true,
      properties: ['font-size', 'font-weight', 'letter-spacing'],
      box: { x: 16, y: 78, width: 70, height: 16 }
    }
  },
  settings,
  slots: {},
  forms: [],
  look: {
    root: {
      rest: {
        always: {
          gap: '10px',
          'border-color': '#c9c2b2',
          'border-width': '0 0 0 3px',
          padding: '4px 0 4px 20px'
        }
      }
    },
    words: { rest: { always: { 'font-size': '20px', 'line-height': '1.4' } } },
    author: { rest: { always: { 'font-size': '14px', 'font-weight': '600' } } }
  },
  create: (make) => make('quote', 'Quotation'),
  markup(node, ctx) {
    const { words, author, source } = ctx.settings<Settings>(node);
    const name: ElementContent[] = [text(author)];
    const linked: ElementContent[] = source ? [element('a', { href: source }, name)] : name;
    return ctx.part(
      'root',
      'figure',
      {},
      compact([
        ctx.part(
          'words',
          'blockquote',
          source ? { cite: source } : {},
          ctx.html(words).children as ElementContent[]
        ),
        author ? ctx.part('author', 'figcaption', {}, linked) : null
      ])
    );
  },
  style(node, ctx) {
    const isLinked = ctx.settings<Settings>(node).source !== '';
    const rules = [
      rule(ctx.sel('root'), { display: 'flex', 'flex-direction': 'column', margin: '0' }),
      rule(ctx.sel('words'), { margin: '0', 'overflow-wrap': 'break-word' }),
      ...gapRules(ctx.sel('words'), '0.6em')
    ];
    if (isLinked) rules.push(rule(`${ctx.sel('author')} > a`, { color: 'inherit' }));
    return rules;
  },
  behaviours: () => [],
  fallbacks: () => [],
  findings: []
};

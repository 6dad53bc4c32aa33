import { object, type InferType } from 'yup';
import { element, text } from '../../html/build';
import type { Kind } from '../../kinds/contract';
import { choiceField, countField, textField } from '../../kinds/fields';
import { FILLS } from '../../kinds/filling';
import { rule } from '../../kinds/rule';
import { MARKED_ROW } from '../../rows/marked-row';
import { about } from './about';

const settings = object({
  columns: countField(4, 1, 12, { label: 'Columns', unit: 'side by side', responsive: true }),
  align: choiceField(
    'stretch',
    { start: 'own', stretch: 'equal' },
    { label: 'Heights in a row', responsive: true }
  ),
  nothing: textField('', 300, {
    label: 'Where no row comes',
    help: 'Said in its place where the query lets no row through. Empty: nothing is shown.'
  })
});

type Settings = InferType<typeof settings>;

/** What is repeated over rows; without a source its pieces stand as they are. */
export const list: Kind = {
  ...about,
  anatomy: {
    root: {
      label: 'list',
      states: { hover: ':hover' },
      hasText: true,
      properties: ['gap', 'text-align'],
      box: { x: 10, y: 10, width: 130, height: 96 }
    },
    nothing: {
      label: 'words for no row',
      states: {},
      hasText: true,
      box: { x: 20, y: 50, width: 110, height: 16 }
    }
  },
  settings,
  slots: { content: { label: 'Content', accepts: ['block'], repeats: 'mainly', refreshes: true } },
  forms: [],
  look: { root: { rest: { always: { gap: '24px', padding: '0' } } } },
  adapt: { medium: { columns: 2 }, narrow: { columns: 1 } },
  create: (make) =>
    make(
      'list',
      'List',
      {},
      {
        content: [
          make(
            'stack',
            'Row',
            {},
            {
              content: [
                make('heading', 'Row heading', { text: 'One of many', level: '3' }),
                make('text', 'Row text', { html: '<p>What there is to say of it.</p>' })
              ]
            }
          )
        ]
      }
    ),
  markup(node, ctx) {
    const { nothing } = ctx.settings<Settings>(node);
    const rows = ctx.slot('content').map((row) => element('li', {}, [row]));
    const words = nothing === '' ? [] : [ctx.part('nothing', 'li', {}, [text(nothing)])];
    const shown = rows.length > 0 ? rows : words;
    const { refresh } = node;
    if (refresh === undefined) return ctx.part('root', 'ul', { role: 'list' }, shown);
    const template = element('template', {}, [element('li', {}, ctx.slot(MARKED_ROW)), ...words]);
    return ctx.part('root', 'ul', { role: 'list', dataKFresh: refresh }, [...shown, template]);
  },
  style(node, ctx) {
    const { columns, align } = ctx.settings<Settings>(node);
    return [
      rule(ctx.sel('root'), {
        display: 'grid',
        'grid-template-columns': `repeat(${columns}, minmax(0, 1fr))`,
        'align-items': align,
        'list-style': 'none',
        margin: '0',
        ...FILLS
      }),
      rule(`${ctx.sel('root')} > li`, { display: 'grid' }),
      rule(ctx.sel('nothing'), { 'grid-column': '1 / -1' })
    ];
  },
  behaviours: ({ refresh }) => (refresh === undefined ? [] : ['fresh']),
  share: ({ columns }) => 1 / (columns as number),
  fallbacks: (_node, { settings: under }) => {
    const said = (columns: number) => `${columns} side by side`;
    return [
      {
        label: 'Rows stand',
        wide: said(under<Settings>('always').columns),
        cells: {
          medium: said(under<Settings>('medium').columns),
          narrow: said(under<Settings>('narrow').columns)
        }
      }
    ];
  },
  findings: []
};

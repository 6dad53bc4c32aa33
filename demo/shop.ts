import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import type { Fragment, Query } from '../src/core/project/types';
import { catalogue } from '../src/server/catalogue';
import { bind, DAY, queryOf, source, style, tableOf } from './commands';

const make = makeWith({ exactIds: true });
const SERIF = 'Georgia, "Times New Roman", serif';

const text = (name: string, html: string): Fragment => make('text', name, { html });
const heading = (name: string, words: string, level: string): Fragment =>
  make('heading', name, { text: words, level });
const section = (name: string, content: readonly Fragment[], settings = {}): Fragment =>
  make('section', name, settings, { content });

const SOURCES: readonly Command[] = [
  source(
    'catalogue',
    'Catalogue',
    'catalogue',
    '/api/catalogue',
    tableOf(JSON.stringify(catalogue(DAY)), 'catalogue.json')
  )
];

interface Shelf {
  readonly label: string;
  readonly query: Partial<Query>;
  /** How many at most. */
  readonly most: number;
}

const where = (column: string): Partial<Query> => ({ where: [{ column, is: 'is', value: 'yes' }] });

/** Four tabs by four queries over the catalogue, eight at most in each; fewer where fewer are reduced. */
const SHELVES: readonly Shelf[] = [
  { label: 'New', query: { by: 'added', down: true }, most: 8 },
  { label: 'Most wanted', query: { by: 'sold', down: true }, most: 8 },
  {
    label: 'Reduced',
    query: { where: [{ column: 'reduced', is: 'filled', value: '' }], by: 'reduced' },
    most: 4
  },
  { label: 'In season', query: { ...where('in season'), by: 'name' }, most: 8 }
];

/** One card is drawn for each row: picture, name, price, and what it costs now where it is reduced. */
const card = (label: string): Fragment =>
  make(
    'stack',
    `${label} card`,
    {},
    {
      content: [
        make('image', `${label} picture`, { shape: '4 / 3' }),
        heading(`${label} name`, 'Name', '3'),
        text(`${label} price`, '<p>Price</p>'),
        text(`${label} offer`, '<p>Reduced</p>')
      ]
    }
  );

const panel = ({ label }: Shelf): Fragment =>
  make(
    'panel',
    label,
    {},
    {
      content: [make('list', `${label} list`, { columns: 4 }, { content: [card(label)] })]
    }
  );

const idOf = (name: string): string => name.toLowerCase().replaceAll(' ', '-');
const POUNDS = { as: 'money', currency: 'GBP' } as const;

const bound = ({ label, query, most }: Shelf): readonly Command[] => [
  { type: 'set-query', id: `${idOf(label)}-list`, query: queryOf('catalogue', query, most) },
  bind(`${idOf(label)}-picture`, 'asset', { column: 'picture' }),
  bind(`${idOf(label)}-picture`, 'alt', { column: 'name' }),
  bind(`${idOf(label)}-name`, 'text', { column: 'name' }),
  bind(`${idOf(label)}-price`, 'html', { column: 'price', format: POUNDS }),
  bind(`${idOf(label)}-offer`, 'html', { column: 'reduced', format: POUNDS }),
  bind(`${idOf(label)}-offer`, 'shown', { column: 'reduced' })
];

const header = (): Fragment =>
  section(
    'Shop header',
    [
      make(
        'stack',
        'Shop header row',
        { flow: 'row', justify: 'space-between', align: 'center' },
        {
          content: [
            text('Shop name', '<p><strong>Quillmere</strong></p>'),
            make(
              'links',
              'Shop links',
              { element: 'navigation', label: 'Main', align: 'end', foldUnder: 720 },
              {
                links: [
                  make('link', 'Spend a day', { href: 'index.html' }, { links: [] }),
                  make('link', 'The shop', { href: 'shop.html' }, { links: [] }),
                  make('link', 'Ask us', { href: 'questions.html' }, { links: [] })
                ]
              }
            )
          ]
        }
      )
    ],
    { element: 'header' }
  );

const page = (): Fragment =>
  make(
    'page',
    'Shop page',
    {},
    {
      sections: [
        header(),
        section('Shop opening', [
          heading('Shop heading', 'What the trees gave', '1'),
          text(
            'Shop words',
            '<p>Everything here was grown, pressed or boiled down within sight of the house.</p>'
          )
        ]),
        section('Shop goods', [
          heading('Goods heading', 'On the shelves', '2'),
          make(
            'tabs',
            'Shop tabs',
            { label: 'Shelves of the shop', equal: true },
            { panels: SHELVES.map(panel) }
          )
        ]),
        section(
          'Shop footer',
          [text('Shop footer text', '<p>The counter is open daily from nine to five.</p>')],
          {
            element: 'footer'
          }
        )
      ]
    }
  );

const looks = (): readonly Command[] => [
  ...style('shop-page', 'root', {
    'background-color': '#fffdf6',
    color: '#2b2f2a',
    'font-family': '"Segoe UI", "Helvetica Neue", Arial, sans-serif',
    'font-size': '17px'
  }),
  ...style('shop-header', 'root', { 'background-color': '{leaf}', color: '#f4ebd8', padding: '14px 24px' }),
  ...style('shop-name', 'root', { 'font-family': SERIF, 'font-size': '20px' }),
  ...style('shop-links', 'link', { color: '#f4ebd8', 'font-size': '15px' }),
  ...style('shop-links', 'link', { color: '#ffffff', 'text-decoration-line': 'underline' }, 'hover'),
  ...style('shop-links', 'link', { outline: '2px solid #f4ebd8' }, 'focus'),
  ...style('shop-links', 'menu', { color: '#f4ebd8', 'border-color': '#f4ebd8' }),
  ...style('shop-links', 'menu', { 'background-color': '#3a5648' }, 'hover'),
  ...style('shop-links', 'menu', { outline: '2px solid #f4ebd8' }, 'focus'),
  ...style('shop-links', 'menu', { 'background-color': '{cream}', color: '{leaf}' }, 'selected'),
  ...style('shop-opening', 'root', { 'background-color': '{cream}' }),
  ...['shop-heading', 'goods-heading'].flatMap((id) =>
    style(id, 'root', { 'font-family': SERIF, 'font-weight': '700' })
  ),
  ...style('shop-heading', 'root', { 'font-size': '44px' }),
  ...SHELVES.flatMap(({ label }) => [
    ...style(`${idOf(label)}-card`, 'root', { gap: '8px' }),
    ...style(`${idOf(label)}-name`, 'root', { 'font-size': '18px', 'font-weight': '600' }),
    ...style(`${idOf(label)}-offer`, 'root', { color: '{cider}', 'font-weight': '700' })
  ]),
  ...style('shop-footer', 'root', { 'background-color': '{leaf}', color: '#f4ebd8' })
];

/** A page of lists: four tabs by four queries over the catalogue. */
export function shopPage(): readonly Command[] {
  const fragment = page();
  const about = {
    name: 'Shop',
    title: 'The shop of Quillmere Orchard',
    description: 'Cider, juice, fruit and the larder.',
    language: 'en-GB'
  };
  return [
    ...SOURCES,
    { type: 'add-page', page: { id: 'shop', ...about, root: fragment.root }, fragment } as Command,
    ...SHELVES.flatMap(bound),
    ...looks()
  ];
}

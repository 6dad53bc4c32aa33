import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import type { Fragment } from '../src/core/project/types';

const make = makeWith({ exactIds: true });

const text = (name: string, html: string): Fragment => make('text', name, { html });
const heading = (name: string, words: string, level: string): Fragment =>
  make('heading', name, { text: words, level });

const section = (name: string, content: readonly Fragment[], settings = {}): Fragment =>
  make('section', name, settings, { content });

const header = (): Fragment =>
  section(
    'Varieties header',
    [
      make(
        'stack',
        'Varieties header row',
        { flow: 'row', justify: 'space-between', align: 'center' },
        {
          content: [
            text('Varieties name', '<p><strong>Quillmere</strong></p>'),
            make(
              'links',
              'Varieties links',
              { element: 'navigation', label: 'Main', align: 'end', foldUnder: 720 },
              {
                links: [
                  make('link', 'A day here', { href: 'index.html' }, { links: [] }),
                  make('link', 'The old varieties', { href: 'varieties.html' }, { links: [] }),
                  make('link', 'All questions', { href: 'questions.html' }, { links: [] })
                ]
              }
            )
          ]
        }
      )
    ],
    { element: 'header', header: 'over' }
  );

const SEASONS = [
  ['Blossom', 'White and rose blossom in the old rows'],
  ['Summer', 'Green trees under a high sun'],
  ['Harvest', 'Red fruit in autumn light'],
  ['Wassail', 'Bare trees in snow, with lanterns']
] as const;

/** Four pictures that fade into one another under words that stay. */
const opening = (): Fragment => {
  const slides = SEASONS.map(([name, alt]) =>
    make(
      'panel',
      `${name} view`,
      {},
      { content: [make('image', `${name} opening picture`, { asset: `orchard-${name.toLowerCase()}`, alt })] }
    )
  );
  const slider = make(
    'slider',
    'Views of the year',
    {
      form: 'fade',
      ends: 'loop',
      plays: true,
      rest: 4,
      place: 'over',
      dots: false,
      arrows: false,
      height: '420px'
    },
    { panels: slides }
  );
  const words = make(
    'layer',
    'Varieties words',
    { place: '8% 50%' },
    {
      content: [
        heading('Varieties heading', 'Sixty-four kinds of apple', '1'),
        text('Varieties line', '<p>Six of them are poured today.</p>'),
        make('button', 'Varieties button', { label: 'Taste them', href: '#tasting' })
      ]
    }
  );
  return section(
    'Varieties opening',
    [
      make(
        'layers',
        'Opening layers',
        {},
        { layers: [make('layer', 'Year layer', { width: '100%' }, { content: [slider] }), words] }
      )
    ],
    { span: 'bleed' }
  );
};

const KINDS = [
  ['Ashen Pippin', 'Sharp, keeps till March.'],
  ['Bell Russet', 'Nutty and dry; the cider makers’ own choice since the mill was built.'],
  ['Lady Thrale', 'Sweet, early, soft. Eat it on the way home.'],
  ['Old Quince', 'For jelly, and for the linen drawer.'],
  ['Long Keeper', 'Hard as a stone in October, honey in spring.'],
  ['Winter Gold', 'The last of the year, picked in gloves.']
] as const;

const tastingCard = ([name, words]: (typeof KINDS)[number]): Fragment =>
  make(
    'panel',
    `${name} slide`,
    {},
    {
      content: [
        make(
          'card',
          `${name} card`,
          { by: 'both' },
          {
            front: [heading(`${name} front`, name, '3')],
            back: [text(`${name} back`, `<p>${words}</p>`)]
          }
        )
      ]
    }
  );

const tasting = (): Fragment =>
  section('Tasting', [
    heading('Tasting heading', 'Poured today', '2'),
    make(
      'slider',
      'Tasting cards',
      { visible: 3, ends: 'loop', align: 'center', counter: true },
      { panels: KINDS.map(tastingCard) }
    )
  ]);

const VOICES = [
  ['Autumn visitor', 'We came for an hour and went home in the dark.', 'Ines, in October'],
  ['Harvest hand', 'By week seven one dreams of baskets.', 'Jory, picker'],
  ['Cook', 'No other quince holds its shape like this one.', 'Maud, at the Bell']
] as const;

const voices = (): Fragment =>
  section('Voices', [
    heading('Voices heading', 'What people say', '2'),
    make(
      'slider',
      'Quotations',
      { plays: true, rest: 5, ends: 'rewind', arrows: false },
      {
        panels: VOICES.map(([name, words, author]) =>
          make(
            'panel',
            name,
            {},
            { content: [make('quote', `${name} words`, { words: `<p>${words}</p>`, author })] }
          )
        )
      }
    )
  ]);

/** File, label, and what is seen, in the order of the year. */
const YEAR = [
  ['first-blossom', 'First blossom', 'A tree full of rose blossom'],
  ['bees-at-work', 'Bees at work', 'A straw hive with bees around it'],
  ['rows-in-june', 'Rows in June', 'Five green trees in a row'],
  ['noon-shade', 'Noon shade', 'A bench under a great tree'],
  ['windfalls', 'Windfalls', 'Apples in the grass'],
  ['baskets-full', 'Baskets full', 'Three baskets of red, green and yellow apples'],
  ['press-day', 'Press day', 'The screw press with its slatted tub'],
  ['the-cellar', 'The cellar', 'Three casks under a vault'],
  ['wassail-lanterns', 'Wassail lanterns', 'Bare trees in snow, with lanterns between them']
] as const;

const yearPicture = ([asset, name, alt]: (typeof YEAR)[number]): Fragment =>
  make('panel', name, {}, { content: [make('image', `${name} picture`, { asset, alt })] });

const year = (): Fragment =>
  section('Year', [
    heading('Year heading', 'A year among the trees', '2'),
    make('gallery', 'Year gallery', { captions: 'below' }, { panels: YEAR.map(yearPicture) })
  ]);

const FIGURES = [
  ['Trees', '12480', 'standing trees'],
  ['Kinds', '64', 'kinds of fruit'],
  ['Acres', '11', 'acres'],
  ['Winters', '153', 'winters since the first row']
] as const;

const figures = (): Fragment =>
  section('Figures', [
    heading('Figures heading', 'The orchard in four numbers', '2'),
    make(
      'columns',
      'Figures row',
      { shares: '1/4 1/4 1/4 1/4' },
      {
        columns: FIGURES.map(([name, value, caption]) =>
          make(
            'column',
            `${name} column`,
            {},
            { content: [make('number', `${name} figure`, { value, caption })] }
          )
        )
      }
    )
  ]);

const style = (id: string, part: string, values: Record<string, string>, state = 'rest'): Command[] =>
  Object.entries(values).map(
    ([property, value]) =>
      ({ type: 'set-style', id, part, state, condition: 'always', property, value }) as Command
  );

const idOf = (name: string) => name.toLowerCase().replaceAll(' ', '-');
const SERIF = 'Georgia, "Times New Roman", serif';

const narrow = (id: string, key: string, value: unknown, condition: string): Command =>
  ({ type: 'set-setting', id, key, value, condition }) as Command;

/** @returns commands that add a page of varieties: what turns, plays and counts. */
export function varietiesPage(): readonly Command[] {
  const fragment = make(
    'page',
    'Varieties page',
    {},
    { sections: [header(), opening(), tasting(), voices(), year(), figures()] }
  );
  return [
    {
      type: 'add-page',
      page: {
        id: 'varieties',
        name: 'Varieties',
        title: 'The old varieties of Quillmere Orchard',
        description: 'Sixty-four kinds of apple, pear and quince, and six that are poured today.',
        language: 'en-GB',
        root: fragment.root
      },
      fragment
    } as unknown as Command,
    narrow('tasting-cards', 'visible', 1.2, 'narrow'),
    narrow('tasting-cards', 'align', 'start', 'narrow'),
    ...style('varieties-page', 'root', {
      'background-color': '#fffdf6',
      color: '#2b2f2a',
      'font-family': '"Segoe UI", "Helvetica Neue", Arial, sans-serif',
      'font-size': '17px'
    }),
    ...style('varieties-header', 'root', {
      'background-color': '#22372bc4',
      color: '#f4ebd8',
      padding: '14px 24px'
    }),
    ...style('varieties-name', 'root', { 'font-family': SERIF, 'font-size': '20px' }),
    ...style('varieties-links', 'link', { color: '#f4ebd8', 'font-size': '15px' }),
    ...style('varieties-links', 'link', { color: '#ffffff', 'text-decoration-line': 'underline' }, 'hover'),
    ...style('varieties-links', 'link', { outline: '2px solid #f4ebd8' }, 'focus'),
    ...style('varieties-links', 'menu', { color: '#f4ebd8', 'border-color': '#f4ebd8' }),
    ...style('varieties-links', 'menu', { 'background-color': '#3a5648' }, 'hover'),
    ...style('varieties-links', 'menu', { outline: '2px solid #f4ebd8' }, 'focus'),
    ...style('varieties-links', 'menu', { 'background-color': '{cream}', color: '{leaf}' }, 'selected'),
    ...style('varieties-opening', 'root', { padding: '0' }),
    ...style('varieties-words', 'root', {
      padding: '24px 28px',
      color: '#f4ebd8',
      'background-color': '#22372bf0',
      'border-radius': '6px'
    }),
    ...style('varieties-button', 'root', { 'background-color': '{cider}' }),
    ...style('varieties-button', 'root', { outline: '2px solid #f4ebd8' }, 'focus'),
    ...style('views-of-the-year', 'hold', { 'background-color': '#ffffff' }),
    ...['varieties-heading', 'tasting-heading', 'voices-heading', 'year-heading', 'figures-heading'].flatMap(
      (id) => style(id, 'root', { 'font-family': SERIF, 'font-weight': '700' })
    ),
    ...KINDS.flatMap(([name]) => [
      ...style(`${idOf(name)}-card`, 'front', { 'background-color': '{cream}', padding: '32px 20px' }),
      ...style(`${idOf(name)}-card`, 'back', { 'background-color': '{leaf}', color: '#f4ebd8' })
    ]),
    ...style('figures', 'root', { 'background-color': '{cream}' })
  ];
}

import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import type { Fragment } from '../src/core/project/types';

const make = makeWith({ exactIds: true });

const text = (name: string, html: string): Fragment => make('text', name, { html });
const heading = (name: string, words: string, level: string): Fragment =>
  make('heading', name, { text: words, level });
const picture = (name: string, asset: string, alt: string): Fragment => make('image', name, { asset, alt });

const section = (name: string, content: readonly Fragment[], settings = {}): Fragment =>
  make('section', name, settings, { content });

const bar = (): Fragment =>
  section(
    'Story bar',
    [
      text('Story hours', '<p>Open daily from nine, the press house at weekends.</p>'),
      make('progress', 'Story progress')
    ],
    { height: '80px' }
  );

/** It lies over the lower half of the bar, and sticks where it reaches the top. */
const header = (): Fragment =>
  section(
    'Story header',
    [
      make(
        'stack',
        'Story header row',
        { flow: 'row', justify: 'space-between', align: 'center' },
        {
          content: [
            text('Story name', '<p><strong>Quillmere</strong></p>'),
            make(
              'links',
              'Story links',
              { element: 'navigation', label: 'Main', align: 'end', foldUnder: 720 },
              {
                links: [
                  make('link', 'Plan a day', { href: 'index.html' }, { links: [] }),
                  make('link', 'From tree to glass', { href: 'story.html' }, { links: [] }),
                  make('link', 'What people ask', { href: 'questions.html' }, { links: [] })
                ]
              }
            )
          ]
        }
      )
    ],
    { element: 'header', height: '80px', overlap: 50, place: 'center' }
  );

const opening = (): Fragment =>
  section(
    'Story opening',
    [
      heading('Story heading', 'From tree to glass', '1'),
      text('Story line', '<p>Nine weeks of work for one glass of cider.</p>')
    ],
    { picture: 'orchard-harvest', height: '86svh', place: 'center', layer: '#16241c', opacity: 72 }
  );

const SEASONS = [
  ['Blossom', 'orchard-blossom', 'White and rose blossom in the old rows', 'The bees are paid in April.'],
  [
    'Summer',
    'orchard-summer',
    'Green trees under a high sun',
    'Half of the fruit is let fall, so that the rest can grow.'
  ],
  ['Harvest', 'orchard-harvest', 'Red fruit in autumn light', 'Forty people, eleven acres, nine weeks.'],
  [
    'Wassail',
    'orchard-wassail',
    'Bare trees in snow, with lanterns',
    'We sing to the trees, and they let us.'
  ]
] as const;

const seasonPanel = ([name, asset, alt, words]: (typeof SEASONS)[number]): Fragment =>
  make(
    'columns',
    `${name} panel`,
    { shares: '1/2 1/2', align: 'center' },
    {
      columns: [
        make('column', `${name} side`, {}, { content: [picture(`${name} passing`, asset, alt)] }),
        make(
          'column',
          `${name} told`,
          {},
          {
            content: [
              heading(`${name} scene title`, name, '2'),
              text(`${name} scene words`, `<p>${words}</p>`)
            ]
          }
        )
      ]
    }
  );

const across = (): Fragment => section('Year across', SEASONS.map(seasonPanel), { span: 'bleed' });

const STEPS = [
  [
    'Picked',
    'with-ladder',
    'Orla on a ladder among the branches',
    'Every apple is picked by hand, and only when it wants to be.'
  ],
  [
    'Washed',
    'with-kettle',
    'Tam beside the steaming kettle',
    'Leaves float and stones sink; what is between goes to the mill.'
  ],
  ['Milled', 'with-mill', 'Bram at the stone mill', 'The stones turn slowly, so that the pips stay whole.'],
  [
    'Pressed',
    'press-house',
    'The press house with its screw',
    'Twelve cloths, one screw, and a quiet afternoon.'
  ]
] as const;

const stepPanel = ([name, asset, alt, words]: (typeof STEPS)[number]): Fragment =>
  make(
    'panel',
    name,
    {},
    {
      content: [
        picture(`${name} picture`, asset, alt),
        heading(`${name} heading`, name, '3'),
        text(`${name} words`, `<p>${words}</p>`)
      ]
    }
  );

const press = (): Fragment =>
  section('Press story', [
    heading('Steps heading', 'Four steps and a screw', '2'),
    make('pinned', 'Press steps', { inset: 104 }, { panels: STEPS.map(stepPanel) })
  ]);

interface Screen {
  readonly name: string;
  readonly picture: string;
  /** A film that plays over the picture. */
  readonly film?: string;
  readonly title: string;
  readonly words: string;
  /** What the panel in the corner says. */
  readonly corner: string;
}

const SCREENS: readonly Screen[] = [
  {
    name: 'Loft',
    picture: 'the-cellar',
    title: 'In March the loft smells of honey',
    words: 'What was hard as stone in October is sweet now.',
    corner: '<p><strong>The loft</strong></p><p>800 crates on straw, 4 °C, windows to the north.</p>'
  },
  {
    name: 'Cellar',
    picture: 'press-day',
    film: 'cellar-ticks',
    title: 'Under the vault it ticks',
    words: 'Three casks, a hundred days, and nobody in a hurry.',
    corner:
      '<p><strong>The casks</strong></p><p>Each holds 600 litres. A bubble for every breath it takes.</p>'
  },
  {
    name: 'Glass',
    picture: 'wassail-lanterns',
    title: 'And then it is poured',
    words: 'Come in January, and bring something warm to wear.',
    corner: '<p><strong>The pouring</strong></p><p>On the 17th of January, when the lanterns are lit.</p>'
  }
];

const inCorner = (name: string): readonly Fragment[] =>
  name === 'Loft' ? [picture('Loft baskets', 'baskets-full', 'Baskets full of apples')] : [];

/** A few words at one end of the screen, a panel in its corner. */
const screen = ({ name, picture: asset, film = '', title, words, corner }: Screen): Fragment =>
  section(
    `${name} screen`,
    [
      make(
        'columns',
        `${name} row`,
        { shares: '3/4 1/4', align: 'end' },
        {
          columns: [
            make(
              'column',
              `${name} said`,
              {},
              {
                content: [
                  heading(`${name} title of screen`, title, '2'),
                  text(`${name} words of screen`, `<p>${words}</p>`)
                ]
              }
            ),
            make(
              'column',
              `${name} corner`,
              {},
              {
                content: [...inCorner(name), text(`${name} corner words`, corner)]
              }
            )
          ]
        }
      )
    ],
    { picture: asset, film, height: '60svh', place: 'end', layer: '#16241c', opacity: 80 }
  );

const footer = (): Fragment =>
  section(
    'Story footer',
    [
      make('still', 'Story still', { label: 'Hold what moves by itself' }),
      text('Story colophon', '<p>Quillmere Orchard, since 1871.</p>')
    ],
    {
      element: 'footer'
    }
  );

const style = (id: string, part: string, values: Record<string, string>, state = 'rest'): Command[] =>
  Object.entries(values).map(
    ([property, value]) =>
      ({ type: 'set-style', id, part, state, condition: 'always', property, value }) as Command
  );

const does = (id: string, effect: string, settings: Record<string, unknown> = {}): Command[] => [
  { type: 'add-effect', id, effect } as Command,
  ...Object.entries(settings).map(
    ([key, value]) => ({ type: 'set-setting', id, key: `${effect}-${key}`, value }) as Command
  )
];

const SERIF = 'Georgia, "Times New Roman", serif';
const screenId = (name: string): string => `${name.toLowerCase()}-screen`;

/** @returns commands that add a page which moves with the scroll: what sticks, drifts, goes sideways and snaps. */
export function storyPage(): readonly Command[] {
  const fragment = make(
    'page',
    'Story page',
    {},
    { sections: [bar(), header(), opening(), across(), press(), ...SCREENS.map(screen), footer()] }
  );
  const headings = [
    'story-heading',
    'steps-heading',
    ...SCREENS.map(({ name }) => `${name.toLowerCase()}-title-of-screen`)
  ];
  return [
    {
      type: 'add-page',
      page: {
        id: 'story',
        name: 'From tree to glass',
        title: 'From tree to glass, at Quillmere Orchard',
        description: 'How nine weeks of picking become one glass of cider.',
        language: 'en-GB',
        root: fragment.root
      },
      fragment
    } as unknown as Command,
    ...does('story-header', 'sticky'),
    ...does('story-opening', 'drift', { speed: 30 }),
    ...does('year-across', 'sideways', { inset: 80 }),
    ...does('harvest-told', 'follow', {
      over: 'sideways',
      from: 30,
      to: 70,
      translate: '120px 0 → 0 0',
      opacity: '0.3 → 1'
    }),
    ...does('steps-heading', 'words'),
    ...SCREENS.flatMap(({ name }) => does(screenId(name), 'screen', { less: 80 })),
    ...does('loft-baskets', 'loop', { far: 10 }),
    ...style('story-page', 'root', {
      'background-color': '#fffdf6',
      color: '#2b2f2a',
      'font-family': '"Segoe UI", "Helvetica Neue", Arial, sans-serif',
      'font-size': '17px'
    }),
    ...style('story-bar', 'root', { 'background-color': '{cream}', padding: '8px 24px' }),
    ...style('story-progress', 'bar', { 'background-color': '{cider}' }),
    ...style('story-header', 'root', { 'background-color': '{leaf}', color: '#f4ebd8', padding: '0 24px' }),
    ...style('story-name', 'root', { 'font-family': SERIF, 'font-size': '20px' }),
    ...style('story-links', 'link', { color: '#f4ebd8', 'font-size': '15px' }),
    ...style('story-links', 'link', { color: '#ffffff', 'text-decoration-line': 'underline' }, 'hover'),
    ...style('story-links', 'link', { outline: '2px solid #f4ebd8' }, 'focus'),
    ...style('story-links', 'menu', { color: '#f4ebd8', 'border-color': '#f4ebd8' }),
    ...style('story-links', 'menu', { 'background-color': '#3a5648' }, 'hover'),
    ...style('story-links', 'menu', { outline: '2px solid #f4ebd8' }, 'focus'),
    ...style('story-links', 'menu', { 'background-color': '{cream}', color: '{leaf}' }, 'selected'),
    ...style('story-opening', 'root', { color: '#ffffff' }),
    ...style('story-heading', 'root', { 'font-size': '56px' }),
    ...style('year-across', 'root', { padding: '0', 'background-color': '{cream}' }),
    ...style('year-across', 'inner', { gap: '0' }),
    ...SEASONS.flatMap(([name]) => style(`${name.toLowerCase()}-panel`, 'root', { padding: '48px' })),
    ...headings.flatMap((id) => style(id, 'root', { 'font-family': SERIF, 'font-weight': '700' })),
    ...SCREENS.flatMap(({ name }) => [
      ...style(screenId(name), 'root', { color: '#ffffff' }),
      ...style(`${name.toLowerCase()}-corner`, 'root', {
        'background-color': '{cream}',
        color: '#2b2f2a',
        padding: '20px',
        'border-radius': '6px'
      }),
      ...style(`${name.toLowerCase()}-corner-words`, 'root', { 'font-size': '15px' })
    ]),
    ...style('story-still', 'root', { outline: '2px solid #f4ebd8' }, 'focus'),
    ...style('story-footer', 'root', { 'background-color': '{leaf}', color: '#f4ebd8' })
  ];
}

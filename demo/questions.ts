import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import { trackOf } from '../src/core/motion/track';
import type { Fragment } from '../src/core/project/types';
import { style } from './commands';

const make = makeWith({ exactIds: true });

const text = (name: string, html: string): Fragment => make('text', name, { html });
const heading = (name: string, words: string, level: string): Fragment =>
  make('heading', name, { text: words, level });
const link = (name: string, href: string, links: readonly Fragment[] = []): Fragment =>
  make('link', name, { href }, { links });

/** A navigation with pages below its first link, and the opening hours in a side panel. */
const header = (): Fragment =>
  make(
    'section',
    'Questions header',
    { element: 'header' },
    {
      content: [
        make(
          'stack',
          'Questions header row',
          { flow: 'row', justify: 'space-between', align: 'center' },
          { content: [text('Questions name', '<p><strong>Quillmere</strong></p>'), navigation(), hours()] }
        )
      ]
    }
  );

const navigation = (): Fragment =>
  make(
    'links',
    'Questions links',
    { element: 'navigation', label: 'Main', align: 'end', foldUnder: 720 },
    {
      links: [
        link('Your visit', 'index.html', [
          link('The four seasons', 'index.html#plan'),
          link('How to come here', 'index.html#find')
        ]),
        link('Nine weeks of harvest', 'harvest.html'),
        link('Your questions', 'questions.html')
      ]
    }
  );

const hours = (): Fragment =>
  make(
    'drawer',
    'Opening hours',
    {
      label: 'Opening hours',
      side: 'end',
      track: trackOf({ form: 'edge', ms: 220, easing: 'ease-out' }),
      leave: trackOf({ form: 'edge', ms: 160, easing: 'ease-in' })
    },
    {
      content: [
        heading('Hours panel heading', 'When the gate is open', '2'),
        text(
          'Hours panel words',
          '<p>April to June: nine to six.</p><p>July to October: eight until the light goes.</p><p>November to March: Saturdays, ten to three.</p>'
        ),
        make('button', 'Hours panel button', {
          label: 'Write to the gate',
          href: 'mailto:gate@quillmere.example'
        })
      ]
    }
  );

/** One question: a stack that stands closed under a header of its own. */
const question = (name: string, content: readonly Fragment[]): Fragment =>
  make('stack', name, {}, { content });

const sideBySide = (name: string, texts: readonly Fragment[]): Fragment =>
  make(
    'columns',
    name,
    { stack: 'narrow' },
    {
      columns: texts.map((each, i) => make('column', `${name} ${i + 1}`, {}, { content: [each] }))
    }
  );

const QUESTIONS = ['With the train or by car', 'With children and dogs', 'What it costs'] as const;

const questions = (): readonly Fragment[] => [
  question(QUESTIONS[0], [
    text(
      'Train words',
      '<p>The slow train stops at Quillmere Halt twice an hour; the lane from there takes twelve minutes on foot. Cars stand in the lower meadow, which is dry from May on.</p>'
    )
  ]),
  question(QUESTIONS[1], [
    sideBySide('Company', [
      text(
        'Children words',
        '<p>Children climb the three trees by the gate. They have been climbed since 1911 and know how.</p>'
      ),
      text(
        'Dogs words',
        '<p>Dogs come along on a lead; in blossom time not at all, for the sake of the bees.</p>'
      )
    ])
  ]),
  question(QUESTIONS[2], [
    sideBySide('Prices', [
      text(
        'Price of a day',
        '<p><strong>A day</strong></p><p>Nothing. Put something into the jar if you liked it.</p>'
      ),
      text(
        'Price of a round',
        '<p><strong>A guided round</strong></p><p>Six, and three for those who are smaller than the mill.</p>'
      ),
      text(
        'Price of juice',
        '<p><strong>Juice</strong></p><p>Four the bottle; two when you bring one back.</p>'
      )
    ])
  ])
];

const side = (): readonly Fragment[] => [
  heading('Ask heading', 'Not answered?', '2'),
  text('Ask words', '<p>Write, or come to the press house; someone is always turning something.</p>'),
  make('button', 'Ask button', { label: 'Write to us', href: 'mailto:hello@quillmere.example' }),
  make(
    'links',
    'Ask links',
    { flow: 'column' },
    {
      links: [link('All four seasons', 'index.html#plan'), link('The harvest, week by week', 'harvest.html')]
    }
  )
];

const PEOPLE = [
  [
    'Odile Marsh',
    'with-ladder',
    'A ladder among apples',
    'Prunes in January, picks in October, and knows every tree by what it did last year.'
  ],
  [
    'Tam Fenwright',
    'with-kettle',
    'A kettle on the boil',
    'Keeps the kettle on and the gate book. Asks everyone where they come from, and remembers.'
  ],
  [
    'Bertrand Loy',
    'with-mill',
    'A millstone',
    'Turns the mill, mends the press, and will tell you about both for as long as you stand still.'
  ]
] as const;

/** What someone does, under a picture that goes away from it. */
const person = ([name, asset, alt, words]: (typeof PEOPLE)[number]): Fragment =>
  make(
    'column',
    `${name} side`,
    {},
    {
      content: [
        heading(`${name} name`, name, '3'),
        make(
          'stack',
          `${name} card`,
          {},
          {
            content: [
              text(`${name} words`, `<p>${words}</p>`),
              make('image', `${name} picture`, { asset, alt })
            ]
          }
        )
      ]
    }
  );

const page = (): Fragment =>
  make(
    'page',
    'Questions page',
    {},
    {
      sections: [
        header(),
        make(
          'section',
          'Questions welcome',
          {},
          {
            content: [heading('Questions heading', 'What people ask before they come', '1')]
          }
        ),
        make(
          'section',
          'Questions band',
          {},
          {
            content: [
              make(
                'columns',
                'Questions columns',
                { shares: '2/3 1/3' },
                {
                  columns: [
                    make('column', 'Questions list', {}, { content: questions() }),
                    make('column', 'Questions side', {}, { content: side() })
                  ]
                }
              )
            ]
          }
        ),
        make(
          'section',
          'Who answers',
          {},
          {
            content: [
              heading('Who heading', 'Who answers', '2'),
              make(
                'columns',
                'Who columns',
                { shares: '1/3 1/3 1/3', align: 'stretch' },
                {
                  columns: PEOPLE.map(person)
                }
              )
            ]
          }
        )
      ]
    }
  );

const idOf = (name: string) => name.toLowerCase().replaceAll(' ', '-');

const set = (id: string, key: string, value: unknown): Command =>
  ({ type: 'set-setting', id, key, value }) as Command;

const does = (id: string, effect: string): Command => ({ type: 'add-effect', id, effect }) as Command;

/** Questions that open one by one; every second on a band, the first open. */
const collapsing = (name: string, i: number): Command[] => [
  does(idOf(name), 'collapse'),
  set(idOf(name), 'collapse-level', '2'),
  set(idOf(name), 'collapse-open', i === 0),
  ...style(idOf(name), 'collapse-header', {
    'font-weight': '700',
    'font-size': '20px',
    padding: '14px 16px'
  }),
  // Its own colour of what is open is too light for a band that the pointer darkens.
  ...style(idOf(name), 'collapse-header', { color: '{leaf}' }, 'open'),
  ...style(idOf(name), 'root', { padding: '4px 16px 20px' }),
  ...style(idOf(name), 'collapse', { 'background-color': i % 2 === 1 ? '{cream-deep}' : 'transparent' })
];

const covering = ([name]: (typeof PEOPLE)[number]): Command[] => {
  const picture = `${idOf(name)}-picture`;
  return [
    does(picture, 'reveal'),
    set(picture, 'reveal-as', 'cover'),
    set(picture, 'reveal-focusable', true),
    ...style(`${idOf(name)}-card`, 'root', {
      'background-color': '{cream}',
      padding: '24px',
      'border-radius': '6px'
    })
  ];
};

const SERIF = 'Georgia, "Times New Roman", serif';

/** The offer on the harvest page: so many seconds after one has come, in the room that is kept for it. */
const offer: readonly Command[] = [
  {
    type: 'insert',
    fragment: make(
      'stack',
      'Harvest offer',
      {},
      {
        content: [
          heading('Offer heading', 'Pick with us on a Saturday', '2'),
          text(
            'Offer words',
            '<p>A basket, a row of trees, and lunch at the long table. Twelve places each week.</p>'
          ),
          make('button', 'Offer button', { label: 'Take a place', href: 'mailto:pick@quillmere.example' })
        ]
      }
    ),
    at: { parent: 'what-comes-of-it', slot: 'content', index: 999 }
  } as unknown as Command,
  does('harvest-offer', 'wait'),
  set('harvest-offer', 'wait-seconds', 5),
  set('harvest-offer', 'wait-times', 'visit'),
  ...style('harvest-offer', 'root', {
    'background-color': '{cream-deep}',
    padding: '24px',
    'border-radius': '6px'
  }),
  ...style('offer-button', 'root', { 'background-color': '{cider}' })
];

/** @returns commands that add a page of questions, with a menu, a side panel and covers, and an offer that waits. */
export function questionsPage(): readonly Command[] {
  const fragment = page();
  return [
    {
      type: 'add-page',
      page: {
        id: 'questions',
        name: 'Questions',
        title: 'Questions about Quillmere Orchard',
        description: 'What people ask before they come: trains, children, dogs, and what it costs.',
        language: 'en-GB',
        root: fragment.root
      },
      fragment
    } as unknown as Command,
    ...offer,
    ...style('questions-page', 'root', {
      'background-color': '#fffdf6',
      color: '#2b2f2a',
      'font-family': '"Segoe UI", "Helvetica Neue", Arial, sans-serif',
      'font-size': '17px'
    }),
    ...style('questions-header', 'root', {
      'background-color': '{leaf}',
      color: '#f4ebd8',
      padding: '14px 24px'
    }),
    ...style('questions-name', 'root', { 'font-family': SERIF, 'font-size': '20px' }),
    ...style('questions-links', 'link', { color: '#f4ebd8', 'font-size': '15px' }),
    ...style('questions-links', 'link', { color: '#ffffff', 'text-decoration-line': 'underline' }, 'hover'),
    ...style('questions-links', 'link', { outline: '2px solid #f4ebd8' }, 'focus'),
    ...style('questions-links', 'sublink', { 'font-size': '15px' }),
    ...style('questions-links', 'menu', { color: '#f4ebd8', 'border-color': '#f4ebd8' }),
    ...style('questions-links', 'menu', { 'background-color': '#3a5648' }, 'hover'),
    ...style('questions-links', 'menu', { outline: '2px solid #f4ebd8' }, 'focus'),
    ...style('questions-links', 'menu', { 'background-color': '{cream}', color: '{leaf}' }, 'selected'),
    ...style('opening-hours', 'button', { 'background-color': '{cream}', color: '{leaf}' }),
    ...style('opening-hours', 'button', { 'background-color': '#ffffff' }, 'hover'),
    ...style('opening-hours', 'button', { outline: '2px solid #f4ebd8' }, 'focus'),
    ...style('opening-hours', 'button', { 'background-color': '#d3bf95' }, 'pressed'),
    ...['questions-heading', 'who-heading', 'ask-heading', 'offer-heading', 'hours-panel-heading'].flatMap(
      (id) => style(id, 'root', { 'font-family': SERIF, 'font-weight': '700', color: '#1d2a22' })
    ),
    ...style('questions-heading', 'root', { 'font-size': '40px' }),
    ...style('ask-heading', 'root', { 'font-size': '22px' }),
    ...style('ask-button', 'root', { 'background-color': '{cider}' }),
    ...QUESTIONS.flatMap(collapsing),
    ...PEOPLE.flatMap(covering)
  ];
}

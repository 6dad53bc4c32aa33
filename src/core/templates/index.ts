import type { Make } from '../kinds/contract';
import type { Fragment, Node } from '../project/types';
import { lightButton, smallHeading, styled } from './styled';
import type { Template } from './template';
import { turning } from './turning';

export type { Template } from './template';

const card = (make: Make, title: string, picture: Node['settings'] = {}): Fragment =>
  styled(
    make(
      'stack',
      title,
      { align: 'stretch' },
      {
        content: [
          make('image', 'Card picture', picture),
          smallHeading(make, 'Card heading', title),
          make('text', 'Card text', { html: '<p>Two or three lines that say what it is and for whom.</p>' }),
          make('button', 'Card link', { label: 'Read on' })
        ]
      }
    ),
    {
      root: {
        padding: '20px',
        gap: '12px',
        'background-color': '#ffffff',
        'border-width': '1px',
        'border-color': '#dcd5c5',
        'border-radius': '8px'
      }
    }
  );

const iconAndWords = (make: Make, name: string): Fragment =>
  styled(
    make(
      'stack',
      name,
      { align: 'center' },
      {
        content: [
          make('icon', 'Icon'),
          smallHeading(make, 'Words', name),
          make('text', 'More words', { html: '<p>One line about it.</p>' })
        ]
      }
    ),
    { root: { gap: '8px', 'text-align': 'center' } }
  );

/** One of several cards: their pictures are cut to one shape, so that their words stand side by side. */
const cardSide = (make: Make, name: string): Fragment =>
  make('column', `${name} card side`, {}, { content: [card(make, `${name} card`, { shape: '16 / 9' })] });

/** Every template there is, one entry each, in the order they are offered. */
export const templates: readonly Template[] = [
  {
    template: 'card',
    label: 'Card',
    summary: 'Picture, heading, words and a link on one ground',
    words: ['teaser', 'box'],
    root: 'stack',
    category: 'block',
    build: (make) => card(make, 'Card')
  },
  {
    template: 'cards',
    label: 'Three cards',
    summary: 'Three cards in equal columns',
    words: ['teasers', 'grid', 'features', 'pricing', 'plans'],
    root: 'columns',
    category: 'block',
    build: (make) =>
      make(
        'columns',
        'Cards',
        { shares: '1/3 1/3 1/3', align: 'stretch' },
        {
          columns: ['First', 'Second', 'Third'].map((name) => cardSide(make, name))
        }
      )
  },
  {
    template: 'icon-words',
    label: 'Icon with words',
    summary: 'An icon above a heading and a line',
    words: ['feature', 'benefit'],
    root: 'stack',
    category: 'block',
    build: (make) => iconAndWords(make, 'Icon with words')
  },
  {
    template: 'call',
    label: 'Call to action',
    summary: 'A statement and the button that follows from it',
    words: ['cta', 'banner', 'button'],
    root: 'stack',
    category: 'block',
    build: (make) =>
      styled(
        make(
          'stack',
          'Call to action',
          { flow: 'row', justify: 'space-between', align: 'center' },
          {
            content: [
              make('heading', 'Statement', { text: 'Say what there is to gain', level: '2' }),
              make('button', 'Call', { label: 'Do it now' })
            ]
          }
        ),
        {
          root: { padding: '28px 32px', gap: '20px', 'background-color': '#e3efec', 'border-radius': '8px' }
        }
      )
  },
  {
    template: 'header',
    label: 'Header with navigation',
    summary: 'Name and links; a menu button where they do not fit',
    words: ['navigation', 'menu', 'top', 'logo'],
    root: 'section',
    category: 'section',
    build: (make) =>
      styled(
        make(
          'section',
          'Header',
          { element: 'header' },
          {
            content: [
              make(
                'stack',
                'Header row',
                { flow: 'row', justify: 'space-between', align: 'center' },
                {
                  content: [
                    make('text', 'Site name', { html: '<p><strong>Name</strong></p>' }),
                    make(
                      'links',
                      'Main links',
                      { element: 'navigation', label: 'Main', align: 'end', foldUnder: 640 },
                      { links: ['First link', 'Second link', 'Third link'].map((name) => make('link', name)) }
                    )
                  ]
                }
              )
            ]
          }
        ),
        { root: { padding: '16px 24px' } }
      )
  },
  {
    template: 'opening',
    label: 'Opening on a picture',
    summary: 'A tall section: words and a button on a picture',
    words: ['hero', 'banner', 'intro', 'cover'],
    root: 'section',
    category: 'section',
    build: (make) =>
      styled(
        make(
          'section',
          'Opening',
          { height: '80svh', place: 'center', layer: '#000000', opacity: 45 },
          {
            content: [
              make('heading', 'Opening heading', { text: 'What this place is', level: '1' }),
              make('text', 'Opening text', { html: '<p>One sentence that makes people stay.</p>' }),
              lightButton(make, 'Opening button', 'Go on')
            ]
          }
        ),
        { root: { color: '#ffffff', 'background-color': '#1f362c' } }
      )
  },
  {
    template: 'beside',
    label: 'Picture beside words',
    summary: 'A section with a picture and words side by side',
    words: ['media', 'feature', 'half', 'zigzag', 'alternating'],
    root: 'section',
    category: 'section',
    build: (make) =>
      make(
        'section',
        'Picture and words',
        {},
        {
          content: [
            make(
              'columns',
              'Sides',
              { shares: '1/2 1/2', align: 'center' },
              {
                columns: [
                  make(
                    'column',
                    'Picture side',
                    {},
                    { content: [make('image', 'Picture', { shape: '4 / 3' })] }
                  ),
                  make(
                    'column',
                    'Words side',
                    {},
                    {
                      content: [
                        make('heading', 'Side heading', { text: 'A heading', level: '2' }),
                        make('text', 'Side text', { html: '<p>A few sentences beside the picture.</p>' }),
                        make('button', 'Side button', { label: 'Go on' })
                      ]
                    }
                  )
                ]
              }
            )
          ]
        }
      )
  },
  {
    template: 'footer',
    label: 'Footer',
    summary: 'Links and the small print',
    words: ['bottom', 'imprint'],
    root: 'section',
    category: 'section',
    build: (make) =>
      styled(
        make(
          'section',
          'Footer',
          { element: 'footer' },
          {
            content: [
              make(
                'links',
                'Footer links',
                { element: 'navigation', label: 'Footer' },
                { links: ['First link', 'Second link', 'Third link'].map((name) => make('link', name)) }
              ),
              make('separator', 'Footer line'),
              make('text', 'Small print', { html: '<p>Name, place, year.</p>' })
            ]
          }
        ),
        { root: { padding: '32px 24px', 'background-color': '#f3efe5' } }
      )
  },
  ...turning
];

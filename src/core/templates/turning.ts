import type { Make } from '../kinds/contract';
import type { Fragment } from '../project/types';
import { lightButton, smallHeading, styled } from './styled';
import type { Template } from './template';

const slideWith = (make: Make, name: string, ...content: Fragment[]): Fragment =>
  make('panel', name, {}, { content });

const ORDINALS = ['First', 'Second', 'Third', 'Fourth', 'Fifth'] as const;

const hero = (make: Make): Fragment => {
  const pictures = styled(
    make(
      'slider',
      'Opening pictures',
      {
        form: 'fade',
        ends: 'loop',
        plays: true,
        place: 'over',
        dots: false,
        arrows: false,
        rest: 5,
        height: '60svh'
      },
      {
        panels: ORDINALS.slice(0, 4).map((name) =>
          slideWith(make, `${name} picture`, make('image', `${name} opening picture`))
        )
      }
    ),
    // Whatever pictures come, it can be read on this.
    { hold: { 'background-color': '#ffffff' } }
  );
  const words = styled(
    make(
      'layer',
      'Words that stay',
      { place: '8% 50%' },
      {
        content: [
          make('heading', 'Opening heading', { text: 'What this place is', level: '2' }),
          make('text', 'Opening line', { html: '<p>One sentence that makes people stay.</p>' }),
          lightButton(make, 'Opening button', 'Go on')
        ]
      }
    ),
    {
      root: {
        padding: '24px 28px',
        color: '#ffffff',
        'background-color': '#1f362ce6',
        'border-radius': '6px'
      }
    }
  );
  return make(
    'layers',
    'Opening slider',
    {},
    { layers: [make('layer', 'Pictures that change', { width: '100%' }, { content: [pictures] }), words] }
  );
};

const quotations = (make: Make): Fragment =>
  make(
    'slider',
    'Quotations',
    { plays: true, rest: 5, ends: 'rewind', arrows: false },
    {
      panels: ORDINALS.slice(0, 3).map((name) =>
        slideWith(
          make,
          `${name} voice`,
          make('quote', `${name} quotation`, { words: '<p>What they said of it.</p>', author: 'Who said it' })
        )
      )
    }
  );

const turningCard = (make: Make, name: string): Fragment =>
  make(
    'card',
    `${name} two-sided card`,
    { height: '200px', place: 'center' },
    {
      front: [smallHeading(make, `${name} front`, `${name} name`)],
      back: [make('text', `${name} back`, { html: '<p>What there is to know of it, in a line or two.</p>' })]
    }
  );

const turningCards = (make: Make): Fragment =>
  make(
    'slider',
    'Cards that turn',
    { visible: 3, ends: 'loop' },
    { panels: ORDINALS.map((name) => slideWith(make, `${name} card`, turningCard(make, name))) }
  );

const figures = (make: Make): Fragment =>
  make(
    'columns',
    'Four numbers',
    { shares: '1/4 1/4 1/4 1/4' },
    {
      columns: ORDINALS.slice(0, 4).map((name) =>
        make(
          'column',
          `${name} figure`,
          {},
          { content: [make('number', `${name} number`, { value: '100' })] }
        )
      )
    }
  );

/** Ready-made groups that turn, play and count. */
export const turning: readonly Template[] = [
  {
    template: 'hero-slider',
    label: 'Opening slider',
    summary: 'Pictures that fade under a heading and a button',
    words: ['hero', 'carousel', 'banner', 'pictures'],
    root: 'layers',
    category: 'block',
    build: hero
  },
  {
    template: 'quotations',
    label: 'Quotations that play',
    summary: 'Three quotations, one at a time, 5 s each, with dots',
    words: ['testimonials', 'voices', 'reviews', 'slider'],
    root: 'slider',
    category: 'block',
    build: quotations
  },
  {
    template: 'turning-cards',
    label: 'Cards that turn',
    summary: 'Five two-sided cards in a slider that goes round',
    words: ['tasting cards', 'flip', 'carousel', 'reverse'],
    root: 'slider',
    category: 'block',
    build: turningCards
  },
  {
    template: 'figures',
    label: 'Four numbers',
    summary: 'Four numbers that count up when they come into view',
    words: ['statistics', 'key figures', 'count up'],
    root: 'columns',
    category: 'block',
    build: figures
  }
];

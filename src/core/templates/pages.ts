import type { Make } from '../kinds/contract';
import type { Fragment } from '../project/types';
import { templates } from './index';
import { panelWith } from '../kinds/make';

/** A page to start from; once made it is pieces like any other. */
export interface Skeleton {
  readonly skeleton: string;
  readonly label: string;
  /** What it is for, in a few words. */
  readonly summary: string;
  /** @returns the page with everything in it. */
  build(make: Make): Fragment;
}

const ready = (make: Make, name: string): Fragment => {
  const template = templates.find((each) => each.template === name);
  if (!template) throw new Error(`skeleton: no template ${JSON.stringify(name)}`);
  return template.build(make);
};

const pageOf = (make: Make, sections: readonly Fragment[]): Fragment =>
  make('page', 'Page', {}, { sections });

const band = (make: Make, name: string, anchor: string, content: readonly Fragment[]): Fragment =>
  make('section', name, { anchor }, { content });

const title = (make: Make, text: string): Fragment => make('heading', text, { text, level: '2' });

const tabs = (make: Make): Fragment =>
  make(
    'tabs',
    'Tabs',
    {},
    {
      panels: ['Before', 'On the day', 'Afterwards'].map((name) => panel(make, name))
    }
  );

function panel(make: Make, name: string): Fragment {
  return panelWith(make, name, `What people want to know: ${name.toLowerCase()}.`);
}

/** The page everything starts from: one section with nothing in it. */
export const emptyPage = (make: Make): Fragment =>
  pageOf(make, [make('section', 'First section', {}, { content: [] })]);

/** Pages to start from, in the order they are offered. */
export const skeletons: readonly Skeleton[] = [
  {
    skeleton: 'visit',
    label: 'Something to come to',
    summary: 'Header, opening, questions behind tabs, a call, footer',
    build: (make) =>
      pageOf(make, [
        ready(make, 'header'),
        ready(make, 'opening'),
        band(make, 'What to know', 'know', [title(make, 'What to know'), tabs(make)]),
        band(make, 'Call', 'come', [ready(make, 'call')]),
        ready(make, 'footer')
      ])
  },
  {
    skeleton: 'story',
    label: 'A story',
    summary: 'Opening, two pictures beside words, a quotation, footer',
    build: (make) =>
      pageOf(make, [
        ready(make, 'opening'),
        ready(make, 'beside'),
        band(make, 'Voice', 'voice', [make('quote', 'Quotation')]),
        ready(make, 'beside'),
        ready(make, 'footer')
      ])
  },
  {
    skeleton: 'overview',
    label: 'An overview',
    summary: 'Header, a heading with a line, three cards, footer',
    build: (make) =>
      pageOf(make, [
        ready(make, 'header'),
        band(make, 'Introduction', 'top', [
          make('heading', 'Title', { text: 'What there is', level: '1' }),
          make('text', 'Line', { html: '<p>One line that says for whom.</p>' })
        ]),
        band(make, 'Offers', 'offers', [title(make, 'Choose one'), ready(make, 'cards')]),
        ready(make, 'footer')
      ])
  }
];

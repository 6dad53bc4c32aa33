import type { ConditionName } from '../project/types';
import properties from 'mdn-data/css/properties.json';
import { parse, type Rule } from 'postcss';
import { describe, expect, it } from 'vitest';
import type { Command } from '../commands/commands';
import { printSite } from '../compile/page';
import { forRootSize } from './values';
import { printSnippet } from '../compile/snippet';
import { makeWith } from '../kinds/make';
import { createProject } from '../project/create';
import type { PageId, Project } from '../project/types';
import { registry } from '../whole';
import { after, id } from '../testing/project';
import { INITIAL } from './idle';

const make = makeWith({ exactIds: true });
const page = 'first' as PageId;
const addressOf = ({ file }: { readonly file: string }) => file;

/** A page of headings, with some commands done. */
function headings(names: readonly string[], ...commands: Command[]): Project {
  const content = names.map((name) => make('heading', name, { text: name }));
  const section = make('section', 'Section', {}, { content });
  return after(
    createProject('Headings', make('page', 'Page', {}, { sections: [section] }), { page }),
    ...commands
  );
}

const look = (
  node: string,
  property: string,
  value: string,
  condition: ConditionName = 'always'
): Command => ({
  type: 'set-style',
  id: node,
  part: 'root',
  state: 'rest',
  condition,
  property,
  value
});

const print = (project: Project) => printSite(registry, project, [page], { addressOf });
const blocks = (css: string, selector: string): Rule[] => {
  const found: Rule[] = [];
  parse(css).walkRules((each) => void (each.selector === selector && found.push(each)));
  return found;
};
const said = (css: string, selector: string): string => blocks(css, selector).map(String).join('\n');

describe('what pieces of a kind share', () => {
  const project = headings(['One', 'Two', 'Three'], look('two', 'font-size', '48px'));

  it('stands once, and what one has beside it under its own name', () => {
    const { css, pages } = print(project);
    expect(said(css, '.heading')).toContain('font-size: 1.75rem');
    expect(said(css, '.two')).toMatch(/^\.two \{\s+font-size: 3rem;\s+\}$/);
    expect(pages[0]!.body).toContain('<h2 class="heading">One</h2>');
    expect(pages[0]!.body).toContain('<h2 class="heading two">Two</h2>');
  });

  it('gives way under a condition to what is said there, though the piece has a class of its own', () => {
    const narrow = ['one', 'two', 'three'].map((node) => look(node, 'font-size', '20px', 'narrow'));
    const { css } = print(headings(['One', 'Two', 'Three'], look('two', 'font-size', '48px'), ...narrow));
    expect(said(css, '.two').replace(/\s+/g, ' ')).toContain(
      'font-size: 3rem; @media (width <= 640px) { font-size: 1.25rem; }'
    );
  });

  it('is not the kind’s where one of them says nothing there', () => {
    const { css } = print(
      headings(['One', 'Two', 'Three'], look('one', 'color', '#123456'), look('two', 'color', '#123456'))
    );
    expect(said(css, '.heading')).not.toContain('#123456');
    expect(css.match(/#123456/g)).toHaveLength(1);
  });

  it('has a name after what several have in common', () => {
    const level = (node: string): Command => ({ type: 'set-setting', id: node, key: 'level', value: '4' });
    const many = headings(
      ['One', 'Two', 'Three', 'Four', 'Five'],
      ...['one', 'two'].flatMap((node) => [level(node), look(node, 'font-size', '14px')])
    );
    expect(said(print(many).css, '.heading-4')).toContain('font-size: 0.875rem');
  });

  it('is written alike for a page and for a site of pages', () => {
    const one = print(project).css;
    const both = printSite(registry, project, [page, page], { addressOf });
    expect(both.css).toBe(one);
    expect(both.pages).toHaveLength(2);
  });
});

describe('names', () => {
  it('of pieces never end a comment', () => {
    const { css } = print(
      headings(
        ['One', 'Two', 'Three'],
        { type: 'rename', id: 'two', name: '*/ body { display: none } /*' },
        look('two', 'font-size', '48px')
      )
    );
    expect(blocks(css, 'body')).toEqual([]);
    expect(css).toContain('* / body');
  });

  it('of a piece that is called like its kind stay apart', () => {
    const { css } = print(headings(['Heading', 'Two', 'Three'], look('heading', 'font-size', '48px')));
    expect(said(css, '.heading-2')).toContain('font-size: 3rem');
    expect(said(css, '.heading')).not.toContain('3rem');
  });

  it('of a piece that is called as icons are stay apart', () => {
    const { css } = print(headings(['Symbol', 'Two', 'Three'], look('symbol', 'font-size', '48px')));
    expect(said(css, '.symbol')).toBe('');
    expect(said(css, '.symbol-2')).toContain('font-size: 3rem');
  });

  it('stand for what several places say', () => {
    const hovered = { ...look('one', 'color', '#f4ebd8'), state: 'hover' } as Command;
    const { css } = print(
      headings(
        ['One'],
        look('one', 'background-color', '#f4ebd8'),
        hovered,
        look('one', 'color', '#f4ebd8', 'narrow')
      )
    );
    expect(css).toMatch(/:root \{\s+--[a-z]+: #f4ebd8;/);
    expect(css.match(/#f4ebd8/g)).toHaveLength(1);
  });
});

describe('what changes nothing', () => {
  const published = properties as unknown as Readonly<
    Record<string, { readonly initial: string | readonly string[] }>
  >;

  it.each(Object.entries(INITIAL))('%s starts as %s, as MDN’s data say', (property, value) => {
    const { initial } = published[property]!;
    // Of a shorthand the data name its parts; one of them starts as the shorthand is written.
    const isShorthand = typeof initial !== 'string';
    const words = (isShorthand ? initial.map((each) => String(published[each]!.initial)) : [initial]).flatMap(
      (each) => each.split(' ')
    );
    expect(new Set(isShorthand ? words.filter((each) => each === value) : words)).toEqual(new Set([value]));
  });

  it('is left out of a page, and of a snippet, which starts from the browser’s own style sheet', () => {
    const section = make(
      'section',
      'Section',
      {},
      { content: [make('button', 'Go', { label: 'Go', href: '#go' })] }
    );
    const project = createProject('Button', make('page', 'Page', {}, { sections: [section] }), { page });
    expect(said(print(project).css, '.button')).not.toContain('cursor');
    const { css } = printSnippet(registry, project, id('go'), { addressOf });
    expect(css).not.toContain('cursor');
    expect(css).toContain('all: revert');
  });

  it('is no movement of what never changes', () => {
    const change = 'color 200ms ease, opacity 200ms ease, translate 200ms ease';
    const moved = (state: string, property: string, value: string) =>
      ({
        ...look('one', property, value),
        state
      }) as Command;
    const { css } = print(
      headings(
        ['One'],
        look('one', 'transition', change),
        look('one', 'color', '#111111'),
        moved('hover', 'color', '#222222')
      )
    );
    expect(css).toMatch(/transition: color 200ms;/);
  });

  it('a transition of what a state alone says is kept: without the state it is the initial value', () => {
    const { css } = print(
      headings(['One'], look('one', 'transition', 'opacity 200ms, rotate 200ms'), {
        ...look('one', 'opacity', '0.5'),
        state: 'hover'
      } as Command)
    );
    expect(css).toMatch(/transition: opacity 200ms;/);
  });
});

describe('what fills its place', () => {
  const stacked = (settings: Record<string, string>) => {
    const stack = make('stack', 'Pieces', settings, { content: [registry.kindOf('tabs').create(make)] });
    return headings([], {
      type: 'insert',
      fragment: stack,
      at: { parent: id('section'), slot: 'content', index: 0 }
    });
  };

  it('says so where a stack draws together what is in it, and nowhere else', () => {
    const { css } = print(stacked({ align: 'center' }));
    expect(said(css, '.tabs')).toContain('align-self: var(--k-fill, auto)');
    expect(said(css, '.stack')).toContain('--k-fill: stretch');
    expect(print(stacked({})).css).not.toContain('--k-fill');
    expect(print(stacked({ flow: 'row', align: 'center' })).css).not.toContain('--k-fill');
  });
});

describe('lengths in rem', () => {
  it('are as large on a page with another root size; names, texts and media queries stay', () => {
    const css = [
      '@media (width < 40rem) {',
      '  .a { margin: 1.5rem calc(2rem + 4px); --gap-2rem: .5rem; }',
      '  .b::before { content: "2rem"; width: 3remote; }',
      '}'
    ].join('\n');
    expect(forRootSize(css, 16)).toBe(css);
    expect(forRootSize(css, 10).split('\n')).toEqual([
      '@media (width < 40rem) {',
      '  .a { margin: 2.4rem calc(3.2rem + 4px); --gap-2rem: 0.8rem; }',
      '  .b::before { content: "2rem"; width: 3remote; }',
      '}'
    ]);
  });
});

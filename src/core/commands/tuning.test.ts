import type { Token } from '../project/types';
import { describe, expect, it } from 'vitest';
import { trackOf } from '../motion/track';
import { printPage } from '../compile/page';
import { settingsAt } from '../compile/context';
import { resolve } from '../cascade/resolve';
import type { ConditionName, PageId, Project, StateName, TokenId } from '../project/types';
import { registry } from '../whole';
import { after, id, refusedWith, sampleProject } from '../testing/project';
import { makeWith } from '../kinds/make';
import { alikeOf } from '../project/alike';
import { apply } from './apply';
import type { Command } from './commands';
import { readProjectFile, writeProjectFile } from '../formats/project-file';
import { restoreCommands } from './restore';
import { usesOf } from './token-uses';
import { equalCells } from './tokens';

const set = (key: string, value: unknown, condition?: ConditionName): Command => ({
  type: 'set-setting',
  id: 'tabs',
  key,
  value,
  condition: condition ?? 'always'
});
const style = (
  part: string,
  state: StateName,
  property: string,
  value: string | null,
  condition: ConditionName = 'always',
  node = 'tabs'
): Command => ({ type: 'set-style', id: node, part, state, condition, property, value });
const token = (name: string, value: string, type: Token['type'] = 'colour'): Command => ({
  type: 'set-token',
  token: { id: name, name, type, value }
});
const refused = (command: Command, project = sampleProject()) =>
  refusedWith(apply(registry, project, command));
const css = (project: Project) =>
  printPage(registry, project, 'first' as PageId, { addressOf: (asset) => asset.file }).css;

describe('settings under a condition', () => {
  const at = (project: Project, condition: ConditionName) =>
    settingsAt(registry.kindOf('tabs'), project.nodes[id('tabs')]!, condition);

  it('differ there only, and a narrower band keeps what a wider one says', () => {
    const project = after(sampleProject(), set('side', 'left', 'medium'), set('align', 'end', 'narrow'));
    expect(at(project, 'always')).toMatchObject({ side: 'top', align: 'start' });
    expect(at(project, 'medium')).toMatchObject({ side: 'left', align: 'start' });
    expect(at(project, 'narrow')).toMatchObject({ side: 'left', align: 'end' });
    expect(at(project, 'touch')).toMatchObject({ side: 'top', align: 'start' });
    expect(at(project, 'print')).toMatchObject({ form: 'open' });
  });

  it('print only what comes out differently there', () => {
    const text = css(after(sampleProject(), set('side', 'left', 'medium')));
    const band = /@media[^{]*\(width <= 960px\)[^{]* \{\s*\.tabs \{([^}]*)\}/.exec(text)![1]!;
    expect(band).toContain('flex-direction: row');
    expect(band).not.toContain('display');
  });

  it('are taken back, and leave nothing behind', () => {
    const project = sampleProject();
    const back = after(project, set('side', 'left', 'medium'), {
      type: 'clear-setting',
      id: 'tabs',
      key: 'side',
      condition: 'medium'
    });
    expect(back.nodes[id('tabs')]!.adapt).toEqual({});
    const base = after(project, set('side', 'left'), { type: 'clear-setting', id: 'tabs', key: 'side' });
    expect(base.nodes[id('tabs')]!.settings).toEqual(project.nodes[id('tabs')]!.settings);
  });

  it('are refused where nothing can differ, with the reason', () => {
    expect(refused(set('level', '2', 'narrow'))).toBe('not-responsive');
    expect(refused(set('form', 'tabs', 'print'))).toBe('fixed-there');
    expect(refused(set('enter', trackOf({ ms: 40_000 })))).toBe('bad-setting');
    expect(refused(set('enter', trackOf({ easing: 'spring(1)' })))).toBe('bad-setting');
    expect(refused(set('enter', trackOf({ form: 'explode' })))).toBe('bad-setting');
    expect(refused(set('foldUnder', -40))).toBe('bad-setting');
    expect(refused({ type: 'set-bands', medium: 500, narrow: 700 })).toBe('band-order');
  });

  it('the same value again changes nothing', () => {
    const project = after(sampleProject(), set('enter', trackOf({ ms: 300 })), set('side', 'left', 'medium'));
    for (const command of [
      set('enter', trackOf({ ms: 300 })),
      set('side', 'left', 'medium'),
      { type: 'clear-setting', id: 'tabs', key: 'align' }
    ]) {
      const outcome = apply(registry, project, command as Command);
      expect(outcome.ok && outcome.project).toBe(project);
    }
  });
});

describe('tokens', () => {
  const leafed = after(
    sampleProject(),
    token('leaf', '#0b6a5f'),
    token('shade', '{leaf}'),
    style('tab', 'rest', 'color', '{shade}')
  );

  it('are resolved through each other, and leave as custom properties that are used', () => {
    const resolved = resolve(registry, leafed, { node: id('tabs'), part: 'tab' }).get('color')!;
    expect(resolved).toMatchObject({ value: '#0b6a5f', written: '{shade}', token: 'shade' });
    const text = css(after(leafed, token('unused', '#ff0000')));
    expect(text).toMatch(/:root \{\s+--leaf: #0b6a5f;\s+--shade: var\(--leaf\);/);
    expect(text).toContain('color: var(--shade)');
    expect(text).not.toContain('--unused');
  });

  it('say where they are used, and are not deleted there', () => {
    expect(usesOf(registry, leafed, 'leaf' as never).map(({ where }) => where)).toEqual(['the token shade']);
    expect(usesOf(registry, leafed, 'shade' as never).map(({ where }) => where)).toEqual([
      'text of Tabs, tab'
    ]);
    const cell = { part: 'tab', state: 'hover', condition: 'narrow', property: 'color' } as const;
    const under = after(leafed, { type: 'set-style', id: id('tabs'), ...cell, value: '{shade}' });
    expect(usesOf(registry, under, 'shade' as never).at(-1)).toEqual({
      kind: 'cell',
      id: 'tabs',
      ...cell,
      where: 'text of Tabs, tab on hover (narrow)',
      isOnShelf: false
    });
    expect(refused({ type: 'remove-token', id: 'shade' }, leafed)).toBe('token-in-use');
    expect(refused({ type: 'remove-token', id: 'gone' }, leafed)).toBe('no-such-token');
  });

  it('stand in settings that take CSS, and are checked there by what they stand for', () => {
    const tall = token('tall', '480px', 'length');
    const set = (key: string, value: string): Command => ({ type: 'set-setting', id: 'section', key, value });
    const project = after(leafed, tall, set('height', '{tall}'));
    expect(css(project)).toContain('min-height: var(--tall)');
    expect(css(project)).toContain('--tall: 480px');
    expect(usesOf(registry, project, 'tall' as never).map(({ where }) => where)).toEqual([
      'least height of Section'
    ]);
    expect(refused({ type: 'remove-token', id: 'tall' }, project)).toBe('token-in-use');
    expect(refused(set('height', '{leaf}'), project)).toBe('bad-setting');
    expect(refused(set('height', '{nowhere}'), project)).toBe('bad-setting');
    const opened = readProjectFile(registry, writeProjectFile(project, new Map()));
    expect(opened.ok && opened.project.nodes[id('section')]!.settings.height).toBe('{tall}');
  });

  it('of a type style give five cells a value each, and follow as one', () => {
    const heading =
      'font-family: {face}; font-size: 32px; font-weight: 600; line-height: 1.25; letter-spacing: 0.01em';
    const members = ['font-family', 'font-size', 'font-weight', 'line-height', 'letter-spacing'] as const;
    const styled = after(
      sampleProject(),
      token('face', 'Georgia, serif', 'typeface'),
      token('heading', heading, 'type-style'),
      ...members.map((member) => style('tab', 'rest', member, `{heading.${member}}`))
    );
    const size = (project: Project) =>
      resolve(registry, project, { node: id('tabs'), part: 'tab', state: 'rest' }).get('font-size');
    expect(size(styled)).toMatchObject({ value: '32px', token: 'heading' });
    expect(css(styled)).toMatch(/--heading_font-family: var\(--face\);\s+--heading_font-size: 32px;/);
    expect(css(styled)).toContain('font-size: var(--heading_font-size);');
    expect(size(after(styled, token('heading', heading.replace('32px', '2rem'), 'type-style')))!.value).toBe(
      '2rem'
    );
    expect(usesOf(registry, styled, 'heading' as TokenId).map(({ where }) => where)).toHaveLength(5);
    const fault = (command: Command) =>
      (({ refusal }: { refusal?: { sentence: string } }) => refusal?.sentence)(
        apply(registry, styled, command) as never
      );
    expect(fault(token('heading', 'font-size: 12px', 'type-style'))).toBe(
      'The type style has no font-family and no font-weight and no line-height and no letter-spacing.'
    );
    expect(fault(token('heading', heading.replace('600', 'fat'), 'type-style'))).toMatch(
      /“fat” is not a value of font-weight/
    );
    expect(fault(token('heading', `${heading}; color: red`, 'type-style'))).toMatch(
      /“color: red” is none of them/
    );
    expect(fault(token('heading', heading.replace('32px', '{heading.font-size}'), 'type-style'))).toMatch(
      /name each other in a ring/
    );
    expect(fault(style('tab', 'rest', 'font-size', '{heading}'))).toMatch(/taken as \{heading.font-size\}/);
    expect(fault(style('tab', 'rest', 'font-size', '{face.font-size}'))).toMatch(/is no type style/);
    expect(fault(style('tab', 'rest', 'font-size', '{heading.font-weight}'))).toMatch(
      /not a value of font-size/
    );
  });

  it('of a type style are found where all five values are written out', () => {
    const values = {
      'font-family': 'Georgia, serif',
      'font-size': '32px',
      'font-weight': '600',
      'line-height': '1.25',
      'letter-spacing': '0'
    };
    const heading = {
      id: 'heading' as TokenId,
      name: 'Heading',
      type: 'type-style' as const,
      value: Object.entries(values)
        .map((each) => each.join(': '))
        .join('; ')
    };
    const written = after(
      sampleProject(),
      { type: 'set-token', token: heading },
      ...Object.entries(values).map(([property, value]) => style('tab', 'rest', property, value))
    );
    expect(equalCells(written, heading).map(({ use }) => use)).toEqual(
      Object.keys(values).map((member) => `{heading.${member}}`)
    );
    expect(equalCells(after(written, style('tab', 'rest', 'font-size', '30px')), heading)).toEqual([]);
  });

  it('in a ring, of the wrong type, without a name or with another’s are refused', () => {
    expect(refused(token('leaf', '{shade}'), leafed)).toBe('bad-value');
    expect(refused(token('wide', '12px'), leafed)).toBe('bad-value');
    expect(
      refused(
        { type: 'set-token', token: { id: 'leaf-2', name: 'leaf', type: 'colour', value: '#fff' } },
        leafed
      )
    ).toBe('name-in-use');
    expect(
      refused({ type: 'set-token', token: { id: 'k-own', name: 'x', type: 'colour', value: '#fff' } })
    ).toBe('bad-id');
    expect(refused(style('tab', 'rest', 'color', '{nowhere}'), leafed)).toBe('bad-value');
    expect(refused(style('tab', 'rest', 'padding', '{leaf}'), leafed)).toBe('bad-value');
  });

  it('for easing may be a spring, which leaves as linear()', () => {
    const project = after(
      sampleProject(),
      token('settle', 'spring(0.1)', 'easing'),
      style('tab', 'rest', 'transition', 'color 200ms {settle}')
    );
    expect(css(project)).toMatch(/--settle: linear\(0, /);
    expect(css(project)).not.toContain('spring(');
  });
});

describe('copying a look', () => {
  const tuned = after(
    sampleProject(),
    style('tab', 'hover', 'color', '#123456'),
    style('tab', 'rest', 'padding', '3px', 'narrow')
  );

  it('of a part takes every state and condition, and what the target had goes', () => {
    const project = after(tuned, style('header', 'rest', 'opacity', '0.5'), {
      type: 'copy-look',
      from: { id: 'tabs', part: 'tab' },
      to: [{ id: 'tabs', part: 'header' }]
    });
    const of = (part: string, state: StateName, conditions: readonly ConditionName[] = []) =>
      resolve(registry, project, { node: id('tabs'), part, state, conditions });
    for (const property of ['color', 'padding', 'background-color', 'border-radius', 'opacity']) {
      for (const state of ['rest', 'hover', 'selected'] as const)
        expect(of('header', state).get(property)!.value).toBe(of('tab', state).get(property)!.value);
      expect(of('header', 'rest', ['medium', 'narrow']).get(property)!.value).toBe(
        of('tab', 'rest', ['medium', 'narrow']).get(property)!.value
      );
    }
  });

  it('of a state goes to a state, of the same part or another', () => {
    const project = after(tuned, {
      type: 'copy-look',
      from: { id: 'tabs', part: 'tab', state: 'hover' },
      to: [{ id: 'tabs', part: 'tab', state: 'focus' }]
    });
    expect(
      resolve(registry, project, { node: id('tabs'), part: 'tab', state: 'focus' }).get('color')!.value
    ).toBe('#123456');
    expect(
      refused({
        type: 'copy-look',
        from: { id: 'tabs', part: 'tab', state: 'hover' },
        to: [{ id: 'tabs', part: 'tab' }]
      })
    ).toBe('state-or-part');
    expect(
      refused({
        type: 'copy-look',
        from: { id: 'tabs', part: 'tab', state: 'hover' },
        to: [{ id: 'tabs', part: 'list', state: 'pressed' }]
      })
    ).toBe('no-such-state');
    expect(
      refused({ type: 'copy-look', from: { id: 'gone', part: 'tab' }, to: [{ id: 'tabs', part: 'tab' }] })
    ).toBe('no-such-node');
  });
});

describe('taking a kept setting back', () => {
  it('sets, adapts and tunes a piece as it was, and leaves the rest alone', () => {
    const then = after(
      sampleProject(),
      set('side', 'left'),
      set('align', 'end', 'narrow'),
      style('tab', 'rest', 'color', '#111111')
    );
    const now = after(
      then,
      set('side', 'right'),
      set('equal', true, 'medium'),
      { type: 'clear-setting', id: 'tabs', key: 'align', condition: 'narrow' },
      style('tab', 'rest', 'color', null),
      style('panel', 'rest', 'gap', '3px'),
      { type: 'rename', id: 'heading', name: 'Other' }
    );
    const back = after(now, {
      type: 'batch',
      label: 'back',
      commands: restoreCommands(now.nodes[id('tabs')]!, then.nodes[id('tabs')]!)
    });
    const { settings, adapt, styles } = back.nodes[id('tabs')]!;
    expect({ settings, adapt, styles }).toEqual({
      settings: then.nodes[id('tabs')]!.settings,
      adapt: then.nodes[id('tabs')]!.adapt,
      styles: then.nodes[id('tabs')]!.styles
    });
    expect(back.nodes[id('heading')]!.name).toBe('Other');
  });
});

describe('looks of many', () => {
  const make = makeWith({ exactIds: true });
  const card = (n: number) =>
    make(
      'column',
      `Side ${n}`,
      {},
      {
        content: [
          make(
            'stack',
            `Card ${n}`,
            {},
            { content: [make('heading', `Title ${n}`, { text: 'A', level: '2' })] }
          )
        ]
      }
    );
  const cards = after(sampleProject(), {
    type: 'insert',
    fragment: make('columns', 'Cards', {}, { columns: [card(1), card(2), card(3)] }),
    at: { parent: 'section', slot: 'content', index: 1 }
  });
  const style = (node: string, property: string, value: string, state: StateName = 'rest'): Command => ({
    type: 'set-style',
    id: node,
    part: 'root',
    state,
    condition: 'always',
    property,
    value
  });

  it('what stands in the same place of its neighbours is alike, however deep', () => {
    expect(alikeOf(cards, id('card-1'))).toEqual(['card-2', 'card-3']);
    expect(alikeOf(cards, id('title-2'))).toEqual(['title-1', 'title-3']);
    expect(alikeOf(cards, id('side-3'))).toEqual(['side-1', 'side-2']);
    expect(alikeOf(cards, id('tabs'))).toEqual([]);
  });

  it('a card’s look goes to the other cards with all that is in them, and nothing else does', () => {
    const tuned = after(
      cards,
      style('card-1', 'padding', '20px'),
      style('card-1', 'background-color', '#eeeeee', 'hover'),
      style('title-1', 'color', '#204020'),
      style('card-2', 'padding', '4px')
    );
    const given = after(tuned, { type: 'give-look', id: 'card-1', to: ['card-2', 'card-3'] });
    for (const n of [2, 3]) {
      expect(given.nodes[id(`card-${n}`)]!.styles).toEqual(tuned.nodes[id('card-1')]!.styles);
      expect(given.nodes[id(`title-${n}`)]!.styles.root!.rest!.always).toEqual({ color: '#204020' });
      expect(given.nodes[id(`title-${n}`)]!.settings).toEqual(tuned.nodes[id(`title-${n}`)]!.settings);
    }
    expect(refused({ type: 'give-look', id: 'card-1', to: ['tabs'] }, cards)).toBe('other-kind');
  });

  it('fills alternate down a run of sections', () => {
    const band = (n: number): Command => ({
      type: 'insert',
      fragment: make('section', `Band ${n}`, {}, { content: [] }),
      at: { parent: 'page', slot: 'sections', index: 1 }
    });
    const many = after(
      sampleProject(),
      band(3),
      band(2),
      band(1),
      style('section', 'background-color', '#111111'),
      style('band-1', 'background-color', '#222222')
    );
    const fills = (project: Project, ids: readonly string[]) =>
      ids.map((each) => project.nodes[id(each)]!.styles.root?.rest?.always?.['background-color']);
    const run = ['section', 'band-1', 'band-2', 'band-3'];
    expect(fills(after(many, { type: 'alternate-fills', ids: run }), run)).toEqual([
      '#111111',
      '#222222',
      '#111111',
      '#222222'
    ]);
    expect(refused({ type: 'alternate-fills', ids: run.slice(0, 2) }, many)).toBe('too-few');
  });
});

describe('values that equal a token', () => {
  it('are found where the cell takes what the token is, and nowhere else', () => {
    const project = after(
      sampleProject(),
      token('leaf', '#0B6A5F'),
      token('half', '0.5', 'number'),
      style('tab', 'rest', 'color', '#0b6a5f'),
      style('tab', 'hover', 'background-color', '#0b6a5e'),
      style('panel', 'rest', 'opacity', '0.5')
    );
    expect(equalCells(project, project.tokens['leaf' as never]!)).toEqual([
      { id: 'tabs', part: 'tab', state: 'rest', condition: 'always', property: 'color', use: '{leaf}' }
    ]);
    expect(equalCells(project, project.tokens['half' as never]!)).toMatchObject([
      { part: 'panel', property: 'opacity' }
    ]);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { textContrast } from '../cascade/contrast';
import { statesOf } from '../cascade/states';
import { makeDemo } from '../../../demo/make';
import { makeWith } from '../kinds/make';
import { apply } from '../commands/apply';
import type { Command } from '../commands/commands';
import { registry } from '../whole';
import { after, id, sampleProject, styled as style } from '../testing/project';
import { templates } from '../templates';
import { trackOf } from '../motion/track';
import { splitAside, NO_FACTS, type Facts, type Fit } from '../kinds/finding';
import type { Project } from '../project/types';
import { createFindingsRunner, runFindings } from './run';

const make = makeWith({ exactIds: true });
const put = (fragment: object, parent = 'left') =>
  ({
    type: 'insert',
    fragment,
    at: { parent, slot: 'content', index: 0 }
  }) as Command;
const found = (...commands: Command[]) =>
  runFindings(registry, after(sampleProject(), ...commands)).map(({ rule, node, severity }) => ({
    rule,
    node,
    severity
  }));

describe('findings', () => {
  it('has nothing to say about the demo', () => {
    expect(runFindings(registry, makeDemo().project)).toEqual([]);
  });

  it('sees each fault, and stops seeing it when it is mended', () => {
    const grey = {
      type: 'set-style',
      id: 'heading',
      part: 'root',
      state: 'rest',
      condition: 'always',
      property: 'color',
      value: '#999999'
    } as Command;
    expect(found()).toEqual([]);
    expect(found(grey)).toEqual([{ rule: 'text-contrast', node: 'heading', severity: 'error' }]);
    expect(found(grey, { ...grey, value: '#757575' } as Command)).toEqual([]);
    expect(found({ type: 'remove', ids: ['text-two'] })).toEqual([
      { rule: 'empty-panel', node: 'tabs', severity: 'warning' }
    ]);
    expect(found(put(make('button', 'Go', { href: '#nowhere' })))).toEqual([
      { rule: 'dead-link', node: 'go', severity: 'warning' }
    ]);
    expect(
      found(put(make('button', 'Go', { href: '#top' })), {
        type: 'set-setting',
        id: 'section',
        key: 'anchor',
        value: 'top'
      })
    ).toEqual([]);
    expect(found(put(make('text', 'Words', { html: '<p><a href="#">x</a></p>' })))).toEqual([
      { rule: 'dead-link', node: 'words', severity: 'warning' }
    ]);
  });

  it('does not judge a part that is not drawn', () => {
    const dark = {
      type: 'set-style',
      id: 'text-one',
      part: 'link',
      state: 'rest',
      condition: 'always',
      property: 'color',
      value: '#eeeeee'
    } as Command;
    expect(found(dark)).toEqual([]);
  });

  it('offers fixes that really mend', () => {
    for (const command of [
      { type: 'remove', ids: ['text-two'] },
      {
        type: 'set-style',
        id: 'tabs',
        part: 'tab',
        state: 'focus',
        condition: 'always',
        property: 'outline',
        value: '2px solid rgb(240 240 240)'
      },
      {
        type: 'batch',
        label: '',
        commands: [
          ['background-color', '#f1eee6'],
          ['color', '#3b444a']
        ].map(
          ([property, value]) =>
            ({
              type: 'set-style',
              id: 'tabs',
              part: 'tab',
              state: 'hover',
              condition: 'always',
              property,
              value
            }) as Command
        )
      },
      {
        type: 'batch',
        label: '',
        commands: ['one', 'two'].map(
          (id) => ({ type: 'set-setting', id, key: 'disabled', value: true }) as Command
        )
      }
    ]) {
      const project = after(sampleProject(), command as Command);
      const [finding] = runFindings(registry, project);
      expect(finding!.fix!.label).toMatch(/^[A-Z].{5,}/);
      const outcome = apply(registry, project, {
        type: 'batch',
        label: finding!.fix!.label,
        commands: finding!.fix!.commands as Command[]
      });
      expect(
        outcome.ok && runFindings(registry, outcome.project).filter((each) => each.rule === finding!.rule)
      ).toEqual([]);
    }
  });

  const fit = (values: Partial<Fit>): Facts => ({
    ...NO_FACTS,
    fits: new Map([
      [id('tabs'), { needed: 500, available: 700, viewport: 800, heights: [100, 100], ...values }]
    ])
  });
  const measured = (facts: Facts, ...commands: Command[]) =>
    runFindings(registry, after(sampleProject(), ...commands), facts).map(({ rule, number }) => ({
      rule,
      number
    }));

  it('sees what was measured: labels that wrap, panels that jump, targets that are too small', () => {
    expect(measured(fit({}))).toEqual([]);
    expect(measured(fit({ needed: 600 }))).toEqual([{ rule: 'labels-wrap', number: '700 px' }]);
    expect(measured(fit({ needed: 600, from: 712 }))).toEqual([{ rule: 'labels-wrap', number: '712 px' }]);
    expect(measured(fit({ needed: 600, from: null }))).toEqual([{ rule: 'labels-wrap', number: '600 px' }]);
    // By one measurement they would need a window of 1,921 px, wider than any that is looked at.
    expect(measured(fit({ needed: 1821 }))).toEqual([{ rule: 'labels-wrap', number: '1821 px' }]);
    expect(measured(fit({ needed: 1820 }))).toEqual([{ rule: 'labels-wrap', number: '1920 px' }]);
    expect(
      measured(fit({ needed: 600 }), { type: 'set-setting', id: 'tabs', key: 'foldUnder', value: 700 })
    ).toEqual([]);
    expect(measured(fit({ heights: [100, 196] }))).toEqual([{ rule: 'panel-height-jump', number: '96 px' }]);
    expect(
      measured(fit({ heights: [100, 196] }), { type: 'set-setting', id: 'tabs', key: 'equal', value: true })
    ).toEqual([]);
    expect(measured(fit({ target: 22 }))).toEqual([{ rule: 'small-target', number: '22 px' }]);
  });

  it('sees faint changes, weak rings, skipped levels, twin anchors, old labels, words that run the other way, and a bustle', () => {
    const style = (part: string, state: string, property: string, value: string, condition = 'always') =>
      ({
        type: 'set-style',
        id: 'tabs',
        part,
        state,
        condition,
        property,
        value
      }) as Command;
    const rules = (...commands: Command[]) => found(...commands).map(({ rule }) => rule);
    expect(
      rules(style('tab', 'hover', 'background-color', '#f1eee6'), style('tab', 'hover', 'color', '#3b444a'))
    ).toEqual(['faint-change']);
    expect(rules(style('tab', 'focus', 'outline', '2px solid #eeeeee'))).toEqual(['ring-contrast']);
    expect(rules(style('tab', 'rest', 'color', '#dddddd', 'narrow'))).toEqual(['text-contrast']);
    expect(rules(put(make('heading', 'Deep', { level: '4' })))).toEqual(['heading-order']);
    expect(rules(put(make('heading', 'Again', { level: '1' })))).toEqual(['heading-order']);
    expect(
      rules(
        { type: 'duplicate', ids: ['section'] },
        { type: 'set-setting', id: 'section', key: 'anchor', value: 'tabs' }
      )
    ).toContain('duplicate-anchor');
    expect(rules({ type: 'rename', id: 'one', name: 'Panel 3' })).toEqual(['placeholder-label']);
    expect(rules({ type: 'rename', id: 'one', name: 'שלום' })).toEqual(['label-direction']);
    const track = (key: string, step = 0) =>
      ({
        type: 'set-setting',
        id: 'tabs',
        key,
        value: trackOf({ form: key === 'height' ? 'grow' : 'fade', ms: 300, step })
      }) as Command;
    expect(rules(track('out'), track('enter'), track('rise', 20))).toEqual(['many-movements']);
    expect(rules(style('tab', 'rest', 'transition', 'padding 200ms, color 100ms'))).toEqual([
      'layout-motion'
    ]);
  });

  it('sees words that can be read in each of two states, and not where both hold', () => {
    const styled = (state: string, property: string, value: string) =>
      style('ask', 'header', state, property, value);
    const panel = make('panel', 'Where', {}, { content: [make('text', 'Words', { html: '<p>Here.</p>' })] });
    const ask = put(make('accordion', 'Ask', {}, { panels: [panel] }));
    const contrasts = (project: Project) =>
      runFindings(registry, project).filter(({ rule }) => rule === 'text-contrast');
    expect(
      contrasts(after(sampleProject(), ask, styled('hover', 'background-color', '#9fb8a8')))
    ).toMatchObject([{ sentence: 'The header of Ask cannot be read well on open and hover: 3.1 : 1' }]);
    expect(contrasts(after(sampleProject(), ask, styled('open', 'color', '#1f262a')))).toEqual([]);
    const both = [styled('hover', 'background-color', '#9fb8a8'), styled('open', 'color', '#1f262a')];
    expect(contrasts(after(sampleProject(), ask, ...both))).toEqual([]);
  });

  it('sees the current link under the pointer, where the ground of one state takes the words of the other', () => {
    const styled = (state: string, property: string, value: string) =>
      style('ways', 'link', state, property, value);
    const link = make('link', 'Here', { label: 'Here', href: '#here' });
    const ways = put(make('links', 'Ways', {}, { links: [link] }));
    const contrasts = (...more: Command[]) =>
      runFindings(registry, after(sampleProject(), ways, ...more)).filter(
        ({ rule }) => rule === 'text-contrast'
      );
    const hover = [styled('hover', 'background-color', '#063f39'), styled('hover', 'color', '#ffffff')];
    const current = styled('selected', 'color', '#0b6a5f');
    expect(contrasts(...hover)).toEqual([]);
    expect(contrasts(current)).toEqual([]);
    expect(contrasts(...hover, current)).toMatchObject([
      { sentence: 'The link of Ways cannot be read well on selected and hover: 1.8 : 1' }
    ]);
    expect(contrasts(...hover, current, styled('selected-hover', 'color', '#ffffff'))).toEqual([]);
  });

  it('tells of every state, under every condition of a window, in which words cannot be read', () => {
    const colours = fc.constantFrom('#ffffff', '#d9e3c4', '#8a8578', '#7a2f16', '#1f262a');
    const styled = fc.record({
      state: fc.constantFrom('rest', 'hover', 'pressed', 'selected', 'selected-hover'),
      condition: fc.constantFrom('always', 'medium', 'narrow', 'touch'),
      property: fc.constantFrom('color', 'background-color'),
      value: colours
    });
    const kind = registry.kindOf('tabs');
    fc.assert(
      fc.property(fc.array(styled, { minLength: 1, maxLength: 8 }), (looks) => {
        const commands = looks.map((look) => ({ type: 'set-style', id: 'tabs', part: 'tab', ...look }));
        const project = after(sampleProject(), ...(commands as Command[]));
        const told = new Set(
          runFindings(registry, project)
            .filter(({ rule, part }) => rule === 'text-contrast' && part === 'tab')
            .map(({ number }) => number)
        );
        for (const state of statesOf(kind).filter((each) => each !== 'disabled'))
          for (const conditions of [[], ['medium'], ['medium', 'narrow'], ['touch']] as const) {
            const ratio = textContrast(registry, project, {
              node: id('tabs'),
              part: 'tab',
              state,
              conditions
            });
            if (ratio!.least < 4.5) expect(told).toContain(`${ratio!.least.toFixed(1)} : 1`);
          }
      }),
      { numRuns: 60 }
    );
  });

  describe('words on what is in a state', () => {
    const words = (name: string) => make('text', name, { html: `<p>${name}.</p>` });
    const contrasts = (project: Project) =>
      runFindings(registry, project).filter(({ rule }) => rule === 'text-contrast');
    const sentences = (project: Project) => contrasts(project).map(({ sentence }) => sentence);
    const mended = (project: Project) =>
      contrasts(project).reduce((now, { fix }) => after(now, ...(fix!.commands as Command[])), project);

    it('are read on the ground of a box that is pointed at, and take their colour from there', () => {
      const box = put(make('stack', 'Box', {}, { content: [words('Here')] }));
      const dark = style('box', 'root', 'hover', 'background-color', '#22372b');
      const hovered = after(sampleProject(), box, dark);
      // Of words that take their colour from the box, the box tells once.
      expect(sentences(hovered)).toEqual([
        expect.stringMatching(/^The stack of Box cannot be read well on hover/)
      ]);
      expect(sentences(mended(hovered))).toEqual([]);
      const light = style('box', 'root', 'hover', 'color', '#ffffff');
      expect(sentences(after(sampleProject(), box, dark, light))).toEqual([]);
      // A colour of its own stays, whatever the box says.
      const own = style('here', 'root', 'rest', 'color', '#1f262a');
      const kept = after(sampleProject(), box, dark, light, own);
      expect(sentences(kept)).toEqual([
        expect.stringMatching(/^The text of Here cannot be read well on hover of Box: 1\.\d : 1$/)
      ]);
      expect(sentences(mended(kept))).toEqual([]);
    });

    it('are read on the item of an accordion as it is when it is open, since closed it does not show them', () => {
      const panel = make('panel', 'Where', {}, { content: [words('Here')] });
      const ask = put(make('accordion', 'Ask', {}, { panels: [panel] }));
      const of = (state: string, value: string) => style('ask', 'item', state, 'background-color', value);
      const here = style('here', 'root', 'rest', 'color', '#1f262a');
      const light = style('ask', 'header', 'rest', 'color', '#ffffff');
      const open = style('ask', 'header', 'open', 'color', '#1f262a');
      expect(sentences(after(sampleProject(), ask, here, of('open', '#22372b')))).toEqual([
        expect.stringContaining('The text of Here cannot be read well'),
        expect.stringContaining('The header of Ask cannot be read well on open'),
        expect.stringContaining('The header of Ask cannot be read well on open and hover')
      ]);
      // Dark while it is closed, light once it is open, and its words dark: each is read where it stands.
      const turned = [
        here,
        light,
        open,
        of('rest', '#22372b'),
        of('open', '#ffffff'),
        of('open-hover', '#ffffff')
      ];
      expect(sentences(after(sampleProject(), ask, ...turned))).toEqual([]);
    });
  });

  it('offers fixes that mend, for every rule that has one', () => {
    const cases: readonly (readonly [Command[], Facts])[] = [
      [[], fit({ needed: 600 })],
      [[], fit({ needed: 600, from: null })],
      [[], fit({ heights: [100, 196] })],
      [[put(make('heading', 'Deep', { level: '4' }))], fit({})],
      [
        [
          {
            type: 'set-style',
            id: 'tabs',
            part: 'tab',
            state: 'rest',
            condition: 'always',
            property: 'transition',
            value: 'padding 200ms, color 100ms'
          }
        ],
        fit({})
      ]
    ];
    for (const [commands, facts] of cases) {
      const project = after(sampleProject(), ...commands);
      const finding = runFindings(registry, project, facts).find(({ fix }) => fix)!;
      const outcome = apply(registry, project, {
        type: 'batch',
        label: finding.fix!.label,
        commands: finding.fix!.commands as Command[]
      });
      expect(
        outcome.ok &&
          runFindings(registry, outcome.project, facts).filter(({ rule }) => rule === finding.rule)
      ).toEqual([]);
    }
  });

  it('after an edit says the same as from scratch, having run only what the edit may change', () => {
    const runner = createFindingsRunner(registry);
    const steps: readonly Command[] = [
      {
        type: 'set-style',
        id: 'page',
        part: 'root',
        state: 'rest',
        condition: 'always',
        property: 'background-color',
        value: '#777777'
      },
      {
        type: 'set-style',
        id: 'heading',
        part: 'root',
        state: 'rest',
        condition: 'always',
        property: 'color',
        value: '#888888'
      },
      { type: 'set-setting', id: 'heading', key: 'level', value: '3' },
      { type: 'rename', id: 'two', name: 'Tab 2' },
      { type: 'duplicate', ids: ['tabs'] },
      { type: 'remove', ids: ['text-two'] },
      { type: 'set-token', token: { id: 'ink', name: 'Ink', type: 'colour', value: '#222222' } },
      {
        type: 'set-style',
        id: 'heading',
        part: 'root',
        state: 'rest',
        condition: 'always',
        property: 'color',
        value: '{ink}'
      },
      { type: 'set-token', token: { id: 'ink', name: 'Ink', type: 'colour', value: '#808080' } }
    ];
    let project = sampleProject();
    runner.run(project);
    for (const command of steps) {
      project = after(project, command);
      expect(runner.run(project)).toEqual(runFindings(registry, project));
    }
    expect(runner.run(project, fit({ heights: [10, 90] })).map(({ rule }) => rule)).toContain(
      'panel-height-jump'
    );
  });

  it('forgets what was told of a piece when that becomes another kind of piece', () => {
    const runner = createFindingsRunner(registry);
    const emptied = after(sampleProject(), { type: 'remove', ids: ['text-two'] });
    expect(runner.run(emptied).map(({ rule }) => rule)).toContain('empty-panel');
    const project = after(emptied, { type: 'swap', id: 'tabs', kind: 'slider' });
    expect(runner.run(project)).toEqual(runFindings(registry, project));
  });

  it('says the same as from scratch after a section of any page has come twice, and gone', () => {
    const runner = createFindingsRunner(registry);
    let { project } = makeDemo();
    runner.run(project);
    for (const { root } of Object.values(project.pages)) {
      const [first] = project.nodes[root]!.slots.sections!;
      for (const type of ['duplicate', 'remove'] as const) {
        project = after(project, { type, ids: [first!] });
        expect(runner.run(project)).toEqual(runFindings(registry, project));
      }
    }
  });

  it('are set aside with a reason, and counted apart', () => {
    const project = after(
      sampleProject(),
      { type: 'remove', ids: ['text-two'] },
      { type: 'set-aside', finding: 'empty-panel tabs', reason: 'Comes later' }
    );
    expect(splitAside(runFindings(registry, project), project.info.aside)).toMatchObject({
      open: [],
      aside: [{ rule: 'empty-panel', reason: 'Comes later' }]
    });
  });

  it('asks of no setting what it cannot be: what opens and closes is not made the title of its page', () => {
    const project = after(
      sampleProject(),
      { type: 'remove', ids: ['heading'] },
      { type: 'add-effect', id: 'section', effect: 'collapse' }
    );
    const [finding] = runFindings(registry, project).filter(({ rule }) => rule === 'heading-order');
    expect(finding).toMatchObject({ node: 'section', fix: null, number: 'no h1' });
  });

  it('tells of a ring that only happens to have the colour of faint words, and is mended by none of theirs', () => {
    const project = after(
      sampleProject(),
      style('tabs', 'tab', 'rest', 'background-color', '#ffffff'),
      style('tabs', 'tab', 'rest', 'color', '#eeeeee'),
      style('tabs', 'tab', 'focus', 'outline', '2px solid #eeeeee')
    );
    const rules = runFindings(registry, project).map(({ rule }) => rule);
    expect(rules).toEqual(expect.arrayContaining(['text-contrast', 'ring-contrast']));
  });

  it('puts errors first', () => {
    const all = found(
      { type: 'remove', ids: ['text-two'] },
      put(make('button', 'Go', { label: '' }), 'right')
    );
    expect(all.map((each) => each.severity)).toEqual(['error', 'warning']);
  });
});

describe('copies', () => {
  const found = (...commands: Command[]) =>
    runFindings(registry, after(sampleProject(), ...commands))
      .filter(({ rule }) => rule === 'unchanged-copy')
      .map(({ sentence }) => sentence);
  const say = (id: string, key: string, value: string): Command => ({ type: 'set-setting', id, key, value });
  const make = makeWith({ exactIds: true });
  const card = (name: string, words: string): Command => ({
    type: 'insert',
    fragment: make(
      'stack',
      name,
      {},
      {
        content: [
          make('heading', `${name} heading`, { text: words }),
          make('button', `${name} link`, { label: 'Read', href: '#a' })
        ]
      }
    ),
    at: { parent: 'section', slot: 'content', index: 99 }
  });

  it('are none where all is as it came, in any piece and any ready-made group', () => {
    const isBlock = ({ category }: { readonly category: string }) => category === 'block';
    const kinds = registry.everyKind().filter((kind) => kind.insertable && isBlock(kind));
    const fresh = [
      ...kinds.map(({ create }) => create(makeWith())),
      ...templates.filter(isBlock).map(({ build }) => build(makeWith()))
    ];
    const at = { parent: 'section', slot: 'content', index: 0 } as const;
    for (const fragment of fresh) expect(found({ type: 'insert', fragment, at })).toEqual([]);
  });

  it('whose words come from columns are no copies', () => {
    const bind = (id: string, key: string): Command => ({
      type: 'set-binding',
      id,
      key,
      binding: { column: 'name' }
    });
    const cards = [card('First card', 'Pears'), card('Second card', 'Pears')];
    const others = [say('second-card-link', 'label', 'More'), say('second-card-link', 'href', '#b')];
    expect(found(...cards, ...others)).toHaveLength(1);
    expect(found(...cards, ...others, bind('second-card-heading', 'text'))).toEqual([]);
  });

  it('that still say what the one before says are named with what is the same, and fall silent one by one', () => {
    const commands = [card('First card', 'Pears'), card('Second card', 'Pears')];
    expect(found(...commands)).toEqual([
      'Second card still says what First card says: words of Second card heading, words of Second card link, link of Second card link'
    ]);
    expect(
      found(
        ...commands,
        say('second-card-heading', 'text', 'Quinces'),
        say('second-card-link', 'label', 'Read on')
      )
    ).toEqual(['Second card still says what First card says: link of Second card link']);
    expect(
      found(
        ...commands,
        say('second-card-heading', 'text', 'Quinces'),
        say('second-card-link', 'label', 'Read on'),
        say('second-card-link', 'href', '#b')
      )
    ).toEqual([]);
  });

  it('are none where the two are built differently', () => {
    expect(
      found(card('First card', 'Pears'), card('Second card', 'Pears'), {
        type: 'remove',
        ids: ['second-card-link']
      })
    ).toEqual([]);
  });
});

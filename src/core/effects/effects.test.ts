import { NO_FACTS } from '../kinds/finding';
import { describe, expect, it } from 'vitest';
import { analyse } from '../compile/analyse';
import { printPage } from '../compile/page';
import { buildRules } from '../compile/variants';
import type { Command } from '../commands/commands';
import { apply } from '../commands/apply';
import { CONTROLS } from '../kinds/controls';
import { effectKey, effectValues } from '../kinds/effects';
import { registryWith } from '../testing/registry';
import { fieldsOf, settingsWithDefaults } from '../kinds/settings';
import { isAsShelved } from '../project/shelf';
import { nodeOf } from '../project/tree';
import type { PageId, Project, ShelfId } from '../project/types';
import { registry } from '../whole';
import { after, id, refusedWith, sampleProject } from '../testing/project';
import * as runtime from '../../runtime/index';

const add = (node: string, effect: string): Command => ({ type: 'add-effect', id: node, effect });
const take = (node: string, effect: string): Command => ({ type: 'remove-effect', id: node, effect });
const set = (node: string, key: string, value: unknown, condition = 'always'): Command =>
  ({ type: 'set-setting', id: node, key, value, condition }) as Command;

const css = (project: Project): string =>
  printPage(registry, project, 'first' as PageId, { addressOf: () => '' }).css.replace(/\s+/g, ' ');

describe('effects', () => {
  it('are composed into the kind of a piece, which is the same object for the same effects', () => {
    const project = after(sampleProject(), add('left', 'sticky'), add('right', 'sticky'));
    const [left, right] = [
      registry.of(nodeOf(project, id('left'))),
      registry.of(nodeOf(project, id('right')))
    ];
    expect(left).toBe(right);
    expect(left).not.toBe(registry.kindOf('column'));
    expect(Object.keys(left.settings.fields)).toContain('sticky-inset');
    expect(left.states).toEqual({ stuck: expect.objectContaining({ label: 'stuck' }) });
    expect(registry.of(nodeOf(project, id('tabs')))).toBe(registry.kindOf('tabs'));
  });

  it('leave nothing behind when they are taken off, whatever was set of them', () => {
    const before = sampleProject();
    const tuned = after(
      before,
      add('left', 'sticky'),
      set('left', 'sticky-inset', 150),
      set('left', 'sticky-on', false, 'narrow'),
      {
        type: 'set-style',
        id: 'left',
        part: 'root',
        state: 'stuck',
        condition: 'always',
        property: 'opacity',
        value: '0.5'
      },
      take('left', 'sticky')
    );
    expect(tuned.nodes[id('left')]).toEqual(before.nodes[id('left')]);
    expect(css(tuned)).toBe(css(before));
  });

  it('say in a sentence where they cannot stand, and are given once', () => {
    const project = after(sampleProject(), add('left', 'sticky'));
    const refused = (command: Command) => {
      const outcome = apply(registry, project, command);
      return [refusedWith(outcome), outcome.ok ? '' : outcome.refusal.sentence];
    };
    expect(refused(add('page', 'sticky'))).toEqual([
      'unfit',
      expect.stringMatching(/page itself cannot stick/)
    ]);
    expect(refused(add('one', 'enter'))).toEqual(['unfit', expect.stringMatching(/what it belongs to/)]);
    expect(refused(add('left', 'sticky'))[0]).toBe('has-effect');
    expect(refused(add('left', 'fly'))[0]).toBe('no-such-effect');
    expect(refused(take('right', 'sticky'))[0]).toBe('no-effect');
    expect(refused(add('nowhere', 'sticky'))[0]).toBe('no-such-node');
  });

  it('are printed only where they are on: elsewhere no rule says anything of them', () => {
    const on = after(sampleProject(), add('left', 'sticky'));
    expect(css(on)).toMatch(/@media screen \{[^}]*position: sticky/);
    const wide = after(on, set('left', 'sticky-on', false, 'narrow'));
    expect(css(wide)).toMatch(/@media screen and \(width > 640px\) \{[^}]*position: sticky/);
    const middle = after(on, set('left', 'sticky-on', false), set('left', 'sticky-on', true, 'medium'));
    expect(css(middle)).toMatch(/@media screen and \(width <= 960px\) \{[^}]*position: sticky/);
    const never = after(on, set('left', 'sticky-on', false));
    expect(css(never)).not.toContain('sticky');
    const still = after(on, set('left', 'sticky-on', false, 'less-motion'));
    expect(css(still)).toMatch(/@media screen and \(prefers-reduced-motion: no-preference\) \{[^}]*sticky/);
  });

  it('adapt their settings as a piece does', () => {
    const project = after(sampleProject(), add('left', 'sticky'), set('left', 'sticky-inset', 8, 'narrow'));
    expect(css(project)).toMatch(/top: 24px/);
    expect(css(project)).toMatch(/@media screen and \(width <= 640px\) \{[^}]*top: 8px/);
  });

  it('start as fits the place: a column keeps its own height, a section lies over what follows', () => {
    const project = after(
      sampleProject(),
      add('left', 'sticky'),
      add('section', 'sticky'),
      add('section', 'enter')
    );
    expect(project.nodes[id('left')]!.settings).toEqual({ 'sticky-own': true });
    expect(project.nodes[id('section')]!.settings).toEqual({
      'sticky-inset': 0,
      'sticky-over': true,
      'enter-children': true
    });
  });

  it('go along with copies, with the shelf and with a swap to another kind', () => {
    const made = after(sampleProject(), add('tabs', 'enter'), set('tabs', 'enter-share', 60), {
      type: 'swap',
      id: 'tabs',
      kind: 'accordion'
    });
    expect(nodeOf(made, id('tabs'))).toMatchObject({ kind: 'accordion', effects: ['enter'] });
    expect(nodeOf(made, id('tabs')).settings['enter-share']).toBe(60);
    const shelved = after(made, { type: 'shelve', id: 'tabs', shelf: 'kept', name: 'Kept' });
    expect(isAsShelved(shelved, id('tabs'), 'kept' as ShelfId)).toBe(true);
    const without = after(shelved, take('tabs', 'enter'));
    expect(isAsShelved(without, id('tabs'), 'kept' as ShelfId)).toBe(false);
  });

  it('ask for a script only where there is something for it to do', () => {
    const behaviours = (project: Project, node: string) =>
      analyse(registry, project, nodeOf(project, id(node))).behaviours;
    const sticky = after(sampleProject(), add('left', 'sticky'));
    expect(behaviours(sticky, 'left')).toEqual([]);
    const tuned = after(sticky, {
      type: 'set-style',
      id: 'left',
      part: 'root',
      state: 'stuck',
      condition: 'always',
      property: 'box-shadow',
      value: '0 1px 4px #0003'
    });
    expect(behaviours(tuned, 'left')).toEqual(['stuck']);
    const entering = after(sampleProject(), add('left', 'enter'));
    expect(behaviours(entering, 'left')).toEqual(['enter']);
  });

  it('that hold a piece back cannot stand together, and say so', () => {
    for (const [one, other] of [
      ['enter', 'wait'],
      ['wait', 'enter']
    ] as const) {
      const project = after(sampleProject(), add('left', one));
      expect(refusedWith(apply(registry, project, add('left', other)))).toBe('unfit');
    }
  });

  it('that set a piece going twice are refused, whichever came first', () => {
    const refused = (first: string, second: string, node = 'left') => {
      const outcome = apply(registry, after(sampleProject(), add(node, first)), add(node, second));
      return outcome.ok ? null : outcome.refusal.sentence;
    };
    for (const [one, other] of [
      ['follow', 'drift'],
      ['follow', 'enter'],
      ['drift', 'loop']
    ] as const) {
      expect(refused(one, other)).toMatch(/follows the scroll|movement by time/);
      expect(refused(other, one)).toMatch(/follows the scroll|movement by time/);
    }
    // The picture behind a section drifts, and its pieces enter.
    expect(refused('drift', 'enter', 'section')).toBeNull();
    expect(refused('enter', 'drift', 'section')).toBeNull();
    expect(refused('drift', 'follow', 'section')).toMatch(/follows the scroll already/);
  });

  it('are refused by name where they are incomplete, stand twice or cannot be switched', async () => {
    const [sticky] = registry.everyEffect();
    const { on: _on, ...fields } = sticky!.settings.fields;
    const incomplete = { ...sticky!, style: undefined as never };
    await expect(registryWith([], [incomplete])).rejects.toThrow('"sticky" lacks style');
    await expect(registryWith([], [sticky!, sticky!])).rejects.toThrow('"sticky" is registered twice');
    const unswitched = { ...sticky!, settings: sticky!.settings.pick(Object.keys(fields) as never) };
    await expect(registryWith([], [unswitched])).rejects.toThrow('"sticky" cannot be switched');
  });
});

describe.each(registry.everyEffect().map((effect) => [effect.effect, effect] as const))(
  'effect %s',
  (name, effect) => {
    // Most stand anywhere; some only on a whole section.
    const own = ['left', 'section', 'heading', 'text'].find(
      (each) => apply(registry, sampleProject(), add(each, name)).ok
    )!;
    const project = after(sampleProject(), add(own, name));
    const node = nodeOf(project, id(own));
    const kind = registry.of(node);

    it('keeps the shape of its rules whatever its responsive settings are', () => {
      const base = settingsWithDefaults(kind, node);
      // Of a section, and of what has neither an inner area nor a picture behind it.
      for (const [inner, backdrop] of [
        [null, null],
        ['.x-inner', '.x-picture']
      ] as const) {
        const ctx = {
          outer: '.x',
          root: '.x',
          holder: '.x',
          children: 3,
          inner,
          backdrop,
          support: 'widely',
          measure: {},
          transition: ''
        } as const;
        for (const [key, field] of fieldsOf(effect)) {
          if (!field.meta()?.field?.responsive) continue;
          for (const value of CONTROLS[field.meta()!.field!.control].samples(field.meta()!.field!)) {
            const adapt = { print: { [effectKey(name, key)]: value } };
            const styled = () =>
              buildRules(kind, { ...node, adapt } as never, base, (under) =>
                effect.style(effectValues(effect, under), ctx)
              );
            expect(styled).not.toThrow();
          }
        }
      }
    });

    it('asks only for behaviours of the runtime’s contract, and names keyframes there are', () => {
      const { behaviours, sheet } = analyse(registry, project, node);
      for (const behaviour of behaviours) expect(Object.keys(runtime)).toContain(behaviour);
      for (const { declarations } of sheet.build) {
        const played = declarations.animation?.split(' ')[0];
        if (played && played !== 'none') expect(Object.keys(registry.keyframes)).toContain(played);
      }
    });

    it('brings rules that name it or a piece that has it', async () => {
      const { findings } = await effect.findings();
      for (const rule of findings)
        expect(
          [rule.check(nodeOf(project, id('right')), project, NO_FACTS, registry.of) ?? []].flat()
        ).toEqual([]);
    });
  }
);

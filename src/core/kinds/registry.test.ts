import { describe, expect, it } from 'vitest';
import type { AnySchema } from 'yup';
import { analyse } from '../compile/analyse';
import { trackOf } from '../motion/track';
import { createProject } from '../project/create';
import type { Json, Node } from '../project/types';
import * as runtime from '../../runtime/index';
import { checkValue } from '../css/values';
import { STYLE_PROPERTIES } from '../css/properties';
import { registry } from '../whole';
import { BEHAVIOURS } from './behaviours';
import { CONTROLS } from './controls';
import { createRegistry } from './registry';
import type { Kind } from './contract';
import { fieldsOf } from './settings';
import { registryWith } from '../testing/registry';
import { makeWith } from './make';

const heading = registry.kindOf('heading');

describe('registry', () => {
  it('refuses an incomplete kind, a duplicate, and a look for a part that is not there, by name', async () => {
    const incomplete = { ...heading, markup: undefined as never, slots: undefined as never };
    await expect(registryWith([incomplete])).rejects.toThrow('"heading" lacks slots, markup');
    await expect(registryWith([heading, heading])).rejects.toThrow('"heading" is registered twice');
    await expect(registryWith([{ ...heading, look: { lid: {} } }])).rejects.toThrow('unknown parts: lid');
  });

  it('lists what there is before its code has come, and says whose code is missing', async () => {
    const load = () => Promise.resolve(heading);
    const lazy = createRegistry([{ about: heading, load }]);
    expect(lazy.kinds.map(({ label }) => label)).toEqual([heading.label]);
    expect(() => lazy.maybeKindOf('heading')).toThrow('"heading" has not been brought');
    await lazy.load([{ kind: 'carousel', effects: ['nobody-knows'] }]);
    expect(() => lazy.kindOf('heading')).toThrow('"heading" has not been brought');
    await Promise.all([lazy.load([{ kind: 'heading' }]), lazy.loadAll()]);
    expect(lazy.kindOf('heading')).toBe(heading);
  });

  it('knows of every behaviour of the runtime what it sets', () => {
    const names = Object.keys(runtime).filter((name) => name !== 'scoped');
    expect(Object.keys(BEHAVIOURS)).toEqual(names.sort());
  });

  it('throws for a kind it does not have', () => {
    expect(() => registry.kindOf('carousel')).toThrow('"carousel"');
    expect(registry.maybeKindOf('carousel')).toBeNull();
  });
});

/** Keys that fields of a kind need: `fit=tile` is about `fit`. */
const neededOf = (kind: Kind): string[] =>
  fieldsOf(kind).flatMap(([, field]) =>
    (field.meta()?.field?.needs ?? []).map((need) => need.split(/[=.]/)[0]!)
  );

it('no effect has a field that needs one it does not have', () => {
  for (const { effect } of registry.everyEffect()) {
    const kind = registry.of({ kind: 'stack', effects: [effect] });
    expect(neededOf(kind).filter((key) => !Object.hasOwn(kind.settings.fields, key))).toEqual([]);
  }
});

describe.each(registry.everyKind().map((kind) => [kind.kind, kind] as const))('kind %s', (_name, kind) => {
  const fragment = kind.create(makeWith());
  const node = fragment.nodes[fragment.root]!;

  it('offers no field that needs one it does not have', () => {
    expect(neededOf(kind).filter((key) => !Object.hasOwn(kind.settings.fields, key))).toEqual([]);
  });

  it('has its parts stand on parts it has', () => {
    const named = Object.values(kind.anatomy).flatMap(({ on, movesTo }) => [on, movesTo]);
    expect(named.filter((part) => part && !Object.hasOwn(kind.anatomy, part))).toEqual([]);
  });

  it('asks only for behaviours of the runtime’s contract', () => {
    // With everything that can move moving, and everything that can be switched on being on.
    const on = Object.fromEntries(
      Object.entries(kind.settings.fields as Record<string, AnySchema>).flatMap(
        ([key, field]): [string, Json][] => {
          const meta = field.meta()?.field;
          if (meta?.control === 'toggle') return [[key, true]];
          return meta?.control === 'track'
            ? [[key, trackOf({ form: Object.keys(meta.choices!).at(-1)!, ms: 100 })]]
            : [];
        }
      )
    );
    for (const settings of [node.settings, on]) {
      const project = createProject('Kind', {
        root: node.id,
        nodes: { ...fragment.nodes, [node.id]: { ...node, settings } }
      });
      for (const name of analyse(registry, project, project.nodes[node.id]!).behaviours)
        expect(Object.keys(runtime)).toContain(name);
    }
  });

  it('keeps the shape of its rules whatever its responsive settings are', () => {
    const fields = Object.entries(kind.settings.fields as Record<string, AnySchema>).filter(
      ([, field]) => field.meta()?.field?.responsive
    );
    for (const [key, field] of fields) {
      const { fixed } = field.meta()!.field!;
      const values = CONTROLS[field.meta()!.field!.control].samples(field.meta()!.field!);
      expect(values.length).toBeGreaterThan(1);
      for (const condition of ['medium', 'narrow', 'touch', 'less-motion'] as const) {
        if (fixed?.[condition]) continue;
        for (const value of values) {
          expect(field.isValidSync(value, { strict: true })).toBe(true);
          const adapted = { ...node, adapt: { [condition]: { [key]: value } } } as Node;
          const project = createProject('Kind', {
            root: node.id,
            nodes: { ...fragment.nodes, [node.id]: adapted }
          });
          expect(() => analyse(registry, project, project.nodes[node.id]!)).not.toThrow();
        }
      }
    }
  });

  it('has defaults that its own schema takes, and starts with settings it takes', () => {
    expect(() =>
      kind.settings.validateSync(
        { ...(kind.settings.getDefault() as object), ...node.settings },
        { strict: true }
      )
    ).not.toThrow();
  });

  it('tells the interface how to edit every setting', () => {
    for (const [key, field] of Object.entries(kind.settings.fields)) {
      expect([key, (field as typeof kind.settings).describe().meta?.field?.control]).toEqual([
        key,
        expect.any(String)
      ]);
    }
  });

  it('offers no property for a part that nobody knows', () => {
    for (const { properties = [] } of Object.values(kind.anatomy))
      expect([...STYLE_PROPERTIES.keys()]).toEqual(expect.arrayContaining([...properties]));
  });

  it('has a look of known properties with valid values, in states its parts have', () => {
    for (const [part, states] of Object.entries(kind.look)) {
      for (const [state, conditions] of Object.entries(states)) {
        if (state !== 'rest') expect(kind.anatomy[part]!.states).toHaveProperty(state);
        for (const declarations of Object.values(conditions!)) {
          for (const [property, value] of Object.entries(declarations!)) {
            expect([...STYLE_PROPERTIES.keys()]).toContain(property);
            expect([property, value, checkValue(property, value).ok]).toEqual([property, value, true]);
          }
        }
      }
    }
  });

  it('starts with children its slots take', () => {
    for (const [slot, children] of Object.entries(node.slots)) {
      for (const child of children)
        expect(kind.slots[slot]!.accepts).toContain(registry.of(fragment.nodes[child]!).category);
    }
  });
});

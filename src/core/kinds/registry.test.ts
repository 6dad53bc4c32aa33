import { describe, expect, it } from 'vitest';
import * as runtime from '../../runtime/index';
import { checkValue } from '../css/values';
import { STYLE_PROPERTIES } from '../css/properties';
import { registry } from '../registry';
import { createRegistry } from './registry';
import { makeWith } from './make';

const heading = registry.kindOf('heading');

describe('registry', () => {
  it('refuses an incomplete kind, a duplicate, and a look for a part that is not there, by name', () => {
    expect(() => createRegistry([{ ...heading, markup: undefined as never, slots: undefined as never }])).toThrow('"heading" lacks slots, markup');
    expect(() => createRegistry([heading, heading])).toThrow('"heading" is registered twice');
    expect(() => createRegistry([{ ...heading, look: { lid: {} } }])).toThrow('unknown parts: lid');
  });

  it('throws for a kind it does not have', () => {
    expect(() => registry.kindOf('carousel')).toThrow('"carousel"');
    expect(registry.maybeKindOf('carousel')).toBeNull();
  });
});

describe.each(registry.kinds.map((kind) => [kind.kind, kind] as const))('kind %s', (_name, kind) => {
  const fragment = kind.create(makeWith());
  const node = fragment.nodes[fragment.root]!;

  it('asks only for behaviours of the runtime’s contract', () => {
    for (const name of kind.behaviours(node)) expect(Object.keys(runtime)).toContain(name);
  });

  it('has defaults that its own schema takes, and starts with settings it takes', () => {
    expect(() => kind.settings.validateSync({ ...(kind.settings.getDefault() as object), ...node.settings }, { strict: true })).not.toThrow();
  });

  it('tells the interface how to edit every setting', () => {
    for (const [key, field] of Object.entries(kind.settings.fields)) {
      expect([key, (field as typeof kind.settings).describe().meta?.field?.control]).toEqual([key, expect.any(String)]);
    }
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
      for (const child of children) expect(kind.slots[slot]!.accepts).toContain(registry.kindOf(fragment.nodes[child]!.kind).category);
    }
  });
});

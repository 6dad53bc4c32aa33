import { expect, it } from 'vitest';
import { makeDemo } from '../../../demo/make';
import type { Kind } from '../kinds/contract';
import { NO_FACTS } from '../kinds/finding';
import { registry } from '../whole';
import { unheardState } from './rules/unheard';

const { project: demo } = makeDemo();
const tabs = Object.values(demo.nodes).find(({ kind }) => kind === 'tabs')!;

/** What the rule says of the demo's tabs, were the state of a chosen tab told by another selector. */
function saidOf(selected: string): readonly string[] {
  const kind = registry.of(tabs);
  const tab = { ...kind.anatomy.tab!, states: { ...kind.anatomy.tab!.states, selected } };
  const changed: Kind = { ...kind, anatomy: { ...kind.anatomy, tab } };
  const own = {
    ...registry,
    of: (piece: Parameters<typeof registry.of>[0]) => (piece.kind === 'tabs' ? changed : registry.of(piece))
  };
  const said = unheardState(own).check(tabs, demo, NO_FACTS, own.of);
  return [said ?? []].flat().map(({ sentence }) => sentence);
}

it('a state that only the look tells of is told of; one that ARIA or the element has is not', () => {
  expect(saidOf('[data-on]')).toEqual([`That the tab of ${tabs.name} is selected is seen, and not heard`]);
  expect(saidOf('[aria-checked="true"]')).toHaveLength(1);
  expect(saidOf('[aria-current="true"]')).toEqual([]);
});

import fc from 'fast-check';
import type { AnySchema } from 'yup';
import { apply } from '../commands/apply';
import type { Command } from '../commands/commands';
import { makeWith } from '../kinds/make';
import { createProject } from '../project/create';
import type { Node, PageId, Project, ProjectId } from '../project/types';
import { registry } from '../whole';

const make = makeWith({ exactIds: true });

/** A page with one of every kind that can be inserted, each in a section of its own. */
export function oneOfEvery(): Project {
  const sections = registry.kinds
    .filter(({ insertable, category }) => insertable && category === 'block')
    .map(({ kind, label }) =>
      make(
        'section',
        `Section of ${label}`,
        {},
        { content: [registry.maybeKindOf(kind)!.create((...given) => make(...given))] }
      )
    );
  const page = make('page', 'Page', {}, { sections });
  return createProject('Every', page, { project: 'every' as ProjectId, page: 'page' as PageId });
}

/** Any of a list, by any whole number. */
const pick = <T>(list: readonly T[], n: number): T => list[n % list.length]!;

type Numbers = readonly [number, number, number];
/** Makes a command for a project as it is by then, out of numbers that say which of what there is. */
type Maker = (project: Project, node: Node, numbers: Numbers) => object;

const VALUES: readonly unknown[] = [
  true,
  false,
  0,
  1,
  3,
  700,
  '',
  'x',
  '#here',
  '<p>Words</p>',
  '1',
  '2',
  '6'
];
const COLOURS = ['#ffffff', '#f1eee6', '#8a8578', '#1f262a', 'transparent'];

/** What a field may be: one of its choices, where it has any. */
function valueFor(field: AnySchema | undefined, n: number): unknown {
  const choices = (field?.describe() as { oneOf?: readonly unknown[] } | undefined)?.oneOf ?? [];
  return choices.length > 0 ? pick(choices, n) : pick(VALUES, n);
}

const MAKERS: readonly Maker[] = [
  (_project, node, [a, b]) => {
    const fields = Object.entries(registry.of(node).settings.fields as Record<string, AnySchema>);
    const [key, field] = fields.length > 0 ? pick(fields, a) : [];
    return { type: 'set-setting', id: node.id, key: key ?? 'none', value: valueFor(field, b) };
  },
  (_project, node, [a, b, c]) => {
    const { anatomy } = registry.of(node);
    const part = pick([...Object.keys(anatomy), 'none'], a);
    const states = anatomy[part]?.states ?? {};
    return {
      type: 'set-style',
      id: node.id,
      part,
      state: pick(['rest', ...Object.keys(states)], b),
      condition: pick(['always', 'always', 'narrow', 'touch'], b),
      property: pick(['color', 'background-color'], c),
      value: pick(COLOURS, c)
    };
  },
  (project, node, [a]) => {
    const owner = pick(
      Object.values(project.nodes).filter(({ slots }) => Object.keys(slots).length > 0),
      a
    );
    return {
      type: 'move',
      ids: [node.id],
      at: { parent: owner.id, slot: pick(Object.keys(owner.slots), a), index: 0 }
    };
  },
  (_project, node) => ({ type: 'remove', ids: [node.id] }),
  (_project, node) => ({ type: 'duplicate', ids: [node.id] }),
  (_project, node) => ({ type: 'unwrap', id: node.id }),
  (_project, node, [a]) => ({ type: 'rename', id: node.id, name: `Piece ${a % 9}` }),
  (_project, node, [a]) => ({ type: 'swap', id: node.id, kind: pick(registry.kinds, a).kind }),
  (_project, node, [a]) => ({
    type: 'add-effect',
    id: node.id,
    effect: pick(registry.everyEffect(), a).effect
  }),
  (_project, { id, effects = [] }, [a]) => ({
    type: 'remove-effect',
    id,
    effect: pick([...effects, 'none'], a)
  })
];

/** Changes a project by some command, or leaves it as it is where that is refused. */
export type Edit = (project: Project) => Project;

/** Any edit of any piece: settings, looks, places, kinds, what it does. */
export const edit: fc.Arbitrary<Edit> = fc
  .tuple(fc.nat({ max: 9999 }), fc.constantFrom(...MAKERS), fc.tuple(fc.nat(), fc.nat(), fc.nat()))
  .map(([at, maker, numbers]) => {
    let last: Command | null = null;
    const change: Edit = (project) => {
      last = maker(project, pick(Object.values(project.nodes), at), numbers) as Command;
      const outcome = apply(registry, project, last);
      return outcome.ok ? outcome.project : project;
    };
    // What it was the last time says more than the function it is.
    return Object.assign(change, { [fc.toStringMethod]: () => JSON.stringify(last) });
  });

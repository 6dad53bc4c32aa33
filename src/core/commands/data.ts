import { mixed, object, string } from 'yup';
import { isEmpty, ownOf } from '../data/record';
import { define, no, type Refusal } from './define';
import { bindingSchema, querySchema, sourceSchema } from '../tables/schemas';
import { ID_PATTERN } from '../project/ids';
import { maybeNode } from '../project/tree';
import type { Binding, NodeId, Project, Query, Source, SourceId } from '../project/types';
import { SHOWN } from '../rows/binding';
import { repeatingSlot } from '../rows/rows';
import { gone, maybeGone, nameOf } from './words';

/** What every piece can have from a column: what it is called, and whether it is drawn. */
const OF_ALL: readonly string[] = ['name', SHOWN];

const nodeId = mixed<NodeId>((value): value is NodeId => typeof value === 'string').required();
const sourceId = mixed<SourceId>((value): value is SourceId => typeof value === 'string').required();

const sourceNamed = (project: Project, id: SourceId): string =>
  ownOf(project.sources as Readonly<Record<string, Source>>, id)?.name ?? 'a source';

/** Adds a source, or puts new rows into the one of its id. */
export const setSource = define<{ source: Source }>()({
  type: 'set-source',
  args: object({ source: sourceSchema as never }),
  label: ({ source }, project) =>
    Object.hasOwn(project.sources, source.id) ? `Refresh ${source.name}` : `Add ${source.name}`,
  refusal(_project, { source }) {
    return ID_PATTERN.test(source.id) ? null : no('bad-id', 'This source has no id that can be kept.');
  },
  run(draft, { source }) {
    draft.sources[source.id] = source;
  }
});

export const removeSource = define<{ id: SourceId }>()({
  type: 'remove-source',
  args: object({ id: sourceId }),
  label: ({ id }, project) => `Delete ${sourceNamed(project, id)}`,
  refusal: (project, { id }) =>
    Object.hasOwn(project.sources, id)
      ? null
      : no('no-such-source', 'That source is no longer in the project.'),
  run(draft, { id }) {
    delete draft.sources[id];
  }
});

/** Which rows a list shows; null lets its children stand as they are. */
export const setQuery = define<{ id: NodeId; query: Query | null }>()({
  type: 'set-query',
  args: object({ id: nodeId, query: querySchema.nullable().defined().default(undefined) as never }),
  label: ({ id, query }, project) =>
    query ? `Rows of ${nameOf(project, id)}` : `No rows in ${nameOf(project, id)}`,
  refusal(project, { id, query }, registry): Refusal | null {
    const node = maybeNode(project, id);
    if (!node) return gone();
    if (repeatingSlot(registry, node) === null)
      return no(
        'repeats-nothing',
        `${node.name} repeats nothing. Pick a list, a stack, a gallery or a slider.`
      );
    if (query && !Object.hasOwn(project.sources, query.source))
      return no('no-such-source', 'That source is no longer in the project. Choose another.');
    return null;
  },
  run(draft, { id, query }) {
    const node = draft.nodes[id]!;
    delete node.rows;
    if (query) node.query = query;
    else delete node.query;
  }
});

/** Where a setting comes from; null for what is set. `name` is what the piece is called. */
export const setBinding = define<{ id: NodeId; key: string; binding: Binding | null }>()({
  type: 'set-binding',
  args: object({
    id: nodeId,
    key: string().strict(true).required(),
    binding: bindingSchema.nullable().defined().default(undefined) as never
  }),
  label: ({ id, binding }, project) =>
    binding ? `${nameOf(project, id)} from ${binding.column}` : `${nameOf(project, id)} from no column`,
  refusal(project, { id, key }, registry): Refusal | null {
    const missing = maybeGone(project, id);
    if (missing) return missing;
    const { fields } = registry.of(project.nodes[id]!).settings;
    return OF_ALL.includes(key) || Object.hasOwn(fields, key)
      ? null
      : no('no-such-setting', `${nameOf(project, id)} has no setting “${key}”.`);
  },
  run(draft, { id, key, binding }) {
    const node = draft.nodes[id]!;
    const { [key]: _before, ...others } = node.binds ?? {};
    const binds = binding ? { ...others, [key]: binding } : others;
    if (isEmpty(binds)) delete node.binds;
    else node.binds = binds;
  }
});

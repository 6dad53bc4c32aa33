import { error, settingFix, warning, type FindingRule, type Fix, type Remark } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { leavableAround, listAround, sourceOf } from '../../rows/around';
import { obstaclesTo } from '../../compile/refresh';
import { isPrinted, rowsAt } from '../../rows/rows';
import type { Node, NodeId, Project, Query, Source } from '../../project/types';

const queryFix = (label: string, id: NodeId, query: Query | null): Fix => ({
  label,
  commands: [{ type: 'set-query', id, query }]
});

/** A list whose source has been deleted, or was never in this project. */
export const lostSource: FindingRule = {
  id: 'list-without-source',
  summary: 'A list takes its rows from a source that is gone',
  kinds: null,
  scope: 'project',
  check({ id, name, query }, project) {
    if (!query || sourceOf(project, query)) return null;
    return error({
      view: 'Fill',
      sentence: `${name} shows no row: its source is gone`,
      cause: 'Choose another source under Fill, or let what is in it stand as it is.',
      fix: queryFix('Let it stand as it is', id, null)
    });
  }
};

const hasColumn = ({ columns }: Source, column: string): boolean =>
  columns.some(({ name }) => name === column);

function lostColumnsOf({ where, by }: Query, source: Source): readonly string[] {
  const named = [...where.map(({ column }) => column), by].filter((column) => column !== '');
  return [...new Set(named)].filter((column) => !hasColumn(source, column));
}

/** A query without what asks about a column that is gone. */
const withoutColumns = (query: Query, gone: readonly string[]): Query => ({
  ...query,
  where: query.where.filter(({ column }) => !gone.includes(column)),
  by: gone.includes(query.by) ? '' : query.by
});

function lostInQuery({ id, name, query }: Node, project: Project): Remark | null {
  const source = sourceOf(project, query);
  const gone = query && source ? lostColumnsOf(query, source) : [];
  if (!query || gone.length === 0) return null;
  return error({
    view: 'Fill',
    sentence: `${name} asks for ${gone.join(', ')}, which ${source!.name} no longer has`,
    cause: 'Its rows were taken anew, and came without that column. What asks about it holds for no row.',
    fix: queryFix('Ask without it', id, withoutColumns(query, gone))
  });
}

function lostInBinds(registry: Registry, node: Node, project: Project): readonly Remark[] {
  const source = sourceOf(project, listAround(registry, project, node.id)?.query);
  if (!source || !node.binds) return [];
  return Object.entries(node.binds)
    .filter(([, { column }]) => !hasColumn(source, column))
    .map(([key, { column }]) =>
      error({
        view: 'Fill',
        sentence: `${node.name} comes from the column ${column}, which ${source.name} no longer has`,
        cause: 'What is set here stands there in every row. Choose another column, or none.',
        fix: {
          label: 'From no column',
          commands: [{ type: 'set-binding', id: node.id, key, binding: null }]
        }
      })
    );
}

export const lostColumn = (registry: Registry): FindingRule => ({
  id: 'list-without-column',
  summary: 'A list, or a piece in it, asks for a column that its source no longer has',
  kinds: null,
  scope: 'project',
  check(node, project) {
    const inQuery = lostInQuery(node, project);
    const inBinds = lostInBinds(registry, node, project);
    return inQuery ? [inQuery, ...inBinds] : inBinds;
  }
});

/** No row, where nobody has chosen what stands there then: words of the list's own, or nothing of the tab. */
function emptyList(registry: Registry, node: Node, project: Project): Remark | null {
  const around = leavableAround(registry, project, node.id);
  const isChosen = Boolean(node.settings.nothing) || (around && !isPrinted(registry, project, around));
  if (isChosen) return null;
  const told = error({
    view: 'Fill',
    number: '0 rows',
    sentence: `${node.name} shows no row`,
    cause:
      'No row of its source passes its conditions. Take one off, change its value, or write what stands there then.'
  });
  const key = around && registry.of(around).leftOut;
  if (!key) return told;
  return { ...told, fix: settingFix(`Leave ${around.name} out while it is empty`, around.id, key, true) };
}

/** C19: a feed with fewer rows than asked for, or none at all. */
export const shortList = (registry: Registry): FindingRule => ({
  id: 'list-short',
  summary: 'A list has fewer rows than it asks for, or none',
  kinds: null,
  scope: 'project',
  check(node, project) {
    const { id, name, query } = node;
    if (!query || !sourceOf(project, query)) return null;
    const { length } = rowsAt(project, node);
    if (length === 0) return emptyList(registry, node, project);
    if (query.most === 0 || length >= query.most) return null;
    return warning({
      view: 'Fill',
      number: `${length} of ${query.most}`,
      sentence: `${name} asks for ${query.most} rows and gets ${length}`,
      cause: 'Places stay empty in its last line. Ask for fewer, or let more rows through.',
      fix: queryFix(`Ask for ${length}`, id, { ...query, most: length })
    });
  }
});

/** A list that is to be drawn anew by its page, and has something in the way. */
export const staleList = (registry: Registry): FindingRule => ({
  id: 'list-not-fresh',
  summary: 'A list is to show the rows of today, and its page cannot draw it anew',
  kinds: null,
  scope: 'project',
  check(node, project) {
    const { id, name, query } = node;
    if (!query?.fresh || !sourceOf(project, query)) return null;
    const obstacles = obstaclesTo(registry, project, node);
    if (obstacles.length === 0) return null;
    return warning({
      view: 'Fill',
      sentence: `${name} leaves with the rows it has now`,
      cause: `Its page cannot draw it anew. ${obstacles.join(' ')}`,
      fix: queryFix('Leave with these rows', id, withoutFresh(query))
    });
  }
});

const withoutFresh = ({ fresh: _fresh, ...query }: Query): Query => query;

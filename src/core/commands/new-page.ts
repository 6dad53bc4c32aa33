import { CONTROLS } from '../kinds/controls';
import type { Kind } from '../kinds/contract';
import { withNewIds } from '../kinds/make';
import type { Registry } from '../kinds/registry';
import { fieldsOf } from '../kinds/settings';
import { byId, fragmentOf, nodeOf, pathTo, subtreeOf } from '../project/tree';
import type { Adaptations, Fragment, Node, NodeId, Page, Project, Settings } from '../project/types';
import { apply } from './apply';
import type { Batch, Command } from './commands';
import { placingOn, sharedByMost } from './sharing';

/** A new page with what most pages of the site have in common, each where it stands there; one step. */
export function addingPage(registry: Registry, project: Project, page: Page, fragment: Fragment): Batch {
  const commands: Command[] = [];
  let now = project;
  const run = (command: Command): void => {
    const outcome = apply(registry, now, command);
    if (!outcome.ok) return;
    commands.push(command);
    now = outcome.project;
  };
  run({ type: 'add-page', page, fragment });
  for (const shelf of sharedByMost(project)) {
    const placing = placingOn(registry, now, shelf, [page.id]);
    if (placing) run(placing);
  }
  return { type: 'batch', label: `Add page ${page.name}`, commands };
}

/** Settings that are what a page says, not how it is built: words, links, pictures. */
function contentKeys(kind: Kind): ReadonlySet<string> {
  const found = fieldsOf(kind).filter(([, schema]) => {
    const control = schema.meta()?.field?.control;
    return control !== undefined && CONTROLS[control].says !== undefined;
  });
  return new Set(found.map(([key]) => key));
}

const without = (settings: Settings, keys: ReadonlySet<string>): Settings =>
  Object.fromEntries(Object.entries(settings).filter(([key]) => !keys.has(key)));

function withoutUnderConditions(adapt: Adaptations, keys: ReadonlySet<string>): Adaptations {
  const left = Object.entries(adapt)
    .map(([condition, own]) => [condition, without(own, keys)] as const)
    .filter(([, own]) => Object.keys(own).length > 0);
  return Object.fromEntries(left);
}

function emptied(registry: Registry, node: Node): Node {
  const keys = contentKeys(registry.of(node));
  const { rows: _rows, query: _query, binds: _binds, was: _was, ...rest } = node;
  return {
    ...rest,
    settings: without(node.settings, keys),
    adapt: withoutUnderConditions(node.adapt, keys)
  };
}

/** Panels, slides and other items are called by their number, since readers see it; the rest by what it is. */
function freshNames(registry: Registry, nodes: readonly Node[]): ReadonlyMap<NodeId, string> {
  const names = new Map(nodes.map((node) => [node.id, registry.of(node).label]));
  for (const owner of nodes) {
    const lists = Object.entries(registry.of(owner).slots).filter(([, { items }]) => items);
    for (const [slot] of lists)
      for (const [i, id] of (owner.slots[slot] ?? []).entries())
        if (names.has(id)) names.set(id, `${names.get(id)} ${i + 1}`);
  }
  return names;
}

/**
 * The page without what it says: every piece with its look and what it does, and names, words, links, pictures and
 * rows as they come with a new one. What follows the shelf stays whole.
 */
export function skeletonOf(registry: Registry, project: Project, page: Page): Fragment {
  const nodes = subtreeOf(project, page.root);
  const isShared = (id: NodeId) => pathTo(project, id).some((each) => nodeOf(project, each).linked);
  const own = nodes.filter(({ id }) => !isShared(id));
  const names = freshNames(registry, own);
  const bare = own.map((node) => ({ ...emptied(registry, node), name: names.get(node.id)! }));
  const shared = nodes.filter(({ id }) => isShared(id));
  return withNewIds(registry, { root: page.root, nodes: byId([...shared, ...bare]) });
}

/** The page as it is, with ids of its own. */
export const copyOf = (registry: Registry, project: Project, page: Page): Fragment =>
  withNewIds(registry, fragmentOf(project, page.root));

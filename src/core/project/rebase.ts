import { emptyRecord, type Loose } from '../data/record';
import { diffOf, patched, TABLES } from './diff';
import { childIds } from './tree';
import type { Change, Diff, Node, NodeId, Project } from './types';

type Value = unknown;

const isRecord = (value: Value): value is Record<string, Value> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const isSame = (a: Value, b: Value): boolean =>
  a === b || (typeof a === 'object' && typeof b === 'object' && JSON.stringify(a) === JSON.stringify(b));

/**
 * What two hands made of the same value: the change from `before` to `after`, done to `current`. Where both
 * changed the same thing, `after` has the last word; what only one changed is kept from both.
 */
export function merged(before: Value, after: Value, current: Value): Value {
  if (isSame(before, current)) return after;
  if (isSame(before, after)) return current;
  // Where both made something where nothing was, they made it from nothing.
  if ((before === undefined || isRecord(before)) && isRecord(after) && isRecord(current)) {
    const next = emptyRecord<Value>();
    for (const key of new Set([...Object.keys(current), ...Object.keys(after)])) {
      const value = merged(before?.[key], after[key], current[key]);
      if (value !== undefined) next[key] = value;
    }
    return { ...next };
  }
  if (Array.isArray(before) && Array.isArray(after) && Array.isArray(current))
    return mergedLists(before, after, current);
  return after;
}

/**
 * Lists of ids: what was taken out goes, what came in comes after the one it stood behind, and a new order
 * holds for what is still there.
 */
function mergedLists(before: readonly Value[], after: readonly Value[], current: readonly Value[]): Value[] {
  const had = new Set(before);
  const kept = current.filter((item) => !had.has(item) || after.includes(item));
  const ordered = after.filter((item) => had.has(item) && kept.includes(item));
  let at = 0;
  const next = kept.map((item) => (had.has(item) ? ordered[at++]! : item));
  after.forEach((item, i) => {
    if (had.has(item) || next.includes(item)) return;
    const behind = after.slice(0, i).findLast((each) => next.includes(each));
    next.splice(behind === undefined ? 0 : next.indexOf(behind) + 1, 0, item);
  });
  return next;
}

/**
 * A change that was made to one state of a project, as it is on another that has moved on meanwhile. Records
 * the change does not name keep their identity; null where nothing is left to do.
 */
export function rebased(diff: Diff, onto: Project): Diff | null {
  const next: { -readonly [K in keyof Diff]: Diff[K] } = {};
  if (diff.info) {
    const info = merged(diff.info[0], diff.info[1], onto.info) as Project['info'];
    if (!isSame(info, onto.info)) next.info = [onto.info, info];
  }
  for (const table of TABLES) {
    const changes = emptyRecord<Change<unknown>>();
    for (const [id, [before, after]] of Object.entries(diff[table] ?? {})) {
      const current = (onto[table] as Record<string, unknown>)[id] ?? null;
      const result =
        before === null || after === null || current === null ? after : merged(before, after, current);
      // What the other hand took out stays out: an edit to it has nothing to hold on to.
      const isGone = before !== null && current === null;
      if (!isGone && !isSame(result, current)) changes[id] = [current, result];
    }
    if (Object.keys(changes).length > 0) next[table] = { ...changes } as never;
  }
  return Object.keys(next).length > 0 ? next : null;
}

/**
 * Puts a tree right that two hands changed: children that are gone are forgotten, a piece that stands in two
 * places keeps the first, and what hangs nowhere is taken out. @returns the nodes; the same object where the
 * tree is whole.
 */
export function mendedNodes(project: Pick<Project, 'nodes' | 'pages'>): Project['nodes'] {
  const { nodes } = project;
  const seen = new Set<NodeId>();
  const mended = emptyRecord<Node>();
  let isWhole = true;
  const visit = (id: NodeId): void => {
    seen.add(id);
    const node = nodes[id]!;
    const slots = Object.fromEntries(
      Object.entries(node.slots).map(([name, children]) => {
        const kept = children.filter((child) => {
          if (!Object.hasOwn(nodes, child) || seen.has(child)) return false;
          visit(child);
          return true;
        });
        return [name, kept.length === children.length ? children : kept];
      })
    );
    const isSameNode = Object.entries(slots).every(([name, children]) => children === node.slots[name]);
    if (!isSameNode) isWhole = false;
    mended[id] = isSameNode ? node : { ...node, slots };
  };
  for (const page of Object.values(project.pages))
    if (Object.hasOwn(nodes, page.root) && !seen.has(page.root)) visit(page.root);
  return isWhole && seen.size === Object.keys(nodes).length ? nodes : ({ ...mended } as Project['nodes']);
}

/** @returns the project with its tree put right, and the change that does it; null where the tree is whole. */
export function mendedProject(project: Project): { readonly project: Project; readonly diff: Diff } | null {
  const nodes = mendedNodes(project);
  const diff = nodes === project.nodes ? null : diffOf(project, { ...project, nodes });
  return diff ? { project: patched(project, diff), diff } : null;
}

/** Whether a project still has every record as it was before a change. */
function isAsBefore(project: Project, diff: Diff): boolean {
  if (diff.info && diff.info[0] !== project.info) return false;
  return TABLES.every((table) => areAsBefore(project[table], diff[table] ?? {}));
}

const areAsBefore = (
  records: Loose,
  changes: Readonly<Record<string, readonly [before: unknown, after: unknown]>>
): boolean => Object.entries(changes).every(([id, [before]]) => (before ?? undefined) === records[id]);

export interface Redone {
  readonly project: Project;
  /** What was really done, in order. */
  readonly diffs: readonly Diff[];
}

/**
 * Does changes of the history again, or takes them back, on a project that may have moved on meanwhile:
 * another window's edits stay where they are, and the tree is whole afterwards.
 */
export function appliedAgain(project: Project, diffs: readonly Diff[]): Redone {
  let now = project;
  let isMoved = false;
  const done: Diff[] = [];
  for (const diff of diffs) {
    const isSame = isAsBefore(now, diff);
    const own = isSame ? diff : rebased(diff, now);
    isMoved ||= !isSame;
    if (!own) continue;
    now = patched(now, own);
    done.push(own);
  }
  const mended = isMoved ? mendedProject(now) : null;
  return mended ? { project: mended.project, diffs: [...done, mended.diff] } : { project: now, diffs: done };
}

/** @returns whether every child named in a project is there, once. */
export function isWholeTree(project: Pick<Project, 'nodes' | 'pages'>): boolean {
  const named = Object.values(project.nodes).flatMap(childIds);
  return new Set(named).size === named.length && named.every((id) => Object.hasOwn(project.nodes, id));
}

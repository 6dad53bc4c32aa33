import type { AnySchema } from 'yup';
import { compact } from '../data/compact';
import { remembered } from '../data/remembered';
import { maybePageOf, subtreeIds, type Holder } from '../project/tree';
import type { Fragment, Node, NodeId, Place, Project } from '../project/types';
import type { KindOf } from './finding';
import type { Registry } from './registry';
import { schemaDefaults } from './settings';

/** A piece that draws a heading, and the setting that says its level. */
export interface Heading {
  readonly node: Node;
  readonly key: string;
  /** 1 to 6. */
  readonly level: number;
  /** Whether its setting has a level 1: what opens and closes is never the title of its page. */
  readonly mayBeTitle: boolean;
}

/** The deepest level HTML has (HTML, 4.3.6). */
const DEEPEST = 6;

type Settings = ReturnType<KindOf>['settings'];

/** The level before anyone sets one. */
const usualLevel = (settings: Settings, key: string): unknown =>
  (schemaDefaults<object>(settings) as Record<string, unknown>)[key];

const titles = new WeakMap<Settings, boolean>();

const mayBeTitle = (settings: Settings, key: string): boolean =>
  remembered(titles, settings, () => (settings.fields[key] as AnySchema).isValidSync('1'));

/** @returns the heading a piece draws before what it holds; null where it draws none. */
export function maybeHeading(node: Node, of: KindOf): Heading | null {
  const { headingLevel: key, settings } = of(node);
  if (!key) return null;
  const level = Number(node.settings[key] ?? usualLevel(settings, key));
  return { node, key, level, mayBeTitle: mayBeTitle(settings, key) };
}

/** Headings among pieces, without those in what is opened over the page. */
function headingsAmong(project: Holder, ids: readonly NodeId[], of: KindOf): readonly Heading[] {
  const all = ids.map((id) => project.nodes[id]!);
  const over = new Set(all.filter((each) => of(each).opens).flatMap(({ id }) => subtreeIds(project, id)));
  return compact(all.map((each) => (over.has(each.id) ? null : maybeHeading(each, of))));
}

/** @returns headings of a piece and all below it, in document order, without those in what is opened over the page. */
export const headingsUnder = (project: Project, id: NodeId, of: KindOf): readonly Heading[] =>
  headingsAmong(project, subtreeIds(project, id), of);

/** @returns headings of the page a piece stands on, as `headingsUnder` its root. */
function headingsAround(project: Project, id: NodeId, of: KindOf): readonly Heading[] {
  const page = maybePageOf(project, id);
  return page ? headingsUnder(project, page.root, of) : [];
}

/** How many pieces of a page, in document order, stand before a place. */
function countBefore(project: Project, order: readonly NodeId[], { parent, slot, index }: Place): number {
  const { slots } = project.nodes[parent]!;
  const names = Object.keys(slots);
  const later = names.slice(names.indexOf(slot) + 1).flatMap((name) => slots[name]!);
  const next = slots[slot]?.[index] ?? later[0];
  if (next !== undefined) return order.indexOf(next);
  return order.indexOf(parent) + subtreeIds(project, parent).length;
}

/** @returns headings of the page that stand before a place on it, in document order. */
export function headingsBefore(project: Project, at: Place, of: KindOf): readonly Heading[] {
  const page = maybePageOf(project, at.parent);
  if (!page) return [];
  const order = subtreeIds(project, page.root);
  return headingsAmong(project, order.slice(0, countBefore(project, order, at)), of);
}

/** The level of the first heading in an item that stands in the same list; null where none has one. */
function levelOfItems(project: Project, { parent, slot }: Place, of: KindOf): number | null {
  const items = project.nodes[parent]!.slots[slot] ?? [];
  const [first] = items.flatMap((item) => headingsAmong(project, subtreeIds(project, item), of).slice(0, 1));
  return first?.level ?? null;
}

/** The level that the first heading of something new has to have at a place. */
function fittingLevel(project: Project, at: Place, own: number, of: KindOf): number {
  if (own === 1) {
    const all = headingsAround(project, at.parent, of);
    return all.some(({ level }) => level === 1) ? 2 : 1;
  }
  // The title of a page may still come; what is before it is of the next level.
  const above = headingsBefore(project, at, of).at(-1)?.level ?? 1;
  return Math.min(own, above + 1);
}

/**
 * Something new with the levels its headings have to have at a place: as deep as those of the items it joins, else
 * with no level left out after the heading before it, and level 1 only where the page has none (WCAG 2.2, 1.3.1; one
 * title a page is common practice). All its headings are moved by as much, so that they stay apart as they are.
 * @returns the same object where they are right.
 */
export function withFittingLevels(
  registry: Registry,
  project: Project,
  fragment: Fragment,
  at: Place
): Fragment {
  const of: KindOf = (piece) => registry.of(piece);
  const own = headingsAmong(fragment, subtreeIds(fragment, fragment.root), of);
  const [first] = own;
  if (!first) return fragment;
  const { items } = registry.of(project.nodes[at.parent]!).slots[at.slot]!;
  const asItem = items ? levelOfItems(project, at, of) : null;
  const by = (asItem ?? fittingLevel(project, at, first.level, of)) - first.level;
  if (by === 0) return fragment;
  const nodes = { ...fragment.nodes };
  for (const { node, key, level } of own) {
    const fitting = String(Math.min(DEEPEST, Math.max(1, level + by)));
    nodes[node.id] = { ...node, settings: { ...node.settings, [key]: fitting } };
  }
  return { ...fragment, nodes };
}

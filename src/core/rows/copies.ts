import { isEmpty } from '../data/record';
import { remembered } from '../data/remembered';
import { withRenewedReferences } from '../kinds/mapping';
import type { Registry } from '../kinds/registry';
import type { Node, NodeId, Project, Row } from '../project/types';
import { withRow } from './binding';

/** A piece made for a row. */
export interface Copied {
  readonly id: NodeId;
  /** The numbers of the rows it stands in, of the outermost list first. */
  readonly at: readonly number[];
  /** All that these rows hold. */
  readonly row: Row;
  /** Of the page it stands on, as BCP 47 tag. */
  readonly language: string;
}

/** The first row has the template itself; ids of the others carry the numbers of their rows, counted from 1. */
export function idAt(project: Project, id: NodeId, at: readonly number[]): NodeId {
  if (at.every((n) => n === 0)) return id;
  let own = `${id}-row-${at.map((n) => n + 1).join('-')}`;
  while (Object.hasOwn(project.nodes, own)) own += '-';
  return own as NodeId;
}

export const sameIds = (a: readonly NodeId[], b: readonly NodeId[]): boolean =>
  a.length === b.length && a.every((id, n) => id === b[n]);

const sameRow = (a: Row, b: Row): boolean => {
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => a[key] === b[key]);
};

/** What a piece was made from, and what came of it. */
interface Made {
  readonly template: Node;
  readonly row: Row;
  readonly assets: Project['assets'];
  readonly language: string;
  readonly node: Node;
}

/** Pieces made for rows, by their template and their ids. */
const copies = new WeakMap<Node, Map<NodeId, Made>>();
/** Pieces with what their row puts into them, by the settings it goes into: an edit of a look keeps those. */
const filled = new WeakMap<Node['settings'], Map<NodeId, Made>>();

const noneMade = (): Map<NodeId, Made> => new Map();

const isFrom = (made: Made, { row, language }: Copied, assets: Project['assets']): boolean =>
  made.assets === assets && made.language === language && sameRow(made.row, row);

const isFilledAlike = (a: Node, b: Node): boolean =>
  a.kind === b.kind && a.binds === b.binds && a.name === b.name;

function withOwnRow(registry: Registry, template: Node, copied: Copied, assets: Project['assets']): Node {
  const { row, language } = copied;
  const byId = remembered(filled, template.settings, noneMade);
  const known = byId.get(copied.id);
  if (known && isFilledAlike(known.template, template) && isFrom(known, copied, assets))
    return { ...template, name: known.node.name, settings: known.node.settings };
  const node = withRow(registry, template, row, { assets, language });
  byId.set(copied.id, { template, row, assets, language, node });
  return node;
}

/** What a copy names of its own children are the children of the copy. */
function renamed(registry: Registry, project: Project, node: Node, { id, at }: Copied): Node {
  const children = Object.values(node.slots).flat();
  const inside = new Map(children.map((child) => [child, idAt(project, child, at)]));
  const named = inside.size > 0 ? withRenewedReferences(registry.of(node), node, inside) : node;
  const slots = Object.entries(node.slots).map(([slot, ids]) => [slot, ids.map((each) => inside.get(each)!)]);
  return { ...named, id, slots: Object.fromEntries(slots), copyOf: node.id };
}

/** @returns a piece as it is made for a row: the same object as long as its template and its row are the same. */
export function copyOf(registry: Registry, project: Project, template: Node, copied: Copied): Node {
  const { id, row, language } = copied;
  if (isEmpty(row) && id === template.id) return template;
  const { assets } = project;
  const byId = remembered(copies, template, noneMade);
  const known = byId.get(id);
  if (known && isFrom(known, copied, assets)) return known.node;
  const own = withOwnRow(registry, template, copied, assets);
  const node = id === template.id ? own : renamed(registry, project, own, copied);
  byId.set(id, { template, row, assets, language, node });
  return node;
}

import type { AnySchema } from 'yup';
import { emptyRecord, isEmpty } from '../data/record';
import { withRenewedReferences } from '../kinds/mapping';
import type { Registry } from '../kinds/registry';
import { diffOf } from '../project/diff';
import { maybeSteps, remember } from '../project/lineage';
import type { Binding, Json, Node, NodeId, Project, Row } from '../project/types';

/** A project as it is printed: lists that repeat a piece over rows have a piece for each row. */
export interface Expanded {
  readonly project: Project;
  /** @returns the piece that one made for a row is a copy of; of all others themselves. */
  templateOf(id: NodeId): NodeId;
}

interface Printed extends Expanded {
  readonly from: Project;
}

/** What each registry expanded last: the next one is told apart from it, so that an edit prints what it touches. */
const lastOf = new WeakMap<Registry, Printed>();
const expandedOf = new WeakMap<Project, Printed>();

const itself = (id: NodeId): NodeId => id;

/**
 * @returns the project with every repeated piece made out, the same object where nothing is repeated. Pieces that
 * stay as they are stay the same objects; those made for a row are the same as long as their template and their
 * row are.
 */
export function expanded(registry: Registry, project: Project): Expanded {
  const known = expandedOf.get(project);
  if (known) return known;
  const last = lastOf.get(registry);
  const owners = isFreeOfRows(project, last) ? [] : Object.values(project.nodes).filter(({ rows }) => rows);
  const made: Printed =
    owners.length === 0
      ? { from: project, project, templateOf: itself }
      : { from: project, ...new Expander(registry, project).all(owners) };
  if (last && last.project !== made.project && made.project !== project)
    remember(made.project, last.project, diffOf(last.project, made.project) ?? {});
  lastOf.set(registry, made);
  expandedOf.set(project, made);
  return made;
}

/** Whether an edit left a project that repeats nothing without anything that does: told without a look at all of it. */
function isFreeOfRows(project: Project, last: Printed | undefined): boolean {
  if (last?.project !== last?.from) return false;
  const steps = last ? maybeSteps(last.from, project) : null;
  return (
    steps !== null && !steps.some(({ nodes = {} }) => Object.values(nodes).some(([, after]) => after?.rows))
  );
}

/** Pieces made for rows, by their template and their ids. */
const copies = new WeakMap<Node, Map<string, { readonly row: Row; readonly node: Node }>>();

class Expander {
  private readonly nodes: Record<NodeId, Node>;
  private readonly templates = new Map<NodeId, NodeId>();

  constructor(
    private readonly registry: Registry,
    private readonly project: Project
  ) {
    this.nodes = { ...project.nodes };
  }

  all(owners: readonly Node[]): Expanded {
    for (const { id } of owners) if (!this.templates.has(id)) this.make(id, [], {});
    const { templates } = this;
    return {
      project: { ...this.project, nodes: this.nodes },
      templateOf: (id) => templates.get(id) ?? id
    };
  }

  /**
   * Makes a piece with all in it, for a row.
   * @param at the numbers of the rows it stands in, of the outermost list first.
   */
  private make(id: NodeId, at: readonly number[], row: Row): NodeId {
    const template = this.project.nodes[id]!;
    const own = this.idAt(id, at);
    const node = isEmpty(row) && own === id ? template : this.copy(template, at, row);
    const slots = this.slots(template, at, row);
    const isSame = Object.keys(slots).every((slot) => sameIds(slots[slot]!, node.slots[slot] ?? []));
    this.nodes[own] = isSame ? node : { ...node, slots };
    this.templates.set(own, id);
    return own;
  }

  private slots(template: Node, at: readonly number[], row: Row): Record<string, readonly NodeId[]> {
    const repeating = template.rows ? repeatingSlot(this.registry, template) : null;
    const made = emptyRecord<readonly NodeId[]>();
    for (const [slot, ids] of Object.entries(template.slots))
      made[slot] =
        slot === repeating && ids[0]
          ? template.rows!.map((own, n) => this.make(ids[0]!, [...at, n], { ...row, ...own }))
          : ids.map((id) => this.make(id, at, row));
    return { ...made };
  }

  /** The first row has the template itself; ids of the others carry the numbers of their rows, counted from 1. */
  private idAt(id: NodeId, at: readonly number[]): NodeId {
    if (at.every((n) => n === 0)) return id;
    let own = `${id}-row-${at.map((n) => n + 1).join('-')}`;
    while (Object.hasOwn(this.project.nodes, own)) own += '-';
    return own as NodeId;
  }

  private copy(template: Node, at: readonly number[], row: Row): Node {
    const id = this.idAt(template.id, at);
    const known = copies.get(template)?.get(id);
    if (known && sameRow(known.row, row)) return known.node;
    const bound = withRow(this.registry, template, row);
    const node = id === template.id ? bound : this.renamed(bound, id, at);
    const byId = copies.get(template) ?? new Map();
    copies.set(template, byId.set(id, { row, node }));
    return node;
  }

  /** What a copy names of its own children are the children of the copy. */
  private renamed(node: Node, id: NodeId, at: readonly number[]): Node {
    const children = Object.values(node.slots).flat();
    const inside = new Map(children.map((child) => [child, this.idAt(child, at)]));
    const named = withRenewedReferences(this.registry.of(node), node, inside);
    const slots = Object.entries(node.slots).map(([slot, ids]) => [
      slot,
      ids.map((each) => inside.get(each)!)
    ]);
    return { ...named, id, slots: Object.fromEntries(slots), copyOf: node.id };
  }
}

const sameIds = (a: readonly NodeId[], b: readonly NodeId[]): boolean =>
  a.length === b.length && a.every((id, n) => id === b[n]);

const sameRow = (a: Row, b: Row): boolean => {
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => a[key] === b[key]);
};

/** @returns the slot of a piece whose first child is repeated; null for a kind that repeats nothing. */
export const repeatingSlot = (registry: Registry, node: Node): string | null =>
  Object.entries(registry.of(node).slots).find(([, { repeats }]) => repeats)?.[0] ?? null;

/** @returns the piece with what is bound in it taken from a row; the same object where nothing is. */
export function withRow(registry: Registry, node: Node, row: Row): Node {
  if (!node.binds || isEmpty(node.binds)) return node;
  const fields = registry.of(node).settings.fields as Record<string, AnySchema>;
  const settings: Record<string, Json> = { ...node.settings };
  let { name } = node;
  for (const [key, binding] of Object.entries(node.binds)) {
    const value = valueIn(row, binding);
    if (value === null) continue;
    if (key === 'name') name = String(value) || name;
    else if (Object.hasOwn(fields, key)) {
      const fit = fitting(fields[key]!, value);
      if (fit !== null) settings[key] = fit;
    }
  }
  return { ...node, name, settings };
}

/** What stands in the row's column, or what stands there else; null where neither is. */
function valueIn(row: Row, { column, otherwise }: Binding): Row[string] {
  const value = Object.hasOwn(row, column) ? row[column]! : null;
  return value === null || value === '' ? (otherwise ?? null) : value;
}

/** The value as the field takes it; null where it does not. */
function fitting(field: AnySchema, value: NonNullable<Row[string]>): Json | null {
  if (field.isValidSync(value, { strict: true })) return value;
  const text = String(value);
  return field.isValidSync(text, { strict: true }) ? text : null;
}

import type { Box } from '$core/facts/box';
import type { Registry } from '$core/kinds/registry';
import type { Node, NodeId, Project } from '$core/project/types';

/** A section as it is drawn on the map. */
export interface DrawnSection {
  readonly id: NodeId;
  readonly name: string;
  readonly box: Box;
}

/** What was made of a box last: what an edit leaves as it is stays the same object, and is not drawn anew. */
const known = new WeakMap<Box, { readonly node: Node; readonly drawn: DrawnSection | null }>();

function maybeSection(registry: Registry, node: Node, box: Box): DrawnSection | null {
  const last = known.get(box);
  if (last?.node === node) return last.drawn;
  const isSection = registry.of(node).category === 'section';
  const drawn = isSection ? { id: node.id, name: node.name, box } : null;
  known.set(box, { node, drawn });
  return drawn;
}

/** @returns the sections of a page, of those pieces whose boxes were measured. */
export function sectionsIn(
  registry: Registry,
  project: Project,
  boxes: ReadonlyMap<NodeId, Box>
): readonly DrawnSection[] {
  const found: DrawnSection[] = [];
  for (const [id, box] of boxes) {
    const node = project.nodes[id];
    const drawn = node ? maybeSection(registry, node, box) : null;
    if (drawn) found.push(drawn);
  }
  return found;
}

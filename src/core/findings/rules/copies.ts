import type { FindingRule } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { childIds, maybePlaceOf, nodeOf } from '../../project/tree';
import type { Node, NodeId, Project } from '../../project/types';
import { sayingFields } from '../saying';

/** What two pieces of the same build still have in common; null where they are built differently. */
function inCommon(
  registry: Registry,
  project: Project,
  one: Node,
  other: Node,
  found: string[]
): string[] | null {
  if (one.kind !== other.kind) return null;
  for (const [key, what] of sayingFields(registry, one.kind)) {
    const value = one.settings[key];
    if (typeof value === 'string' && value !== '' && value === other.settings[key])
      found.push(`${what} of ${other.name}`);
  }
  const [mine, theirs] = [childIds(one), childIds(other)];
  if (mine.length !== theirs.length) return null;
  for (const [i, id] of mine.entries())
    if (!inCommon(registry, project, nodeOf(project, id), nodeOf(project, theirs[i]!), found)) return null;
  return found;
}

/** The nearest sibling before it of the same kind; for a column, a panel and the like too. */
function before(project: Project, node: Node): Node | null {
  const at = maybePlaceOf(project, node.id);
  const siblings: readonly NodeId[] = at ? (nodeOf(project, at.parent).slots[at.slot] ?? []) : [];
  for (let i = (at?.index ?? 0) - 1; i >= 0; i -= 1) {
    const sibling = nodeOf(project, siblings[i]!);
    if (sibling.kind === node.kind) return sibling;
  }
  return null;
}

/** A copy that nobody has changed yet is easily published as it is. */
export const unchangedCopy = (registry: Registry): FindingRule => ({
  id: 'unchanged-copy',
  summary: 'A piece still says what the one before it says: words, link or picture',
  kinds: null,
  scope: 'project',
  check(node, project) {
    const original = before(project, node);
    const same = original ? inCommon(registry, project, original, node, []) : null;
    if (!original || !same || same.length === 0) return [];
    return [
      {
        severity: 'warning',
        part: 'root',
        view: 'Fill',
        number: `${same.length}`,
        sentence: `${node.name} still says what ${original.name} says: ${same.slice(0, 4).join(', ')}${same.length > 4 ? ` and ${same.length - 4} more` : ''}`,
        cause: 'A copy that stays as it was is easily published by mistake. Change it, or set this aside.',
        fix: null
      }
    ];
  }
});

import { type FindingRule, type Remark, warning } from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { childIds, maybePlaceOf, nodeOf } from '../../project/tree';
import type { Node, NodeId, Project } from '../../project/types';
import { isAsItCame } from '../placeholders';
import { sayingFields } from '../saying';

/** What two pieces of one kind both say, in words: “words of Lead”. */
const saidByBoth = (registry: Registry, one: Node, other: Node): readonly string[] =>
  sayingFields(registry, one.kind)
    .filter(([key]) => isSaid(one.settings[key]) && one.settings[key] === other.settings[key])
    .filter(([key]) => !isFromColumn(one, key) && !isFromColumn(other, key))
    // What nobody has put words of their own into is told as that, not as a copy.
    .filter(([key]) => !isAsItCame(registry, one, key))
    .map(([, what]) => `${what} of ${other.name}`);

/** What comes from a column is not what stands in the piece. */
const isFromColumn = ({ binds = {} }: Node, key: string): boolean => Object.hasOwn(binds, key);

const isSaid = (value: unknown): boolean => typeof value === 'string' && value !== '';

/** What two pieces of the same build still have in common; null where they are built differently. */
function maybeInCommon(
  registry: Registry,
  project: Project,
  one: Node,
  other: Node
): readonly string[] | null {
  const [mine, theirs] = [childIds(one), childIds(other)];
  if (one.kind !== other.kind || mine.length !== theirs.length) return null;
  const found = [...saidByBoth(registry, one, other)];
  for (const [i, id] of mine.entries()) {
    const below = maybeInCommon(registry, project, nodeOf(project, id), nodeOf(project, theirs[i]!));
    if (!below) return null;
    found.push(...below);
  }
  return found;
}

/** The siblings that stand before a piece, the nearest first. */
function siblingsBefore(project: Project, { id }: Node): readonly Node[] {
  const at = maybePlaceOf(project, id);
  const row: readonly NodeId[] = at ? nodeOf(project, at.parent).slots[at.slot]! : [];
  return row
    .slice(0, at?.index)
    .reverse()
    .map((each) => nodeOf(project, each));
}

function saysTheSame(node: Node, original: Node, same: readonly string[]): Remark {
  const more = same.length > 4 ? ` and ${same.length - 4} more` : '';
  return warning({
    view: 'Fill',
    number: `${same.length}`,
    sentence: `${node.name} still says what ${original.name} says: ${same.slice(0, 4).join(', ')}${more}`,
    cause: 'A copy that stays as it was is easily published by mistake. Change it, or set this aside.'
  });
}

/** A copy that nobody has changed yet is easily published as it is. */
export const unchangedCopy = (registry: Registry): FindingRule => ({
  id: 'unchanged-copy',
  summary: 'A piece still says what the one before it says: words, link or picture',
  kinds: null,
  scope: 'project',
  check(node, project) {
    const original = siblingsBefore(project, node).find(({ kind }) => kind === node.kind);
    const same = original ? maybeInCommon(registry, project, original, node) : null;
    return same?.length ? saysTheSame(node, original!, same) : null;
  }
});

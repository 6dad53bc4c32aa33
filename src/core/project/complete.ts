import type { Diff, Json, Node, Project } from './types';

/** Fills in what documents of earlier versions did not have, so that the rest of the code need not ask. */
export const completeNode = (node: Node): Node => withShares(node.adapt ? node : { ...node, adapt: {} });

/** Two columns once had their widths as `3:2`; they are shares of one now. */
function withShares(node: Node): Node {
  const { ratio, ...settings } = (node.settings ?? {}) as Record<string, Json>;
  if (node.kind !== 'columns' || typeof ratio !== 'string' || !/^\d:\d$/.test(ratio)) return node;
  const parts = ratio.split(':').map(Number);
  const whole = parts.reduce((sum, part) => sum + part, 0);
  return { ...node, settings: { ...settings, shares: parts.map((part) => `${part}/${whole}`).join(' ') } };
}

const isComplete = (node: Node) =>
  node.adapt && !(node.kind === 'columns' && Object.hasOwn(node.settings, 'ratio'));

export function completeProject(project: Project): Project {
  const nodes = Object.values(project.nodes).every(isComplete)
    ? project.nodes
    : (Object.fromEntries(
        Object.entries(project.nodes).map(([id, node]) => [id, completeNode(node)])
      ) as Project['nodes']);
  const info =
    project.info.support && project.info.aside
      ? project.info
      : { ...project.info, support: project.info.support ?? 'widely', aside: project.info.aside ?? {} };
  return { ...project, info, nodes, tokens: project.tokens ?? {}, shelf: project.shelf ?? {} };
}

export function completeDiff(diff: Diff): Diff {
  if (
    !diff.nodes ||
    Object.values(diff.nodes).every((change) => change.every((node) => node === null || isComplete(node)))
  )
    return diff;
  const nodes = Object.fromEntries(
    Object.entries(diff.nodes).map(([id, [before, after]]) => [
      id,
      [before && completeNode(before), after && completeNode(after)] as const
    ])
  );
  return { ...diff, nodes };
}

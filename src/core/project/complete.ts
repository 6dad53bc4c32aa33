import type { Diff, Node, Project } from './types';

/** Fills in what documents of earlier versions did not have, so that the rest of the code need not ask. */
export const completeNode = (node: Node): Node => (node.adapt ? node : { ...node, adapt: {} });

export function completeProject(project: Project): Project {
  const nodes = Object.values(project.nodes).every(({ adapt }) => adapt) ? project.nodes : (Object.fromEntries(Object.entries(project.nodes).map(([id, node]) => [id, completeNode(node)])) as Project['nodes']);
  const info = project.info.support && project.info.aside ? project.info : { ...project.info, support: project.info.support ?? 'widely', aside: project.info.aside ?? {} };
  return { ...project, info, nodes, tokens: project.tokens ?? {} };
}

export function completeDiff(diff: Diff): Diff {
  if (!diff.nodes || Object.values(diff.nodes).every((change) => change.every((node) => node === null || node.adapt))) return diff;
  const nodes = Object.fromEntries(Object.entries(diff.nodes).map(([id, [before, after]]) => [id, [before && completeNode(before), after && completeNode(after)] as const]));
  return { ...diff, nodes };
}

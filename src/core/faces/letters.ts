import { subtreeIds } from '../project/tree';
import type { NodeId, Project } from '../project/types';

/**
 * What people may write into a page by hand afterwards: the printable characters of ASCII, and quotation marks and
 * dashes.
 */
export const COMMON = `${String.fromCharCode(...Array.from({ length: 95 }, (_each, i) => 32 + i))}\u00a0«»‘’“”–—…©`;

/** Every text in a value, whatever it is for: a few letters too many do no harm. */
function collect(value: unknown, into: Set<string>): void {
  if (typeof value === 'string') for (const letter of value) into.add(letter);
  else if (typeof value === 'object' && value !== null)
    for (const each of Object.values(value)) collect(each, into);
}

/** @returns every letter that the pieces under some roots may show, each once, in the order of their numbers. */
export function lettersIn(project: Project, roots: readonly NodeId[]): string {
  const found = new Set<string>();
  for (const id of roots.flatMap((root) => subtreeIds(project, root))) {
    const { name, settings, adapt } = project.nodes[id]!;
    collect([name, settings, adapt], found);
  }
  return [...found]
    .filter((letter) => letter >= ' ')
    .sort()
    .join('');
}

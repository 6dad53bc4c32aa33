import { childrenIn } from '../project/tree';
import type { Node, Project } from '../project/types';
import { heapOf, settingsUnder } from './circumstances';
import { bandAt } from './conditions';
import type { Arrangement } from './contract';
import { lookingIn } from './pictures';
import type { Registry } from './registry';
import { settingsWithDefaults } from './settings';

/**
 * @param width of the piece, px.
 * @param window width of the window it has that in, px.
 * @returns how what it holds lies for each choice of the setting that decides; null where its kind draws none, or
 * that is not known beforehand.
 */
export function arrangementsOf(
  registry: Registry,
  project: Project,
  node: Node,
  width: number,
  window: number
): Readonly<Record<string, Arrangement>> | null {
  const kind = registry.of(node);
  if (!kind.arranged) return null;
  const heap = heapOf(bandAt(project.info.bands, window));
  const settings = settingsUnder(kind, node, settingsWithDefaults(kind, node), heap);
  return kind.arranged.lay(settings, width, {
    ...lookingIn(project),
    items: (slot) => childrenIn(project, node, slot)
  });
}

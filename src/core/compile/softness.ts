import type { Registry } from '../kinds/registry';
import { subtreeOf } from '../project/tree';
import type { Node, NodeId, Project } from '../project/types';
import { hasPixels, picturesOf, shownWidth } from './renditions';

/** A screen: how wide its window is, CSS px, and how many of its own pixels each of them has (CSSOM View, 4). */
export interface Screen {
  readonly width: number;
  readonly ratio: number;
}

/** How many pictures of a piece have fewer pixels than a screen shows of them. */
function softIn(registry: Registry, project: Project, node: Node, { width, ratio }: Screen): number {
  const pictures = picturesOf(registry, project, node).filter(({ asset }) => hasPixels(asset));
  return pictures.filter(({ asset, room, covers }) => {
    const shown = shownWidth(room, width, covers ? null : asset.width);
    return asset.width! < shown * ratio;
  }).length;
}

/**
 * @param root of a page.
 * @returns how many pictures on it look soft on a screen, for want of pixels.
 */
export const softPictures = (registry: Registry, project: Project, root: NodeId, screen: Screen): number =>
  subtreeOf(project, root).reduce((sum, node) => sum + softIn(registry, project, node, screen), 0);

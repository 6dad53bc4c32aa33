import type { Box } from '../facts/box';
import { settingFix, type Facts, type KindOf, type Remark, warning } from '../kinds/finding';
import { subtreeIds } from '../project/tree';
import type { Node, Project } from '../project/types';
import { maybeStuck } from './sticky';

/** Air between what sticks and where a link lands, px (common practice, no source). */
const AIR = 16;

/** A section that sticks over what comes to rest at the top of the window, and how far down it reaches, px. */
interface Cover {
  readonly node: Node;
  readonly reach: number;
}

/** How far down from the window's top a section that sticks reaches, px; 0 for what does not stick there. */
function reachOf(box: Box): number {
  const stretch = box.insetTop === null ? null : maybeStuck(box);
  return stretch && stretch.travel > box.height ? lowerEdgeOf(box) : 0;
}

/** Where its lower edge is while it is stuck, px from the top of the window. */
const lowerEdgeOf = ({ insetTop, bottom, top }: Box): number => insetTop! + bottom - top;

/** @returns the section of a page that sticks furthest down; null where none does, or where the page keeps room. */
export function maybeCover(page: Node, project: Project, { boxes }: Facts, of: KindOf): Cover | null {
  const [cover] = subtreeIds(project, page.id)
    .filter((id) => boxes.has(id) && of(project.nodes[id]!).category === 'section')
    .map((id) => ({ node: project.nodes[id]!, reach: reachOf(boxes.get(id)!) }))
    .sort((a, b) => b.reach - a.reach);
  return cover && cover.reach > Number(page.settings.jump ?? 0) ? cover : null;
}

/** @param what comes to rest there, as a sentence begins. @param why people need it. */
export function covered(page: Node, { node, reach }: Cover, what: string, why: string): Remark {
  const room = Math.ceil(reach) + AIR;
  return warning({
    view: 'Behaviour',
    number: `${Number(page.settings.jump ?? 0)} of ${Math.ceil(reach)} px`,
    sentence: `${what} comes to rest under ${node.name}, which covers ${Math.ceil(reach)} px`,
    cause: `${why} The page can keep room for what sticks.`,
    fix: settingFix(`Keep ${room} px free at the top`, page.id, 'jump', room)
  });
}

import type { Box } from '../../facts/box';
import {
  remarks,
  settingFix,
  type Facts,
  type FindingRule,
  type KindOf,
  type Remark
} from '../../kinds/finding';
import { subtreeIds } from '../../project/tree';
import type { Node, Project } from '../../project/types';
import { maybeStuck } from '../../scroll/sticky';

/** Air between what sticks and where a link lands, px (common practice, no source). */
const AIR = 16;

const leadsInPage = ({ settings }: Node): boolean => /^#./.test(String(settings.href ?? ''));

/** How far down from the window's top a section that sticks reaches, px; 0 for what does not stick there. */
function reachOf(box: Box): number {
  const stretch = box.insetTop === null ? null : maybeStuck(box);
  return stretch && stretch.travel > box.height ? box.insetTop! + box.bottom - box.top : 0;
}

interface Cover {
  readonly node: Node;
  readonly reach: number;
}

/** The section that sticks furthest down over what links lead to; null where none does. */
function maybeCover(pieces: readonly Node[], { boxes }: Facts, of: KindOf): Cover | null {
  const found = pieces
    .filter((piece) => of(piece).category === 'section' && boxes.has(piece.id))
    .map((node) => ({ node, reach: reachOf(boxes.get(node.id)!) }))
    .sort((a, b) => b.reach - a.reach);
  return found[0] && found[0].reach > 0 ? found[0] : null;
}

function covered(page: Node, { node, reach }: Cover, jump: number): Remark {
  const room = Math.ceil(reach) + AIR;
  return {
    severity: 'warning',
    part: 'root',
    view: 'Behaviour',
    number: `${jump} of ${Math.ceil(reach)} px`,
    sentence: `What links lead to on this page comes to rest under ${node.name}, which covers ${Math.ceil(reach)} px`,
    cause:
      'People who follow a link do not see where they have come to. The page can keep room for what sticks.',
    fix: settingFix(`Let links land ${room} px below the top`, page.id, 'jump', room)
  };
}

const piecesOf = (project: Project, page: Node): readonly Node[] =>
  subtreeIds(project, page.id).map((id) => project.nodes[id]!);

export const findings: readonly FindingRule[] = [
  {
    id: 'links-under-header',
    summary: 'Links lead to where a header that sticks covers what they lead to',
    kinds: ['page'],
    scope: 'project',
    needs: ['boxes'],
    check(page, project, facts, of) {
      const pieces = piecesOf(project, page);
      const cover = pieces.some(leadsInPage) ? maybeCover(pieces, facts, of) : null;
      const jump = Number(page.settings.jump ?? 0);
      return remarks(cover && jump < cover.reach ? covered(page, cover, jump) : null);
    }
  }
];

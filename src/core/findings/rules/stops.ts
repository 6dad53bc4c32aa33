import { type Facts, type FindingRule, error } from '../../kinds/finding';
import type { Stops } from '../../facts/stops';
import type { Node, NodeId, Project } from '../../project/types';

/** A stop, with the piece it is in. */
type StopAt = Stops[number] & { readonly piece: Node };

/** Stops of a page whose pieces are still there. */
function stopsOf(page: Node, project: Project, { stops }: Facts): readonly StopAt[] {
  return (stops.get(page.id) ?? []).flatMap((stop) => {
    const piece = project.nodes[stop.node as NodeId];
    return piece ? [{ ...stop, piece }] : [];
  });
}

const nameless = ({ piece, part }: StopAt) =>
  error({
    about: piece.id,
    part,
    view: 'Fill',
    sentence: `The Tab key stops at ${piece.name}, and nothing says what it is`,
    cause:
      'It has no words and no name, so a screen reader has only “button” or “link” to say. Give it words.'
  });

const unseen = ({ piece, part, top }: StopAt) =>
  error({
    about: piece.id,
    part,
    view: 'States',
    number: `${top} px`,
    sentence: `The Tab key stops at ${piece.name}, where nobody sees it, ${top} px from the top`,
    cause:
      'It has no room there, or lies off the page, and whoever goes by keys loses the focus. Give it room, or hide it.'
  });

/** WCAG 2.2, 4.1.2 (name, role, value). */
export const namelessStop: FindingRule = {
  id: 'stop-nameless',
  summary: 'The Tab key stops at something that has no name',
  kinds: ['page'],
  scope: 'node',
  needs: ['stops'],
  check: (node, project, facts) =>
    stopsOf(node, project, facts)
      .filter(({ isNamed }) => !isNamed)
      .map(nameless)
};

/** WCAG 2.2, 2.4.7 (focus visible) and 2.4.11 (focus not obscured). */
export const unseenStop: FindingRule = {
  id: 'stop-unseen',
  summary: 'The Tab key stops at something that cannot be seen',
  kinds: ['page'],
  scope: 'node',
  needs: ['stops'],
  check: (node, project, facts) =>
    stopsOf(node, project, facts)
      .filter(({ isSeen }) => !isSeen)
      .map(unseen)
};

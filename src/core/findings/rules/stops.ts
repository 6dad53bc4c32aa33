import { type Facts, type FindingRule, error, warning } from '../../kinds/finding';
import { nodeOf, pathTo } from '../../project/tree';
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

/** Whether a style of a piece, or of one around it, says where it stands in its row: *seen-order* tells of that. */
const isOrdered = (project: Project, id: NodeId): boolean =>
  pathTo(project, id).some((each) =>
    Object.values(nodeOf(project, each).styles.root?.rest ?? {}).some((own) => own?.order !== undefined)
  );

const backwards = ({ piece, part }: StopAt, before: StopAt) =>
  warning({
    about: piece.id,
    part,
    view: 'Fill',
    sentence: `The Tab key comes to ${piece.name} after ${before.piece.name}, and it stands before that`,
    cause:
      'Whoever goes by keys is taken back over the page. Move the piece in the outline to where it is seen, or let it be seen where it stands in the outline.'
  });

/** WCAG 2.2, 2.4.3 (focus order), by where things stand at the width on show. */
export const backwardStop: FindingRule = {
  id: 'stop-backwards',
  summary: 'The Tab key goes back to something that is seen before (WCAG 2.2, 2.4.3)',
  kinds: ['page'],
  scope: 'project',
  needs: ['stops'],
  check(node, project, facts) {
    const stops = stopsOf(node, project, facts);
    return stops.flatMap((stop, i) =>
      stop.comesBack && i > 0 && !isOrdered(project, stop.piece.id) ? backwards(stop, stops[i - 1]!) : []
    );
  }
};

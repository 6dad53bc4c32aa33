import { error, type FindingRule, type Remark } from '../../kinds/finding';
import type { Node, NodeId } from '../../project/types';
import type { Lane, Run } from '../../sweep/runs';

/** The widths of a run as one says them. */
function widthsOf({ from, to }: Run, least: number): string {
  if (from === to) return `at ${from} px`;
  return from <= least ? `up to ${to} px` : `from ${from} to ${to} px`;
}

const worstOf = ({ runs }: Lane): Run => runs.reduce((worst, run) => (run.value > worst.value ? run : worst));

/** Narrowest width that a page is laid out at, px. */
const LEAST = 280;

const sticksOut = ({ id, name }: Node, lane: Lane): Remark => {
  const run = worstOf(lane);
  return error({
    about: id,
    part: lane.part,
    view: 'Widths',
    number: `${run.value} px`,
    width: run.to + 1,
    sentence: `The page scrolls sideways by ${name}, ${widthsOf(run, LEAST)}, by ${run.value} px at ${run.at} px`,
    cause:
      'It cannot get narrower than what is in it. Give it a smaller type or less padding there, shorter words, or another form.'
  });
};

const cutsText = ({ id, name }: Node, lane: Lane): Remark => {
  const run = worstOf(lane);
  return error({
    about: id,
    part: lane.part,
    view: 'Widths',
    number: `${run.value} px`,
    width: run.to + 1,
    sentence: `${name} cuts its text ${widthsOf(run, LEAST)}, by ${run.value} px at ${run.at} px`,
    cause: 'Its box is lower or narrower than its words. Let it grow with them, or make the words shorter.'
  });
};

/** A rule about one thing that the sweep over all widths found. */
const swept = (
  id: string,
  summary: string,
  what: Lane['what'],
  remark: (piece: Node, lane: Lane) => Remark
): FindingRule => ({
  id,
  summary,
  kinds: ['page'],
  scope: 'node',
  needs: ['sweeps'],
  check: (page, project, { sweeps }) =>
    (sweeps.get(page.id) ?? []).flatMap((lane) => {
      const piece = project.nodes[lane.node as NodeId];
      return lane.what === what && piece ? [remark(piece, lane)] : [];
    })
});

/** WCAG 2.2, 1.4.10 (reflow): from 320 px on nothing has to be scrolled both ways. */
export const sidewaysPage = swept(
  'page-sideways',
  'A page scrolls sideways at some widths',
  'sideways',
  sticksOut
);

/** WCAG 2.2, 1.4.4 (resize text) asks that no words are lost. */
export const cutText = swept('text-cut', 'Words are cut at some widths', 'cut', cutsText);

import { error, type FindingRule, type Remark } from '../../kinds/finding';
import type { Node, NodeId } from '../../project/types';
import { SWEEP_FROM } from '../../sweep/halving';
import type { Lane, Run } from '../../sweep/runs';

/** The widths of a run as one says them. */
function widthsOf({ from, to }: Run): string {
  if (from === to) return `at ${from} px`;
  return from <= SWEEP_FROM ? `up to ${to} px` : `from ${from} to ${to} px`;
}

const worstOf = ({ runs }: Lane): Run => runs.reduce((worst, run) => (run.value > worst.value ? run : worst));

interface Words {
  /** What is seen, before the widths at which it is. */
  readonly seen: string;
  readonly cause: string;
}

function remarkOn({ id }: Node, lane: Lane, { seen, cause }: Words): Remark {
  const run = worstOf(lane);
  return error({
    about: id,
    part: lane.part,
    view: 'Widths',
    number: `${run.value} px`,
    width: run.to + 1,
    sentence: `${seen} ${widthsOf(run)}, by ${run.value} px at ${run.at} px`,
    cause
  });
}

const sticksOut = ({ name }: Node): Words => ({
  seen: `The page scrolls sideways by ${name},`,
  cause:
    'It cannot get narrower than what is in it. ' +
    'Give it a smaller type or less padding there, shorter words, or another form.'
});

const cutsText = ({ name }: Node): Words => ({
  seen: `${name} cuts its text`,
  cause: 'Its box is lower or narrower than its words. Let it grow with them, or make the words shorter.'
});

/** A rule about one thing that the sweep over all widths found. */
const swept = (
  id: string,
  summary: string,
  what: Lane['what'],
  words: (piece: Node) => Words
): FindingRule => ({
  id,
  summary,
  kinds: ['page'],
  scope: 'node',
  needs: ['sweeps'],
  check: (page, project, { sweeps }) =>
    (sweeps.get(page.id) ?? []).flatMap((lane) => {
      const piece = project.nodes[lane.node as NodeId];
      return lane.what === what && piece ? [remarkOn(piece, lane, words(piece))] : [];
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

import { resolve } from '../../cascade/resolve';
import { parseQuantity } from '../../css/quantity';
import {
  error,
  settingFix,
  styleFix,
  takeOffFix,
  type FindingRule,
  type Fix,
  type Remark
} from '../../kinds/finding';
import type { Registry } from '../../kinds/registry';
import { nodeOf, pathTo } from '../../project/tree';
import type { Node, NodeId, Project } from '../../project/types';
import { SWEEP_FROM } from '../../sweep/span';
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

function tooWide({ id }: Node, lane: Lane, { seen, cause }: Words): Remark {
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

const withFix = (remark: Remark, fix: Fix | null): Remark => (fix ? { ...remark, fix } : remark);

type RemarkOn = (piece: Node, lane: Lane, project: Project) => Remark;

/** A rule about one thing that the sweep over all widths found. */
const swept = (id: string, summary: string, what: Lane['what'], remarkOn: RemarkOn): FindingRule => ({
  id,
  summary,
  kinds: ['page'],
  scope: 'node',
  needs: ['sweeps'],
  check: (page, project, { sweeps }) =>
    (sweeps.get(page.id) ?? []).flatMap((lane) => {
      const piece = project.nodes[lane.node as NodeId];
      return lane.what === what && piece ? [remarkOn(piece, lane, project)] : [];
    })
});

/** Words that may be broken can get as narrow as a letter. */
function breakingFix(registry: Registry, node: Node): Fix | null {
  const { breaks } = registry.of(node);
  const isSaid = breaks === undefined || node.settings[breaks] === true;
  return isSaid ? null : settingFix('Let long words break', node.id, breaks, true);
}

const sticksOut = ({ name }: Node): Words => ({
  seen: `The page scrolls sideways by ${name},`,
  cause:
    'It cannot get narrower than what is in it. ' +
    'Give it a smaller type or less padding there, shorter words, or another form.'
});

/** WCAG 2.2, 1.4.10 (reflow): from 320 px on nothing has to be scrolled both ways. */
export const sidewaysPage = (registry: Registry): FindingRule =>
  swept('page-sideways', 'A page scrolls sideways at some widths', 'sideways', (piece, lane) =>
    withFix(tooWide(piece, lane, sticksOut(piece)), breakingFix(registry, piece))
  );

const cutsText = ({ name }: Node): Words => ({
  seen: `${name} cuts its text`,
  cause: 'Its box is lower or narrower than its words. Let it grow with them, or make the words shorter.'
});

/** What is revealed lies over the box around it, which does not grow with it. */
function revealedFix(project: Project, piece: Node): Fix | null {
  const around = pathTo(project, piece.id).map((id) => nodeOf(project, id));
  const revealed = around.findLast(({ effects }) => effects?.includes('reveal'));
  if (!revealed) return null;
  return { ...takeOffFix(revealed.id, 'reveal'), label: `Let ${revealed.name} be there always` };
}

/** WCAG 2.2, 1.4.4 (resize text) asks that no words are lost. */
export const cutText = (registry: Registry): FindingRule =>
  swept('text-cut', 'Words are cut at some widths', 'cut', (piece, lane, project) =>
    withFix(
      tooWide(piece, lane, cutsText(piece)),
      revealedFix(project, piece) ?? breakingFix(registry, piece)
    )
  );

const liesOver = ({ name }: Node): Words => ({
  seen: `${name} lies over other words`,
  cause: 'Neither can be read there. Give them room, or let one of them go below the other at these widths.'
});

export const wordsOver = swept('words-over', 'Words lie over others at some widths', 'over', (piece, lane) =>
  tooWide(piece, lane, liesOver(piece))
);

/** WCAG 2.2, 2.5.8 (target size): 24 by 24 CSS px, or as far from the next. */
const TARGET_LEAST = 24;

/** A side of padding, px; 0 for one in another unit, which is replaced. */
function pxOf(side: string): number {
  const quantity = parseQuantity(side);
  return quantity?.unit === 'px' ? quantity.value : 0;
}

/** Padding on all sides that makes a part larger by so much both ways, px. */
function paddedBy(padding: string, missing: number): string {
  const [top = '0', right = top] = padding.split(' ');
  const more = Math.ceil(missing / 2);
  return `${pxOf(top) + more}px ${pxOf(right) + more}px`;
}

const leastOf = ({ runs }: Lane): Run => runs.reduce((least, run) => (run.value < least.value ? run : least));

/** A piece, or a part of it, as one names it. */
function nameOf(registry: Registry, { kind, name }: Node, part: string): string {
  const { label } = registry.kindOf(kind).anatomy[part] ?? {};
  return part === 'root' || !label ? name : `${name}, ${label},`;
}

function tooSmall(registry: Registry, piece: Node, lane: Lane, project: Project): Remark {
  const { id } = piece;
  const { part } = lane;
  const run = leastOf(lane);
  const own = resolve(registry, project, { node: id, part }).get('padding')!.value;
  const padding = paddedBy(own, TARGET_LEAST - run.value);
  return error({
    about: id,
    part,
    view: 'Widths',
    number: `${run.value} px`,
    width: run.at,
    sentence: `${nameOf(registry, piece, part)} is ${run.value} px high or wide, close to others, ${widthsOf(run)}`,
    cause: `Fingers need ${TARGET_LEAST} px. Give it more padding, or more room around it.`,
    fix: styleFix(`Give it ${padding} padding`, id, part, 'padding', padding)
  });
}

export const crowdedTarget = (registry: Registry): FindingRule =>
  swept(
    'target-crowded',
    'What is pressed is small and close to others at some widths (WCAG 2.2, 2.5.8)',
    'target',
    (piece, lane, project) => tooSmall(registry, piece, lane, project)
  );

import type { Box } from '../../facts/box';
import { bandAt } from '../../kinds/conditions';
import { effectKey } from '../../kinds/effects';
import {
  settingFix,
  type Facts,
  type FindingRule,
  type Fix,
  type KindOf,
  type Remark
} from '../../kinds/finding';
import { maybeNode, maybePlaceOf, nodeOf } from '../../project/tree';
import type { Circumstance, Node, NodeId, Project } from '../../project/types';
import { maybeStuck, roomBelow, type Stretch } from '../../scroll/sticky';
import { WINDOW_LEAST } from '../../scroll/window';

const key = (name: string): string => effectKey('sticky', name);

/** Air between a sticky header and what sticks under it, px (common practice, no source). */
const AIR = 16;

/** A piece that sticks, with where it stands and what else was measured. */
interface Stuck {
  readonly node: Node;
  readonly project: Project;
  readonly box: Box;
  readonly stretch: Stretch;
  readonly facts: Facts;
  readonly of: KindOf;
}

const sticks = ({ effects }: Node): boolean => effects?.includes('sticky') ?? false;

function maybeOf(node: Node, project: Project, facts: Facts, of: KindOf): Stuck | null {
  const box = sticks(node) ? facts.boxes.get(node.id) : undefined;
  const stretch = box && maybeStuck(box);
  return box && stretch ? { node, project, box, stretch, facts, of } : null;
}

/** A rule about what sticks, where it stands on the page on show. */
const ofStuck = (id: string, summary: string, say: (stuck: Stuck) => Remark | null): FindingRule => ({
  id,
  summary,
  kinds: null,
  scope: 'project',
  needs: ['boxes', 'elsewhere'],
  check(node, project, facts, of) {
    const stuck = maybeOf(node, project, facts, of);
    return stuck && say(stuck);
  }
});

const nameOf = (project: Project, id: string | null): string =>
  id === null ? 'The page' : (maybeNode(project, id)?.name ?? 'The page');

const REMARK = { part: 'root', view: 'Scroll' } as const;

/** What scrolls by itself, or hides what overflows, is what a piece sticks in (CSS Positioned Layout 3, 3.4). */
const clipped = ofStuck(
  'sticky-clipped',
  'What sticks stands in something that scrolls or clips by itself',
  ({ node, project, box }) => {
    if (box.scroller === null) return null;
    const around = nameOf(project, box.scroller);
    return {
      ...REMARK,
      severity: 'error',
      sentence: `${node.name} does not stick in the window: ${around} clips or scrolls`,
      cause: `It sticks inside ${around} alone. Move it out, or let something around ${around} stick.`,
      fix: null
    };
  }
);

const neverSticks = (node: Node, sentence: string, cause: string, fix: Fix | null): Remark => ({
  ...REMARK,
  severity: 'error',
  number: '0 px',
  sentence: `${node.name} never sticks: ${sentence}`,
  cause,
  fix
});

const hasNoWay = ({ box, stretch }: Stuck): boolean => box.scroller === null && stretch.travel < 1;

const stretched = ofStuck('sticky-stretched', 'What sticks is as high as its place', (stuck) => {
  if (!hasNoWay(stuck) || !stuck.box.isStretched) return null;
  const cause = 'The row makes all in it equally high, so there is no way to go.';
  const fix = settingFix('Let it keep its own height', stuck.node.id, key('own'), true);
  return neverSticks(stuck.node, 'it is stretched to the height of its row', cause, fix);
});

/** The row that a piece's place stands in, with the setting that makes all in it equally high. */
function maybeRow({
  node,
  project,
  of
}: Stuck): { readonly owner: Node; readonly equal: Fix['commands'] } | null {
  const at = maybePlaceOf(project, node.id);
  const outer = at && maybePlaceOf(project, at.parent);
  const owner = outer ? nodeOf(project, outer.parent) : null;
  const row = owner && of(owner).slots[outer!.slot]?.row;
  if (!owner || !row) return null;
  const [setting, value] = row.equal;
  return { owner, equal: [{ type: 'set-setting', id: owner.id, key: setting, value }] };
}

/** How far it could go if its place were as high as the row, px. */
const roomInRow = ({ box }: Stuck): number =>
  Math.floor(roomBelow({ ...box, withinBottom: box.outerBottom }));

function equalHeights(stuck: Stuck): Fix | null {
  const row = maybeRow(stuck);
  const room = roomInRow(stuck);
  if (!row || room < 1) return null;
  return { label: `Equal heights in ${row.owner.name}: ${room} px of travel`, commands: row.equal };
}

const noTravel = ofStuck(
  'sticky-no-travel',
  'What sticks fills its place, so it has no way to go',
  (stuck) => {
    const { node, project, box } = stuck;
    if (!hasNoWay(stuck) || box.isStretched) return null;
    const place = nameOf(project, box.within);
    const height = Math.round(box.bottom - box.top);
    const cause = `${place} around it ends where it ends. It needs a higher place, or something beside or below it there.`;
    return neverSticks(
      node,
      `it is ${height} px high and ${place} leaves no room`,
      cause,
      equalHeights(stuck)
    );
  }
);

const tooTall = ofStuck(
  'sticky-too-tall',
  'What sticks is taller than a low window',
  ({ node, box, stretch }) => {
    const height = Math.round(box.bottom - box.top);
    const inset = box.insetTop ?? box.insetBottom ?? 0;
    if (stretch.travel < 1 || height + inset <= WINDOW_LEAST) return null;
    return {
      ...REMARK,
      severity: 'warning',
      number: `${height + Math.round(inset)} of ${WINDOW_LEAST} px`,
      sentence: `${node.name} is ${height} px high and sticks ${Math.round(inset)} px from the edge: a window of ${WINDOW_LEAST} px cuts it`,
      cause:
        'What is cut comes into sight only when its place ends. Make it less high, or let only a part of it stick.',
      fix: null
    };
  }
);

const overlap = (a: Box, b: Box): boolean => a.left < b.right - 1 && b.left < a.right - 1;

/** Lower edge of something else that is stuck at the top where this one begins to be, px from the window's top. */
function edgeOver({
  node,
  box,
  stretch,
  facts
}: Stuck): { readonly id: NodeId; readonly edge: number } | null {
  for (const [id, other] of facts.boxes) {
    const held = id !== node.id && other.insetTop !== null && overlap(box, other) ? maybeStuck(other) : null;
    if (!held || held.start > stretch.start || held.end <= stretch.start) continue;
    return { id, edge: other.insetTop! + other.bottom - other.top };
  }
  return null;
}

const underHeader = ofStuck(
  'sticky-under',
  'What sticks slides under something else that sticks',
  (stuck) => {
    const { node, project, box, stretch } = stuck;
    const over = box.insetTop === null || stretch.travel < 1 ? null : edgeOver(stuck);
    if (!over || box.insetTop! >= over.edge) return null;
    const inset = Math.ceil(over.edge) + AIR;
    return {
      ...REMARK,
      severity: 'warning',
      number: `${Math.round(box.insetTop!)} of ${Math.round(over.edge)} px`,
      sentence: `${node.name} slides under ${nameOf(project, over.id)}: it sticks ${Math.round(box.insetTop!)} px from the top, and that reaches down to ${Math.round(over.edge)} px`,
      cause:
        'What is under there cannot be read. Its distance is the height of what sticks above it, and some air.',
      fix: settingFix(`Stick ${inset} px from the top`, node.id, key('inset'), inset)
    };
  }
);

/** The widest band, other than the one on show, in which it has no way to go. */
function maybeLostAt({ node, project, facts }: Stuck): Circumstance | null {
  const lost = [...facts.elsewhere].flatMap(([width, boxes]) => {
    const band = bandAt(project.info.bands, width);
    const box = boxes.get(node.id);
    const stretch = box && maybeStuck(box);
    return band !== 'always' && stretch && stretch.travel < 1 ? [band] : [];
  });
  return (['medium', 'narrow'] as const).find((band) => lost.includes(band)) ?? null;
}

/** Pieces that stand one below the other where it is narrow leave what sticks no way to go. */
const lostAt = ofStuck('sticky-lost', 'What sticks has no way to go at another width', (stuck) => {
  const { node, stretch } = stuck;
  const band = stretch.travel < 1 ? null : maybeLostAt(stuck);
  if (!band) return null;
  return {
    ...REMARK,
    severity: 'warning',
    number: '0 px',
    sentence: `${node.name} sticks here, but not where it is ${band}: there it has no way to go`,
    cause: 'What stands beside it here stands above or below it there. Switched off, it keeps nothing of it.',
    fix: {
      label: `Switch it off where it is ${band}`,
      commands: [{ type: 'set-setting', id: node.id, key: key('on'), value: false, condition: band }]
    }
  };
});

export const findings: readonly FindingRule[] = [clipped, stretched, noTravel, tooTall, underHeader, lostAt];

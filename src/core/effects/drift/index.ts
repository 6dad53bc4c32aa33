import type { Effect, EffectContext, EffectPlace, Rule } from '../../kinds/contract';
import { clamp } from '../../data/clamp';
import type { Box } from '../../facts/box';
import { rule } from '../../kinds/rule';
import { standIn, tied } from '../../kinds/scrolled';
import { driftAtEdge, driftOfPicture, driftOfPiece, growth } from '../../scroll/drift';
import { itself, viewSpan, type Span } from '../../scroll/progress';
import type { Declarations, Node } from '../../project/types';
import { about } from './about';
import { MIDDLE, settings, type DriftSettings } from './settings';

function maybeUnfit({ does, around }: EffectPlace): string | null {
  if (!around) return 'The page itself is what is scrolled. Let something on it drift.';
  if (does.includes('sticky')) return 'It sticks, and cannot drift meanwhile. Let something in it drift.';
  return null;
}

const TIMELINE = '--k-drifts';

/** How far off its place it is at a share of its way over the window, 0 to 1. @param edge how far at the end of it. */
const offAt = (edge: string, share: number): string =>
  `calc(${edge} * ${Number((2 * share - 1).toFixed(2))})`;

const offBetween = (edge: string, { from, to }: DriftSettings): Declarations => ({
  '--k-drift-from': offAt(edge, from / 100),
  '--k-drift-to': offAt(edge, to / 100)
});

/** Over which stretch of the scroll a part of its way over the window runs, px. */
const spanOf = (box: Box, from: number, to: number): Span => viewSpan(itself(box), box, 'cover', from, to);

const rangeOf = ({ from, to }: DriftSettings): string => `cover ${from}% cover ${to}%`;

/**
 * The picture behind a section drifts within it, and is made just so large that no edge of it is seen, whatever its
 * range: it is never further off than over the whole of its way.
 */
function pictureRules(own: DriftSettings, backdrop: string, root: string): readonly Rule[] {
  const share = own.speed / 100;
  const more = growth(share);
  return [
    rule(root, { overflow: 'clip', 'view-timeline': TIMELINE, 'view-timeline-inset': '0px' }),
    rule(backdrop, {
      inset: `calc(${more} * -1) 0`,
      height: `calc(100% + 2 * ${more})`,
      ...offBetween(driftOfPicture(share), own)
    }),
    ...tied(backdrop, { names: ['k-drift'], easing: 'linear', timeline: TIMELINE, range: rangeOf(own) })
  ];
}

const pieceRules = (own: DriftSettings, root: string): readonly Rule[] => [
  rule(root, offBetween(driftOfPiece(own.speed / 100), own)),
  ...tied(root, { names: ['k-drift'], easing: 'linear', timeline: 'view(0px)', range: rangeOf(own) })
];

function style(
  values: Readonly<Record<string, unknown>>,
  { root, backdrop }: EffectContext
): readonly Rule[] {
  const own = values as DriftSettings;
  return backdrop && own.what === 'picture' ? pictureRules(own, backdrop, root) : pieceRules(own, root);
}

export const drift: Effect = {
  ...about,
  settings,
  adapt: { 'less-motion': { on: false }, print: { on: false } },
  starts: ({ kind }): Node['settings'] => (kind.backdrop ? {} : { what: 'itself' }),
  maybeUnfit,
  drivenBy: ({ backdrop }) => (backdrop ? 'behind' : 'scroll'),
  style,
  attributes: (variants) => {
    const { from, to } = variants[0] as DriftSettings;
    return { dataKScrolls: `cover ${from / 100} ${to / 100}` };
  },
  behaviours: (_variants, _node, { support }) => standIn(support),
  ranges(values, box, { name }) {
    const { speed, from, to } = values as DriftSettings;
    const span = spanOf(box, from / 100, to / 100);
    const edge = driftAtEdge(speed / 100, box.bottom - box.top, box.height);
    const travel = (2 * edge * (to - from)) / 100;
    return [{ sort: 'drifts', words: `${name} drifts`, ...span, travel, moves: ['translate'] }];
  },
  rangeTo(_values, box, end, px): Node['settings'] {
    const way = spanOf(box, 0, 1);
    const share = Math.round(((px - way.start) / (way.end - way.start)) * 100);
    return end === 'start' ? { from: clamp(share, 0, MIDDLE) } : { to: clamp(share, MIDDLE, 100) };
  },
  findings: () => import('./findings')
};

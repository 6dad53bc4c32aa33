import type { Effect, EffectContext, EffectPlace, Rule } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import { standIn, tied } from '../../kinds/scrolled';
import { driftAtEdge, driftOfPicture, driftOfPiece, growth } from '../../scroll/drift';
import { itself, viewSpan } from '../../scroll/progress';
import type { Node } from '../../project/types';
import { about } from './about';
import { settings, type DriftSettings } from './settings';

function maybeUnfit({ does, around }: EffectPlace): string | null {
  if (!around) return 'The page itself is what is scrolled. Let something on it drift.';
  if (does.includes('sticky')) return 'It sticks, and cannot drift meanwhile. Let something in it drift.';
  return null;
}

const TIMELINE = '--k-drifts';

/** The picture behind a section drifts within it, and is made just so large that no edge of it is seen. */
function pictureRules(share: number, backdrop: string, root: string): readonly Rule[] {
  const more = growth(share);
  return [
    rule(root, { overflow: 'clip', 'view-timeline': TIMELINE, 'view-timeline-inset': '0px' }),
    rule(backdrop, {
      inset: `calc(${more} * -1) 0`,
      height: `calc(100% + 2 * ${more})`,
      '--k-drift': driftOfPicture(share)
    }),
    ...tied(backdrop, { names: ['k-drift'], easing: 'linear', timeline: TIMELINE, range: 'cover' })
  ];
}

const pieceRules = (share: number, root: string): readonly Rule[] => [
  rule(root, { '--k-drift': driftOfPiece(share) }),
  ...tied(root, { names: ['k-drift'], easing: 'linear', timeline: 'view(0px)', range: 'cover' })
];

function style(
  values: Readonly<Record<string, unknown>>,
  { root, backdrop }: EffectContext
): readonly Rule[] {
  const { speed, what } = values as DriftSettings;
  if (backdrop && what === 'picture') return pictureRules(speed / 100, backdrop, root);
  return pieceRules(speed / 100, root);
}

export const drift: Effect = {
  ...about,
  settings,
  adapt: { 'less-motion': { on: false }, print: { on: false } },
  starts: ({ kind }): Node['settings'] => (kind.backdrop ? {} : { what: 'itself' }),
  maybeUnfit,
  drivenBy: ({ backdrop }) => (backdrop ? 'behind' : 'scroll'),
  style,
  attributes: () => ({ dataKScrolls: 'cover 0 1' }),
  behaviours: (_variants, _node, { support }) => standIn(support),
  ranges(values, box, { name }) {
    const { speed } = values as DriftSettings;
    const span = viewSpan(itself(box), box, 'cover', 0, 1);
    const travel = 2 * driftAtEdge(speed / 100, box.bottom - box.top, box.height);
    return [{ sort: 'drifts', words: `${name} drifts`, ...span, travel, moves: ['translate'] }];
  },
  findings: () => import('./findings')
};

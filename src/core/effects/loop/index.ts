import type { Effect, EffectPlace, Rule } from '../../kinds/contract';
import { PLAYS_UNLESS_STOPPED } from '../../kinds/playing';
import { rule } from '../../kinds/rule';
import { staggers, type Track } from '../../motion/track';
import type { Declarations } from '../../project/types';
import { about } from './about';
import { settings, type LoopSettings } from './settings';
import { loopOf, ownValues } from './timing';

/** More pieces than this loop together with the last of them. */
const STEPS_MOST = 24;

function maybeUnfit({ does, around }: EffectPlace): string | null {
  if (!around) return 'The page itself stands still. Let something on it loop.';
  if (does.includes('enter'))
    return 'It enters by a movement of its own. Take that off, or let something in it loop.';
  return null;
}

const offsetsOf = (track: Track, children: number): readonly number[] =>
  staggers(track, Math.min(children, STEPS_MOST));

const heldRules = (selector: string, held: boolean): readonly Rule[] =>
  [':hover', ':focus-within'].map((when) =>
    rule(`${selector}${when}`, { 'animation-play-state': held ? 'paused' : PLAYS_UNLESS_STOPPED })
  );

const looping = (own: LoopSettings, offset?: number): Declarations => ({
  animation: loopOf(own, offset),
  'animation-play-state': PLAYS_UNLESS_STOPPED
});

export const loop: Effect = {
  ...about,
  settings,
  adapt: { 'less-motion': { on: false }, print: { on: false } },
  maybeUnfit,
  drivenBy: () => 'time',
  style(values, { root, holder, children, inner }) {
    const own = values as LoopSettings;
    // What fills the window keeps its box, and what is in it moves within that.
    const alone = inner ?? root;
    const moved = own.children ? `${holder} > *` : alone;
    const each = own.children
      ? offsetsOf(own.track, children).map((offset, i) =>
          rule(`${holder} > :nth-child(${i + 1})`, looping(own, offset))
        )
      : [rule(alone, looping(own))];
    const clip = inner ? [rule(root, { overflow: 'clip' })] : [];
    return [
      ...clip,
      rule(root, { '--k-far': String(own.far), ...ownValues(own) }),
      ...each,
      ...heldRules(moved, own.held)
    ];
  },
  findings: () => import('./findings')
};

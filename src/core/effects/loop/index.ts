import type { Effect, EffectPlace, Rule } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import { staggers, type Track } from '../../motion/track';
import { about } from './about';
import { settings, type LoopSettings } from './settings';
import { loopOf } from './timing';

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
    rule(`${selector}${when}`, { 'animation-play-state': held ? 'paused' : 'running' })
  );

export const loop: Effect = {
  ...about,
  settings,
  adapt: { 'less-motion': { on: false }, print: { on: false } },
  maybeUnfit,
  style(values, { root, holder, children }) {
    const own = values as LoopSettings;
    const moved = own.children ? `${holder} > *` : root;
    const each = own.children
      ? offsetsOf(own.track, children).map((offset, i) =>
          rule(`${holder} > :nth-child(${i + 1})`, { animation: loopOf(own, offset) })
        )
      : [rule(root, { animation: loopOf(own) })];
    return [rule(root, { '--k-far': String(own.far) }), ...each, ...heldRules(moved, own.held)];
  },
  findings: () => import('./findings')
};

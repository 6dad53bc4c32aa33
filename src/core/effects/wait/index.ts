import type { Effect, EffectPlace } from '../../kinds/contract';
import { animationOf } from '../../kinds/entrance';
import { rule } from '../../kinds/rule';
import { STILL_TRACK } from '../../motion/track';
import { compact, defined } from '../../data/compact';
import { about } from './about';
import { anatomy, look } from './anatomy';
import { leaves, notice, noticeRules } from './leaving';
import { settings, type WaitSettings } from './settings';

function maybeUnfit({ does, around }: EffectPlace): string | null {
  if (!around) return 'The page itself has to be there. Let its sections wait.';
  // Both hold it back, each by a movement of its own.
  if (does.includes('enter'))
    return 'It enters when it comes into view. Take that off, or let what is around it wait.';
  return null;
}

/** What the behaviour is told: ms, from when, how often, and under which name that is remembered. */
const optionsOf = ({ seconds, after, times }: WaitSettings, id: string): string =>
  [Math.round(seconds * 1000), after, times, id].join(' ');

export const wait: Effect = {
  ...about,
  settings,
  adapt: { 'less-motion': { track: STILL_TRACK }, print: { on: false } },
  maybeUnfit,
  drivenBy: () => 'time',
  anatomy,
  look,
  around(holder, values, node, ctx) {
    const own = values as WaitSettings;
    return leaves(own, node) ? { ...holder, children: [...holder.children, notice(own, ctx)] } : holder;
  },
  style(values, ctx) {
    const { root } = ctx;
    const { room, scroll, track } = values as WaitSettings;
    const rules = [
      ...noticeRules(ctx),
      rule(root, { animation: animationOf(track) }),
      rule(
        `${root}[data-waiting]`,
        room ? { visibility: 'hidden', animation: 'none' } : { display: 'none' },
        'script'
      )
    ];
    if (!scroll) return rules;
    // Told to the script; with less motion the page is there at once.
    return [
      ...rules,
      rule(root, { '--k-wait': 'glides' }),
      rule(root, { '--k-wait': 'jumps' }, 'less-motion')
    ];
  },
  attributes(variants, node) {
    const own = variants[0] as WaitSettings;
    return defined({
      dataKWait: optionsOf(own, node.id),
      dataKLeaves: leaves(own, node) ? '' : undefined
    });
  },
  behaviours: (variants, node) =>
    compact(['wait', leaves(variants[0] as WaitSettings, node) ? 'leaves' : null]),
  clock: 'wait',
  spans(values, { above, within }, node) {
    const own = values as WaitSettings;
    const { seconds, scroll, leaveAfter } = own;
    const waiting = {
      label: 'Waits',
      start: 0,
      end: seconds,
      takesAway: scroll,
      read: 'above',
      reading: above
    };
    const leaving = {
      label: 'Then the page is left',
      start: seconds,
      end: seconds + leaveAfter,
      takesAway: true,
      read: 'in it',
      reading: within
    };
    return compact([waiting, leaves(own, node) ? leaving : null]);
  },
  // Its box says how far the page grows, and what stands above it.
  ranges: () => [],
  findings: () => import('./findings')
};

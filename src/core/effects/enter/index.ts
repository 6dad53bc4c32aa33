import type { Effect, EffectPlace, EffectValues, Rule } from '../../kinds/contract';
import { animationOf } from '../../kinds/entrance';
import { clamp } from '../../data/clamp';
import { rule } from '../../kinds/rule';
import { compact } from '../../data/compact';
import { moves, staggers } from '../../motion/track';
import type { Node } from '../../project/types';
import { inViewAt } from '../../scroll/in-view';
import { about } from './about';
import { settings, type EnterSettings } from './settings';

/** More pieces than this enter together with the last of them: nobody waits for a longer row. */
const STEPS_MOST = 24;

const NOT_YET = { animation: 'none', opacity: '0' };

function maybeUnfit({ does, around }: EffectPlace): string | null {
  if (!around) return 'The page itself is always in view. Let its sections enter.';
  // Both hold it back, each by a movement of its own.
  if (does.includes('wait'))
    return 'It comes at the end of its wait. Take that off, or let what is around it enter.';
  return null;
}

/** Each piece a step after the one before; those that start at once need no rule of their own. */
function staggerRules({ track }: EnterSettings, holder: string, children: number): readonly Rule[] {
  const offsets = staggers(track, Math.min(children, STEPS_MOST));
  return offsets.map((offset, i) =>
    rule(`${holder} > :nth-child(${i + 1})`, {
      animation: animationOf({ ...track, delay: track.delay + offset })
    })
  );
}

/** What enters while the script holds it back: it is not to be seen until it may. */
const waiting = (selector: string): Rule => rule(selector, NOT_YET, 'script');

/** What the behaviour is told: the share in view, and whether it enters more than once. */
function optionsOf({ share, again }: EnterSettings): string {
  return compact([`${share}`, again && 'again']).join(' ');
}

const isMoving = (variants: readonly EffectValues[]): boolean =>
  variants.some((values) => moves((values as EnterSettings).track));

export const enter: Effect = {
  ...about,
  settings,
  adapt: { 'less-motion': { on: false }, print: { on: false } },
  starts: ({ kind }): Node['settings'] => (kind.category === 'section' ? { children: true } : {}),
  maybeUnfit,
  drivenBy: () => 'time',
  style(values, { root, holder, children }) {
    const own = values as EnterSettings;
    if (!own.children)
      return [rule(root, { animation: animationOf(own.track) }), waiting(`${root}[data-waiting]`)];
    const held = holder === root ? `${root}[data-waiting]` : `${root}[data-waiting] ${holder}`;
    return [...staggerRules(own, holder, children), waiting(`${held} > *`)];
  },
  attributes: (variants) =>
    isMoving(variants) ? { dataKEnter: optionsOf(variants[0] as EnterSettings) } : {},
  behaviours: (variants) => (isMoving(variants) ? ['enter'] : []),
  clock: 'view',
  ranges(values, box, { name }) {
    const at = inViewAt(box, (values as EnterSettings).share / 100);
    return [{ sort: 'comes', words: `${name} enters`, start: at, end: at, travel: null }];
  },
  rangeTo(_values, { top, bottom, height }, end, px) {
    if (end === 'end') return null;
    const share = (px - top + height) / Math.min(bottom - top, height);
    return { share: Math.round(clamp(share, 0, 1) * 100) };
  },
  findings: () => import('./findings')
};

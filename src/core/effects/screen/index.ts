import type { Effect, EffectPlace } from '../../kinds/contract';
import { clamp } from '../../data/clamp';
import { rule } from '../../kinds/rule';
import { restsOf } from '../../scroll/snap';
import { about } from './about';
import { LESS_MOST, settings, type ScreenSettings } from './settings';

function maybeUnfit({ kind, does }: EffectPlace): string | null {
  if (kind.category !== 'section')
    return 'A whole section fills the screen. Put the piece into a section of its own.';
  if (does.includes('sideways'))
    return 'It is held for as long as it goes sideways, and is higher than the screen.';
  if (does.includes('sticky')) return 'What sticks is never where the page could come to rest on it.';
  return null;
}

export const screen: Effect = {
  ...about,
  settings,
  adapt: { 'less-motion': { snap: 'none' }, print: { on: false } },
  maybeUnfit,
  style(values, { root, outer }) {
    const { unit, less, snap, stop } = values as ScreenSettings;
    const kind = snap === 'none' ? 'none' : `y ${snap}`;
    return [
      // The page is told by what stands in it, so that pages without such a section have no rule for it.
      rule(`:where(html:has(${root}))`, { 'scroll-snap-type': kind }),
      rule(outer, {
        'min-height': `calc(100${unit} - ${less}px)`,
        'scroll-margin-top': `${less}px`,
        'scroll-snap-align': snap === 'none' ? 'none' : 'start',
        'scroll-snap-stop': stop ? 'always' : 'normal'
      })
    ];
  },
  ranges(values, box, { name }) {
    const { less, snap } = values as ScreenSettings;
    if (snap === 'none') return [];
    const { start, end } = restsOf(
      { top: box.top, bottom: box.bottom, align: 'start', margin: less },
      { height: box.height, before: 0, after: 0, most: box.whole - box.height }
    );
    return [{ sort: 'comes', words: `${name} rests`, start, end, travel: null }];
  },
  // It rests where its top is just below what it leaves free.
  rangeTo: (_values, { top }, _end, px) => ({ less: Math.round(clamp(top - px, 0, LESS_MOST)) }),
  findings: () => import('./findings')
};

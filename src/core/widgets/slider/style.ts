import { printValue } from '../../css/tokens';
import { compact } from '../../data/compact';
import type { Condition, Context, Rule } from '../../kinds/contract';
import { PLAYS_UNLESS_STOPPED } from '../../kinds/playing';
import { OWN_REST } from '../../kinds/round';
import { FILLS } from '../../kinds/filling';
import { fromRight, KEEPS_FILL, rule } from '../../kinds/rule';
import { moves } from '../../motion/track';
import type { Declarations, Node } from '../../project/types';
import { behaviours, everPlays, THUMB } from './markup';
import type { SliderSettings } from './settings';

/** How long a page waits for a script that does not come. */
const WAIT = '4s';

/** @returns the width of a slide, of which `visible` fill the window with the gaps between them. */
export const slideWidth = ({ visible, gap }: Pick<SliderSettings, 'visible' | 'gap'>): string => {
  const gaps = (Math.ceil(visible) - 1) * gap;
  const room = gaps > 0 ? `(100% - ${gaps}px)` : '100%';
  return visible === 1 ? '100%' : `calc(${room} / ${visible})`;
};

const moveOf = ({ move }: SliderSettings): number => (moves(move) ? move.ms : 0);

/** Told to the script: what may differ under conditions. */
const toldRules = (root: string, own: SliderSettings): readonly Rule[] => [
  rule(root, {
    '--k-step': String(own.step),
    '--k-align': own.align === 'center' ? '0.5' : '0',
    '--k-move': String(moveOf(own)),
    '--k-ease': printValue(own.move.easing)
  })
];

/**
 * Room to go round in, which the script says; what is laid elsewhere makes none. On paper each slide stands in its
 * own place, whatever the script has written on it.
 */
const roundRules = (view: string, slide: string): readonly Rule[] => [
  rule(`${view}::after`, {
    content: '""',
    position: 'absolute',
    'inset-block-start': '0',
    'inset-inline-start': 'var(--k-room, 0)',
    width: '1px',
    height: '1px'
  }),
  rule(`${view}::after`, { content: 'none' }, 'print'),
  rule(slide, { left: 'auto !important', 'margin-inline-start': '0 !important' }, 'print')
];

function stripRules(own: SliderSettings, ctx: Context): readonly Rule[] {
  const [view, strip, slide] = [ctx.sel('view'), ctx.sel('strip'), ctx.sel('slide')];
  return [
    rule(view, {
      position: 'relative',
      'overflow-x': 'auto',
      'overscroll-behavior-x': 'contain',
      'scroll-snap-type': 'x mandatory'
    }),
    // Arrows, dots and drags do what a bar would.
    rule(view, { 'scrollbar-width': 'none' }, 'script'),
    rule(strip, {
      display: 'flex',
      gap: `${own.gap}px`,
      'align-items': own.heights === 'equal' ? 'stretch' : 'flex-start'
    }),
    rule(slide, {
      position: 'relative',
      display: 'flex',
      'flex-direction': 'column',
      flex: `0 0 ${slideWidth(own)}`,
      'min-width': '0',
      height: own.height || 'auto',
      'scroll-snap-align': own.align
    }),
    rule(view, { overflow: 'visible' }, 'print'),
    rule(strip, { 'flex-wrap': 'wrap' }, 'print')
  ];
}

/** One over the other, of which the current one is seen. Without script they stand below one another. */
function fadeRules(own: SliderSettings, ctx: Context): readonly Rule[] {
  const [root, view, strip, slide] = ['root', 'view', 'strip', 'slide'].map((part) => ctx.sel(part)) as [
    string,
    string,
    string,
    string
  ];
  const on = `${root}[data-k-on] ${slide}`;
  const fading = `opacity ${moveOf(own)}ms ${printValue(own.move.easing)}`;
  return [
    rule(view, { position: 'relative' }),
    rule(strip, {
      display: 'grid',
      'grid-template-columns': 'minmax(0, 1fr)',
      gap: `${own.gap}px`,
      'align-items': own.heights === 'equal' ? 'stretch' : 'start'
    }),
    rule(slide, {
      display: 'flex',
      'flex-direction': 'column',
      'min-width': '0',
      height: own.height || 'auto'
    }),
    rule(
      `${root}:not([data-k-on]) ${slide}:not([aria-current])`,
      { animation: `k-wait-stacked ${WAIT}` },
      'script'
    ),
    rule(
      on,
      {
        'grid-area': '1 / 1',
        opacity: '0',
        visibility: 'hidden',
        transition: `${fading}, visibility 0s ${moveOf(own)}ms`
      },
      'script'
    ),
    rule(`${on}[aria-current]`, { opacity: '1', visibility: 'visible', transition: fading }, 'script')
  ];
}

const OVER: Declarations = { position: 'absolute', 'z-index': '1', inset: 'auto 12px 12px auto' };

/** What does nothing without script is there with one only, and goes where that never comes. */
function controlRules({ place }: SliderSettings, ctx: Context): readonly Rule[] {
  const root = ctx.sel('root');
  const waiting = (part: string): Rule =>
    rule(
      `${root}:not([data-k-on]) > ${ctx.sel(part)}`,
      { animation: `k-gone 1ms ${WAIT} forwards` },
      'script'
    );
  const shown = (part: string, declarations: Declarations): readonly Rule[] => [
    rule(ctx.sel(part), { display: 'none' }),
    rule(ctx.sel(part), { display: 'flex', ...declarations }, 'script'),
    waiting(part)
  ];
  const bar = place === 'over' ? OVER : { 'justify-content': 'flex-end' };
  return [
    ...shown('bar', { 'align-items': 'center', ...bar }),
    ...shown('dots', { 'flex-wrap': 'wrap', 'justify-content': 'center' }),
    ...shown('counter', { 'justify-content': 'center' }),
    rule(ctx.sel('counter'), { margin: '0', 'font-variant-numeric': 'tabular-nums' }),
    ...['arrow', 'hold', 'dot'].map((part) => rule(ctx.sel(part), { font: 'inherit' })),
    rule(fromRight(`${ctx.sel('arrow')} > span`), { display: 'inline-block', scale: '-1 1' }),
    rule(ctx.sel('dot'), { display: 'block', 'flex-shrink': '0' }),
    rule(`${ctx.sel('dots')} > [hidden]`, { display: 'none' }),
    rule(ctx.sel('said'), {
      position: 'absolute',
      width: '1px',
      height: '1px',
      margin: '0',
      overflow: 'hidden',
      'clip-path': 'inset(50%)',
      'white-space': 'nowrap'
    })
  ];
}

/** Holds as long as one of these is so. */
const heldBy = (root: string, { holdOver }: SliderSettings): readonly string[] =>
  compact([
    `${root}:is([data-held="true"], [data-away])`,
    `${root}:not([data-held="false"]):focus-within`,
    holdOver ? `${root}:not([data-held="false"]):hover` : null
  ]);

const periodOf = (rest: number, own: SliderSettings): string => `${rest * 1000 + moveOf(own)}ms`;

/** A slide that rests for a time of its own tells the clock so while it is the current one. */
function ownRests(own: SliderSettings, items: readonly Node[], ctx: Context): readonly Rule[] {
  const [root, slide] = [ctx.sel('root'), ctx.sel('slide')];
  const nth = (i: number) => `${root}:has(> * > * > ${slide}[aria-current]:nth-child(${i + 1}))`;
  return items.flatMap(({ settings }, i) =>
    settings[OWN_REST] ? [rule(nth(i), { '--k-rest': periodOf(Number(settings[OWN_REST]), own) })] : []
  );
}

/**
 * A line that is seen grows all the time. One that is not takes one step a rest: else the browser would work its
 * style out for every frame, as long as the page is open.
 */
const clockOf = (own: SliderSettings): string =>
  `k-round var(--k-rest, ${periodOf(own.rest, own)}) ${own.progress ? 'linear' : 'steps(1)'} infinite`;

const playing = (own: SliderSettings): Declarations => ({
  animation: own.plays ? clockOf(own) : 'none',
  'animation-play-state': PLAYS_UNLESS_STOPPED
});

/** The clock of what plays is an endless animation, which holds, slows and runs backwards as any other does. */
function playingRules(own: SliderSettings, ctx: Context): readonly Rule[] {
  const [root, progress] = [ctx.sel('root'), ctx.sel('progress')];
  const used: readonly Condition[] = ['script', 'used'];
  return [
    rule(progress, {
      ...KEEPS_FILL,
      height: '3px',
      'transform-origin': '0 50%',
      visibility: own.progress ? 'visible' : 'hidden',
      // One that is not seen is still the clock; it takes no room, nor the gap after it.
      position: own.progress ? 'static' : 'absolute'
    }),
    rule(fromRight(progress), { 'transform-origin': '100% 50%' }),
    rule(progress, { display: 'none' }, 'print'),
    rule(progress, playing(own), ...used),
    ...ownRests(own, ctx.items('panels'), ctx),
    ...heldBy(root, own).map((held) =>
      rule(`${held} > ${progress}`, { 'animation-play-state': 'paused' }, ...used)
    )
  ];
}

/** The slides up to the current one are counted, and all of them, by the browser (CSS Lists 3, section 4). */
function counterRules(count: number, ctx: Context): readonly Rule[] {
  const slide = ctx.sel('slide');
  return [
    rule(ctx.sel('root'), { 'counter-reset': 'k-slide' }),
    rule(`${slide}:is([aria-current], :has(~ [aria-current]))`, { 'counter-increment': 'k-slide' }),
    rule(`${ctx.sel('counter')}::before`, { content: `counter(k-slide) " / ${count}"` })
  ];
}

/** Pictures are as wide as their slide, and cut to its height where it has one. */
function pictureRules({ stretch, height }: SliderSettings, node: Node, ctx: Context): readonly Rule[] {
  const slide = ctx.sel('slide');
  const picture = { height: height ? '100%' : 'auto', 'object-fit': 'cover' };
  const rules = ['img', ':where(picture) > img'].map((each) =>
    rule(`${slide} > ${each}`, { width: stretch ? '100%' : 'auto', ...picture })
  );
  const hasHeight = ctx.variants<SliderSettings>(node).some((each) => each.height !== '');
  // The place of a picture that is not chosen yet.
  return hasHeight ? [...rules, rule(`${slide} > div:empty`, { height: picture.height })] : rules;
}

const thumbRules = (ctx: Context): readonly Rule[] => [
  rule(ctx.sel('thumb'), { font: 'inherit', 'line-height': '0' }),
  rule(`${ctx.sel('thumb')} > img`, {
    width: `${THUMB}px`,
    height: `${(THUMB * 3) / 4}px`,
    'object-fit': 'cover'
  })
];

/** Rules of what only some sliders have. */
function moreRules(own: SliderSettings, node: Node, ctx: Context): readonly Rule[] {
  const asked = behaviours(node, ctx);
  const view = ctx.sel('view');
  const found: Rule[] = [];
  if (own.thumbs) found.push(...thumbRules(ctx));
  if (own.counter) found.push(...counterRules(ctx.items('panels').length, ctx));
  if (asked.includes('rounds')) found.push(...roundRules(view, ctx.sel('slide')));
  if (asked.includes('drags')) found.push(rule(`${view}:hover`, { cursor: 'grab' }, 'script'));
  if (everPlays(node, ctx)) found.push(...playingRules(own, ctx));
  return found;
}

export function style(node: Node, ctx: Context): readonly Rule[] {
  const own = ctx.settings<SliderSettings>(node);
  const root = ctx.sel('root');
  return [
    rule(root, {
      display: 'flex',
      'flex-direction': 'column',
      position: 'relative',
      'min-width': '0',
      ...FILLS
    }),
    ...toldRules(root, own),
    ...(own.form === 'fade' ? fadeRules : stripRules)(own, ctx),
    ...controlRules(own, ctx),
    ...moreRules(own, node, ctx),
    ...pictureRules(own, node, ctx)
  ];
}

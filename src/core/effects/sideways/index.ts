import type { Element } from 'hast';
import type { Context, Effect, EffectContext, EffectPlace, EffectValues, Rule } from '../../kinds/contract';
import { clamp } from '../../data/clamp';
import { fromRight, rule } from '../../kinds/rule';
import { standIn, tied } from '../../kinds/scrolled';
import type { Declarations, Node } from '../../project/types';
import { passage, windowsToGo } from '../../scroll/sideways';
import { about } from './about';
import { PACE_LEAST, PACE_MOST, settings, type SidewaysSettings } from './settings';

/** Where its own pieces cannot be followed by the scroll of a page, or by a hand that swipes the other way. */
const OFF = { on: false };

function maybeUnfit({ kind, does }: EffectPlace): string | null {
  if (kind.category !== 'section')
    return 'A whole section goes sideways. Put the pieces into a section of their own, and let that go.';
  if (does.includes('collapse'))
    return 'It is opened and closed, and has no height of its own to be held for.';
  return null;
}

const rounded = (value: number): string => String(Number(value.toFixed(4)));

const isStrip = ({ form }: SidewaysSettings): boolean => form === 'strip';

/** Height of the held window: what a sticky header leaves of the screen. */
const windowHeight = ({ inset }: SidewaysSettings): string => `100svh - ${inset}px`;

/** How long it is held: the way it goes at its pace, and its rests. */
function heldFor({ pace, panel, before, after }: SidewaysSettings, children: number): string {
  const way = windowsToGo(children, panel / 100) / pace;
  return `${rounded(way * 100)}vw + ${before + after}svh`;
}

function heightOf(own: SidewaysSettings, children: number): string {
  if (isStrip(own)) return 'auto';
  return own.height || `calc(${windowHeight(own)} + ${heldFor(own, children)})`;
}

/** Rests as lengths at both ends of the stretch in which the held window fills the window. */
const rangeOf = ({ before, after }: SidewaysSettings): string =>
  `contain ${before === 0 ? '0%' : `${before}svh`} contain calc(100% - ${after}svh)`;

const windowRules = (own: SidewaysSettings): Declarations => ({
  position: isStrip(own) ? 'static' : 'sticky',
  top: `${own.inset}px`,
  height: isStrip(own) ? 'auto' : `calc(${windowHeight(own)})`,
  'container-type': 'inline-size',
  overflow: isStrip(own) ? 'auto hidden' : 'clip',
  'scroll-snap-type': isStrip(own) ? 'x mandatory' : 'none'
});

function stripRules(own: SidewaysSettings, holder: string): readonly Rule[] {
  return [
    rule(holder, {
      display: 'flex',
      'flex-direction': 'row',
      'flex-wrap': 'nowrap',
      width: 'max-content',
      'max-width': 'none',
      height: '100%',
      'margin-inline': '0'
    }),
    rule(fromRight(holder), { '--k-way': '-1' }),
    rule(`${holder} > *`, {
      flex: '0 0 auto',
      width: `${own.panel}cqw`,
      'max-width': 'none',
      // Pinned, its pieces would be places for the page itself to rest at.
      'scroll-snap-align': isStrip(own) ? 'start' : 'none'
    })
  ];
}

function style(values: EffectValues, { root, holder, children }: EffectContext): readonly Rule[] {
  const own = values as SidewaysSettings;
  return [
    rule(`${root}-sideways`, {
      height: heightOf(own, children),
      'align-self': 'stretch',
      'min-width': '0',
      'view-timeline': '--k-sideways',
      'view-timeline-inset': `${own.inset}px calc(100vh - 100svh)`
    }),
    rule(`${root}-sideways-window`, windowRules(own)),
    ...stripRules(own, holder),
    ...tied(holder, {
      names: isStrip(own) ? [] : ['k-sideways'],
      easing: 'linear',
      timeline: '--k-sideways',
      range: rangeOf(own)
    })
  ];
}

/** The room it is scrolled through, the window that is held in it, and the strip that goes by in that. */
function around(strip: Element, values: EffectValues, _node: Node, ctx: Context): Element {
  const { inset, before, after } = values as SidewaysSettings;
  const told = {
    dataKScrolls: `contain 0 1 ${before} ${after}`,
    dataKPanels: `${inset} ${before} ${after}`
  };
  return ctx.part('sideways', 'div', told, [ctx.part('sideways-window', 'div', {}, [strip])]);
}

export const sideways: Effect = {
  ...about,
  settings,
  adapt: { narrow: OFF, touch: OFF, 'less-motion': OFF, 'no-script': OFF, print: OFF },
  maybeUnfit,
  drivenBy: () => 'scroll',
  anatomy: {
    sideways: { label: 'way sideways', states: {} },
    'sideways-window': { label: 'held window', states: {}, on: 'sideways' }
  },
  around,
  style,
  behaviours: (_variants, _node, { support }) => [...standIn(support), 'panels'],
  ranges(values, box, node) {
    const own = values as SidewaysSettings;
    if (isStrip(own)) return [];
    const share = box.height / 100;
    const { start, end, travel } = passage({
      top: box.runTop,
      height: box.runBottom - box.runTop,
      windowWidth: box.runWidth,
      windowHeight: box.height - own.inset,
      stripWidth: box.runLength,
      inset: own.inset,
      before: own.before * share,
      after: own.after * share
    });
    const words = `${node.name} goes sideways`;
    return [{ sort: 'sideways', words, start, end, travel: -travel, moves: ['translate'] }];
  },
  rangeTo(values, box, end, px): Node['settings'] | null {
    const own = values as SidewaysSettings;
    const first = box.runTop - own.inset;
    const percent = (way: number) => Math.round(clamp((way / box.height) * 100, 0, 100));
    if (end === 'start') return { before: percent(px - first) };
    const length = px - first - (own.before / 100) * box.height;
    if (length <= 0) return null;
    // How far it goes stays; how fast follows from how long it takes.
    const pace = (box.runLength - box.runWidth) / length;
    return { height: '', pace: Number(clamp(pace, PACE_LEAST, PACE_MOST).toFixed(3)) };
  },
  findings: () => import('./findings')
};

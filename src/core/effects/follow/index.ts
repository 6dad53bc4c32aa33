import type { Box } from '../../facts/box';
import type { Effect, EffectContext, EffectPlace, EffectValues, Rule } from '../../kinds/contract';
import { momentsOf } from '../../kinds/moments';
import { clamp } from '../../data/clamp';
import { rule } from '../../kinds/rule';
import { standIn, tied } from '../../kinds/scrolled';
import { itself, itsRun, itsSection, viewSpan, type Span } from '../../scroll/progress';
import { about } from './about';
import { settings, SHARE_LEAST, SHARE_MOST, type FollowSettings } from './settings';
import { TIED, TIED_PROPERTIES, type TiedProperty } from './tied';

const maybeUnfit = ({ around }: EffectPlace): string | null =>
  around ? null : 'The page itself is what is scrolled. Let something on it follow.';

/** Properties that are written. */
const changesOf = (own: FollowSettings): readonly TiedProperty[] =>
  TIED_PROPERTIES.filter((property) => momentsOf(own[property]).length > 0);

const SECTION = '--k-section';

const TIMELINES: Readonly<Record<string, string>> = {
  section: SECTION,
  sideways: '--k-sideways',
  page: 'scroll(root)',
  px: 'scroll(root)'
};

/** Names of the range in the timeline, where they are others than the setting's own. */
const RANGES: Readonly<Record<string, string>> = { section: 'cover ', sideways: 'contain ', page: '' };

function rangeOf({ over, from, to, start, end }: FollowSettings): string {
  if (over === 'px') return `${start}px ${end}px`;
  const name = RANGES[over] ?? `${over} `;
  return `${name}${from}% ${name}${to}%`;
}

/** The section that a piece stands in is told by it, so that no other section has a timeline. */
const sectionRule = (root: string): Rule =>
  rule(`:where(body, main) > :where(:has(${root}))`, {
    'view-timeline-name': SECTION,
    'view-timeline-inset': '0px'
  });

function style(values: EffectValues, { root, inner }: EffectContext): readonly Rule[] {
  const own = values as FollowSettings;
  // A section is its own section.
  const ofSection = own.over === 'section' && !inner;
  const timeline = own.over === 'section' && inner ? 'view(0px)' : (TIMELINES[own.over] ?? 'view(0px)');
  const names = changesOf(own).map((property) => TIED.nameOf(property, own[property]));
  const told = ofSection ? [sectionRule(root)] : [];
  return [
    ...told,
    rule(root, TIED.valuesOf(own)),
    ...tied(root, { names, easing: own.easing, timeline, range: rangeOf(own) })
  ];
}

/** What the behaviour is told: the range, and from where to where in it. */
function optionsOf({ over, from, to, start, end }: FollowSettings): string {
  if (over === 'px') return `px ${start} ${end}`;
  return `${over} ${from / 100} ${to / 100}`;
}

function spanOf({ over, from, to, start, end }: FollowSettings, box: Box): Span {
  const shares = [from / 100, to / 100] as const;
  if (over === 'px') return { start, end };
  if (over === 'section') return viewSpan(itsSection(box), box, 'cover', ...shares);
  if (over === 'sideways') return viewSpan(itsRun(box), box, 'contain', ...shares);
  if (over !== 'page') return viewSpan(itself(box), box, over, ...shares);
  const way = Math.max(0, box.whole - box.height);
  return { start: shares[0] * way, end: shares[1] * way };
}

export const follow: Effect = {
  ...about,
  settings,
  adapt: { 'less-motion': { on: false }, print: { on: false } },
  maybeUnfit,
  drivenBy: () => 'scroll',
  style,
  attributes: (variants) => ({ dataKScrolls: optionsOf(variants[0] as FollowSettings) }),
  behaviours: (_variants, _node, { support }) => standIn(support),
  ranges(values, box, { name }) {
    const own = values as FollowSettings;
    // Where its section does not go sideways, it has nothing to follow.
    if (own.over === 'sideways' && box.runLength <= box.runWidth) return [];
    const moves = changesOf(own);
    return [{ sort: 'follows', words: `${name} follows`, ...spanOf(own, box), travel: null, moves }];
  },
  rangeTo(values, box, end, px) {
    const own = values as FollowSettings;
    if (own.over === 'px') return { [end]: Math.max(0, Math.round(px)) };
    const whole = spanOf({ ...own, from: 0, to: 100 }, box);
    if (whole.end <= whole.start) return null;
    const share = Math.round(((px - whole.start) / (whole.end - whole.start)) * 100);
    return { [end === 'start' ? 'from' : 'to']: clamp(share, SHARE_LEAST, SHARE_MOST) };
  },
  findings: () => import('./findings')
};

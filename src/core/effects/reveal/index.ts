import type { Effect, EffectPlace, Rule } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import { moves, STILL_TRACK, type Track } from '../../motion/track';
import { printValue } from '../../css/tokens';
import type { Declarations } from '../../project/types';
import { about } from './about';
import { settings, type RevealSettings } from './settings';

const FAR: Readonly<Record<RevealSettings['side'], string>> = {
  top: '0 -100%',
  bottom: '0 100%',
  left: '-100% 0',
  right: '100% 0'
};

const NEAR: Readonly<Record<RevealSettings['side'], string>> = {
  top: '0 -16px',
  bottom: '0 16px',
  left: '-16px 0',
  right: '16px 0'
};

/** What is cut off, from the side it goes away from. */
const WIPED: Readonly<Record<RevealSettings['side'], string>> = {
  top: 'inset(0 0 100%)',
  bottom: 'inset(100% 0 0)',
  left: 'inset(0 100% 0 0)',
  right: 'inset(0 0 0 100%)'
};

/** The same properties whatever the form is: it may differ under conditions. */
const THERE = { opacity: '1', translate: 'none', scale: 'none', 'clip-path': 'inset(0)' };

/** What it looks like when it is away; a cover goes as far as it is large. */
function away({ as, track: { form }, side }: RevealSettings): Declarations {
  if (form === 'slide' && as === 'cover') return { ...THERE, translate: FAR[side] };
  if (form === 'slide') return { ...THERE, opacity: '0', translate: NEAR[side] };
  if (form === 'grow') return { ...THERE, opacity: '0', scale: '0.9' };
  if (form === 'wipe') return { ...THERE, 'clip-path': WIPED[side] };
  return { ...THERE, opacity: '0' };
}

/** Its own transitions go on beside those of its look. */
function transitionOf({ ms, easing, delay }: Track, own: string): string {
  const timing = `${ms}ms ${printValue(easing)}${delay > 0 ? ` ${delay}ms` : ''}`;
  const all = Object.keys(THERE).map((property) => `${property} ${timing}`);
  return (own ? [own, ...all] : all).join(', ');
}

function maybeUnfit({ around }: EffectPlace): string | null {
  if (!around) return 'The page itself is always there. Let something in a box answer to that.';
  if (around.kind.category === 'page')
    return 'A section has no box around it but the page. Let a piece in it answer hover.';
  return null;
}

/** The box is the element around the piece: it needs no class of its own, and takes what it holds as it is. */
const POINTED = ':is(:hover, :focus-within)';
const ELSEWHERE = ':not(:hover, :focus-within)';

/** What goes away when it gets the focus takes its own ring along, so the box has one: over what is read there then. */
const RING: Declarations = { outline: '2px solid currentcolor', 'outline-offset': '-4px' };

export const reveal: Effect = {
  ...about,
  settings,
  adapt: { 'less-motion': { track: STILL_TRACK }, print: { on: false } },
  maybeUnfit,
  answersBox: true,
  states: { pointed: { label: 'box hovered', selector: `:is(${POINTED} > *)` } },
  style(values, { outer, transition }) {
    const own = values as RevealSettings;
    const gone = { ...away(own), 'pointer-events': 'none' };
    const there = { ...THERE, 'pointer-events': 'auto' };
    const [pointed, elsewhere] = own.as === 'show' ? [there, gone] : [gone, there];
    const timing = {
      transition: moves(own.track) ? transitionOf(own.track, transition) : transition || 'none'
    };
    const when: Rule['when'] = own.touch === 'shown' ? ['used', { not: 'touch' }] : ['used'];
    const rules = [
      rule(`${POINTED} > ${outer}`, { ...timing, ...pointed }, ...when),
      rule(`${ELSEWHERE} > ${outer}`, { ...timing, ...elsewhere }, ...when)
    ];
    const held =
      own.focusable && own.as !== 'show' ? [rule(`:has(> ${outer}:focus-visible)`, RING, ...when)] : [];
    return own.as === 'cover' ? [...coverRules(outer, own), ...rules, ...held] : [...rules, ...held];
  },
  attributes: (variants) => ((variants[0] as RevealSettings).focusable ? { tabIndex: 0 } : {}),
  findings: () => import('./findings')
};

/** It lies over the whole box. Where everything is shown, it is what is under it that counts. */
function coverRules(outer: string, { touch }: RevealSettings): readonly Rule[] {
  const laid = [
    rule(`:where(:has(> ${outer}))`, { position: 'relative', overflow: 'clip' }),
    rule(outer, { position: 'absolute', inset: '0', 'z-index': '1', margin: '0' })
  ];
  return touch === 'shown' ? [...laid, rule(outer, { display: 'none' }, 'touch')] : laid;
}

import type { Effect, EffectPlace, EffectValues, Rule } from '../../kinds/contract';
import { compact, defined } from '../../data/compact';
import { clamp } from '../../data/clamp';
import { rule } from '../../kinds/rule';
import type { Node } from '../../project/types';
import { maybeStuck } from '../../scroll/sticky';
import { about } from './about';
import { INSET_MOST, settings, type StickySettings } from './settings';

/** Some part of it looks different while it is stuck. */
const isTuned = ({ styles }: Node): boolean =>
  Object.values(styles).some((part) => part?.stuck !== undefined);

/** A section sticks as a header does: at the very edge, over what comes after it. */
const asHeader = { inset: 0, over: true };

function starts({ kind, around }: EffectPlace): Node['settings'] {
  if (kind.category === 'section') return asHeader;
  return around?.slot.row ? { own: true } : {};
}

function maybeUnfit({ around }: EffectPlace): string | null {
  if (!around) return 'The page itself cannot stick: it is what scrolls.';
  if (around.slot.stacked)
    return 'A layer is placed over others and takes no part in the scroll. Let the layers as a whole stick.';
  return null;
}

/**
 * It is carried on above the edge by as much as it gets lower, and what is in it sticks for itself in what is left:
 * no size changes, so nothing below it moves.
 */
function lowerRules({ shrink, inset }: StickySettings, root: string, inner: string | null): readonly Rule[] {
  if (!inner || shrink === 0) return [];
  return [
    rule(root, { display: 'flex', 'flex-direction': 'column' }),
    rule(inner, {
      position: 'sticky',
      top: `${inset}px`,
      'flex-grow': '1',
      width: '100%',
      'margin-top': `${shrink / 2}px`,
      'justify-content': 'center'
    }),
    // Room to stick in, as a margin would be none.
    rule(`${root}::after`, { content: '""', flex: 'none', height: `${shrink / 2}px` })
  ];
}

const goesAway = ([first]: readonly EffectValues[]): boolean => {
  const { away, side } = first as StickySettings;
  return away && side === 'top';
};

/** Out of sight above the window, but not while somebody's focus is in it. */
function awayRules(own: StickySettings, outer: string): readonly Rule[] {
  if (!goesAway([own])) return [];
  const gone = `${outer}[data-hides="away"]:not(:focus-within)`;
  return [
    rule(gone, { translate: '0 -110%', animation: 'k-away 240ms ease-out' }),
    rule(`${outer}[data-hides="back"]`, { animation: 'k-back 240ms ease-out' }),
    rule(gone, { animation: 'none' }, 'less-motion'),
    rule(`${outer}[data-hides="back"]`, { animation: 'none' }, 'less-motion')
  ];
}

export const sticky: Effect = {
  ...about,
  settings,
  adapt: { print: { on: false } },
  starts,
  maybeUnfit,
  states: { stuck: { label: 'stuck', selector: '[data-stuck]' } },
  style(values, { outer, root, inner }) {
    const own = values as StickySettings;
    const { side, inset, own: isOwn, over } = own;
    const shrink = inner ? own.shrink : 0;
    const declarations: Record<string, string> = { position: 'sticky', [side]: `${inset - shrink}px` };
    if (isOwn) declarations['align-self'] = 'start';
    if (over) declarations['z-index'] = '1';
    return [rule(outer, declarations), ...lowerRules(own, root, inner), ...awayRules(own, outer)];
  },
  attributes: (variants, node) =>
    defined({
      dataKStuck: isTuned(node) ? '' : undefined,
      dataKHides: goesAway(variants) ? '' : undefined
    }),
  behaviours: (variants, node) => compact([isTuned(node) && 'stuck', goesAway(variants) && 'hides']),
  ranges(_values, box, { name }) {
    const stuck = maybeStuck(box);
    return stuck ? [{ sort: 'sticks', words: `${name} sticks`, ...stuck }] : [];
  },
  rangeTo(values, box, end, px) {
    const { side, inset } = values as StickySettings;
    const stretch = maybeStuck(box);
    const isItsOwn = end === (side === 'top' ? 'start' : 'end');
    if (!stretch || !isItsOwn) return null;
    const by = side === 'top' ? stretch.start - px : px - stretch.end;
    return { inset: Math.round(clamp(inset + by, 0, INSET_MOST)) };
  },
  findings: () => import('./findings')
};

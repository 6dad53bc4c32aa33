import type { Effect, EffectPlace } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import type { Node } from '../../project/types';
import { maybeStuck } from '../../scroll/sticky';
import { about } from './about';
import { settings, type StickySettings } from './settings';

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

export const sticky: Effect = {
  ...about,
  settings,
  adapt: { print: { on: false } },
  starts,
  maybeUnfit,
  states: { stuck: { label: 'stuck', selector: '[data-stuck]' } },
  style(values, { outer }) {
    const { side, inset, own, over } = values as StickySettings;
    const declarations: Record<string, string> = { position: 'sticky', [side]: `${inset}px` };
    if (own) declarations['align-self'] = 'start';
    if (over) declarations['z-index'] = '1';
    return [rule(outer, declarations)];
  },
  attributes: (_variants, node) => (isTuned(node) ? { dataKStuck: '' } : {}),
  behaviours: (_variants, node) => (isTuned(node) ? ['stuck'] : []),
  ranges(_values, box, { name }) {
    const stuck = maybeStuck(box);
    return stuck ? [{ words: `${name} sticks`, ...stuck }] : [];
  },
  findings: () => import('./findings')
};

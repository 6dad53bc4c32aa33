import { printValue } from '../../css/tokens';
import type { Context, Rule } from '../../kinds/contract';
import { ON_SCREEN } from '../../kinds/lying';
import { rule } from '../../kinds/rule';
import { moves } from '../../motion/track';
import type { Declarations, Node } from '../../project/types';
import type { CardSettings } from './settings';

/** What turns it. Without script a card that is pressed turns while its button has the focus. */
const TURNED_BY: Readonly<Record<CardSettings['by'], readonly string[]>> = {
  hover: [':hover', ':focus-within'],
  focus: [':focus-within'],
  press: [':not([data-k-on]):has(> :focus)'],
  both: [':hover', ':not([data-k-on]):has(> :focus)']
};

/** How far a face is away: to the side it comes from, `-1` to the other. */
function away({ form, axis, isBack }: CardSettings, way: 1 | -1): Declarations {
  const by = `${way * (isBack ? -100 : 100)}%`;
  const slid = axis === 'y' ? `${by} 0` : `0 ${by}`;
  return { opacity: form === 'fade' ? '0' : '1', translate: form === 'slide' ? slid : 'none' };
}

const THERE: Declarations = { opacity: '1', translate: 'none' };

/** Half a turn about an axis; none where it does not turn. */
const halfTurn = ({ form, axis, isBack }: CardSettings): string =>
  form === 'turn' ? `${axis} ${isBack ? '-180deg' : '180deg'}` : 'none';

/** Times of the faces: what comes can be reached at once, what goes until it cannot be seen. */
function timesOf({ move, form }: CardSettings): {
  readonly comes: string;
  readonly goes: string;
  readonly turns: string;
} {
  const ms = moves(move) ? move.ms : 0;
  const timing = `${ms}ms ${printValue(move.easing)}`;
  const faces = `opacity ${timing}, translate ${timing}`;
  const until = form === 'turn' ? ms / 2 : ms;
  return {
    comes: `${faces}, visibility 0s`,
    goes: `${faces}, visibility 0s ${until}ms`,
    turns: `rotate ${timing}`
  };
}

export function style(node: Node, ctx: Context): readonly Rule[] {
  const own = ctx.settings<CardSettings>(node);
  const [root, turning, front, back] = [
    ctx.sel('root'),
    ctx.sel('turning'),
    ctx.sel('front'),
    ctx.sel('back')
  ];
  const { comes, goes, turns } = timesOf(own);
  const hidden = { visibility: 'hidden', transition: goes };
  const shown = { ...THERE, visibility: 'visible', transition: comes };
  const turned = (when: string): readonly (readonly [string, Declarations])[] => [
    [`${when} > ${turning}`, { rotate: halfTurn(own) }],
    [`${when} > * > ${front}`, { ...away(own, -1), ...hidden }],
    [`${when} > * > ${back}`, shown]
  ];
  const used = turned(`${root}:is(${TURNED_BY[own.by].join(', ')})`);
  return [
    rule(root, { display: 'grid', position: 'relative', 'min-width': '0' }),
    rule(
      root,
      {
        perspective: own.form === 'turn' ? `${own.depth}px` : 'none',
        overflow: own.form === 'slide' ? 'clip' : 'visible'
      },
      ON_SCREEN
    ),
    rule(turning, { display: 'grid', 'grid-template-columns': 'minmax(0, 1fr)' }),
    rule(
      turning,
      { 'transform-style': own.form === 'turn' ? 'preserve-3d' : 'flat', transition: turns },
      ON_SCREEN
    ),
    ...[front, back].map((each) =>
      rule(each, { display: 'flex', 'flex-direction': 'column', 'min-width': '0' })
    ),
    ...[front, back].map((each) =>
      rule(each, { 'grid-area': '1 / 1', 'backface-visibility': 'hidden' }, ON_SCREEN)
    ),
    rule(front, shown, ON_SCREEN),
    rule(back, { ...away(own, 1), rotate: halfTurn(own), ...hidden }, ON_SCREEN),
    ...used.map(([selector, declarations]) => rule(selector, declarations, ON_SCREEN, 'used')),
    ...turned(`${root}[data-turned]`).map(([selector, declarations]) =>
      rule(selector, declarations, ON_SCREEN)
    ),
    rule(ctx.sel('flip'), { 'justify-self': 'end', 'margin-top': '8px' }),
    rule(ctx.sel('flip'), { display: 'none' }, 'print')
  ];
}

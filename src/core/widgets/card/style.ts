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

/** Half a turn about an axis; none where it does not turn. */
function halfTurn({ form, axis, isBack }: CardSettings): string {
  const angle = isBack ? '-180deg' : '180deg';
  return form === 'turn' ? `rotate${axis.toUpperCase()}(${angle})` : 'none';
}

/** What goes about the upright axis goes sideways. */
const lineOf = ({ axis }: CardSettings): string => (axis === 'y' ? 'X' : 'Y');

/** How far a face is slid away: to the side it comes from, `-1` to the other. */
function slid(own: CardSettings, way: 1 | -1): string {
  const by = `${way * (own.isBack ? -100 : 100)}%`;
  return `translate${lineOf(own)}(${by})`;
}

/** A face that is away. The back of what turns is turned already; its front is as it was. */
function away(own: CardSettings, way: 1 | -1): Declarations {
  const turned = way === 1 ? halfTurn(own) : 'none';
  return {
    opacity: own.form === 'fade' ? '0' : '1',
    transform: own.form === 'slide' ? slid(own, way) : turned
  };
}

/** A face that is seen. */
const there = (own: CardSettings, way: 1 | -1): Declarations => ({
  opacity: '1',
  transform: way === 1 ? halfTurn(own) : 'none'
});

/** Times of the faces: what comes can be reached at once, what goes until it cannot be seen. */
function timesOf({ move, form }: CardSettings): {
  readonly comes: string;
  readonly goes: string;
  readonly turns: string;
} {
  const ms = moves(move) ? move.ms : 0;
  const timing = `${ms}ms ${printValue(move.easing)}`;
  const faces = `opacity ${timing}, transform ${timing}`;
  const until = form === 'turn' ? ms / 2 : ms;
  return {
    comes: `${faces}, visibility 0s`,
    goes: `${faces}, visibility 0s ${until}ms`,
    turns: `transform ${timing}`
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
  const shown = { visibility: 'visible', transition: comes };
  const turned = (when: string): readonly (readonly [string, Declarations])[] => [
    [`${when} > ${turning}`, { transform: halfTurn(own) }],
    [`${when} > * > ${front}`, { ...away(own, -1), ...hidden }],
    [`${when} > * > ${back}`, { ...there(own, 1), ...shown }]
  ];
  const used = turned(`${root}:where(${TURNED_BY[own.by].join(', ')})`);
  return [
    rule(root, {
      display: 'grid',
      position: 'relative',
      'min-width': '0',
      width: own.width === '' ? 'auto' : own.width,
      'max-width': '100%'
    }),
    rule(
      root,
      {
        perspective: own.form === 'turn' ? `${own.depth}px` : 'none',
        overflow: own.form === 'slide' ? 'clip' : 'visible'
      },
      ON_SCREEN
    ),
    rule(turning, {
      display: 'grid',
      'grid-template-columns': 'minmax(0, 1fr)',
      'min-height': own.height === '' ? '0' : own.height
    }),
    rule(
      turning,
      { 'transform-style': own.form === 'turn' ? 'preserve-3d' : 'flat', transition: turns },
      ON_SCREEN
    ),
    ...[front, back].map((each) =>
      rule(each, {
        display: 'flex',
        'flex-direction': 'column',
        'justify-content': own.place,
        'min-width': '0'
      })
    ),
    ...[front, back].map((each) =>
      rule(each, { 'grid-area': '1 / 1', 'backface-visibility': 'hidden' }, ON_SCREEN)
    ),
    rule(front, { ...there(own, -1), ...shown }, ON_SCREEN),
    rule(back, { ...away(own, 1), ...hidden }, ON_SCREEN),
    ...used.map(([selector, declarations]) => rule(selector, declarations, ON_SCREEN, 'used')),
    ...turned(`${root}[data-turned]`).map(([selector, declarations]) =>
      rule(selector, declarations, ON_SCREEN)
    ),
    rule(ctx.sel('flip'), { font: 'inherit', 'justify-self': 'end', 'margin-top': '8px' }),
    rule(ctx.sel('flip'), { display: 'none' }, 'print')
  ];
}

import type { Condition, Context, Rule } from '../../kinds/contract';
import { FILLS } from '../../kinds/filling';
import { KEEPS_FILL, rule } from '../../kinds/rule';
import { native, tied } from '../../kinds/scrolled';
import type { Declarations, Node } from '../../project/types';
import type { PinnedSettings } from './settings';

const BLOCK = '--k-block';

const STACKED: Declarations = { display: 'flex', 'flex-direction': 'column', 'min-width': '0' };

/** Columns of the texts and of the picture, as a grid has them. */
function columnsOf({ share, side }: PinnedSettings): string {
  const texts = `minmax(0, ${100 - share}fr)`;
  const picture = `minmax(0, ${share}fr)`;
  return side === 'left' ? `${picture} ${texts}` : `${texts} ${picture}`;
}

/** Each text in a row of its own; all pictures in one place beside them, the later over the earlier. */
function pinnedRules(
  own: PinnedSettings,
  ctx: Context,
  count: number
): readonly (readonly [string, Declarations])[] {
  const [text, picture] = own.side === 'left' ? ['2', '1'] : ['1', '2'];
  return [
    [ctx.sel('root'), { display: 'grid', 'grid-template-columns': columnsOf(own) }],
    [ctx.sel('item'), { display: 'contents', 'timeline-scope': BLOCK }],
    [
      ctx.sel('text'),
      {
        'grid-column': text!,
        position: 'relative',
        'min-height': `${own.block}svh`,
        'justify-content': 'center',
        'view-timeline': BLOCK,
        'view-timeline-inset': '0px'
      }
    ],
    [
      ctx.sel('picture'),
      {
        'grid-column': picture!,
        'grid-row': `1 / span ${count}`,
        position: 'sticky',
        top: `${own.inset}px`,
        height: `calc(100svh - ${2 * own.inset}px)`,
        'align-self': 'start'
      }
    ],
    // What is pinned fills its place, whatever its own shape is.
    [`${ctx.sel('picture')} img`, { width: '100%', height: '100%', 'object-fit': 'cover' }]
  ];
}

const without = (rules: readonly Rule[], ...conditions: readonly Condition[]): readonly Rule[] =>
  rules.map((each) => ({ ...each, when: [...conditions, ...each.when] }));

/** The first picture is there from the start; each that follows comes over the one before. */
function changeRules({ change, from, to }: PinnedSettings, ctx: Context): readonly Rule[] {
  const later = `${ctx.sel('item')} + ${ctx.sel('item')} > ${ctx.sel('picture')}`;
  const range = `cover ${from}% cover ${to}%`;
  const names = [`k-pinned-${change}`];
  const easing = change === 'cut' ? 'step-end' : 'linear';
  return tied(later, { names, easing, timeline: BLOCK, range });
}

function markRules({ mark }: PinnedSettings, ctx: Context): readonly Rule[] {
  const text = ctx.sel('text');
  const line = `${text}::before`;
  const marks = (name: string) => (mark === name ? [`k-pinned-${name}`] : []);
  return [
    rule(text, { '--k-dim': '0.45' }),
    rule(line, {
      ...KEEPS_FILL,
      content: mark === 'line' ? '""' : 'none',
      position: 'absolute',
      'inset-block': '25%',
      'inset-inline-start': '-16px',
      width: '3px',
      'background-color': 'currentColor'
    }),
    rule(line, timed(marks('line')), 'timeline'),
    rule(text, timed(marks('dim')), 'timeline')
  ];
}

const timed = (names: readonly string[]): Declarations =>
  native({ names, easing: 'linear', timeline: BLOCK, range: 'cover' });

export function style(node: Node, ctx: Context): readonly Rule[] {
  const own = ctx.settings<PinnedSettings>(node);
  const wide: readonly Condition[] = [{ not: own.fold }, { not: 'print' }];
  const pinned = pinnedRules(own, ctx, ctx.items('panels').length).map(([selector, declarations]) =>
    rule(selector, declarations)
  );
  return [
    rule(ctx.sel('root'), { ...STACKED, ...FILLS }),
    rule(ctx.sel('item'), { ...STACKED, gap: '12px' }),
    rule(`${ctx.sel('item')} + ${ctx.sel('item')}`, { 'margin-top': '40px' }),
    rule(ctx.sel('text'), STACKED),
    rule(ctx.sel('picture'), { 'min-width': '0' }),
    ...without([...pinned, ...changeRules(own, ctx), ...markRules(own, ctx)], ...wide)
  ];
}

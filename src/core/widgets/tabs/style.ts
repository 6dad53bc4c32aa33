import { entranceAnimation } from '../../kinds/entrance';
import type { Condition, Context, Rule } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import { printValue } from '../../css/tokens';
import { moves, staggers, type Track } from '../../motion/track';
import type { Node } from '../../project/types';
import type { TabsSettings } from './settings';

const DIRECTION = { top: 'column', bottom: 'column-reverse', left: 'row', right: 'row-reverse' } as const;
const DISTRIBUTION = { start: 'flex-start', center: 'center', end: 'flex-end', stretch: 'flex-start' } as const;
const ICON_DIRECTION = { start: 'row', top: 'column', end: 'row-reverse' } as const;
/** Children of a panel that follow one after the other; those after them come with the last. */
const FOLLOWERS_MOST = 8;

type Form = TabsSettings['form'];

/** Style alone decides the form; `--k-form` tells the behaviour which one it is, so the two cannot disagree. */
export function style(node: Node, ctx: Context): readonly Rule[] {
  const settings = ctx.settings<TabsSettings>(node);
  const { align, iconSide, foldUnder, foldInto } = settings;
  const part = (name: string) => ctx.sel(name);
  const bare = { appearance: 'none', font: 'inherit', color: 'inherit', margin: '0' };
  const isVertical = settings.side === 'left' || settings.side === 'right';
  const label = { display: 'flex', 'flex-direction': ICON_DIRECTION[iconSide], 'align-items': 'center', 'overflow-wrap': 'anywhere' };
  return [
    rule(part('root'), { display: 'flex', 'min-width': '0' }),
    rule(part('list'), { 'flex-direction': isVertical ? 'column' : 'row', 'justify-content': isVertical ? 'flex-start' : DISTRIBUTION[align] }),
    rule(part('tab'), { ...bare, ...label, flex: align === 'stretch' && !isVertical ? '1 1 auto' : '0 0 auto', 'justify-content': align === 'stretch' && !isVertical ? 'center' : 'flex-start' }),
    // Closed panels that lie in it are laid out with it alone, not with every change of the page.
    rule(part('panels'), { flex: '1 1 0', position: 'relative', 'min-width': '0', 'grid-template-columns': 'minmax(0, 1fr)' }),
    rule(part('head'), { margin: '0', font: 'inherit' }),
    rule(part('header'), { ...bare, ...label, width: '100%' }),
    rule(`${part('root')}:is(:not([data-k-on]), [data-k-on="open"]) ${part('header')}:not([aria-disabled])`, { cursor: 'auto' }),
    // A sign that it opens, and which way: on what can be pressed only, in the colour of its words.
    rule(`button${part('header')}::after`, { content: '""', flex: 'none', width: '0.5em', height: '0.5em', 'margin-inline': 'auto 0.2em', border: 'solid currentcolor', 'border-width': '0 2px 2px 0', transform: 'translateY(-25%) rotate(45deg)' }),
    rule(`button${part('header')}[aria-expanded="true"]::after`, { transform: 'translateY(15%) rotate(225deg)' }),
    rule(part('panel'), { 'flex-direction': 'column', display: 'flex' }),
    ...formRules(settings.form, settings, ctx),
    // What lies open folds into nothing.
    ...(foldUnder > 0 ? formRules(settings.form === 'open' ? 'open' : foldInto, settings, ctx, { under: foldUnder }) : []),
    ...iconRules(node, settings, ctx),
    ...(settings.indicator ? indicatorRules(settings, ctx) : []),
    ...motionRules(node, settings, ctx)
  ];
}

function formRules(form: Form, { side, equal, out }: TabsSettings, ctx: Context, ...when: Condition[]): Rule[] {
  const isTabs = form === 'tabs' || form === 'scroll';
  const isVertical = isTabs && (side === 'left' || side === 'right');
  const isScrolled = form === 'scroll' && !isVertical;
  // One above the other in the same place: the box is as high as the tallest, and an old panel leaves while the new one comes.
  const isStacked = isTabs && (equal || moves(out));
  const keepsRoom = isTabs && equal;
  const sel = (part: string) => ctx.sel(part);
  return [
    rule(sel('root'), { '--k-form': isTabs ? (isVertical ? 'tabs y' : 'tabs') : form, 'flex-direction': isTabs ? DIRECTION[side] : 'column' }, ...when),
    rule(
      sel('list'),
      {
        display: isTabs ? 'flex' : 'none',
        'flex-wrap': isScrolled || isVertical ? 'nowrap' : 'wrap',
        'overflow-x': isScrolled ? 'auto' : 'visible',
        'scrollbar-width': isScrolled ? 'thin' : 'auto',
        'flex-shrink': isVertical ? '0' : '1',
        'max-width': isVertical ? '40%' : 'none'
      },
      ...when
    ),
    rule(sel('tab'), { 'white-space': isScrolled ? 'nowrap' : 'normal' }, ...when),
    rule(sel('head'), { display: isTabs ? 'none' : 'block' }, ...when),
    rule(sel('panels'), { display: isStacked ? 'grid' : 'block' }, ...when),
    rule(sel('panel'), { 'grid-area': isStacked ? '1 / 1' : 'auto' }, ...when),
    rule(`${sel('panel')}[hidden]`, { display: form === 'open' || keepsRoom ? 'flex' : 'none', visibility: keepsRoom ? 'hidden' : 'visible', 'content-visibility': form === 'open' || keepsRoom ? 'visible' : 'hidden' }, ...when),
    // The browser looks into it though it is hidden; its padding must take no room.
    rule(`${sel('panel')}[hidden="until-found"]`, { display: 'flex', position: form === 'open' ? 'static' : 'absolute', 'pointer-events': form === 'open' ? 'auto' : 'none' }, ...when),
    ...waitingRules(form, isStacked, ctx, when)
  ];
}

/** How long a page waits for its script before it shows what there is without one. */
const WAIT = '4s';

/**
 * Until the script has started, the page looks as it will then: closed panels and the headings of tabs keep out of sight. If it never
 * starts, everything lies open under its heading, and the tabs, which could do nothing, are gone.
 */
function waitingRules(form: Form, isStacked: boolean, ctx: Context, when: readonly Condition[]): Rule[] {
  const isTabs = form === 'tabs' || form === 'scroll';
  const waiting = (part: string) => `${ctx.sel('root')}:not([data-k-on]) ${ctx.sel(part)}`;
  const closed = isStacked ? `k-wait-stacked ${WAIT}` : `k-wait ${WAIT}`;
  return [
    rule(waiting('list'), { animation: isTabs ? `k-gone 1ms ${WAIT} forwards` : 'none' }, 'script', ...when),
    rule(waiting('head'), { display: 'block', animation: isTabs ? `k-wait ${WAIT}` : 'none' }, 'script', ...when),
    rule(waiting('panel'), { 'grid-area': 'auto', animation: isStacked ? `k-stack ${WAIT}` : 'none' }, 'script', ...when),
    rule(`${waiting('panel')}:not([data-first])`, { animation: form === 'open' ? 'none' : closed }, 'script', ...when)
  ];
}

function iconRules(node: Node, { swap }: TabsSettings, ctx: Context): Rule[] {
  const chosen = `${ctx.sel('tab')}[aria-selected="true"] `;
  const isMoving = ctx.variants<TabsSettings>(node).some((each) => moves(each.swap));
  return [
    rule(ctx.sel('icon'), { display: 'grid', flex: 'none' }),
    rule(`${ctx.sel('icon')} > svg`, { 'grid-area': '1 / 1' }),
    rule(`${ctx.sel('icon')} > [data-chosen]`, { opacity: '0' }),
    rule(`${chosen}${ctx.sel('icon')} > [data-chosen]`, { opacity: '1' }),
    rule(`${chosen}${ctx.sel('icon')} > [data-chosen] ~ svg`, { opacity: '0' }),
    ...(isMoving ? [rule(`${ctx.sel('icon')} > svg`, { transition: moves(swap) ? `opacity ${timing(swap)}` : 'none' })] : [])
  ];
}

const timing = ({ ms, delay, easing }: Track) => `${ms}ms ${printValue(easing)} ${delay}ms`;

/** A line that lies along the tabs; where it is comes from the script, or from anchors where the browser has them. */
function indicatorRules({ side, glide }: TabsSettings, ctx: Context): Rule[] {
  const isVertical = side === 'left' || side === 'right';
  const edge = { top: 'calc(var(--k-y) + var(--k-h) - 3px)', bottom: 'var(--k-y)', left: 'var(--k-y)', right: 'var(--k-y)' }[side];
  return [
    rule(ctx.sel('list'), { position: 'relative' }),
    rule(ctx.sel('indicator'), {
      position: 'absolute',
      top: '0',
      left: '0',
      width: isVertical ? '3px' : 'var(--k-w, 0)',
      height: isVertical ? 'var(--k-h, 0)' : '3px',
      transform: `translate(${side === 'left' ? 'calc(var(--k-x) + var(--k-w) - 3px)' : 'var(--k-x)'}, ${edge})`,
      'pointer-events': 'none',
      transition: moves(glide) ? ['transform', 'width', 'height'].map((each) => `${each} ${timing(glide)}`).join(', ') : 'none'
    })
  ];
}

function motionRules(node: Node, { out, enter, rise, height }: TabsSettings, ctx: Context): Rule[] {
  const variants = ctx.variants<TabsSettings>(node);
  const ever = (name: 'out' | 'enter' | 'rise' | 'height') => variants.some((each) => moves(each[name]));
  const live = `${ctx.sel('root')}[data-k-live] ${ctx.sel('panel')}`;
  const shown = `${live}:not([hidden])`;
  const rules: Rule[] = [];
  if (ever('enter')) rules.push(rule(shown, { animation: entranceAnimation(enter) }));
  if (ever('rise')) {
    rules.push(rule(`${shown} > *`, { animation: entranceAnimation(rise) }));
    const isStaggered = variants.some((each) => each.rise.step > 0);
    const offsets = staggers(rise, FOLLOWERS_MOST);
    if (isStaggered) offsets.forEach((offset, i) => rules.push(rule(`${shown} > :nth-child(${i === FOLLOWERS_MOST - 1 ? `n + ${i + 1}` : i + 1})`, { 'animation-delay': `${rise.delay + offset}ms` })));
  }
  if (ever('height')) rules.push(rule(ctx.sel('panels'), { '--k-grow': moves(height) ? `${height.ms} ${height.delay} ${printValue(height.easing)}` : 'none' }));
  if (ever('out')) rules.push(...outRules(out, live, ctx));
  return rules;
}

/** The browser keeps a panel in sight while it leaves, where `allow-discrete` is to be had; else the script does. */
function outRules(out: Track, live: string, ctx: Context): Rule[] {
  if (ctx.support === 'widely') return [rule(ctx.sel('panel'), { '--k-leave': moves(out) ? `${out.form} ${out.ms} ${out.delay} ${printValue(out.easing)}` : 'none' })];
  const still = { opacity: '1', translate: 'none', scale: 'none' };
  const gone = { opacity: '0', translate: out.form === 'slide' ? '-24px' : 'none', scale: out.form === 'grow' ? '0.96' : 'none' };
  const properties = ['opacity', 'translate', 'scale'].map((each) => `${each} ${timing(out)}`);
  const stays = ['display', 'content-visibility'].map((each) => `${each} ${out.ms + out.delay}ms allow-discrete`);
  return [
    rule(`${live}[hidden]`, moves(out) ? { ...gone, transition: [...properties, `visibility ${out.ms + out.delay}ms`, ...stays].join(', ') } : { ...still, transition: 'none' })
  ];
}

import { entranceAnimation } from '../../kinds/entrance';
import type { Condition, Context, Rule } from '../../kinds/contract';
import { FILLS } from '../../kinds/filling';
import { KEEPS_FILL, rule } from '../../kinds/rule';
import { printValue } from '../../css/tokens';
import { emptyRecord } from '../../data/record';
import { moves, staggers, type Track } from '../../motion/track';
import type { Node } from '../../project/types';
import { CHOSEN } from './anatomy';
import { canBeFound, type TabsSettings } from './settings';

const DIRECTION = { top: 'column', bottom: 'column-reverse', left: 'row', right: 'row-reverse' } as const;
const DISTRIBUTION = {
  start: 'flex-start',
  center: 'center',
  end: 'flex-end',
  stretch: 'flex-start'
} as const;
const ICON_DIRECTION = { start: 'row', top: 'column', end: 'row-reverse' } as const;
/** Children of a panel that follow one after the other; those after them come with the last. */
const FOLLOWERS_MOST = 8;
/** How long a page waits for its script before it shows what there is without one. */
const WAIT = '4s';

type Form = TabsSettings['form'];

/**
 * Everything lies open under its heading, as without script and on paper; what the script makes of it stands
 * under `script`. Style alone decides the form; `--k-form` tells the behaviour which one it is, so the two
 * cannot disagree.
 */
export function style(node: Node, ctx: Context): readonly Rule[] {
  const widget = new Widget(node, ctx);
  const { settings, ever } = widget;
  const { foldUnder, form } = settings;
  const always = [...baseRules(widget), ...iconRules(widget)];
  if (settings.indicator) always.push(...indicatorRules(settings, ctx));
  const motion = motionRules(widget);
  if (foldUnder === 0) return [...always, ...formRules(form, widget, ever.forms, 'script'), ...motion];
  const wide = formRules(form, widget, ever.forms, 'script', { from: foldUnder });
  const narrow = formRules(foldedForm(settings), widget, ever.foldedForms, 'script', { under: foldUnder });
  return [...always, ...wide, ...narrow, ...motion];
}

/** What lies open folds into nothing. */
const foldedForm = ({ form, foldInto }: TabsSettings): Form => (form === 'open' ? 'open' : foldInto);

/**
 * A tabs widget as its rules ask about it: as it is set under the conditions that are asked for, and under
 * any.
 */
class Widget {
  readonly settings: TabsSettings;
  /**
   * What is so under some condition: rules have to be the same under all of them, so these decide which there
   * are.
   */
  readonly ever: {
    readonly forms: readonly Form[];
    readonly foldedForms: readonly Form[];
    readonly isVertical: boolean;
    readonly isStretched: boolean;
    readonly isEqual: boolean;
    readonly leaves: boolean;
    readonly isFound: boolean;
  };
  readonly variants: readonly TabsSettings[];
  /** Selectors of elements that are this widget's own, whatever other tabs stand in its panels. */
  readonly root: string;
  readonly list: string;
  readonly head: string;
  readonly panel: string;

  constructor(
    readonly node: Node,
    readonly ctx: Context
  ) {
    this.settings = ctx.settings<TabsSettings>(node);
    this.variants = ctx.variants<TabsSettings>(node);
    const some = (holds: (each: TabsSettings) => boolean) => this.variants.some(holds);
    this.ever = {
      forms: [...new Set(this.variants.map(({ form }) => form))],
      foldedForms: [...new Set(this.variants.map(foldedForm))],
      isVertical: some(isVertical),
      isStretched: some(({ align }) => align === 'stretch'),
      isEqual: some(({ equal }) => equal),
      leaves: some(({ out }) => moves(out)),
      isFound: canBeFound(this.variants)
    };
    this.root = ctx.sel('root');
    this.list = ctx.sel('list');
    this.head = ctx.sel('head');
    this.panel = ctx.sel('panel');
  }

  /** @returns the selector of a part where the root matches `state`. */
  where(state: string, part: string): string {
    return `${this.root}${state} > ${part === this.list ? '' : '* > '}${part}`;
  }
}

const ON = '[data-k-on]';
const WAITING = ':not([data-k-on])';

const isRow = (form: Form) => form === 'tabs' || form === 'scroll';
const isVertical = ({ side }: TabsSettings) => side === 'left' || side === 'right';

function baseRules({ settings, ever, ctx, root, list, head, panel }: Widget): Rule[] {
  const { align, iconSide } = settings;
  const isStretched = align === 'stretch' && !isVertical(settings);
  const label = {
    display: 'flex',
    'flex-direction': ICON_DIRECTION[iconSide],
    'align-items': 'center',
    'overflow-wrap': 'anywhere'
  };
  const tab: Record<string, string> = { margin: '0', font: 'inherit', ...label };
  if (ever.isStretched) {
    tab.flex = isStretched ? '1 1 auto' : '0 1 auto';
    tab['justify-content'] = isStretched ? 'center' : 'flex-start';
  }
  const panels = emptyRecord<string>();
  if (ever.isVertical) Object.assign(panels, { flex: '1 1 0', 'min-width': '0' });
  // What the browser's search looks into lies beside the others until it is found.
  if (ever.isFound) panels.position = 'relative';
  const row = {
    display: 'none',
    'justify-content': isVertical(settings) ? 'flex-start' : DISTRIBUTION[align]
  };
  return [
    rule(root, { display: 'flex', 'flex-direction': 'column', 'min-width': '0', ...FILLS }),
    rule(list, row),
    rule(ctx.sel('tab'), tab),
    rule(ctx.sel('tab') + CHOSEN, KEEPS_FILL),
    rule(ctx.sel('panels'), panels),
    rule(head, { margin: '0', font: 'inherit' }),
    rule(ctx.sel('header'), { margin: '0', font: 'inherit', ...label, width: '100%' }),
    // A header that opens nothing cannot be pressed.
    rule(`${ctx.sel('header')}:not([aria-expanded])`, { cursor: 'auto' }),
    // A sign that it opens, and which way: on what can be pressed only, in the colour of its words.
    rule(`${ctx.sel('header')}[aria-expanded]::after`, CHEVRON),
    rule(`${ctx.sel('header')}[aria-expanded="true"]::after`, {
      transform: 'translateY(15%) rotate(225deg)'
    }),
    rule(panel, { display: 'flex', 'flex-direction': 'column' })
  ];
}

const CHEVRON = {
  content: '""',
  flex: 'none',
  width: '0.5em',
  height: '0.5em',
  'margin-inline': 'auto 0.2em',
  border: 'solid currentcolor',
  'border-width': '0 2px 2px 0',
  transform: 'translateY(-25%) rotate(45deg)'
};

/**
 * What the script makes of the page in one form. Until it has started, the page looks as it will then: closed
 * panels and the headings of tabs keep out of sight. If it never starts, everything lies open under its
 * heading, and the tabs, which could do nothing, are gone.
 * @param forms those it may have here under some condition.
 */
function formRules(
  form: Form,
  widget: Widget,
  forms: readonly Form[],
  ...when: readonly Condition[]
): Rule[] {
  const { settings, ever, ctx, root, list, head, panel } = widget;
  const isTabs = isRow(form);
  const mayBeTabs = forms.some(isRow);
  const keepsRoom = isTabs && settings.equal;
  const rules: Rule[] = [];
  const say = (selector: string, declarations: Record<string, string>) =>
    rules.push(rule(selector, declarations, ...when));

  const isBeside = isTabs && isVertical(settings);
  say(root, {
    '--k-form': isBeside ? 'tabs y' : FORM_NAMES[form],
    'flex-direction': isTabs ? DIRECTION[settings.side] : 'column'
  });
  if (mayBeTabs) {
    say(list, rowOf(form, settings, forms, ever.isVertical));
    if (forms.includes('scroll'))
      say(ctx.sel('tab'), { 'white-space': form === 'scroll' && !isBeside ? 'nowrap' : 'normal' });
    say(widget.where(WAITING, list), { animation: isTabs ? `k-gone 1ms ${WAIT} forwards` : 'none' });
    say(widget.where(ON, head), { display: isTabs ? 'none' : 'block' });
    say(widget.where(WAITING, head), { animation: isTabs ? `k-wait ${WAIT}` : 'none' });
  }
  if (mayBeTabs && (ever.isEqual || ever.leaves)) {
    // One above the other in the same place: the box is as high as the tallest, and an old panel leaves while
    // the new one comes.
    say(ctx.sel('panels'), { display: isTabs ? 'grid' : 'block' });
    say(widget.where(ON, panel), { 'grid-area': isTabs ? '1 / 1' : 'auto', 'min-width': '0' });
  }
  if (mayBeTabs && ever.isEqual)
    say(widget.where(WAITING, panel), { animation: keepsRoom ? `k-stack ${WAIT}` : 'none' });
  const closed: Record<string, string> = { display: form === 'open' || keepsRoom ? 'flex' : 'none' };
  if (mayBeTabs && ever.isEqual) closed.visibility = keepsRoom ? 'hidden' : 'visible';
  say(`${panel}[hidden]`, closed);
  // The browser looks into it though it is hidden; its padding must take no room.
  if (ever.isFound)
    say(`${panel}[hidden="until-found"]`, {
      display: 'flex',
      position: form === 'open' ? 'static' : 'absolute',
      'pointer-events': form === 'open' ? 'auto' : 'none'
    });
  const waits = keepsRoom ? `k-wait-stacked ${WAIT}` : `k-wait ${WAIT}`;
  say(widget.where(WAITING, `${panel}:not([data-first])`), { animation: form === 'open' ? 'none' : waits });
  return rules;
}

const FORM_NAMES = { tabs: 'tabs', scroll: 'tabs', accordion: 'accordion', open: 'open' } as const;

/** The tabs themselves, in a row that wraps or scrolls, or one below the other. */
function rowOf(
  form: Form,
  settings: TabsSettings,
  forms: readonly Form[],
  everVertical: boolean
): Record<string, string> {
  const isBeside = isRow(form) && isVertical(settings);
  const isScrolled = form === 'scroll' && !isBeside;
  const row: Record<string, string> = {
    display: isRow(form) ? 'flex' : 'none',
    'flex-wrap': isScrolled || isBeside ? 'nowrap' : 'wrap'
  };
  if (forms.includes('scroll')) {
    row['overflow-x'] = isScrolled ? 'auto' : 'visible';
    row['scrollbar-width'] = isScrolled ? 'thin' : 'auto';
  }
  if (everVertical) {
    row['flex-direction'] = isBeside ? 'column' : 'row';
    row['flex-shrink'] = isBeside ? '0' : '1';
    row['max-width'] = isBeside ? '40%' : 'none';
  }
  return row;
}

function iconRules({ settings: { swap }, variants, ctx }: Widget): Rule[] {
  const icon = ctx.sel('icon');
  const chosen = `${ctx.sel('tab')}[aria-selected="true"] > ${icon} > [data-chosen]`;
  const rules = [
    rule(icon, { display: 'grid', flex: 'none' }),
    rule(`${icon} > svg`, { 'grid-area': '1 / 1' }),
    rule(`${icon} > [data-chosen]`, { opacity: '0' }),
    rule(chosen, { opacity: '1' }),
    rule(`${chosen} ~ :last-child`, { opacity: '0' })
  ];
  const isMoving = variants.some((each) => moves(each.swap));
  if (isMoving)
    rules.push(rule(`${icon} > svg`, { transition: moves(swap) ? `opacity ${timing(swap)}` : 'none' }));
  return rules;
}

const timing = ({ ms, delay, easing }: Track) => `${ms}ms ${printValue(easing)} ${delay}ms`;

/**
 * A line that lies along the tabs; where it is comes from the script, or from anchors where the browser has
 * them.
 */
function indicatorRules({ side, glide }: TabsSettings, ctx: Context): Rule[] {
  const isVertical = side === 'left' || side === 'right';
  const edge = {
    top: 'calc(var(--k-y) + var(--k-h) - 3px)',
    bottom: 'var(--k-y)',
    left: 'var(--k-y)',
    right: 'var(--k-y)'
  }[side];
  return [
    rule(ctx.sel('list'), { position: 'relative' }),
    rule(ctx.sel('indicator'), {
      ...KEEPS_FILL,
      position: 'absolute',
      top: '0',
      left: '0',
      width: isVertical ? '3px' : 'var(--k-w, 0)',
      height: isVertical ? 'var(--k-h, 0)' : '3px',
      transform: `translate(${side === 'left' ? 'calc(var(--k-x) + var(--k-w) - 3px)' : 'var(--k-x)'}, ${edge})`,
      'pointer-events': 'none',
      transition: moves(glide)
        ? ['transform', 'width', 'height'].map((each) => `${each} ${timing(glide)}`).join(', ')
        : 'none'
    })
  ];
}

function motionRules(widget: Widget): Rule[] {
  const { settings, variants, ctx, panel } = widget;
  const { out, enter, rise, height } = settings;
  const ever = (name: 'out' | 'enter' | 'rise' | 'height') => variants.some((each) => moves(each[name]));
  // Without weight of its own, so that what keeps panels out of sight until the script comes stands over it.
  const live = `:where(${widget.root}[data-k-live] > *) > ${panel}`;
  const shown = `${live}:not([hidden])`;
  const rules: Rule[] = [];
  if (ever('enter')) rules.push(rule(shown, { animation: entranceAnimation(enter) }));
  if (ever('rise'))
    rules.push(rule(`${shown} > *`, { animation: entranceAnimation(rise) }), ...staggerRules(widget, shown));
  if (ever('height'))
    rules.push(
      rule(ctx.sel('panels'), {
        '--k-grow': moves(height) ? `${height.ms} ${height.delay} ${printValue(height.easing)}` : 'none'
      })
    );
  if (ever('out')) rules.push(...outRules(out, live, ctx));
  return rules;
}

/** Children of a panel that come one after the other, only as far as there are any. */
function staggerRules({ settings, variants, ctx }: Widget, shown: string): Rule[] {
  const isStaggered = variants.some(({ rise }) => rise.step > 0);
  if (!isStaggered) return [];
  const count = Math.max(...ctx.items('panels').map(({ slots }) => slots.content?.length ?? 0));
  // Where nothing moves, the delays do not matter; saying the same ones costs nothing.
  const rise = moves(settings.rise) ? settings.rise : settingsThatMove(variants, settings);
  const offsets = staggers(rise, Math.min(count, FOLLOWERS_MOST));
  return offsets.slice(1).map((offset, i) => {
    const nth = i + 2 === FOLLOWERS_MOST ? `n + ${FOLLOWERS_MOST}` : i + 2;
    return rule(`${shown} > :nth-child(${nth})`, { 'animation-delay': `${rise.delay + offset}ms` });
  });
}

const settingsThatMove = (variants: readonly TabsSettings[], settings: TabsSettings): TabsSettings['rise'] =>
  (variants.find(({ rise }) => moves(rise)) ?? settings).rise;

/**
 * The browser keeps a panel in sight while it leaves, where `allow-discrete` is to be had; else the script
 * does.
 */
function outRules(out: Track, live: string, ctx: Context): Rule[] {
  if (ctx.support === 'widely')
    return [
      rule(ctx.sel('panel'), {
        '--k-leave': moves(out) ? `${out.form} ${out.ms} ${out.delay} ${printValue(out.easing)}` : 'none'
      })
    ];
  const still = { opacity: '1', translate: 'none', scale: 'none' };
  const gone = {
    opacity: '0',
    translate: out.form === 'slide' ? '-24px' : 'none',
    scale: out.form === 'grow' ? '0.96' : 'none'
  };
  const properties = ['opacity', 'translate', 'scale'].map((each) => `${each} ${timing(out)}`);
  const stays = ['display', 'content-visibility'].map(
    (each) => `${each} ${out.ms + out.delay}ms allow-discrete`
  );
  return [
    rule(
      `${live}[hidden]`,
      moves(out)
        ? { ...gone, transition: [...properties, `visibility ${out.ms + out.delay}ms`, ...stays].join(', ') }
        : { ...still, transition: 'none' }
    )
  ];
}

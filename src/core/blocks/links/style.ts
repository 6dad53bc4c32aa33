import type { Context, Rule } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import type { Node } from '../../project/types';
import { hasButtons, hasSublists } from './markup';
import { panelRules } from './panel';
import { isPanel, type LinksSettings } from './settings';

const plainList = { margin: '0', 'list-style': 'none' };

/** Lists below links: in the flow where there is no script, over the page where there is. */
function sublists({ flow }: LinksSettings, ctx: Context): readonly Rule[] {
  const [list, sub] = [ctx.sel('list'), ctx.sel('sublist')];
  const entry = `${list} > [data-sub]`;
  const isOver = flow === 'row';
  return [
    rule(entry, {
      position: isOver ? 'relative' : 'static',
      display: 'flex',
      'flex-wrap': 'wrap',
      'align-items': 'center'
    }),
    rule(ctx.sel('arrow'), { margin: '0', font: 'inherit', display: 'none' }),
    rule(ctx.sel('arrow'), { display: 'block' }, 'script'),
    rule(sub, { ...plainList, display: 'flex', 'flex-direction': 'column', 'flex-basis': '100%' }),
    rule(ctx.sel('sublink'), { display: 'flex', 'align-items': 'center' }),
    // Without air between link and list, so that a pointer can go from one to the other (WCAG 2.2, 1.4.13).
    rule(
      sub,
      {
        position: isOver ? 'absolute' : 'static',
        inset: isOver ? '100% auto auto 0' : 'auto',
        'z-index': '5',
        'min-width': isOver ? '100%' : '0',
        width: isOver ? 'max-content' : 'auto',
        'max-width': isOver ? '80vw' : 'none'
      },
      'script'
    ),
    rule(
      `${list} > [data-sub]:last-child > ${sub}`,
      { inset: isOver ? '100% 0 auto auto' : 'auto' },
      'script'
    ),
    rule(`${list} > [data-sub]:not([data-open]) > ${sub}`, { display: 'none' }, 'script')
  ];
}

/** Behind the menu button there is room for lists below one another alone. */
function foldedSublists(ctx: Context, folds: { readonly under: number }): readonly Rule[] {
  const inFlow = { position: 'static', width: 'auto', 'max-width': 'none' };
  const entry = `${ctx.sel('list')} > [data-sub]`;
  return [
    rule(entry, { position: 'static' }, 'script', folds),
    rule(`${entry} > ${ctx.sel('sublist')}`, inFlow, 'script', folds)
  ];
}

const BARE = { margin: '0', font: 'inherit', border: '0', background: 'none' };

/** What opens something is a button, and looks as its neighbours do. */
const buttonRules = (ctx: Context): readonly Rule[] =>
  [ctx.sel('link'), ctx.sel('sublink')].map((link) => rule(`:where(button${link})`, BARE));

export function style(node: Node, ctx: Context): readonly Rule[] {
  const own = ctx.settings<LinksSettings>(node);
  const { flow, align, foldUnder } = own;
  const folds = { under: foldUnder };
  const root = ctx.sel('root');
  const isNested = hasSublists(ctx.items('links'));
  const below = isNested ? sublists(own, ctx) : [];
  const belowFolded = isNested ? foldedSublists(ctx, folds) : [];
  const buttons = hasButtons(ctx.items('links'), ctx) ? buttonRules(ctx) : [];
  const open = [
    // It takes what room its neighbours leave, so that the room does not depend on whether the links are shown.
    rule(root, {
      display: 'flex',
      'flex-grow': '1',
      'flex-wrap': 'wrap',
      'min-width': '0',
      'justify-content': align
    }),
    rule(ctx.sel('list'), {
      display: 'flex',
      flex: '1 1 auto',
      'flex-flow': `${flow} wrap`,
      'justify-content': align,
      'align-items': flow === 'row' ? 'baseline' : 'start',
      ...plainList,
      'min-width': '0'
    }),
    rule(ctx.sel('link'), { display: 'inline-flex', 'align-items': 'center', 'overflow-wrap': 'anywhere' }),
    rule(ctx.sel('menu'), { display: 'none', margin: '0', font: 'inherit', 'align-items': 'center' }),
    ...buttons,
    ...below
  ];
  if (foldUnder === 0) return open;
  if (isPanel(own))
    return [...open, ...panelRules(own, ctx.variants<LinksSettings>(node), ctx), ...belowFolded];
  const asColumn = { 'flex-flow': 'column wrap', 'flex-basis': '100%', 'align-items': 'stretch' };
  return [
    ...open,
    rule(ctx.sel('menu'), { display: 'inline-flex' }, 'script', folds),
    rule(ctx.sel('list'), asColumn, 'script', folds),
    rule(`${root}:not([data-open]) > ${ctx.sel('list')}`, { display: 'none' }, 'script', folds),
    ...belowFolded
  ];
}

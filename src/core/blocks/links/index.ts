import type { ElementContent } from 'hast';
import { iconElement, type Icon } from '../../html/icon';
import type { Context, Kind } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import type { Node } from '../../project/types';
import { settings, type LinksSettings } from './settings';
import { compact, defined } from '../../data/compact';
import { about } from './about';

type Settings = LinksSettings;

function one(item: Node, ctx: Context): ElementContent {
  const { href, icon } = ctx.settings<{ href: string; icon: Icon | null }>(item);
  const words: ElementContent[] = compact([
    icon ? iconElement(icon) : null,
    { type: 'text', value: item.name }
  ]);
  return {
    type: 'element',
    tagName: 'li',
    properties: {},
    children: [ctx.part('link', 'a', { href: href || '#' }, words, item)]
  };
}

/** A list of links: down, along, or a navigation that turns into a menu button where the links no longer fit. */
export const links: Kind = {
  ...about,
  anatomy: {
    root: { label: 'links', states: {}, hasText: true, box: { x: 0, y: 36, width: 150, height: 44 } },
    list: { label: 'list', states: {}, properties: ['gap'], box: { x: 4, y: 42, width: 112, height: 32 } },
    link: {
      label: 'link',
      states: { hover: ':hover', focus: ':focus-visible', pressed: ':active', selected: '[aria-current]' },
      hasText: true,
      on: 'list',
      properties: [
        'font-size',
        'font-weight',
        'text-decoration-line',
        'letter-spacing',
        'text-transform',
        'gap',
        'cursor'
      ],
      box: { x: 8, y: 48, width: 30, height: 20 }
    },
    menu: {
      label: 'menu button',
      states: {
        hover: ':hover',
        focus: ':focus-visible',
        pressed: ':active',
        selected: '[aria-expanded="true"]'
      },
      hasText: true,
      properties: ['font-size', 'font-weight', 'gap', 'cursor'],
      keys: { Escape: 'closes the menu' },
      box: { x: 120, y: 48, width: 26, height: 20 }
    }
  },
  settings,
  slots: { links: { label: 'Links', accepts: ['link'], items: true, repeats: true, least: 1, part: 'link' } },
  forms: [
    { form: 'row', label: 'side by side', text: 'links in a row' },
    { form: 'menu', label: 'menu button', text: 'links behind a button' }
  ],
  look: {
    list: { rest: { always: { gap: '4px 24px', padding: '0' } } },
    link: {
      rest: {
        always: {
          color: '#0b6a5f',
          padding: '4px 0',
          gap: '6px',
          'text-decoration-line': 'none',
          cursor: 'pointer'
        }
      },
      hover: { always: { color: '#063f39', 'text-decoration-line': 'underline' } },
      focus: { always: { outline: '2px solid #2b55a0', 'outline-offset': '2px' } },
      selected: { always: { 'font-weight': '700' } }
    },
    menu: {
      rest: {
        always: {
          'text-align': 'center',
          padding: '8px 14px',
          gap: '8px',
          'border-width': '1px',
          'border-color': '#0b6a5f',
          'border-radius': '4px',
          color: '#0b6a5f',
          'background-color': 'transparent',
          cursor: 'pointer'
        }
      },
      hover: { always: { 'background-color': '#e3efec' } },
      focus: { always: { outline: '2px solid #2b55a0', 'outline-offset': '2px' } },
      selected: { always: { 'background-color': '#0b6a5f', color: '#ffffff' } }
    }
  },
  create: (make) =>
    make(
      'links',
      'Links',
      {},
      { links: ['First link', 'Second link', 'Third link'].map((name) => make('link', name)) }
    ),
  markup(node, ctx) {
    const { element, label, menu, foldUnder, spy } = ctx.settings<Settings>(node);
    const id = `${node.id}-list`;
    const isNavigation = element === 'navigation';
    const list = ctx.part(
      'list',
      'ul',
      defined({ role: 'list', id: foldUnder > 0 ? id : undefined }),
      ctx.items('links').map((item) => one(item, ctx))
    );
    const button = ctx.part('menu', 'button', { type: 'button', ariaExpanded: 'false', ariaControls: [id] }, [
      {
        type: 'element',
        tagName: 'span',
        properties: { ariaHidden: 'true' },
        children: [{ type: 'text', value: '☰' }]
      },
      { type: 'text', value: menu || 'Menu' }
    ]);
    return ctx.part(
      'root',
      isNavigation ? 'nav' : 'div',
      defined({
        ariaLabel: isNavigation && label ? label : undefined,
        dataKMenu: foldUnder > 0 ? '' : undefined,
        dataKSpy: spy ? '' : undefined
      }),
      foldUnder > 0 ? [button, list] : [list]
    );
  },
  style(node, ctx) {
    const { flow, align, foldUnder } = ctx.settings<Settings>(node);
    const folds = { under: foldUnder };
    const root = ctx.sel('root');
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
        'flex-direction': flow,
        'flex-wrap': 'wrap',
        'justify-content': align,
        'align-items': flow === 'row' ? 'baseline' : 'start',
        margin: '0',
        'list-style': 'none',
        'min-width': '0'
      }),
      rule(ctx.sel('link'), { display: 'inline-flex', 'align-items': 'center', 'overflow-wrap': 'anywhere' }),
      rule(ctx.sel('menu'), { display: 'none', margin: '0', font: 'inherit', 'align-items': 'center' })
    ];
    if (foldUnder === 0) return open;
    const asColumn = { 'flex-direction': 'column', 'flex-basis': '100%', 'align-items': 'stretch' };
    return [
      ...open,
      rule(ctx.sel('menu'), { display: 'inline-flex' }, 'script', folds),
      rule(ctx.sel('list'), asColumn, 'script', folds),
      rule(`${root}:not([data-open]) > ${ctx.sel('list')}`, { display: 'none' }, 'script', folds)
    ];
  },
  behaviours(node, ctx) {
    const { foldUnder, spy } = ctx.settings<Settings>(node);
    return compact([foldUnder > 0 ? 'menu' : null, spy ? 'spy' : null]);
  },
  fallbacks(_node, { settings: under, bands }) {
    const { foldUnder } = under<Settings>('always');
    if (foldUnder === 0) return [];
    const text = `menu button under ${foldUnder}`;
    return [
      {
        label: 'Shows',
        wide: 'links',
        cells: {
          medium: foldUnder > bands.narrow ? text : null,
          narrow: text,
          'no-script': 'links',
          print: 'links'
        }
      }
    ];
  },
  findings: () => import('./findings'),
  fit: { row: 'list', what: 'links' }
};

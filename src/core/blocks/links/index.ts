import { choosing } from '../../kinds/choosing';
import type { Context, FallbackContext, FallbackRow, Kind } from '../../kinds/contract';
import type { Node } from '../../project/types';
import { isPanel, settings, type LinksSettings } from './settings';
import { STILL_TRACK } from '../../motion/track';
import { compact } from '../../data/compact';
import { about } from './about';
import { anatomy, look } from './anatomy';
import { hasSublists, markup, opensDialog } from './markup';
import { style } from './style';

function behaviours(node: Node, ctx: Context): readonly string[] {
  const own = ctx.settings<LinksSettings>(node);
  const items = ctx.items('links');
  const isNested = hasSublists(items);
  return compact([
    own.foldUnder > 0 && !isPanel(own) ? 'menu' : null,
    isPanel(own) ? 'closes' : null,
    own.spy ? 'spy' : null,
    isNested ? 'sublists' : null,
    opensDialog(items, ctx) ? 'opens' : null
  ]);
}

function fallbacks(_node: Node, { settings: under, bands }: FallbackContext): readonly FallbackRow[] {
  const own = under<LinksSettings>('always');
  const { foldUnder } = own;
  if (foldUnder === 0) return [];
  const text = `menu button under ${foldUnder}`;
  return [
    {
      label: 'Shows',
      wide: 'links',
      cells: {
        medium: foldUnder > bands.narrow ? text : null,
        narrow: text,
        'no-script': isPanel(own) ? null : 'links',
        print: 'links'
      }
    }
  ];
}

/**
 * A list of links: down, along, or a navigation that turns into a menu button where the links no longer fit. A link
 * may have a list of its own.
 */
export const links: Kind = {
  ...about,
  anatomy,
  states: choosing,
  settings,
  slots: { links: { label: 'Links', accepts: ['link'], items: true, repeats: true, least: 1, part: 'link' } },
  forms: [
    { form: 'row', label: 'side by side', text: 'links in a row' },
    { form: 'menu', label: 'menu button', text: 'links behind a button' }
  ],
  look,
  adapt: { 'less-motion': { track: STILL_TRACK, leave: STILL_TRACK } },
  landmark: ({ element }) =>
    element === 'navigation' ? { role: 'navigation', named: 'label', none: ['element', 'list'] } : null,
  create: (make) =>
    make(
      'links',
      'Links',
      {},
      { links: ['First link', 'Second link', 'Third link'].map((name) => make('link', name)) }
    ),
  markup,
  style,
  behaviours,
  uses: (node, ctx) => (isPanel(ctx.settings<LinksSettings>(node)) ? ['popover'] : []),
  fallbacks,
  findings: () => import('./findings'),
  fit: { row: 'list', what: 'links' }
};

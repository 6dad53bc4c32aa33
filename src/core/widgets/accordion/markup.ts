import type { Element } from 'hast';
import { compact, defined } from '../../data/compact';
import { iconElement, type Icon } from '../../html/icon';
import type { Context } from '../../kinds/contract';
import type { Node } from '../../project/types';
import type { AccordionSettings } from './settings';
import { text, element } from '../../html/build';
import { isDisabled } from '../../kinds/disabled';

/** @returns ids of the items that are open at load. Of those where one opens at a time, one at most. */
export function openAtLoad(
  { atLoad, several, first }: AccordionSettings,
  items: readonly Node[]
): Set<string> {
  const enabled = items.filter((item) => !isDisabled(item));
  if (atLoad === 'none' || enabled.length === 0) return new Set();
  if (atLoad === 'all' && several) return new Set(items.map(({ id }) => id));
  const chosen = enabled.find(({ id }) => id === first);
  return new Set([(atLoad === 'first' ? chosen : undefined)?.id ?? enabled[0]!.id]);
}

/** What is opened comes to the top under one condition at least. */
export const raises = (node: Node, ctx: Context): boolean =>
  ctx.variants<AccordionSettings>(node).some(({ raise }) => raise !== 'stays');

/**
 * The browser's own disclosure (HTML standard, 4.11.1): it opens by pointer, key, anchor and the browser's
 * search, one at a time where they share a name, all without script. The anchor stands on the panel, since a
 * browser opens what an anchor lies in, not what it is.
 */
export function markup(node: Node, ctx: Context): Element {
  const settings = ctx.settings<AccordionSettings>(node);
  const items = ctx.items('panels');
  const open = openAtLoad(settings, items);
  return ctx.part(
    'root',
    'div',
    raises(node, ctx) ? { dataKRaise: '' } : {},
    items.map((item) =>
      ctx.part(
        'item',
        'details',
        defined({
          name: settings.several ? undefined : node.id,
          open: open.has(item.id) || undefined,
          dataFirst: open.has(item.id) ? '' : undefined
        }),
        [
          header(item, settings, ctx),
          ctx.part('panel', 'div', { id: item.id }, ctx.slot('content', item), item)
        ],
        item
      )
    )
  );
}

/** The words are a heading, so that the page can be read by its headings. */
function header(item: Node, { level, marker }: AccordionSettings, ctx: Context): Element {
  const { icon } = item.settings as { icon?: Icon | null };
  const words = element(`h${level}`, { className: [ctx.cls('words')], dir: 'auto' }, [text(item.name)]);
  return ctx.part(
    'header',
    'summary',
    defined({
      ariaDisabled: isDisabled(item) ? 'true' : undefined,
      tabIndex: isDisabled(item) ? -1 : undefined
    }),
    compact([
      icon ? ctx.part('icon', 'span', {}, [iconElement(icon)], item) : null,
      words,
      marker === 'none' ? null : ctx.part('marker', 'span', { ariaHidden: 'true' }, [], item)
    ]),
    item
  );
}

import type { Condition, Context, Rule } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import type { Node } from '../../project/types';
import type { TabsSettings } from './settings';

const DIRECTION = { top: 'column', bottom: 'column-reverse', left: 'row', right: 'row-reverse' } as const;
const DISTRIBUTION = { start: 'flex-start', center: 'center', end: 'flex-end', stretch: 'stretch' } as const;

/** Style alone decides the form; `--k-form` tells the behaviour which one it is, so the two cannot disagree. */
export function style(node: Node, ctx: Context): readonly Rule[] {
  const { side, align, foldUnder } = ctx.settings<TabsSettings>(node);
  const vertical = side === 'left' || side === 'right';
  const part = (name: string) => ctx.sel(name);
  const bare = { appearance: 'none', font: 'inherit', color: 'inherit', margin: '0' };

  const folded = (...when: Condition[]): Rule[] => [
    rule(part('root'), { '--k-form': 'accordion', 'flex-direction': 'column' }, ...when),
    rule(part('list'), { display: 'none' }, ...when),
    rule(part('head'), { display: 'block' }, ...when)
  ];

  return [
    rule(part('root'), { '--k-form': 'tabs', display: 'flex', 'flex-direction': DIRECTION[side], 'min-width': '0' }),
    rule(part('list'), {
      display: 'flex',
      'flex-direction': vertical ? 'column' : 'row',
      'flex-wrap': vertical ? 'nowrap' : 'wrap',
      'justify-content': vertical ? 'flex-start' : align === 'stretch' ? 'flex-start' : DISTRIBUTION[align],
      ...(vertical ? { 'flex-shrink': '0', 'max-width': '40%' } : {})
    }),
    rule(part('tab'), { ...bare, 'overflow-wrap': 'anywhere', ...(align === 'stretch' && !vertical ? { flex: '1 1 auto' } : {}) }),
    rule(part('panels'), { flex: '1 1 0', 'min-width': '0' }),
    rule(part('head'), { display: 'none', margin: '0', font: 'inherit' }),
    rule(part('header'), { ...bare, display: 'block', 'box-sizing': 'border-box', width: '100%', 'overflow-wrap': 'anywhere' }),
    rule(part('panel'), { display: 'flex', 'flex-direction': 'column' }),
    rule(`${part('panel')}[hidden]`, { display: 'none' }),
    // Until the script has started, closed panels stay out of sight; if it never starts, they appear after four seconds.
    rule(`${part('root')}:not([data-k-on]) ${part('panel')}:not([data-first])`, { animation: 'k-wait 4s' }, 'script'),
    ...(foldUnder > 0 ? folded({ under: foldUnder }) : []),
    ...folded('no-script'),
    rule(`${part('panel')}[hidden]`, { display: 'flex' }, 'no-script'),
    ...folded('print'),
    rule(`${part('panel')}[hidden]`, { display: 'flex' }, 'print')
  ];
}

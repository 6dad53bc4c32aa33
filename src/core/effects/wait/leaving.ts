import type { Element, ElementContent } from 'hast';
import { element, text } from '../../html/build';
import type { Context, EffectContext, Rule } from '../../kinds/contract';
import { rule } from '../../kinds/rule';
import type { Node } from '../../project/types';
import type { WaitSettings } from './settings';

/** In the words of the notice: where the seconds stand that are left. */
const SECONDS = '{s}';

/** Whether the page is left for somewhere else. The notice needs a piece that can hold it. */
export const leaves = (
  { leaveFor }: Pick<WaitSettings, 'leaveFor'>,
  { slots }: Pick<Node, 'slots'>
): boolean => leaveFor !== '' && Object.keys(slots).length > 0;

/** The seconds are a timer, which is not read again with each of them (WAI-ARIA 1.2: a live region that is off). */
function sentence({ leaveWords, leaveAfter }: WaitSettings): ElementContent[] {
  const [before = '', after = ''] = leaveWords.split(SECONDS);
  const timer = element('span', { role: 'timer' }, [text(String(leaveAfter))]);
  return leaveWords.includes(SECONDS)
    ? [text(before), timer, text(after)]
    : [text(`${leaveWords} `.trimStart()), timer];
}

/** Said when it comes, with a way to go at once and one to stay (WCAG 2.2, 2.2.1: turn off). */
export function notice(own: WaitSettings, ctx: Context): Element {
  const said = element('span', { role: 'status' }, sentence(own));
  return ctx.part('wait-notice', 'div', {}, [
    said,
    ctx.part('wait-link', 'a', { href: own.leaveFor }, [text(own.goWords || 'Go now')]),
    ctx.part('wait-stay', 'button', { type: 'button' }, [text(own.stayWords || 'Stay here')])
  ]);
}

/** Without script nobody is taken anywhere, and the link alone is left; on paper not even that. */
export function noticeRules({ root }: EffectContext): readonly Rule[] {
  const [box, stay] = [`${root}-wait-notice`, `${root}-wait-stay`];
  return [
    rule(box, { display: 'flex', 'flex-wrap': 'wrap', 'align-items': 'center' }),
    rule(stay, { font: 'inherit', margin: '0' }),
    rule(`${box}:not([data-leaving])`, { display: 'none' }, 'script'),
    rule(box, { display: 'none' }, 'print')
  ];
}

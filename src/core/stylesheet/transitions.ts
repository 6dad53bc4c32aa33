import { maybeTransitions } from '../css/transition';
import { familyOf, type Cell } from './cells';

/**
 * Properties that may change though the part says nothing of them, since they are what they are around it, or
 * since the browser itself changes them: of what a disclosure opens, of what lies over the page.
 */
const ELSEWHERE = new Set([
  'all',
  'color',
  'content-visibility',
  'display',
  'font-size',
  'letter-spacing',
  'line-height',
  'overlay',
  'visibility'
]);

/**
 * Transitions of what can change only: a look names all that its states may come to change.
 * @param cells all of one piece. @returns them with shorter `transition` values, and without those that are
 * left with nothing.
 */
export function shortTransitions(cells: readonly Cell[]): Cell[] {
  return cells.flatMap((cell) => {
    const entries = cell.property === 'transition' ? maybeTransitions(cell.value) : null;
    if (!entries || entries.length === 0) return [cell];
    const moving = entries.filter(({ property }) => canChange(property, cell, cells));
    if (moving.length === 0) return [];
    const written = moving.map(({ property, ms, delay, easing }) => {
      const words = [property, `${ms}ms`];
      if (easing !== 'ease') words.push(easing);
      if (delay !== 0) words.push(`${delay}ms`);
      return words.join(' ');
    });
    return [{ ...cell, value: written.join(', ') }];
  });
}

/** Whether a cell holds whatever the state and the conditions are. */
export const isAlways = ({ at, selector }: Cell): boolean => at.length === 0 && !/[:[ ]/.test(selector);

function canChange(property: string, of: Cell, cells: readonly Cell[]): boolean {
  const subject = of.meets.slice(0, of.meets.lastIndexOf(' '));
  const said = cells.filter(({ meets }) => meets === `${subject} ${familyOf(property)}`);
  if (said.length === 0) return ELSEWHERE.has(property);
  // Said once in a state or under a condition, it is the initial value without that.
  return said.length > 1 || !isAlways(said[0]!);
}

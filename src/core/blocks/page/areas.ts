/** Where on its page a section is drawn: before the main element, in it, or after it. */
export type Area = 'before' | 'main' | 'after';

interface Placed {
  readonly element?: string;
  readonly aside?: string;
}

const EDGES: readonly (string | undefined)[] = ['header', 'footer'];

/**
 * Headers at the start of a page and what stands at its side come before the main element, footers after it.
 * @returns one for each section, in their order.
 */
export function areasOf(sections: readonly Placed[]): readonly Area[] {
  const firstInMain = sections.findIndex(({ element, aside }) => !EDGES.includes(element) && !aside);
  return sections.map(({ element, aside }, index): Area => {
    if (element === 'footer') return 'after';
    const isFirst = element === 'header' && (firstInMain < 0 || index < firstInMain);
    return isFirst || aside ? 'before' : 'main';
  });
}

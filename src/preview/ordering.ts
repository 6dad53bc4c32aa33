import { maybeTrouble } from '$core/heard/order';
import type { HeardTools } from './heard';
import type { FromFrame } from './messages';
import type { Stop } from './overlay';

interface Ask {
  readonly page: HTMLElement;
  readonly fetchTools: () => Promise<HeardTools>;
  readonly draw: (stops: readonly Stop[]) => void;
  readonly tell: (message: FromFrame) => void;
}

/** What a hand, a switch or another width may change of what is read is there after so many ms. */
const SETTLED = 150;

/** What is read of the page in which order, and the numbers of its stops, while someone looks at them. */
export function createOrdering({ page, fetchTools, draw, tell }: Ask) {
  let tools: HeardTools | null = null;
  let stops: readonly Stop[] = [];
  let due: ReturnType<typeof setTimeout> | undefined;

  const read = (): void => {
    if (!tools) return;
    const all = tools.orderOf(page);
    stops = all.flatMap(({ element, read: { stop }, read }) =>
      stop === null ? [] : [{ element, number: stop, isWrong: maybeTrouble(read) !== null }]
    );
    draw(stops);
    tell({ type: 'ordered', read: all.map((each) => each.read) });
  };

  /** Reads again a moment later: once, however much happens until then. */
  const soon = (): void => {
    if (!tools) return;
    clearTimeout(due);
    due = setTimeout(read, SETTLED);
  };

  const refused = (error: Error): null => {
    tell({ type: 'fault', sentence: error.message });
    return null;
  };

  for (const type of ['click', 'keyup', 'toggle', 'pointerover', 'transitionend'])
    document.addEventListener(type, soon, { capture: true, passive: true });

  return {
    async set(isOn: boolean): Promise<void> {
      clearTimeout(due);
      tools = isOn ? await fetchTools().catch(refused) : null;
      stops = [];
      draw(stops);
      read();
    },
    soon,
    /** Draws the numbers where their stops are now. */
    redraw(): void {
      if (stops.length > 0) draw(stops);
    }
  };
}

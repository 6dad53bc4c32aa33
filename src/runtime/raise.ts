/** Whether it comes to an end by itself. */
const ends = ({ effect }: Animation) => effect?.getComputedTiming().endTime !== Infinity;

/**
 * Brings what a hand has just opened to the top of the window, below what sticks there: the page keeps room for that
 * (`scroll-padding`). `--k-raise` says how. What opens at load or by a link stays where it is.
 */
export function raise(root: HTMLElement): (() => void) | undefined {
  let pressed: Element | null = null;
  const press = ({ target }: Event) => {
    const item = (target as Element).closest('summary')?.parentElement;
    pressed = item?.parentElement === root ? item : null;
  };
  const opened = async ({ target }: Event) => {
    const item = target as HTMLDetailsElement;
    if (item !== pressed || !item.open) return;
    pressed = null;
    // While another one closes above, it is still on its way up.
    const moving = root.getAnimations({ subtree: true }).filter(ends);
    await Promise.allSettled(moving.map(({ finished }) => finished));
    const how = getComputedStyle(root).getPropertyValue('--k-raise');
    if (how !== 'stays') item.scrollIntoView({ behavior: how === 'glides' ? 'smooth' : 'instant' });
  };
  root.addEventListener('click', press);
  root.addEventListener('toggle', opened, true);
  STOPPABLE: return () => {
    root.removeEventListener('click', press);
    root.removeEventListener('toggle', opened, true);
  };
}

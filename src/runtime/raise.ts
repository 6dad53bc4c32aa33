const frame = () => new Promise(requestAnimationFrame);

/**
 * Waits until an element stands where it stood two frames ago, as high as then: the box that a disclosure opens or
 * closes tells nobody of its movement.
 */
async function still(element: HTMLElement): Promise<void> {
  const place = () => `${element.offsetTop} ${element.offsetHeight}`;
  let last = '';
  // What never stands still is not waited for.
  for (let n = 0; n < 100 && place() !== last; n += 1) {
    last = place();
    await frame();
    await frame();
  }
}

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
    await still(item);
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

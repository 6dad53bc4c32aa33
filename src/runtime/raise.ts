const frame = () => new Promise(requestAnimationFrame);

/** Frames after which what stands is at rest, and those after which it has stood for good. */
const [RESTS, STAYS] = [2, 24];

/** What never stands still is not waited for: frames. */
const MOST = 200;

/**
 * Has an item scrolled to whenever it comes to rest at another place, until it has stood for long: the box that a
 * disclosure opens or closes tells nobody of its movement, and may begin it some frames late.
 */
async function follow(item: HTMLDetailsElement, scroll: () => void): Promise<void> {
  let [last, at] = ['', NaN];
  for (let n = 0, stood = 0; n < MOST && stood < STAYS && item.open; n += 1) {
    const place = `${item.offsetTop} ${item.offsetHeight}`;
    stood = place === last ? stood + 1 : 0;
    last = place;
    if (stood === RESTS && item.offsetTop !== at) {
      at = item.offsetTop;
      scroll();
    }
    await frame();
  }
  if (item.open && isNaN(at)) scroll();
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
  const opened = ({ target }: Event) => {
    const item = target as HTMLDetailsElement;
    if (item !== pressed || !item.open) return;
    pressed = null;
    const how = getComputedStyle(root).getPropertyValue('--k-raise');
    const behavior = how === 'glides' ? 'smooth' : 'instant';
    if (how !== 'stays') void follow(item, () => item.scrollIntoView({ behavior }));
  };
  root.addEventListener('click', press);
  root.addEventListener('toggle', opened, true);
  STOPPABLE: return () => {
    root.removeEventListener('click', press);
    root.removeEventListener('toggle', opened, true);
  };
}

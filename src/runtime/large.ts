/** How far a finger goes for it to be a swipe, px (common practice, no source). */
const SWIPE = 40;

/**
 * Opens a picture of a list large, in the dialog that stands last in it, and goes on from one to the next. What is
 * shown is the same picture, told that it has the whole window, so that the browser takes the size it needs.
 */
export function large(root: HTMLElement): (() => void) | undefined {
  const dialog = root.lastElementChild as HTMLDialogElement;
  const links = [...root.querySelectorAll('li > a:has(> picture, > img)')];
  const [, frame, words] = dialog.children;
  let now: number;
  let from: number;

  const show = (to: number) => {
    now = (to + links.length) % links.length;
    const link = links[now]!;
    const picture = link.firstElementChild!.cloneNode(true) as HTMLElement;
    for (const each of [picture, ...picture.children] as HTMLImageElement[]) each.sizes = '100vw';
    frame!.replaceChildren(picture);
    words!.textContent = link.parentElement!.innerText;
  };
  /** In the direction on the screen: where what is read begins at the right, what is before stands there too. */
  const go = (by: number) => show(getComputedStyle(root).direction > 'm' ? now - by : now + by);
  root.onclick = (event) => {
    const { dataset } = event.target as HTMLElement;
    const at = links.indexOf((event.target as Element).closest('a')!);
    if (dataset.kBy) show(now + +dataset.kBy);
    if (at < 0) return;
    event.preventDefault();
    show(at);
    dialog.showModal();
  };
  dialog.onkeydown = ({ key }) => {
    if (/^Arrow[LR]/.test(key)) go(key > 'ArrowM' ? 1 : -1);
  };
  dialog.onpointerdown = ({ x }) => (from = x);
  dialog.onpointerup = ({ x }) => {
    if (Math.abs(x - from) > SWIPE) go(x < from ? 1 : -1);
  };
  STOPPABLE: return () => {
    root.onclick = dialog.onkeydown = dialog.onpointerdown = dialog.onpointerup = null;
  };
}

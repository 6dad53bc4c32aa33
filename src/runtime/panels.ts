/**
 * Brings a piece of a sideways section into the window by scrolling the page to where it goes by: what gets the focus,
 * and what a link leads to. `data-k-panels` says how far from the top it is held, px, and how long it rests at both
 * ends, in percent of a window.
 */
export function panels(root: HTMLElement): (() => void) | undefined {
  const view = root.firstElementChild as HTMLElement;
  const show = (target: Element | null) => {
    const strip = view.firstElementChild as HTMLElement;
    if (!target || getComputedStyle(view).position !== 'sticky') return;
    let panel = target as HTMLElement;
    while (panel.parentElement !== strip) panel = panel.parentElement!;
    const [inset, before, after] = root.dataset.kPanels!.split(' ').map(Number) as [number, number, number];
    const rest = (share: number) => (share * innerHeight) / 100;
    const way = strip.scrollWidth - view.clientWidth;
    const held = root.offsetHeight - view.offsetHeight - rest(before + after);
    const share = Math.min(1, panel.offsetLeft / way);
    scrollTo(0, root.getBoundingClientRect().top + scrollY - inset + rest(before) + share * held);
  };
  const focus = ({ target }: Event) => show(target as Element);
  const jump = () => show(view.querySelector(':target'));
  root.addEventListener('focusin', focus);
  addEventListener('hashchange', jump);
  jump();
  STOPPABLE: return () => {
    root.removeEventListener('focusin', focus);
    removeEventListener('hashchange', jump);
  };
}

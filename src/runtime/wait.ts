/** Where it is remembered that it has come: for a visit, or for good; null where a browser keeps nothing. */
function storeFor(times: string): Storage | null {
  try {
    return times === 'visit' ? sessionStorage : localStorage;
  } catch {
    return null;
  }
}

/**
 * Keeps a piece away (`data-waiting`) until its time has come. `data-k-wait` says the ms, whether they count from
 * `load` or `view`, how often it waits, and its name. `--k-wait` is there where the page goes to it, and says how.
 */
export function wait(root: HTMLElement): (() => void) | undefined {
  const [ms, after, times, name] = root.dataset.kWait!.split(' ');
  const store = times === 'always' ? null : storeFor(times!);
  const key = `waited ${location.pathname} ${name}`;
  if (store?.getItem(key)) return;
  let timer = 0;
  const come = () => {
    root.removeAttribute('data-waiting');
    store?.setItem(key, '1');
    root.dispatchEvent(new Event('k-come'));
    const how = getComputedStyle(root).getPropertyValue('--k-wait');
    if (how) root.scrollIntoView({ block: 'center', behavior: how === 'glides' ? 'smooth' : 'instant' });
  };
  const count = () => (timer = window.setTimeout(come, +ms!));
  root.setAttribute('data-waiting', '');
  // What takes no room while it waits is in view where the element around it is.
  const watch = new IntersectionObserver((entries) => {
    if (!entries.some(({ isIntersecting }) => isIntersecting)) return;
    watch.disconnect();
    count();
  });
  if (after === 'load') count();
  else watch.observe(root.checkVisibility() ? root : root.parentElement!);
  STOPPABLE: return () => {
    watch.disconnect();
    clearTimeout(timer);
    root.removeAttribute('data-waiting');
  };
}

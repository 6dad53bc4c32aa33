/**
 * The way out of a panel, where the browser may not yet know `transition-behavior: allow-discrete`. The style
 * sheet says how in `--k-leave` ("fade 120 0 ease": form, length and delay in ms, curve); nothing or `none`
 * means at once.
 */
export function leave(root: HTMLElement): (() => void) | undefined {
  const watch = new MutationObserver((changes) =>
    changes.forEach(({ target, oldValue }) => {
      const panel = target as HTMLElement;
      // What is put away before anyone has chosen anything was never in sight.
      if (oldValue !== null || !panel.hidden || root.dataset.kLive == null) return;
      const [form, ms, delay, ...easing] = getComputedStyle(panel)
        .getPropertyValue('--k-leave')
        .trim()
        .split(' ');
      if (!delay || form === 'none') return;
      const to = { fade: {}, slide: { translate: '-24px' }, grow: { scale: 0.96 } }[form!];
      const shown = { display: 'flex', visibility: 'visible', 'content-visibility': 'visible' };
      Object.assign(panel.style, shown);
      // On its way out it is seen, but no key leads into it.
      panel.inert = true;
      panel
        .animate([{ opacity: 1 }, { opacity: 0, ...to }], {
          duration: +ms!,
          delay: +delay,
          easing: easing.join(' '),
          fill: 'both'
        })
        .finished.then((animation) => {
          animation.cancel();
          panel.inert = false;
          for (const name in shown) panel.style.removeProperty(name);
        });
    })
  );
  watch.observe(root, { attributeFilter: ['hidden'], attributeOldValue: true, subtree: true });
  STOPPABLE: return () => watch.disconnect();
}

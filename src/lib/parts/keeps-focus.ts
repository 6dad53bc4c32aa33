import type { Attachment } from 'svelte/attachments';

const CONTROLS =
  'button:not(:disabled), a[href], input:not(:disabled), select:not(:disabled), textarea, [tabindex="0"]';

/**
 * Keeps the focus in a panel. Where the control that has it goes, such as the button that has mended a finding, the
 * control that comes to stand in its place gets it: who works by keys goes on from there.
 */
export const keepsFocus: Attachment<HTMLElement> = (panel) => {
  const controls = () => [...panel.querySelectorAll<HTMLElement>(CONTROLS)];
  let had: { readonly element: HTMLElement; readonly at: number } | null = null;
  const remember = (element: EventTarget | null) => {
    const at = controls().indexOf(element as HTMLElement);
    had = at < 0 ? null : { element: element as HTMLElement, at };
  };
  const focused = ({ target }: FocusEvent) => remember(target);
  // By then a control that goes has gone. One that is still there was left, if for nothing that takes the focus.
  const left = () =>
    queueMicrotask(() => {
      if (had?.element.isConnected && document.activeElement !== had.element) had = null;
    });
  const follow = () => {
    if (!had) return;
    if (had.element.isConnected) return remember(had.element);
    const now = controls();
    // Where nothing else has taken the focus, it went with that control.
    if (document.activeElement === document.body) now[Math.min(had.at, now.length - 1)]?.focus();
    else had = null;
  };
  const changes = new MutationObserver(follow);
  changes.observe(panel, { childList: true, subtree: true });
  panel.addEventListener('focusin', focused);
  panel.addEventListener('focusout', left);
  return () => {
    changes.disconnect();
    panel.removeEventListener('focusin', focused);
    panel.removeEventListener('focusout', left);
  };
};

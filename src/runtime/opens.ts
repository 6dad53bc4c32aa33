/** Whether a browser closes it by itself when something beside it is pressed. */
const closesItself = (dialog: HTMLDialogElement) => 'closedBy' in dialog && dialog.closedBy === 'any';

/** The page behind keeps its place, and the room of its bar where it has one. @returns what lets it scroll again. */
function holdPage(): () => void {
  const { style, clientWidth } = document.documentElement;
  const bar = innerWidth - clientWidth;
  const { overflow, paddingRight } = style;
  style.overflow = 'hidden';
  if (bar > 0) style.paddingRight = `${bar}px`;
  return () => Object.assign(style, { overflow, paddingRight });
}

/**
 * Opens the dialog named in `data-k-opens` over the page. Everything else is the browser's: the focus, Escape, the
 * way back. One with `data-outside` is closed by a press beside it, which reaches the dialog itself.
 */
export function opens(root: HTMLElement): (() => void) | undefined {
  const press = () => {
    const dialog = document.getElementById(root.dataset.kOpens!) as HTMLDialogElement | null;
    if (!dialog || dialog.open) return;
    dialog.onclick = ({ target, clientX, clientY }) => {
      const { left, right, top, bottom } = dialog.getBoundingClientRect();
      const isBeside = clientX < left || clientX > right || clientY < top || clientY > bottom;
      if (target === dialog && isBeside && dialog.dataset.outside !== undefined && !closesItself(dialog))
        dialog.close();
    };
    dialog.showModal();
    dialog.addEventListener('close', holdPage(), { once: true });
  };
  root.addEventListener('click', press);
  STOPPABLE: return () => root.removeEventListener('click', press);
}

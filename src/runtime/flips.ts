/** Turns a card by its button, which stands last in it, and by a press beside what can be pressed on it. */
export function flips(root: HTMLElement): (() => void) | undefined {
  const button = root.lastElementChild!;
  root.onclick = ({ target }) => {
    const pressed = (target as Element).closest('a,button,summary,video') ?? button;
    // Written out by the browser.
    if (pressed === button) button.ariaPressed = root.toggleAttribute('data-turned') as unknown as string;
  };
  root.dataset.kOn = '';
  STOPPABLE: return () => {
    root.onclick = null;
    delete root.dataset.kOn;
    delete root.dataset.turned;
    button.ariaPressed = 'false';
  };
}

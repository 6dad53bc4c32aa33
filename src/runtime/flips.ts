/**
 * Turns a card by its button, which stands last in it, and by a press beside what can be pressed on it. What is pressed
 * on while the card still turns may have gone from under the hand when it lets go: no press beside it either.
 */
export function flips(root: HTMLElement): (() => void) | undefined {
  const button = root.lastElementChild!;
  root.onclick = (event) => {
    // A press gives what it begins on the focus.
    const pressed =
      (event.target as Element).closest('a,button,details,video') ?? root.querySelector(':focus') ?? button;
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

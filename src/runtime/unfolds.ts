/**
 * A button that opens all that collapses on the page, or closes it again where all of it is open. Of those that
 * stand open one at a time, one stays. Its words say what a press does: `data-k-unfolds` has those for closing.
 */
export function unfolds(root: HTMLElement): (() => void) | undefined {
  const words = root.textContent;
  const all = () => [...document.querySelectorAll('details')].filter(({ name }) => !name);
  const isOpen = () => all().length > 0 && all().every(({ open }) => open);
  const tell = () => {
    root.textContent = isOpen() ? root.dataset.kUnfolds! : words;
  };
  const press = () => {
    const opens = !isOpen();
    for (const each of all()) each.open = opens;
  };
  root.addEventListener('click', press);
  // One by one they may come to be all open too.
  document.addEventListener('toggle', tell, true);
  tell();
  STOPPABLE: return () => {
    root.removeEventListener('click', press);
    document.removeEventListener('toggle', tell, true);
    root.textContent = words;
  };
}

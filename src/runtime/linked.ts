/**
 * A link to something that is put away brings it out: each widget around it hears `k-show` and opens what it
 * holds.
 */
const bring = () => {
  const target = location.hash && document.getElementById(decodeURIComponent(location.hash.slice(1)));
  if (!target) return;
  target.dispatchEvent(new Event('k-show', { bubbles: true }));
  target.scrollIntoView();
};
let isBound: boolean | undefined;

/** Opens what the address names, at load and whenever it changes. Bound once, however many widgets ask for it. */
export function linked(): (() => void) | undefined {
  if (isBound) return;
  isBound = true;
  addEventListener('hashchange', bring);
  // After every behaviour has started and every form is known.
  setTimeout(bring);
  STOPPABLE: return () => {
    isBound = false;
    removeEventListener('hashchange', bring);
  };
}

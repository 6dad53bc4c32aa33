/**
 * Two copies of one snippet on a page have the same ids; the later one takes others. Run before anything else starts within it.
 */
export function scoped(within: HTMLElement): void {
  const references = ['aria-controls', 'aria-labelledby', 'aria-describedby', 'popovertarget', 'for', 'data-current', 'href'];
  within.querySelectorAll('[id]').forEach((element) => {
    const { id } = element;
    const first = document.getElementById(id)!;
    if (within.contains(first)) return;
    let next = id;
    for (let count = 2; document.getElementById(next); count += 1) next = `${id}-${count}`;
    element.id = next;
    for (const name of references) {
      const hash = name === 'href' ? '#' : '';
      within.querySelectorAll(`[${name}="${hash}${id}"]`).forEach((each) => each.setAttribute(name, hash + next));
    }
  });
}

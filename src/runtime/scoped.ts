/** Attributes that name an element by its id. */
export const REFERENCES = [
  'aria-controls',
  'aria-labelledby',
  'aria-describedby',
  'popovertarget',
  'for',
  'data-current',
  'data-k-opens',
  'href'
];

const nextFree = (name: string, isTaken: (name: string) => unknown): string => {
  let next = name;
  for (let count = 2; isTaken(next); count += 1) next = `${name}-${count}`;
  return next;
};

/**
 * Two copies of one snippet on a page have the same ids and the same groups, of which one thing is open or
 * chosen at a time; the later copy takes others. Run before anything else starts within it.
 */
export function scoped(within: HTMLElement): void {
  within.querySelectorAll('[id]').forEach((element) => {
    const { id } = element;
    if (within.contains(document.getElementById(id))) return;
    element.id = nextFree(id, (name) => document.getElementById(name));
    for (const name of REFERENCES) {
      const hash = name === 'href' ? '#' : '';
      within
        .querySelectorAll(`[${name}="${hash}${id}"]`)
        .forEach((each) => each.setAttribute(name, hash + element.id));
    }
  });
  const grouped = (name: string) => `:is(details, [type="radio"])[name="${name}"]`;
  const groups = new Set(
    [...within.querySelectorAll(':is(details, [type="radio"])[name]')].map((each) =>
      each.getAttribute('name')!
    )
  );
  groups.forEach((group) => {
    const mine = within.querySelectorAll(grouped(group));
    if (document.querySelector(grouped(group)) === mine[0]) return;
    const own = nextFree(group, (name) => document.querySelector(grouped(name)));
    mine.forEach((each) => each.setAttribute('name', own));
  });
}

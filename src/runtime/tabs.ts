const draws = new Map<Element, (form: string) => void>();
let isDue: boolean | undefined;

/** Every form is read before any is drawn, so that a page of many tabs is laid out once. */
const refresh = () => {
  isDue = false;
  [...draws]
    .map(([root, draw]) => [draw, getComputedStyle(root).getPropertyValue('--k-form').trim()] as const)
    .forEach(([draw, form]) => draw(form));
};
const later = () => {
  if (!isDue) queueMicrotask(refresh);
  isDue = true;
};

/**
 * Tabs that fold into an accordion: ARIA Authoring Practices, patterns "Tabs" and "Accordion". The style sheet says which form
 * is shown (`--k-form`); this gives it its roles and keys. The open panel stands in `data-current` of the root.
 */
export function tabs(root: HTMLElement): () => void {
  const list = root.firstElementChild as HTMLElement;
  const tabList = [...list.children] as HTMLElement[];
  const panels = tabList.map((tab) => document.getElementById(tab.getAttribute('aria-controls')!)!);
  const options = root.dataset.kTabs!;
  const stop = new AbortController();
  const { signal } = stop;
  const open = new Set<number>();
  let current = Math.max(0, panels.findIndex((panel) => panel.id === root.dataset.current));
  let form: string | undefined;

  const set = (element: Element, values: Record<string, string | number | null>) => {
    for (const name in values) {
      const value = values[name];
      if (value == null) element.removeAttribute(name);
      else element.setAttribute(name, `${value}`);
    }
  };
  const isOff = (index: number) => tabList[index]!.hasAttribute('aria-disabled');

  const headers = panels.map((panel, index) => {
    const label = panel.previousElementSibling!.firstElementChild!;
    const button = document.createElement('button');
    for (const { name, value } of label.attributes) button.setAttribute(name, value);
    set(button, { type: 'button', 'aria-controls': panel.id });
    button.append(...label.childNodes);
    label.replaceWith(button);
    button.addEventListener('click', () => choose(index, !open.has(index)), { signal });
    return button;
  });

  const refold = (now: string) => {
    if (now === form) return;
    open.clear();
    open.add(current);
    form = now;
    draw();
  };

  const draw = () => {
    const folded = form !== 'tabs';
    root.dataset.current = panels[current]!.id;
    panels.forEach((panel, index) => {
      const isOpen = folded ? open.has(index) : index === current;
      set(tabList[index]!, { 'aria-selected': `${index === current}`, tabindex: index === current ? null : -1 });
      set(headers[index]!, { 'aria-expanded': `${isOpen}` });
      set(panel, {
        role: folded ? 'region' : 'tabpanel',
        'aria-labelledby': (folded ? headers : tabList)[index]!.id,
        tabindex: folded ? null : 0
      });
      panel.hidden = !isOpen;
    });
  };

  const choose = (index: number, opens = true) => {
    if (isOff(index)) return;
    if (opens) {
      if (!options.includes('several')) open.clear();
      open.add((current = index));
    } else open.delete(index);
    draw();
  };

  const moves = (event: KeyboardEvent, targets: HTMLElement[], forward: string, back: string, wraps: boolean) => {
    const last = targets.length - 1;
    const from = targets.indexOf(event.target as HTMLElement);
    if (from < 0) return -1;
    const step = event.key === forward ? 1 : event.key === back ? -1 : 0;
    let to = event.key === 'Home' ? 0 : event.key === 'End' ? last : step ? from + step : -1;
    if (wraps) to = step ? (to + last + 1) % (last + 1) : to;
    if (to < 0 || to > last) return -1;
    event.preventDefault();
    targets[to]!.focus();
    return to;
  };

  tabList.forEach((tab, index) => tab.addEventListener('click', () => choose(index), { signal }));
  list.addEventListener(
    'keydown',
    (event) => {
      const vertical = list.ariaOrientation === 'vertical';
      const to = moves(event, tabList, vertical ? 'ArrowDown' : 'ArrowRight', vertical ? 'ArrowUp' : 'ArrowLeft', true);
      if (to >= 0 && !options.includes('manual')) choose(to);
    },
    { signal }
  );
  root.addEventListener('keydown', (event) => void moves(event, headers, 'ArrowDown', 'ArrowUp', false), { signal });
  root.addEventListener(
    'k-show',
    (event) => {
      const index = panels.findIndex((panel) => panel.contains(event.target as Node));
      if (index >= 0 && panels[index]!.hidden) choose(index);
    },
    { signal }
  );

  root.dataset.kOn = '';
  draws.set(root, refold);
  addEventListener('resize', later);
  later();

  return () => {
    stop.abort();
    draws.delete(root);
    if (!draws.size) removeEventListener('resize', later);
    delete root.dataset.kOn;
    headers.forEach((button, index) => {
      const label = document.createElement('span');
      for (const { name, value } of button.attributes) {
        if (!/^(?:type|aria-controls|aria-expanded)$/.test(name)) label.setAttribute(name, value);
      }
      label.append(...button.childNodes);
      button.replaceWith(label);
      panels[index]!.hidden = false;
      set(panels[index]!, { role: null, 'aria-labelledby': null, tabindex: null });
    });
  };
}

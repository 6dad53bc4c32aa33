const refolds = new Map<Element, (form: string) => void>();
let sizes: ResizeObserver;
const due: Element[] = [];

/** All forms are read before any is drawn, so that a page of many tabs is laid out once. */
const readForms = (lists: Element[]) =>
  lists
    .map((list) => [list, getComputedStyle(list).getPropertyValue('--k-form').trim()] as const)
    .forEach(([list, form]) => refolds.get(list)!(form));

/**
 * A list comes and goes with the form, and drawing does not change its size, so the observer does not run
 * after itself.
 */
const follow = (list: Element) => {
  sizes ??= new ResizeObserver((entries) => readForms(entries.map(({ target }) => target)));
  sizes.observe(list);
  // A list that is folded away at load has no size to be told of.
  if (!due.length) queueMicrotask(() => readForms(due.splice(0)));
  due.push(list);
};

const setAttributes = (element: Element, values: Record<string, string | number | null>) => {
  for (const name in values) {
    const value = values[name];
    if (value == null) element.removeAttribute(name);
    else element.setAttribute(name, `${value}`);
  }
};

/** The same element under another tag name. */
const retag = (element: Element, tag: string) => {
  const next = document.createElement(tag);
  for (const { name, value } of element.attributes) next.setAttribute(name, value);
  next.append(...element.childNodes);
  element.replaceWith(next);
  return next;
};

/**
 * Tabs that fold into an accordion or lie open: ARIA Authoring Practices, patterns "Tabs" and "Accordion".
 * The style sheet says which form is shown (`--k-form`); this gives it its roles and keys. The open panel
 * stands in `data-current` of the root.
 */
export function tabs(root: HTMLElement): (() => void) | undefined {
  const list = root.firstElementChild as HTMLElement;
  const tabList = [...list.querySelectorAll<HTMLElement>('button')];
  // By their order, not by their ids, which stand twice where the same snippet does.
  const [heads, panels] = [0, 1].map((odd) =>
    [...root.lastElementChild!.children].filter((_cell, i) => i % 2 === odd)
  ) as [HTMLElement[], HTMLElement[]];
  const options = root.dataset.kTabs!;
  const open = new Set<number>();
  let current = Math.max(
    0,
    panels.findIndex(({ id }) => id === root.dataset.current)
  );
  let form: string | undefined;
  let headers = heads.map((head) => head.firstElementChild as HTMLElement);

  const holding = (event: Event, elements: Element[]) =>
    elements.findIndex((element) => element.contains(event.target as Node));

  const refold = (told: string) => {
    // Nothing is said where everything lies open anyway: on paper.
    const now = told || 'open';
    if (now === form) return;
    form = now;
    open.clear();
    open.add(current);
    headers = headers.map((header) => retag(header, form === 'accordion' ? 'button' : 'span'));
    draw();
  };

  const draw = () => {
    root.dataset.kOn = form;
    const isTabs = /^t/.test(form!);
    const isButton = form === 'accordion';
    const opener = isButton ? headers : null;
    const labelled = isTabs ? tabList : opener;
    const region = isButton ? 'region' : null;
    const role = isTabs ? 'tabpanel' : region;
    const closed = options.includes('find') && 'onbeforematch' in root ? 'until-found' : '';
    root.dataset.current = panels[current]!.id;
    setAttributes(list, { role: 'tablist', 'aria-orientation': form === 'tabs y' ? 'vertical' : null });
    panels.forEach((panel, index) => {
      const isOpen = isTabs ? index === current : form === 'open' || open.has(index);
      setAttributes(tabList[index]!, {
        role: 'tab',
        'aria-current': null,
        'aria-selected': `${index === current}`,
        tabindex: index === current ? null : -1
      });
      setAttributes(headers[index]!, {
        type: isButton ? 'button' : null,
        'aria-expanded': isButton ? `${isOpen}` : null
      });
      setAttributes(panel, {
        role,
        'aria-labelledby': labelled?.[index]!.id ?? null,
        tabindex: isTabs && isOpen ? 0 : null,
        hidden: isOpen ? null : closed
      });
    });
  };

  const choose = (index: number, opens = true) => {
    if (index < 0 || tabList[index]!.hasAttribute('aria-disabled')) return;
    if (opens) {
      if (!options.includes('several')) open.clear();
      open.add((current = index));
    } else open.delete(index);
    root.dataset.kLive = '';
    draw();
  };

  // Something inside is asked for: by a link, by the browser's own search, by the workbench.
  const show = (event: Event) => {
    const index = holding(event, panels);
    if (panels[index]?.hidden) choose(index);
  };

  const listeners: Record<string, (event: Event) => void> = {
    click(event) {
      choose(holding(event, tabList));
      const index = form === 'accordion' ? holding(event, headers) : -1;
      choose(index, !open.has(index));
    },

    keydown(event) {
      const { key } = event as KeyboardEvent;
      const inTabs = holding(event, tabList);
      const targets = inTabs < 0 ? headers : tabList;
      const from = inTabs < 0 ? holding(event, headers) : inTabs;
      const last = targets.length - 1;
      // Where lines begin at the right, so do the tabs.
      const isFromRight = getComputedStyle(root).direction > 'm';
      const sideways = isFromRight ? ['ArrowRight', 'ArrowLeft'] : ['ArrowLeft', 'ArrowRight'];
      const [back, forward] = inTabs >= 0 && form === 'tabs' ? sideways : ['ArrowUp', 'ArrowDown'];
      let to =
        ({ Home: 0, End: last, [back!]: from - 1, [forward!]: from + 1 } as Record<string, number>)[key] ??
        NaN;
      if (inTabs >= 0) to = (to + last + 1) % (last + 1);
      const target = targets[to];
      if (from < 0 || !target) return;
      event.preventDefault();
      target.focus();
      if (inTabs >= 0 && !options.includes('manual')) choose(to);
    },

    'k-show': show,
    beforematch: show
  };
  for (const type in listeners) root.addEventListener(type, listeners[type]!);

  refolds.set(list, refold);
  follow(list);
  STOPPABLE: return () => {
    for (const type in listeners) root.removeEventListener(type, listeners[type]!);
    refolds.delete(list);
    sizes.unobserve(list);
    delete root.dataset.kOn;
    delete root.dataset.kLive;
    setAttributes(list, { role: 'group', 'aria-orientation': null });
    headers.forEach((header, index) => {
      setAttributes(header, { type: null, 'aria-expanded': null });
      retag(header, 'span');
      setAttributes(tabList[index]!, {
        role: null,
        'aria-selected': null,
        tabindex: null,
        'aria-current': index === current ? 'true' : null
      });
      setAttributes(panels[index]!, { role: null, 'aria-labelledby': null, tabindex: null, hidden: null });
    });
  };
}

import { roles, type ARIAProperty, type ARIARoleDefinitionKey } from 'aria-query';
import { computeAccessibleName, getRole, isDisabled } from 'dom-accessibility-api';
import { maybeRoleWords, type Heard } from '$core/heard/heard';
import { READ_MOST, type Read } from '$core/heard/order';
import { isNamed, isReached, stopElements, takesTab } from './stops';

/**
 * What assistive technology gets of elements, in the frame that draws them; fetched when someone first looks.
 * Names by the Accessible Name and Description Computation 1.2, roles by HTML Accessibility API Mappings 1.0,
 * what a role can have by WAI-ARIA 1.2.
 */
export interface HeardTools {
  heardOf(element: HTMLElement): Heard;
  /** What is read of a page, in its order, each with its element. */
  orderOf(page: HTMLElement): readonly Ordered[];
}

export interface Ordered {
  readonly element: HTMLElement;
  readonly read: Read;
}

/** Elements whose role the package does not know, or knows only in part. */
const OWN_ROLES: Readonly<Record<string, (element: HTMLElement) => string | null>> = {
  SUMMARY: ({ parentElement }) => (parentElement?.tagName === 'DETAILS' ? 'disclosure' : null),
  // A link that leads nowhere is none.
  A: (element) => (element.hasAttribute('href') ? 'link' : 'generic'),
  SECTION: (element) => (nameOf(element) === '' ? 'generic' : 'region'),
  HEADER: (element) => (isOfPage(element) ? 'banner' : 'generic'),
  FOOTER: (element) => (isOfPage(element) ? 'contentinfo' : 'generic'),
  P: () => 'paragraph',
  BLOCKQUOTE: () => 'blockquote',
  VIDEO: () => 'video',
  IFRAME: () => 'frame',
  HR: () => 'separator',
  FIGCAPTION: () => 'caption'
};

/** A header or footer of the page itself, not of something sectioned in it (HTML-AAM 1.0, 4.1). */
const isOfPage = (element: HTMLElement) =>
  element.parentElement?.closest('article, aside, main, nav, section') === null;

const nameOf = (element: HTMLElement) => computeAccessibleName(element, { hidden: true });

function roleOf(element: HTMLElement): string | null {
  const said = element.getAttribute('role')?.trim();
  return said ? said.split(/\s+/)[0]! : (OWN_ROLES[element.tagName]?.(element) ?? getRole(element));
}

function levelOf(element: HTMLElement): number | null {
  const level = element.getAttribute('aria-level') ?? /^H([1-6])$/.exec(element.tagName)?.[1];
  return level ? Number(level) : null;
}

/** Whether something is collapsed or expanded; null for what does neither. */
function expandedOf(element: HTMLElement): boolean | null {
  if (element.tagName === 'SUMMARY') return (element.parentElement as HTMLDetailsElement).open;
  const said = element.getAttribute('aria-expanded');
  if (said !== null) return said === 'true';
  const popover = (element as HTMLButtonElement).popoverTargetElement;
  return popover ? popover.matches(':popover-open') : null;
}

const can = (role: string | null, property: ARIAProperty) =>
  role === 'disclosure' || Object.hasOwn(roles.get(role as ARIARoleDefinitionKey)?.props ?? {}, property);

/** States in the order they are said. A role that cannot have one keeps silent about it. */
function statesOf(element: HTMLElement, role: string | null): string[] {
  const isTrue = (name: ARIAProperty) => can(role, name) && element.getAttribute(name) === 'true';
  const expanded = can(role, 'aria-expanded') ? expandedOf(element) : null;
  const current = element.getAttribute('aria-current');
  const found: Readonly<Record<string, boolean>> = {
    selected: isTrue('aria-selected'),
    current: current !== null && current !== 'false' && current !== '',
    pressed: isTrue('aria-pressed'),
    checked: isTrue('aria-checked'),
    expanded: expanded === true,
    collapsed: expanded === false,
    'opens a dialog': element.getAttribute('aria-haspopup') === 'dialog',
    unavailable: isDisabled(element) || isTrue('aria-disabled')
  };
  return Object.keys(found).filter((name) => found[name]);
}

/** Hidden by the page's own marks, not by being in a panel that is closed at the moment. */
const isKeptSilent = (element: HTMLElement) => element.closest('[aria-hidden="true"]') !== null;

/** The name as it is where the element is shown, in whatever closed panel it may stand. */
function readName(element: HTMLElement): string {
  const name = withoutSilent(element, () => nameOf(element));
  return name.replace(/\s+/g, ' ').trim().slice(0, 300);
}

/** Reads something while what is kept silent in an element is not there; all is as it was when it returns. */
function withoutSilent<Value>(element: HTMLElement, read: () => Value): Value {
  const places = [...element.querySelectorAll('[aria-hidden="true"]')].map((silent) => {
    const place = document.createComment('');
    silent.replaceWith(place);
    return { silent, place };
  });
  const found = read();
  for (const { silent, place } of places.reverse()) place.replaceWith(silent);
  return found;
}

function heardOf(element: HTMLElement): Heard {
  const role = roleOf(element);
  const isSilent = isKeptSilent(element) || role === 'presentation' || role === 'none';
  return {
    role,
    name: readName(element),
    level: role === 'heading' ? levelOf(element) : null,
    states: statesOf(element, role),
    isSilent,
    isStop: takesTab(element)
  };
}

/** Words that stand in the element itself, not in elements of its own. */
const hasOwnWords = (element: HTMLElement) =>
  [...element.childNodes].some((child) => child.nodeType === Node.TEXT_NODE && child.textContent?.trim());

/** What is read by itself: what has a role that is said, what has words, and every stop. */
function isRead(element: HTMLElement, heard: Heard): boolean {
  // What is closed and waits to be found has a box, and nothing to read.
  const isThere =
    element.closest('[hidden]') === null && element.checkVisibility({ visibilityProperty: true });
  if (heard.isSilent || !isThere) return false;
  const isNoise = heard.role === 'listitem' || (heard.role === 'group' && heard.name === '');
  const isSaid = maybeRoleWords(heard) !== null && !isNoise;
  return isSaid || hasOwnWords(element);
}

/** Parts of what is read as a whole are not read again: the words on a button. */
const WHOLE = 'a[href], button, summary, h1, h2, h3, h4, h5, h6, [role="tab"]';

function orderOf(page: HTMLElement): readonly Ordered[] {
  const stops = stopElements(page);
  const numbers = new Map(stops.map((element, i) => [element, i + 1]));
  const all = [...page.querySelectorAll<HTMLElement>('*')].filter(
    (element) => numbers.has(element) || !element.parentElement?.closest(WHOLE)
  );
  const found: Ordered[] = [];
  for (const element of all) {
    const owner = element.closest<HTMLElement>('[data-k-part]');
    if (!owner || found.length === READ_MOST) continue;
    const heard = heardOf(element);
    const stop = numbers.get(element) ?? null;
    if (stop !== null || isRead(element, heard))
      found.push({ element, read: readOf(element, owner, heard, stop) });
  }
  return found;
}

function beginning(text: string): string {
  const plain = text.replace(/\s+/g, ' ').trim();
  return plain.length > 110 ? `${plain.slice(0, 109)}…` : plain;
}

const readOf = (element: HTMLElement, owner: HTMLElement, heard: Heard, stop: number | null): Read => ({
  node: owner.dataset.kNode!,
  part: owner.dataset.kPart!,
  item: owner.dataset.kItem ?? null,
  heard,
  words: beginning(element.textContent ?? ''),
  stop,
  isNamed: isNamed(element),
  isSeen: isReached(element)
});

Object.assign(window, { kymationHeard: { heardOf, orderOf } satisfies HeardTools });

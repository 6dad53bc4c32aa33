import { attributesIn } from '$core/cascade/state-attributes';

/**
 * Elements in states they are not in at the moment: attributes that a state's selector asks for are set, something
 * is read, and all is as it was. Nothing of it is painted.
 */

/** What a pointer or the focus brings is no attribute. */
const POINTED = /:where\(:hover\)|:(?:hover|active|focus-visible|focus-within|focus)\b/g;

/** How far around a part the attribute of its state may stand: `:is([open] > * > *)`. */
const AROUND_MOST = 3;

function around(element: HTMLElement): readonly HTMLElement[] {
  const found: HTMLElement[] = [];
  for (let each: HTMLElement | null = element; each && found.length <= AROUND_MOST; each = each.parentElement)
    found.push(each);
  return found;
}

function set(element: HTMLElement, name: string, value: string | null): void {
  if (value === null) element.removeAttribute(name);
  else element.setAttribute(name, value);
}

/** Sets an attribute, or takes it off by null. @returns what puts it back. */
function change(element: HTMLElement, name: string, value: string | null): () => void {
  const before = element.getAttribute(name);
  // One of a group that opens would close the others.
  const group = element.tagName === 'DETAILS' ? element.getAttribute('name') : null;
  if (group !== null) element.removeAttribute('name');
  set(element, name, value);
  return () => {
    set(element, name, before);
    if (group !== null) set(element, 'name', group);
  };
}

/** The selector without what a pointer brings; empty where nothing is left of it. */
const lasting = (selector: string): string => selector.replace(POINTED, '');

const isOfPointer = (wanted: string): boolean => wanted === '' || wanted === ':is()';

/** Sets what a state asks for on one of some elements. @returns what takes it back; null where it was not needed. */
function maybePut(
  element: HTMLElement,
  selector: string,
  holders: readonly HTMLElement[]
): (() => void) | null {
  const wanted = lasting(selector);
  if (isOfPointer(wanted) || element.matches(wanted)) return null;
  for (const each of holders)
    for (const { name, value } of attributesIn(wanted)) {
      const back = change(each, name, value);
      if (element.matches(wanted)) return back;
      back();
    }
  return null;
}

/** Puts an element into a state for good, as far as an attribute of its own does. */
export const putInto = (element: HTMLElement, selector: string): void =>
  void maybePut(element, selector, [element]);

/** Reads something of an element as it would be in a state. */
export function whileIn<Value>(element: HTMLElement, selector: string, read: () => Value): Value {
  const back = maybePut(element, selector, around(element));
  const found = read();
  back?.();
  return found;
}

/** Reads something of an element as it would be out of some states. */
export function whileOutOf<Value>(
  element: HTMLElement,
  selectors: readonly string[],
  read: () => Value
): Value {
  const backs: (() => void)[] = [];
  for (const { name, outside } of selectors.flatMap(attributesIn))
    for (const each of around(element)) if (each.hasAttribute(name)) backs.push(change(each, name, outside));
  const found = read();
  backs.reverse().forEach((back) => back());
  return found;
}

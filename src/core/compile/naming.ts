import type { Element } from 'hast';

/**
 * Names that stand for something in the whole document: ids, and groups of which one thing is open or chosen
 * at a time.
 */
export interface Names {
  readonly ids: Set<string>;
  readonly groups: Set<string>;
}

/**
 * Properties that name an element by its id, as hast calls them (HTML standard and WAI-ARIA 1.2). The runtime has the
 * same list; a test holds one to the other.
 */
export const REFERENCES = [
  'ariaControls',
  'ariaLabelledBy',
  'ariaDescribedBy',
  'popoverTarget',
  'htmlFor',
  'dataCurrent',
  'dataKOpens',
  'href'
] as const;

/** Elements whose `name` makes a group of them (HTML standard, 4.11.1 and 4.10.5.1.16). */
const isGrouped = ({ tagName, properties }: Element) =>
  tagName === 'details' || (tagName === 'input' && properties.type === 'radio');

export function noteNames(element: Element, { ids, groups }: Names): void {
  const { id, name } = element.properties;
  if (typeof id === 'string') ids.add(id);
  if (typeof name === 'string' && isGrouped(element)) groups.add(name);
}

type Written = string | readonly (string | number)[] | number | boolean | null | undefined;

/** Gives every id and every group its prefix, and what refers to one of them likewise. */
export function renameAll(element: Element, names: Names, prefix: string): void {
  const renamed = (value: string) => (names.ids.has(value) ? `${prefix}-${value}` : value);
  const properties = element.properties as Record<string, Written>;
  if (typeof properties.id === 'string') properties.id = renamed(properties.id);
  if (typeof properties.name === 'string' && isGrouped(element))
    properties.name = `${prefix}-${properties.name}`;
  for (const reference of REFERENCES) {
    const value = properties[reference];
    if (Array.isArray(value)) properties[reference] = value.map((each) => renamed(String(each)));
    if (typeof value !== 'string') continue;
    const isInPage = reference === 'href' && value.startsWith('#');
    properties[reference] = isInPage ? `#${renamed(value.slice(1))}` : renamed(value);
  }
  for (const child of element.children) if (child.type === 'element') renameAll(child, names, prefix);
}

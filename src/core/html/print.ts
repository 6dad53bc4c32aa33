import type { Element, ElementContent, Root, RootContent } from 'hast';
import { serializeOuter } from 'parse5';
import { find, html, svg, type Info } from 'property-information';
import { remembered } from '../data/remembered';

type Printed = Element | ElementContent | Root | RootContent;

export interface Attribute {
  readonly name: string;
  readonly value: string;
}

const infos = new Map<string, Info>();

/**
 * What a hast property is called in markup; properties of drawings inside the page are looked up after HTML's
 * own.
 */
const infoOf = (property: string): Info => remembered(infos, property, () => freshInfo(property));

function freshInfo(property: string): Info {
  const own = find(html, property);
  return own.defined || property.startsWith('data') ? own : find(svg, property);
}

function attributesOf({ properties }: Element): Attribute[] {
  const found: Attribute[] = [];
  for (const property in properties) {
    const value = properties[property];
    if (value === null || value === undefined || value === false) continue;
    const info = infoOf(property);
    const parts = Array.isArray(value) ? value : [value === true ? '' : value];
    found.push({ name: info.attribute, value: parts.join(info.commaSeparated ? ', ' : ' ') });
  }
  return found;
}

/** @returns the names of an element's attributes as they stand in markup. */
export const attributeNames = (element: Element): string[] => attributesOf(element).map(({ name }) => name);

/**
 * Lets parse5 read hast. Only what its serialiser asks for is here; text inside script and style does not
 * come this way.
 */
const hastTree = {
  isElementNode: (node: Printed) => node.type === 'element',
  isTextNode: (node: Printed) => node.type === 'text',
  isCommentNode: () => false,
  isDocumentTypeNode: () => false,
  getTagName: (node: Element) => node.tagName,
  getNamespaceURI: () => 'http://www.w3.org/1999/xhtml',
  getAttrList: attributesOf,
  getChildNodes: (node: Element | Root) => node.children,
  getTemplateContent: (node: Element) => node,
  getTextNodeContent: (node: { value: string }) => node.value,
  getParentNode: () => null
};

/** Attributes an element gets beside its own. */
type MoreAttributes = (element: Element) => readonly Attribute[];

const treeWith = (more: MoreAttributes) => ({
  ...hastTree,
  getAttrList: (element: Element) => [...attributesOf(element), ...more(element)]
});

/**
 * @param more attributes an element gets beside its own; left out, none. So nothing has to be copied to be
 * marked.
 * @returns hast as HTML by parse5's serialiser (HTML standard, 13.3), which does the escaping. Comments are
 * left out.
 */
export function printHtml(node: Element | ElementContent, more?: MoreAttributes): string {
  const treeAdapter = (more ? treeWith(more) : hastTree) as never;
  return serializeOuter(node as never, { treeAdapter });
}

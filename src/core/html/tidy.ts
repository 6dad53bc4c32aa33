import type { Element, ElementContent, Root, RootContent } from 'hast';
import { cleanHtml } from './clean';
import { printHtml } from './print';

const isWords = (child: ElementContent | RootContent) =>
  child.type === 'element' || (child.type === 'text' && child.value.trim() !== '');

/** Editors put a paragraph into every entry of a list; one alone says no more than its words do. */
function withPlainEntries<Parent extends Root | Element>(parent: Parent): Parent {
  const children = (parent.children as ElementContent[]).map((child) =>
    child.type === 'element' ? withPlainEntries(child) : child
  );
  const first = children.find(isWords);
  const isEntry = parent.type === 'element' && parent.tagName === 'li';
  const paragraphs = children.filter((child) => child.type === 'element' && child.tagName === 'p');
  const plain =
    isEntry && paragraphs.length === 1 && first === paragraphs[0]
      ? children.flatMap((child) => (child === first ? (child as Element).children : [child]))
      : children;
  return { ...parent, children: plain };
}

const isEmptyParagraph = (child: RootContent) =>
  child.type === 'element' && child.tagName === 'p' && child.children.length === 0;

/** Editors keep a place to write after a list; left empty, it would be a gap on the page. */
function withoutEmptyEnd(root: Root): Root {
  const end = root.children.findLastIndex((child) => isWords(child) && !isEmptyParagraph(child));
  return end < 0 ? root : { ...root, children: root.children.slice(0, end + 1) };
}

/** @returns foreign HTML as it is kept: cleaned, and always written the same way. */
export const tidyHtml = (html: string): string =>
  withoutEmptyEnd(withPlainEntries(cleanHtml(html)))
    .children.map((child) => printHtml(child as ElementContent))
    .join('');

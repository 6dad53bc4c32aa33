import type { Element, ElementContent } from 'hast';
import { element, text } from '../../html/build';

/** Steps in which words come out: several in one where there are more of them. */
export const STEPS = 12;

const WORD = /(\S+)/;
const isWord = (piece: string): boolean => piece.trim() !== '';

function wordsIn(content: ElementContent): number {
  if (content.type === 'text') return content.value.split(WORD).filter(isWord).length;
  return content.type === 'element' ? content.children.reduce((sum, child) => sum + wordsIn(child), 0) : 0;
}

/**
 * @returns an element with each word of its text in an element of its own, which says in which step it comes out
 * (`data-k-word`, from 0). What stands between words stays between them, so that it is read as before.
 */
export function splitInWords(root: Element): Element {
  const count = wordsIn(root);
  let at = 0;
  const wordOf = (word: string): Element => {
    const step = Math.floor((at * STEPS) / count);
    at += 1;
    return element('span', { dataKWord: String(step) }, [text(word)]);
  };
  const split = (content: ElementContent): readonly ElementContent[] => {
    if (content.type === 'element') return [{ ...content, children: content.children.flatMap(split) }];
    if (content.type !== 'text') return [content];
    const pieces = content.value.split(WORD).filter((piece) => piece !== '');
    return pieces.map((piece) => (isWord(piece) ? wordOf(piece) : text(piece)));
  };
  return { ...root, children: root.children.flatMap(split) };
}

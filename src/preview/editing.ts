import type { Editor } from '@tiptap/core';
import { TextSelection } from '@tiptap/pm/state';

/**
 * Takes over what is selected on the page. The browser tells of a selection some time after it is made, and a
 * fast hand is faster: what acts on the selection asks for it first.
 */
export function readSelection({ view }: Editor): void {
  const selection = view.dom.ownerDocument.getSelection();
  const { anchorNode, focusNode } = selection ?? {};
  if (
    !selection ||
    !anchorNode ||
    !focusNode ||
    !view.dom.contains(anchorNode) ||
    !view.dom.contains(focusNode)
  )
    return;
  const anchor = view.posAtDOM(anchorNode, selection.anchorOffset);
  const head = view.posAtDOM(focusNode, selection.focusOffset);
  const { state } = view;
  if (anchor === state.selection.anchor && head === state.selection.head) return;
  view.dispatch(
    state.tr.setSelection(TextSelection.between(state.doc.resolve(anchor), state.doc.resolve(head)))
  );
}

/** Reads the selection before any key acts on it. @returns what stops that. */
export function readBeforeKeys(editor: Editor, element: HTMLElement): () => void {
  const read = () => readSelection(editor);
  element.addEventListener('keydown', read, { capture: true });
  return () => element.removeEventListener('keydown', read, { capture: true });
}

/** Puts the caret behind the last word. */
export function focusAtEnd(editor: Editor): void {
  editor.view.focus();
  editor.commands.setTextSelection(editor.state.doc.content.size);
}

/**
 * Does something to the selected words. The focus is in the text at once, not a frame later, so that no key
 * is lost in between.
 */
export function actOnWords(editor: Editor, act: (editor: Editor) => void): void {
  readSelection(editor);
  editor.view.focus();
  act(editor);
}

/**
 * Makes the selected words, or the link the caret stands in, lead to an address; an empty one takes the link
 * away. The caret stands behind the words afterwards: what is typed next goes on after them.
 */
export function setLink(editor: Editor, address: string): void {
  editor.view.focus();
  const chain = editor.chain().extendMarkRange('link');
  if (address === '') chain.unsetLink();
  else chain.setLink({ href: address });
  chain.run();
  editor.commands.setTextSelection(editor.state.selection.to);
}

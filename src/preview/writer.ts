import { Editor } from '@tiptap/core';
import StarterKit from '@tiptap/starter-kit';
import { isSafeLink } from '$core/html/clean';
import { actOnWords, focusAtEnd, readBeforeKeys, readSelection, setLink } from './editing';
import { RICH_TEXT } from './rich';

export interface Writer {
  owns(target: Node): boolean;
  /** @returns whether there was a field for an address to close. */
  closeLink(): boolean;
  place(): void;
  destroy(): void;
}

export interface WriterTools {
  write(element: HTMLElement, html: string, label: string, onchange: (html: string) => void): Writer;
}

const MARKS: readonly {
  readonly name: string;
  readonly label: string;
  readonly sign: string;
  readonly run: (editor: Editor) => void;
}[] = [
  { name: 'bold', label: 'Bold', sign: 'B', run: (editor) => editor.chain().toggleBold().run() },
  { name: 'italic', label: 'Italic', sign: 'I', run: (editor) => editor.chain().toggleItalic().run() },
  { name: 'code', label: 'Inline code', sign: '‹›', run: (editor) => editor.chain().toggleCode().run() },
  { name: 'bulletList', label: 'List', sign: '•', run: (editor) => editor.chain().toggleBulletList().run() },
  {
    name: 'orderedList',
    label: 'Numbered list',
    sign: '1.',
    run: (editor) => editor.chain().toggleOrderedList().run()
  }
];

function made<Name extends keyof HTMLElementTagNameMap>(
  tag: Name,
  set: Partial<HTMLElementTagNameMap[Name]>
): HTMLElementTagNameMap[Name] {
  return Object.assign(document.createElement(tag), set);
}

interface Band {
  readonly top: number;
  readonly bottom: number;
}

/** Where the line that is written, and the ones before and after it, stand in the window. */
function linesAround({ view, state }: Editor): Band {
  const { top, bottom } = view.coordsAtPos(state.selection.head);
  const line = Math.max(bottom - top, parseFloat(getComputedStyle(view.dom).lineHeight) || 0);
  return { top: top - line, bottom: bottom + line };
}

const GAP = 6;
const EDGE = 4;

/**
 * @param lines what must stay in sight.
 * @param box the text as a whole.
 * @param beside the pieces before and after the text.
 * @returns the top of a bar of some height: over the text or under it, where it covers no piece beside; else
 * there or at an edge of the window, wherever it covers none of the lines.
 */
function clearOf(lines: Band, box: Band, beside: readonly Band[], height: number): number {
  const tops = [box.top - height - GAP, box.bottom + GAP, EDGE, innerHeight - height - EDGE];
  const isInWindow = (top: number) => top >= EDGE && top + height <= innerHeight - EDGE;
  const isClearOf = (top: number, band: Band) => top + height <= band.top || top >= band.bottom;
  // Beyond the text there is no line of it.
  const ofText = { top: Math.max(lines.top, box.top), bottom: Math.min(lines.bottom, box.bottom) };
  const clear = tops.filter((top) => isInWindow(top) && isClearOf(top, ofText));
  return clear.find((top) => beside.every((band) => isClearOf(top, band))) ?? clear[0] ?? tops[3]!;
}

/** Boxes of the pieces before and after the one that is written in. */
function piecesBeside(element: HTMLElement): readonly Band[] {
  const piece = element.closest('[data-k]');
  return [piece?.previousElementSibling, piece?.nextElementSibling]
    .filter((each) => each !== null && each !== undefined)
    .map((each) => each.getBoundingClientRect());
}

/** @returns what is wrong with an address; empty where nothing is. */
const linkFault = (address: string): string =>
  address === '' || isSafeLink(address) ? '' : 'Write an address such as https://…, mailto:… or #section.';

/** Its tools, in a tree that the page's style cannot reach. */
function createBar(editor: Editor, element: HTMLElement) {
  const host = document.createElement('k-writer');
  const root = host.attachShadow({ mode: 'open' });
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(`
    :host { position: fixed; z-index: 2147483647; }
    div { display: flex; gap: 2px; padding: 3px; background: #1f262a; border-radius: 3px; }
    button { min-width: 28px; height: 26px; padding: 0 7px; font: 600 13px/1 system-ui, sans-serif; color: #fff; cursor: pointer; background: none; border: 0; border-radius: 2px; }
    button:hover { background: #ffffff26; }
    button[aria-pressed="true"] { color: #1f262a; background: #bfe3d8; }
    button:focus-visible, input:focus-visible { outline: 2px solid #8fb4ff; outline-offset: 1px; }
    section { display: flex; gap: 4px; margin-top: 2px; padding: 3px; background: #1f262a; border-radius: 3px; }
    section[hidden] { display: none; }
    input { width: 230px; padding: 3px 6px; font: 13px system-ui, sans-serif; }
    p { margin: 0; padding: 4px; font: 12px system-ui, sans-serif; color: #ffd3cb; }
    p:empty { display: none; }`);
  root.adoptedStyleSheets = [sheet];
  const bar = made('div', { role: 'toolbar', ariaLabel: 'Text tools' });
  const buttons = MARKS.map(({ label, sign, run }) => {
    const button = made('button', { type: 'button', textContent: sign, title: label, ariaLabel: label });
    button.onclick = () => actOnWords(editor, run);
    return button;
  });
  const link = made('button', {
    type: 'button',
    textContent: '↗',
    title: 'Link (Ctrl K)',
    ariaLabel: 'Link'
  });
  // No form element: the frame's sandbox lets none be submitted.
  const form = made('section', { hidden: true });
  const field = made('input', { ariaLabel: 'Address of the link', placeholder: 'https://… or #section' });
  const fault = made('p', { role: 'alert' });
  const set = made('button', { type: 'button', textContent: 'Set' });
  form.append(field, set);
  bar.append(...buttons, link);
  root.append(bar, form, fault);
  const openLink = () => {
    readSelection(editor);
    form.hidden = false;
    field.value = String(editor.getAttributes('link').href ?? '');
    field.focus();
    place();
  };
  link.onclick = openLink;
  const takeLink = () => {
    const address = field.value.trim();
    fault.textContent = linkFault(address);
    if (fault.textContent) return;
    setLink(editor, address);
    form.hidden = true;
  };
  set.onclick = takeLink;
  field.addEventListener('keydown', (event) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    takeLink();
  });
  // The selection stays in the text while a tool is pressed.
  bar.onmousedown = (event) => event.preventDefault();
  const place = () => {
    const box = element.getBoundingClientRect();
    const { width, height } = host.getBoundingClientRect();
    const left = Math.max(4, Math.min(box.left, innerWidth - width - 4));
    Object.assign(host.style, {
      left: `${left}px`,
      top: `${clearOf(linesAround(editor), box, piecesBeside(element), height)}px`
    });
  };
  const show = () => {
    [...MARKS, { name: 'link' }].forEach(
      ({ name }, i) => ((buttons[i] ?? link).ariaPressed = String(editor.isActive(name)))
    );
    place();
  };
  document.documentElement.append(host);
  return { host, form, show, place, openLink };
}

function write(element: HTMLElement, html: string, label: string, onchange: (html: string) => void): Writer {
  element.replaceChildren();
  element.style.whiteSpace = 'pre-wrap';
  element.style.outline = 'none';
  const editor = new Editor({
    element: { mount: element },
    injectCSS: false,
    extensions: [StarterKit.configure(RICH_TEXT)],
    content: html,
    editorProps: {
      attributes: { role: 'textbox', 'aria-label': label, 'aria-multiline': 'true', 'data-k-writing': '' }
    },
    onUpdate: ({ editor: now }) => onchange(now.getHTML()),
    onTransaction: () => bar?.show()
  });
  const bar = createBar(editor, element);
  const keys = (event: KeyboardEvent) => {
    if (!(event.ctrlKey || event.metaKey) || event.key !== 'k') return;
    event.preventDefault();
    bar.openLink();
  };
  const stopReading = readBeforeKeys(editor, element);
  element.addEventListener('keydown', keys);
  focusAtEnd(editor);
  bar.show();
  return {
    owns: (target) => target === bar.host,
    place: bar.place,
    closeLink() {
      if (bar.form.hidden) return false;
      bar.form.hidden = true;
      editor.view.focus();
      return true;
    },
    destroy() {
      stopReading();
      element.removeEventListener('keydown', keys);
      bar.host.remove();
      editor.destroy();
    }
  };
}

Object.assign(window, { kymationWriter: { write } satisfies WriterTools });

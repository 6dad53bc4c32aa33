import { fetched } from './fetched';
import type { ToFrame } from './messages';
import type { createPage } from './page';
import type { Writer, WriterTools } from './writer';

type Order = Extract<ToFrame, { type: 'write' }>;

interface Ask {
  readonly page: ReturnType<typeof createPage>;
  readonly partOf: (node: string, part: string) => HTMLElement | null;
  readonly onwritten: (node: string, html: string) => void;
  readonly onend: () => void;
}

/** The editor is a script of its own, fetched by the first who writes. */
const fetchTools = fetched<WriterTools>(
  '/frame/writer.js',
  'kymationWriter',
  'The editor could not be fetched; try again.'
);

/**
 * Writing in the page itself: one part at a time becomes an editor and goes back to being the page when the
 * hand leaves.
 */
export function createWriting({ page, partOf, onwritten, onend }: Ask) {
  let now: { readonly element: HTMLElement; readonly writer: Writer; readonly restore: () => void } | null =
    null;

  const end = (): void => {
    if (!now) return;
    const { writer, restore } = now;
    now = null;
    writer.destroy();
    restore();
    page.release();
    onend();
  };

  return {
    end,
    /** Escape: closes what is open in the tools, else ends. */
    escape: () => now && !now.writer.closeLink() && end(),
    owns: (target: EventTarget | null): boolean =>
      now !== null && target instanceof Node && (now.element.contains(target) || now.writer.owns(target)),
    isOn: () => now !== null,
    place: () => now?.writer.place(),
    async begin({ node, part, html, label }: Order): Promise<void> {
      end();
      if (node === null) return;
      const made = await fetchTools();
      const element = partOf(node, part);
      if (!element) return;
      const before = {
        html: element.innerHTML,
        attributes: [...element.attributes].map(({ name, value }) => [name, value] as const)
      };
      page.hold(node);
      const writer = made.write(element, html, label, (text) => onwritten(node, text));
      const restore = () => {
        element.innerHTML = before.html;
        for (const { name } of [...element.attributes]) element.removeAttribute(name);
        for (const [name, value] of before.attributes) {
          // A style attribute would be refused by the frame's policy; the same text as a style is not.
          if (name === 'style') element.style.cssText = value;
          else element.setAttribute(name, value);
        }
      };
      now = { element, writer, restore };
    }
  };
}

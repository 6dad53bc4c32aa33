/** Names that are heard; no style asks for them. */
export const HEARD = 'aria-label';

/** Markup as it is said. */
export interface Said {
  /** The markup without what it says, though with the places where it says something. */
  readonly frame: string;
  /** Its texts, and its names that are heard, in the order in which they stand. */
  readonly texts: readonly string[];
  readonly names: readonly string[];
}

/** A tag with its attributes, or what stands between two tags. */
const PIECE = /<[^">]*(?:"[^"]*"[^">]*)*>|[^<]+/g;
const NAME = / aria-label="([^"]*)"/;
const SLOT = /<k-slot data-for="([^"]*)"/g;

/** Stands for a text: no markup has it between two tags. */
const TEXT = '<>';

/** Reads markup as a printed page has it: it is gone through much faster than it is parsed. */
export function saidIn(html: string): Said {
  const texts: string[] = [];
  const names: string[] = [];
  const frame = html.replaceAll(PIECE, (piece) => {
    if (!piece.startsWith('<')) {
      texts.push(unescaped(piece));
      return TEXT;
    }
    const [attribute, name] = NAME.exec(piece) ?? [];
    if (attribute === undefined) return piece;
    names.push(unescaped(name!));
    return piece.replace(attribute, ` ${HEARD}`);
  });
  return { frame, texts, names };
}

/** Ids of the nodes that have a place in a frame. */
export const slotsIn = ({ frame }: Said): readonly string[] =>
  Array.from(frame.matchAll(SLOT), ([, id]) => id!);

function unescaped(words: string): string {
  if (!words.includes('&')) return words;
  const template = document.createElement('template');
  template.innerHTML = words.replaceAll('<', '&lt;');
  return template.content.textContent;
}

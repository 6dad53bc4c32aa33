/**
 * How deep elements may stand in one another in what comes from outside; parsers and printers call themselves
 * once a level.
 */
export const NESTING_MOST = 64;

/** Elements that hold nothing (HTML standard, 13.1.2). */
const VOID = new Set([
  'area',
  'base',
  'br',
  'col',
  'embed',
  'hr',
  'img',
  'input',
  'link',
  'meta',
  'source',
  'track',
  'wbr'
]);
/** Elements whose end tag may be left out: the next one of them closes the last (HTML standard, 13.1.2.4). */
const IMPLIED = new Set([
  'p',
  'li',
  'dt',
  'dd',
  'tr',
  'td',
  'th',
  'thead',
  'tbody',
  'tfoot',
  'option',
  'optgroup',
  'html',
  'head',
  'body'
]);
/**
 * What ends a drawing when it stands in one, so that a slash at its end does not close it (HTML standard,
 * 13.2.6.5).
 */
const NEVER_IN_DRAWINGS = new Set(
  (
    'a b big blockquote center code div dl em font h1 h2 h3 h4 h5 h6 i listing menu nobr ol pre ruby s small span strong strike sub ' +
    'sup table tt u ul var'
  ).split(' ')
);

/**
 * What an end tag within them cannot reach out of: scopes of the parser (HTML standard, 13.2.4.2), and
 * elements that hold mere text.
 */
const SCOPES = new Set(
  'applet button iframe marquee math noembed noframes noscript object plaintext script select style svg table template textarea title xmp'.split(
    ' '
  )
);

/**
 * Elements whose content is text up to their own end tag, but for drawings (HTML standard, 13.2.5.2 and
 * 13.2.5.3).
 */
const RAW = new Set(['iframe', 'noembed', 'noframes', 'script', 'style', 'textarea', 'title', 'xmp']);

/**
 * Elements of drawings and formulas that hold HTML: an end tag within them does not reach what stands in them
 * open (HTML standard, 13.2.6.5, HTML integration points).
 */
const HOLD_HTML = new Set(['title', 'desc', 'foreignobject', 'annotation-xml']);

interface Tag {
  readonly name: string;
  readonly isEnd: boolean;
  /** A slash stands before its bracket. */
  readonly hasSlash: boolean;
}

/**
 * Comments as a browser reads them (HTML standard, 13.2.5.43 and on): `<!--`, and whatever starts with `<!`,
 * `<?` or no end tag's `</`.
 */
const COMMENT = /<!--(?:-?>|[\s\S]*?(?:--!?>|$))|<(?:[!?]|\/(?![a-z]))[^>]*(?:>|$)/iy;
const TAG_START = /<(\/?)([a-z][^\s/>]*)/iy;
/**
 * One attribute after another as a browser reads them (HTML standard, 13.2.5.32 to 39): a quote counts only
 * after an equals sign.
 */
const ATTRIBUTE = /[\s/]+|=?[^\s/>=]*(?:\s*=\s*(?:"[^"]*(?:"|$)|'[^']*(?:'|$)|[^\s"'>][^\s>]*)?)?/y;

const CDATA = '<![CDATA[';

/**
 * Reads the tags of some HTML one after the other, and its words between them. Where only a parser could
 * tell whether something is text (a title in a list of choices, CDATA in what may be a drawing), whatever
 * looks like a start tag is told and no end tag is, so that what is counted is never too little.
 */
function readTags(
  text: string,
  ontag: (tag: Tag) => void,
  onwords: (words: string) => void = () => {}
): void {
  let at = 0;
  let drawings = 0;
  let choices = 0;
  let raw: string | null = null;
  /** Up to here it may be text or tags. */
  let doubtUntil = 0;
  const count = (open: number, tag: Tag) => Math.max(0, open + (tag.isEnd ? -1 : 1));
  const note = (tag: Tag): void => {
    if (tag.name === 'svg' || tag.name === 'math') drawings = count(drawings, tag);
    if (tag.name === 'select') choices = count(choices, tag);
    raw = !tag.isEnd && drawings === 0 && RAW.has(tag.name) ? tag.name : null;
    ontag(tag);
  };
  while (at < text.length) {
    const next = endOf(text, at, '<');
    if (next > at) onwords(text.slice(at, next));
    if (next === text.length) return;
    if (drawings > 0 && text.startsWith(CDATA, next)) {
      const end = endOf(text, next, ']]>');
      if (endOf(text, next + 1, '<') < end) doubtUntil = text.length;
    }
    at = next < doubtUntil ? doubtfulEnd(text, next, note) : endOfMarkup(text, next, note);
    if (at === next) {
      onwords('<');
      at += 1;
    }
    if (raw !== null) {
      const end = text.slice(at).search(new RegExp(`</${raw}[\\s/>]`, 'i'));
      const rawUntil = end < 0 ? text.length : at + end;
      // In a list of choices other elements than scripts are left out, and what is in them is no text.
      const isDoubtful = choices > 0 && raw !== 'script';
      if (isDoubtful) doubtUntil = Math.max(doubtUntil, rawUntil);
      else at = rawUntil;
      raw = null;
    }
  }
}

/** @returns where `what` next stands from `from` on; the end of the text where it does not. */
function endOf(text: string, from: number, what: string): number {
  const found = text.indexOf(what, from);
  return found < 0 ? text.length : found;
}

/** @returns where the name of what looks like a start tag ends; `from` itself where none does. */
function doubtfulEnd(text: string, from: number, ontag: (tag: Tag) => void): number {
  TAG_START.lastIndex = from;
  const start = TAG_START.exec(text);
  if (!start || start[1] === '/') return from;
  ontag({ name: start[2]!.toLowerCase(), isEnd: false, hasSlash: false });
  return TAG_START.lastIndex;
}

/** @returns where the comment or tag that starts at `from` ends; `from` itself where none does. */
function endOfMarkup(text: string, from: number, ontag: (tag: Tag) => void): number {
  COMMENT.lastIndex = from;
  if (COMMENT.test(text)) return COMMENT.lastIndex;
  TAG_START.lastIndex = from;
  const start = TAG_START.exec(text);
  if (!start) return from;
  let at = TAG_START.lastIndex;
  while (at < text.length && text[at] !== '>') {
    ATTRIBUTE.lastIndex = at;
    ATTRIBUTE.test(text);
    at = Math.max(at + 1, ATTRIBUTE.lastIndex);
  }
  // A tag that the text ends in is no tag.
  if (at < text.length)
    ontag({ name: start[2]!.toLowerCase(), isEnd: start[1] === '/', hasSlash: text[at - 1] === '/' });
  return at + 1;
}

/**
 * The most elements that may be open at once in some HTML, without parsing it: a parser opens again in every
 * paragraph what is left open in one, so that a short text can come to millions of elements. Each element
 * counts until its own end tag, wherever that is.
 * @param isDrawing the text is SVG, where a slash at the end of a tag closes the element.
 */
export function nestingOf(text: string, isDrawing = false): number {
  /** Where the open elements of each name began, counted in tags. */
  const open = new Map<string, number[]>();
  const scopes: number[] = [];
  const order: number[] = [];
  const closed = new Set<number>();
  const innermost = (): number | undefined => {
    while (order.length > 0 && closed.has(order.at(-1)!)) order.pop();
    return order.at(-1);
  };
  let count = 0;
  let now = 0;
  let most = 0;
  readTags(text, ({ name, isEnd, hasSlash }) => {
    if (VOID.has(name)) return;
    // Each closes the last of its kind, so that they never come to be many; they still stand between others.
    const counts = IMPLIED.has(name) ? 0 : 1;
    count += 1;
    const begun = open.get(name) ?? [];
    if (isEnd) {
      const last = begun.at(-1);
      if (last === undefined || last < (scopes.at(-1) ?? 0)) return;
      if (HOLD_HTML.has(name) && last !== innermost()) return;
      begun.pop();
      closed.add(last);
      if (last === scopes.at(-1)) scopes.pop();
      now -= counts;
      return;
    }
    const closesItself = isDrawing && hasSlash && !NEVER_IN_DRAWINGS.has(name);
    if (closesItself) return;
    open.set(name, begun);
    begun.push(count);
    order.push(count);
    if (SCOPES.has(name) && !isDrawing) scopes.push(count);
    now += counts;
    most = Math.max(most, now);
  });
  return most;
}

/** @returns the words of some HTML, without its tags. */
export function wordsOf(text: string): string {
  const words: string[] = [];
  readTags(
    text,
    () => words.push(' '),
    (each) => words.push(each)
  );
  return words.join('').replace(/\s+/g, ' ').trim();
}

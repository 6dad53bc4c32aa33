import { BEHAVIOURS } from '$core/kinds/behaviours';
import * as runtime from '$runtime/index';
import type { PatchNode, ToFrame } from './messages';

const { start: _start, scoped: _scoped, ...behaviours } = runtime;
type Stop = () => void;

/** Whoever tunes a piece has to see it, so what hides one runs only while the page is tried. */
const isHiding = (name: string): boolean => BEHAVIOURS[name]?.isHiding ?? false;

function parsed(html: string): HTMLElement {
  const template = document.createElement('template');
  template.innerHTML = html;
  const element = template.content.firstElementChild as HTMLElement;
  element.remove();
  return element;
}

/** Values of a tuned piece's cells, and what the names of their custom properties start with. */
interface Cells {
  readonly stem: string;
  readonly values: readonly string[];
}

const NO_CELLS: Cells = { stem: '', values: [] };

/** Markup without its words. */
const frameOf = (html: string) => html.replace(/>[^<]+/g, '>');

/** Text of a node's own, not of the nodes in it. */
function wordsIn(root: HTMLElement): Text[] {
  const isOther = (node: Node) =>
    node !== root && node instanceof HTMLElement && node.dataset.k !== undefined;
  const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT | NodeFilter.SHOW_ELEMENT, (node) =>
    isOther(node) ? NodeFilter.FILTER_REJECT : NodeFilter.FILTER_ACCEPT
  );
  const found: Text[] = [];
  while (walker.nextNode()) if (walker.currentNode instanceof Text) found.push(walker.currentNode);
  return found;
}

/**
 * What the browser itself has opened stays open: disclosures, told by the id of what they open. Where it was
 * changed which are open at load (`data-first`), that is what one wants to see.
 */
function carryOpen(from: HTMLElement, to: HTMLElement): void {
  const panels = (root: HTMLElement) => [...root.querySelectorAll<HTMLElement>('details > [id]')];
  const atLoad = (root: HTMLElement) =>
    panels(root)
      .filter((panel) => panel.parentElement!.hasAttribute('data-first'))
      .map(({ id }) => id)
      .join(' ');
  if (atLoad(from) !== atLoad(to)) return;
  const before = new Map(panels(from).map((panel) => [panel.id, panel.parentElement as HTMLDetailsElement]));
  for (const panel of panels(to)) {
    const was = before.get(panel.id);
    if (was) (panel.parentElement as HTMLDetailsElement).open = was.open;
  }
}

/** The page in the frame: elements, sheets and running behaviours, each by node id. */
export function createPage(body: HTMLElement) {
  const sheets = new Map<string, CSSStyleSheet>();
  const stops = new Map<string, Stop[]>();
  const wanted = new Map<string, readonly string[]>();
  const addresses = new Map<string, string>();
  /** Markup each node was last drawn from. */
  const drawn = new Map<string, string>();
  const values = new Map<string, Cells>();
  const base = new CSSStyleSheet();
  let scripted = true;
  let pictured = true;
  /** Until someone tries the page, everything on it is to be seen. */
  let tried = false;
  document.documentElement.toggleAttribute('data-k-tuned', true);

  const elements = new Map<string, HTMLElement>();
  const elementOf = (id: string) => elements.get(id) ?? null;

  const stop = (id: string) => {
    stops.get(id)?.forEach((each) => each());
    stops.delete(id);
  };

  const start = (id: string) => {
    const root = elementOf(id);
    if (!root || !scripted || stops.has(id)) return;
    const running = (wanted.get(id) ?? []).filter((name) => tried || !isHiding(name));
    const started = running.flatMap((name) => {
      const behaviour = Object.hasOwn(behaviours, name) ? behaviours[name as keyof typeof behaviours] : null;
      const asking = behaviour ? askingFor(root, name) : null;
      const stopped = asking && behaviour!(asking);
      return stopped ? [stopped] : [];
    });
    if (started.length > 0) stops.set(id, started);
  };

  /**
   * The element of a node that asks for a behaviour: its outermost, or one inside what stands around it.
   */
  const askingFor = (root: HTMLElement, name: string): HTMLElement | null => {
    if (root.hasAttribute(`data-k-${name}`)) return root;
    return root.querySelector(`[data-k-node="${CSS.escape(root.dataset.k!)}"][data-k-${name}]`);
  };

  const useSheets = () => {
    document.adoptedStyleSheets = [base, ...sheets.values()];
  };

  const setTokens = (tokens: readonly { readonly id: string; readonly value: string }[]) => {
    const { style } = document.documentElement;
    const names = new Set(tokens.map(({ id }) => `--${id}`));
    for (const name of [...style]) if (name.startsWith('--') && !names.has(name)) style.removeProperty(name);
    for (const { id, value } of tokens) style.setProperty(`--${id}`, value);
  };

  /** Cells of a tuned piece are custom properties on its root element: `--k-STEM-0` and so on. */
  const setValues = (id: string, { stem, values: next }: Cells, before: readonly string[] = []) => {
    const style = elementOf(id)?.style;
    next.forEach((value, i) => value !== before[i] && style?.setProperty(`--k-${stem}-${i}`, value));
  };

  const showAsset = (image: HTMLElement) => {
    // An address that leads to no picture, as on a page whose pictures do not come.
    const address = pictured ? addresses.get(image.dataset.kAsset!) : 'data:,';
    if (!address) return;
    if (image.matches('img, video')) image.setAttribute('src', address);
    else image.style.backgroundImage = `url("${address}")`;
  };

  /** Puts a node's new element where its old one stood; children keep theirs. */
  const replace = (id: string, html: string, made: Map<string, HTMLElement>) => {
    const element = parsed(html);
    made.set(id, element);
    element.querySelectorAll<HTMLElement>('[data-k-asset]').forEach(showAsset);
    if (element.dataset.kAsset) showAsset(element);
  };

  /**
   * A behaviour's state stands in attributes of its root, so carrying those over keeps a panel open while its
   * label is typed.
   */
  const carryState = (from: HTMLElement, to: HTMLElement) => {
    const stateful = (root: HTMLElement) =>
      root.dataset.current ? root : (root.firstElementChild as HTMLElement | null);
    const current = stateful(from)?.dataset.current;
    const next = stateful(to);
    if (current && next?.dataset.current && next.querySelector(`#${CSS.escape(current)}`))
      next.dataset.current = current;
    carryOpen(from, to);
  };

  /**
   * Writes new words into a node that differs from its drawn self in nothing else: its behaviours go on, and
   * only the lines that changed are laid out. What the page has been made into by behaviours or a writing
   * hand is left to a new drawing.
   * @returns whether that was all.
   */
  const reword = (id: string, html: string, names: readonly string[]): boolean => {
    const isSame = frameOf(drawn.get(id) ?? '') === frameOf(html);
    const root = elementOf(id);
    if (!isSame || !root || root === body || held?.id === id || names.join() !== wanted.get(id)?.join())
      return false;
    const now = wordsIn(parsed(html));
    const before = wordsIn(root);
    if (now.length !== before.length) return false;
    now.forEach(({ data }, i) => data !== before[i]!.data && (before[i]!.data = data));
    return true;
  };

  const fill = (element: HTMLElement, made: Map<string, HTMLElement>, kept: Map<string, HTMLElement>) => {
    element.querySelectorAll<HTMLElement>('k-slot').forEach((slot) => {
      const child = slot.dataset.for!;
      const next = made.get(child) ?? kept.get(child) ?? elementOf(child);
      if (next) slot.replaceWith(next);
    });
  };

  /** @param isAnew draws every node of the message anew, whatever stands there. */
  const patch = (whole: Extract<ToFrame, { type: 'patch' }>, isAnew = false) => {
    const message = held ? keepHeld(whole) : whole;
    if (message.tokens) setTokens(message.tokens);
    const made = new Map<string, HTMLElement>();
    const old = new Map<string, HTMLElement>();
    for (const { id, html, behaviours: names } of message.nodes) {
      const isReworded = !isAnew && reword(id, html, names);
      drawn.set(id, html);
      if (isReworded) continue;
      stop(id);
      const before = elementOf(id);
      if (before) old.set(id, before);
      wanted.set(id, names);
      replace(id, html, made);
    }
    // Children that did not change move over, to whichever element has a place for them now.
    const kept = new Map<string, HTMLElement>();
    for (const before of old.values())
      before.querySelectorAll<HTMLElement>('[data-k]').forEach((each) => kept.set(each.dataset.k!, each));
    for (const [id, element] of made) {
      const before = old.get(id);
      if (before) carryState(before, element);
      fill(element, made, kept);
      // Where its new owner has already taken it in, it stays there.
      if (before && before !== body && before.isConnected && !element.parentNode) before.replaceWith(element);
    }
    // What came in an earlier portion kept a place for these.
    for (const [id, element] of made)
      if (id !== message.root && !element.parentNode)
        document.querySelector(`k-slot[data-for="${CSS.escape(id)}"]`)?.replaceWith(element);
    for (const [id, element] of made) elements.set(id, element);
    const root = made.get(message.root);
    if (root) adoptBody(message.root, root);
    for (const { id, ...next } of message.values) {
      if (!made.has(id)) setValues(id, next, values.get(id)?.values);
      values.set(id, next);
    }
    for (const id of made.keys()) setValues(id, values.get(id) ?? NO_CELLS);
    message.removed.forEach((id) => {
      stop(id);
      if (elementOf(id) !== body) elementOf(id)?.remove();
      elements.delete(id);
      sheets.delete(`${id} build`);
      sheets.delete(`${id} look`);
      wanted.delete(id);
      drawn.delete(id);
      values.delete(id);
    });
    let sheetsChanged = message.removed.length > 0;
    for (const { id, css } of message.sheets) {
      const known = sheets.get(id) ?? new CSSStyleSheet();
      if (!sheets.has(id)) {
        sheets.set(id, known);
        sheetsChanged = true;
      }
      known.replaceSync(css);
    }
    if (message.keyframes) base.replaceSync(message.keyframes);
    if (sheetsChanged) useSheets();
    for (const id of made.keys()) start(id);
  };

  /** A piece someone is writing in keeps its element; what it should look like is done when the hand leaves. */
  let held: { readonly id: string; later: PatchNode | null } | null = null;

  const keepHeld = (message: Extract<ToFrame, { type: 'patch' }>) => {
    const { id } = held!;
    const own = message.nodes.find((each) => each.id === id);
    if (!own) return message;
    held!.later = own;
    return { ...message, nodes: message.nodes.filter((each) => each !== own) };
  };

  const adoptBody = (id: string, root: HTMLElement) => {
    elements.set(id, body);
    for (const { name } of [...body.attributes]) body.removeAttribute(name);
    for (const { name, value } of root.attributes) body.setAttribute(name, value);
    body.replaceChildren(...root.childNodes);
  };

  return {
    elementOf,
    patch,
    hold(id: string) {
      held = { id, later: null };
    },
    /** @returns whether the piece has been drawn anew; if not, nothing about it has changed. */
    release(): boolean {
      const later = held?.later;
      held = null;
      if (later && elementOf(later.id))
        patch(
          {
            type: 'patch',
            seq: 0,
            root: '',
            keyframes: '',
            nodes: [later],
            sheets: [],
            values: [],
            removed: [],
            tokens: null
          },
          true
        );
      return Boolean(later);
    },
    setAsset(id: string, blob: Blob) {
      const before = addresses.get(id);
      if (before) URL.revokeObjectURL(before);
      addresses.set(id, URL.createObjectURL(blob));
      document.querySelectorAll<HTMLElement>(`[data-k-asset="${CSS.escape(id)}"]`).forEach(showAsset);
    },
    /** Shows the page's pictures, or what stands in their place where they do not come. */
    setPictured(on: boolean) {
      if (on === pictured) return;
      pictured = on;
      document.querySelectorAll<HTMLElement>('[data-k-asset]').forEach(showAsset);
    },
    /** Lets pieces wait for what brings them into sight, as on the page, or shows them all. */
    setTried(on: boolean) {
      if (on === tried) return;
      tried = on;
      document.documentElement.toggleAttribute('data-k-tuned', !on);
      const concerned = [...wanted].filter(([, names]) => names.some(isHiding));
      for (const [id] of concerned) {
        stop(id);
        start(id);
      }
    },
    /** Runs the page's behaviours, or stops them all as a browser without script would. */
    setScripted(on: boolean) {
      if (on === scripted) return;
      scripted = on;
      if (on) [...wanted.keys()].forEach(start);
      else [...stops.keys()].forEach(stop);
    }
  };
}

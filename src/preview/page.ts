import { BEHAVIOURS } from '$core/kinds/behaviours';
import * as runtime from '$runtime/index';
import type { PatchNode, PatchValues, ToFrame } from './messages';
import { HEARD, saidIn, slotsIn, type Said } from './said';
import { createWidths } from './widths';

const { scoped: _scoped, ...behaviours } = runtime;
type Stop = () => void;
type Patch = Extract<ToFrame, { type: 'patch' }>;
/** By the ids of their nodes. */
type Elements = Map<string, HTMLElement>;

/** Whoever tunes a piece has to see it, so what hides one runs only while the page is tried. */
const isHiding = (name: string): boolean => BEHAVIOURS[name]?.isHiding ?? false;

function parsed(html: string): HTMLElement {
  const template = document.createElement('template');
  template.innerHTML = html;
  const element = template.content.firstElementChild as HTMLElement;
  element.remove();
  return element;
}

/** Values of a tuned piece's cells, the widths it asks for, and what the names of both start with. */
type Cells = Omit<PatchValues, 'id'>;

const NO_CELLS: Cells = { stem: '', values: [], widths: [] };

interface Worded {
  readonly texts: readonly Text[];
  readonly named: readonly Element[];
}

/** Words of a node's own, and its elements that have a name that is heard; not of the nodes in it. */
function wordsIn(root: HTMLElement): Worded {
  const isOther = (node: Node) =>
    node !== root &&
    node instanceof HTMLElement &&
    (node.dataset.k !== undefined || node.localName === 'k-slot');
  const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT | NodeFilter.SHOW_ELEMENT, (node) =>
    isOther(node) ? NodeFilter.FILTER_REJECT : NodeFilter.FILTER_ACCEPT
  );
  const texts: Text[] = [];
  const named: Element[] = [];
  for (let node: Node | null = root; node; node = walker.nextNode()) {
    if (node instanceof Text) texts.push(node);
    else if ((node as Element).hasAttribute(HEARD)) named.push(node as Element);
  }
  return { texts, named };
}

/** Writes what is said otherwise now. @returns whether there is a place for all of it. */
function reworded({ texts, named }: Worded, now: Said): boolean {
  if (texts.length !== now.texts.length || named.length !== now.names.length) return false;
  now.texts.forEach((words, i) => texts[i]!.data !== words && (texts[i]!.data = words));
  now.names.forEach(
    (name, i) => named[i]!.getAttribute(HEARD) !== name && named[i]!.setAttribute(HEARD, name)
  );
  return true;
}

/** Markup that a node was drawn from, and, once that was asked, what it says. */
interface Drawn {
  readonly html: string;
  said?: Said;
}

const saidOf = (drawn: Drawn): Said => (drawn.said ??= saidIn(drawn.html));

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

const keptPlaceOf = (id: string) => document.querySelector(`k-slot[data-for="${CSS.escape(id)}"]`);

/** Children that did not change move over, to whichever element has a place for them now. */
function childrenOf(old: Elements): Elements {
  const all = [...old.values()].flatMap((each) => [...each.querySelectorAll<HTMLElement>('[data-k]')]);
  return new Map(all.map((each) => [each.dataset.k!, each]));
}

/** The page in the frame: elements, sheets and running behaviours, each by node id. */
export function createPage(body: HTMLElement) {
  const sheets = new Map<string, CSSStyleSheet>();
  const stops = new Map<string, Stop[]>();
  const wanted = new Map<string, readonly string[]>();
  const addresses = new Map<string, string>();
  /** Assets that are drawings, sharp at any size. */
  const vectors = new Set<string>();
  /** What each node was last drawn from. */
  const drawn = new Map<string, Drawn>();
  const values = new Map<string, Cells>();
  const base = new CSSStyleSheet();
  let scripted = true;
  let pictured = true;
  /** Until someone tries the page, everything on it is to be seen. */
  let tried = false;
  document.documentElement.toggleAttribute('data-k-tuned', true);

  const elements: Elements = new Map();
  const elementOf = (id: string) => elements.get(id) ?? null;
  const widths = createWidths(elementOf);

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
    const asking = `[data-k-${name}]`;
    if (root.matches(asking)) return root;
    return root.querySelector(`[data-k-node="${CSS.escape(root.dataset.k!)}"]${asking}`);
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
  const setValues = (id: string, cells: Cells, before: readonly string[] = []) => {
    const style = elementOf(id)?.style;
    cells.values.forEach(
      (value, i) => value !== before[i] && style?.setProperty(`--k-${cells.stem}-${i}`, value)
    );
    widths.set(id, cells);
  };

  const showAsset = (image: HTMLElement) => {
    // An address that leads to no picture, as on a page whose pictures do not come.
    const address = pictured ? addresses.get(image.dataset.kAsset!) : 'data:,';
    if (!address) return;
    image.toggleAttribute('data-k-vector', vectors.has(image.dataset.kAsset!));
    if (image.matches('img, video')) image.setAttribute('src', address);
    else if (image.matches('a')) image.setAttribute('href', address);
    else image.style.backgroundImage = `url("${address}")`;
  };

  /** Puts a node's new element where its old one stood; children keep theirs. */
  const replace = (id: string, html: string, made: Elements) => {
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
    const isOwn = !!from.dataset.current;
    const stateful = (root: HTMLElement) => (isOwn ? root : (root.firstElementChild as HTMLElement | null));
    const current = stateful(from)?.dataset.current;
    const next = stateful(to);
    if (current && next?.querySelector(`#${CSS.escape(current)}`)) next.dataset.current = current;
    carryOpen(from, to);
  };

  /**
   * Writes new words into a node that differs from its drawn self in nothing else: its behaviours go on, and
   * only the lines that changed are laid out. What the page has been made into by behaviours or a writing
   * hand is left to a new drawing.
   * @returns whether that was all.
   */
  const reword = (id: string, next: Drawn, names: readonly string[]): boolean => {
    const [before, root] = [drawn.get(id), elementOf(id)];
    if (!before || !root || root === body || held?.id === id) return false;
    if (names.join() !== wanted.get(id)?.join() || saidOf(before).frame !== saidOf(next).frame) return false;
    return holdsAll(root, saidOf(next)) && reworded(wordsIn(root), saidOf(next));
  };

  /**
   * Whether an element has every child that its new drawing has, or a place for it. What is around a piece that is
   * drawn alone has lost those of the piece before, and says the same as then.
   */
  const holdsAll = (root: HTMLElement, next: Said): boolean =>
    slotsIn(next).every((id) => root.contains(elementOf(id)) || root.contains(keptPlaceOf(id)));

  const fill = (element: HTMLElement, made: Elements, kept: Elements) => {
    element.querySelectorAll<HTMLElement>('k-slot').forEach((slot) => {
      const child = slot.dataset.for!;
      const next = made.get(child) ?? kept.get(child) ?? elementOf(child);
      if (next) slot.replaceWith(next);
    });
  };

  /** Draws what changed; what only says other words keeps its element. @returns elements that stood there. */
  const draw = (nodes: readonly PatchNode[], isAnew: boolean, made: Elements): Elements => {
    const old: Elements = new Map();
    for (const { id, html, behaviours: names } of nodes) {
      const next: Drawn = { html };
      const isReworded = !isAnew && reword(id, next, names);
      drawn.set(id, next);
      if (isReworded) continue;
      stop(id);
      const before = elementOf(id);
      if (before) old.set(id, before);
      wanted.set(id, names);
      replace(id, html, made);
    }
    return old;
  };

  /** Puts new elements where their old ones stood, with the children that did not change. */
  const putInPlace = (made: Elements, old: Elements) => {
    const kept = childrenOf(old);
    for (const [id, element] of made) {
      const before = old.get(id);
      if (before) carryState(before, element);
      fill(element, made, kept);
      // Where its new owner has already taken it in, it stays there; an owner may also be put in its place later.
      if (before && before !== body && !element.parentNode) before.replaceWith(element);
    }
  };

  /** What came in an earlier portion kept a place for these. */
  const putInKeptPlaces = (made: Elements, root: string) => {
    for (const [id, element] of made)
      if (id !== root && !element.parentNode) keptPlaceOf(id)?.replaceWith(element);
  };

  const takeValues = (changed: Patch['values'], made: Elements) => {
    for (const { id, ...next } of changed) {
      if (!made.has(id)) setValues(id, next, values.get(id)?.values);
      values.set(id, next);
    }
    for (const id of made.keys()) setValues(id, values.get(id) ?? NO_CELLS);
  };

  const forget = (id: string) => {
    stop(id);
    if (elementOf(id) !== body) elementOf(id)?.remove();
    sheets.delete(`${id} build`);
    sheets.delete(`${id} look`);
    [elements, wanted, drawn, values].forEach((known) => known.delete(id));
    widths.forget(id);
  };

  /** @returns whether one came that was not there before. */
  const takeSheets = (changed: Patch['sheets']): boolean => {
    const fresh = changed.filter(({ id }) => !sheets.has(id));
    for (const { id } of fresh) sheets.set(id, new CSSStyleSheet());
    for (const { id, css } of changed) sheets.get(id)!.replaceSync(css);
    return fresh.length > 0;
  };

  /** @param isAnew draws every node of the message anew, whatever stands there. */
  const patch = (whole: Patch, isAnew = false) => {
    const message = held ? keepHeld(whole) : whole;
    if (message.tokens) setTokens(message.tokens);
    const isTurned = said !== null && message.said !== null && message.said.dir !== said.dir;
    said = message.said ?? said;
    const made: Elements = new Map();
    putInPlace(made, draw(message.nodes, isAnew, made));
    for (const [id, element] of made) elements.set(id, element);
    const root = made.get(message.root);
    if (root) adoptBody(message.root, root);
    if (root || message.said) say();
    putInKeptPlaces(made, message.root);
    takeValues(message.values, made);
    message.removed.forEach(forget);
    const isNew = takeSheets(message.sheets);
    if (message.keyframes) base.replaceSync(message.keyframes);
    if (isNew || message.removed.length > 0) useSheets();
    // What has measured where lines begin has to do so again.
    if (isTurned) [...stops.keys()].forEach(stop);
    for (const id of isTurned ? wanted.keys() : made.keys()) start(id);
  };

  /** A piece someone is writing in keeps its element; what it should look like is done when the hand leaves. */
  let held: { readonly id: string; later: PatchNode | null } | null = null;

  const keepHeld = (message: Patch) => {
    const { id } = held!;
    const own = message.nodes.find((each) => each.id === id);
    if (!own) return message;
    held!.later = own;
    return { ...message, nodes: message.nodes.filter((each) => each !== own) };
  };

  /** Of the body, which hands it up to the window, so that what lies over the page reads as the workbench does. */
  let said: Patch['said'] = null;

  const say = () => {
    body.lang = said?.lang ?? '';
    // As on the page, which does not say what holds anyway: it would set its words apart from others.
    if (said?.dir === 'rtl') body.dir = said.dir;
    else body.removeAttribute('dir');
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
    settle: widths.settle,
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
            tokens: null,
            said: null
          },
          true
        );
      return Boolean(later);
    },
    setAsset(id: string, blob: Blob) {
      const before = addresses.get(id);
      if (before) URL.revokeObjectURL(before);
      addresses.set(id, URL.createObjectURL(blob));
      if (blob.type === 'image/svg+xml') vectors.add(id);
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

import { SWITCHED } from '$core/kinds/conditions';
import { distancesOf, stripsOf } from './guides';
import { createOrdering } from './ordering';
import { createOverlay, TAG_ROOM } from './overlay';
import { readToFrame, type FromFrame, type Pick, type Switch, type ToFrame } from './messages';
import { createFollowing } from './following';
import { createGhosts } from './ghosts';
import { createMotion } from './motion';
import { createPage } from './page';
import { createMeasuring } from './measuring';
import { forgetMeasured } from './readers';
import { drawSpecimens, maybeHeard } from './specimens';
import { fetched } from './fetched';
import type { HeardTools } from './heard';
import { createSettling } from './settling';
import { createStack } from './stack';
import { createWriting } from './writing';
import { compact } from '$core/data/compact';
import { createBrought } from './brought';
import { createRound } from './round';
import { followSizes } from './sizes';
import { tried } from './tried';

/**
 * Runs in the frame beside the exported page: builds it from patches, tells what is picked, draws the pick's
 * outline.
 */

followSizes();

const body = document.createElement('body');
document.body.replaceWith(body);
const root = document.documentElement;
const page = createPage(body);
const stage = document.createElement('k-stage');
const overlay = createOverlay();
let port: MessagePort | null = null;
let shown = tried([]);
const tell = (message: FromFrame) => port?.postMessage(message);
const motion = createMotion();
const measuring = createMeasuring({ motion, elementOf: page.elementOf, tell });
let specimens: Extract<ToFrame, { type: 'specimens' }> | null = null;

const writing = createWriting({
  page,
  partOf: (node, part) => partElements(node, part).find((each) => each.getClientRects().length > 0) ?? null,
  onwritten: (node, html) => tell({ type: 'written', node, html }),
  onend: soonOutlined
});

async function write(order: Extract<ToFrame, { type: 'write' }>): Promise<void> {
  await writing.begin(order).catch((error: Error) => tell({ type: 'fault', sentence: error.message }));
  drawOutline();
}

const following = createFollowing({
  elementOf: page.elementOf,
  root: () => shownRoot!,
  picked: () => shown.picked?.node ?? null,
  tell
});

const settle = createSettling();

const stack = createStack((id) => page.elementOf(id), tell);

const fetchHeard = fetched<HeardTools>(
  '/frame/heard.js',
  'kymationHeard',
  'What is heard could not be worked out; open the view again.'
);

const ghosts = createGhosts(page.elementOf);
const bringOut = createBrought();
const showMoment = createRound((time) => measuring.scrub(time));

const ordering = createOrdering({
  page: body,
  fetchTools: fetchHeard,
  draw: (stops) => overlay.stops(stops),
  tell
});

window.addEventListener('message', (event) => {
  if (event.source !== window.parent || port || event.data !== 'kymation' || !event.ports[0]) return;
  port = event.ports[0];
  port.onmessage = ({ data }) => receive(data);
  tell({ type: 'ready' });
});

window.addEventListener('error', (event) => {
  // A resize that waits for the next frame is reported as an error without an exception (Resize Observer,
  // "deliver resize loop error"): nothing stops.
  if (event.error != null) tell({ type: 'fault', sentence: String(event.message).slice(0, 500) });
});

function receive(data: unknown): void {
  const message = readToFrame(data);
  if (!message) return;
  page.settle();
  if (message.type === 'patch') return patch(message);
  if (message.type === 'asset') return setAsset(message);
  if (message.type === 'show') return show(message);
  if (message.type === 'reveal') return reveal(message.node);
  if (message.type === 'write') return void write(message);
  if (message.type === 'play') return play(message);
  if (message.type === 'scrub') return measuring.scrub(message.time);
  if (message.type === 'round') return showMoment(page.elementOf(message.node), message.moment);
  if (message.type === 'turn') return bringOut.all(body, message.isOut);
  if (message.type === 'scroll') return following.follow(message);
  if (message.type === 'ghosts') return ghosts.set(message);
  if (message.type === 'measure') return measuring.measure(message.asks);
  if (message.type === 'unfold') return unfold(message.isOpen);
  if (message.type === 'order') return void ordering.set(message.isOn);
  specimens = message;
  redrawSpecimens();
}

/** What enters or opens does so again; of what is pressed, the next part is. */
function play({ node, part, how }: Extract<ToFrame, { type: 'play' }>): void {
  const parts = partElements(node, part);
  if (how === 'press') motion.play(parts);
  else if (parts[0]) motion[how](parts[0]);
}

function setAsset({ id, blob, face }: Extract<ToFrame, { type: 'asset' }>): void {
  if (face) void setFace(id, blob, face);
  else page.setAsset(id, blob);
}

const faces = new Map<string, FontFace>();

/** A typeface of the project; a file that the browser refuses leaves its fall-back standing. */
async function setFace(
  id: string,
  blob: Blob,
  { family, ...descriptors }: NonNullable<Extract<ToFrame, { type: 'asset' }>['face']>
): Promise<void> {
  const before = faces.get(id);
  if (before) document.fonts.delete(before);
  const face = new FontFace(family, await blob.arrayBuffer(), descriptors);
  faces.set(id, face);
  document.fonts.add(face);
  await face.load().catch(() => tell({ type: 'fault', sentence: `The typeface ${family} cannot be drawn.` }));
  soonOutlined();
}

/** Opens or closes all that collapses, and tells how high the page is both ways. */
function unfold(isOpen: boolean): void {
  const all = [...body.querySelectorAll('details')];
  // One of a group that opens would close the others; here all are looked at together.
  const names = all.map(({ name }) => name);
  const heightWhen = (open: boolean): number => {
    for (const each of all) each.open = open;
    return root.scrollHeight;
  };
  for (const each of all) each.name = '';
  const [closed, open] = [heightWhen(false), heightWhen(true)];
  if (!isOpen) heightWhen(false);
  all.forEach((each, i) => (each.name = names[i]!));
  tell({ type: 'unfolded', count: all.length, closed, open });
  soonOutlined();
}

/** More nodes than any edit draws anew. */
const MANY = 100;

/** The root of the page that is shown; null before the first. */
let shownRoot: string | null = null;

function patch(message: Extract<ToFrame, { type: 'patch' }>): void {
  ghosts.clear();
  const from = performance.now();
  const isOtherPage = shownRoot !== null && message.root !== shownRoot;
  shownRoot = message.root;
  page.patch(message);
  // As in a browser, another page begins at its top.
  if (isOtherPage) following.bring(() => window.scrollTo({ top: 0, behavior: 'instant' }));
  forgetMeasured();
  // Asking for a box makes style and layout part of the measured work. What comes by the hundred is laid out
  // once it is all there.
  if (message.nodes.length < MANY) body.getBoundingClientRect();
  settle();
  const work = performance.now() - from;
  force();
  soonOutlined();
  redrawSpecimens();
  requestAnimationFrame(() => {
    tell({ type: 'patched', seq: message.seq, work, shown: performance.timeOrigin + performance.now() });
    if (!specimens) following.edited();
    ordering.soon();
  });
}

function setSwitches(switches: readonly Switch[]): void {
  for (const name of SWITCHED) root.toggleAttribute(`data-k-${name}`, switches.includes(name));
  page.setScripted(!switches.includes('no-script'));
  page.setPictured(!switches.includes('no-pictures'));
}

function show(message: typeof shown): void {
  shown = message;
  setSwitches(message.switches);
  root.toggleAttribute('data-k-selecting', message.mode === 'select');
  page.setTried(message.mode === 'try');
  motion.setRate(message.rate);
  root.style.fontSize = message.typeSize === 100 ? '' : `${message.typeSize}%`;
  bringOut.picked(shown.mode === 'select' ? drawnOrNot(shown.picked) : null);
  stack.want({ stack: message.mode === 'select' ? message.stack : [], picked: message.picked?.node ?? null });
  force();
  soonOutlined();
  ordering.soon();
}

let forced: HTMLElement | null = null;

/** Shows a state on the picked part; the page itself never carries the attribute. */
function force(): void {
  forced?.removeAttribute('data-k-force');
  forced = shown.forced && shown.picked ? forcedElement(shown.picked) : null;
  if (forced) forced.dataset.kForce = shown.forced!.join(' ');
}

/** What is chosen looks chosen whatever else it is, so another state is shown on one of its siblings. */
function forcedElement(picked: Pick): HTMLElement | null {
  const isChosen = (element: HTMLElement) => shown.chosen.some((selector) => element.matches(selector));
  const element = pickedElement(picked);
  const ofChosen = shown.isOfChosen;
  if (!element || isChosen(element) === ofChosen) return element;
  return (
    partElements(picked.node, picked.part).find(
      (each) => each.getClientRects().length > 0 && isChosen(each) === ofChosen
    ) ?? element
  );
}

/** Looked for in the piece alone, since a page may have thousands of elements. */
function partElements(node: string, part: string, more = ''): HTMLElement[] {
  const piece = page.elementOf(node);
  const wanted = `[data-k-node="${CSS.escape(node)}"][data-k-part="${CSS.escape(part)}"]${more}`;
  return piece
    ? compact([piece.matches(wanted) ? piece : null, ...piece.querySelectorAll<HTMLElement>(wanted)])
    : [];
}

/** What an owner draws for an item that has no element of its own. */
const elementOfItem = (id: string) => body.querySelector<HTMLElement>(`[data-k-item="${CSS.escape(id)}"]`);

/** Opens whatever hides the node and scrolls it into sight, its tag above it. */
function reveal(id: string): void {
  const element = page.elementOf(id) ?? document.getElementById(id) ?? elementOfItem(id);
  if (!element) return;
  element.dispatchEvent(new CustomEvent('k-show', { bubbles: true }));
  for (const each of body.querySelectorAll<HTMLElement>(':popover-open'))
    if (!each.contains(element)) each.hidePopover();
  for (let above = element.closest('details'); above; above = above.parentElement?.closest('details') ?? null)
    above.open = true;
  const own = element.querySelector<HTMLDialogElement>(
    `dialog[data-k-node="${CSS.escape(id)}"]:not([data-k-out])`
  );
  const dialog = element.closest('dialog') ?? own;
  for (const each of body.querySelectorAll<HTMLDialogElement>('dialog[open]'))
    if (each !== dialog) each.close();
  // Not as a modal one, and not by `show`, which takes the focus: what is beside it stays within reach.
  if (dialog) dialog.open = true;
  const panel = element.closest<HTMLElement>('[popover]');
  if (panel && !panel.matches(':popover-open') && !element.checkVisibility()) panel.showPopover();
  const box = element.getBoundingClientRect();
  const leastTop = Math.min(TAG_ROOM, box.top + scrollY);
  const isInSight = box.top >= leastTop && box.top < innerHeight - 40;
  const isTall = box.height > innerHeight - 2 * TAG_ROOM;
  if (!isInSight)
    following.bring(() => {
      element.scrollIntoView({ block: isTall ? 'start' : 'center', behavior: 'instant' });
      if (isTall) scrollBy({ top: -TAG_ROOM, behavior: 'instant' });
    });
  drawOutline();
}

function pickAt(target: EventTarget | null): Pick | null {
  const element = target instanceof Element ? target.closest<HTMLElement>('[data-k-part]') : null;
  if (!element) return null;
  return { node: element.dataset.kNode!, part: element.dataset.kPart!, item: element.dataset.kItem ?? null };
}

function onPress(event: MouseEvent, opens: boolean): void {
  if (writing.owns(event.target)) return;
  if (event.type === 'pointerdown') writing.end();
  if (shown.mode !== 'select') {
    // Links would lead out of the preview; everything else works as on the page.
    if ((event.target as Element).closest?.('a[href]:not([href^="#"])')) event.preventDefault();
    if (event.type === 'click') closeByForm(event);
    return;
  }
  event.preventDefault();
  event.stopImmediatePropagation();
  if (event.type === 'pointerdown') stack.press(event as PointerEvent);
  if (event.type === 'click' && stack.hasMoved()) return;
  const picked = event.type === 'click' ? pickAt(event.target) : null;
  if (picked) tell({ type: 'picked', pick: picked, opens });
}

/** The frame's sandbox submits no form, not even one that would only close its dialog. */
function closeByForm(event: MouseEvent): void {
  const button = (event.target as Element).closest?.('form[method="dialog"] button');
  if (!button) return;
  event.preventDefault();
  button.closest('dialog')?.close();
}

for (const type of ['pointerdown', 'mousedown', 'mouseup', 'click'] as const) {
  document.addEventListener(type, (event) => onPress(event as MouseEvent, (event as MouseEvent).detail > 1), {
    capture: true
  });
}
document.addEventListener('submit', (event) => event.preventDefault(), { capture: true });
document.addEventListener('auxclick', (event) => event.preventDefault(), { capture: true });

document.addEventListener(
  'keydown',
  (event) => {
    if (writing.isOn()) {
      if (event.key === 'Escape') {
        event.preventDefault();
        event.stopImmediatePropagation();
        writing.escape();
      }
      return;
    }
    // In Try it the page has the keys, but for those that always lead back and out.
    if (shown.mode === 'try' && !['Escape', 'F6'].includes(event.key)) return;
    // Who comes in by it has to get out by it (WCAG 2.2, 2.1.2); the workbench has no other use for it.
    if (event.key === 'Tab') return;
    event.preventDefault();
    event.stopImmediatePropagation();
    tell({
      type: 'key',
      key: event.key.slice(0, 20),
      code: event.code.slice(0, 20),
      ctrl: event.ctrlKey || event.metaKey,
      shift: event.shiftKey,
      alt: event.altKey
    });
  },
  { capture: true }
);

let hovered: HTMLElement | null = null;

function hover(picked: Pick | null): void {
  const element = shown.mode === 'select' ? pickedElement(picked) : null;
  if (element === hovered) return;
  hovered = element;
  overlay.hover(element, element && shown.guides ? stripsOf(element) : []);
  tell(
    element && picked
      ? distancesOf(element, picked)
      : {
          type: 'hovered',
          pick: null,
          width: 0,
          height: 0,
          padding: [],
          margin: [],
          gap: null,
          collapsed: null
        }
  );
}

document.addEventListener('pointermove', (event) =>
  hover(stack.move(event) || writing.isOn() ? null : pickAt(event.target))
);
document.addEventListener('pointerup', () => stack.release(), { capture: true });
document.documentElement.addEventListener('pointerleave', () => hover(null));
document.addEventListener('scroll', () => (drawOutline(), hover(null), writing.place()), {
  capture: true,
  passive: true
});
window.addEventListener('resize', () => (drawOutline(), ordering.soon(), redrawSpecimens()));
new ResizeObserver(soonOutlined).observe(body);
document.addEventListener('animationend', soonOutlined);

function pickedElement(picked: Pick | null): HTMLElement | null {
  if (!picked) return null;
  const item = picked.item ? `[data-k-item="${CSS.escape(picked.item)}"]` : '';
  return (
    partElements(picked.node, picked.part, item).find((each) => each.getClientRects().length > 0) ?? null
  );
}

/** The first element of a picked part, whether it has a box now or not. */
function drawnOrNot(picked: Pick | null): HTMLElement | null {
  return picked ? (partElements(picked.node, picked.part)[0] ?? null) : null;
}

let isOutlineDue = false;

/** Draws the outline with the next picture, when the page is laid out anyway. */
function soonOutlined(): void {
  if (isOutlineDue) return;
  isOutlineDue = true;
  requestAnimationFrame(() => {
    isOutlineDue = false;
    drawOutline();
  });
}

function drawOutline(): void {
  // While its words are written, the tools stand where its name would.
  const isTuned = shown.mode === 'select';
  overlay.pick(isTuned ? pickedElement(shown.picked) : null, writing.isOn() ? '' : shown.name);
  overlay.around(isTuned && shown.box ? pickedElement({ node: shown.box, part: 'root', item: null }) : null);
  stack.look();
  ordering.redraw();
}

function redrawSpecimens(): void {
  if (!specimens) return;
  if (!stage.isConnected) {
    root.toggleAttribute('data-k-stage', true);
    root.append(stage);
  }
  const { node, part, switches } = specimens;
  setSwitches(switches);
  const height = drawSpecimens(body, stage, specimens);
  tell({ type: 'specimenRoom', node, part, height });
  void tellHeard(specimens);
}

/** After the drawing, since nobody waits for it. */
async function tellHeard(order: NonNullable<typeof specimens>): Promise<void> {
  const tools = await fetchHeard().catch((error: Error) => tell({ type: 'fault', sentence: error.message }));
  const heard = tools && specimens === order ? maybeHeard(body, order, tools) : null;
  // The part was in each state for a moment, and is where it was.
  settle();
  if (heard) tell({ type: 'heard', node: order.node, part: order.part, heard });
}

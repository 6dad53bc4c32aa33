import type { Element } from 'hast';
import { isFromRight } from '../project/direction';
import { customProperties } from '../css/tokens';
import { printHtml, type Attribute } from '../html/print';
import { keyframesText } from '../kinds/entrance';
import type { Keyframes } from '../kinds/contract';
import { chosenIn } from '../kinds/moments';
import type { Registry } from '../kinds/registry';
import { maybeSteps } from '../project/lineage';
import { childIds, maybeNode, nodeOf, pageOf, pathTo, subtreeIds } from '../project/tree';
import type { Bands, NodeId, PageId, Project } from '../project/types';
import { expanded } from '../rows/rows';
import { analyse, type Analysis } from './analyse';
import type { Sheet } from './sheet';
import { cellValues, previewDialect, printSheet, windowWidths, type SheetHalf } from './rules';
import { remembered } from '../data/remembered';

/** One node for the preview frame. Children stand as `<k-slot data-for>`; the frame puts their elements there. */
export interface NodePrint {
  readonly id: NodeId;
  /** What its classes start with; copies of one piece share it. */
  readonly stem: string;
  readonly html: string;
  readonly behaviours: readonly string[];
  /** The style sheets it uses, one for its build and one for its look; nodes that nobody has tuned share them. */
  readonly sheets: readonly { readonly id: string; readonly css: string }[];
  /**
   * Values of its cells, in the order of its sheet's custom properties: turning one of them costs no new
   * style sheet.
   */
  readonly values: readonly string[];
  /** Widths of the window in px, in the order of its marks: turning one of them costs no new style sheet either. */
  readonly widths: readonly number[];
}

export interface PreviewPatch {
  readonly root: NodeId;
  readonly nodes: readonly Pick<NodePrint, 'id' | 'html' | 'behaviours'>[];
  readonly sheets: readonly { readonly id: string; readonly css: string }[];
  /** Cells of tuned pieces and the widths pieces ask for, under the stem that their names have. */
  readonly values: readonly {
    readonly id: NodeId;
    readonly stem: string;
    readonly values: readonly string[];
    readonly widths: readonly number[];
  }[];
  readonly removed: readonly NodeId[];
  /** All tokens as custom properties of the root element; null where they are as they were. */
  readonly tokens: readonly { readonly id: string; readonly value: string }[] | null;
  /** What the page is written in, and from which side; null where that is as it was. */
  readonly said: { readonly lang: string; readonly dir: 'ltr' | 'rtl' } | null;
}

const printed = new WeakMap<Analysis, { bands: object; print: NodePrint }>();

/** A node's markup with the marks that picking needs; markup stays the same object while only the look changes. */
function markedHtml({ id, markup, kept }: Analysis): string {
  if (kept.html !== null) return kept.html;
  // A body cannot be parsed as part of a page; the frame carries its attributes over.
  const root = markup!.tagName === 'body' ? { ...markup!, tagName: 'k-body' } : markup!;
  const html = printHtml(root, (element) => marksOf(element, id, element === root));
  // Read at one place, a string that was put together from hundreds becomes one, which is all that is kept of it.
  html.charCodeAt(0);
  return (kept.html = html);
}

/** @returns the node's print; the same object as long as nothing about it changed. */
function printNode(analysis: Analysis, project: Project): NodePrint {
  const known = printed.get(analysis);
  if (known?.bands === project.info.bands) return known.print;
  const print: NodePrint = {
    id: analysis.id,
    stem: analysis.stem,
    html: markedHtml(analysis),
    behaviours: analysis.behaviours,
    sheets: sheetsOf(analysis, project.info.bands),
    values: cellValues(analysis.sheet),
    widths: windowWidths(analysis.sheet)
  };
  printed.set(analysis, { bands: project.info.bands, print });
  return print;
}

const sharedSheets = new WeakMap<Sheet, { readonly bands: Bands; readonly sheets: NodePrint['sheets'] }>();

/** Nodes that nobody has tuned share not only their rules but the text of them. */
function sheetsOf({ sheet, stem }: Analysis, bands: Bands): NodePrint['sheets'] {
  const known = sheet.isDefault ? sharedSheets.get(sheet) : undefined;
  if (known?.bands === bands) return known.sheets;
  const sheets = (['build', 'look'] as const).map((half) => ({
    id: sheetId(stem, half),
    css: withChosenMoments(printSheet(sheet, stem, previewDialect, bands, half))
  }));
  if (sheet.isDefault) sharedSheets.set(sheet, { bands, sheets });
  return sheets;
}

const movementText = ([name, keyframes]: readonly [string, Keyframes]): string =>
  `${keyframesText(keyframes, name)}\n`;

/** Movements at moments of one's own stand with the piece that plays them; all others are the same everywhere. */
function withChosenMoments(css: string): string {
  return css + [...chosenIn(css)].map(movementText).join('');
}

const sheetId = (stem: string, half: SheetHalf) => `${stem} ${half}`;

/**
 * What picking needs to know of an element: the node it is the root of, its part, its item, its picture, and how what
 * is out of sight is brought out; where a child stands, which.
 */
function marksOf({ data }: Element, owner: NodeId, isRoot: boolean): readonly Attribute[] {
  const found: Attribute[] = isRoot ? [{ name: 'data-k', value: owner }] : [];
  if (!data) return found;
  const { mark, asset, child, keptUntil, bringsOut } = data;
  if (child) found.push({ name: 'data-for', value: child });
  if (mark) {
    found.push({ name: 'data-k-part', value: mark.part }, { name: 'data-k-node', value: owner });
    if (mark.node !== owner) found.push({ name: 'data-k-item', value: mark.node });
  }
  if (asset) found.push({ name: 'data-k-asset', value: asset });
  if (keptUntil) found.push({ name: 'data-k-out', value: keptUntil });
  if (bringsOut) {
    found.push({ name: 'data-k-brings', value: bringsOut.attribute });
    found.push({ name: 'data-k-brings-in', value: bringsOut.states.join(' ') });
  }
  return found;
}

/**
 * A large patch in pieces that each leave the page whole as far as it goes, so that its top is on show before
 * its end is built. What stands in a node that came earlier finds its place by the slot that was left for it.
 * @param most nodes in the first portion.
 * @param more nodes in each that follows.
 */
export function portionsOf(patch: PreviewPatch, most: number, more = most): readonly PreviewPatch[] {
  if (patch.nodes.length <= most) return [patch];
  const found: PreviewPatch[] = [];
  let values = patch.values;
  for (let at = 0; at < patch.nodes.length; at += at === 0 ? most : more) {
    const end = at + (at === 0 ? most : more);
    const nodes = patch.nodes.slice(at, end);
    const ids = new Set(nodes.map(({ id }) => id));
    const isLast = end >= patch.nodes.length;
    const own = isLast ? values : values.filter(({ id }) => ids.has(id));
    values = values.filter((each) => !own.includes(each));
    found.push(
      at === 0
        ? { ...patch, nodes, values: own }
        : { root: patch.root, nodes, sheets: [], values: own, removed: [], tokens: null, said: null }
    );
  }
  return found;
}

/** A piece drawn alone is seen in a small cell, which this many nodes more than fill. */
const ALONE_MOST = 150;

/** Keeps what the frame has been sent, and works out what it lacks. One for each frame. */
export function createPreviewSession(registry: Registry) {
  let shown: { project: Project; pageId: PageId; only: NodeId | null } | null = null;
  let sent = new Map<NodeId, NodePrint>();
  /** Style sheets the frame has, by name. */
  const sheets = new Map<string, string>();
  /** Nodes that the last patch has something of. */
  let touched: NodeId[] = [];
  /** Node → nodes that were made from it. */
  let dependents = new Map<NodeId, Set<NodeId>>();

  const noteReads = ({ id, reads }: Analysis): void => {
    for (const read of reads) remembered(dependents, read, () => new Set()).add(id);
  };

  /**
   * Prints again only what an edit touched, took away or brought. Null where something changed that all nodes
   * may depend on.
   */
  const editedOnly = (project: Project, pageId: PageId, only: NodeId | null): OpenPatch | null => {
    const steps =
      shown && shown.pageId === pageId && shown.only === only ? maybeSteps(shown.project, project) : null;
    if (!steps) return null;
    const { root } = pageOf(project, pageId);
    const touched = new Set<NodeId>();
    const parted = new Set<NodeId>();
    const joined = new Set<NodeId>();
    for (const diff of steps) {
      if (
        diff.assets ||
        diff.pages ||
        (diff.info &&
          (diff.info[0]?.bands !== diff.info[1]?.bands || diff.info[0]?.support !== diff.info[1]?.support))
      )
        return null;
      for (const [id, [before, after]] of Object.entries(diff.nodes ?? {})) {
        touched.add(id as NodeId);
        dependents.get(id as NodeId)?.forEach((each) => touched.add(each));
        if (before?.slots === after?.slots) continue;
        // What is drawn alone shows only a part of what is around it.
        if (only) return null;
        if (before) childIds(before).forEach((each) => parted.add(each));
        if (after) childIds(after).forEach((each) => joined.add(each));
      }
    }
    const patch = emptyPatch(root);
    const isHere = (id: NodeId) => project.nodes[id] !== undefined && pathTo(project, id)[0] === root;
    for (const id of parted)
      if (!isHere(id)) for (const each of sentWith(shown!.project, id)) if (!isHere(each)) leave(each, patch);
    const printed = new Set<NodeId>();
    const addOnce = (id: NodeId) => {
      if (printed.has(id)) return;
      printed.add(id);
      add(project, id, sent, patch);
    };
    for (const id of joined) if (!sent.has(id) && isHere(id)) subtreeIds(project, id).forEach(addOnce);
    for (const id of touched) if (sent.has(id) && project.nodes[id]) addOnce(id);
    return patch;
  };

  /** A node of an older project with all in it, as far as the frame has been sent it. */
  const sentWith = (before: Project, id: NodeId): readonly NodeId[] =>
    before.nodes[id] ? subtreeIds(before, id).filter((each) => sent.has(each)) : [];

  const leave = (id: NodeId, patch: OpenPatch): void => {
    sent.delete(id);
    patch.removed.push(id);
    sheets.delete(sheetId(id, 'build'));
    sheets.delete(sheetId(id, 'look'));
  };

  const everything = (project: Project, pageId: PageId, only: NodeId | null): OpenPatch => {
    const scope = only
      ? new Set([...pathTo(project, only), ...subtreeIds(project, only).slice(0, ALONE_MOST)])
      : null;
    const old = sent;
    // What is left out has left no place behind, so another scope starts from nothing.
    if (shown && shown.only !== only) sent = new Map();
    const patch = emptyPatch(pageOf(project, pageId).root);
    const now = new Map<NodeId, NodePrint>();
    dependents = new Map();
    const open: NodeId[] = [patch.root];
    while (open.length > 0) {
      const id = open.pop()!;
      const children = childIds(nodeOf(project, id)).filter((child) => !scope || scope.has(child));
      for (let i = children.length - 1; i >= 0; i -= 1) open.push(children[i]!);
      add(project, id, now, patch);
    }
    for (const id of old.keys()) {
      if (now.has(id)) continue;
      leave(id, patch);
    }
    sent = now;
    return patch;
  };

  const add = (project: Project, id: NodeId, into: Map<NodeId, NodePrint>, patch: OpenPatch): void => {
    const analysis = analyse(registry, project, nodeOf(project, id));
    if (!analysis.markup) {
      // Its owner draws it now: what it was before a swap is drawn anew should it be that again.
      if (sent.has(id)) leave(id, patch);
      return;
    }
    noteReads(analysis);
    const print = printNode(analysis, project);
    const before = sent.get(id);
    into.set(id, print);
    if (before === print) return;
    const length = lengthOf(patch);
    if (before?.html !== print.html) patch.nodes.push({ id, html: print.html, behaviours: print.behaviours });
    for (const sheet of print.sheets) {
      if (sheets.get(sheet.id) === sheet.css) continue;
      sheets.set(sheet.id, sheet.css);
      patch.sheets.push(sheet);
    }
    if (!isSame(before?.values ?? [], print.values) || !isSame(before?.widths ?? [], print.widths))
      patch.values.push({ id, stem: print.stem, values: print.values, widths: print.widths });
    if (lengthOf(patch) > length) touched.push(id);
  };

  return {
    /** Forgets everything: for a frame that has loaded anew. */
    reset(): void {
      shown = null;
      sent = new Map();
      sheets.clear();
    },
    /**
     * @param only a node: just it, the first of what is in it and what is around it, for drawing its parts.
     * @returns what must be sent so that the frame shows this page of this project; null where it already
     * does, and where the page   or the piece is gone: another window may have deleted it a moment ago, and
     * what is asked for follows.
     */
    patchFor(given: Project, pageId: PageId, only: NodeId | null = null): PreviewPatch | null {
      const { project } = expanded(registry, given);
      const isThere =
        Object.hasOwn(project.pages, pageId) && (only === null || maybeNode(project, only) !== null);
      touched = [];
      if (!isThere) return null;
      const patch: OpenPatch = editedOnly(project, pageId, only) ?? everything(project, pageId, only);
      if (shown?.project.tokens !== project.tokens)
        patch.tokens = Object.values(project.tokens).flatMap(customProperties);
      const { language } = pageOf(project, pageId);
      if (shown?.project.pages[shown.pageId]?.language !== language)
        patch.said = { lang: language, dir: isFromRight(language) ? 'rtl' : 'ltr' };
      shown = { project, pageId, only };
      return lengthOf(patch) + patch.removed.length > 0 || patch.tokens || patch.said ? patch : null;
    },
    /** @returns nodes that look or stand otherwise by the last patch. */
    touchedLast: (): readonly NodeId[] => touched
  };
}

type OpenPatch = Omit<PreviewPatch, 'tokens' | 'said'> & {
  nodes: PreviewPatch['nodes'][number][];
  sheets: PreviewPatch['sheets'][number][];
  values: PreviewPatch['values'][number][];
  removed: NodeId[];
  tokens: PreviewPatch['tokens'];
  said: PreviewPatch['said'];
};

const isSame = <T>(a: readonly T[], b: readonly T[]) =>
  a.length === b.length && a.every((value, i) => value === b[i]);

/** What a patch has of pieces and of rules, counted. */
const lengthOf = ({ nodes, sheets, values }: OpenPatch): number =>
  nodes.length + sheets.length + values.length;

const emptyPatch = (root: NodeId): OpenPatch => ({
  root,
  nodes: [],
  sheets: [],
  values: [],
  removed: [],
  tokens: null,
  said: null
});

import type { Element, ElementContent } from 'hast';
import { printValue } from '../css/tokens';
import { printHtml } from '../html/print';
import type { Registry } from '../kinds/registry';
import { maybeSteps } from '../project/lineage';
import { childIds, nodeOf, pageOf, pathTo, subtreeIds } from '../project/tree';
import type { NodeId, PageId, Project } from '../project/types';
import { analyse, type Analysis } from './analyse';
import { cellValues, previewDialect, printSheet, type SheetHalf } from './rules';

/** One node for the preview frame. Children stand as `<k-slot data-for>`; the frame puts their elements there. */
export interface NodePrint {
  readonly id: NodeId;
  readonly html: string;
  readonly behaviours: readonly string[];
  /** The style sheets it uses, one for its build and one for its look; nodes that nobody has tuned share them. */
  readonly sheets: readonly { readonly id: string; readonly css: string }[];
  /** Values of its cells, in the order of its sheet's custom properties: turning one of them costs no new style sheet. */
  readonly values: readonly string[];
}

export interface PreviewPatch {
  readonly root: NodeId;
  readonly nodes: readonly Pick<NodePrint, 'id' | 'html' | 'behaviours'>[];
  readonly sheets: readonly { readonly id: string; readonly css: string }[];
  readonly values: readonly { readonly id: NodeId; readonly values: readonly string[] }[];
  readonly removed: readonly NodeId[];
  /** All tokens as custom properties of the root element; null where they are as they were. */
  readonly tokens: readonly { readonly id: string; readonly value: string }[] | null;
}

const printed = new WeakMap<Analysis, { bands: object; print: NodePrint }>();

const htmlOf = new WeakMap<Element, string>();

/** A node's markup with the marks that picking needs; markup stays the same object while only the look changes. */
function markedHtml(analysis: Analysis): string {
  const markup = analysis.markup!;
  let html = htmlOf.get(markup);
  if (html === undefined) htmlOf.set(markup, (html = printHtml(withMarks(markup, analysis, true))));
  return html;
}

/** @returns the node's print; the same object as long as nothing about it changed. */
function printNode(analysis: Analysis, project: Project): NodePrint {
  const known = printed.get(analysis);
  if (known?.bands === project.info.bands) return known.print;
  const print: NodePrint = {
    id: analysis.id,
    html: markedHtml(analysis),
    behaviours: analysis.behaviours,
    sheets: (['build', 'look'] as const).map((half) => ({
      id: sheetId(analysis.stem, half),
      css: printSheet(analysis.sheet, analysis.stem, previewDialect, project.info.bands, half)
    })),
    values: cellValues(analysis.sheet)
  };
  printed.set(analysis, { bands: project.info.bands, print });
  return print;
}

const sheetId = (stem: string, half: SheetHalf) => `${stem} ${half}`;

function withMarks(element: Element, analysis: Analysis, isRoot: boolean): Element {
  const owner = analysis.id;
  const { mark, asset } = element.data ?? {};
  return {
    type: 'element',
    // A body cannot be parsed as part of a page; the frame carries its attributes over.
    tagName: element.tagName === 'body' ? 'k-body' : element.tagName,
    properties: {
      ...element.properties,
      ...(isRoot ? { dataK: owner } : {}),
      ...(mark ? { dataKPart: mark.part, dataKNode: owner, ...(mark.node === owner ? {} : { dataKItem: mark.node }) } : {}),
      ...(asset ? { dataKAsset: asset } : {})
    },
    children: element.children.map((child): ElementContent => {
      if (child.type !== 'element') return child;
      if (child.data?.child) return { type: 'element', tagName: 'k-slot', properties: { dataFor: child.data.child }, children: [] };
      return withMarks(child, analysis, false);
    })
  };
}

/** Keeps what the frame has been sent, and works out what it lacks. One for each frame. */
export function createPreviewSession(registry: Registry) {
  let shown: { project: Project; pageId: PageId; only: NodeId | null } | null = null;
  let sent = new Map<NodeId, NodePrint>();
  /** Style sheets the frame has, by name. */
  const sheets = new Map<string, string>();
  /** Node → nodes that were made from it. */
  let dependents = new Map<NodeId, Set<NodeId>>();

  const noteReads = ({ id, reads }: Analysis): void => {
    for (const read of reads) {
      const known = dependents.get(read);
      if (known) known.add(id);
      else dependents.set(read, new Set([id]));
    }
  };

  /** Prints again only what an edit touched. Null where nodes came or went, or something all nodes may depend on changed. */
  const editedOnly = (project: Project, pageId: PageId, only: NodeId | null): OpenPatch | null => {
    const steps = shown && shown.pageId === pageId && shown.only === only ? maybeSteps(shown.project, project) : null;
    if (!steps) return null;
    const touched = new Set<NodeId>();
    for (const diff of steps) {
      if (diff.assets || diff.pages || (diff.info && (diff.info[0]?.bands !== diff.info[1]?.bands || diff.info[0]?.support !== diff.info[1]?.support))) return null;
      for (const [id, [before, after]] of Object.entries(diff.nodes ?? {})) {
        if (!before || !after || before.slots !== after.slots) return null;
        touched.add(id as NodeId);
        dependents.get(id as NodeId)?.forEach((each) => touched.add(each));
      }
    }
    const patch = emptyPatch(pageOf(project, pageId).root);
    for (const id of touched) if (sent.has(id)) add(project, id, sent, patch);
    return patch;
  };

  const everything = (project: Project, pageId: PageId, only: NodeId | null): OpenPatch => {
    const scope = only ? new Set([...pathTo(project, only), ...subtreeIds(project, only)]) : null;
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
      patch.removed.push(id);
      sheets.delete(sheetId(id, 'build'));
      sheets.delete(sheetId(id, 'look'));
    }
    sent = now;
    return patch;
  };

  const add = (project: Project, id: NodeId, into: Map<NodeId, NodePrint>, patch: OpenPatch): void => {
    const analysis = analyse(registry, project, nodeOf(project, id));
    if (!analysis.markup) return;
    noteReads(analysis);
    const print = printNode(analysis, project);
    const before = sent.get(id);
    into.set(id, print);
    if (before === print) return;
    if (before?.html !== print.html) patch.nodes.push({ id, html: print.html, behaviours: print.behaviours });
    for (const sheet of print.sheets) {
      if (sheets.get(sheet.id) === sheet.css) continue;
      sheets.set(sheet.id, sheet.css);
      patch.sheets.push(sheet);
    }
    if (!isSame(before?.values ?? [], print.values)) patch.values.push({ id, values: print.values });
  };

  return {
    /** Forgets everything: for a frame that has loaded anew. */
    reset(): void {
      shown = null;
      sent = new Map();
      sheets.clear();
    },
    /**
     * @param only a node: just it, what is in it and what is around it, for drawing its parts.
     * @returns what must be sent so that the frame shows this page of this project; null where it already does.
     */
    patchFor(project: Project, pageId: PageId, only: NodeId | null = null): PreviewPatch | null {
      const patch: OpenPatch = editedOnly(project, pageId, only) ?? everything(project, pageId, only);
      if (shown?.project.tokens !== project.tokens) patch.tokens = Object.values(project.tokens).map(({ id, value }) => ({ id, value: printValue(value) }));
      shown = { project, pageId, only };
      return patch.nodes.length + patch.sheets.length + patch.values.length + patch.removed.length > 0 || patch.tokens ? patch : null;
    }
  };
}

type OpenPatch = Omit<PreviewPatch, 'tokens'> & { nodes: PreviewPatch['nodes'][number][]; sheets: PreviewPatch['sheets'][number][]; values: PreviewPatch['values'][number][]; removed: NodeId[]; tokens: PreviewPatch['tokens'] };

const isSame = (a: readonly string[], b: readonly string[]) => a.length === b.length && a.every((value, i) => value === b[i]);

const emptyPatch = (root: NodeId): OpenPatch => ({ root, nodes: [], sheets: [], values: [], removed: [], tokens: null });

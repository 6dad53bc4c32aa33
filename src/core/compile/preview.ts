import type { Element, ElementContent } from 'hast';
import { toHtml } from 'hast-util-to-html';
import type { Registry } from '../kinds/registry';
import { maybeSteps } from '../project/lineage';
import { childIds, nodeOf, pageOf, pathTo, subtreeIds } from '../project/tree';
import type { NodeId, PageId, Project } from '../project/types';
import { analyse, type Analysis } from './analyse';
import { stemOf, withClasses } from './classes';
import { previewDialect, printSheet } from './rules';

/** One node for the preview frame. Children stand as `<k-slot data-for>`; the frame puts their elements there. */
export interface NodePrint {
  readonly id: NodeId;
  readonly html: string;
  readonly behaviours: readonly string[];
  /** Name of the style sheet it uses; nodes that nobody has tuned share one. */
  readonly sheet: string;
  readonly css: string;
}

export interface PreviewPatch {
  readonly root: NodeId;
  readonly nodes: readonly Pick<NodePrint, 'id' | 'html' | 'behaviours'>[];
  readonly sheets: readonly { readonly id: string; readonly css: string }[];
  readonly removed: readonly NodeId[];
}

const printed = new WeakMap<Analysis, { bands: object; print: NodePrint }>();

/** @returns the node's print; the same object as long as nothing about it changed. */
function printNode(analysis: Analysis, project: Project): NodePrint {
  const known = printed.get(analysis);
  if (known?.bands === project.info.bands) return known.print;
  const print: NodePrint = {
    id: analysis.id,
    html: toHtml(withMarks(analysis.markup!, analysis, true)),
    behaviours: analysis.behaviours,
    sheet: stemOf(analysis),
    css: printSheet(analysis.sheet, stemOf(analysis), previewDialect, project.info.bands)
  };
  printed.set(analysis, { bands: project.info.bands, print });
  return print;
}

function withMarks(element: Element, analysis: Analysis, isRoot: boolean): Element {
  const owner = analysis.id;
  const { mark, asset } = element.data ?? {};
  return {
    type: 'element',
    // A body cannot be parsed as part of a page; the frame carries its attributes over.
    tagName: element.tagName === 'body' ? 'k-body' : element.tagName,
    properties: {
      ...withClasses(element, analysis),
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
  const editedOnly = (project: Project, pageId: PageId, only: NodeId | null): PreviewPatch | null => {
    const steps = shown && shown.pageId === pageId && shown.only === only ? maybeSteps(shown.project, project) : null;
    if (!steps) return null;
    const touched = new Set<NodeId>();
    for (const diff of steps) {
      if (diff.info || diff.assets || diff.pages) return null;
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

  const everything = (project: Project, pageId: PageId, only: NodeId | null): PreviewPatch => {
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
      sheets.delete(id);
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
    if (sheets.get(print.sheet) === print.css) return;
    sheets.set(print.sheet, print.css);
    patch.sheets.push({ id: print.sheet, css: print.css });
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
      const patch = editedOnly(project, pageId, only) ?? everything(project, pageId, only);
      shown = { project, pageId, only };
      return patch.nodes.length + patch.sheets.length + patch.removed.length > 0 ? patch : null;
    }
  };
}

type OpenPatch = PreviewPatch & { nodes: PreviewPatch['nodes'][number][]; sheets: PreviewPatch['sheets'][number][]; removed: NodeId[] };

const emptyPatch = (root: NodeId): OpenPatch => ({ root, nodes: [], sheets: [], removed: [] });

import type { Element, ElementContent } from 'hast';
import { toHtml } from 'hast-util-to-html';
import type { Registry } from '../kinds/registry';
import { nodeOf, pageOf } from '../project/tree';
import type { AssetId, NodeId, PageId, Project } from '../project/types';
import { analyse, type Analysis } from './analyse';
import { previewDialect, printRules } from './rules';

/** One node for the preview frame. Children stand as `<k-slot data-for>`; the frame puts their elements there. */
export interface NodePrint {
  readonly id: NodeId;
  readonly html: string;
  readonly css: string;
  readonly behaviours: readonly string[];
}

export interface PreviewPatch {
  readonly root: NodeId;
  /** Whole prints for new nodes; for known ones only what changed. */
  readonly nodes: readonly { readonly id: NodeId; readonly html?: string; readonly css?: string; readonly behaviours?: readonly string[] }[];
  readonly removed: readonly NodeId[];
  readonly assets: readonly AssetId[];
}

const printed = new WeakMap<Analysis, { bands: object; print: NodePrint }>();

/** @returns the node's print; the same object as long as nothing about it changed. */
export function printNode(registry: Registry, project: Project, id: NodeId): NodePrint {
  const analysis = analyse(registry, project, nodeOf(project, id));
  const known = printed.get(analysis);
  if (known?.bands === project.info.bands) return known.print;
  if (!analysis.markup) throw new Error(`printNode: ${JSON.stringify(id)} is an item and cannot stand alone`);
  const print: NodePrint = {
    id,
    html: toHtml(withMarks(analysis.markup, id, true)),
    css: printRules(analysis.rules, previewDialect, project.info.bands),
    behaviours: analysis.behaviours
  };
  printed.set(analysis, { bands: project.info.bands, print });
  return print;
}

function withMarks(element: Element, owner: NodeId, isRoot: boolean): Element {
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
      return withMarks(child, owner, false);
    })
  };
}

/** Keeps what the frame has been sent, and works out what it lacks. One for each frame. */
export function createPreviewSession(registry: Registry) {
  let sent = new Map<NodeId, NodePrint>();
  return {
    /** Forgets everything: for a frame that has loaded anew. */
    reset: () => void (sent = new Map()),
    /** @returns what must be sent so that the frame shows this page of this project; null where it already does. */
    patchFor(project: Project, pageId: PageId): PreviewPatch | null {
      const root = pageOf(project, pageId).root;
      const now = new Map<NodeId, NodePrint>();
      const nodes: PreviewPatch['nodes'][number][] = [];
      const assets = new Set<AssetId>();
      const open: NodeId[] = [root];
      while (open.length > 0) {
        const id = open.pop()!;
        const node = nodeOf(project, id);
        const children = Object.values(node.slots).flat();
        for (let i = children.length - 1; i >= 0; i -= 1) open.push(children[i]!);
        const analysis = analyse(registry, project, node);
        if (!analysis.markup) continue;
        const print = printNode(registry, project, id);
        now.set(id, print);
        const before = sent.get(id);
        if (before === print) continue;
        nodes.push(before ? changes(before, print) : print);
        for (const asset of analysis.assets) if (project.assets[asset]) assets.add(asset);
      }
      const removed = [...sent.keys()].filter((id) => !now.has(id));
      sent = now;
      return nodes.length + removed.length > 0 ? { root, nodes, removed, assets: [...assets] } : null;
    }
  };
}

function changes(before: NodePrint, now: NodePrint): PreviewPatch['nodes'][number] {
  return {
    id: now.id,
    ...(before.html === now.html ? {} : { html: now.html, behaviours: now.behaviours }),
    ...(before.css === now.css ? {} : { css: now.css })
  };
}

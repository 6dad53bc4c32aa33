import { apply, refusalOf } from '$core/commands/apply';
import type { Finding } from '$core/kinds/finding';
import type { Command, Refusal } from '$core/commands/define';
import { NO_HISTORY, recorded, redone, undone, type History, type Turned } from '$core/commands/history';
import { runFindings } from '$core/findings/run';
import { childIds, maybePageOf, maybePlaceOf, nodeOf, pageOf, pathTo } from '$core/project/tree';
import type { AssetId, ConditionName, Node, NodeId, PageId, Place, Project } from '$core/project/types';
import { registry } from '$core/registry';
import type { Switch } from '$preview/messages';
import type { Stored } from '$lib/store/projects';
import { Saver } from './saver.svelte';

export const VIEWS = ['Fill', 'Behaviour', 'States', 'Fallbacks'] as const;
export type View = (typeof VIEWS)[number];
export const WIDTH_LEAST = 280;
export const WIDTH_MOST = 1920;

export interface Picked {
  readonly node: NodeId;
  readonly part: string;
  readonly item: NodeId | null;
}

export interface OutlineRow {
  readonly id: NodeId;
  readonly node: Node;
  readonly depth: number;
  readonly isParent: boolean;
}

export interface Message {
  readonly kind: 'error' | 'info';
  readonly text: string;
}

/** Everything one open project's workbench knows. The interface reads it and calls its methods; only `dispatch` writes the project. */
export class Workbench {
  project = $state.raw<Project>() as Project;
  history = $state.raw<History>(NO_HISTORY);
  blobs = $state.raw<ReadonlyMap<AssetId, Blob>>(new Map());
  pageId = $state() as PageId;
  selected = $state.raw<readonly NodeId[]>([]);
  part = $state('root');
  view = $state<View>('States');
  /** Condition that edits of the state sheet go to. */
  at = $state<Extract<ConditionName, 'always' | 'medium' | 'narrow'>>('always');
  width = $state(1120);
  mode = $state<'select' | 'try'>('select');
  switches = $state.raw<readonly Switch[]>([]);
  open = $state<'insert' | 'search' | 'export' | 'findings' | 'keys' | null>(null);
  editing = $state<NodeId | null>(null);
  renaming = $state<NodeId | null>(null);
  message = $state.raw<Message | null>(null);
  sheetHeight = $state(318);
  collapsed = $state.raw<ReadonlySet<NodeId>>(new Set());
  /** Up to date a moment after the hand rests; an edit never waits for it. */
  findings = $state.raw<readonly Finding[]>([]);
  readonly saver = new Saver();
  readonly registry = registry;

  page = $derived.by(() => pageOf(this.project, this.pageId));
  /** The node the tuning sheet is about; the page itself where nothing is selected. */
  current = $derived.by((): Node => {
    const id = this.selected.at(-1);
    return id && this.project.nodes[id] ? this.project.nodes[id]! : nodeOf(this.project, this.page.root);
  });
  /** The node that draws the current one: its owner for an item, else itself. */
  drawn = $derived.by((): Node => {
    if (registry.kindOf(this.current.kind).markup) return this.current;
    return nodeOf(this.project, maybePlaceOf(this.project, this.current.id)!.parent);
  });
  kind = $derived.by(() => registry.kindOf(this.drawn.kind));
  currentPart = $derived.by(() => (this.part in this.kind.anatomy ? this.part : 'root'));
  picked = $derived.by((): Picked => ({ node: this.drawn.id, part: this.currentPart, item: this.drawn === this.current ? null : this.current.id }));

  constructor({ project, history, blobs }: Stored) {
    this.project = project;
    this.history = history;
    this.blobs = blobs;
    this.pageId = project.info.pageOrder[0]!;
    this.findings = runFindings(registry, project);
  }

  #findingsTimer: ReturnType<typeof setTimeout> | undefined;

  #changed(): void {
    clearTimeout(this.#findingsTimer);
    this.#findingsTimer = setTimeout(() => requestIdleCallback(() => (this.findings = runFindings(registry, this.project)), { timeout: 1000 }), 250);
    this.#keepSelection();
  }

  /** @returns null where the command may run. */
  refusal(command: Command): Refusal | null {
    return refusalOf(registry, this.project, command);
  }

  /**
   * Runs a command and sends it to disk. A refusal is shown and given back.
   * @param mergeKey steps in a row with the same key are undone as one.
   */
  dispatch(command: Command, mergeKey: string | null = null, blobs: ReadonlyMap<AssetId, Blob> = new Map()): Refusal | null {
    const from = performance.now();
    const outcome = apply(registry, this.project, command);
    performance.measure('kymation dispatch', { start: from });
    performance.clearMeasures('kymation dispatch');
    if (!outcome.ok) {
      this.message = { kind: 'error', text: outcome.refusal.sentence };
      return outcome.refusal;
    }
    if (this.message?.kind === 'error') this.message = null;
    if (!outcome.diff) return null;
    this.project = outcome.project;
    this.history = recorded(this.history, { diff: outcome.diff, label: outcome.label, mergeKey });
    if (blobs.size > 0) this.blobs = new Map([...this.blobs, ...blobs]);
    this.saver.add(this.project, [{ op: 'do', diff: outcome.diff, label: outcome.label, mergeKey }], blobs);
    this.#changed();
    return null;
  }

  undo(): void {
    this.#turn(undone(this.project, this.history), 'undo');
  }

  redo(): void {
    this.#turn(redone(this.project, this.history), 'redo');
  }

  #turn(turned: Turned | null, op: 'undo' | 'redo'): void {
    if (!turned) return;
    this.project = turned.project;
    this.history = turned.history;
    this.saver.add(turned.project, turned.diffs.map((diff) => ({ op, diff, label: turned.label, mergeKey: null })));
    this.message = { kind: 'info', text: `${op === 'undo' ? 'Undone' : 'Redone'}: ${turned.label}` };
    this.#changed();
  }

  #keepSelection(): void {
    if (!this.project.pages[this.pageId]) this.pageId = this.project.info.pageOrder[0]!;
    const kept = this.selected.filter((id) => this.project.nodes[id]);
    if (kept.length < this.selected.length) this.selected = kept;
    if (this.editing && !this.project.nodes[this.editing]) this.editing = null;
  }

  select(ids: readonly NodeId[], part?: string): void {
    const last = ids.at(-1);
    if (last) {
      const page = maybePageOf(this.project, last);
      if (page) this.pageId = page.id;
      const above = pathTo(this.project, last).slice(0, -1);
      if (above.some((id) => this.collapsed.has(id))) this.collapsed = new Set([...this.collapsed].filter((id) => !above.includes(id)));
    }
    const before = this.drawn.kind;
    this.selected = ids;
    if (part) this.part = part;
    else if (this.drawn.kind !== before || this.drawn !== this.current) this.part = this.drawn === this.current ? 'root' : (this.kind.slots[maybePlaceOf(this.project, this.current.id)!.slot]?.part ?? 'root');
    if (this.editing && this.editing !== last) this.editing = null;
  }

  /** Where something new of this kind would stand: in the selection, after it, or after what is around it; null for nowhere. */
  placeFor(kindName: string): Place | null {
    const kind = registry.kindOf(kindName);
    let id: NodeId | null = this.current.id;
    let after: Place | null = null;
    while (id) {
      const node: Node = nodeOf(this.project, id);
      for (const [slot, { accepts }] of Object.entries(registry.kindOf(node.kind).slots)) {
        if (!accepts.includes(kind.category)) continue;
        const isAround = after && after.parent === id && after.slot === slot;
        return { parent: id, slot, index: isAround ? after!.index + 1 : (node.slots[slot] ?? []).length };
      }
      after = maybePlaceOf(this.project, id);
      id = after?.parent ?? null;
    }
    return null;
  }

  /** Pieces of the page in the order the outline shows them, without what is folded away. */
  visibleRows(): OutlineRow[] {
    const found: OutlineRow[] = [];
    const { nodes } = this.project;
    const walk = (id: NodeId, depth: number) => {
      const node = nodes[id]!;
      const children = childIds(node);
      found.push({ id, node, depth, isParent: children.length > 0 });
      if (!this.collapsed.has(id)) for (const child of children) walk(child, depth + 1);
    };
    for (const id of childIds(nodeOf(this.project, this.page.root))) walk(id, 0);
    return found;
  }

  toggleSwitch(name: Switch): void {
    this.switches = this.switches.includes(name) ? this.switches.filter((each) => each !== name) : [...this.switches, name];
  }
}

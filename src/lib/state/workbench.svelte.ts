import { NO_FACTS, type Facts, type Finding } from '$core/kinds/finding';
import type { LookAt } from '$core/commands/looks';
import type { Command } from '$core/commands/commands';
import type { Refusal } from '$core/commands/define';
import {
  movedTo,
  NO_HISTORY,
  recorded,
  redone,
  undone,
  type History,
  type Turned
} from '$core/commands/history';
import { migratedProject } from '$core/formats/migrate';
import { diffOf, patched } from '$core/project/diff';
import { restoreCommands } from '$core/commands/restore';
import { splitAside } from '$core/kinds/finding';
import { placeApart, placeFor, type FoundPlace, type Looking } from '$core/kinds/place';
import { placeOnPage } from '$core/kinds/place-on-page';
import { nearestLeft } from '$core/project/nearest';
import { maybeLinked } from '$core/project/shelf';
import { fragmentOf, maybePageOf, maybePlaceOf, nodeOf, pageAsked, pageOf, pathTo } from '$core/project/tree';
import type { AssetId, ConditionName, Fragment, Node, NodeId, PageId, Project } from '$core/project/types';
import { registry } from '$core/registry';
import { readBlobs, readHistory, type Stored } from '$lib/store/projects';
import type { PanelName } from '$lib/workbench/panels';
import { FindingsWatch } from './findings.svelte';
import { OutlineState } from './outline.svelte';
import { Devices } from './devices.svelte';
import { PreviewState } from './preview.svelte';
import { sideWidth } from './remembered';
import { Saver } from './saver.svelte';
import type { Tools } from './tools';
import { TypedAhead } from './typed-ahead';

export const VIEWS = ['Fill', 'Behaviour', 'States', 'Timing', 'Scroll', 'Fallbacks', 'Widths'] as const;
export type View = (typeof VIEWS)[number];
const REST_MS = 140;

/** Whether two measurements say the same of one fact. */
function isSameFact(one: Facts, other: Facts, name: keyof Facts): boolean {
  const [before, after] = [
    one[name] as ReadonlyMap<unknown, unknown>,
    other[name] as ReadonlyMap<unknown, unknown>
  ];
  if (before === after || before.size !== after.size) return before === after;
  return [...after].every(
    ([key, value]) => JSON.stringify(plain(before.get(key))) === JSON.stringify(plain(value))
  );
}

/** Maps by width hold maps. */
const plain = (value: unknown): unknown =>
  value instanceof Map ? [...(value as Map<unknown, unknown>)] : value;

export interface Picked {
  readonly node: NodeId;
  readonly part: string;
  readonly item: NodeId | null;
}

export interface Message {
  readonly kind: 'error' | 'info';
  readonly text: string;
  /** What can be done about it. */
  readonly act?: { readonly label: string; readonly run: () => void };
}

/** Before the tools have come nothing can be changed; the interface takes no hand until then. */
const NOT_YET: Refusal = {
  code: 'not-yet',
  sentence: 'The tools are still coming. Try again in a moment.'
};

/**
 * Everything one open project's workbench knows. The interface reads it and calls its methods; only
 * `dispatch` writes the project.
 */
export class Workbench {
  project = $state.raw<Project>() as Project;
  history = $state.raw<History>(NO_HISTORY);
  blobs = $state.raw<ReadonlyMap<AssetId, Blob>>(new Map());
  pageId = $state() as PageId;
  selected = $state.raw<readonly NodeId[]>([]);
  part = $state('root');
  view = $state<View>('States');
  /** Condition that edits of the state sheet and of timing go to. */
  at = $state<ConditionName>('always');
  /** What is open beside or over the page. */
  open = $state<PanelName | 'insert' | null>(null);
  /** A project shown in place of the real one: what a fix would do, before it is applied. */
  trial = $state.raw<{ readonly project: Project; readonly label: string } | null>(null);
  /** A state of the project kept to play beside the present one. */
  kept = $state.raw<{ readonly project: Project; readonly label: string } | null>(null);
  /** A copied look, of a part or of one state of it. */
  look = $state.raw<LookAt | null>(null);
  /** What was measured in the preview. */
  facts = $state.raw<Facts>(NO_FACTS);
  editing = $state<NodeId | null>(null);
  renaming = $state<NodeId | null>(null);
  readonly devices = new Devices();
  /** The piece whose lists are changed together; null where each is changed alone. */
  together = $state<NodeId | null>(null);
  message = $state.raw<Message | null>(null);
  /** Long work that goes on beside the hand. */
  progress = $state.raw<{
    readonly words: string;
    readonly done: number;
    readonly of: number;
    readonly stop: () => void;
  } | null>(null);
  sheetHeight = $state(318);
  /** Width of the panel beside the page, px. */
  sideWidth = $state(sideWidth());
  /** How the page is looked at. */
  readonly preview = new PreviewState();
  /** What the outline shows. */
  readonly outline = new OutlineState(this);
  /** Up to date a moment after the hand rests; an edit never waits for it. */
  readonly findingsWatch = new FindingsWatch();
  readonly typedAhead = new TypedAhead();
  /** Why findings are set aside, by what they are remembered by. */
  asides = $derived.by(() => this.project.info.aside);
  split = $derived.by(() => splitAside(this.findingsWatch.all, this.asides));
  findings = $derived.by((): readonly Finding[] => this.split.open);
  readonly saver: Saver;
  readonly registry = registry;
  /** What changes the project; null until the page is on show. */
  tools = $state.raw<Tools | null>(null);

  page = $derived.by(() => pageOf(this.project, this.pageId));
  /** The node the tuning sheet is about; the page itself where nothing is selected. */
  current = $derived.by((): Node => {
    const id = this.selected.at(-1);
    return id && this.project.nodes[id] ? this.project.nodes[id]! : nodeOf(this.project, this.page.root);
  });
  /** The node the sheet tunes, which draws the current one: its owner for an item, else itself. */
  tuned = $derived.by((): Node => {
    const up = pathTo(this.project, this.current.id).toReversed();
    const drawing = up.find((id) => registry.of(nodeOf(this.project, id)).markup !== null)!;
    return nodeOf(this.project, drawing);
  });
  kind = $derived.by(() => registry.of(this.tuned));
  currentPart = $derived.by(() => (Object.hasOwn(this.kind.anatomy, this.part) ? this.part : 'root'));
  /** The shelf's piece that the current one or something around it follows. */
  linked = $derived.by(() => maybeLinked(this.project, pathTo(this.project, this.current.id)));
  picked = $derived.by((): Picked => ({
    node: this.tuned.id,
    part: this.currentPart,
    item: this.tuned === this.current ? null : this.current.id
  }));

  /** @param page what is shown first; the first page where null, or where it is gone. */
  constructor({ project, history, blobs, seq }: Stored, page: string | null) {
    this.saver = new Saver({ project, seq }, (merged) => void this.#merge(merged));
    this.project = project;
    this.rested = project;
    this.history = history;
    this.blobs = blobs;
    this.pageId = pageAsked(project, page).id;
  }

  /** The project as it was when the hand last rested: for what need not follow every step of a drag. */
  rested = $state.raw<Project>() as Project;
  #restTimer: ReturnType<typeof setTimeout> | undefined;

  readonly #watchers = new Set<(project: Project) => void>();

  /**
   * Hears of every change before the interface draws itself anew, so that the preview never waits for that.
   * @returns what stops it.
   */
  watch(watcher: (project: Project) => void): () => void {
    this.#watchers.add(watcher);
    return () => this.#watchers.delete(watcher);
  }

  /** @param measured those that were measured anew; the others stay as they are. */
  takeFacts(measured: Partial<Facts>): void {
    const next = { ...this.facts, ...measured };
    const isSame = Object.keys(next).every((name) => isSameFact(this.facts, next, name as keyof Facts));
    if (isSame) return;
    this.facts = next;
    this.findingsWatch.ask(this.project, next);
  }

  #changed(): void {
    // Nothing may ask about a piece that is gone, so what is picked comes first.
    this.#keepSelection();
    this.#watchers.forEach((watcher) => watcher(this.project));
    clearTimeout(this.#restTimer);
    this.#restTimer = setTimeout(() => (this.rested = this.project), REST_MS);
    // What was found over all widths was found of another page; the view of it sweeps anew.
    if (this.facts.sweeps.size > 0) this.facts = { ...this.facts, sweeps: new Map() };
    this.findingsWatch.ask(this.project, this.facts);
  }

  /** Sets and tunes a piece as it was in another state of the project, as one step. */
  restore(from: Project, id: NodeId): void {
    const [now, then] = [this.project.nodes[id], from.nodes[id]];
    if (!now || !then) return;
    this.dispatch({
      type: 'batch',
      label: `Take the kept setting of ${now.name}`,
      commands: restoreCommands(now, then)
    });
  }

  /** @returns null where the command may run. */
  refusal(command: Command): Refusal | null {
    return this.tools ? this.tools.refusalOf(registry, this.project, command) : NOT_YET;
  }

  /**
   * Runs a command and sends it to disk. A refusal is shown and given back.
   * @param mergeKey steps in a row with the same key are undone as one.
   */
  dispatch(
    command: Command,
    mergeKey: string | null = null,
    blobs: ReadonlyMap<AssetId, Blob> = new Map()
  ): Refusal | null {
    const from = performance.now();
    if (!this.tools) return NOT_YET;
    const outcome = this.tools.apply(registry, this.project, command);
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
    this.saver.add(
      [{ op: 'do', diff: outcome.diff, label: outcome.label, mergeKey, after: this.project }],
      blobs
    );
    this.#changed();
    return null;
  }

  /** Another window's edits have come in; what stands in the log is now the history of both. */
  async #merge(project: Project): Promise<void> {
    const before = this.project;
    const picked = this.current;
    this.project = project;
    this.#changed();
    if (before.nodes[picked.id] && !project.nodes[picked.id]) this.#tellGone(before, picked);
    const [history, blobs] = await Promise.all([readHistory(project.id), readBlobs(project.id)]);
    this.history = history;
    this.blobs = new Map([...this.blobs, ...blobs]);
  }

  /** The piece that was being worked on was deleted elsewhere: said, and brought back if asked. */
  #tellGone(before: Project, { id, name }: Node): void {
    const lost = [...pathTo(before, id)].find((each) => !this.project.nodes[each]) ?? id;
    const bring = (): void => {
      const was = maybePlaceOf(before, lost);
      const isThere = was !== null && this.project.nodes[was.parent] !== undefined;
      const at = isThere ? was : this.findPlace(nodeOf(before, lost).kind)?.at;
      if (at && !this.dispatch({ type: 'insert', fragment: fragmentOf(before, lost), at })) this.select([id]);
    };
    this.message = {
      kind: 'info',
      text: `${name} was deleted in another window.`,
      act: { label: 'Bring it back', run: bring }
    };
  }

  /** Goes to any point of the history: so many steps done. */
  goTo(length: number): void {
    const isBack = length < this.history.past.length;
    this.#turn(movedTo(this.project, this.history, length), isBack ? 'undo' : 'redo');
  }

  /** Takes the project back to a kept version, as one step that can be undone. */
  goToVersion({ name, document }: { readonly name: string; readonly document: Project }): void {
    const then = { ...migratedProject(registry, document), id: this.project.id };
    const diff = diffOf(this.project, then);
    if (!diff) return void (this.message = { kind: 'info', text: `This is ${name} already` });
    const label = `Go back to ${name}`;
    this.project = patched(this.project, diff);
    this.history = recorded(this.history, { diff, label, mergeKey: null });
    this.saver.add([{ op: 'do', diff, label, mergeKey: null, after: this.project }]);
    this.message = { kind: 'info', text: `Back at ${name}. Ctrl Z takes that back.` };
    this.#changed();
  }

  undo(): void {
    this.#turn(undone(this.project, this.history), 'undo');
  }

  redo(): void {
    this.#turn(redone(this.project, this.history), 'redo');
  }

  #turn(turned: Turned | null, op: 'undo' | 'redo'): void {
    if (!turned) return;
    const [before, picked] = [this.project, this.selected.at(-1)];
    this.project = turned.project;
    this.history = turned.history;
    this.saver.add(turned.diffs.map((diff) => ({ op, diff, label: turned.label, mergeKey: null })));
    this.message = { kind: 'info', text: `${op === 'undo' ? 'Undone' : 'Redone'}: ${turned.label}` };
    this.#changed();
    if (picked && this.selected.length === 0) this.#goOnNear(before, picked);
  }

  /** What was picked went with the step: the hand goes on beside it, and not at the page as a whole. */
  #goOnNear(before: Project, gone: NodeId): void {
    const near = nearestLeft(before, this.project, gone);
    if (near) this.selected = [near];
  }

  #keepSelection(): void {
    this.pageId = pageAsked(this.project, this.pageId).id;
    const kept = this.selected.filter((id) => this.project.nodes[id]);
    if (kept.length < this.selected.length) this.selected = kept;
    const isGone = (id: NodeId | null | undefined) => id != null && !this.project.nodes[id];
    if (isGone(this.editing)) this.editing = null;
    if (isGone(this.renaming)) this.renaming = null;
    if (isGone(this.preview.inSight)) this.preview.inSight = null;
    if (isGone(this.preview.overlaps?.node)) this.preview.overlaps = null;
    if (isGone(this.look?.id)) this.look = null;
    // What a fix would do to a project that is no longer this one is not worth looking at.
    if (this.trial) this.trial = null;
  }

  select(ids: readonly NodeId[], part?: string): void {
    const last = ids.at(-1);
    if (last) {
      const page = maybePageOf(this.project, last);
      if (page) this.pageId = page.id;
      this.outline.unfold(pathTo(this.project, last).slice(0, -1));
    }
    const before = this.tuned.kind;
    if (last !== this.selected.at(-1)) {
      this.preview.forced = null;
      // What was told of the last step is read by now; what offers something to do stays.
      if (this.message?.kind === 'info' && !this.message.act) this.message = null;
    }
    this.selected = ids;
    if (part) this.part = part;
    else if (this.tuned.kind !== before || this.tuned !== this.current) this.part = this.#usualPart();
    if (this.editing && this.editing !== last) this.editing = null;
  }

  /** The part that is tuned when nothing else is said: of an item, the one that is drawn for it. */
  #usualPart(): string {
    if (this.tuned === this.current) return 'root';
    const { parent, slot } = maybePlaceOf(this.project, this.current.id)!;
    return registry.of(nodeOf(this.project, parent)).slots[slot]?.part ?? 'root';
  }

  /**
   * Where something new of this kind would go, and what has to be put around it first; null for what never
   * stands by itself.
   */
  findPlace(kind: string): FoundPlace | null {
    return placeFor(registry, this.project, kind, this.#looking());
  }

  /** Where these pieces would go by what they are, as `findPlace` does for one of a kind. */
  findPlaceOf(fragment: Fragment): FoundPlace | null {
    return placeOnPage(registry, this.project, fragment, this.#looking());
  }

  /** Where they would have a section to themselves instead; null where they have one anyway. */
  findPlaceApart(fragment: Fragment): FoundPlace | null {
    const found = this.findPlaceOf(fragment);
    return found && placeApart(registry, this.project, nodeOf(fragment, fragment.root).kind, found);
  }

  #looking(): Looking {
    return { current: this.current.id, page: this.page.root, inSight: this.preview.inSight };
  }
}

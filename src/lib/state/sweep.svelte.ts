import { tick } from 'svelte';
import type { Ask } from '$core/facts/fact';
import type { Sights } from '$core/facts/sights';
import { registry } from '$core/registry';
import { expanded } from '$core/rows/rows';
import { overHeights, type Seen } from '$core/sweep/heights';
import { firstSeedsOf, halvesOf, restOf, seedsOf } from '$core/sweep/halving';
import { asksAtWidth, seenAtWidth, shapeAtWidth } from '$core/layout/at-width';
import { worstOfEach } from '$core/sweep/merging';
import { edgesOf, lanesOf, renewedLanes, worstFirst, type Lane } from '$core/sweep/runs';
import { laneKindOf } from '$core/sweep/lanes';
import { SWEEP_FROM, SWEEP_TO } from '$core/sweep/span';
import { maybeSectionOf, sectionsOf } from '$core/sweep/touched';
import type { Trial } from '$core/sweep/trials';
import { subtreeIds } from '$core/project/tree';
import type { NodeId, PageId, Project } from '$core/project/types';
import type { Measured, ToFrame } from '$preview/messages';
import { Patience } from './patience';
import type { Workbench } from './workbench.svelte';

/** Heights of the window in which all widths can be tried, px: a low laptop, the usual, a tall screen. */
export const SWEPT_HEIGHTS = [560, 800, 1200] as const;
/** One of them, or all: then each width is laid out at every height. */
export type HeightChoice = (typeof SWEPT_HEIGHTS)[number] | 'all';
const USUAL = 800;

/** A page that is swept: as it is in that state of the project, with those texts. */
export interface Target {
  readonly project: Project;
  readonly page: PageId;
  readonly texts: Trial;
  readonly height: HeightChoice;
}

/** What was found over all widths. */
export interface Swept extends Target {
  readonly lanes: readonly Lane[];
  readonly layouts: number;
  readonly ms: number;
}

const heightsOf = ({ height }: Target): readonly number[] => (height === 'all' ? SWEPT_HEIGHTS : [height]);

const keyOf = ({ project, page, texts, height }: Target): string =>
  `${project.id} ${page} ${texts} ${height}`;

/** Texts that were tried stay in a frame, so each of their sweeps has its own; others change what is different. */
const frameOf = (target: Target): string | Target => (target.texts === 'own' ? target.page : target);

const bandEdges = ({ info: { bands } }: Project): readonly number[] =>
  [bands.narrow, bands.medium].flatMap((px) => [px, px + 1]);

const rootOf = ({ project, page }: Pick<Target, 'project' | 'page'>): NodeId => project.pages[page]!.root;

const isOf = (swept: Swept | null, target: Target): boolean =>
  swept !== null && swept.project === target.project && keyOf(swept) === keyOf(target);

/** Where pieces stand on a page, from its top. */
function placesOn(target: Target): (node: string) => number {
  const ids: readonly string[] = subtreeIds(target.project, rootOf(target));
  const places = new Map(ids.map((id, i) => [id, i]));
  return (node) => places.get(node) ?? 0;
}

/** The last sweeps in this window, by what was swept and how: they are there again when one comes back. */
const remembered = new Map<string, Swept>();

interface Progress {
  readonly layouts: number;
  readonly width: number;
}
/** Between two times that progress is told, ms. */
const TELLS_EVERY = 150;

/** Lays a page out at all widths, in a frame out of sight that takes one after the other. */
export class Sweep {
  /** The width that is looked at, px; null where nothing is swept. */
  width = $state.raw<number | null>(null);
  /** The width of the frame, px: it keeps its last one. */
  wide = $state.raw<number>(SWEEP_TO);
  /** The height it should have, px. */
  tall = $state.raw<number>(USUAL);
  /** What the frame shows. */
  target = $state.raw<Target | null>(null);
  /** How many widths have been looked at, and which is next, px; told now and then, since telling costs as much. */
  progress = $state.raw<Progress>({ layouts: 0, width: SWEEP_FROM });
  /** Whether the frame can stand where nothing of it is drawn; what it is to show comes only while it could be seen. */
  isAway = $state(false);
  /** What was found of the page as it is, and of it with a fix that is only looked at. */
  result = $state.raw<Swept | null>(null);
  tried = $state.raw<Swept | null>(null);
  texts = $state<Trial>('own');
  height = $state<HeightChoice>(USUAL);
  /** Whether the page never came to stand at a width. */
  isLost = $state(false);
  /** The state of the page of which all is known, and the sections edited since; null: all of it may be otherwise. */
  #base: Project | null = null;
  #edited: ReadonlySet<NodeId> | null = null;
  /** Sections that are looked at, and lanes of the others, which stay; null for the whole page. */
  #anew: { readonly sections: ReadonlySet<NodeId>; readonly before: readonly Lane[] } | null = null;
  #asks: readonly Ask[] = [];
  #due: readonly number[] = [];
  /** Widths to look at once there is a first answer. */
  #rest: readonly number[] = [];
  /** Whether the page is swept with a fix that is only looked at. */
  #isOfTrial = false;
  #samples = new Map<number, readonly Seen[]>();
  /** How large the words were at each width, at all heights of the window. */
  #shapes = new Map<number, string>();
  /** What was seen at this width so far, by the height of the window. */
  #byHeight = new Map<number, Sights>();
  #from = 0;
  #toldAt = 0;
  readonly #patience = new Patience();
  /** Whether the frame was asked what is seen at this width, or will be in a moment. */
  #isAsked = false;
  /** Whether the frame shows the target. */
  #isDrawn = false;
  /** The last target the frame has shown; null before its first. */
  #inFrame: Target | null = null;
  #send: ((message: ToFrame) => void) | null = null;
  /** Has the frame take its new width at once. */
  #reflow: () => void = () => {};

  constructor(private readonly bench: () => Workbench) {}

  /** The page as it is, or with the fix that is looked at. */
  wanted(): Target {
    const { project, trial, pageId } = this.bench();
    return { project: trial?.project ?? project, page: pageId, texts: this.texts, height: this.height };
  }

  /** Takes up what is known of the page. @returns whether it has to be swept anew. */
  takeUp(): boolean {
    const wanted = this.wanted();
    const isTrial = this.bench().trial !== null;
    if (this.target && this.target.project !== wanted.project) this.cancel();
    this.result = remembered.get(keyOf(wanted)) ?? null;
    if (!isTrial) {
      this.tried = null;
      this.#tell();
    }
    return !isOf(isTrial ? this.tried : this.result, wanted);
  }

  /** Whether what is told is of another state of the page. */
  get isStale(): boolean {
    const { project } = this.bench();
    return !isOf(this.result, { ...this.wanted(), project });
  }

  /** Sweeps the page, or of one that was swept before the sections that were edited since. */
  begin(): void {
    this.cancel();
    const target = this.wanted();
    if (frameOf(target) !== this.frame) this.#base = null;
    this.#isDrawn = frameOf(target) === this.frame && this.#inFrame?.project === target.project;
    // A frame that was drawn before is laid out wherever it is; pictures of a new one come only while it is in sight.
    this.isAway = frameOf(target) === this.frame && this.#inFrame !== null;
    this.target = target;
    this.#isOfTrial = this.bench().trial !== null;
    this.#from = performance.now();
    this.isLost = false;
    this.progress = { layouts: 0, width: SWEEP_FROM };
    this.#toldAt = this.#from;
    this.#plan(target);
    void this.#next();
  }

  /** What is looked at, and at which widths first: what was found before says where. */
  #plan(target: Target): void {
    const { project } = target;
    const before = remembered.get(keyOf(target));
    const sections = before?.project === this.#base && this.#edited?.size ? this.#edited : null;
    this.#anew = sections && { sections, before: before!.lanes };
    this.#asks = asksAtWidth(registry, project, rootOf(target), target.texts, sections);
    this.#samples = new Map();
    this.#shapes = new Map();
    const known = [...bandEdges(project), ...this.#fits()];
    this.#due = firstSeedsOf([...known, ...this.#edgesIn(before)]);
    this.#rest = seedsOf(known);
  }

  /** Widths from which rows fit that are looked at, px. */
  #fits(): readonly number[] {
    const fits = [...this.bench().facts.fits];
    return fits.flatMap(([node, { from }]) => (from && this.#isAnew(node) ? [from] : []));
  }

  /** Where something that is looked at changed before, px. */
  #edgesIn(before: Swept | undefined): readonly number[] {
    const isLooked = ({ what, node }: Lane) => !laneKindOf(what).isLocal || this.#isAnew(node);
    return edgesOf((before?.lanes ?? []).filter(isLooked));
  }

  /** Whether a piece stands where the page is looked at; one that is gone is not. */
  #isAnew(node: string): boolean {
    if (!this.#anew) return true;
    const root = rootOf(this.target!);
    const section = maybeSectionOf(this.target!.project, root, node as NodeId);
    return section ? this.#anew.sections.has(section) : node !== root;
  }

  /** The frame gets what an edit changed. @param touched nodes that are otherwise; null where all may be. */
  edited(touched: readonly NodeId[] | null): void {
    const { target } = this;
    if (!target) return;
    const { project } = expanded(registry, target.project);
    const sections = touched && sectionsOf(project, rootOf(target), touched);
    this.#edited = sections && this.#edited && new Set([...this.#edited, ...sections]);
    if (this.width !== null) this.#plan(target);
  }

  cancel(): void {
    this.width = null;
    this.#due = [];
    this.#rest = [];
  }

  /** Which frame shows the target: another one means a new frame. */
  get frame(): string | Target | null {
    return this.target && frameOf(this.target);
  }

  /** A new frame listens; it shows nothing yet. */
  connect(send: (message: ToFrame) => void, reflow: () => void): void {
    this.#send = send;
    this.#reflow = reflow;
    this.#inFrame = null;
    this.#isDrawn = false;
    this.#base = null;
  }

  /** The page in the frame is as it was asked for; before that there is nothing to see on it. */
  drawn(): void {
    this.#isDrawn = true;
    this.#inFrame = this.target;
    this.#askOnce();
  }

  /** What an edit changed is on its way to a page that was drawn before: it need not be drawn again to be laid out. */
  sent(): void {
    if (this.#inFrame) this.drawn();
  }

  /** The frame shows the target as it is: what was edited stands elsewhere, and what was found still holds. */
  unchanged(): void {
    const { target } = this;
    // A page that is swept again as it is has been drawn before.
    if (!target || this.#isDrawn) return;
    const before = remembered.get(keyOf(target));
    const holds = before !== undefined && before.project === this.#inFrame?.project && !this.#isOfTrial;
    this.#isDrawn = true;
    this.#inFrame = target;
    if (!holds) return this.#askOnce();
    this.cancel();
    this.#keep({ ...before, ...target });
  }

  async #next(): Promise<void> {
    if (this.#due.length === 0) this.#due = halvesOf(this.#samples);
    if (this.#due.length === 0) this.#answerFirst();
    this.#patience.renew();
    const [width] = this.#due;
    if (width === undefined) return this.#finish();
    this.width = width;
    this.wide = width;
    this.#byHeight = new Map();
    await this.#askAt(heightsOf(this.target!)[0]!);
  }

  async #askAt(height: number): Promise<void> {
    this.tall = height;
    // The page is asked once it has its size, and not by the edit that is sent meanwhile.
    this.#isAsked = true;
    await tick();
    this.#reflow();
    this.#ask();
  }

  /** Shows what is known so far, once; then looks at the rest. */
  #answerFirst(): void {
    if (this.#rest.length === 0) return;
    this.#show(this.#swept());
    performance.measure('kymation sweep, first answer', { start: this.#from });
    this.#due = restOf(this.#rest, this.#shapes);
    this.#rest = [];
  }

  #lanes(): readonly Lane[] {
    const found = lanesOf(this.#samples);
    const all = this.#anew ? renewedLanes(this.#anew.before, found, (node) => this.#isAnew(node)) : found;
    return worstFirst(all, placesOn(this.target!));
  }

  #swept(): Swept {
    return {
      ...this.target!,
      lanes: this.#lanes(),
      layouts: this.#samples.size * heightsOf(this.target!).length,
      ms: performance.now() - this.#from
    };
  }

  /** What was found of a fix that nobody looks at any more is of no page there is. */
  #show(swept: Swept): void {
    if (!this.#isOfTrial) this.result = swept;
    else if (swept.project === this.bench().trial?.project) this.tried = swept;
  }

  #finish(): void {
    this.cancel();
    performance.measure('kymation sweep, all', { start: this.#from });
    this.#keep(this.#swept());
  }

  #keep(swept: Swept): void {
    this.#show(swept);
    if (!this.#isOfTrial) {
      remembered.set(keyOf(swept), swept);
      this.#base = swept.project;
      this.#edited = new Set();
    }
    this.takeUp();
  }

  /** Tells the rules what was found of the page with its own texts, as long as it is as it was. */
  #tell(): void {
    const { project, pageId, page } = this.bench();
    const usual: Target = { project, page: pageId, texts: 'own', height: USUAL };
    const own = remembered.get(keyOf(usual)) ?? null;
    const isFresh = isOf(own, usual);
    this.bench().takeFacts({ sweeps: new Map(isFresh ? [[page.root, own!.lanes]] : []) });
  }

  #askOnce(): void {
    if (!this.#isAsked) this.#ask();
  }

  #ask(): void {
    this.#isAsked = this.target !== null && this.#isDrawn && this.width !== null;
    if (!this.#isAsked) return;
    this.#send?.({ type: 'measure', asks: [...this.#asks] });
  }

  take({ viewport, window, found }: Measured): void {
    const { width, tall } = this;
    // What is still on its way from before an edit is of another page.
    if (width === null || !this.#isDrawn) return;
    const sights = seenAtWidth(registry, this.target!.project, found, width);
    if (viewport !== width || window !== tall || !sights) return this.#wait();
    this.isAway = true;
    this.#byHeight.set(tall, this.#ofTemplates(sights));
    this.#shapes.set(width, [this.#shapes.get(width), shapeAtWidth(found)].join());
    const higher = heightsOf(this.target!).find((px) => !this.#byHeight.has(px));
    if (higher !== undefined) return void this.#askAt(higher);
    this.#samples.set(width, overHeights(this.#byHeight));
    this.#tellProgress(width);
    this.#due = this.#due.slice(1).filter((px) => !this.#samples.has(px));
    void this.#next();
  }

  #tellProgress(width: number): void {
    const now = performance.now();
    if (now - this.#toldAt < TELLS_EVERY) return;
    this.#toldAt = now;
    this.progress = { layouts: this.#samples.size, width };
  }

  #ofTemplates(sights: Sights): Sights {
    const { templateOf } = expanded(registry, this.target!.project);
    return worstOfEach(sights, (node) => templateOf(node as NodeId));
  }

  #wait(): void {
    this.isAway = false;
    if (this.#patience.again(() => this.#ask())) return;
    this.isLost = true;
    this.cancel();
    // The next sweep begins with a frame of its own.
    this.target = null;
  }
}

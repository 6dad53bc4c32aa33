import { tick } from 'svelte';
import type { Sights } from '$core/facts/sights';
import { halvesOf, seedsOf } from '$core/sweep/halving';
import { edgesOf, lanesOf, type Lane } from '$core/sweep/runs';
import type { PageId, Project } from '$core/project/types';
import type { Measured, ToFrame } from '$preview/messages';
import type { Workbench } from './workbench.svelte';

/** Height of the window in which all widths are tried, px. */
export const SWEPT_HEIGHT = 800;
/** A page that never stands as it is asked for is left after so many frames. */
const WAITS_MOST = 600;

/** What was found over all widths of a page, as it was in that state of the project. */
export interface Swept {
  readonly project: Project;
  readonly page: PageId;
  readonly lanes: readonly Lane[];
  readonly layouts: number;
  readonly ms: number;
}

/** The last sweep of each page in this window: it is there again when one comes back to it. */
const remembered = new Map<PageId, Swept>();

/** Lays a page out at all widths, in a frame out of sight that takes one after the other. */
export class Sweep {
  /** The width the frame should have now, px; null where nothing is swept. */
  width = $state.raw<number | null>(null);
  /** Widths looked at so far. */
  layouts = $state(0);
  result = $state.raw<Swept | null>(null);
  /** Whether the page never came to stand at a width. */
  isLost = $state(false);
  #due: readonly number[] = [];
  #samples = new Map<number, Sights>();
  #project: Project | null = null;
  #page: PageId | null = null;
  #from = 0;
  #waits = 0;
  #isDrawn = false;
  #send: ((message: ToFrame) => void) | null = null;
  /** Has the frame take its new width at once. */
  #reflow: () => void = () => {};

  constructor(private readonly bench: () => Workbench) {
    this.result = remembered.get(bench().pageId) ?? null;
  }

  get isStale(): boolean {
    const { project, pageId } = this.bench();
    return this.result === null || this.result.project !== project || this.result.page !== pageId;
  }

  /** Sweeps the page as it stands now. What was found before says where to look first. */
  begin(): void {
    const { project, pageId, facts } = this.bench();
    const known = remembered.get(pageId);
    if (this.result?.page !== pageId) this.result = known ?? null;
    this.#project = project;
    this.#page = pageId;
    this.#samples = new Map();
    this.#from = performance.now();
    this.isLost = false;
    this.layouts = 0;
    const { narrow, medium } = project.info.bands;
    const fits = [...facts.fits.values()].flatMap(({ from }) => (from ? [from] : []));
    const bands = [narrow, medium].flatMap((px) => [px, px + 1]);
    this.#due = seedsOf([...bands, ...fits, ...edgesOf(known?.lanes ?? [])]);
    void this.#next();
  }

  /** Tells the rules what was found, as long as the page is as it was. */
  tell(): void {
    const { project, pageId, page } = this.bench();
    const { result } = this;
    const isFresh = result !== null && result.project === project && result.page === pageId;
    this.bench().takeFacts({ sweeps: new Map(isFresh ? [[page.root, result.lanes]] : []) });
  }

  cancel(): void {
    this.width = null;
    this.#due = [];
    this.#isDrawn = false;
  }

  connect(send: (message: ToFrame) => void, reflow: () => void): void {
    this.#send = send;
    this.#reflow = reflow;
  }

  /** The page in the frame is as it was asked for; before that there is nothing to see on it. */
  drawn(): void {
    this.#isDrawn = true;
    this.#ask();
  }

  async #next(): Promise<void> {
    if (this.#due.length === 0) this.#due = halvesOf(this.#samples);
    this.#waits = 0;
    const [width] = this.#due;
    if (width === undefined) return this.#finish();
    this.width = width;
    await tick();
    this.#reflow();
    this.#ask();
  }

  #finish(): void {
    this.cancel();
    const swept: Swept = {
      project: this.#project!,
      page: this.#page!,
      lanes: lanesOf(this.#samples),
      layouts: this.#samples.size,
      ms: performance.now() - this.#from
    };
    remembered.set(swept.page, swept);
    this.result = swept;
    this.tell();
  }

  #ask(): void {
    const root = this.#page && this.#project?.pages[this.#page]?.root;
    if (root && this.#isDrawn)
      this.#send?.({ type: 'measure', asks: [{ fact: 'sights', node: root, part: 'root' }] });
  }

  take({ viewport, found }: Measured): void {
    const { width } = this;
    if (width === null) return;
    const sights = found.find(({ fact }) => fact === 'sights');
    if (viewport !== width || !sights) return this.#wait();
    this.#samples.set(width, sights.value as Sights);
    this.layouts += 1;
    this.#due = this.#due.slice(1).filter((px) => !this.#samples.has(px));
    void this.#next();
  }

  #wait(): void {
    this.#waits += 1;
    if (this.#waits < WAITS_MOST) return void requestAnimationFrame(() => this.#ask());
    this.isLost = true;
    this.cancel();
  }
}

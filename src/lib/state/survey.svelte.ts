import { asksFor, moves } from '$core/kinds/asks';
import type { Box } from '$core/facts/box';
import { isRecoloured } from '$core/layout/recoloured';
import { subtreeIds } from '$core/project/tree';
import type { NodeId, PageId, Project } from '$core/project/types';
import { registry } from '$core/registry';
import type { Measured, ToFrame } from '$preview/messages';
import { Patience } from './patience';
import { WINDOWS, type InWindow, type Size } from './windows';
import type { Workbench } from './workbench.svelte';

/** A phone's width, px (common practice, no source). */
const PHONE = 390;
const WIDE = 1120;

/** One width in each band: what is asked of a page that is looked at in one of them only. */
export function widthsOf({ info }: Project): {
  readonly wide: number;
  readonly medium: number;
  readonly narrow: number;
} {
  const { medium, narrow } = info.bands;
  return { wide: Math.max(WIDE, medium + 1), medium, narrow: Math.min(PHONE, narrow) };
}

/** Height of the window in which widths of the bands are tried, px. */
const TRIED_HEIGHT = 800;

/** Where pieces stand at widths that are not on show: a frame out of sight takes one after the other. */
export class WidthSurvey {
  /** The window the frame should have now; null where there is nothing to find out. */
  size = $state.raw<Size | null>(null);
  #due: readonly Size[] = [];
  #found = new Map<number, ReadonlyMap<NodeId, Box>>();
  #inWindows: readonly InWindow[] = [];
  #project: Project | null = null;
  #page: PageId | null = null;
  #hasWindows = false;
  #send: ((message: ToFrame) => void) | null = null;
  readonly #patience = new Patience();

  constructor(private readonly bench: () => Workbench) {}

  /** Begins anew with the page as it stands now, unless it has been done. @param withWindows whether in all windows. */
  begin(withWindows: boolean): void {
    const { project, pageId } = this.bench();
    const isSame = pageId === this.#page && this.#project !== null && isRecoloured(this.#project, project);
    if (isSame && (this.#hasWindows || !withWindows)) return;
    this.#project = project;
    this.#page = pageId;
    this.#hasWindows = withWindows;
    this.#found = new Map();
    this.#inWindows = [];
    const bands = Object.entries(widthsOf(project)).map(([label, width]) => ({
      label,
      width,
      height: TRIED_HEIGHT
    }));
    const all = withWindows ? [...bands, ...WINDOWS] : bands;
    this.#due = this.#asks().length > 0 ? all : [];
    this.#next();
  }

  #asks() {
    const { project, page } = this.bench();
    const asks = asksFor(registry, project, subtreeIds(project, page.root)).filter(
      ({ fact }) => fact === 'box'
    );
    const doesSomething = ({ node }: { node: string }) => moves(registry.of(project.nodes[node as NodeId]!));
    // Sections alone are measured for the picture of the page, and say nothing of other widths.
    return asks.some(doesSomething) ? asks : [];
  }

  #next(): void {
    this.#patience.renew();
    this.size = this.#due[0] ?? null;
    if (this.size !== null) return this.#ask();
    this.bench().takeFacts({ elsewhere: this.#found });
    this.bench().preview.windows = this.#inWindows;
  }

  connect(send: (message: ToFrame) => void): void {
    this.#send = send;
    this.#ask();
  }

  #ask(): void {
    requestAnimationFrame(() => this.#askNow());
  }

  #askNow(): void {
    this.#send?.({ type: 'measure', asks: this.#asks() });
  }

  take({ viewport, window, page, found }: Measured): void {
    const { project, pageId } = this.bench();
    const { size } = this;
    if (size === null || !this.#project || pageId !== this.#page) return;
    if (!isRecoloured(this.#project, project)) return;
    const isReady = viewport === size.width && window === size.height && found.length > 0;
    // What still does not stand after a while is told as it is.
    if (!isReady && this.#patience.again(() => this.#askNow())) return;
    const boxes = new Map(found.map(({ node, value }) => [node as NodeId, value as Box]));
    if (WINDOWS.includes(size)) this.#inWindows = [...this.#inWindows, { ...size, page, boxes }];
    else this.#found.set(size.width, boxes);
    this.#due = this.#due.slice(1);
    this.#next();
  }
}

import { asksFor } from '$core/kinds/asks';
import type { Box } from '$core/facts/box';
import { subtreeIds } from '$core/project/tree';
import type { NodeId, PageId, Project } from '$core/project/types';
import { registry } from '$core/registry';
import type { Measured, ToFrame } from '$preview/messages';
import type { Workbench } from './workbench.svelte';

/** A phone's width, px (common practice, no source). */
const PHONE = 390;
const WIDE = 1120;
/** Frames to wait for a page that is still being drawn. */
const WAITS_MOST = 600;

/** One width in each band: what is asked of a page that is looked at in one of them only. */
export function widthsOf({ info }: Project): {
  readonly wide: number;
  readonly medium: number;
  readonly narrow: number;
} {
  const { medium, narrow } = info.bands;
  return { wide: Math.max(WIDE, medium + 1), medium, narrow: Math.min(PHONE, narrow) };
}

/** Where pieces stand at the widths that are not on show: a frame out of sight takes one after the other. */
export class WidthSurvey {
  /** The width the frame should have now; null where there is nothing to find out. */
  width = $state<number | null>(null);
  #due: readonly number[] = [];
  #found = new Map<number, ReadonlyMap<NodeId, Box>>();
  #project: Project | null = null;
  #page: PageId | null = null;
  #send: ((message: ToFrame) => void) | null = null;
  #waits = 0;

  constructor(private readonly bench: () => Workbench) {}

  /** Begins anew with the page as it stands now, unless it has been done. */
  begin(): void {
    const { project, pageId } = this.bench();
    if (project === this.#project && pageId === this.#page) return;
    this.#project = project;
    this.#page = pageId;
    this.#found = new Map();
    this.#due = this.#asks().length > 0 ? Object.values(widthsOf(project)) : [];
    this.#next();
  }

  #asks() {
    const { project, page } = this.bench();
    const ids = subtreeIds(project, page.root).filter((id) => project.nodes[id]!.effects);
    return asksFor(registry, project, ids).filter(({ fact }) => fact === 'box');
  }

  #next(): void {
    this.#waits = 0;
    this.width = this.#due[0] ?? null;
    if (this.width === null) this.bench().takeFacts({ elsewhere: this.#found });
    else this.#ask();
  }

  connect(send: (message: ToFrame) => void): void {
    this.#send = send;
    this.#ask();
  }

  #ask(): void {
    requestAnimationFrame(() => this.#send?.({ type: 'measure', asks: this.#asks() }));
  }

  take({ viewport, found }: Measured): void {
    const { project, pageId } = this.bench();
    if (this.width === null || project !== this.#project || pageId !== this.#page) return;
    this.#waits += 1;
    const isReady = viewport === this.width && found.length > 0;
    if (!isReady && this.#waits < WAITS_MOST) return this.#ask();
    this.#found.set(this.width, new Map(found.map(({ node, value }) => [node as NodeId, value as Box])));
    this.#due = this.#due.slice(1);
    this.#next();
  }
}

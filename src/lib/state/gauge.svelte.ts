import { analyse } from '$core/compile/analyse';
import { fitFrom } from '$core/layout/fit';
import type { Fit } from '$core/kinds/finding';
import { maybeSteps } from '$core/project/lineage';
import { pathTo, subtreeIds } from '$core/project/tree';
import type { NodeId, PageId, Project } from '$core/project/types';
import { registry } from '$core/registry';
import type { FromFrame, ToFrame } from '$preview/messages';
import { WIDTH_LEAST, WIDTH_MOST } from './preview.svelte';
import type { Workbench } from './workbench.svelte';
import { defined } from '$core/data/compact';

/** Browsers lay out in 64ths of a px. */
const ROUNDING = 1 / 64;
/** A piece that is not drawn anywhere cannot be measured; after so many frames it is left. */
const WAITS_MOST = 600;

type Measured = Extract<FromFrame, { type: 'measured' }>;

/**
 * Finds from which width of the window a row of labels fits. The page on show gives the room that is needed
 * at once; the width itself is found by trying the picked piece in a window of its own, since paddings,
 * columns and type may change on the way.
 */
export class FitGauge {
  /** The trial that is running: a piece, and the width its window should have. */
  request = $state.raw<{ readonly node: NodeId; readonly width: number } | null>(null);
  #send: ((message: ToFrame) => void) | null = null;
  #search: {
    readonly node: NodeId;
    readonly project: Project;
    low: number;
    high: number;
    steps: number;
    isDone: boolean;
  } | null = null;
  #waits = 0;

  constructor(private readonly bench: () => Workbench) {}

  /** What the last measurement was asked for; an edit to a few pieces asks for those alone. */
  #asked: { readonly project: Project; readonly page: PageId; readonly width: number } | null = null;

  /** @returns rows on the page that may have changed since they were last asked for. */
  rows(): { node: NodeId; row: string }[] {
    const { project, page, preview } = this.bench();
    const { width } = preview;
    const touched =
      this.#asked?.page === page.id && this.#asked.width === width
        ? touchedBetween(this.#asked.project, project)
        : null;
    this.#asked = { project, page: page.id, width };
    return (touched ?? subtreeIds(project, page.root)).flatMap((node) => {
      const kind = project.nodes[node] && registry.of(project.nodes[node]!);
      return kind?.fit ? [{ node, row: kind.fit.row }] : [];
    });
  }

  take({ viewport, rows }: Measured): void {
    const wb = this.bench();
    const fits = new Map<NodeId, Fit>([...wb.fits].filter(([id]) => wb.project.nodes[id]));
    for (const { node, needed, available, heights, target } of rows) {
      const known = wb.fits.get(node as NodeId);
      const isSame = known?.needed === needed && known.from !== undefined;
      fits.set(
        node as NodeId,
        defined({
          needed,
          available,
          viewport,
          heights,
          target: target === undefined ? undefined : target,
          from: isSame ? known.from : undefined
        })
      );
    }
    wb.takeFits(fits);
    this.#begin(wb);
  }

  #begin(wb: Workbench): void {
    const node = wb.tuned.id;
    const fit = wb.fits.get(node);
    if (!fit || !registry.of(wb.tuned).fit) return;
    if (
      this.#search?.node === node &&
      this.#search.project === wb.project &&
      !(this.#search.isDone && fit.from === undefined)
    )
      return;
    this.#search = {
      node,
      project: wb.project,
      low: WIDTH_LEAST - 1,
      high: WIDTH_MOST + 1,
      steps: 0,
      isDone: false
    };
    // The likely width first; it is right wherever the place grows with the window.
    this.#try(node, Math.ceil(fitFrom(fit)));
  }

  #try(node: NodeId, width: number): void {
    this.#waits = 0;
    this.request = { node, width: Math.min(WIDTH_MOST, Math.max(WIDTH_LEAST, width)) };
    this.#ask();
  }

  connect(send: (message: ToFrame) => void): void {
    this.#send = send;
    this.#ask();
  }

  #ask(): void {
    const search = this.#search;
    const node = search && search.project.nodes[search.node];
    if (!node) return;
    const { row } = registry.of(node).fit!;
    requestAnimationFrame(() => this.#send?.({ type: 'measure', rows: [{ node: node.id, row }] }));
  }

  takeTrial({ viewport, rows }: Measured): void {
    const wb = this.bench();
    const search = this.#search;
    const row = rows[0];
    if (!search || !this.request || search.project !== wb.project || wb.tuned.id !== search.node) return;
    if (viewport !== this.request.width || !row || row.node !== search.node || row.available === 0) {
      // The window has not yet the width it was given, or not yet the piece.
      this.#waits += 1;
      if (this.#waits < WAITS_MOST) this.#ask();
      else search.isDone = true;
      return;
    }
    const fitsHere = row.needed <= row.available + ROUNDING;
    if (fitsHere) search.high = viewport;
    else search.low = viewport;
    search.steps += 1;
    if (search.high - search.low <= 1)
      return this.#found(wb, search.node, search.high > WIDTH_MOST ? null : search.high);
    // Beside a first guess that is right stands the answer; else the field is halved.
    const beside = fitsHere ? viewport - 1 : viewport + 1;
    const next =
      search.steps === 1 && beside > search.low && beside < search.high
        ? beside
        : Math.floor((search.low + search.high) / 2);
    this.#try(search.node, next);
  }

  #found(wb: Workbench, node: NodeId, from: number | null): void {
    const fit = wb.fits.get(node);
    if (this.#search) this.#search.isDone = true;
    if (fit) wb.takeFits(new Map([...wb.fits, [node, { ...fit, from }]]));
  }
}

/**
 * @returns pieces whose rows an edit may have changed: what was edited and what it stands in; null where it
 * may be any of them.
 */
function touchedBetween(before: Project, after: Project): NodeId[] | null {
  const steps = maybeSteps(before, after);
  if (!steps || steps.some(({ info, tokens, assets, pages }) => info || tokens || assets || pages))
    return null;
  const touched = new Set<NodeId>();
  for (const { nodes = {} } of steps) {
    for (const [id, [from, to]] of Object.entries(nodes)) {
      if (!from || !to) return null;
      // What stands around other pieces may give them other room, or other type.
      const isAround =
        from.styles !== to.styles || from.settings !== to.settings
          ? registry.of(to).fit === undefined && Object.keys(to.slots).length > 0
          : false;
      if (isAround) return null;
      pathTo(after, id as NodeId).forEach((each) => touched.add(each));
    }
  }
  return [...touched];
}

/** Whether a piece of the page has widths of its own place, so that the ruler's px are not its px. */
export const isContained = (project: Project, node: NodeId): boolean =>
  analyse(registry, project, project.nodes[node]!).sheet.isContained;

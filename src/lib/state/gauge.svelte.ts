import { analyse } from '$core/compile/analyse';
import { boxFact, type Box } from '$core/facts/box';
import type { Ask } from '$core/facts/fact';
import type { Stops } from '$core/facts/stops';
import type { RowFit } from '$core/facts/fit';
import type { FactName } from '$core/facts/index';
import { asksFor } from '$core/kinds/asks';
import { fitFrom, fitsOnLine } from '$core/layout/fit';
import { isRecoloured } from '$core/layout/recoloured';
import type { Fit } from '$core/kinds/finding';
import { maybeSteps } from '$core/project/lineage';
import { pathTo, subtreeIds } from '$core/project/tree';
import type { NodeId, PageId, Project } from '$core/project/types';
import { registry } from '$core/registry';
import type { Measured, ToFrame } from '$preview/messages';
import { Patience } from './patience';
import { WIDTH_LEAST, WIDTH_MOST } from './preview.svelte';
import { extremesOf } from './rows';
import type { Workbench } from './workbench.svelte';
import { defined } from '$core/data/compact';
import { clamp } from '$core/data/clamp';

/** How high the shortest and the longest row of the picked list come out is shown beside its query. */
const extremeRows = (wb: Workbench): readonly Ask[] =>
  (extremesOf(wb.project, wb.current) ?? []).map(({ node }) => ({ fact: 'box', node, part: 'root' }));

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
    project: Project;
    low: number;
    high: number;
    steps: number;
    isDone: boolean;
  } | null = null;
  /** A piece that is not drawn anywhere cannot be measured. */
  readonly #patience = new Patience();

  constructor(private readonly bench: () => Workbench) {}

  /** What the last measurement was asked for; an edit to a few pieces asks for those alone. */
  #asked: { readonly project: Project; readonly page: PageId; readonly width: number } | null = null;

  /** Takes what was measured for the page as it is now, if only colours were changed. @returns whether it could. */
  carryOver(): boolean {
    const { project, page, preview, trial } = this.bench();
    const asked = this.#asked;
    if (trial || asked?.page !== page.id || asked.width !== preview.width) return false;
    // A page that is drawn anew without an edit may have got a typeface or a picture.
    if (asked.project === project || !isRecoloured(asked.project, project)) return false;
    this.#asked = { ...asked, project };
    if (this.#search?.project === asked.project) this.#search.project = project;
    return true;
  }

  /**
   * @returns what may have changed since it was last asked for. Where something stands may change with any edit
   * anywhere, so that is asked of all that are concerned.
   */
  asks(): readonly Ask[] {
    const { project, page, preview } = this.bench();
    const { width } = preview;
    const isSamePlace = this.#asked?.page === page.id && this.#asked.width === width;
    const touched = isSamePlace ? touchedBetween(this.#asked!.project, project) : null;
    this.#asked = { project, page: page.id, width };
    const all = subtreeIds(project, page.root);
    const moved = all.filter((id) => boxFact.maybePart(registry.of(project.nodes[id]!)) !== null);
    const asks = asksFor(registry, project, touched ? [...new Set([...touched, ...moved])] : all);
    return [...asks, ...extremeRows(this.bench())];
  }

  take({ viewport, window, page, found }: Measured): void {
    const wb = this.bench();
    const fits = new Map<NodeId, Fit>([...wb.facts.fits].filter(([id]) => wb.project.nodes[id]));
    for (const [node, row] of of<RowFit>(found, 'fit')) {
      const known = wb.facts.fits.get(node);
      const isSame = known?.needed === row.needed && known.from !== undefined;
      fits.set(node, defined({ ...row, viewport, from: isSame ? known.from : undefined }) as Fit);
    }
    wb.preview.extent = { window, page };
    wb.takeFacts({
      fits,
      boxes: new Map(of<Box>(found, 'box')),
      stops: new Map([...wb.facts.stops, ...of<Stops>(found, 'stops')])
    });
    this.#begin(wb);
  }

  #begin(wb: Workbench): void {
    const node = wb.tuned.id;
    const fit = wb.facts.fits.get(node);
    if (!fit || !registry.of(wb.tuned).fit) return;
    if (
      this.#search?.node === node &&
      isRecoloured(this.#search.project, wb.project) &&
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
    this.#try(node, fitFrom(fit) ?? WIDTH_MOST);
  }

  #try(node: NodeId, width: number): void {
    this.#patience.renew();
    this.request = { node, width: clamp(width, WIDTH_LEAST, WIDTH_MOST) };
    this.#ask();
  }

  connect(send: (message: ToFrame) => void): void {
    this.#send = send;
    this.#ask();
  }

  #ask(): void {
    requestAnimationFrame(() => this.#askNow());
  }

  #askNow(): void {
    const search = this.#search;
    const node = search && search.project.nodes[search.node];
    if (!node) return;
    const { row } = registry.of(node).fit!;
    this.#send?.({ type: 'measure', asks: [{ fact: 'fit', node: node.id, part: row }] });
  }

  takeTrial({ viewport, found }: Measured): void {
    const wb = this.bench();
    const search = this.#search;
    const [id, row] = of<RowFit>(found, 'fit')[0] ?? [];
    if (!search || !this.request || wb.tuned.id !== search.node) return;
    if (!isRecoloured(search.project, wb.project)) return;
    if (viewport !== this.request.width || !row || id !== search.node || row.available === 0) {
      // The window has not yet the width it was given, or not yet the piece.
      search.isDone = !this.#patience.again(() => this.#askNow());
      return;
    }
    const fitsHere = fitsOnLine(row);
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
    const { fits } = wb.facts;
    const fit = fits.get(node);
    if (this.#search) this.#search.isDone = true;
    if (fit) wb.takeFacts({ fits: new Map([...fits, [node, { ...fit, from }]]) });
  }
}

/** What was found of one fact, by piece; checked where it arrived. */
const of = <Value>(found: Measured['found'], fact: FactName): readonly (readonly [NodeId, Value])[] =>
  found.filter((each) => each.fact === fact).map(({ node, value }) => [node as NodeId, value as Value]);

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

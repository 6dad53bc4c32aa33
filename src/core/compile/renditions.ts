import { sharesFor } from '../css/shares';
import { ownOf } from '../data/record';
import { nodeOf, pathTo } from '../project/tree';
import { isPicture, type Asset, type Node, type NodeId, type Project } from '../project/types';
import type { Registry } from '../kinds/registry';
import { settingsWithDefaults } from '../kinds/settings';

/** A picture made smaller, or in a format that weighs less. */
export interface Rendition {
  readonly format: 'avif' | 'webp' | 'jpeg' | 'png';
  /** px. */
  readonly width: number;
  /** Name in `assets/`. */
  readonly file: string;
}

/**
 * Widths that renditions are made in, px: steps of about a half more, up to twice the widest common window
 * (common practice, no source).
 */
const STEPS = [320, 480, 640, 960, 1280, 1920, 2560] as const;
/**
 * Screens with more than two device pixels to a CSS px gain nothing that is seen from more (common practice,
 * no source).
 */
const RATIO_MOST = 2;

/** Whether renditions can be made: drawings have no pixels, and a moving picture would stand still. */
export const hasPixels = ({ type, width }: Asset): boolean =>
  width !== null && width !== undefined && /^image\/(?:png|jpeg|webp|avif)$/.test(type);

/** How wide a picture is at most, by its place: of the window, and in px where the section has an inner width. */
export interface Room {
  /** Share of its section's room, above the widths at which columns stack. */
  readonly share: number;
  /** Window width in px at and under which it has the whole room; 0 for none. */
  readonly stackedUnder: number;
  /** Inner width of its section in px; null where it reaches the edges of the window. */
  readonly inner: number | null;
}

/**
 * The place of a piece, read from the columns and the section it stands in; paddings are left out, so it is
 * never too small.
 */
export function roomOf(registry: Registry, project: Project, id: NodeId): Room {
  let share = 1;
  let stackedUnder = 0;
  let inner: number | null = null;
  const path = pathTo(project, id);
  const settingsOf = (node: Node) => settingsWithDefaults(registry.of(node), node);
  path.forEach((above, i) => {
    const node = nodeOf(project, above);
    if (node.kind === 'section' && above !== id) {
      const settings = settingsOf(node);
      inner = settings.span === 'bleed' ? null : (settings.inner as number);
    }
    if (node.kind !== 'columns') return;
    const { shares, stack } = settingsOf(node) as { shares: string; stack: 'narrow' | 'medium' | 'never' };
    const columns = node.slots.columns ?? [];
    const at = columns.indexOf(path[i + 1]!);
    const { tracks, division } = sharesFor(shares, columns.length);
    const own = tracks.filter(({ isEmpty }) => !isEmpty)[at];
    if (own) share *= own.part / own.whole / (division === 'twelfths' ? 12 : 1);
    if (stack !== 'never') stackedUnder = Math.max(stackedUnder, project.info.bands[stack]);
  });
  return { share, stackedUnder, inner };
}

const percent = (share: number) => Math.round(share * 1000) / 10;

/**
 * @returns the `sizes` of a picture (HTML standard, 4.8.4.2.1): the width it is shown at, by the width of the
 * window.
 */
export function sizesOf({ share, stackedUnder, inner }: Room): string {
  const wide =
    inner === null ? `${percent(share)}vw` : `min(${percent(share)}vw, ${Math.round(inner * share)}px)`;
  return stackedUnder > 0 && share < 1 ? `(width <= ${stackedUnder}px) 100vw, ${wide}` : wide;
}

/**
 * How wide a picture is shown in a window, px. @param natural its own width, which a fluid picture never
 * passes; null for one that fills its place.
 */
export function shownWidth(
  { share, stackedUnder, inner }: Room,
  window: number,
  natural: number | null
): number {
  const isStacked = window <= stackedUnder && share < 1;
  const room = isStacked ? window : Math.min(window * share, inner === null ? Infinity : inner * share);
  return Math.round(natural === null ? room : Math.min(room, natural));
}

export interface PictureUse {
  /** The setting that holds the picture. */
  readonly key: string;
  readonly asset: Asset;
  readonly room: Room;
  /** It covers its place whatever its own size is. */
  readonly covers: boolean;
}

/** @returns the pictures a piece shows, with the place each has. */
export function picturesOf(registry: Registry, project: Project, node: Node): readonly PictureUse[] {
  return Object.entries(
    registry.of(node).settings.fields as Record<
      string,
      { meta?: () => { field?: { control: string } } | undefined }
    >
  ).flatMap(([key, field]) => {
    const asset =
      field.meta?.()?.field?.control === 'asset'
        ? ownOf(project.assets, String(node.settings[key] ?? ''))
        : undefined;
    if (!asset || !isPicture(asset)) return [];
    // A background reaches the edges whatever the content does.
    const covers = node.kind === 'section';
    return [
      {
        key,
        asset,
        covers,
        room: covers ? { share: 1, stackedUnder: 0, inner: null } : roomOf(registry, project, node.id)
      }
    ];
  });
}

/** Windows that stand for the three bands, px: a common wide one, and the widest of the other two. */
export const bandWindows = ({ medium, narrow }: Project['info']['bands']) => ({
  wide: Math.max(1440, medium + 1),
  medium,
  narrow
});

/** @returns widths worth making for a place, smallest first; never wider than the picture is. */
export function widthsFor(asset: Asset, { share, stackedUnder, inner }: Room): number[] {
  const natural = asset.width!;
  const shown = Math.max(
    inner === null ? STEPS.at(-1)! : inner * share,
    Math.min(stackedUnder, STEPS.at(-1)!)
  );
  const most = Math.min(natural, shown * RATIO_MOST);
  const steps: number[] = STEPS.filter((step) => step < most);
  return [...steps, Math.round(most)];
}

export const renditionFile = (asset: Asset, width: number, format: Rendition['format']): string =>
  `${asset.file.replace(/\.[^.]*$/, '')}-${width}.${format === 'jpeg' ? 'jpg' : format}`;

/** What has to be made for the pages of a project: for each picture with pixels, the widths its places need. */
export function renditionPlan(registry: Registry, project: Project): ReadonlyMap<Asset, readonly number[]> {
  const plan = new Map<Asset, number[]>();
  for (const node of Object.values(project.nodes)) {
    for (const { asset, room } of picturesOf(registry, project, node)) {
      if (!hasPixels(asset)) continue;
      plan.set(
        asset,
        [...new Set([plan.get(asset) ?? [], widthsFor(asset, room)].flat())].sort((a, b) => a - b)
      );
    }
  }
  return plan;
}

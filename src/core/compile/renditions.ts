import { compact } from '../data/compact';
import { ownOf } from '../data/record';
import { nodeOf, pathTo } from '../project/tree';
import {
  isPicture,
  type Asset,
  type Band,
  type Bands,
  type Node,
  type NodeId,
  type Project
} from '../project/types';
import { heapOf, settingsUnder } from '../kinds/circumstances';
import type { Kind } from '../kinds/contract';
import type { Registry } from '../kinds/registry';
import { settingsWithDefaults } from '../kinds/settings';
import { covering, type Covering } from '../kinds/shapes';

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

/** How wide a picture is at most, by its place. */
export interface Room {
  /** Share of its section's room, from 0 to 1, in each width band. */
  readonly shares: Readonly<Record<Band, number>>;
  readonly bands: Bands;
  /** Inner width of its section in px; null where it reaches the edges of the window. */
  readonly inner: number | null;
  /** It is as wide as that whatever its own width is. */
  readonly isFilled: boolean;
  /** It opens as wide as the window, too. */
  readonly opensLarge: boolean;
  /** What becomes of the picture in each width band where it is cut to a shape. */
  readonly covering: Readonly<Record<Band, Covering>>;
}

const BANDS: readonly Band[] = ['wide', 'medium', 'narrow'];
const CONDITION_OF = { wide: 'always', medium: 'medium', narrow: 'narrow' } as const;

const WHOLE: Covering = covering(1, null);
const UNCUT = { wide: WHOLE, medium: WHOLE, narrow: WHOLE } as const;

/** All the room there is, in a window of any width. */
const wholeRoom = (bands: Bands): Room => ({
  shares: { wide: 1, medium: 1, narrow: 1 },
  bands,
  inner: null,
  isFilled: true,
  opensLarge: false,
  covering: UNCUT
});

/** All settings of a piece, as they are in a width band. */
const settingsIn = (kind: Kind, node: Node, band: Band) =>
  settingsUnder(kind, node, settingsWithDefaults(kind, node), heapOf(CONDITION_OF[band]));

/** Share that a child takes of what it stands in. */
function shareIn(registry: Registry, node: Node, child: NodeId, band: Band): number {
  const kind = registry.of(node);
  if (!kind.share) return 1;
  const siblings = Object.values(node.slots).find((slot) => slot.includes(child)) ?? [];
  const settings = settingsIn(kind, node, band);
  return kind.share(settings, { index: siblings.indexOf(child), count: siblings.length, band });
}

/** Whether what holds the item a piece stands in makes it as wide as that. */
function isFilled(registry: Registry, project: Project, path: readonly NodeId[]): boolean {
  const owner = path.at(-3);
  if (owner === undefined) return false;
  const node = nodeOf(project, owner);
  const kind = registry.of(node);
  return kind.fills?.(settingsWithDefaults(kind, node)) ?? false;
}

/** What becomes of a piece's picture in each band: some kinds cut it to a shape. */
function coveringOf(kind: Kind, node: Node, { width, height }: Asset): Room['covering'] {
  if (!kind.covers || !width || !height) return UNCUT;
  const within = (band: Band) => covering(width / height, kind.covers!(settingsIn(kind, node, band)));
  return { wide: within('wide'), medium: within('medium'), narrow: within('narrow') };
}

/**
 * The place of a piece, read from what it stands in; paddings and gaps are left out, so it is never too small.
 * @param asset the picture it shows, which may be cut to a shape; null where only the place is asked for.
 */
export function roomOf(registry: Registry, project: Project, id: NodeId, asset: Asset | null = null): Room {
  const shares = { wide: 1, medium: 1, narrow: 1 };
  let inner: number | null = null;
  let opensLarge = false;
  const path = pathTo(project, id);
  for (const [i, above] of path.slice(0, -1).entries()) {
    const node = nodeOf(project, above);
    const kind = registry.of(node);
    for (const band of BANDS) shares[band] *= shareIn(registry, node, path[i + 1]!, band);
    const settings = settingsWithDefaults(kind, node);
    if (node.kind === 'section') inner = settings.span === 'bleed' ? null : (settings.inner as number);
    if (kind.enlarges && settings[kind.enlarges]) opensLarge = true;
  }
  return {
    shares,
    bands: project.info.bands,
    inner,
    isFilled: isFilled(registry, project, path),
    opensLarge,
    covering: asset ? coveringOf(registry.of(nodeOf(project, id)), nodeOf(project, id), asset) : UNCUT
  };
}

const percent = (share: number) => Math.round(share * 1000) / 10;

/** @param most width of the window up to which it holds, px; null for any. */
function lengthOf(share: number, inner: number | null, most: number | null): string {
  const ofWindow = `${percent(share)}vw`;
  const isWithin = inner === null || (most !== null && most <= inner);
  return isWithin ? ofWindow : `min(${ofWindow}, ${Math.round(inner * share)}px)`;
}

/** Share of its section's room that a picture is drawn over in each band, with what is cut off. */
const drawnShares = ({ shares, covering }: Room): Room['shares'] => ({
  wide: shares.wide * covering.wide.enlarged,
  medium: shares.medium * covering.medium.enlarged,
  narrow: shares.narrow * covering.narrow.enlarged
});

/** What is cut off a picture, in words: of any window, or for each width band. Empty where it is whole. */
export function cutWords({ covering }: Pick<Room, 'covering'>): string {
  const cuts = BANDS.map((band) => ({ band, cut: `${Math.round(covering[band].cut * 100)} %` }));
  const isAlike = cuts.every(({ cut }) => cut === cuts[0]!.cut);
  if (isAlike) return cuts[0]!.cut === '0 %' ? '' : `${cuts[0]!.cut} cut off`;
  return `cut off: ${cuts.map(({ band, cut }) => `${band} ${cut}`).join(', ')}`;
}

/**
 * @returns the `sizes` of a picture (HTML standard, 4.8.4.2.1): the width it is drawn at, by the width of the
 * window.
 */
export function sizesOf(room: Room): string {
  const { bands, inner } = room;
  const shares = drawnShares(room);
  const under = (band: keyof Bands) =>
    `(width <= ${bands[band]}px) ${lengthOf(shares[band], inner, bands[band])}`;
  return compact([
    shares.narrow === shares.medium ? null : under('narrow'),
    shares.medium === shares.wide ? null : under('medium'),
    lengthOf(shares.wide, inner, null)
  ]).join(', ');
}

const bandOf = (window: number, { medium, narrow }: Bands): Band => {
  if (window <= narrow) return 'narrow';
  return window <= medium ? 'medium' : 'wide';
};

/**
 * How wide a picture is drawn in a window, px, with what is cut off of it. @param natural its own width, which the box
 * of a fluid picture never passes; null for one that fills its place.
 */
export function shownWidth(place: Room, window: number, natural: number | null): number {
  const { shares, bands, inner, covering } = place;
  const band = bandOf(window, bands);
  const room = Math.min(window, inner ?? Infinity) * shares[band];
  const box = natural === null || place.isFilled ? room : Math.min(room, natural);
  return Math.round(box * covering[band].enlarged);
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
        room: covers ? wholeRoom(project.info.bands) : roomOf(registry, project, node.id, asset)
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

/** The widest it is drawn in any window, px. */
function widestShown(room: Room): number {
  const { bands, inner, opensLarge } = room;
  const shares = drawnShares(room);
  const widest = STEPS.at(-1)!;
  if (opensLarge) return widest;
  return Math.max(
    Math.min(widest, inner ?? widest) * shares.wide,
    Math.min(widest, bands.medium) * shares.medium,
    Math.min(widest, bands.narrow) * shares.narrow
  );
}

/** @returns widths worth making for a place, smallest first; never wider than the picture is. */
export function widthsFor(asset: Asset, room: Room): number[] {
  const most = Math.min(asset.width!, widestShown(room) * RATIO_MOST);
  const steps: number[] = STEPS.filter((step) => step < most);
  return [...steps, Math.round(most)];
}

export const renditionFile = (asset: Asset, width: number, format: Rendition['format']): string =>
  `${asset.file.replace(/\.[^.]*$/, '')}-${width}.${format === 'jpeg' ? 'jpg' : format}`;

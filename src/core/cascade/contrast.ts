import { blended } from '../colour/blend';
import { contrast, maybeColour, maybeColourIn, over, type Colour } from '../colour/contrast';
import { ANY_TONE, coloursOfTones } from '../colour/tones';
import { coloursIn } from '../css/paint';
import { spelt } from '../css/tokens';
import { settingsUnder } from '../kinds/circumstances';
import type { Ground, GroundLayer } from '../kinds/contract';
import type { Registry } from '../kinds/registry';
import { settingsWithDefaults } from '../kinds/settings';
import { maybeStacking } from '../kinds/stacked';
import { childIds, maybePlaceOf, nodeOf } from '../project/tree';
import type { ConditionName, NodeId, Project } from '../project/types';
import { remembered } from '../data/remembered';
import { keyOf, maybeAbove, maybeParentPart, resolve, type At } from './resolve';

/** What stands behind parts, as long as their project is there. */
const known = new WeakMap<Project, Map<string, readonly Colour[]>>();

const PAPER: Colour = { r: 1, g: 1, b: 1, alpha: 1 };

const GROUNDS_MOST = 60;

/**
 * @returns what a piece paints beyond the backgrounds of its parts while some conditions hold; null where
 * nothing.
 */
export function groundOf(
  registry: Registry,
  project: Project,
  id: NodeId,
  conditions: readonly ConditionName[] = []
): Ground | null {
  const node = nodeOf(project, id);
  const kind = registry.of(node);
  return kind.ground?.(settingsUnder(kind, node, settingsWithDefaults(kind, node), conditions)) ?? null;
}

/** The piece that comes after one in its row; null for the last. */
function maybeNext(project: Project, id: NodeId): NodeId | null {
  const place = maybePlaceOf(project, id);
  return (place && nodeOf(project, place.parent).slots[place.slot]?.[place.index + 1]) ?? null;
}

const underneath = (registry: Registry, project: Project, id: NodeId): readonly NodeId[] =>
  maybeStacking(registry, project, id)?.below ?? [];

/**
 * Every colour a piece and all in it may show to what lies over it. Where they lie in it is not known:
 * anything may be behind.
 */
function surface(
  registry: Registry,
  project: Project,
  id: NodeId,
  under: readonly Colour[],
  conditions: readonly ConditionName[]
): readonly Colour[] {
  const own = maybeColour(
    resolve(registry, project, { node: id, part: 'root', conditions }).get('background-color')!.value
  );
  const flat = own && own.alpha > 0 ? distinct(under.map((back) => over(own, back))) : under;
  const painted = paintedOver(registry, project, id, flat, conditions);
  const inside = childIds(nodeOf(project, id));
  if (inside.length === 0) return painted;
  const shown = inside.flatMap((child) => surface(registry, project, child, painted, conditions));
  // A bare box is just what is in it.
  return distinct(painted === under ? shown : [...painted, ...shown]);
}

const paintedOver = (
  registry: Registry,
  project: Project,
  id: NodeId,
  flat: readonly Colour[],
  conditions: readonly ConditionName[]
) =>
  (groundOf(registry, project, id, conditions)?.layers ?? []).reduce(
    (under, layer) => painted(layer, under, project),
    flat
  );

/**
 * What lies under a layer: of one that takes the whole width its surface alone, of a narrower one its surface
 * or what it leaves bare.
 */
const withUnderneath = (
  registry: Registry,
  project: Project,
  id: NodeId,
  flat: readonly Colour[],
  conditions: readonly ConditionName[]
) =>
  underneath(registry, project, id).reduce((under, layer) => {
    const shown = surface(registry, project, layer, under, conditions);
    return groundOf(registry, project, layer, conditions)?.isAcross ? shown : distinct([...under, ...shown]);
  }, flat);

/** The piece that one which takes no room lies on; null for any other. */
const maybeUnderHeader = (
  registry: Registry,
  project: Project,
  id: NodeId,
  conditions: readonly ConditionName[]
): NodeId | null => (groundOf(registry, project, id, conditions)?.isOverNext ? maybeNext(project, id) : null);

/** What of a piece reaches its upper edge, itself apart: what it holds first, or nothing. */
function maybeFirst(
  registry: Registry,
  project: Project,
  id: NodeId,
  conditions: readonly ConditionName[]
): NodeId | null {
  const isFilled = groundOf(registry, project, id, conditions)?.isFilledByFirst ?? false;
  return isFilled ? (childIds(nodeOf(project, id))[0] ?? null) : null;
}

/** Every colour a piece may show at its upper edge. */
function topOf(
  registry: Registry,
  project: Project,
  id: NodeId,
  conditions: readonly ConditionName[]
): readonly Colour[] {
  const own = backdrops(registry, project, { node: id, part: 'root', conditions });
  const first = maybeFirst(registry, project, id, conditions);
  return first ? surface(registry, project, first, own, conditions) : own;
}

/** @returns pieces that the root of one lies on, besides what it stands in. */
export function piecesUnder(
  registry: Registry,
  project: Project,
  { node, conditions = [] }: At
): readonly NodeId[] {
  const next = maybeUnderHeader(registry, project, node, conditions);
  const first = next ? maybeFirst(registry, project, next, conditions) : null;
  return first ? [first] : underneath(registry, project, node);
}

/**
 * Every colour that may stand behind a part, without its own background: of a picture or a gradient, each of
 * its tones.
 */
function behind(registry: Registry, project: Project, at: At): readonly Colour[] {
  const conditions = at.conditions ?? [];
  const next = at.part === 'root' ? maybeUnderHeader(registry, project, at.node, conditions) : null;
  if (next) return topOf(registry, project, next, conditions);
  const parent = maybeAbove(registry, project, at);
  const flat = parent ? backdrops(registry, project, parent) : [PAPER];
  if (at.part === 'root') return withUnderneath(registry, project, at.node, flat, conditions);
  const slot = groundOf(registry, project, at.node, conditions)?.partsOver?.[at.part];
  return slot ? shownIn(registry, project, at, slot) : flat;
}

/** Every colour that what a slot of a piece holds may show, one item or another. */
function shownIn(registry: Registry, project: Project, at: At, slot: string): readonly Colour[] {
  const { conditions = [] } = at;
  const node = nodeOf(project, at.node);
  const part = registry.of(node).slots[slot]!.part ?? 'root';
  const bare = backdrops(registry, project, { node: at.node, part, conditions });
  const pieces = (node.slots[slot] ?? []).flatMap((item) => childIds(nodeOf(project, item)));
  const shown = pieces.flatMap((piece) => surface(registry, project, piece, bare, conditions));
  return shown.length > 0 ? distinct(shown) : bare;
}

function distinct(colours: readonly Colour[]): readonly Colour[] {
  if (colours.length < 2) return colours;
  const found = new Map(
    colours.map((each) => [[each.r, each.g, each.b].map((channel) => Math.round(channel * 255)).join(), each])
  );
  return [...found.values()].slice(0, GROUNDS_MOST);
}

function painted(layer: GroundLayer, under: readonly Colour[], project: Project): readonly Colour[] {
  if ('film' in layer) return ANY_TONE;
  if ('picture' in layer) {
    const tones = coloursOfTones(project.assets[layer.picture]?.tones);
    const onPicture = tones.flatMap((tone) => under.map((back) => over(tone, back)));
    return distinct(layer.isWhole ? [...onPicture, ...under] : onPicture);
  }
  const written = spelt(layer.paint, project.tokens);
  const colours = coloursIn(written.ok ? written.value : '').flatMap((text) => maybeColour(text) ?? []);
  if (colours.length === 0) return under;
  return distinct(
    colours.flatMap((colour) =>
      under.map((back) => blended({ ...colour, alpha: colour.alpha * layer.opacity }, back, layer.blend))
    )
  );
}

/** Opaque colours as they look through a fill; as they are where there is none. */
const tinted = (backs: readonly Colour[], fill: Colour | null): readonly Colour[] =>
  !fill || fill.alpha === 0 ? backs : distinct(backs.map((back) => over(fill, back)));

/**
 * Every opaque colour that may stand behind a part's text: its own background over all it is drawn on, down
 * to white paper. More than one only over pictures, films and gradients.
 */
export function backdrops(registry: Registry, project: Project, at: At): readonly Colour[] {
  const found = remembered(known, project, () => new Map<string, readonly Colour[]>());
  return remembered(found, keyOf(at), () => freshBackdrops(registry, project, at));
}

function freshBackdrops(registry: Registry, project: Project, at: At): readonly Colour[] {
  const own = maybeColour(resolve(registry, project, at).get('background-color')!.value);
  const flat = own?.alpha === 1 ? [own] : tinted(behind(registry, project, at), own);
  return at.part === 'root' ? paintedOver(registry, project, at.node, flat, at.conditions ?? []) : flat;
}

const middleOf = (all: readonly Colour[]): Colour => all[Math.floor(all.length / 2)]!;

/** One colour for what stands behind a part's text: the middle one, where there are several. */
export const backdrop = (registry: Registry, project: Project, at: At): Colour =>
  middleOf(backdrops(registry, project, at));

/** One colour for what a part lies on, without its own background: the middle one, where there are several. */
export const groundBehind = (registry: Registry, project: Project, at: At): Colour =>
  middleOf(behind(registry, project, at));

/** Whether a piece, or anything in it, paints a picture, film or gradient. */
const paintsPictures = (
  registry: Registry,
  project: Project,
  id: NodeId,
  conditions: readonly ConditionName[]
): boolean =>
  (groundOf(registry, project, id, conditions)?.layers.length ?? 0) > 0 ||
  childIds(nodeOf(project, id)).some((child) => paintsPictures(registry, project, child, conditions));

const paintsAtTop = (
  registry: Registry,
  project: Project,
  id: NodeId,
  conditions: readonly ConditionName[]
): boolean => {
  const first = maybeFirst(registry, project, id, conditions);
  const paints = (groundOf(registry, project, id, conditions)?.layers.length ?? 0) > 0;
  return paints || (first !== null && paintsPictures(registry, project, first, conditions));
};

/**
 * @returns the piece nearest around a part that has a picture, film or gradient under it; null where colour
 * alone is behind.
 */
export function maybeGroundOwner(registry: Registry, project: Project, at: At): NodeId | null {
  const conditions = at.conditions ?? [];
  for (
    let now: At | null = at;
    now;
    now = maybeParentPart(registry, project, nodeOf(project, now.node), now.part)
  ) {
    const own = maybeColour(
      resolve(registry, project, { ...now, conditions }).get('background-color')!.value
    );
    const ground = now.part === 'root' ? groundOf(registry, project, now.node, conditions) : null;
    if (ground && ground.layers.length > 0) return now.node;
    if (ground?.isOverNext) {
      const next = maybeNext(project, now.node);
      return next && paintsAtTop(registry, project, next, conditions) ? next : null;
    }
    if (own?.alpha === 1) return null;
    if (
      now.part === 'root' &&
      underneath(registry, project, now.node).some((each) =>
        paintsPictures(registry, project, each, conditions)
      )
    )
      return now.node;
  }
  return null;
}

/**
 * Contrast of a part's text with what is behind it, 1 to 21, opacity counted in: the least and the greatest,
 * which differ only over pictures, films and gradients. Null where a colour cannot be worked out. WCAG 2.2,
 * success criterion 1.4.3.
 */
export function textContrast(
  registry: Registry,
  project: Project,
  at: At
): { readonly least: number; readonly most: number } | null {
  const resolution = resolve(registry, project, at);
  const text = maybeColour(resolution.get('color')!.value);
  if (!text) return null;
  const opacity = Number(resolution.get('opacity')!.value);
  const grounds = backdrops(registry, project, at);
  const isFaded = Number.isFinite(opacity) && opacity < 1;
  // What a faded part shows through is what is behind it; over a picture that is another tone for each of its own.
  const through = isFaded ? behind(registry, project, at) : [PAPER];
  const ratios = grounds.flatMap((ground) =>
    through.map((back) => {
      const fade = (colour: Colour) =>
        isFaded ? over({ ...colour, alpha: Math.max(0, opacity) }, back) : colour;
      return contrast(fade(over(text, ground)), fade(ground));
    })
  );
  return { least: Math.min(...ratios), most: Math.max(...ratios) };
}

/** A line's colour where none is written (CSS Basic User Interface 4, 3.3: `auto` computes to it). */
const OF_WORDS = /\b(?:solid|dashed|dotted|double)\b/i;

function ringColour(ring: string, words: string): Colour | null {
  const written = maybeColourIn(ring);
  if (written) return maybeColour(written);
  return OF_WORDS.test(ring) ? maybeColour(words) : null;
}

/**
 * Contrast of a part's ring with what it is drawn on, the least where that is a picture: with what is around the part,
 * or with the part's own ground where a negative gap draws it inside. Null where it has none, or one whose colour is
 * the browser's. WCAG 2.2, success criterion 1.4.11.
 */
export function ringContrast(registry: Registry, project: Project, at: At): number | null {
  const resolution = resolve(registry, project, at);
  const valueOf = (property: string) => resolution.get(property)!.value;
  const colour = ringColour(valueOf('outline'), valueOf('color'));
  if (!colour) return null;
  const isInside = Number.parseFloat(valueOf('outline-offset')) < 0;
  const grounds = isInside ? backdrops(registry, project, at) : behind(registry, project, at);
  return Math.min(...grounds.map((back) => contrast(over(colour, back), back)));
}

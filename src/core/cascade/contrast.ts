import { contrast, maybeColour, over, type Colour } from '../colour/contrast';
import type { Registry } from '../kinds/registry';
import { nodeOf } from '../project/tree';
import type { Project } from '../project/types';
import { maybeParentPart, resolve, type At } from './resolve';

const PAPER: Colour = { r: 1, g: 1, b: 1, alpha: 1 };

/** The opaque colour that stands behind a part's text: its own background over all it is drawn on, down to white paper. */
export function backdrop(registry: Registry, project: Project, at: At): Colour {
  const parent = maybeParentPart(registry, project, nodeOf(project, at.node), at.part);
  const own = maybeColour(resolve(registry, project, at).get('background-color')!.value);
  const behind = () => (parent ? backdrop(registry, project, { ...parent, conditions: at.conditions ?? [] }) : PAPER);
  if (!own || own.alpha === 0) return behind();
  return own.alpha === 1 ? own : over(own, behind());
}

/**
 * Contrast of a part's text with what is behind it, 1 to 21, opacity counted in; null where a colour cannot be worked out.
 * WCAG 2.2, success criterion 1.4.3.
 */
export function textContrast(registry: Registry, project: Project, at: At): number | null {
  const resolution = resolve(registry, project, at);
  const text = maybeColour(resolution.get('color')!.value);
  if (!text) return null;
  const parent = maybeParentPart(registry, project, nodeOf(project, at.node), at.part);
  const behind = parent ? backdrop(registry, project, { ...parent, conditions: at.conditions ?? [] }) : PAPER;
  const opacity = Number(resolution.get('opacity')!.value);
  const fade = (colour: Colour) => over({ ...colour, alpha: Number.isFinite(opacity) ? opacity : 1 }, behind);
  const ground = backdrop(registry, project, at);
  return contrast(fade(over(text, ground)), fade(ground));
}

/** Contrast of a part's ring with what is around the part; null where it has none. WCAG 2.2, success criterion 1.4.11. */
export function ringContrast(registry: Registry, project: Project, at: At): number | null {
  const ring = resolve(registry, project, at).get('outline')!.value;
  const word = ring.match(/#[0-9a-f]{3,8}|(?:rgb|hsl|oklch|oklab|lab|lch)a?\([^)]*\)|[a-z]+$/i)?.[0];
  const colour = word ? maybeColour(word) : null;
  if (!colour || /\bnone\b/.test(ring)) return null;
  const parent = maybeParentPart(registry, project, nodeOf(project, at.node), at.part);
  const behind = parent ? backdrop(registry, project, { ...parent, conditions: at.conditions ?? [] }) : PAPER;
  return contrast(over(colour, behind), behind);
}

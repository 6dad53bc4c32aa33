import type { Element } from 'hast';
import type { Schema } from 'hast-util-sanitize';
import { visit } from 'unist-util-visit';
import { NESTING_MOST, nestingOf } from './nesting';
import { maybeSanitized } from './sanitized';

const SVG_ELEMENTS = [
  'svg',
  'g',
  'path',
  'circle',
  'ellipse',
  'rect',
  'line',
  'polyline',
  'polygon',
  'text',
  'tspan',
  'title',
  'desc',
  'defs',
  'linearGradient',
  'radialGradient',
  'stop',
  'clipPath',
  'mask',
  'pattern',
  'use',
  'symbol',
  'marker',
  'filter',
  'feGaussianBlur',
  'feOffset',
  'feBlend',
  'feColorMatrix',
  'feComposite',
  'feFlood',
  'feMerge',
  'feMergeNode'
];

const SVG_ATTRIBUTES = (
  'id className viewBox width height x y x1 y1 x2 y2 cx cy r rx ry fx fy d points transform fill fillOpacity fillRule stroke ' +
  'strokeWidth strokeLineCap strokeLineJoin strokeDashArray strokeDashOffset strokeOpacity strokeMiterLimit opacity offset ' +
  'stopColor stopOpacity gradientUnits gradientTransform spreadMethod clipPathUnits clipRule maskUnits maskContentUnits patternUnits ' +
  'patternContentUnits patternTransform preserveAspectRatio textAnchor fontSize fontFamily fontWeight dominantBaseline dx dy rotate ' +
  'refX refY markerWidth markerHeight orient markerStart markerMid markerEnd stdDeviation in in2 result mode operator values type ' +
  'floodColor floodOpacity k1 k2 k3 k4 visibility display xmlns role'
).split(' ');

const SVG: Schema = {
  tagNames: SVG_ELEMENTS,
  attributes: { '*': SVG_ATTRIBUTES, use: ['href'], linearGradient: ['href'], radialGradient: ['href'] },
  strip: ['script', 'style', 'foreignObject', 'animate', 'set', 'animateTransform', 'animateMotion'],
  clobber: [],
  clobberPrefix: '',
  required: {}
};

/** Elements a drawing may be made of, and come to once everything it repeats is written out. */
const ELEMENTS_MOST = 50_000;

export type ReadSvg =
  { readonly ok: true; readonly svg: Element } | { readonly ok: false; readonly why: string };

/**
 * Reads a drawing without anything that runs or fetches. Never throws: what cannot be used, or would take a
 * browser for ever to draw, is refused with the reason, in words that go on after the name of the file.
 */
export function readSvg(text: string): ReadSvg {
  const no = (why: string): ReadSvg => ({ ok: false, why });
  const written = text.replace(/<\?xml[^>]*\?>|<!DOCTYPE[^>]*>/gi, '');
  if (nestingOf(written, true) > NESTING_MOST)
    return no(
      `is nested more than ${NESTING_MOST} deep. Ungroup it where it was drawn, and export it again.`
    );
  const tags = written.match(/<[a-z]/gi)?.length ?? 0;
  if (tags > ELEMENTS_MOST)
    return no(`is made of more than ${ELEMENTS_MOST} shapes. Simplify it, or use it as PNG.`);
  const clean = maybeSanitized(written, SVG);
  const svg = clean?.children?.find(
    (child): child is Element => child.type === 'element' && child.tagName === 'svg'
  );
  if (!svg) return no('is an SVG that cannot be read. Export it again from where it was drawn.');
  visit(svg, 'element', (element: Element) => {
    for (const [name, value] of Object.entries(element.properties)) {
      const asText = String(value);
      const isFragment = name !== 'href' || asText.startsWith('#');
      const elsewhere = asText.replace(/url\(\s*['"]?#/gi, '');
      if (!isFragment || /url\(/i.test(elsewhere)) delete element.properties[name];
    }
  });
  const drawn = drawnElements(svg);
  if (drawn === null)
    return no('repeats a part of itself within that part, without end. Mend it where it was drawn.');
  if (drawn > ELEMENTS_MOST)
    return no(`comes to more than ${ELEMENTS_MOST} shapes once all that it repeats is drawn. Use it as PNG.`);
  svg.properties.xmlns = 'http://www.w3.org/2000/svg';
  return { ok: true, svg };
}

/** @returns ids an element has drawn in its place or as its paint: by `use`, patterns, masks and the like. */
function referencesOf({ properties }: Element): readonly string[] {
  const found: string[] = [];
  for (const value of Object.values(properties)) {
    const text = String(value);
    if (text.startsWith('#') && value === properties.href) found.push(text.slice(1));
    for (const [, id] of text.matchAll(/url\(\s*['"]?#([^'")\s]+)/gi)) found.push(id!);
  }
  return found;
}

/**
 * @returns how many elements are drawn in all; null where something is drawn within itself. Counted, not
 * drawn.
 */
function drawnElements(svg: Element): number | null {
  const byId = new Map<string, Element>();
  visit(svg, 'element', (element: Element) => {
    const { id } = element.properties;
    if (typeof id === 'string' && !byId.has(id)) byId.set(id, element);
  });
  const known = new Map<Element, number>();
  const open = new Set<Element>();
  let isRing = false;
  const count = (element: Element): number => {
    const before = known.get(element);
    if (before !== undefined) return before;
    if (open.has(element) || open.size > NESTING_MOST * 4) {
      isRing = true;
      return 0;
    }
    open.add(element);
    let sum = 1;
    for (const id of referencesOf(element)) {
      const target = byId.get(id);
      if (target) sum += count(target);
    }
    for (const child of element.children) if (child.type === 'element') sum += count(child);
    open.delete(element);
    known.set(element, sum);
    return sum;
  };
  const sum = count(svg);
  return isRing ? null : sum;
}

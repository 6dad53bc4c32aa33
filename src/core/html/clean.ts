import type { Element, Root } from 'hast';
import { fromHtmlIsomorphic as fromHtml } from 'hast-util-from-html-isomorphic';
import { sanitize, type Schema } from 'hast-util-sanitize';
import { visit } from 'unist-util-visit';

/** What rich text may hold; everything else is unwrapped to its text, and scripts and styles go with their content. */
const RICH_TEXT: Schema = {
  tagNames: ['p', 'strong', 'em', 'a', 'ul', 'ol', 'li', 'code', 'br', 's', 'blockquote'],
  attributes: { a: ['href'] },
  protocols: { href: ['http', 'https', 'mailto', 'tel'] },
  ancestors: { li: ['ol', 'ul'] },
  strip: ['script', 'style', 'template', 'iframe', 'object', 'noscript', 'title'],
  required: {}
};

const KNOWN_MOST = 2000;
const known = new Map<string, Root>();

/** @returns foreign HTML as a clean tree; never throws, the worst input gives an empty one. The tree is shared: do not change it. */
export function cleanHtml(text: string): Root {
  const before = known.get(text);
  if (before) return before;
  const clean = sanitize(fromHtml(text, { fragment: true }), RICH_TEXT) as Root;
  visit(clean, 'element', (element: Element) => {
    if (element.tagName === 'a' && !isSafeLink(String(element.properties.href ?? ''))) delete element.properties.href;
  });
  const root: Root = { type: 'root', children: clean.children };
  if (known.size >= KNOWN_MOST) known.clear();
  known.set(text, root);
  return root;
}

const LINK = /^(?:https?:\/\/[^\s<>"'`\\]+|mailto:[^\s<>"'`]+|tel:[+\d\s().-]+|#[\w-]*|(?!\/\/)[\w./-][^\s:<>"'`\\]*)$/i;

/** Whether an address may stand in a page: http(s), mailto, tel, in-page, or relative; nothing that could run. */
export function isSafeLink(href: string): boolean {
  return href.length <= 2000 && LINK.test(href);
}

/** Whether an address is that of a film a browser can play in the page. */
export const isFilmFile = (address: string): boolean => /\.(?:mp4|webm|ogv)(?:[?#].*)?$/i.test(address);

/** @returns plain text as it is written in HTML. */
export const escapeHtml = (text: string): string => text.replace(/[&<>]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;' })[sign]!);

const SVG_ELEMENTS = [
  'svg', 'g', 'path', 'circle', 'ellipse', 'rect', 'line', 'polyline', 'polygon', 'text', 'tspan', 'title', 'desc', 'defs',
  'linearGradient', 'radialGradient', 'stop', 'clipPath', 'mask', 'pattern', 'use', 'symbol', 'marker', 'filter',
  'feGaussianBlur', 'feOffset', 'feBlend', 'feColorMatrix', 'feComposite', 'feFlood', 'feMerge', 'feMergeNode'
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

/** @returns the drawing without anything that runs or fetches, or null where the text is no SVG. */
export function cleanSvg(text: string): Root | null {
  const parsed = fromHtml(text.replace(/<\?xml[^>]*\?>|<!DOCTYPE[^>]*>/gi, ''), { fragment: true });
  const clean = sanitize(parsed, SVG) as Root;
  const svg = clean.children?.find((child): child is Element => child.type === 'element' && child.tagName === 'svg');
  if (!svg) return null;
  visit(svg, 'element', (element: Element) => {
    for (const [name, value] of Object.entries(element.properties)) {
      const asText = String(value);
      const isFragment = name !== 'href' || asText.startsWith('#');
      if (!isFragment || /url\(\s*['"]?(?!#)/i.test(asText)) delete element.properties[name];
    }
  });
  svg.properties.xmlns = 'http://www.w3.org/2000/svg';
  return { type: 'root', children: [svg] };
}

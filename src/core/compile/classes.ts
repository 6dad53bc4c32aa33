import type { Element } from 'hast';
import type { Analysis } from './analyse';

/** Nodes nobody has tuned share the class of their kind, so that a hundred of them cost no more than one. */
export const stemOf = ({ sheet, kind, id }: Analysis): string => (sheet.isDefault ? `k-${kind}` : id);

/** @returns the class a part of a node has in exports and in the preview. */
export function classOf(analysis: Analysis, part: string): string {
  return part === 'root' ? stemOf(analysis) : `${stemOf(analysis)}-${part}`;
}

/** @returns an element's properties with the classes it will really have. */
export function withClasses({ properties }: Element, analysis: Analysis): Element['properties'] {
  const stem = stemOf(analysis);
  const { className } = properties;
  if (stem === analysis.id || !Array.isArray(className)) return properties;
  return { ...properties, className: className.map((name) => (String(name).startsWith(analysis.id) ? stem + String(name).slice(analysis.id.length) : name)) };
}

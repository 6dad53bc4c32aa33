import { visit } from 'unist-util-visit';
import type { Analysis } from './analyse';

const known = new WeakMap<Analysis, ReadonlySet<string>>();

/** @returns the parts that really stand in a node's markup: a text without a link draws no link. */
export function drawnParts(analysis: Analysis): ReadonlySet<string> {
  const before = known.get(analysis);
  if (before) return before;
  const parts = new Set<string>();
  if (analysis.markup) visit(analysis.markup, 'element', (element) => void (element.data?.mark && parts.add(element.data.mark.part)));
  known.set(analysis, parts);
  return parts;
}

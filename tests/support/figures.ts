import { parse, type AtRule, type Rule } from 'postcss';

/** What can be counted in a style sheet about how it reads. */
export interface Figures {
  readonly rules: number;
  readonly declarations: number;
  /** Share of declarations that say something no other one says, 0 to 1. */
  readonly distinct: number;
  /** Selectors that stand twice under the same at-rules. */
  readonly twice: readonly string[];
}

const preludeOf = (node: Rule | AtRule): string =>
  node.type === 'rule' ? node.selector : `@${node.name} ${node.params}`;

interface Around {
  readonly type: string;
  readonly name?: string;
}

const isKeyframes = (node: Around | undefined): boolean =>
  node?.type === 'atrule' && node.name === 'keyframes';

const isRule = (node: unknown): node is Rule | AtRule =>
  ['rule', 'atrule'].includes((node as Around | undefined)?.type ?? '');

/** Where a rule stands: its selector and all it stands in, from the outside in. */
function placeOf(rule: Rule): string {
  const place = [rule.selector];
  let around: unknown = rule.parent;
  while (isRule(around)) {
    place.unshift(preludeOf(around));
    around = around.parent;
  }
  return place.join(' { ');
}

/**
 * Counts a style sheet; nested rules count as rules, keyframes as neither, and a custom property is no
 * declaration.
 */
export function figuresOf(css: string): Figures {
  const places: string[] = [];
  const declarations: string[] = [];
  parse(css).walk((node) => {
    if (node.type === 'rule' && !isKeyframes(node.parent as Around)) places.push(placeOf(node));
    const isPlain = node.type === 'decl' && !node.prop.startsWith('--');
    if (isPlain && !isKeyframes(node.parent?.parent as Around))
      declarations.push(`${node.prop}: ${node.value}`);
  });
  return {
    rules: places.length,
    declarations: declarations.length,
    distinct: new Set(declarations).size / declarations.length,
    twice: [...new Set(places.filter((place, i) => places.indexOf(place) !== i))]
  };
}

import type { Element, ElementContent } from 'hast';
import { printHtml } from '../html/print';
import type { Registry } from '../kinds/registry';
import type { NodeId, Project } from '../project/types';
import { analyseAlone, type Analysis } from './analyse';
import { addressed } from './body';
import { sheetsOf } from './parts';
import { drawingDialect, printSheet, tokenRule, usedTokens } from './rules';
import { element } from '../html/build';

/**
 * A drawing of one piece, such as the insert drawer has: a picture of it, wide and on a screen, in which
 * nothing moves.
 */
export interface PrintedDrawing {
  readonly html: string;
  /** Every class in it starts with the prefix. */
  readonly css: string;
}

/** Throws where the piece is drawn by its owner and cannot stand alone. */
export function printDrawing(
  registry: Registry,
  project: Project,
  id: NodeId,
  prefix: string
): PrintedDrawing {
  const found: Analysis[] = [];
  const build = (drawn: Element): Element => {
    const { className } = drawn.properties;
    const classes = Array.isArray(className)
      ? { className: className.map((name) => `${prefix}-${name}`) }
      : {};
    const picture = drawn.data?.asset ? addressed(drawn, '') : {};
    // As its script would have it: what asks for a behaviour has been started.
    const started = Object.keys(drawn.properties).some((name) => name.startsWith('dataK'))
      ? { dataKOn: '' }
      : {};
    const properties = { ...picture, ...drawn.properties, ...drawn.data?.live, ...classes, ...started };
    // A dialog is not to be seen until it is opened.
    const tagName = drawn.tagName === 'dialog' ? 'div' : drawn.tagName;
    return element(tagName, properties, drawn.children.map(inside));
  };
  const inside = (child: ElementContent): ElementContent => {
    if (child.type !== 'element') return child;
    return child.data?.child ? expand(child.data.child) : build(child);
  };
  const expand = (node: NodeId): Element => {
    const analysis = analyseAlone(registry, project, node);
    found.push(analysis);
    return build(analysis.markup);
  };
  const root = element('div', { className: [prefix] }, [expand(id)]);
  const sheets = sheetsOf(registry, found);
  const tokens = usedTokens(
    sheets.map(({ sheet }) => sheet),
    project.tokens
  );
  const rules = sheets.map(({ stem, sheet }) =>
    printSheet(sheet, `${prefix}-${stem}`, drawingDialect, project.info.bands)
  );
  const boxes = `.${prefix}, .${prefix} *, .${prefix} ::before, .${prefix} ::after { box-sizing: border-box; }\n`;
  return { html: printHtml(root), css: boxes + tokenRule(`.${prefix}`, tokens) + rules.join('\n') };
}

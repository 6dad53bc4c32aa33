import { build } from 'esbuild';
import type { Box } from '../../src/core/facts/box';
import type { Page } from './test';

/** The reader of boxes as a page has it that is shown without the workbench around it. */
export interface BoxReader {
  readBoxes(of: readonly (readonly [string, HTMLElement])[]): [string, Box][];
}

/**
 * The reader of boxes of the preview's frame, as a script that leaves it in `window.boxes`.
 * @param behaviours names of the runtime's behaviours that are started too.
 */
export async function boxReader(...behaviours: readonly string[]): Promise<string> {
  const imported = behaviours.map((name) => `import { ${name} } from './src/runtime/${name}';`);
  const started = behaviours.map((name) => `document.querySelectorAll('[data-k-${name}]').forEach(${name});`);
  const contents = ["export { readBoxes } from './src/preview/boxes';", ...imported, ...started].join('\n');
  const { outputFiles } = await build({
    stdin: { contents, resolveDir: process.cwd(), loader: 'ts' },
    bundle: true,
    format: 'iife',
    globalName: 'boxes',
    write: false
  });
  return outputFiles[0]!.text;
}

/** @returns how far an element is carried along while the page is scrolled from its top to its end, whole px. */
export const carried = (page: Page, selector: string): Promise<number> =>
  page.evaluate((found) => {
    const element = document.querySelector(found)!;
    const placeAt = (y: number): number => {
      scrollTo({ top: y, behavior: 'instant' });
      return element.getBoundingClientRect().top + scrollY;
    };
    const { scrollHeight } = document.documentElement;
    return Math.round(placeAt(scrollHeight) - placeAt(0));
  }, selector);

import type { Page } from '@playwright/test';
import axe from 'axe-core';
import { arrived } from './arrived';

/**
 * What axe-core objects to in the page's own document; frames hold the designer's page, which is checked as
 * an export.
 */
export async function axeViolations(page: Page, within = 'html'): Promise<string[]> {
  // Evaluated rather than added as a script, which the policy of the app's pages would rightly refuse.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  // Colours are looked at once nothing fades any more: how far it has come is chance.
  await arrived(page);
  const violations = await page.evaluate(async (within) => {
    const { run } = (window as unknown as { axe: typeof axe }).axe;
    const result = await run(
      { include: [[within]], exclude: [['iframe']] },
      { iframes: false, resultTypes: ['violations'] }
    );
    return result.violations.map(({ id, nodes }) => ({
      id,
      html: nodes.map((node) => node.html.slice(0, 160))
    }));
  }, within);
  return violations.map(({ id, html }) => `${id}: ${html.join(' | ')}`);
}

import type { Page } from '@playwright/test';
import type { StateName } from '../../src/core/project/types';

const PSEUDO: Readonly<Partial<Record<StateName, readonly string[]>>> = {
  hover: ['hover'],
  focus: ['focus', 'focus-visible'],
  pressed: ['hover', 'active'],
  'selected-hover': ['hover']
};

/** Brings every element of a selector into a state by Chromium's own tools, as its developer tools do. */
export async function forcing(page: Page): Promise<(selector: string, state: StateName) => Promise<void>> {
  const session = await page.context().newCDPSession(page);
  await session.send('DOM.enable');
  await session.send('CSS.enable');
  const { root } = await session.send('DOM.getDocument');
  return async (selector, state) => {
    const { nodeIds } = await session.send('DOM.querySelectorAll', { nodeId: root.nodeId, selector });
    const isAround = state === 'focus' && selector.includes('part="list"');
    const forcedPseudoClasses = isAround ? ['focus-within'] : Array.from(PSEUDO[state] ?? []);
    for (const nodeId of nodeIds) await session.send('CSS.forcePseudoState', { nodeId, forcedPseudoClasses });
  };
}

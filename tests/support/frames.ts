import type { Frame, Page } from '@playwright/test';

/** The frame that shows the page itself, not one of the small ones. */
export async function previewFrame(page: Page): Promise<Frame> {
  const element = await page.locator('iframe[title^="Preview of"]').first().elementHandle();
  const frame = await element?.contentFrame();
  if (!frame) throw new Error('previewFrame: the preview is not there');
  return frame;
}

import type { Frame, Page } from '@playwright/test';

/**
 * Has all pictures of a page come, those too that wait until they are near; one that cannot come is let be.
 * No event says so: where there is no script none is heard.
 */
export const allPictures = (page: Frame | Page) =>
  page.evaluate(async () => {
    for (const image of document.images) image.loading = 'eager';
    await Promise.allSettled([...document.images].map((image) => image.decode()));
  });

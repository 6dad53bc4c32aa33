import { prepareStorage } from '$lib/store/db';

// The app works on data in the browser; there is nothing to draw on the server.
export const ssr = false;

/** @returns `lasts`: whether what is kept here outlives the window. */
export const load = async (): Promise<{ lasts: boolean }> => ({ lasts: await prepareStorage() });

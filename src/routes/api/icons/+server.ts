import { json, type RequestHandler } from '@sveltejs/kit';
import { findIcons } from '$server/icons';

/** Icons found by meaning: `?q=apple`. At most 96. */
export const GET: RequestHandler = ({ url }) =>
  json({ icons: findIcons((url.searchParams.get('q') ?? '').slice(0, 80), 96) });

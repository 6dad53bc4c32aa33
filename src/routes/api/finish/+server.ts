import type { RequestHandler } from '@sveltejs/kit';
import { workshop } from '$server/workshop';

const JSON_TYPE = { 'content-type': 'application/json' };

/**
 * Finishes printed pages in a worker; see src/server/finish.ts. Answers 4xx with a sentence where the request
 * does not fit or is too large.
 */
export const POST: RequestHandler = async ({ request }) => {
  const { status, body } = await workshop.finish(await request.text(), request.signal);
  return new Response(body, { status, headers: JSON_TYPE });
};

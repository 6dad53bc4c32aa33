import type { Handle } from '@sveltejs/kit';

/** SvelteKit writes the policy of its pages; these hold for every answer. */
export const handle: Handle = async ({ event, resolve }) => {
  const response = await resolve(event);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'no-referrer');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  if (!response.headers.has('content-security-policy'))
    response.headers.set('content-security-policy', "default-src 'none'; frame-ancestors 'none'");
  return response;
};

import { error } from '@sveltejs/kit';
import { laterScript, LATER } from '$server/bundle';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
  const name = LATER.find((each) => each === params.script);
  if (!name) error(404, `The frame has no script ${params.script}.js.`);
  return new Response(await laterScript(name), {
    headers: {
      'content-type': 'text/javascript; charset=utf-8',
      'x-content-type-options': 'nosniff',
      'cache-control': 'no-cache'
    }
  });
};

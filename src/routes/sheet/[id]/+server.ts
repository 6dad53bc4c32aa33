import type { RequestHandler } from '@sveltejs/kit';
import { maybeSheet } from '$server/sheets';

/** Nothing in a sheet runs, fetches or reaches the app: it has words of projects in it, which may be anyone's. */
const POLICY = [
  "default-src 'none'",
  "style-src 'unsafe-inline'",
  'img-src data:',
  "base-uri 'none'",
  "form-action 'none'",
  "frame-ancestors 'self'",
  'sandbox'
].join('; ');

const GONE =
  '<!doctype html><html lang="en"><title>Gone</title><p>This sheet is not kept any more. Make it again.</p>';

export const GET: RequestHandler = ({ params }) => {
  const html = maybeSheet(params.id ?? '');
  return new Response(html ?? GONE, {
    status: html === null ? 404 : 200,
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': POLICY,
      'cache-control': 'no-store'
    }
  });
};

import { probeScript } from '$server/bundle';

export async function GET() {
  return new Response(await probeScript(), {
    headers: {
      'content-type': 'text/javascript; charset=utf-8',
      'x-content-type-options': 'nosniff',
      'cache-control': 'no-cache'
    }
  });
}

import { json, type RequestHandler } from '@sveltejs/kit';
import { zipSync } from 'fflate';
import { makeRenditions } from '$server/renditions';

const WIDTHS = /^\d{2,4}(?:,\d{2,4}){0,11}$/;

/**
 * Makes renditions of one picture: bytes in, a zip of `WIDTH.FORMAT` out. 400 with a sentence where the
 * request does not fit, 422 where the picture does not.
 */
export const POST: RequestHandler = async ({ request, url }) => {
  const widths = url.searchParams.get('widths') ?? '';
  if (!WIDTHS.test(widths))
    return json(
      { sentence: 'The renditions were asked for in a way that cannot be understood.' },
      { status: 400 }
    );
  const bytes = new Uint8Array(await request.arrayBuffer());
  const made = await makeRenditions(bytes, widths.split(',').map(Number), request.signal);
  if (!made.ok) return json({ sentence: made.sentence }, { status: 422 });
  // They are packed already; packing them again would gain nothing.
  const zip = zipSync(
    Object.fromEntries(made.made.map((each) => [`${each.width}.${each.format}`, each.bytes])),
    { level: 0 }
  );
  return new Response(zip as Uint8Array<ArrayBuffer>, { headers: { 'content-type': 'application/zip' } });
};

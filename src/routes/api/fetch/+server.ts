import { json, type RequestHandler } from '@sveltejs/kit';
import { FILE_MOST } from '$core/formats/picture';
import { fetchFile, mayAsk } from '$server/fetching';

const WITHIN_MS = 20_000;

/**
 * Fetches a picture or film by its address: the address in, its bytes out, their name in a header. 400 with a
 * sentence where it is none to be had.
 */
export const POST: RequestHandler = async ({ request }) => {
  const body: unknown = await request.json().catch(() => null);
  const address = typeof body === 'object' && body !== null && 'address' in body ? body.address : null;
  if (typeof address !== 'string' || address.length > 2000)
    return json({ sentence: 'The address was given in a way that cannot be understood.' }, { status: 400 });
  const allowsLoopback = process.env.KYMATION_ASK_LOOPBACK === '1';
  const allows = (ip: string) => mayAsk(ip, allowsLoopback);
  const fetched = await fetchFile(address, {
    most: FILE_MOST,
    within: WITHIN_MS,
    allows,
    signal: request.signal
  });
  if (!fetched.ok) return json({ sentence: fetched.sentence }, { status: 400 });
  // Never shown as what it may claim to be: what it is, is read from its bytes.
  return new Response(fetched.bytes as Uint8Array<ArrayBuffer>, {
    headers: { 'content-type': 'application/octet-stream', 'x-file-name': encodeURIComponent(fetched.name) }
  });
};

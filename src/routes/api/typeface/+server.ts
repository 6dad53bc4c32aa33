import { json, type RequestHandler } from '@sveltejs/kit';
import { readFace, subsetFace } from '$server/typefaces';

const LETTERS_MOST = 100_000;

/** A file, and the letters it should be cut down to; null where the request has not both. */
async function maybeOrder(request: Request): Promise<{ bytes: Uint8Array; letters: string } | null> {
  const form = await request.formData().catch(() => null);
  const [file, letters] = [form?.get('file'), form?.get('letters')];
  if (!(file instanceof Blob) || typeof letters !== 'string' || letters.length > LETTERS_MOST) return null;
  return { bytes: new Uint8Array(await file.arrayBuffer()), letters };
}

/**
 * What a file of a typeface says of itself: bytes in, `Face` out. 422 with a sentence where it cannot be used.
 */
export const POST: RequestHandler = async ({ request }) => {
  const read = readFace(new Uint8Array(await request.arrayBuffer()));
  return read.ok ? json(read.face) : json({ sentence: read.sentence }, { status: 422 });
};

/**
 * A typeface with some letters alone: a form of `file` and `letters` in, WOFF2 out, with the letters it has not in
 * the header `x-missing`. 400 or 422 with a sentence where there is none.
 */
export const PUT: RequestHandler = async ({ request }) => {
  const order = await maybeOrder(request);
  if (!order)
    return json(
      { sentence: 'The typeface was asked for in a way that cannot be understood.' },
      { status: 400 }
    );
  const made = await subsetFace(order.bytes, order.letters);
  if (!made.ok) return json({ sentence: made.sentence }, { status: 422 });
  const headers = { 'content-type': 'font/woff2', 'x-missing': encodeURIComponent(made.missing) };
  return new Response(made.bytes as Uint8Array<ArrayBuffer>, { headers });
};

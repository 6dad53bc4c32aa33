import { json, type RequestEvent, type RequestHandler } from '@sveltejs/kit';
import { unzip } from '$core/formats/zip';
import { hostAddress, sites } from '$server/host/host';
import { Refused, type Site } from '$server/host/store';

const LIMITS = { json: 5_000_000, asset: 30_000_000, unpacked: 60_000_000, entries: 3000 };

const refusal = (status: number, sentence: string) => json({ sentence }, { status });

/** What was published under a name, and where it can be looked at. */
async function told(name: string): Promise<Response> {
  const host = await hostAddress();
  const site: Site = await sites.site(name);
  return json({ address: host && `${host}/${name}/`, ...site }, { headers: { 'cache-control': 'no-store' } });
}

/** Answers a refusal with its sentence; only pages of this app may ask for a change. */
async function handled(event: RequestEvent, work: (name: string) => Promise<Response>): Promise<Response> {
  const { request, url, params } = event;
  if (request.method !== 'GET' && request.headers.get('origin') !== url.origin)
    return refusal(403, 'Only Kymation itself may publish.');
  try {
    return await work(params.name ?? '');
  } catch (error) {
    if (error instanceof Refused) return refusal(400, error.message);
    throw error;
  }
}

export const GET: RequestHandler = (event) => handled(event, told);

/** Publishes the files of a zip. */
export const POST: RequestHandler = (event) =>
  handled(event, async (name) => {
    const unpacked = unzip(new Uint8Array(await event.request.arrayBuffer()), LIMITS, () => true);
    if ('sentence' in unpacked) return refusal(400, unpacked.sentence);
    if (unpacked.damaged.length > 0) return refusal(400, 'The files came damaged. Publish again.');
    await sites.publish(name, unpacked.entries);
    return told(name);
  });

/** Shows an earlier publishing again: `{ id }`. */
export const PUT: RequestHandler = (event) =>
  handled(event, async (name) => {
    const body = (await event.request.json().catch(() => null)) as { readonly id?: unknown } | null;
    if (typeof body?.id !== 'string') return refusal(400, 'Name the publishing to go back to.');
    await sites.show(name, body.id);
    return told(name);
  });

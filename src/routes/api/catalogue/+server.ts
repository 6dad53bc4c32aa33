import { json, type RequestHandler } from '@sveltejs/kit';
import { catalogue, FLAGS, setFlag, type Flag } from '$server/catalogue';

const isFlag = (value: unknown): value is Flag => FLAGS.includes(value as Flag);

/** All records of the catalogue stand-in. */
export const GET: RequestHandler = () => json(catalogue(), { headers: { 'cache-control': 'no-store' } });

/** Sets a flag of a record: `{ id, flag, value }` in; 400 with a sentence where that is none. */
export const PATCH: RequestHandler = async ({ request }) => {
  const body = (await request.json().catch(() => null)) as { [key: string]: unknown } | null;
  const { id, flag, value } = body ?? {};
  if (typeof id !== 'string' || !isFlag(flag) || typeof value !== 'boolean')
    return json(
      { sentence: 'A flag is set with an id, the name of the flag, and true or false.' },
      { status: 400 }
    );
  if (!setFlag(id, flag, value))
    return json({ sentence: 'There is no such record in the catalogue.' }, { status: 400 });
  return new Response(null, { status: 204 });
};

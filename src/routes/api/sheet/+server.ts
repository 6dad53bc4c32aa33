import { json, type RequestHandler } from '@sveltejs/kit';
import { keepSheet, SHEET_MOST } from '$server/sheets';

/** Takes a printed specification and answers with the id under which it can be looked at for a while. */
export const POST: RequestHandler = async ({ request }) => {
  const html = await request.text();
  if (html.length > SHEET_MOST)
    return json(
      { sentence: 'The specification is too large to be shown. Save it instead.' },
      { status: 413 }
    );
  return json({ id: keepSheet(html) });
};

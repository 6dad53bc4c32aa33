import { json, type RequestHandler } from '@sveltejs/kit';
import { ValidationError } from 'yup';
import { finish, finishRequest, finishSnippet, snippetRequest } from '$server/finish';

/** Finishes printed pages; see src/server/finish.ts. Answers 400 with a sentence where the request does not fit. */
export const POST: RequestHandler = async ({ request }) => {
  try {
    const asked: unknown = await request.json();
    const options = { strict: true, stripUnknown: false };
    if (typeof asked === 'object' && asked !== null && 'snippet' in asked) return json(await finishSnippet(await snippetRequest.validate(asked, options)));
    return json(await finish(await finishRequest.validate(asked, options)));
  } catch (error) {
    if (error instanceof ValidationError) return json({ sentence: `The export could not be finished: ${error.message}` }, { status: 400 });
    if (error instanceof SyntaxError) return json({ sentence: `The export could not be finished: ${error.message}` }, { status: 400 });
    throw error;
  }
};

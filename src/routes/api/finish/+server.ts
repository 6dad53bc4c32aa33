import { json } from '@sveltejs/kit';
import { ValidationError } from 'yup';
import { finish, finishRequest } from '$server/finish';

/** Finishes printed pages; see src/server/finish.ts. Answers 400 with a sentence where the request does not fit. */
export async function POST({ request }) {
  try {
    const asked = await finishRequest.validate(await request.json(), { strict: true, stripUnknown: false });
    return json(await finish(asked as never));
  } catch (error) {
    if (error instanceof ValidationError) return json({ sentence: `The export could not be finished: ${error.message}` }, { status: 400 });
    if (error instanceof SyntaxError) return json({ sentence: `The export could not be finished: ${error.message}` }, { status: 400 });
    throw error;
  }
}

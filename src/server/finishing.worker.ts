import { parentPort } from 'node:worker_threads';
import { ValidationError } from 'yup';
import { finish, finishRequest, finishSnippet, snippetRequest } from './finish';

/**
 * Finishes exports beside the server, which goes on answering meanwhile. Takes a request as text, answers
 * with status and text.
 */
parentPort!.on('message', (text: string) => {
  void answer(text).then((reply) => parentPort!.postMessage(reply));
});

async function answer(text: string): Promise<{ status: number; body: string }> {
  const refused = (sentence: string) => ({
    status: 400,
    body: JSON.stringify({ sentence: `The export could not be finished: ${sentence}` })
  });
  try {
    const asked: unknown = JSON.parse(text);
    const options = { strict: true, stripUnknown: false };
    const isSnippet = typeof asked === 'object' && asked !== null && 'snippet' in asked;
    const done = isSnippet
      ? await finishSnippet(await snippetRequest.validate(asked, options))
      : await finish(await finishRequest.validate(asked, options));
    return { status: 200, body: JSON.stringify(done) };
  } catch (error) {
    if (error instanceof ValidationError || error instanceof SyntaxError) return refused(error.message);
    // What is deeper than a stack is, or can be printed in no way, is the request's fault as well.
    return refused(error instanceof Error ? error.message : 'it cannot be understood');
  }
}

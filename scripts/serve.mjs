// The server that `npm start` runs: SvelteKit's handler behind what holds for every answer, static files too.
import { createServer } from 'node:http';
import { handler } from '../build/handler.js';

const { HOST = '127.0.0.1', PORT = '4173' } = process.env;

/** Names this machine answers to. Another name that leads here is somebody else's page asking in the visitor's stead. */
const NAMES = new Set(['localhost', '127.0.0.1', '[::1]'].flatMap((name) => [name, `${name}:${PORT}`]));

const HEADERS = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'cross-origin-opener-policy': 'same-origin'
};

/** For what brings no policy of its own. Pages that were printed ahead have theirs in the document, which cannot say who may frame it. */
const POLICY_OF_FILES = "default-src 'none'; frame-ancestors 'none'";
const POLICY_OF_PAGES = "frame-ancestors 'none'";
// A worker has the policy of the script it was started from.
const POLICY_OF_SCRIPTS = "default-src 'none'; script-src 'self'; connect-src 'self'; frame-ancestors 'none'";

function policyOf(type) {
  if (type.startsWith('text/html')) return POLICY_OF_PAGES;
  return /javascript/.test(type) ? POLICY_OF_SCRIPTS : POLICY_OF_FILES;
}

/** Adds the policy when the type of the answer is known. */
function withPolicy(response) {
  const writeHead = response.writeHead.bind(response);
  response.writeHead = (status, ...rest) => {
    const given = rest.find((each) => typeof each === 'object' && !Array.isArray(each)) ?? {};
    const type = given['Content-Type'] ?? given['content-type'] ?? response.getHeader('content-type') ?? '';
    // What has not changed keeps the headers it came with; these would take their place.
    const isNew = status !== 304;
    if (isNew && !response.hasHeader('content-security-policy'))
      response.setHeader('content-security-policy', policyOf(String(type)));
    return writeHead(status, ...rest);
  };
}

// A request that does not come whole within half a minute is given up; so is one that asks for nothing.
const { REQUEST_TIMEOUT_MS = '30000' } = process.env;
const limits = {
  requestTimeout: Number(REQUEST_TIMEOUT_MS),
  headersTimeout: Math.min(10_000, Number(REQUEST_TIMEOUT_MS)),
  connectionsCheckingInterval: 2_000
};

const server = createServer(limits, (request, response) => {
  for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
  withPolicy(response);
  if (!NAMES.has(request.headers.host ?? '')) {
    response.writeHead(421, { 'content-type': 'application/json' });
    response.end(JSON.stringify({ sentence: `Kymation answers at http://localhost:${PORT} only.` }));
    return;
  }
  handler(request, response, () => response.writeHead(404).end());
});

const ANSWERS = {
  ERR_HTTP_REQUEST_TIMEOUT: '408 Request Timeout',
  HPE_HEADER_OVERFLOW: '431 Request Header Fields Too Large'
};

server.on('clientError', ({ code }, socket) => {
  // Browsers open connections ahead. What is said on one that has not been used they take for the answer to what they
  // ask on it at that moment, so it is closed without a word, and they ask anew.
  if (socket.bytesRead === 0 || !socket.writable) return socket.destroy();
  socket.end(`HTTP/1.1 ${ANSWERS[code] ?? '400 Bad Request'}\r\nConnection: close\r\n\r\n`);
});

server.listen(Number(PORT), HOST);

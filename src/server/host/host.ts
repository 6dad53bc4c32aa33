import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { join } from 'node:path';
import { SiteStore } from './store';

/** The folder that published sites stand in; another one by KYMATION_SITES. */
export const sitesFolder = (): string => process.env.KYMATION_SITES ?? join(process.cwd(), 'out/sites');

export const sites = new SiteStore(sitesFolder());

const TYPES: Readonly<Record<string, string>> = {
  html: 'text/html; charset=utf-8',
  css: 'text/css; charset=utf-8',
  js: 'text/javascript; charset=utf-8',
  svg: 'image/svg+xml',
  png: 'image/png',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  webp: 'image/webp',
  avif: 'image/avif',
  gif: 'image/gif',
  mp4: 'video/mp4',
  webm: 'video/webm',
  woff2: 'font/woff2'
};

const typeOf = (path: string): string =>
  TYPES[path.slice(path.lastIndexOf('.') + 1)] ?? 'application/octet-stream';

const GONE =
  '<!doctype html><html lang="en"><title>Not found</title><p>Nothing is published at this address.</p></html>\n';

function notFound(response: ServerResponse): void {
  response.writeHead(404, { 'content-type': 'text/html; charset=utf-8' });
  response.end(GONE);
}

/** `/orchard/style.css` as its two parts; null for no path that could be one. */
function maybePlace(url: string): { readonly name: string; readonly path: string } | null {
  try {
    const { pathname } = new URL(url, 'http://localhost');
    const [, name = '', rest] = /^\/([^/]+)(?:\/(.*))?$/.exec(decodeURIComponent(pathname)) ?? [];
    return rest === undefined ? null : { name, path: rest === '' ? 'index.html' : rest };
  } catch {
    return null;
  }
}

/** Names this machine answers to; another one is somebody else’s page asking in the visitor’s stead. */
const isHere = ({ headers }: IncomingMessage): boolean =>
  /^(?:localhost|127\.0\.0\.1|\[::1\])(?::\d+)?$/.test(headers.host ?? '');

async function answer(store: SiteStore, request: IncomingMessage, response: ServerResponse): Promise<void> {
  const { url = '/', method } = request;
  if (method !== 'GET' && method !== 'HEAD') return void response.writeHead(405).end();
  if (!isHere(request)) return void response.writeHead(421).end();
  // What the page names stands beside it, so its address ends with a slash.
  if (/^\/[\w-]+$/.test(url)) return void response.writeHead(308, { location: `${url}/` }).end();
  const place = maybePlace(url);
  const found = place && (await store.maybeFile(place.name, place.path));
  if (!found) return notFound(response);
  const { file, content } = found;
  const headers = {
    'content-type': typeOf(file.path),
    'x-content-type-options': 'nosniff',
    'cache-control': 'no-cache',
    etag: `"${file.hash.slice(0, 32)}"`
  };
  const isKnown = request.headers['if-none-match'] === headers.etag;
  response.writeHead(isKnown ? 304 : 200, headers);
  response.end(isKnown || method === 'HEAD' ? undefined : content);
}

/** A server of published sites, at no address yet. */
export const hostOf = (store: SiteStore): Server =>
  createServer((request, response) => {
    answer(store, request, response).catch(() => {
      if (!response.headersSent) response.writeHead(500);
      response.end();
    });
  });

const listening = (server: Server, port: number): Promise<number | null> =>
  new Promise((resolve) => {
    server.once('error', () => resolve(null));
    server.listen(port, '127.0.0.1', () => {
      const address = server.address();
      resolve(typeof address === 'object' && address ? address.port : null);
    });
  });

let address: Promise<string | null> | null = null;

async function start(): Promise<string | null> {
  const wanted = Number(process.env.SITES_PORT ?? Number(process.env.PORT ?? 4173) + 1);
  // Where that port is taken, any other will do.
  const port = (await listening(hostOf(sites), wanted)) ?? (await listening(hostOf(sites), 0));
  return port === null ? null : `http://localhost:${port}`;
}

/**
 * Starts the host of published sites when it is first asked for: an origin of its own, so that nothing of a
 * published page ever reaches the app’s data. @returns its address; null where no port could be had.
 */
export const hostAddress = (): Promise<string | null> => (address ??= start());

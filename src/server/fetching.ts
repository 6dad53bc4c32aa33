import { lookup as resolveName, type LookupAddress } from 'node:dns';
import { get as getPlain, type IncomingMessage } from 'node:http';
import { get as getSecure } from 'node:https';
import { BlockList, isIP, type LookupFunction } from 'node:net';

export type Fetched =
  | { readonly ok: true; readonly bytes: Uint8Array; readonly name: string }
  | { readonly ok: false; readonly sentence: string };

export interface FetchLimits {
  /** Greatest size, bytes. */
  readonly most: number;
  /** Longest time for all of it, ms. */
  readonly within: number;
  /** Whether an IP address may be asked: `mayAsk`, for all but tests. */
  readonly allows: (ip: string) => boolean;
  readonly signal?: AbortSignal;
}

const REDIRECTS_MOST = 5;

const loopback = new BlockList();
loopback.addSubnet('127.0.0.0', 8, 'ipv4');
loopback.addAddress('::1', 'ipv6');

/**
 * Blocks of IPv4 that are not of the public network (IANA special-purpose address registry, RFC 6890 and its
 * updates).
 */
const INNER_4 = [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.0.0.0', 24],
  ['192.0.2.0', 24],
  ['192.88.99.0', 24],
  ['192.168.0.0', 16],
  ['198.18.0.0', 15],
  ['198.51.100.0', 24],
  ['203.0.113.0', 24],
  ['224.0.0.0', 4],
  ['240.0.0.0', 4]
] as const;

/**
 * Blocks of IPv6 that are not, or that have an IPv4 address in them which nobody has looked at: compatible
 * (RFC 4291, 2.5.5.1), translated (RFC 6052, RFC 8215), Teredo and the other protocol assignments (RFC 2928),
 * 6to4 (RFC 3056), site-local (RFC 3879).
 */
const INNER_6 = [
  ['::', 96],
  ['64:ff9b::', 96],
  ['64:ff9b:1::', 48],
  ['100::', 64],
  ['100:0:0:1::', 64],
  ['2001::', 23],
  ['2001:db8::', 32],
  ['2002::', 16],
  ['3fff::', 20],
  ['5f00::', 16],
  ['fc00::', 7],
  ['fe80::', 10],
  ['fec0::', 10],
  ['ff00::', 8]
] as const;

const inner = new BlockList();
for (const [net, bits] of INNER_4) inner.addSubnet(net, bits, 'ipv4');
for (const [net, bits] of INNER_6) inner.addSubnet(net, bits, 'ipv6');

/** An IPv4 address in the clothes of an IPv6 one is what it is inside (RFC 4291, section 2.5.5.2). */
const unmapped = (ip: string) => /^::ffff:(\d+\.\d+\.\d+\.\d+)$/i.exec(ip)?.[1] ?? ip;

/**
 * @returns whether an IP address may be asked for a file: a public one, or this machine's own where that is
 * allowed.
 */
export function mayAsk(address: string, allowsLoopback: boolean): boolean {
  const ip = unmapped(address);
  const family = isIP(ip) === 6 ? 'ipv6' : 'ipv4';
  if (isIP(ip) === 0 || /^::ffff:/i.test(ip)) return false;
  if (loopback.check(ip, family)) return allowsLoopback;
  return !inner.check(ip, family);
}

class NotAsked extends Error {}

const notPublic = (host: string) =>
  new NotAsked(
    `${host} is on this machine or its own network. Give an address on the web, or choose the file itself.`
  );

/**
 * Names are looked up for the very connection, so that one that changes its mind between two questions gains
 * nothing.
 */
const lookupOf = (allows: FetchLimits['allows']): LookupFunction =>
  ((
    host: string,
    options: object,
    done: (error: Error | null, address?: string | LookupAddress[], family?: number) => void
  ) => {
    resolveName(host, { ...options, all: true }, (error, found) => {
      if (error) return done(error);
      if (!found.every(({ address }) => allows(address))) return done(notPublic(host));
      if ((options as { all?: boolean }).all) return done(null, found);
      done(null, found[0]!.address, found[0]!.family);
    });
  }) as LookupFunction;

function readAddress(text: string): URL | null {
  const url = URL.canParse(text) ? new URL(text) : null;
  return url && isPublicForm(url) ? url : null;
}

/** Whether an address is one of the web, without a name or password in it. */
const isPublicForm = ({ protocol, username, password }: URL): boolean =>
  (protocol === 'http:' || protocol === 'https:') && !username && !password;

function ask(url: URL, { allows }: FetchLimits, signal: AbortSignal): Promise<IncomingMessage> {
  const host = url.hostname.replace(/^\[|\]$/g, '');
  if (isIP(host) > 0 && !allows(host)) return Promise.reject(notPublic(host));
  return new Promise((resolve, reject) => {
    const request = (url.protocol === 'https:' ? getSecure : getPlain)(
      url,
      { lookup: lookupOf(allows), signal, headers: { accept: 'image/*, video/*', 'user-agent': 'Kymation' } },
      resolve
    );
    request.on('error', reject);
  });
}

/**
 * Fetches one file from the web: http and https, no more than so many bytes, redirects followed and looked at
 * like the first address.
 * @returns the bytes with the last name in the address, or a sentence that says why not. Throws only where
 * `signal` was aborted.
 */
export async function fetchFile(address: string, limits: FetchLimits): Promise<Fetched> {
  const no = (sentence: string): Fetched => ({ ok: false, sentence });
  let url = readAddress(address);
  if (!url) return no('That is no address of a file on the web. It starts with https:// or http://.');
  const late = AbortSignal.timeout(limits.within);
  const signal = limits.signal ? AbortSignal.any([limits.signal, late]) : late;
  const { host } = url;
  try {
    for (let turn = 0; turn <= REDIRECTS_MOST; turn += 1) {
      const answer = await ask(url, limits, signal);
      const { statusCode = 0, headers } = answer;
      if (statusCode >= 300 && statusCode < 400 && headers.location) {
        answer.resume();
        const next: URL | null = readAddress(new URL(headers.location, url).href);
        if (!next) return no(`${host} leads to an address that is not on the web.`);
        url = next;
        continue;
      }
      if (statusCode !== 200)
        return no(`${host} answered ${statusCode}: there is no such file for everyone. Check the address.`);
      const parts: Uint8Array[] = [];
      let size = 0;
      for await (const part of answer as AsyncIterable<Uint8Array>) {
        size += part.length;
        if (size > limits.most) {
          answer.destroy();
          return no(`The file at ${host} is larger than ${limits.most / 1e6} MB. Make it smaller first.`);
        }
        parts.push(part);
      }
      return {
        ok: true,
        bytes: new Uint8Array(Buffer.concat(parts)),
        name: decodeURIComponent(url.pathname.split('/').pop() ?? '')
      };
    }
    return no(`${host} leads from one address to the next without end.`);
  } catch (error) {
    if (limits.signal?.aborted) throw error;
    if (error instanceof NotAsked) return no(error.message);
    return no(
      late.aborted
        ? `${host} took longer than ${limits.within / 1000} s. Try again, or choose the file itself.`
        : `${host} does not answer. Check the address, or choose the file itself.`
    );
  }
}

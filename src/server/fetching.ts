import { lookup as resolveName, type LookupAddress } from 'node:dns';
import { get as getPlain, type IncomingMessage } from 'node:http';
import { get as getSecure } from 'node:https';
import { BlockList, isIP, type LookupFunction } from 'node:net';

export type Fetched = { readonly ok: true; readonly bytes: Uint8Array; readonly name: string } | { readonly ok: false; readonly sentence: string };

export interface FetchLimits {
  /** Greatest size, bytes. */
  readonly most: number;
  /** Longest time for all of it, ms. */
  readonly within: number;
  /** Whether addresses of this machine may be asked for; of the network around it none ever may. */
  readonly allowsLoopback: boolean;
  readonly signal?: AbortSignal;
}

const REDIRECTS_MOST = 5;

const loopback = new BlockList();
loopback.addSubnet('127.0.0.0', 8, 'ipv4');
loopback.addAddress('::1', 'ipv6');

/** Addresses that are not of the public network (IANA special-purpose address registries, RFC 6890). */
const inner = new BlockList();
for (const [net, bits] of [['0.0.0.0', 8], ['10.0.0.0', 8], ['100.64.0.0', 10], ['169.254.0.0', 16], ['172.16.0.0', 12], ['192.0.0.0', 24], ['192.168.0.0', 16], ['198.18.0.0', 15], ['224.0.0.0', 4], ['240.0.0.0', 4]] as const) inner.addSubnet(net, bits, 'ipv4');
for (const [net, bits] of [['::', 128], ['fc00::', 7], ['fe80::', 10], ['ff00::', 8], ['64:ff9b::', 96]] as const) inner.addSubnet(net, bits, 'ipv6');

/** An IPv4 address in the clothes of an IPv6 one is what it is inside (RFC 4291, section 2.5.5.2). */
const unmapped = (ip: string) => /^::ffff:(\d+\.\d+\.\d+\.\d+)$/i.exec(ip)?.[1] ?? ip;

/** @returns whether an IP address may be asked for a file: a public one, or this machine's own where that is allowed. */
export function mayAsk(address: string, allowsLoopback: boolean): boolean {
  const ip = unmapped(address);
  const family = isIP(ip) === 6 ? 'ipv6' : 'ipv4';
  if (isIP(ip) === 0 || /^::ffff:/i.test(ip)) return false;
  if (loopback.check(ip, family)) return allowsLoopback;
  return !inner.check(ip, family);
}

class NotAsked extends Error {}

const notPublic = (host: string) => new NotAsked(`${host} is on this machine or its own network. Give an address on the web, or choose the file itself.`);

/** Names are looked up for the very connection, so that one that changes its mind between two questions gains nothing. */
const lookupOf = (allowsLoopback: boolean): LookupFunction =>
  ((host: string, options: object, done: (error: Error | null, address?: string | LookupAddress[], family?: number) => void) => {
    resolveName(host, { ...options, all: true }, (error, found) => {
      if (error) return done(error);
      if (!found.every(({ address }) => mayAsk(address, allowsLoopback))) return done(notPublic(host));
      if ((options as { all?: boolean }).all) return done(null, found);
      done(null, found[0]!.address, found[0]!.family);
    });
  }) as LookupFunction;

function readAddress(text: string): URL | null {
  try {
    const url = new URL(text);
    return (url.protocol === 'http:' || url.protocol === 'https:') && !url.username && !url.password ? url : null;
  } catch {
    return null;
  }
}

function ask(url: URL, { allowsLoopback }: FetchLimits, signal: AbortSignal): Promise<IncomingMessage> {
  const host = url.hostname.replace(/^\[|\]$/g, '');
  if (isIP(host) > 0 && !mayAsk(host, allowsLoopback)) return Promise.reject(notPublic(host));
  return new Promise((resolve, reject) => {
    const request = (url.protocol === 'https:' ? getSecure : getPlain)(url, { lookup: lookupOf(allowsLoopback), signal, headers: { accept: 'image/*, video/*', 'user-agent': 'Kymation' } }, resolve);
    request.on('error', reject);
  });
}

/**
 * Fetches one file from the web: http and https, no more than so many bytes, redirects followed and looked at like the first address.
 * @returns the bytes with the last name in the address, or a sentence that says why not. Throws only where `signal` was aborted.
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
      if (statusCode !== 200) return no(`${host} answered ${statusCode}: there is no such file for everyone. Check the address.`);
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
      return { ok: true, bytes: new Uint8Array(Buffer.concat(parts)), name: decodeURIComponent(url.pathname.split('/').pop() ?? '') };
    }
    return no(`${host} leads from one address to the next without end.`);
  } catch (error) {
    if (limits.signal?.aborted) throw error;
    if (error instanceof NotAsked) return no(error.message);
    return no(late.aborted ? `${host} took longer than ${limits.within / 1000} s. Try again, or choose the file itself.` : `${host} does not answer. Check the address, or choose the file itself.`);
  }
}

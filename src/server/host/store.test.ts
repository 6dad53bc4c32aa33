import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { hostOf } from './host';
import { nameFault, Refused, SiteStore } from './store';

let folder: string;
let store: SiteStore;

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'kymation-host-'));
  store = new SiteStore(folder);
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const bytes = (text: string) => new TextEncoder().encode(text);
const files = (text: string, more: Readonly<Record<string, string>> = {}) =>
  new Map(
    Object.entries({ 'index.html': `<p>${text}</p>`, 'style.css': `/* ${text} */`, ...more }).map(
      ([path, each]) => [path, bytes(each)]
    )
  );
const readers = async (path: string) => (await store.maybeFile('orchard', path))?.content.toString() ?? null;

describe('published sites', () => {
  it('are what was published last, and any earlier one again', async () => {
    const first = await store.publish('orchard', files('one', { 'old.html': 'old' }));
    expect(await readers('index.html')).toBe('<p>one</p>');
    await store.publish('orchard', files('two'));
    expect([await readers('index.html'), await readers('old.html')]).toEqual(['<p>two</p>', null]);
    await store.show('orchard', first.id);
    expect([await readers('index.html'), await readers('old.html')]).toEqual(['<p>one</p>', 'old']);
    const { current, publishings } = await store.site('orchard');
    expect([current, publishings.length, publishings[1]!.id]).toEqual([first.id, 2, first.id]);
  });

  it('are never half of one and half of another, with many published at once', async () => {
    const all = Array.from({ length: 8 }, (_, i) => store.publish('orchard', files(`number ${i}`)));
    await Promise.all(all);
    const page = (await readers('index.html'))!;
    const style = (await readers('style.css'))!;
    expect(style).toBe(`/* ${/number \d/.exec(page)![0]} */`);
    expect(readdirSync(join(folder, 'orchard')).filter((each) => each.startsWith('writing'))).toEqual([]);
  });

  it('are kept within a limit, with the one on show among them', async () => {
    const first = await store.publish('orchard', files('first'));
    await store.show('orchard', first.id);
    for (let i = 0; i < 12; i += 1) await store.publish('orchard', files(`${i}`));
    const { publishings, current } = await store.site('orchard');
    expect(publishings).toHaveLength(10);
    expect(publishings[0]!.id).toBe(current);
    await expect(store.show('orchard', first.id)).rejects.toThrow(Refused);
  });

  it.each(['', '../etc', 'a/b', 'Orchard', 'x'.repeat(61), '.hidden', 'a--b'])(
    'have no name such as “%s”',
    async (name) => {
      expect(nameFault(name)).toMatch(/cannot be an address/);
      await expect(async () => store.publish(name, files('x'))).rejects.toThrow(Refused);
      expect(await store.maybeFile(name, 'index.html')).toBeNull();
    }
  );

  it.each(['../index.html', '/etc/passwd', 'a//b', 'a/../b', 'a\\b', '..'])(
    'have no file called “%s”',
    async (path) => {
      await expect(store.publish('orchard', files('x', { [path]: 'y' }))).rejects.toThrow(Refused);
      expect((await store.site('orchard')).current).toBeNull();
    }
  );

  it('keep what was there where there is no page to open on, or nowhere to write', async () => {
    await store.publish('orchard', files('one'));
    await expect(store.publish('orchard', new Map([['style.css', bytes('')]]))).rejects.toThrow(
      /index\.html/
    );
    expect(await readers('index.html')).toBe('<p>one</p>');
    const file = join(folder, 'taken');
    writeFileSync(file, 'a file');
    await expect(new SiteStore(file).publish('orchard', files('x'))).rejects.toThrow();
  });
});

describe('their host', () => {
  const served = mkdtempSync(join(tmpdir(), 'kymation-served-'));
  const kept = new SiteStore(served);
  const host = hostOf(kept);
  let address = '';
  beforeAll(async () => {
    await new Promise<void>((resolve) => host.listen(0, '127.0.0.1', resolve));
    address = `http://localhost:${(host.address() as AddressInfo).port}`;
    await kept.publish('orchard', files('one', { 'assets/a-b.svg': '<svg/>' }));
  });
  afterAll(() => {
    host.close();
    rmSync(served, { recursive: true, force: true });
  });
  const get = (path: string, options: RequestInit = {}) =>
    fetch(address + path, { redirect: 'manual', ...options });

  it('answers with the page, its files and their types', async () => {
    const page = await get('/orchard/');
    expect([page.status, page.headers.get('content-type'), await page.text()]).toEqual([
      200,
      'text/html; charset=utf-8',
      '<p>one</p>'
    ]);
    expect((await get('/orchard/assets/a-b.svg')).headers.get('content-type')).toBe('image/svg+xml');
    expect((await get('/orchard')).headers.get('location')).toBe('/orchard/');
    const etag = page.headers.get('etag')!;
    expect((await get('/orchard/', { headers: { 'if-none-match': etag } })).status).toBe(304);
  });

  it.each([
    '/',
    '/nobody/',
    '/orchard/../../etc/passwd',
    '/orchard/%2e%2e/current.json',
    '/orchard/nothing.html',
    '/%',
    '/current.json'
  ])('has nothing at %s', async (path) => expect((await get(path)).status).toBe(404));

  it('takes nothing, and answers under no other name', async () => {
    expect((await get('/orchard/', { method: 'POST', body: 'x' })).status).toBe(405);
  });
});

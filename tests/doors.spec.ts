import { connect } from 'node:net';
import { request as ask } from 'node:http';
import sharp from 'sharp';
import { expect, test } from './support/test';
import { inTurn, sample, thorough } from './support/thorough';

const PORT = Number(process.env.TEST_PORT ?? 4317);
const HOST = `localhost:${PORT}`;
const page = {
  file: 'index',
  title: 'Big',
  description: '',
  language: 'en',
  picture: null,
  css: 'p { margin: 0; }',
  behaviours: [] as string[],
  preloads: []
};
const body = (count: number) =>
  `<body><main><h1>Big</h1>${Array.from({ length: count }, (_, n) => `<p>Paragraph ${n}</p>`).join('\n')}</main></body>`;

test('every answer has the headers, static files too', async ({ request, profile }) => {
  // A window of its own: one that is in the app already asks for none of the app's files.
  const tab = await profile.newPage();
  await tab.goto('/');
  const files = await tab.evaluate(() =>
    [...document.querySelectorAll<HTMLLinkElement | HTMLScriptElement>('link[href], script[src]')].map(
      (each) => ('href' in each ? each.href : each.src)
    )
  );
  const own = files.filter((each) => each.startsWith(`http://${HOST}/`));
  expect(own.length).toBeGreaterThan(1);
  for (const address of [
    ...own,
    '/mark.svg',
    '/frame.css',
    '/',
    '/demo',
    '/frame/probe.js',
    '/api/icons?q=apple',
    '/nowhere'
  ]) {
    const headers = (await request.get(address)).headers();
    expect([
      address,
      headers['x-content-type-options'],
      headers['referrer-policy'],
      headers['cross-origin-opener-policy']
    ]).toEqual([address, 'nosniff', 'no-referrer', 'same-origin']);
    expect([address, headers['content-security-policy']]).toEqual([
      address,
      expect.stringContaining("frame-ancestors 'none'")
    ]);
  }
});

test('a foreign name that leads here gets no answer', async () => {
  for (const host of [
    'orchard.example',
    `orchard.example:${PORT}`,
    `localhost.orchard.example:${PORT}`,
    `10.0.0.1:${PORT}`
  ]) {
    const status = await new Promise<number>((resolve, reject) => {
      const request = ask({ host: '127.0.0.1', port: PORT, path: '/', headers: { host } }, (response) => {
        response.resume();
        resolve(response.statusCode!);
      });
      request.on('error', reject).end();
    });
    expect([host, status]).toEqual([host, 421]);
  }
});

test('what cannot be finished is refused in a sentence, and the server goes on', async ({ request }) => {
  const cases: [object, RegExp][] = [
    [{ ...page, body: body(1), behaviours: ['melt'] }, /no behaviour/],
    [{ ...page, body: body(1), css: '</style><script>' }, /closing tag/],
    [{ ...page, body: body(1), css: `a{width:${'calc('.repeat(20_000)}1px` }, /more than 64 deep/],
    [{ ...page, body: `<body>${'<div>'.repeat(5000)}</body>` }, /more than 2000 deep/]
  ];
  for (const [each, sentence] of cases) {
    const response = await request.post('/api/finish', { data: { single: false, pages: [each] } });
    expect(response.status()).toBe(400);
    expect(((await response.json()) as { sentence: string }).sentence).toMatch(sentence);
  }
  const broken = await request.post('/api/finish', {
    data: '{',
    headers: { 'content-type': 'application/json' }
  });
  expect(broken.status()).toBe(400);
  expect((await request.get('/')).ok()).toBe(true);
});

test('while a large page is finished, others are answered at once', thorough, async ({ request }) => {
  const finishing = request.post('/api/finish', {
    data: { single: false, pages: [{ ...page, body: body(20_000) }] }
  });
  let isDone = false;
  void finishing.then(() => (isDone = true));
  let answered = 0;
  while (!isDone) {
    expect((await request.get('/api/icons?q=apple')).ok()).toBe(true);
    answered += 1;
  }
  expect((await finishing).ok()).toBe(true);
  expect(answered).toBeGreaterThan(5);
});

test('a body that never comes whole is given up', thorough, async () => {
  const answer = await new Promise<string>((resolve, reject) => {
    const socket = connect(PORT, '127.0.0.1', () =>
      socket.write(
        `POST /api/finish HTTP/1.1\r\nhost: ${HOST}\r\ncontent-type: application/json\r\ncontent-length: 1000\r\n\r\n{`
      )
    );
    let text = '';
    socket.on('data', (part) => (text += part.toString()));
    socket.on('close', () => resolve(text));
    socket.on('error', reject);
  });
  expect(answer).toMatch(/^HTTP\/1\.1 408/);
});

test('a connection that is opened ahead and not used is closed without a word', thorough, async () => {
  const told = await new Promise<string>((resolve, reject) => {
    const socket = connect(PORT, '127.0.0.1');
    let text = '';
    socket.on('data', (part) => (text += part.toString()));
    socket.on('close', () => resolve(text));
    socket.on('error', reject);
  });
  expect(told).toBe('');
});

test('what is no request is answered as one that cannot be read', async () => {
  const told = await new Promise<string>((resolve, reject) => {
    const socket = connect(PORT, '127.0.0.1', () => socket.write('apples, please\r\n\r\n'));
    let text = '';
    socket.on('data', (part) => (text += part.toString()));
    socket.on('close', () => resolve(text));
    socket.on('error', reject);
  });
  expect(told).toMatch(/^HTTP\/1\.1 400/);
});

/** How many pictures are asked for at once. */
const PICTURES = sample(15, 60);

test(`${PICTURES} pictures asked for at once all come`, inTurn(7), async ({ request }) => {
  const picture = await sharp({ create: { width: 900, height: 600, channels: 3, background: '#7a9a4c' } })
    .jpeg()
    .toBuffer();
  const answers = await Promise.all(
    Array.from({ length: PICTURES }, () =>
      request.post('/api/renditions?widths=320,640', {
        data: picture,
        headers: { 'content-type': 'application/octet-stream' }
      })
    )
  );
  expect(answers.map((each) => each.status())).toEqual(answers.map(() => 200));
});

import type { Browser } from '@playwright/test';
import { median, newPage } from './tools';

/** A page of so many paragraphs, in sections of fifty. */
function bodyOf(count: number): string {
  const sections = Array.from({ length: Math.ceil(count / 50) }, (_, n) => {
    const words = Array.from(
      { length: 50 },
      (_each, i) => `<p>Paragraph ${n * 50 + i}, with a few words in it.</p>`
    ).join('\n');
    return `<section id="s${n}"><h2>Section ${n}</h2>${words}</section>`;
  });
  return `<body><main><h1>Large</h1>${sections.join('\n')}</main></body>`;
}

const requestOf = (count: number) =>
  JSON.stringify({
    single: false,
    pages: [
      {
        file: 'index',
        title: 'Large',
        description: '',
        language: 'en',
        picture: null,
        css: 'p { margin: 0; }',
        behaviours: [],
        preloads: [],
        body: bodyOf(count)
      }
    ]
  });

async function post(address: string, body: string): Promise<number> {
  const from = performance.now();
  const response = await fetch(`${address}/api/finish`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: address },
    body
  });
  if (!response.ok) throw new Error(`${response.status}: ${await response.text()}`);
  await response.text();
  return performance.now() - from;
}

export interface Finishing {
  /** ms for a page of 20,000 nodes. */
  readonly whole: number;
  /** The time of half as many nodes as a share of that. */
  readonly half: number;
  /** The longest another request waited meanwhile, ms. */
  readonly waited: number;
}

/** Finishes large pages while others ask the same server for something small. */
export async function finishing(address: string): Promise<Finishing> {
  // The worker's own script is made once.
  await post(address, requestOf(50));
  const half = median([
    await post(address, requestOf(10_000)),
    await post(address, requestOf(10_000)),
    await post(address, requestOf(10_000))
  ]);
  const wholes: number[] = [];
  const waits: number[] = [];
  for (let round = 0; round < 3; round += 1) {
    let isDone = false;
    const work = post(address, requestOf(20_000)).finally(() => (isDone = true));
    while (!isDone) {
      const from = performance.now();
      await (await fetch(`${address}/api/icons?q=apple`)).text();
      waits.push(performance.now() - from);
    }
    wholes.push(await work);
  }
  const whole = median(wholes);
  return { whole, half: half / whole, waited: Math.max(...waits) };
}

/** From the key to the frame that shows the insert drawer with the keys in its field, ms: the median of some. */
export async function insertOpens(browser: Browser, address: string): Promise<number> {
  const target = await newPage(browser);
  await target.goto(`${address}/demo`);
  await target.frameLocator('iframe[title^="Preview of"]').locator('.season-tabs').waitFor();
  // What is fetched ahead has come.
  await target.waitForTimeout(3000);
  const times: number[] = [];
  for (let n = 0; n < 7; n += 1) {
    times.push(
      await target.evaluate(
        () =>
          new Promise<number>((resolve) => {
            const from = performance.now();
            const look = () => {
              const field = document.querySelector('[aria-label="What to insert"]');
              if (field && document.activeElement === field)
                requestAnimationFrame(() => resolve(performance.now() - from));
              else requestAnimationFrame(look);
            };
            window.dispatchEvent(new KeyboardEvent('keydown', { key: 'a', code: 'KeyA', bubbles: true }));
            look();
          })
      )
    );
    await target.keyboard.press('Escape');
    await target.waitForTimeout(200);
  }
  await target.close();
  return median(times);
}

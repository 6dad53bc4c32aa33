import sharp from 'sharp';
import { contrast, type Colour } from '../src/core/colour/contrast';
import { arrived } from './support/arrived';
import { everyKind } from './support/kinds';
import { expect, test, type Page } from './support/test';
import { inTurn } from './support/thorough';
import { changed, open } from './support/visit';

// WCAG 2.2, 2.4.7 and 2.4.13: what has the focus shows it, by a change of at least 3 : 1 against the same pixels
// without it. Chromium's own pixels are looked at, for one of every kind.

const AROUND = 8;

interface Stop {
  readonly name: string;
  readonly clip: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** Run in the page: adds what Tab comes to last, by which a walk knows its end. */
function addEnd(): void {
  const end = document.createElement('button');
  end.id = 'end-of-walk';
  document.body.append(end);
}

/** Run in the page: what has the focus, and the part of the window it stands in; null at the end of the walk. */
function stopThere(around: number): Stop | null {
  const element = document.activeElement as HTMLElement;
  if (element.id === 'end-of-walk') return null;
  const box = element.getBoundingClientRect();
  const [x, y] = [Math.max(0, box.left - around), Math.max(0, box.top - around)];
  const width = Math.min(innerWidth, box.right + around) - x;
  const height = Math.min(innerHeight, box.bottom + around) - y;
  const { node, part } = element.dataset;
  return { name: `${element.tagName} ${node} ${part}`, clip: { x, y, width, height } };
}

/** Run in the page: takes the ring of what has the focus away, or gives it back. */
function setRing(isOn: boolean): void {
  const { style } = document.activeElement as HTMLElement;
  if (isOn) style.removeProperty('outline');
  else style.setProperty('outline', 'none', 'important');
}

const colourAt = (pixels: Buffer, at: number): Colour => ({
  r: pixels[at]! / 255,
  g: pixels[at + 1]! / 255,
  b: pixels[at + 2]! / 255,
  alpha: 1
});

/** The middle contrast of the pixels that differ; 1 where none do. */
function changeBetween(one: Buffer, other: Buffer): number {
  const changes: number[] = [];
  for (let at = 0; at < one.length; at += 3)
    if (one.compare(other, at, at + 3, at, at + 3) !== 0)
      changes.push(contrast(colourAt(one, at), colourAt(other, at)));
  return changes.toSorted((a, b) => a - b)[Math.floor(changes.length / 2)] ?? 1;
}

/**
 * The next stop of Tab. A frame of another site has a process of its own: while the browser asks it whether it holds
 * anything to stop at, nothing has the focus.
 */
async function nextStop(page: Page): Promise<Stop | null> {
  await page.keyboard.press('Tab');
  await page.waitForFunction(() => document.activeElement !== document.body);
  return page.evaluate(stopThere, AROUND);
}

async function ringOf(page: Page, { clip }: Stop): Promise<number> {
  const pixels = async () =>
    sharp(await page.screenshot({ clip }))
      .removeAlpha()
      .raw()
      .toBuffer();
  const withRing = await pixels();
  await page.evaluate(setRing, false);
  const without = await pixels();
  await page.evaluate(setRing, true);
  return changeBetween(withRing, without);
}

test(
  'every stop of Tab on a page with one of every kind shows that it has the focus',
  inTurn(1),
  async ({ blank: page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await open(page, changed(...everyKind('find-us')));
    await page.evaluate(addEnd);
    const faint: string[] = [];
    let stops = 0;
    for (let stop = await nextStop(page); stop; stop = await nextStop(page)) {
      await arrived(page);
      const ring = await ringOf(page, (await page.evaluate(stopThere, AROUND))!);
      if (ring < 3) faint.push(`${stop.name}: ${ring.toFixed(1)}`);
      stops += 1;
    }
    expect(faint).toEqual([]);
    expect(stops).toBeGreaterThan(30);
  }
);

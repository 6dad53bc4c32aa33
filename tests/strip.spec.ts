import { build } from 'esbuild';
import { expect, test } from './support/test';

/** Our places and a general-purpose slider library’s, over the same strips. */
async function bundle(): Promise<string> {
  const contents = `
    import EmblaCarousel from 'embla-carousel';
    import { placesOf } from './src/runtime/strip';
    window.ours = placesOf;
    window.theirs = (view, align) => {
      const embla = EmblaCarousel(view, { align, containScroll: 'trimSnaps', active: true });
      const snaps = embla.internalEngine().scrollSnaps.map((snap) => Math.abs(Math.round(snap)));
      embla.destroy();
      return snaps;
    };`;
  const made = await build({
    stdin: { contents, resolveDir: process.cwd(), loader: 'ts' },
    bundle: true,
    format: 'iife',
    write: false,
    logLevel: 'silent'
  });
  return made.outputFiles[0]!.text;
}

interface Strip {
  readonly window: number;
  readonly gap: number;
  readonly widths: readonly number[];
  readonly align: 'start' | 'center';
}

/** Sets of whole numbers, the same at every run. */
function strips(count: number): Strip[] {
  let seed = 20_261_127;
  const next = (below: number) => (seed = (seed * 48_271) % 2_147_483_647) % below;
  return Array.from({ length: count }, () => ({
    window: 300 + next(900),
    gap: next(40),
    widths: Array.from({ length: 1 + next(10) }, () => 60 + next(500)),
    align: next(2) === 0 ? ('start' as const) : ('center' as const)
  }));
}

test('a strip comes to rest where embla-carousel does, and Chromium snaps, in 300 random sets', async ({
  blank: page
}) => {
  await page.setContent('<body style="margin: 0"></body>');
  await page.addScriptTag({ content: await bundle() });
  const answers = await page.evaluate(async (all) => {
    const { ours, theirs } = window as unknown as {
      ours: (view: HTMLElement) => number[];
      theirs: (view: HTMLElement, align: string) => number[];
    };
    const found = [];
    for (const { window: width, gap, widths, align } of all) {
      const view = document.createElement('div');
      view.style.cssText = `position: relative; overflow-x: auto; width: ${width}px; --k-align: ${align === 'center' ? 0.5 : 0}`;
      view.style.scrollSnapType = 'x mandatory';
      const strip = document.createElement('div');
      strip.style.cssText = `display: flex; gap: ${gap}px`;
      for (const each of widths) {
        const slide = document.createElement('div');
        // No slide is wider than the window: such a one may rest anywhere inside it.
        const px = Math.min(each, width);
        slide.style.cssText = `flex: 0 0 ${px}px; height: 20px; scroll-snap-align: ${align}`;
        strip.append(slide);
      }
      view.append(strip);
      document.body.replaceChildren(view);
      const places = ours(view);
      // Where the browser itself comes to rest for each of them.
      const rests = places.map((place) => {
        view.scrollLeft = place;
        return view.scrollLeft;
      });
      found.push({ places, rests, theirs: theirs(view, align) });
    }
    return found;
  }, strips(300));
  expect(answers).toHaveLength(300);
  const wrong: string[] = [];
  let compared = 0;
  const isAt = (place: number, other: number | undefined) =>
    other !== undefined && Math.abs(other - place) <= 1;
  for (const [set, { places, rests, theirs }] of answers.entries()) {
    const astray = places.filter((place, i) => !isAt(place, rests[i]));
    if (astray.length > 0) wrong.push(`Chromium, set ${set}: ${rests.join(' ')}, not ${places.join(' ')}`);
    const distinct = places.filter((place, i) => i === 0 || place - places[i - 1]! > 1);
    const most = Math.max(...places);
    // Its rules: content that is hardly wider than the window is one place.
    if (most <= 2) continue;
    compared += 1;
    const isSame = distinct.length === theirs.length && distinct.every((place, i) => isAt(place, theirs[i]));
    if (!isSame) wrong.push(`the library, set ${set}: ${theirs.join(' ')}, not ${distinct.join(' ')}`);
  }
  expect(wrong).toEqual([]);
  expect(compared).toBeGreaterThan(200);
});

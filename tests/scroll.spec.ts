import type { Command } from '../src/core/commands/commands';
import { printPage } from '../src/core/compile/page';
import type { Box } from '../src/core/facts/box';
import { settings as driftSettings } from '../src/core/effects/drift/settings';
import { ownValues } from '../src/core/kinds/effects';
import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import type { Fragment, NodeId, Project } from '../src/core/project/types';
import { registry } from '../src/core/whole';
import { driftAtEdge } from '../src/core/scroll/drift';
import { progressAt } from '../src/core/scroll/progress';
import { rangesOf, type Range } from '../src/core/scroll/ranges';
import { after } from '../src/core/testing/project';
import { boxReader, type BoxReader } from './support/boxes';
import { random } from './support/random';
import { sample } from './support/thorough';
import { expect, test, type Page } from './support/test';

const make = makeWith({ exactIds: true });

const words = (name: string): Fragment => make('text', name, { html: '<p>Words.</p>' });
const block = (name: string): Fragment => make('stack', name, {}, { content: [words(`${name} words`)] });

const filler = (name: string, height: number): Fragment =>
  make('section', name, { height: `${height}px` }, { content: [words(`${name} words`)] });

const FOLLOWED = ['entry', 'cover', 'contain', 'exit', 'section', 'page', 'px', 'sideways'] as const;

/** A page with blocks of random heights, each tied to the scroll in its own way, and a section that goes sideways. */
function randomPage(seed: number): Project {
  const of = random(seed);
  const blocks = FOLLOWED.filter((over) => over !== 'sideways').map((over) => block(`Ties ${over}`));
  const panels = [
    ...Array.from({ length: 1 + of(4) }, (_each, n) => block(`Panel ${n}`)),
    block('Ties sideways')
  ];
  const page = make(
    'page',
    'Page',
    {},
    {
      sections: [
        filler('Before', of(900)),
        make('section', 'Tied', {}, { content: [...blocks, block('Drifting')] }),
        make('section', 'Across', {}, { content: panels }),
        filler('Between', of(700)),
        make(
          'section',
          'Again',
          {},
          { content: [block('Again one'), block('Again two'), block('Again three')] }
        ),
        filler('After', 400 + of(1200))
      ]
    }
  );
  const tall = (id: string, height: number): Command => ({
    type: 'set-style',
    id: id as never,
    part: 'root',
    state: 'rest',
    condition: 'always',
    property: 'padding',
    value: `${height}px 0 0`
  });
  const set = (id: string, key: string, value: unknown): Command =>
    ({ type: 'set-setting', id, key, value }) as Command;
  const tied = FOLLOWED.flatMap((over): Command[] => {
    const id = `ties-${over}`;
    const from = of(50);
    return [
      tall(id, 20 + of(over === 'contain' ? 1400 : 300)),
      { type: 'add-effect', id: id as never, effect: 'follow' },
      set(id, 'follow-over', over),
      set(id, 'follow-from', from),
      set(id, 'follow-to', from + 10 + of(60)),
      set(id, 'follow-start', of(800)),
      set(id, 'follow-end', 900 + of(900)),
      set(id, 'follow-translate', ''),
      set(id, 'follow-opacity', '0 → 1')
    ];
  });
  return after(
    createProject('Random', page),
    ...tied,
    tall('drifting', of(600)),
    ...([
      { type: 'add-effect', id: 'drifting', effect: 'drift' },
      set('drifting', 'drift-speed', of(181) - 90),
      { type: 'add-effect', id: 'across', effect: 'sideways' },
      set('across', 'sideways-panel', 60 + of(80)),
      set('across', 'sideways-pace', (5 + of(20)) / 10),
      set('across', 'sideways-before', of(30)),
      set('across', 'sideways-after', of(30)),
      set('across', 'sideways-inset', of(3) * 40),
      { type: 'add-effect', id: 'again', effect: 'sideways' },
      set('again', 'sideways-panel', 50 + of(100)),
      set('drifting', 'drift-from', of(51)),
      set('drifting', 'drift-to', 50 + of(51))
    ] as Command[])
  );
}

/** What is seen of pieces at a scroll position: opacity, and how far each is moved, px. */
interface Seen {
  readonly at: number;
  readonly opacity: Readonly<Record<string, number>>;
  readonly drift: number;
  /** How far the strip of each that goes sideways has gone, px. */
  readonly across: Readonly<Record<string, number>>;
}

/** Two that go sideways, one further down than the other. */
const ACROSS = ['across', 'again'] as const;
const STEPS = 12;

async function seenOf(page: Page): Promise<{ boxes: [string, Box][]; seen: Seen[] }> {
  return page.evaluate(
    async ([steps, tied, across]) => {
      const element = (id: string) => document.querySelector<HTMLElement>(`[data-node="${id}"]`)!;
      const all = [...tied.map((each) => `ties-${each}`), 'drifting', ...across];
      const read = (window as unknown as { boxes: BoxReader }).boxes;
      const boxes = read.readBoxes(all.map((id) => [id, element(id)]));
      const frame = () => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)));
      const rest = new Map(boxes).get('drifting')!.top;
      await frame();
      const way = document.documentElement.scrollHeight - innerHeight;
      const seen: Seen[] = [];
      // Forwards and back again.
      for (let step = 0; step <= 2 * steps; step += 1) {
        const share = step <= steps ? step / steps : 2 - step / steps;
        scrollTo(0, Math.round(way * share));
        await frame();
        seen.push({
          at: scrollY,
          opacity: Object.fromEntries(
            tied.map((each) => [each, +getComputedStyle(element(`ties-${each}`)).opacity])
          ),
          drift: element('drifting').getBoundingClientRect().top + scrollY - rest,
          across: Object.fromEntries(
            across.map((id) => {
              const strip =
                element(id).querySelector('[data-k-panels]')!.firstElementChild!.firstElementChild!;
              const window = strip.parentElement!;
              return [id, strip.getBoundingClientRect().left - window.getBoundingClientRect().left];
            })
          )
        });
      }
      return { boxes, seen };
    },
    [STEPS, FOLLOWED, ACROSS] as const
  );
}

async function show(page: Page, project: Project, script: string, isNative: boolean) {
  const { body, css } = printPage(registry, project, project.info.pageOrder[0]!, {
    addressOf: () => '',
    marked: true
  });
  const styles = isNative
    ? css
    : css.replaceAll('(animation-timeline: view())', '(animation-timeline: none-such())');
  const without = isNative ? '' : '<script>CSS.supports = () => false</script>';
  await page.setContent(`<!doctype html><style>${styles}</style>${without}${body}<script>${script}</script>`);
  return seenOf(page);
}

/** How far off its place the piece that drifts is, px. @param progress how much of its range has gone, 0 to 1. */
function driftedBy(project: Project, boxes: ReadonlyMap<string, Box>, progress: number): number {
  const { speed, from, to } = ownValues('drift', driftSettings, project.nodes['drifting' as NodeId]!);
  const { top, bottom, height } = boxes.get('drifting')!;
  const share = (from + progress * (to - from)) / 100;
  return driftAtEdge(speed / 100, bottom - top, height) * (2 * share - 1);
}

const spanOf = (ranges: readonly Range[], node: string): Range =>
  ranges.find((range) => range.node === node)!;

// Scroll-driven Animations 1, sections 3.1 and 4: the reference is what Chromium does.
const PAGES = sample(3, 100);
test(`ranges are where Chromium has them, by its own timelines and by script, on ${PAGES} random pages`, async ({
  blank: page
}) => {
  test.setTimeout(300_000 + PAGES * 12_000);
  const script = await boxReader('scrolls', 'panels');
  const worst = { drift: 0, across: 0 };
  const astray: string[] = [];
  let between = 0;
  for (let seed = 1; seed <= PAGES; seed += 1) {
    const project = randomPage(seed);
    await page.setViewportSize({ width: 1000 + (seed % 5) * 90, height: 500 + (seed % 4) * 100 });
    const native = await show(page, project, script, true);
    const scripted = await show(page, project, script, false);
    const boxes = new Map(native.boxes) as never as Map<never, Box>;
    const ranges = rangesOf(registry, project, boxes, 'always');
    native.seen.forEach((seen, n) => {
      const other = scripted.seen[n]!;
      for (const over of FOLLOWED) {
        const range = spanOf(ranges, `ties-${over}`);
        const expected = progressAt(range, seen.at);
        if (expected > 0 && expected < 1) between += 1;
        const px = Math.abs(expected - seen.opacity[over]!) * (range.end - range.start);
        const apart = Math.abs(other.opacity[over]! - seen.opacity[over]!);
        if (px >= 1 || apart >= 0.005)
          astray.push(`page ${seed}, ${over} at ${seen.at}: ${px} px, ${apart} apart`);
      }
      const drifting = spanOf(ranges, 'drifting');
      const drift = driftedBy(project, boxes, progressAt(drifting, seen.at));
      worst.drift = Math.max(worst.drift, Math.abs(drift - seen.drift), Math.abs(other.drift - seen.drift));
      for (const id of ACROSS) {
        const across = spanOf(ranges, id);
        const moved = progressAt(across, seen.at) * across.travel!;
        worst.across = Math.max(
          worst.across,
          Math.abs(moved - seen.across[id]!),
          Math.abs(other.across[id]! - seen.across[id]!)
        );
      }
    });
  }
  expect(between).toBeGreaterThan(15 * PAGES);
  expect(astray).toEqual([]);
  expect(worst.drift).toBeLessThan(1);
  expect(worst.across).toBeLessThan(1);
});

// Common practice, no source: parallax shifts by the speed times the way to the middle of the window.
test('what drifts is at its place in the middle of the window', () => {
  expect(driftAtEdge(0.5, 200, 800)).toBe(250);
  expect(driftAtEdge(0, 200, 800)).toBe(0);
  expect(driftAtEdge(-0.5, 200, 800)).toBe(-250);
});

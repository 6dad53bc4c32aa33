import type { Command } from '../src/core/commands/commands';
import { printPage } from '../src/core/compile/page';
import type { Box } from '../src/core/facts/box';
import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import type { Fragment, NodeId, Project } from '../src/core/project/types';
import { resolve } from '../src/core/cascade/resolve';
import { registry } from '../src/core/whole';
import { shiftAt } from '../src/core/scroll/sticky';
import { after } from '../src/core/testing/project';
import { boxReader, carried, type BoxReader } from './support/boxes';
import { Counted } from './support/counted';
import { partIn } from './support/exported';
import { previewFrame } from './support/frames';
import { random } from './support/random';
import { expect, test, type Frame, type Page } from './support/test';
import { inTurn, inTurnUnless } from './support/thorough';
import { bytes, changed, open } from './support/visit';
import { Bench } from './support/workbench';

const make = makeWith({ exactIds: true });

const filler = (name: string, height: number): Fragment =>
  make(
    'section',
    name,
    { height: `${height}px` },
    { content: [make('text', `${name} words`, { html: '<p>Words.</p>' })] }
  );

interface Given {
  readonly project: Project;
  readonly ids: readonly NodeId[];
}

/** A page with columns of random heights, alignments and insets, in which two pieces and a header stick. */
function randomPage(seed: number): Given {
  const of = random(seed);
  const padded: Command[] = [];
  const block = (name: string, height: number): Fragment => {
    const stack = make('stack', name, {}, { content: [] });
    const of = { id: stack.root, part: 'root', state: 'rest', condition: 'always' } as const;
    padded.push({ type: 'set-style', ...of, property: 'padding', value: `${height}px 0 0` });
    return stack;
  };
  const columns = make(
    'columns',
    'Row',
    { align: ['start', 'stretch', 'center'][of(3)]!, shares: ['', '1/4 3/4', '2/3 1/3'][of(3)]! },
    {
      columns: [
        make('column', 'Side', {}, { content: [block('Pinned', 40 + of(300)), block('Below', of(400))] }),
        make('column', 'Main', {}, { content: [block('Long', 300 + of(1500))] })
      ]
    }
  );
  const page = make(
    'page',
    'Page',
    {},
    {
      sections: [
        make('section', 'Bar', {}, { content: [make('text', 'Bar words', { html: '<p>Bar</p>' })] }),
        filler('Before', of(900)),
        make('section', 'Middle', {}, { content: [columns] }),
        filler('After', 400 + of(1200))
      ]
    }
  );
  const ids = (['bar', 'side', 'pinned'] as NodeId[]).filter((_id, i) => i !== seed % 3);
  const commands = ids.flatMap((id): Command[] => [
    { type: 'add-effect', id, effect: 'sticky' },
    { type: 'set-setting', id, key: 'sticky-inset', value: of(200) },
    { type: 'set-setting', id, key: 'sticky-own', value: of(2) === 1 },
    { type: 'set-setting', id, key: 'sticky-side', value: of(5) === 0 ? 'bottom' : 'top' }
  ]);
  const made = createProject('Random', page);
  return { project: after(made, ...padded, ...commands), ids };
}

/** Where pieces stand at rest, and where at each scroll position; px from the window's top. */
interface Seen {
  readonly boxes: readonly (readonly [string, Box])[];
  readonly tops: readonly (readonly [at: number, id: string, top: number])[];
}

interface Compared {
  /** The furthest that a piece stands from where it was worked out to stand, px. */
  readonly worst: number;
  /** How often a piece was found stuck. */
  readonly stuck: number;
}

/** Random pages at seven scroll positions each: what is worked out of stuck positions, and what Chromium does. */
async function compareStuck(page: Page, first: number, last: number): Promise<Compared> {
  const script = await boxReader();
  let worst = 0;
  let stuck = 0;
  for (let seed = first; seed <= last; seed += 1) {
    const { project, ids } = randomPage(seed);
    const { body, css } = printPage(registry, project, project.info.pageOrder[0]!, {
      addressOf: () => '',
      marked: true
    });
    await page.setViewportSize({ width: 900 + (seed % 5) * 90, height: 500 + (seed % 4) * 100 });
    await page.setContent(`<!doctype html><style>${css}</style>${body}<script>${script}</script>`);
    const seen = await page.evaluate((names): Seen => {
      const elements = names.map(
        (id) => [id, document.querySelector<HTMLElement>(`[data-node="${id}"]`)!] as const
      );
      const read = (window as unknown as { boxes: BoxReader }).boxes;
      const boxes = read.readBoxes(elements);
      const way = document.documentElement.scrollHeight - innerHeight;
      const tops = [0, 0.15, 0.3, 0.45, 0.6, 0.8, 1].flatMap((share) => {
        scrollTo(0, Math.round(way * share));
        return elements.map(([id, element]) => [scrollY, id, element.getBoundingClientRect().top] as const);
      });
      return { boxes, tops };
    }, ids);
    const boxes = new Map(seen.boxes);
    for (const [at, id, top] of seen.tops) {
      const own = boxes.get(id)!;
      // A piece in a column that sticks itself is carried by it, and then by as much as is left.
      const outer = id === 'pinned' && boxes.has('side') ? shiftAt(boxes.get('side')!, at) : 0;
      const shift = outer + shiftAt(own, at - outer);
      if (Math.abs(shift) > 1) stuck += 1;
      worst = Math.max(worst, Math.abs(own.top + shift - at - top));
    }
  }
  return { worst, stuck };
}

// CSS Positioned Layout 3, section 3.4: the reference is where Chromium puts what sticks.
for (const [first, last, isUsual] of [
  [1, 60, true],
  [61, 300, false]
] as const)
  test(
    `what is worked out of stuck positions is what Chromium does, on random pages ${first} to ${last}`,
    inTurnUnless(isUsual, 1),
    async ({ blank: page }) => {
      const { worst, stuck } = await compareStuck(page, first, last);
      // Enough of them are stuck for the comparison to mean something.
      expect(stuck).toBeGreaterThan(3 * (last - first));
      expect(worst).toBeLessThan(1);
    }
  );

/** A short column beside a long one. */
const guide = (align: string): Fragment =>
  make(
    'columns',
    'Guide',
    { align, shares: '1/4 3/4' },
    {
      columns: [
        make('column', 'Contents', {}, { content: [make('text', 'List', { html: '<p>Contents</p>' })] }),
        make('column', 'Words', {}, { content: [make('text', 'Long', { html: '<p>Words.</p>'.repeat(60) })] })
      ]
    }
  );

const insertGuide: Command = {
  type: 'insert',
  fragment: guide('start'),
  at: { parent: 'welcome', slot: 'content', index: 2 }
};

/** In the demo, with a side column that sticks but where it is narrow. */
const beside = (): Project =>
  changed(
    insertGuide,
    { type: 'add-effect', id: 'contents', effect: 'sticky' },
    { type: 'set-setting', id: 'contents', key: 'sticky-inset', value: 150 },
    { type: 'set-setting', id: 'contents', key: 'sticky-on', value: false, condition: 'narrow' }
  );

/** A page of its own, with room to scroll. */
function guidePage(): Project {
  const sections = [
    filler('Before', 500),
    make('section', 'Middle', {}, { content: [guide('start')] }),
    filler('After', 1500)
  ];
  return createProject('Guide', make('page', 'Page', {}, { sections }));
}

const contents = partIn('export', 'contents', 'root');

test('a side column stays in sight at its distance, as long as its row lasts', async ({ blank: page }) => {
  await open(page, beside());
  const top = () => page.locator(contents).evaluate((element) => element.getBoundingClientRect().top);
  const rest = await top();
  expect(rest).toBeGreaterThan(150);
  await page.evaluate((by) => scrollTo(0, by), rest);
  expect(await top()).toBe(150);
  await page.evaluate(() => scrollTo(0, document.documentElement.scrollHeight));
  expect(await top()).toBeLessThan(0);
});

/** Everything Chromium computes for every element, and where each stands. */
const everything = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.body.querySelectorAll('*')].map((element) => {
      const style = getComputedStyle(element);
      const values = [...style].map((name) => style.getPropertyValue(name)).join();
      const { x, y, width, height } = element.getBoundingClientRect();
      return `${element.tagName} ${[x, y, width, height].join()} ${values}`;
    })
  );

test('where it is switched off, and on paper, nothing of it is left', inTurn(6), async ({ blank: page }) => {
  const without = changed(insertGuide);
  for (const [width, medium] of [
    [390, 'screen'],
    [1280, 'print']
  ] as const) {
    await page.emulateMedia({ media: medium });
    await open(page, beside(), width);
    const on = await everything(page);
    await open(page, without, width);
    expect(on).toEqual(await everything(page));
  }
});

test('a look of its own while it is stuck comes and goes with the scroll, in page and preview', async ({
  blank: page
}) => {
  const look: Command = {
    type: 'set-style',
    id: 'header',
    part: 'root',
    state: 'stuck',
    condition: 'always',
    property: 'background-color',
    value: 'rgb(10, 20, 30)'
  };
  await open(page, changed({ type: 'add-effect', id: 'header', effect: 'sticky' }, look));
  const header = page.locator(partIn('export', 'header', 'root'));
  const colour = () => header.evaluate((element) => getComputedStyle(element).backgroundColor);
  expect(await colour()).not.toBe('rgb(10, 20, 30)');
  await page.mouse.wheel(0, 400);
  await expect(header).toHaveAttribute('data-stuck', '');
  expect(await colour()).toBe('rgb(10, 20, 30)');
  await page.evaluate(() => scrollTo(0, 0));
  await expect(header).not.toHaveAttribute('data-stuck');
});

const stuckLook = (part: string, property: string, value: string): Command => ({
  type: 'set-style',
  id: 'said',
  part,
  state: 'stuck',
  condition: 'always',
  property,
  value
});

/** A quotation that sticks beside a long text, with a look of its own for itself and its parts while it does. */
function stickingQuotation(): Project {
  const side = make('column', 'Side', {}, { content: [make('quote', 'Said', { author: 'Odile Marrow' })] });
  const main = make(
    'column',
    'Main',
    {},
    { content: [make('text', 'Long', { html: '<p>Words.</p>'.repeat(60) })] }
  );
  const row = make('columns', 'Row', { align: 'stretch' }, { columns: [side, main] });
  const page = make('page', 'Page', {}, { sections: [make('section', 'Section', {}, { content: [row] })] });
  return after(
    createProject('Sticking', page),
    { type: 'add-effect', id: 'said', effect: 'sticky' },
    stuckLook('root', 'background-color', 'rgb(10, 20, 30)'),
    stuckLook('words', 'color', 'rgb(200, 210, 220)'),
    stuckLook('author', 'letter-spacing', '2px')
  );
}

/** What resolve() says of each part that has a look of its own while it is stuck, in a state. */
const resolvedIn = (project: Project, state: string) =>
  ['root', 'words', 'author'].map((part) => {
    const found = resolve(registry, project, { node: 'said' as NodeId, part, state });
    return ['background-color', 'color', 'letter-spacing'].map(
      (property) => found.get(property)?.value ?? ''
    );
  });

/** The same as Chromium has it, spelt by Chromium. */
const computedIn = (frame: Frame, selectors: readonly string[], resolved: readonly (readonly string[])[]) =>
  frame.evaluate(
    ([selectors, resolved]) =>
      selectors.flatMap((selector, at) => {
        const element = document.querySelector(selector)!;
        const bare = element.parentElement!.appendChild(document.createElement('i'));
        const wrong = ['background-color', 'color', 'letter-spacing'].filter((property, n) => {
          if (resolved[at]![n] === '') return false;
          bare.style.setProperty(property, resolved[at]![n]!);
          const [is, wanted] = [element, bare].map((each) =>
            getComputedStyle(each).getPropertyValue(property)
          );
          return is !== wanted;
        });
        bare.remove();
        return wrong.map((property) => `${selector} ${property}`);
      }),
    [selectors, resolved] as const
  );

test(
  'what is resolved of a piece that is stuck, and of its parts, is what Chromium computes, in page and preview',
  inTurn(3),
  async ({ page }) => {
    const project = stickingQuotation();
    expect(resolvedIn(project, 'stuck')).not.toEqual(resolvedIn(project, 'rest'));
    const bench = new Bench(page);
    await bench.importProject(project);
    const preview = await previewFrame(page);
    const inPage = await page.context().newPage();
    await open(inPage, project);
    for (const [where, frame] of [
      ['export', inPage.mainFrame()],
      ['preview', preview]
    ] as const) {
      const selectors = ['root', 'words', 'author'].map((part) => partIn(where, 'said' as NodeId, part));
      for (const [top, state] of [
        [0, 'rest'],
        [300, 'stuck'],
        [0, 'rest']
      ] as const) {
        await frame.evaluate((top) => scrollTo(0, top), top);
        await expect
          .poll(() => computedIn(frame, selectors, resolvedIn(project, state)), `${where} ${state}`)
          .toEqual([]);
      }
    }
  }
);

test('a link lands clear of a header that sticks, as far below the top as the page is told', async ({
  blank: page
}) => {
  await open(
    page,
    changed(
      { type: 'add-effect', id: 'header', effect: 'sticky' },
      { type: 'set-setting', id: 'visit-page', key: 'jump', value: 80 }
    )
  );
  const header = page.locator(partIn('export', 'header', 'root'));
  await page.getByRole('link', { name: 'The press', exact: true }).click();
  const target = page.locator(partIn('export', 'press-house', 'root'));
  const top = () => target.evaluate((element) => Math.round(element.getBoundingClientRect().top));
  await expect.poll(top).toBe(80);
  expect(await header.evaluate((element) => element.getBoundingClientRect().bottom)).toBeLessThanOrEqual(80);
});

test('a side column sticks 150 px from the top and not where it is narrow, in five actions', async ({
  page
}) => {
  const bench = new Bench(page);
  await bench.importProject(guidePage());
  const hand = new Counted();
  await hand.act('pick', () => bench.pick('Contents'));
  await hand.act('view', () => bench.view('Behaviour'));
  await hand.act('stick', () => page.getByRole('button', { name: /^Sticks/ }).click());
  const distance = page.getByRole('textbox', { name: 'Distance from the edge' });
  await hand.act('distance', async () => {
    await distance.fill('150');
    await distance.press('Enter');
  });
  await hand.act('narrow', () => page.getByRole('group', { name: 'Sticks' }).getByLabel('narrow').click());
  expect(hand.done.length).toBeLessThanOrEqual(5);
  await bench.view('Scroll');
  const row = page.locator('[data-range="contents sticky"]');
  await expect(row).toContainText('Contents sticks');
  await expect(page.getByText(/narrow 390 off/)).toBeVisible();
});

test('travel at other widths is found out for whichever page is looked at', inTurn(2), async ({ page }) => {
  const bench = await Bench.openDemo(page);
  await bench.pick('Header');
  await bench.view('Behaviour');
  await page.getByRole('button', { name: /^Sticks/ }).click();
  await bench.view('Scroll');
  await expect(page.getByText(/narrow 390 \d+/)).toBeVisible();
  await page.getByRole('combobox', { name: 'Page' }).selectOption({ label: 'Harvest story' });
  await bench.pick('Weeks side');
  await expect(page.getByText(/narrow 390 off/)).toBeVisible();
  await expect(page.getByText(/wide 1120 \d+/)).toBeVisible();
});

test(
  'where the page ends before what sticks has been carried, it says how far that is, as Chromium has it',
  inTurn(1),
  async ({ page }) => {
    // Nothing stands below what it sticks in.
    const project = changed({ type: 'remove', ids: ['what-comes-of-it' as NodeId] });
    const bench = new Bench(page);
    await bench.importProject(project, bytes);
    await page.getByRole('combobox', { name: 'Page', exact: true }).selectOption({ label: 'Harvest story' });
    await bench.pick('Weeks side');
    await bench.view('Scroll');
    const told = page.getByText(/^Weeks side sticks for \d+ of its \d+ px: the page ends before\.$/);
    await expect(told).toBeVisible();
    const [, px] = /for (\d+) of/.exec(await told.innerText())!;
    const size = await page.getByText(/in a window of \d+ × \d+ px/).innerText();
    const [, width, height] = /(\d+) × (\d+)/.exec(size)!.map(Number) as [number, number, number];
    await open(page, project, width, ['harvest']);
    await page.setViewportSize({ width, height });
    expect(await carried(page, partIn('export', 'weeks-side', 'root'))).toBe(Number(px));
  }
);

test('says why it does not stick, and mends it, in three actions', async ({ page }) => {
  const bench = new Bench(page);
  // The list sticks, and its column ends where it ends.
  await bench.importProject(after(guidePage(), { type: 'add-effect', id: 'list', effect: 'sticky' }));
  const hand = new Counted();
  await hand.act('pick', () => bench.pick('List'));
  await hand.act('view', () => bench.view('Scroll'));
  await expect(
    page.getByText(/List never sticks: it is \d+ px high and Contents leaves no room/)
  ).toBeVisible();
  await hand.act('mend', () =>
    page.getByRole('button', { name: /^Equal heights in Guide: \d+ px of travel/ }).click()
  );
  expect(hand.done.length).toBeLessThanOrEqual(3);
  await expect(page.getByText(/never sticks/)).toHaveCount(0);
  await expect(page.locator('[data-range="list sticky"]')).not.toContainText('sticks0');
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/List never sticks/)).toBeVisible();
});

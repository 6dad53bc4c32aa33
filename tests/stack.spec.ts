import type { Command } from '../src/core/commands/commands';
import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import type { Node, NodeId, PageId, Project } from '../src/core/project/types';
import { after } from '../src/core/testing/project';
import { partIn } from './support/exported';
import { everyKind } from './support/kinds';
import { expect, test, type Page } from './support/test';
import { inTurn } from './support/thorough';
import { open } from './support/visit';

const make = makeWith({ exactIds: true });
const id = (text: string) => text as NodeId;
const STACK = id('stack');

/** One piece of every kind in a stack. */
function everyKindIn(settings: Node['settings']): Project {
  const section = make(
    'section',
    'Section',
    {},
    { content: [make('stack', 'Stack', settings, { content: [] })] }
  );
  const page = make('page', 'Page', {}, { sections: [section] });
  return after(createProject('Stacked', page, { page: 'page' as PageId }), ...everyKind(STACK));
}

interface Placed {
  readonly name: string;
  /** px between its edges and those of the stack. */
  readonly before: number;
  readonly after: number;
  readonly width: number;
}

/** Where what can be seen of the pieces in the stack stands across it. */
const placedIn = (page: Page): Promise<readonly Placed[]> =>
  page.locator(partIn('export', STACK, 'root')).evaluate((stack) => {
    const around = stack.getBoundingClientRect();
    return [...stack.children].flatMap((each) => {
      const own = each.getBoundingClientRect();
      // What lies over the page, such as a dialog, is not in the stack.
      if (!['static', 'relative'].includes(getComputedStyle(each).position)) return [];
      if (own.height === 0) return [];
      const name = String((each as HTMLElement).dataset.node ?? each.className);
      return [{ name, before: own.left - around.left, after: around.right - own.right, width: own.width }];
    });
  });

test('in the middle of a stack everything stands in its middle, and at its end at its end', async ({
  blank: page
}) => {
  await open(page, everyKindIn({ align: 'center' }));
  const middle = await placedIn(page);
  expect(middle.length).toBeGreaterThan(15);
  expect(middle.filter(({ before, after: behind }) => Math.abs(before - behind) > 1)).toEqual([]);
  await open(page, everyKindIn({ align: 'end' }));
  const end = await placedIn(page);
  expect(end.filter(({ after: behind }) => Math.abs(behind) > 1)).toEqual([]);
});

test(
  'nothing in a stack is drawn together to nothing, whichever way it flows',
  inTurn(8),
  async ({ blank: page }) => {
    const ways: readonly Node['settings'][] = [
      { align: 'center' },
      { flow: 'row' },
      { flow: 'row', align: 'center' }
    ];
    for (const settings of ways) {
      await open(page, everyKindIn(settings));
      // A stack with nothing in it is nothing.
      const narrow = (await placedIn(page)).filter(({ name, width }) => width < 20 && name !== 'one-stack');
      expect(narrow, JSON.stringify(settings)).toEqual([]);
    }
  }
);

test(
  'a button placed by itself stands there, whatever the stack says',
  inTurn(7),
  async ({ blank: page }) => {
    const project = everyKindIn({ align: 'center' });
    const button = Object.values(project.nodes).find(({ kind }) => kind === 'button')!;
    const at = (align: string): Command => ({
      type: 'set-setting',
      id: button.id,
      key: 'align',
      value: align
    });
    const drawn = async (align: string) => {
      await open(page, after(project, at(align)));
      const own = (await page.locator(partIn('export', button.id, 'root')).boundingBox())!;
      const around = (await page.locator(partIn('export', STACK, 'root')).boundingBox())!;
      return { before: own.x - around.x, behind: around.x + around.width - own.x - own.width };
    };
    expect((await drawn('start')).before).toBe(0);
    expect((await drawn('end')).behind).toBe(0);
    expect(await drawn('stretch')).toEqual({ before: 0, behind: 0 });
  }
);

test(
  'what shows other content than before is as wide as before, in the middle of a stack too',
  inTurn(1),
  async ({ blank: page }) => {
    await open(page, everyKindIn({ align: 'center' }));
    const accordion = page.locator('details').first();
    const width = () => accordion.evaluate((each) => each.getBoundingClientRect().width);
    const closed = await width();
    await accordion.evaluate((each) => {
      each
        .querySelector('summary + *')!
        .append('Words that are a good deal longer than its header is. '.repeat(6));
    });
    await accordion.locator('summary').click();
    await expect(accordion).toHaveAttribute('open', '');
    expect(await width()).toBe(closed);
  }
);

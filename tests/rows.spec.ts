import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import type { Node, NodeId, Project } from '../src/core/project/types';
import { previewFrame } from './support/frames';
import { expect, test } from './support/test';
import { Bench } from './support/workbench';

const make = makeWith({ exactIds: true });

/** A stack that repeats a heading over three rows. */
function listOfFruit(): Project {
  const list = make(
    'stack',
    'List',
    {},
    { content: [make('heading', 'Fruit', { text: 'A fruit', level: '2' })] }
  );
  const page = make('page', 'Page', {}, { sections: [make('section', 'Shop', {}, { content: [list] })] });
  const project = createProject('Shop', page);
  const changed = (id: string, more: Partial<Node>) => ({
    [id]: { ...project.nodes[id as NodeId]!, ...more }
  });
  const rows = ['Pippin', 'Russet', 'Costard'].map((fruit) => ({ fruit }));
  const nodes = {
    ...project.nodes,
    ...changed('list', { rows }),
    ...changed('fruit', { binds: { text: { column: 'fruit' } } })
  };
  return { ...project, nodes };
}

test('a piece is drawn for each row; a press on any of them picks it, and its look is the look of all', async ({
  page
}) => {
  const bench = new Bench(page);
  await bench.importProject(listOfFruit());
  const frame = await previewFrame(page);
  const headings = frame.locator('h2');
  await expect(headings).toHaveText(['Pippin', 'Russet', 'Costard']);
  await headings.nth(2).click();
  await expect(bench.row('Fruit')).toHaveAttribute('aria-selected', 'true');
  await bench.view('States');
  await bench.set('color', 'Text', 'rest', '#123456');
  for (const heading of await headings.all()) await expect(heading).toHaveCSS('color', 'rgb(18, 52, 86)');
  await bench.saved();
  await bench.reopen();
  await expect((await previewFrame(page)).locator('h2')).toHaveText(['Pippin', 'Russet', 'Costard']);
});

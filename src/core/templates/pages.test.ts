import { describe, expect, it } from 'vitest';
import { printPage } from '../compile/page';
import { runFindings } from '../findings/run';
import { readDocument } from '../formats/document';
import { makeWith } from '../kinds/make';
import { createProject } from '../project/create';
import { registry } from '../whole';
import { emptyPage, skeletons } from './pages';

const make = makeWith();

describe.each(
  [{ label: 'Empty', build: emptyPage }, ...skeletons].map((each) => [each.label, each] as const)
)('a new page: %s', (_label, { build }) => {
  const project = createProject('New', build(make));

  it('is a whole document, which comes back as it was written', () => {
    expect(readDocument(registry, JSON.parse(JSON.stringify(project)))).toMatchObject({
      ok: true,
      faults: [],
      project
    });
  });

  it('can be printed, and has no error in it', () => {
    const { body } = printPage(registry, project, project.info.pageOrder[0]!, {
      addressOf: (asset) => asset.file
    });
    expect(body).toContain('<main>');
    expect(runFindings(registry, project).filter(({ severity }) => severity === 'error')).toEqual([]);
  });
});

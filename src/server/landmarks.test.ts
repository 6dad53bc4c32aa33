import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { printPage } from '../core/compile/page';
import { runFindings } from '../core/findings/run';
import type { Finding } from '../core/kinds/finding';
import { makeWith } from '../core/kinds/make';
import { createProject } from '../core/project/create';
import type { PageId, Project, ProjectId } from '../core/project/types';
import { after } from '../core/testing/project';
import type { Command } from '../core/commands/commands';
import { registry } from '../core/whole';
import { htmlProblems } from './validator';

const page = 'page' as PageId;

interface Part {
  readonly element: string;
  readonly label: string;
  /** Names of navigations in it; empty for none. */
  readonly links: readonly string[];
}

function pageOf(parts: readonly Part[]): Project {
  const make = makeWith({ exactIds: true });
  const sections = parts.map(({ element, label, links }, i) => {
    const lists = links.map((name, n) =>
      make(
        'links',
        `Links ${i} ${n}`,
        { element: 'navigation', label: name },
        { links: [make('link', `Link ${i} ${n}`, { href: 'https://example.com/' })] }
      )
    );
    return make('section', `Part ${i}`, { element, label }, { content: lists });
  });
  const root = make('page', 'Page', {}, { sections });
  return createProject('Sample', root, { project: 'sample' as ProjectId, page });
}

const told = (project: Project): readonly Finding[] =>
  runFindings(registry, project).filter(({ rule }) => rule === 'landmarks-alike');

/** What html-validate says of landmarks, whose rule is made after the ARIA Authoring Practices. */
async function objected(project: Project): Promise<readonly string[]> {
  const { body } = printPage(registry, project, page, { addressOf: ({ file }) => file });
  const html = `<!doctype html><html lang="en"><head><title>Page</title></head>${body}</html>`;
  return (await htmlProblems('page.html', html)).filter((each) => each.includes('unique-landmark'));
}

describe('landmarks of a page', () => {
  const label = fc.constantFrom('', 'Main', 'More');
  const part = fc.record({
    element: fc.constantFrom('section', 'header', 'footer', 'aside', 'nav'),
    label,
    links: fc.array(label, { maxLength: 2 })
  });

  it('are told where the validator objects to them, and mended by what is offered', async () => {
    let objections = 0;
    await fc.assert(
      fc.asyncProperty(fc.array(part, { minLength: 1, maxLength: 5 }), async (parts) => {
        let project = pageOf(parts);
        const problems = await objected(project);
        expect(told(project).length > 0, problems.join('\n')).toBe(problems.length > 0);
        if (problems.length > 0) objections += 1;
        for (let [next] = told(project); next; [next] = told(project))
          project = after(project, ...(next.fix!.commands as Command[]));
        expect(await objected(project)).toEqual([]);
      }),
      { numRuns: 60 }
    );
    expect(objections).toBeGreaterThan(20);
  });

  it('are mended together, though their pieces have one name', () => {
    const nav = { element: 'nav', label: '', links: [] };
    const renames = [0, 1, 2].map((i): Command => ({ type: 'rename', id: `part-${i}`, name: 'Links' }));
    const project = after(pageOf([nav, nav, nav]), ...renames);
    const mends = told(project).flatMap(({ fix }) => fix!.commands as Command[]);
    expect(mends).toHaveLength(3);
    expect(told(after(project, ...mends))).toEqual([]);
  });

  it('are named within what a name may have, however long the names of the pieces', () => {
    const long = 'Windfalls and keepers, '.repeat(6).slice(0, 120);
    const parts = [1, 2].map(() => ({ element: 'nav', label: long, links: [] }));
    const project = after(pageOf(parts), { type: 'rename', id: 'part-1', name: long });
    const [finding] = told(project);
    expect(told(after(project, ...(finding!.fix!.commands as Command[])))).toEqual([]);
  });
});

import { describe, expect, it } from 'vitest';
import { apply } from '../../commands/apply';
import { printSnippet } from '../../compile/snippet';
import { analyse } from '../../compile/analyse';
import { runFindings } from '../../findings/run';
import { printHtml } from '../../html/print';
import { NO_FACTS } from '../../kinds/finding';
import { makeWith } from '../../kinds/make';
import type { Command } from '../../commands/commands';
import { nodeOf } from '../../project/tree';
import { after, refusedWith, sampleProject } from '../../testing/project';
import { registry } from '../../whole';

const make = makeWith({ exactIds: true });

/** A navigation whose second link has two pages below it. */
const menu: Command = {
  type: 'insert',
  fragment: make(
    'links',
    'Menu',
    { element: 'navigation' },
    {
      links: [
        make('link', 'Home', { href: 'index.html' }),
        make(
          'link',
          'Seasons',
          {},
          {
            links: [
              make('link', 'Harvest', { href: 'harvest.html' }),
              make('link', 'Start', { href: 'index.html' })
            ]
          }
        )
      ]
    }
  ),
  at: { parent: 'left', slot: 'content', index: 0 }
} as unknown as Command;

const withMenu = (...commands: Command[]) => after(sampleProject(), menu, ...commands);
const drawn = (project: ReturnType<typeof withMenu>) => {
  const node = Object.values(project.nodes).find(({ name }) => name === 'Menu')!;
  return { node, analysis: analyse(registry, project, nodeOf(project, node.id)) };
};
const idOf = (project: ReturnType<typeof withMenu>, name: string) =>
  Object.values(project.nodes).find((node) => node.name === name)!.id;

describe('links with lists of their own', () => {
  it('are buttons where they lead nowhere, and have an arrow beside them where they lead somewhere', () => {
    const project = withMenu();
    const { analysis } = drawn(project);
    const html = printHtml(analysis.markup!);
    expect(html).toContain('aria-expanded="false"');
    expect(html.match(/<button/g)).toHaveLength(1);
    expect(analysis.behaviours).toEqual(['sublists']);
    const leading = withMenu({
      type: 'set-setting',
      id: idOf(project, 'Seasons'),
      key: 'href',
      value: '#seasons'
    } as Command);
    expect(printHtml(drawn(leading).analysis.markup!)).toContain('aria-label="Seasons, more"');
  });

  it('mark the page one is on, and the section that holds it', () => {
    const html = printHtml(drawn(withMenu()).analysis.markup!);
    expect(html.match(/aria-current="page"/g)).toHaveLength(2);
    expect(html.match(/aria-current="true"/g)).toHaveLength(1);
  });

  it('mark it anew when another page comes first', () => {
    const project = withMenu();
    const html = (of: typeof project) => printHtml(drawn(of).analysis.markup!);
    const page = project.pages[project.info.pageOrder[0]!]!;
    const another = after(project, {
      type: 'add-page',
      page: { ...page, id: 'other', name: 'Other', root: 'other-root' },
      fragment: make('page', 'Other root', {}, { sections: [make('section', 'S', {}, { content: [] })] })
    } as unknown as Command);
    expect(html(another)).toContain('aria-current="page"');
    const moved = { ...another, info: { ...another.info, pageOrder: another.info.pageOrder.toReversed() } };
    expect(html(moved)).not.toContain('aria-current="page"');
  });

  it('are marked for no page in a snippet, which is pasted into another', () => {
    const project = withMenu();
    const { html } = printSnippet(registry, project, drawn(project).node.id, { addressOf: () => '' });
    expect(html).toContain('Harvest');
    expect(html).not.toContain('aria-current');
  });

  it('need no address where they open something, or a list of their own', () => {
    const dead = (of: ReturnType<typeof withMenu>) =>
      runFindings(registry, of).flatMap(({ rule, node }) => (rule === 'dead-link' ? [node] : []));
    const project = withMenu();
    // The sample has no page of the harvest.
    expect(dead(project)).toEqual([idOf(project, 'Harvest')]);
    const removed = {
      type: 'remove',
      ids: ['Harvest', 'Start'].map((name) => idOf(project, name))
    } as Command;
    expect(dead(after(project, removed))).toEqual([idOf(project, 'Seasons')]);
  });

  it('stand one level deep', () => {
    const project = withMenu();
    const deeper = {
      type: 'insert',
      fragment: make('link', 'Deeper'),
      at: { parent: idOf(project, 'Harvest'), slot: 'links', index: 0 }
    } as unknown as Command;
    expect(refusedWith(apply(registry, project, deeper))).toBe('too-many-levels');
  });

  it('lose nothing where one that has a list comes into a list', () => {
    const project = withMenu();
    const moved = after(project, {
      type: 'move',
      ids: [idOf(project, 'Seasons')],
      at: { parent: idOf(project, 'Home'), slot: 'links', index: 0 }
    } as Command);
    const html = printHtml(drawn(moved).analysis.markup!);
    for (const name of ['Home', 'Seasons', 'Harvest', 'Start']) expect(html).toContain(name);
    expect(html.match(/<ul/g)).toHaveLength(2);
  });
});

describe('links of a navigation that are too long for one line', () => {
  const WRAPS = 'links-wrap';
  const remarks = (project: ReturnType<typeof withMenu>, needed: number) => {
    const row = { needed, available: 700, viewport: 800, heights: [] };
    const facts = { ...NO_FACTS, fits: new Map([[idOf(project, 'Menu'), row]]) };
    return runFindings(registry, project, facts).filter(({ rule }) => rule === WRAPS);
  };
  const mended = (project: ReturnType<typeof withMenu>, needed: number) => {
    const { label, commands } = remarks(project, needed)[0]!.fix!;
    const outcome = apply(registry, project, { type: 'batch', label, commands: commands as Command[] });
    return outcome.ok ? remarks(outcome.project, needed) : outcome.refusal;
  };

  it('are found with the width they wrap under, which is when they go behind the button', () => {
    const project = withMenu();
    expect(remarks(project, 150)).toEqual([]);
    expect(remarks(project, 1200)[0]).toMatchObject({
      number: '1300 px',
      fix: { label: 'Menu button under 1300 px' }
    });
    expect(mended(project, 1200)).toEqual([]);
  });

  it('are said never to fit where no window is wide enough, and go behind the button in all of them', () => {
    const project = withMenu();
    expect(remarks(project, 1900)[0]!.sentence).toContain('never fit on one line: they need 1900 px');
    expect(mended(project, 1900)).toEqual([]);
  });
});

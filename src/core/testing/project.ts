import { loadRules } from '../findings/run';
import { makeWith } from '../kinds/make';
import { apply, type Applied } from '../commands/apply';
import type { Command } from '../commands/commands';
import { createProject } from '../project/create';
import type { Fragment, NodeId, PageId, Project, ProjectId } from '../project/types';
import { registry } from '../whole';

const make = makeWith({ exactIds: true });

/**
 * A small project with readable ids: one section with a heading, tabs of two panels (each with a text), and
 * two columns.
 */
export function sampleProject(): Project {
  const text = (name: string, html: string) => make('text', name, { html });
  const tabs = make(
    'tabs',
    'Tabs',
    {},
    {
      panels: [
        make('panel', 'One', {}, { content: [text('Text one', '<p>First</p>')] }),
        make('panel', 'Two', {}, { content: [text('Text two', '<p>Second</p>')] })
      ]
    }
  );
  const columns = make(
    'columns',
    'Columns',
    {},
    { columns: [make('column', 'Left', {}, { content: [] }), make('column', 'Right', {}, { content: [] })] }
  );
  const section = make(
    'section',
    'Section',
    {},
    { content: [make('heading', 'Heading', { text: 'Hello', level: '1' }), tabs, columns] }
  );
  const page = make('page', 'Page', {}, { sections: [section] });
  return createProject('Sample', page, { project: 'sample' as ProjectId, page: 'first' as PageId });
}

export const id = (text: string) => text as NodeId;

/** Runs commands that must succeed. */
export function after(project: Project, ...commands: Command[]): Project {
  return commands.reduce((now, command) => {
    const outcome = apply(registry, now, command);
    if (!outcome.ok) throw new Error(outcome.refusal.sentence);
    return outcome.project;
  }, project);
}

/** Puts pieces into the left column of the sample, one after the other. */
export const insertAll = (project: Project, pieces: readonly Fragment[]): Project =>
  after(
    project,
    ...pieces.map((fragment, index): Command => ({
      type: 'insert',
      fragment,
      at: { parent: 'left', slot: 'content', index }
    }))
  );

/** @returns the code of the refusal, or null where the command ran. */
export function refusedWith(outcome: Applied): string | null {
  return outcome.ok ? null : outcome.refusal.code;
}

// Rules come when they are asked for; every test that runs them imports this.
await loadRules(registry);

/** The command that sets a cell of a piece's state sheet, under no condition. */
export const styled = (
  id: string,
  part: string,
  state: string,
  property: string,
  value: string
): Command => ({
  type: 'set-style',
  id,
  part,
  state,
  condition: 'always',
  property,
  value
});

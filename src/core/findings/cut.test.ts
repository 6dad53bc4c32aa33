import { describe, expect, it } from 'vitest';
import type { Command } from '../commands/commands';
import { NO_FACTS } from '../kinds/finding';
import { makeWith } from '../kinds/make';
import type { NodeId, Project } from '../project/types';
import type { Lane } from '../sweep/runs';
import { after, sampleProject } from '../testing/project';
import { registry } from '../whole';
import { runFindings } from './run';

const make = makeWith({ exactIds: true });
const button = make('button', 'Book', { label: 'Seedlingorchardkeepers' });
const project = after(sampleProject(), {
  type: 'insert',
  fragment: button,
  at: { parent: 'left', slot: 'content', index: 0 }
} as Command);
const page = project.pages[project.info.pageOrder[0]!]!.root;

const laneOf = (node: string): Lane => ({
  what: 'cut',
  node,
  part: 'root',
  runs: [{ from: 280, to: 360, value: 42, at: 300 }]
});

const found = (of: Project, node: string) =>
  runFindings(registry, of, { ...NO_FACTS, sweeps: new Map([[page, [laneOf(node)]]]) }).filter(
    ({ rule }) => rule === 'text-cut'
  );

describe('words that are cut', () => {
  it('are told with the widths, and by how much at most', () => {
    expect(found(project, 'heading')).toMatchObject([
      { node: 'heading', number: '42 px', sentence: 'Heading cuts its text up to 360 px, by 42 px at 300 px' }
    ]);
  });

  it('may break where the piece can let them, and has not yet', () => {
    const [finding] = found(project, 'book');
    expect(finding!.fix).toMatchObject({ label: 'Let long words break' });
    const mended = after(project, ...(finding!.fix!.commands as Command[]));
    expect(mended.nodes['book' as NodeId]!.settings.breaks).toBe(true);
    expect(found(mended, 'book')[0]!.fix).toBeNull();
  });

  it('are there always where they are only revealed over a box that does not grow', () => {
    const revealed = after(project, { type: 'add-effect', id: 'left', effect: 'reveal' } as Command);
    const [finding] = found(revealed, 'book');
    expect(finding!.fix!.label).toBe('Let Left be there always');
    expect(
      after(revealed, ...(finding!.fix!.commands as Command[])).nodes['left' as NodeId]!.effects ?? []
    ).toEqual([]);
  });
});

import { apply } from '../src/core/commands/apply';
import type { Command } from '../src/core/commands/commands';
import { createPreviewSession } from '../src/core/compile/preview';
import { makeWith } from '../src/core/kinds/make';
import { createProject } from '../src/core/project/create';
import type { PageId, Project, Source, SourceId } from '../src/core/project/types';
import { readCsv } from '../src/core/tables/csv';
import { emptyQuery, matching } from '../src/core/tables/query';
import { listOf } from '../src/core/templates/listed';
import { registry } from '../src/core/whole';
import { median, timed } from './tools';

const page = 'page' as PageId;
const make = makeWith({ exactIds: true });

/** A file of so many rows of six columns. */
function fileOf(rows: number): string {
  const line = (n: number) => {
    const day = `2026-${String(1 + (n % 12)).padStart(2, '0')}-11`;
    return `Produce ${n},${(n % 97) / 4},${day},${n % 3 ? 'yes' : 'no'},"Words, of it ${n}",${n}`;
  };
  const lines = Array.from({ length: rows }, (_, n) => line(n));
  return ['name,price,added,in season,about,sold', ...lines].join('\n');
}

function sourceOf(rows: number): Source {
  const read = readCsv(fileOf(rows));
  if (!read.ok) throw new Error(read.sentence);
  const { columns, rows: all } = read.table;
  return { id: 'shop' as SourceId, name: 'Shop', origin: 'file', place: '', taken: '', columns, rows: all };
}

function done(project: Project, ...commands: readonly Command[]): Project {
  const outcome = apply(registry, project, { type: 'batch', label: 'Bench', commands } as Command);
  if (!outcome.ok) throw new Error(outcome.refusal.sentence);
  return outcome.project;
}

/** Median work of an edit of the template of a list of so many rows: command, rows made out, and print, ms. */
function editMs(rows: number): number {
  const empty = createProject(
    'Bench',
    make('page', 'Page', {}, { sections: [make('section', 'Section', {}, { content: [] })] }),
    { page }
  );
  const source = sourceOf(rows);
  const list = listOf(make, source, empty);
  let project = done(
    empty,
    { type: 'set-source', source },
    {
      type: 'insert',
      fragment: list,
      at: { parent: 'section', slot: 'content', index: 0 }
    } as unknown as Command,
    { type: 'set-query', id: list.root, query: emptyQuery(source.id) }
  );
  const session = createPreviewSession(registry);
  session.patchFor(project, page);
  const heading = Object.values(list.nodes).find(({ kind }) => kind === 'heading')!;
  const times = Array.from({ length: 60 }, (_, n) =>
    timed(() => {
      const size = {
        type: 'set-style',
        id: heading.id,
        part: 'root',
        state: 'rest',
        condition: 'always',
        property: 'font-size',
        value: `${20 + n}px`
      } as Command;
      project = done(project, size);
      session.patchFor(project, page);
    })
  );
  return median(times.slice(20));
}

export interface Tables {
  /** Reading 50,000 rows, ms. */
  readonly read: number;
  /** Two conditions and an order over them, ms. */
  readonly query: number;
  /** An edit of the template of 200 rows, ms. */
  readonly edit: number;
}

export function tables(): Tables {
  const file = fileOf(50_000);
  const source = sourceOf(50_000);
  const query = {
    ...emptyQuery(source.id),
    where: [
      { column: 'in season', is: 'is', value: 'yes' } as const,
      { column: 'price', is: 'at-least', value: '20' } as const
    ],
    by: 'price'
  };
  return {
    read: median([1, 2, 3].map(() => timed(() => void readCsv(file)))),
    query: median([1, 2, 3, 4, 5].map(() => timed(() => void matching(source, query, 'en')))),
    edit: editMs(200)
  };
}

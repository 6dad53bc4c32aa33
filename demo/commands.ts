import type { Command } from '../src/core/commands/commands';
import type { Binding, Query, Source, SourceId } from '../src/core/project/types';
import { readTable } from '../src/core/tables/read';
import type { Table } from '../src/core/tables/table';

/** The day the demo’s rows were taken; they are taken anew by *Refresh*. */
export const DAY = new Date('2026-11-28T09:00:00Z');

export function tableOf(content: string, name: string): Table {
  const read = readTable(content, name);
  if (!read.ok) throw new Error(`demo: ${read.sentence}`);
  return read.table;
}

export function source(
  id: string,
  name: string,
  origin: Source['origin'],
  place: string,
  table: Table
): Command {
  const { columns, rows } = table;
  return {
    type: 'set-source',
    source: { id: id as SourceId, name, origin, place, taken: DAY.toISOString(), columns, rows }
  };
}

export const bind = (id: string, key: string, binding: Binding): Command => ({
  type: 'set-binding',
  id,
  key,
  binding
});

export const queryOf = (from: string, more: Partial<Query>, most: number): Query => ({
  source: from as SourceId,
  where: [],
  any: false,
  by: '',
  down: false,
  most,
  skip: 0,
  ...more
});

/** What a part looks like in a state, one command a property. */
export const style = (
  id: string,
  part: string,
  values: Readonly<Record<string, string>>,
  state = 'rest'
): readonly Command[] =>
  Object.entries(values).map(
    ([property, value]) =>
      ({ type: 'set-style', id, part, state, condition: 'always', property, value }) as Command
  );

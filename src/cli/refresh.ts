import { readFile } from 'node:fs/promises';
import { apply } from '../core/commands/apply';
import { changesBetween, changesInWords } from '../core/tables/changes';
import { decoded, readTable } from '../core/tables/read';
import { LIMITS, type Table } from '../core/tables/table';
import type { Project, Source } from '../core/project/types';
import { registry } from '../core/whole';
import { catalogue } from '../server/catalogue';
import { fetchFile, mayAsk } from '../server/fetching';

const WITHIN_MS = 20_000;

/** What became of one source; null where nothing was asked for again. */
export interface Refreshed {
  readonly project: Project;
  /** A line for each source. */
  readonly said: readonly string[];
  /** Sources that could not be read; their rows are as they were. */
  readonly faults: readonly string[];
}

interface Content {
  readonly text: string;
  readonly name: string;
}

/** The new content of a source, a sentence why there is none, or null where a hand has to bring it. */
async function contentOf(source: Source, file: string | undefined): Promise<Content | string | null> {
  if (file !== undefined) {
    const bytes = await readFile(file).catch(() => null);
    return bytes ? { text: decoded(bytes), name: file } : `${file} cannot be read. Check the path.`;
  }
  if (source.origin === 'catalogue') return { text: JSON.stringify(catalogue()), name: 'catalogue.json' };
  if (source.origin !== 'address') return null;
  const fetched = await fetchFile(source.place, {
    most: LIMITS.bytes,
    within: WITHIN_MS,
    allows: (ip) => mayAsk(ip, process.env.KYMATION_ASK_LOOPBACK === '1')
  });
  return fetched.ok ? { text: decoded(fetched.bytes), name: fetched.name } : fetched.sentence;
}

function withRows(project: Project, source: Source, { columns, rows }: Table): Project {
  const next: Source = { ...source, columns, rows, taken: new Date().toISOString() };
  const outcome = apply(registry, project, { type: 'set-source', source: next });
  return outcome.ok ? outcome.project : project;
}

/** @param files new files by the names of sources. @returns the project with the rows of today. Never throws. */
export async function refreshed(given: Project, files: ReadonlyMap<string, string>): Promise<Refreshed> {
  let project = given;
  const said: string[] = [];
  const faults: string[] = [];
  for (const source of Object.values(given.sources)) {
    const content = await contentOf(source, files.get(source.name));
    if (content === null) {
      said.push(`${source.name}: as it was; bring a new file with --from "${source.name}=FILE"`);
      continue;
    }
    const read = typeof content === 'string' ? null : readTable(content.text, content.name);
    if (typeof content === 'string') faults.push(`${source.name}: ${content}`);
    else if (read && !read.ok) faults.push(`${source.name}: ${read.sentence}`);
    else if (read?.ok) {
      said.push(`${source.name}: ${changesInWords(changesBetween(source, read.table))}`);
      read.table.faults.forEach((fault) => said.push(`  ${fault}`));
      project = withRows(project, source, read.table);
    }
  }
  return { project, said, faults };
}

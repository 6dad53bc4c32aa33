import { describe, expect, it } from 'vitest';
import { makeDemo } from '../../../demo/make';
import { FORMAT, type ProjectId, type Row, type SourceId } from '$core/project/types';
import { ROWS_MANY } from '$core/tables/packed';
import { db, NOT_LASTING, prepareStorage, storageSentence } from './db';
import { addProject, appendToLog, drawnProject, listProjects, openProject, type Known } from './projects';
import { listVersions, saveVersion } from './versions';

describe('where there is no storage, as here', () => {
  it('projects are kept in memory, and it says that they do not last', async () => {
    expect(await prepareStorage()).toBe(false);
    const { project } = makeDemo();
    const id = await addProject(project, new Map());
    expect((await openProject(id))?.project).toEqual(project);
    const twin = await addProject(project, new Map());
    expect(twin).not.toBe(id);
    expect((await listProjects()).map((row) => row.id).sort()).toEqual([id, twin].sort());
    expect(NOT_LASTING).toContain('export the project file');
  });

  it('tables of many rows are kept as one text, and read with project, history and versions', async () => {
    await prepareStorage();
    const { project } = makeDemo();
    const id = await addProject(project, new Map());
    const given = { ...project, id };
    const rows = Array.from({ length: ROWS_MANY + 1 }, (_each, n): Row => ({ name: `Apple ${n}`, price: n }));
    const [first] = Object.keys(project.sources) as [SourceId];
    const before = project.sources[first]!;
    const diff = { sources: { [first]: [before, { ...before, rows }] as const } };
    const entry = { op: 'do', diff, label: 'Take the rows', mergeKey: null } as const;
    const { project: written } = await appendToLog({ project: given, seq: 0 }, [entry], new Map());
    await saveVersion(written, 'With rows');

    const [kept] = await db.log.where('[project+seq]').between([id, 0], [id, Infinity]).toArray();
    expect(typeof kept!.diff.sources![first]![1]!.rows).toBe('string');
    expect(kept!.format).toBe(FORMAT);
    const opened = (await openProject(id))!;
    expect(opened.project).toEqual(written);
    expect(opened.project.sources[first]!.rows).toEqual(rows);
    expect(opened.history.past.at(-1)!.diff).toEqual(diff);
    expect((await listVersions(id))[0]!.document).toEqual(written);
    const twin = await addProject(written, new Map());
    expect((await openProject(twin))!.project.sources).toEqual(written.sources);
  });

  it('what a project is drawn from is what was last saved, before and after a snapshot was written', async () => {
    await prepareStorage();
    const { project } = makeDemo();
    const id = await addProject(project, new Map());
    let known: Known = { project: { ...project, id }, seq: 0 };
    for (const count of [3, 250]) {
      const names = Array.from({ length: count }, (_each, n) => `Orchard ${known.seq + n}`);
      const infos = [known.project.info, ...names.map((name) => ({ ...project.info, name }))];
      const entries = names.map((name, n) => {
        const diff = { info: [infos[n]!, infos[n + 1]!] as const };
        return { op: 'do', diff, label: `Rename to ${name}`, mergeKey: null } as const;
      });
      known = await appendToLog(known, entries, new Map());
      expect((await drawnProject(id))!.project).toEqual(known.project);
      expect(known.project.info.name).toBe(names.at(-1));
    }
    expect((await db.snapshots.get(id))!.seq).toBe(253);
    expect(await drawnProject('nowhere' as ProjectId)).toBeNull();
  });
});

describe('storageSentence', () => {
  it('says what to do, whether it is full or does not answer', () => {
    expect(storageSentence(new DOMException('', 'QuotaExceededError'))).toMatch(
      /full.*export the project file/i
    );
    expect(storageSentence({ inner: new DOMException('', 'QuotaExceededError') })).toMatch(/full/);
    expect(storageSentence(new Error('gone'))).toMatch(/did not answer.*export the project file/i);
  });
});

import { describe, expect, it } from 'vitest';
import { makeDemo } from '../../../demo/make';
import { NOT_LASTING, prepareStorage, storageSentence } from './db';
import { addProject, listProjects, openProject } from './projects';

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

import Dexie from 'dexie';
import { indexedDB } from 'fake-indexeddb';
import { afterAll, beforeAll, expect, it, vi } from 'vitest';
import { apply } from '$core/commands/apply';
import { id, sampleProject } from '$core/testing/project';
import { registry } from '$core/whole';
import type { Project } from '$core/project/types';
import { db, prepareStorage } from '$lib/store/db';
import { addProject } from '$lib/store/projects';
import { Saver } from './saver.svelte';

/** What a window does with its saver: it shows the project, renames a piece of it, and takes what comes in. */
class Hand {
  readonly saver: Saver;
  constructor(public project: Project) {
    this.saver = new Saver({ project, seq: 0 }, (merged) => (this.project = merged));
  }

  rename(piece: string, name: string): void {
    const outcome = apply(registry, this.project, { type: 'rename', id: id(piece), name });
    if (!outcome.ok || !outcome.diff) throw new Error(`rename: ${JSON.stringify(outcome)}`);
    this.project = outcome.project;
    const { diff, label } = outcome;
    this.saver.add([{ op: 'do', diff, label, mergeKey: null, after: this.project }]);
  }
}

const { dependencies } = Dexie;
const own = dependencies.indexedDB;

beforeAll(async () => {
  await prepareStorage();
  // Projects are kept in memory here; Dexie tells of changes only where it believes in a database.
  dependencies.indexedDB = indexedDB;
});

afterAll(async () => {
  dependencies.indexedDB = own;
  for (const table of db.tables) await table.clear();
});

it('brings in what another window writes while this one is writing, whichever of them is done first', async () => {
  for (let round = 0; round < 12; round += 1) {
    const stored = await addProject(sampleProject(), new Map());
    const start: Project = { ...sampleProject(), id: stored };
    const [one, two] = [new Hand(start), new Hand(start)];
    const stops = [one.saver.follow(), two.saver.follow()];
    one.rename('heading', `One ${round}`);
    for (let rest = 0; rest < round; rest += 1) await Promise.resolve();
    two.rename('text-one', `Two ${round}`);
    await vi.waitFor(() => {
      for (const hand of [one, two]) {
        expect(hand.project.nodes[id('heading')]!.name).toBe(`One ${round}`);
        expect(hand.project.nodes[id('text-one')]!.name).toBe(`Two ${round}`);
      }
    }, 120_000);
    stops.forEach((stop) => stop());
  }
});

import { liveQuery } from 'dexie';
import { patched } from '$core/project/diff';
import { mendedProject, rebased } from '$core/project/rebase';
import type { AssetId, Project } from '$core/project/types';
import { db, storageSentence } from '$lib/store/db';
import { appendToLog, pullFromLog, type Entry, type Known } from '$lib/store/projects';

/**
 * Brings every entry to disk, in order, and brings in what other windows write. `status` says "saved" only
 * when nothing is left to write; what could not be written stays in line and is tried again with the next
 * entry.
 */
export class Saver {
  status = $state<'saved' | 'saving' | 'failed'>('saved');
  sentence = $state('');
  #queue: Entry[] = [];
  #blobs = new Map<AssetId, Blob>();
  #known: Known;
  #writing: Promise<void> | null = null;
  /** The number of the last row of the log that any window is known to have written. */
  #heard = 0;

  /** @param onmerge gets the project with another window's edits in it, this window's unsaved ones on top. */
  constructor(
    known: Known,
    private readonly onmerge: (project: Project) => void
  ) {
    this.#known = known;
  }

  /** Listens to other windows. @returns what stops it. */
  follow(): () => void {
    const { id } = this.#known.project;
    const watch = liveQuery(() => db.projects.get(id)).subscribe({
      next: (row) => {
        this.#heard = row?.seq ?? this.#heard;
        void this.#catchUp();
      },
      error: () => {}
    });
    return () => watch.unsubscribe();
  }

  add(entries: readonly Entry[], blobs: ReadonlyMap<AssetId, Blob> = new Map()): void {
    this.#queue.push(...entries);
    for (const [id, blob] of blobs) this.#blobs.set(id, blob);
    if (this.#queue.length === 0) return;
    this.status = 'saving';
    this.#writing ??= this.#write();
  }

  /** Settles when everything is on disk or has failed. */
  async settled(): Promise<void> {
    await this.#writing;
  }

  async #write(): Promise<void> {
    while (this.#queue.length > 0) {
      const entries = [...this.#queue];
      const blobs = new Map(this.#blobs);
      try {
        const written = await appendToLog(this.#known, entries, blobs);
        this.#queue.splice(0, entries.length);
        for (const [id, blob] of blobs) if (this.#blobs.get(id) === blob) this.#blobs.delete(id);
        this.#take(written, written.isMerged);
      } catch (error) {
        this.status = 'failed';
        this.sentence = storageSentence(error);
        break;
      }
    }
    this.#writing = null;
    if (this.#queue.length === 0) this.status = 'saved';
    await this.#catchUp();
  }

  /** Brings in what other windows have written. While this one writes it waits, and is asked for again after. */
  async #catchUp(): Promise<void> {
    if (this.#heard <= this.#known.seq || this.#writing) return;
    const pulled = await pullFromLog(this.#known).catch(() => null);
    // An entry that came meanwhile brings the same rows in when it is written.
    if (pulled && pulled.seq > this.#known.seq && !this.#writing) this.#take(pulled, true);
  }

  #take(known: Known, isMerged: boolean): void {
    this.#known = { project: known.project, seq: known.seq };
    if (!isMerged) return;
    let project = known.project;
    this.#queue = this.#queue.flatMap((entry) => {
      const diff = rebased(entry.diff, project);
      if (!diff) return [];
      project = patched(project, diff);
      return [{ ...entry, diff, after: project }];
    });
    const mended = mendedProject(project);
    if (mended) {
      project = mended.project;
      this.#queue.push({
        op: 'do',
        diff: mended.diff,
        label: 'Put two windows’ edits together',
        mergeKey: null,
        after: project
      });
    }
    this.onmerge(project);
    if (this.#queue.length > 0) this.#writing ??= this.#write();
  }
}

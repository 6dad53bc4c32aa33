import type { AssetId, Project } from '$core/project/types';
import { storageSentence } from '$lib/store/db';
import { appendToLog, type Entry } from '$lib/store/projects';

/**
 * Brings every entry to disk, in order. `status` says "saved" only when nothing is left to write; what could not be written stays
 * in line and is tried again with the next entry.
 */
export class Saver {
  status = $state<'saved' | 'saving' | 'failed'>('saved');
  sentence = $state('');
  #queue: Entry[] = [];
  #blobs = new Map<AssetId, Blob>();
  #project: Project | null = null;
  #writing: Promise<void> | null = null;

  add(project: Project, entries: readonly Entry[], blobs: ReadonlyMap<AssetId, Blob> = new Map()): void {
    this.#project = project;
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
        await appendToLog(this.#project!, entries, blobs);
      } catch (error) {
        this.status = 'failed';
        this.sentence = storageSentence(error);
        break;
      }
      this.#queue.splice(0, entries.length);
      for (const [id, blob] of blobs) if (this.#blobs.get(id) === blob) this.#blobs.delete(id);
    }
    this.#writing = null;
    if (this.#queue.length === 0) this.status = 'saved';
  }
}

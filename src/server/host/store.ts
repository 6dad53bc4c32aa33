import { createHash, randomBytes } from 'node:crypto';
import { mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { dirname, join, resolve } from 'node:path';

/** What a site may be called: it stands in an address and is the name of a folder. */
const NAME = /^[a-z0-9]+(?:-[a-z0-9]+)*$/;
const NAME_MOST = 60;
/** Publishings that are kept; the one that is on show is always among them. */
const KEPT = 10;

export interface PublishedFile {
  readonly path: string;
  readonly bytes: number;
  /** SHA-256, hexadecimal. */
  readonly hash: string;
}

export interface Publishing {
  readonly id: string;
  /** ISO 8601. */
  readonly at: string;
  readonly files: readonly PublishedFile[];
}

/** All of a site that is kept, the newest first, and which of it readers get; null before the first. */
export interface Site {
  readonly current: string | null;
  readonly publishings: readonly Publishing[];
}

/** An expected “no”, in one sentence. */
export class Refused extends Error {}

/** @returns why a site cannot be called so; null where it can. */
export function nameFault(name: string): string | null {
  if (NAME.test(name) && name.length <= NAME_MOST) return null;
  return `“${name.slice(0, NAME_MOST)}” cannot be an address. Use small letters, digits and hyphens between them, ${NAME_MOST} at most.`;
}

const isPath = (path: string): boolean =>
  path.length <= 300 &&
  /^[\w.-]+(?:\/[\w.-]+)*$/.test(path) &&
  !path.split('/').some((each) => /^\.+$/.test(each));

const hashOf = (content: Uint8Array): string => createHash('sha256').update(content).digest('hex');

async function maybeJson<T>(path: string): Promise<T | null> {
  const text = await readFile(path, 'utf8').catch(() => null);
  if (text === null) return null;
  try {
    return JSON.parse(text) as T;
  } catch {
    return null;
  }
}

/** A file is there as a whole or as it was: it is written beside and put in place by its name. */
async function writeWhole(path: string, text: string): Promise<void> {
  const beside = `${path}.${randomBytes(4).toString('hex')}`;
  await writeFile(beside, text);
  await rename(beside, path);
}

/** Says what is wrong with the disk as one reads it. */
function asRefused(error: unknown): Error {
  const { code } = error as NodeJS.ErrnoException;
  if (code === 'ENOSPC')
    return new Refused('The disk is full. Nothing was published; what was there still is.');
  if (code === 'EACCES' || code === 'EROFS')
    return new Refused(
      'The folder for published sites may not be written to. Name another one in KYMATION_SITES.'
    );
  return error as Error;
}

/**
 * Published sites in a folder: a folder of its own for each publishing, and a small file that says which of them
 * readers get. Publishings of one site wait for one another.
 */
export class SiteStore {
  private readonly last = new Map<string, Promise<unknown>>();

  constructor(private readonly folder: string) {}

  /** Publishes files under a name, all at once. Throws `Refused` where that cannot be. */
  publish(name: string, files: ReadonlyMap<string, Uint8Array>): Promise<Publishing> {
    return this.alone(name, () => this.write(name, files));
  }

  /** Gives readers an earlier publishing again. Throws `Refused` for one that is not kept. */
  show(name: string, id: string): Promise<void> {
    return this.alone(name, async () => {
      const { publishings } = await this.site(name);
      if (!publishings.some((each) => each.id === id))
        throw new Refused('That publishing is not kept any more.');
      await writeWhole(join(this.of(name), 'current.json'), JSON.stringify({ id }));
    });
  }

  async site(name: string): Promise<Site> {
    const folder = this.of(name);
    const names = await readdir(folder).catch(() => []);
    const told = names.filter((each) => /^\d+-[0-9a-f]+\.json$/.test(each));
    const found = await Promise.all(told.map((each) => maybeJson<Publishing>(join(folder, each))));
    const publishings = found.filter((each) => each !== null).sort((a, b) => (a.id < b.id ? 1 : -1));
    const current = await maybeJson<{ readonly id: string }>(join(folder, 'current.json'));
    return { current: current?.id ?? null, publishings };
  }

  /** @returns a file as readers get it now; null where there is none. */
  async maybeFile(
    name: string,
    path: string
  ): Promise<{ readonly file: PublishedFile; readonly content: Buffer } | null> {
    if (nameFault(name) !== null) return null;
    const { current } = await this.site(name);
    if (current === null) return null;
    const publishing = await maybeJson<Publishing>(join(this.of(name), `${current}.json`));
    const file = publishing?.files.find((each) => each.path === path);
    const content = file && (await readFile(join(this.of(name), current, path)).catch(() => null));
    return file && content ? { file, content } : null;
  }

  private of(name: string): string {
    const fault = nameFault(name);
    if (fault !== null) throw new Refused(fault);
    return resolve(this.folder, name);
  }

  private alone<T>(name: string, work: () => Promise<T>): Promise<T> {
    const done = (this.last.get(name) ?? Promise.resolve()).then(work, work).catch((error: unknown) => {
      throw asRefused(error);
    });
    this.last.set(
      name,
      done.catch(() => null)
    );
    return done;
  }

  private async write(name: string, files: ReadonlyMap<string, Uint8Array>): Promise<Publishing> {
    const folder = this.of(name);
    const strange = [...files.keys()].find((path) => !isPath(path));
    if (strange !== undefined) throw new Refused(`A file cannot be called “${strange.slice(0, 80)}”.`);
    if (!files.has('index.html')) throw new Refused('A site needs an index.html. Publish all pages.');
    const now = new Date();
    const id = `${now.getTime()}-${randomBytes(3).toString('hex')}`;
    const beside = join(folder, `writing-${id}`);
    try {
      for (const [path, content] of files) {
        await mkdir(dirname(join(beside, path)), { recursive: true });
        await writeFile(join(beside, path), content);
      }
      await rename(beside, join(folder, id));
    } catch (error) {
      await rm(beside, { recursive: true, force: true });
      throw error;
    }
    const told = [...files].map(([path, content]) => ({
      path,
      bytes: content.length,
      hash: hashOf(content)
    }));
    const publishing: Publishing = { id, at: now.toISOString(), files: told };
    await writeWhole(join(folder, `${id}.json`), JSON.stringify(publishing));
    await writeWhole(join(folder, 'current.json'), JSON.stringify({ id }));
    await this.forgetOldest(name);
    return publishing;
  }

  private async forgetOldest(name: string): Promise<void> {
    const { current, publishings } = await this.site(name);
    for (const { id } of publishings.slice(KEPT)) {
      if (id === current) continue;
      await rm(join(this.of(name), `${id}.json`), { force: true });
      await rm(join(this.of(name), id), { recursive: true, force: true });
    }
  }
}

import type { Asset } from '$core/project/types';
import { assetFrom, type ReadFile } from './pictures';
import type { Workbench } from './workbench.svelte';

type Read = Extract<ReadFile, { ok: true }>;

/** From so many on it is said how far it is. */
const MANY = 4;

const othersOf = (count: number): string => (count > 0 ? ` ${count} more were left out.` : '');

const sentenceOf = (refused: readonly string[]): string =>
  `${refused.slice(0, 2).join(' ')}${othersOf(refused.length - 2)}`;

/** What could be read; what could not is told by `tell`, once the rest stands in the project. */
export interface ManyRead {
  readonly taken: readonly Read[];
  tell(): void;
}

/**
 * Reads files one after the other while the hand goes on.
 * @returns null where it was stopped.
 */
export async function readFiles(wb: Workbench, files: readonly File[]): Promise<ManyRead | null> {
  const taken: Read[] = [];
  const refused: string[] = [];
  let isStopped = false;
  for (const file of files) {
    if (files.length >= MANY)
      wb.progress = {
        words: 'pictures read',
        done: taken.length + refused.length,
        of: files.length,
        stop: () => (isStopped = true)
      };
    const assets: Record<string, Asset> = Object.fromEntries(taken.map(({ asset }) => [asset.id, asset]));
    const read = await assetFrom({ ...wb.project, assets: { ...wb.project.assets, ...assets } }, file);
    if (isStopped) break;
    if (read.ok) taken.push(read);
    else refused.push(read.sentence);
  }
  wb.progress = null;
  if (isStopped) {
    wb.message = { kind: 'info', text: 'No picture was added.' };
    return null;
  }
  const tell = () => {
    if (refused.length > 0) wb.message = { kind: 'error', text: sentenceOf(refused) };
  };
  return { taken, tell };
}

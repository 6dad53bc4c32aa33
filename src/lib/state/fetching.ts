import type { Command } from '$core/commands/commands';
import type { AssetId, NodeId } from '$core/project/types';
import { assetFrom, fileFromWeb } from './pictures';
import type { Workbench } from './workbench.svelte';

/** A piece that waits for a picture, and where that is. */
interface Waiting {
  readonly node: NodeId;
  readonly address: string;
}

/** A picture that stands in its own address (RFC 2397). */
function fileFromData(address: string): File | string {
  const [, type, coded] = /^data:([\w/+.-]+);base64,([\w+/=\s]+)$/.exec(address) ?? [];
  if (!type || !coded) return 'A picture is written in a way that cannot be read.';
  const bytes = Uint8Array.from(atob(coded.replaceAll(/\s/g, '')), (letter) => letter.charCodeAt(0));
  return new File([bytes], `picture.${type.split('/')[1]!.replace(/\+.*/, '')}`, { type });
}

const fileOf = (address: string, signal: AbortSignal): Promise<File | string> =>
  address.startsWith('data:') ? Promise.resolve(fileFromData(address)) : fileFromWeb(address, signal);

/** Fetches one and gives it to the piece, if that is still there. @returns why it could not; null where it could. */
async function fetchOne(
  wb: Workbench,
  { node, address }: Waiting,
  signal: AbortSignal
): Promise<string | null> {
  const file = await fileOf(address, signal);
  if (typeof file === 'string') return file;
  const read = await assetFrom(wb.project, file);
  if (!read.ok) return read.sentence;
  if (!wb.project.nodes[node]) return null;
  const { asset, blob } = read;
  const commands: Command[] = [
    { type: 'add-asset', asset },
    { type: 'set-setting', id: node, key: 'asset', value: asset.id }
  ];
  const label = `Fetch ${asset.file}`;
  const refusal = wb.dispatch(
    { type: 'batch', label, commands },
    null,
    new Map<AssetId, Blob>([[asset.id, blob]])
  );
  return refusal?.sentence ?? null;
}

/** Fetches pictures one after the other while the hand goes on; it can be stopped, and what has come stays. */
export async function fetchPictures(wb: Workbench, pictures: readonly Waiting[]): Promise<void> {
  const control = new AbortController();
  const faults: string[] = [];
  wb.message = null;
  for (const [done, each] of pictures.entries()) {
    wb.progress = { words: 'pictures fetched', done, of: pictures.length, stop: () => control.abort() };
    const fault = await fetchOne(wb, each, control.signal).catch((error: unknown) => {
      if (control.signal.aborted) return null;
      throw error;
    });
    if (control.signal.aborted) break;
    if (fault) faults.push(fault);
  }
  wb.progress = null;
  const more = faults.length > 1 ? ` ${faults.length - 1} more could not be had.` : '';
  if (faults.length > 0) wb.message = { kind: 'error', text: `${faults[0]}${more}` };
}

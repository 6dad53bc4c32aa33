import { decoded, readTable } from '$core/tables/read';
import type { ReadTable } from '$core/tables/table';

/** A file to be read as a table, or a text that was pasted. */
export type TableRequest = { readonly bytes: ArrayBuffer; readonly name: string } | { readonly text: string };

/** How far it has come, 0 to 1, and in the end what was read. */
export type TableAnswer = { readonly share: number } | { readonly read: ReadTable };

const say = (answer: TableAnswer): void => self.postMessage(answer);

self.onmessage = ({ data }: MessageEvent<TableRequest>) => {
  const text = 'text' in data ? data.text : decoded(new Uint8Array(data.bytes));
  const name = 'text' in data ? '' : data.name;
  say({ read: readTable(text, name, (share) => say({ share })) });
};

import type { Command } from '$core/commands/commands';
import { placedFrom } from '$core/commands/shelf';
import type { Kind } from '$core/kinds/contract';
import { makeWith } from '$core/kinds/make';
import { nodeOf } from '$core/project/tree';
import {
  isFilm,
  type Asset,
  type Fragment,
  type Node,
  type NodeId,
  type ShelfPiece
} from '$core/project/types';
import { registry } from '$core/registry';
import { fieldsOf } from './fields';
import { itemKindOf, type List } from './items';
import { readFiles, type ManyRead } from './reading';
import type { Workbench } from './workbench.svelte';

const make = makeWith();

/** What a picture is called in a list: its file’s name as words. */
export function wordsOf({ file }: Pick<Asset, 'file'>): string {
  const words = file
    .replace(/\.[^.]*$/, '')
    .replace(/[-_.\s]+/g, ' ')
    .trim();
  return words === '' ? 'Picture' : words.charAt(0).toUpperCase() + words.slice(1);
}

/** A piece that shows a picture or a film, called by its file. */
export const pieceFor = (asset: Asset): Fragment =>
  isFilm(asset)
    ? make('video', wordsOf(asset), { file: asset.id })
    : make('image', wordsOf(asset), { asset: asset.id });

/** The setting that waits for a picture in an item that holds nothing else; null where none does. */
function maybeWaiting(wb: Workbench, item: Node): { readonly id: NodeId; readonly key: string } | null {
  const [only, ...others] = Object.values(item.slots).flat();
  if (only === undefined || others.length > 0) return null;
  const node = nodeOf(wb.project, only);
  const field = fieldsOf(registry.of(node), 'fill').find(
    ({ control, media }) => control === 'asset' && media !== 'film'
  );
  return field && !node.settings[field.key] ? { id: only, key: field.key } : null;
}

/** An item with one piece in it. */
function itemWith(kind: Kind, name: string, piece: Fragment): Fragment {
  const slot = Object.keys(kind.slots)[0]!;
  return make(kind.kind, name, {}, { [slot]: [piece] });
}

/** New items at the end of a list. */
const inserted = (wb: Workbench, { owner, slot }: List, items: readonly Fragment[]): readonly Command[] => {
  const end = nodeOf(wb.project, owner).slots[slot]?.length ?? 0;
  return items.map((fragment, i) => ({
    type: 'insert',
    fragment,
    at: { parent: owner, slot, index: end + i }
  }));
};

/** Commands that put pictures into places that wait for one, and call these after them. */
function filling(wb: Workbench, { owner, slot }: List, assets: readonly Asset[]) {
  const items = nodeOf(wb.project, owner).slots[slot] ?? [];
  const waiting = items.flatMap((item) => {
    const place = maybeWaiting(wb, nodeOf(wb.project, item));
    return place ? [{ item, ...place }] : [];
  });
  const taken = assets.filter((asset) => !isFilm(asset)).slice(0, waiting.length);
  const commands = taken.flatMap((asset, i): Command[] => {
    const { item, id, key } = waiting[i]!;
    return [
      { type: 'set-setting', id, key, value: asset.id },
      { type: 'rename', id: item, name: wordsOf(asset) }
    ];
  });
  return { taken, commands };
}

/**
 * Adds pictures to a list, one to an item, all in one step; places that wait for one are filled first. They are read
 * one after the other, which can be stopped.
 */
export async function addPictures(wb: Workbench, list: List, files: readonly File[]): Promise<void> {
  const read = await readFiles(wb, files);
  // The list may have gone meanwhile.
  const owner = wb.project.nodes[list.owner];
  if (!read || !owner) return;
  if (read.taken.length > 0) addAll(wb, list, read.taken, owner.name);
  read.tell();
}

function addAll(wb: Workbench, list: List, read: ManyRead['taken'], owner: string): void {
  const assets = read.map(({ asset }) => asset);
  const { taken, commands } = filling(wb, list, assets);
  const kind = itemKindOf(wb, list);
  const items = assets
    .filter((asset) => !taken.includes(asset))
    .map((asset) => itemWith(kind, wordsOf(asset), pieceFor(asset)));
  const added = assets.map((asset): Command => ({ type: 'add-asset', asset }));
  const count = read.length === 1 ? 'a picture' : `${read.length} pictures`;
  wb.dispatch(
    {
      type: 'batch',
      label: `Add ${count} to ${owner}`,
      commands: [...added, ...commands, ...inserted(wb, list, items)]
    },
    null,
    new Map(read.map(({ asset, blob }) => [asset.id, blob]))
  );
}

/** Adds pieces of the shelf to a list, each in an item of its own that follows the shelf, all in one step. */
export function addShelved(wb: Workbench, list: List, pieces: readonly ShelfPiece[]): void {
  const kind = itemKindOf(wb, list);
  const items = pieces.map((piece) => itemWith(kind, piece.name, placedFrom(registry, piece, true)));
  const count = pieces.length === 1 ? pieces[0]!.name : `${pieces.length} pieces of the shelf`;
  wb.dispatch({
    type: 'batch',
    label: `Add ${count} to ${nodeOf(wb.project, list.owner).name}`,
    commands: inserted(wb, list, items)
  });
}

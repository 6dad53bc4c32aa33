import { compact } from '$core/data/compact';
import { readMarkup } from '$core/formats/markup';
import { escapeHtml } from '$core/html/clean';
import { printSnippet } from '$core/compile/snippet';
import type { Command } from '$core/commands/commands';
import { readFragment, readTokens } from '$core/formats/document';
import { withTokens } from '$core/commands/carry';
import { makeWith, withNewIds } from '$core/kinds/make';
import type { FoundPlace } from '$core/kinds/place';
import { assetsIn, withChangedSettings } from '$core/kinds/mapping';
import { newId } from '$core/project/ids';
import { nodeOf } from '$core/project/tree';
import {
  isFilm,
  type Asset,
  type AssetId,
  type Fragment,
  type Json,
  type Node,
  type NodeId,
  type Place,
  type Token
} from '$core/project/types';
import { registry } from '$core/registry';
import { db } from '$lib/store/db';
import { lastCopied, PIECES, type Carried } from './copying';
import { addPictures, pieceFor } from './adding';
import { pictureList } from './items';
import { fetchPictures } from './fetching';
import { assetFrom } from './pictures';
import { readFiles } from './reading';
import type { Workbench } from './workbench.svelte';

const make = makeWith();

/** @returns pieces as HTML for other programs. */
export const htmlOf = (wb: Workbench, ids: readonly NodeId[]): string =>
  ids
    .filter((id) => registry.of(nodeOf(wb.project, id)).markup)
    .map((id) => printSnippet(registry, wb.project, id, { addressOf: (asset) => asset.file }).html)
    .join('\n');

/** Pastes what there is: pieces, a picture, or words from anywhere, cleaned. Says so where nothing fits. */
export async function pasteInto(wb: Workbench, data: DataTransfer | null): Promise<void> {
  const text = data ? data.getData(PIECES) : (lastCopied() ?? '');
  // A page may read the clipboard only while the event lasts, so all of it is read before anything is waited for.
  const [html, plain, files] = [
    data?.getData('text/html') ?? '',
    data?.getData('text/plain') ?? '',
    [...(data?.files ?? [])]
  ];
  if (text) return pastePieces(wb, text);
  const picture = files.find(({ type }) => type.startsWith('image/'));
  if (picture) return pastePicture(wb, picture);
  const markup = isMarkup(plain) ? plain : html || paragraphsOf(plain);
  if (markup) return pasteMarkup(wb, markup);
  const nothing = data
    ? 'There is nothing on the clipboard that can stand on a page.'
    : 'Nothing has been copied yet. Press Ctrl V to paste from another program.';
  wb.message = { kind: 'error', text: nothing };
}

/** Markup that was copied as text, out of an editor or a browser’s tools. */
const isMarkup = (plain: string): boolean =>
  /^\s*<(?:!doctype|[a-z][a-z0-9]*)[\s>]/i.test(plain) && /<\/|\/>|<img/i.test(plain);

function paragraphsOf(plain: string): string {
  const words = plain.trim();
  return (
    words &&
    `<p>${words
      .split(/\n{2,}/)
      .map(escapeHtml)
      .join('</p><p>')}</p>`
  );
}

/** HTML from anywhere as pieces; what could not be taken is told, and pictures elsewhere can be fetched. */
function pasteMarkup(wb: Workbench, markup: string): void {
  const { pieces, pictures, notes } = readMarkup(make, markup);
  const first = pieces[0];
  if (!first)
    return void (wb.message = { kind: 'error', text: 'There is nothing in it that can stand on a page.' });
  const at = placeOrMessage(wb, first.nodes[first.root]!.kind);
  if (!at || !insert(wb, piecesAt(pieces, at), [])) return;
  const many = pictures.length === 1 ? 'a picture is' : `${pictures.length} pictures are`;
  const told = compact([...notes, pictures.length > 0 && `${many} elsewhere still`]);
  if (told.length === 0) return;
  const act = {
    label: pictures.length === 1 ? 'Fetch it' : 'Fetch them',
    run: () => void fetchPictures(wb, pictures)
  };
  const text = `${pieces.length === 1 ? 'Pasted' : `Pasted as ${pieces.length} pieces`}: ${told.join('; ')}.`;
  wb.message = pictures.length > 0 ? { kind: 'info', text, act } : { kind: 'info', text };
}

/** HTML files that were dropped, one after the other. */
export async function dropMarkup(wb: Workbench, files: readonly File[]): Promise<void> {
  for (const file of files) {
    if (file.size > MARKUP_MOST)
      return void (wb.message = {
        kind: 'error',
        text: `${file.name} is larger than 2 MB. Paste the part you want.`
      });
    pasteMarkup(wb, bodyOf(await file.text()));
  }
}

const MARKUP_MOST = 2_000_000;

/** What a whole document shows; a fragment is all of it. */
const bodyOf = (text: string): string => /<body[^>]*>([\s\S]*?)(?:<\/body>|$)/i.exec(text)?.[1] ?? text;

function placeOrMessage(wb: Workbench, kind: string): FoundPlace | null {
  const found = wb.findPlace(kind);
  if (!found)
    wb.message = {
      kind: 'error',
      text: `${registry.kindOf(kind).label} comes only with what it belongs to. Pick a piece that holds some, and paste there.`
    };
  return found;
}

/** Pieces one after the other from a place on, or all of them in what has to be put around them there. */
function piecesAt(
  fragments: readonly Fragment[],
  { at, around }: FoundPlace
): readonly { readonly fragment: Fragment; readonly at: Place }[] {
  if (!around) return fragments.map((fragment, i) => ({ fragment, at: { ...at, index: at.index + i } }));
  const slot = Object.keys(around.slots)[0]!;
  return [{ fragment: make(around.kind, around.label, {}, { [slot]: fragments }), at }];
}

async function pastePieces(wb: Workbench, text: string): Promise<void> {
  let carried: Carried;
  try {
    carried = JSON.parse(text) as Carried;
  } catch {
    return void (wb.message = { kind: 'error', text: 'What is on the clipboard is damaged. Copy it again.' });
  }
  const tokens = readTokens(registry, carried.tokens);
  const read = (Array.isArray(carried.fragments) ? carried.fragments : []).flatMap(
    (each) => readFragment(registry, each, tokens) ?? []
  );
  const { fragments, added: newTokens } = withTokens(
    registry,
    wb.project,
    read,
    tokens,
    carried.project === wb.project.id
  );
  const first = fragments[0];
  if (!first)
    return void (wb.message = {
      kind: 'error',
      text: 'What is on the clipboard cannot stand on a page of this version.'
    });
  const { renamed, added } = await bringAssets(wb, {
    ...carried,
    assets: (Array.isArray(carried.assets) ? carried.assets : []).filter(({ id }) =>
      fragments.some((each) => assetsIn(registry, each).has(id))
    )
  });
  const at = placeOrMessage(wb, first.nodes[first.root]!.kind);
  if (!at) return;
  const pieces = fragments.map((fragment) =>
    withNewIds(registry, withoutAnchors(withAssets(fragment, renamed)))
  );
  insert(wb, piecesAt(pieces, at), added, newTokens);
}

/** An anchor may stand once on a page, so a copy has none. */
const withoutAnchors = ({ root, nodes }: Fragment): Fragment => ({
  root,
  nodes: Object.fromEntries(Object.values(nodes).map((node) => [node.id, withoutAnchor(node)]))
});

function withoutAnchor(node: Node): Node {
  const { anchor: _anchor, ...settings } = node.settings;
  return { ...node, settings };
}

function withAssets({ root, nodes }: Fragment, renamed: ReadonlyMap<string, AssetId | null>): Fragment {
  const addressed = (value: Json) =>
    renamed.has(String(value)) ? (renamed.get(String(value)) ?? '') : value;
  const change = (node: Node): Node =>
    withChangedSettings(registry.of(node), node, (value, { control }) =>
      control === 'asset' ? addressed(value) : value
    );
  return { root, nodes: Object.fromEntries(Object.entries(nodes).map(([id, node]) => [id, change(node)])) };
}

interface Brought {
  /** Ids that are others here; null where the picture could not be had. */
  readonly renamed: ReadonlyMap<string, AssetId | null>;
  readonly added: readonly { readonly asset: Asset; readonly blob: Blob }[];
}

/** Pictures of pieces from another project come along, from that project's own store. */
async function bringAssets(wb: Workbench, { project, assets }: Carried): Promise<Brought> {
  const renamed = new Map<string, AssetId | null>();
  const added: { asset: Asset; blob: Blob }[] = [];
  for (const asset of assets) {
    const own = wb.project.assets[asset.id];
    if (project === wb.project.id && own) continue;
    const row = await db.assets.get([project, asset.id] as never);
    const read =
      row &&
      (await assetFrom(
        {
          ...wb.project,
          assets: {
            ...wb.project.assets,
            ...Object.fromEntries(added.map((each) => [each.asset.id, each.asset]))
          }
        },
        new File([row.blob], asset.file, { type: row.blob.type })
      ));
    if (!read?.ok) renamed.set(asset.id, null);
    else {
      const id = newId<AssetId>(isFilm(asset) ? 'film' : 'picture');
      renamed.set(asset.id, id);
      added.push({ asset: { ...read.asset, id }, blob: read.blob });
    }
  }
  return { renamed, added };
}

async function pastePicture(wb: Workbench, file: File): Promise<void> {
  const read = await assetFrom(wb.project, file);
  if (!read.ok) return void (wb.message = { kind: 'error', text: read.sentence });
  const at = placeOrMessage(wb, 'image');
  if (at) insert(wb, piecesAt([pieceFor(read.asset)], at), [read]);
}

/**
 * Pictures from disk dropped on the workbench: into the list of pictures that is picked, else each becomes a piece
 * after what is picked, all of them in one step. A cancel leaves everything as it was.
 */
export async function dropPictures(wb: Workbench, files: readonly File[]): Promise<void> {
  const list = pictureList(wb);
  if (list) return addPictures(wb, list, files);
  if (!placeOrMessage(wb, 'image')) return;
  const read = await readFiles(wb, files);
  if (!read) return;
  // The hand may have gone elsewhere meanwhile.
  const at = read.taken.length > 0 ? placeOrMessage(wb, 'image') : null;
  const pieces = read.taken.map(({ asset }) => pieceFor(asset));
  if (at) insert(wb, piecesAt(pieces, at), read.taken);
  read.tell();
}

function insert(
  wb: Workbench,
  pieces: readonly { readonly fragment: Fragment; readonly at: Place }[],
  added: Brought['added'],
  tokens: readonly Token[] = []
): boolean {
  const commands: Command[] = [
    ...added.map(({ asset }): Command => ({ type: 'add-asset', asset })),
    ...tokens.map((token): Command => ({ type: 'set-token', token })),
    ...pieces.map((piece): Command => ({ type: 'insert', ...piece }))
  ];
  const label = `Paste ${pieces.length === 1 ? pieces[0]!.fragment.nodes[pieces[0]!.fragment.root]!.name : `${pieces.length} pieces`}`;
  const blobs = new Map(added.map(({ asset, blob }) => [asset.id, blob]));
  if (wb.dispatch({ type: 'batch', label, commands }, null, blobs)) return false;
  wb.select(pieces.map(({ fragment }) => fragment.root));
  return true;
}

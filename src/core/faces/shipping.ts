import type { Asset, AssetId, NodeId, Project } from '../project/types';
import { isTypeface, type FaceAsset } from './faces';
import { lettersIn } from './letters';

/** A typeface with no more letters than are needed, as WOFF2, or why it could not be made. */
export type Subset =
  | { readonly ok: true; readonly bytes: Uint8Array; /** Letters it has not. */ readonly missing: string }
  | { readonly ok: false; readonly sentence: string };

export type MakeSubset = (bytes: Uint8Array, letters: string) => Promise<Subset>;

type Bytes = ReadonlyMap<AssetId, Uint8Array>;

export interface Shipped {
  /** With typefaces as they go along. */
  readonly project: Project;
  readonly bytes: Bytes;
  /** What a person should know of them, as sentences. */
  readonly notes: readonly string[];
}

const MISSING_MOST = 12;

function missingNote({ face }: FaceAsset, missing: string): string {
  const letters = lettersInWords([...missing]);
  return `${face.family} lacks letters of this page, which show in the typeface behind it: ${letters}.`;
}

function lettersInWords(letters: readonly string[]): string {
  const shown = letters.slice(0, MISSING_MOST).join(' ');
  const left = letters.length - MISSING_MOST;
  return left > 0 ? `${shown} and ${left} more` : shown;
}

/** Typefaces that some value in the project may name: a name that stands nowhere is not shipped. */
function namedIn(project: Project): readonly FaceAsset[] {
  const said = JSON.stringify([
    project.tokens,
    Object.values(project.nodes).map(({ styles }) => styles)
  ]).toLowerCase();
  return Object.values(project.assets)
    .filter(isTypeface)
    .filter(({ face }) => said.includes(face.family.toLowerCase()));
}

interface One {
  /** null where it is left out. */
  readonly asset: Asset | null;
  readonly bytes: Uint8Array;
  readonly notes: readonly string[];
}

async function shippedOne(
  asset: FaceAsset,
  whole: Uint8Array,
  letters: string,
  make: MakeSubset
): Promise<One> {
  const { face, file } = asset;
  if (face.allows === 'none')
    return {
      asset: null,
      bytes: whole,
      notes: [`${face.family} is left out: its licence forbids it in pages.`]
    };
  if (face.allows === 'whole')
    return {
      asset,
      bytes: whole,
      notes: [`${face.family} goes along whole: its licence forbids to take letters out.`]
    };
  const made = await make(whole, letters);
  if (!made.ok) return { asset, bytes: whole, notes: [`${file} goes along as it is: ${made.sentence}.`] };
  const small: Asset = {
    ...asset,
    type: 'font/woff2',
    file: file.replace(/\.[^.]*$/, '.woff2'),
    bytes: made.bytes.length
  };
  return { asset: small, bytes: made.bytes, notes: made.missing ? [missingNote(asset, made.missing)] : [] };
}

/**
 * Typefaces as they leave with a page: as WOFF2, with the letters that are used and a few that may be.
 * @param roots of the pages, or the piece, that leave.
 * @param make takes the letters out of a file that are not needed.
 */
export async function withShippedFaces(
  project: Project,
  bytes: Bytes,
  roots: readonly NodeId[],
  make: MakeSubset
): Promise<Shipped> {
  const letters = lettersIn(project, roots);
  const assets: Record<string, Asset> = { ...project.assets };
  const files = new Map(bytes);
  const notes: string[] = [];
  for (const asset of namedIn(project)) {
    const one = await shippedOne(asset, bytes.get(asset.id) ?? new Uint8Array(), letters, make);
    notes.push(...one.notes);
    files.set(asset.id, one.bytes);
    if (one.asset) assets[asset.id] = one.asset;
    else delete assets[asset.id];
  }
  return { project: { ...project, assets: assets as Project['assets'] }, bytes: files, notes };
}

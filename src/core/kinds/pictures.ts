import { ownOf } from '../data/record';
import { shapeOf } from './shapes';
import { maybeNode } from '../project/tree';
import type { AssetId, Node, NodeId, Project } from '../project/types';
import type { Context } from './contract';

type Looking = Pick<Context, 'maybeNode' | 'maybeAsset'>;

/** Looks pieces and pictures up where nothing is remembered of it. */
export const lookingIn = (project: Project): Looking => ({
  maybeNode: (id: NodeId) => maybeNode(project, id),
  maybeAsset: (id: AssetId) => ownOf(project.assets, id) ?? null
});

/** A picture alone in an item: only of that the height is known beforehand, and only that opens large. */
interface Alone {
  readonly node: NodeId;
  readonly asset: AssetId;
  /** Height by width, as it is cut; null for a drawing without a size of its own. */
  readonly ratio: number | null;
  /** What it says to those who do not see it; empty for nothing. */
  readonly alt: string;
}

/** @returns the picture an item consists of; null for an item with anything else in it, or without its picture. */
export function pictureOf(item: Node, ctx: Looking): Alone | null {
  const content = item.slots.content ?? [];
  const only = content.length === 1 ? ctx.maybeNode(content[0]!) : null;
  const asset = only?.kind === 'image' ? ctx.maybeAsset(String(only.settings.asset ?? '') as AssetId) : null;
  if (!asset) return null;
  const { id, width, height } = asset;
  const shape = shapeOf(only!.settings.shape);
  const own = width && height ? height / width : null;
  const alt = only!.settings.decorative ? '' : String(only!.settings.alt ?? '');
  return { node: only!.id, asset: id, ratio: shape === null ? own : 1 / shape, alt };
}

/** @returns height by width of each item; null where one of them is not known, so that they cannot be packed. */
export function ratiosOf(items: readonly Node[], ctx: Looking): readonly number[] | null {
  const found = items.map((item) => pictureOf(item, ctx)?.ratio ?? null);
  return found.includes(null) ? null : (found as number[]);
}

import { customProperties } from '../css/tokens';
import { facesIn, type FaceAsset } from '../faces/faces';
import type { Asset, Project, Token } from '../project/types';
import type { Sheet } from './sheet';

const declaredIn = ({ build, look }: Sheet): readonly string[] =>
  [...build, ...look].flatMap(({ declarations }) => declarations['font-family'] ?? []);

/** Typefaces that some sheets name, themselves or by a token, and where their files are. */
export interface UsedFaces {
  readonly faces: readonly FaceAsset[];
  /** Every value of `font-family` that is printed. */
  readonly values: readonly string[];
  readonly addressOf: (asset: Asset) => string;
}

export function facesOf(
  sheets: readonly Sheet[],
  tokens: readonly Token[],
  { assets }: Pick<Project, 'assets'>,
  addressOf: UsedFaces['addressOf']
): UsedFaces {
  const ofTokens = tokens.flatMap(customProperties).map(({ value }) => value);
  const values = [...sheets.flatMap(declaredIn), ...ofTokens];
  return { faces: facesIn(values, assets), values, addressOf };
}

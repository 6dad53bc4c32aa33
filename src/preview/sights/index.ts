import { SIGHTS_MOST, type Sight, type Sights, type What } from '$core/facts/sights';
import { isWorse } from '$core/sweep/lanes';
import type { Remark, SightReader } from './reader';
import { sideways } from './sideways';
import { targets } from './targets';
import { wordsShown } from './text';
import { tryTexts } from './trying';
import { cut, headings, sparse, wrapped } from './texts';

/** One line for each thing that is looked for at every width. */
const READERS: readonly SightReader[] = [sideways, cut, wrapped, targets, sparse, headings];

/** The part of a piece that an element stands in. */
function ownerOf(element: HTMLElement): Pick<Sight, 'node' | 'part'> | null {
  const { kNode, kPart } = element.closest<HTMLElement>('[data-k-node]')?.dataset ?? {};
  return kNode && kPart ? { node: kNode, part: kPart } : null;
}

/** One sight for each part of a piece: the worst of it. */
function worstOf(what: What, remarks: readonly Remark[]): readonly Sight[] {
  const worst = new Map<string, Sight>();
  for (const [element, value] of remarks) {
    const owner = ownerOf(element);
    if (!owner) continue;
    const key = `${owner.node} ${owner.part}`;
    const known = worst.get(key);
    if (!known || isWorse(what, value, known.value)) worst.set(key, { what, ...owner, value });
  }
  return [...worst.values()];
}

/**
 * @param trial which texts the page is to hold (core/sweep/trials.ts).
 * @returns what is seen of the page at the width it has now.
 */
export function readSights(page: HTMLElement, trial: string): Sights {
  tryTexts(page, trial);
  const seen = { page, words: wordsShown(page) };
  return READERS.flatMap(({ what, read }) => worstOf(what, read(seen))).slice(0, SIGHTS_MOST);
}

import { SIGHTS_MOST, type Sight, type Sights } from '$core/facts/sights';
import { laneKindOf } from '$core/sweep/lanes';
import { worstOfEach } from '$core/sweep/merging';
import type { Seen, SightReader } from './reader';
import { over } from './over';
import { pictures } from './pictures';
import { sideways } from './sideways';
import { targets } from './targets';
import { wordsShown } from './text';
import { tryTexts } from './trying';
import { uneven } from './uneven';
import { cut, headings, sparse, wrapped } from './texts';

/** One line for each thing that is looked for at every width. */
const READERS: readonly SightReader[] = [
  sideways,
  cut,
  over,
  wrapped,
  targets,
  sparse,
  pictures,
  uneven,
  headings
];

/** The part of a piece that an element stands in. */
function ownerOf(element: HTMLElement): Pick<Sight, 'node' | 'part'> | null {
  const { kNode, kPart } = element.closest<HTMLElement>('[data-k-node]')?.dataset ?? {};
  return kNode && kPart ? { node: kNode, part: kPart } : null;
}

function sightsOf({ what, read }: SightReader, seen: Seen): Sights {
  return read(seen).flatMap(([element, value]) => {
    const owner = ownerOf(element);
    return owner ? [{ what, ...owner, value }] : [];
  });
}

function readWith(readers: readonly SightReader[], page: HTMLElement): Sights {
  const seen = { page, words: wordsShown(page) };
  return worstOfEach(readers.flatMap((reader) => sightsOf(reader, seen))).slice(0, SIGHTS_MOST);
}

/**
 * @param trial which texts the page is to hold (core/sweep/trials.ts).
 * @returns what is seen of the page at the width it has now.
 */
export function readSights(page: HTMLElement, trial: string): Sights {
  tryTexts(page, trial);
  return readWith(READERS, page);
}

const isLocal = ({ what }: SightReader): boolean => laneKindOf(what).isLocal;
const LOCAL = READERS.filter(isLocal);
const ACROSS = READERS.filter((reader) => !isLocal(reader));

/** @returns what is seen in one section, whatever stands around it. */
export const readSightsIn = (section: HTMLElement): Sights => readWith(LOCAL, section);

/** @returns what is seen of pieces of the page against others. */
export const readSightsAcross = (page: HTMLElement): Sights => readWith(ACROSS, page);

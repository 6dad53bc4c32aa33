import { once } from '$core/data/once';
import { SIGHTS_MOST, type Sight, type Sights } from '$core/facts/sights';
import { laneKindOf } from '$core/sweep/lanes';
import { worstOfEach } from '$core/sweep/merging';
import type { Seen, SightReader } from './reader';
import { over } from './over';
import { pictures } from './pictures';
import { sideways } from './sideways';
import { targets } from './targets';
import { shapeOf, wordsShown } from './text';
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

const readWith = (readers: readonly SightReader[], seen: Seen): Sights =>
  worstOfEach(readers.flatMap((reader) => sightsOf(reader, seen))).slice(0, SIGHTS_MOST);

const isLocal = ({ what }: SightReader): boolean => laneKindOf(what).isLocal;
const LOCAL = READERS.filter(isLocal);
const ACROSS = READERS.filter((reader) => !isLocal(reader));

/** A page that is looked at as it stands now, and holds still meanwhile. */
export interface Look {
  /**
   * @param trial which texts the page is to hold (core/sweep/trials.ts): it gets them before it is looked at.
   * @returns what is seen of all of it.
   */
  whole(trial: string): Sights;
  /** @returns what is seen in one section, whatever stands around it. */
  within(section: HTMLElement): Sights;
  /** @returns what is seen of pieces against others of the page. */
  across(): Sights;
  /** @returns a number that stands for the boxes of all words (core/facts/shape.ts). */
  shape(): number;
}

/** Looks at a page once: its words are read once, whatever is asked of them. */
export function createLook(page: HTMLElement): Look {
  const words = once(() => wordsShown(page));
  return {
    whole(trial) {
      tryTexts(page, trial);
      return readWith(READERS, { page, words: words() });
    },
    within(section) {
      const own = words().filter(({ holder }) => section.contains(holder));
      return readWith(LOCAL, { page: section, words: own });
    },
    across: () => readWith(ACROSS, { page, words: words() }),
    shape: () => shapeOf(words())
  };
}

import { boxFact } from './box';
import { fitFact, roomFact } from './fit';
import { sightsFact, sightsInFact, sightsAcrossFact } from './sights';
import { shapeFact } from './shape';
import { stopsFact } from './stops';

/** Everything that is measured, one line each; the frame has a reader for each (src/preview/readers.ts). */
export const FACTS = {
  fit: fitFact,
  room: roomFact,
  box: boxFact,
  stops: stopsFact,
  sights: sightsFact,
  sightsIn: sightsInFact,
  sightsAcross: sightsAcrossFact,
  shape: shapeFact
} as const;

export type FactName = keyof typeof FACTS;

/** Whether a value that came from a frame is one of a fact. */
export const isFact = (name: string, value: unknown): boolean =>
  Object.hasOwn(FACTS, name) && FACTS[name as FactName].schema.isValidSync(value, { strict: true });

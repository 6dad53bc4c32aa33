import { momentsFor } from '../../kinds/moments';

/** What can move without anything around it being laid out anew (CSS Transforms 2, CSS Color 4). */
export const OWN_PROPERTIES = ['translate', 'rotate', 'scale', 'opacity'] as const;
export type OwnProperty = (typeof OWN_PROPERTIES)[number];

/** Movements that a piece says itself. */
export const OWN = momentsFor('own', OWN_PROPERTIES);

/** px of the window at both ends of the width ruler: a little more than what can be set. */
export const RULER_FROM = 240;
export const RULER_TO = 1960;

/** @returns where a width of the window stands on a ruler, both in px. */
export const placeOnRuler = (px: number, track: number): number =>
  ((px - RULER_FROM) / (RULER_TO - RULER_FROM)) * track;

/** Widths of a window that are looked at, px. */
export const SWEEP_FROM = 280;
export const SWEEP_TO = 1920;

/** Hardly any window is lower, px: a small laptop with the browser's bars (common practice, no source). */
export const WINDOW_LEAST = 600;

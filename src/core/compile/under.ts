/**
 * On a piece's outermost element in the preview: `STEM-0`, `STEM-1` and so on while the window is under the widths
 * it asks for.
 */
export const UNDER_MARK = 'data-k-under';

/** On a piece's outermost element in the preview: `STEM-0`, `STEM-1` and so on while the window is under those widths. */
export const UNDER_MARK = 'data-k-under';

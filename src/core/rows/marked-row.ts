/** Slot of a printed list for the row that stands for all. No kind has it, and no project. */
export const MARKED_ROW = 'marked-row';

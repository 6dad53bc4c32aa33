import type { Switch, ToFrame } from './messages';

/** How a frame shows a page that is looked at and not tuned: as a reader has it, under some conditions. */
export const tried = (switches: readonly Switch[]): Extract<ToFrame, { type: 'show' }> => ({
  type: 'show',
  mode: 'try',
  switches: [...switches],
  picked: null,
  box: null,
  forced: null,
  chosen: [],
  isOfChosen: false,
  rate: 1,
  typeSize: 100,
  guides: false,
  stack: [],
  name: ''
});

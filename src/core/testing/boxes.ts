import type { Box } from '../facts/box';

/** Something 100 px high at 500 px, in a row of 800 px on a page of 5,000; the window is 800 px high. */
export const BOX: Box = {
  top: 500,
  bottom: 600,
  left: 0,
  right: 300,
  marginTop: 0,
  marginBottom: 0,
  insetTop: 24,
  insetBottom: null,
  withinTop: 500,
  withinBottom: 1300,
  outerBottom: 1300,
  within: 'columns',
  scroller: null,
  height: 800,
  padTop: 0,
  padBottom: 0,
  whole: 5000,
  areaTop: 0,
  areaBottom: 5000,
  runTop: 0,
  runBottom: 5000,
  runWidth: 1000,
  runInset: 0,
  runLength: 1000,
  heldFrom: 0,
  heldFor: 0,
  isStretched: false
};

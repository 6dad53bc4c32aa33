/**
 * The contract: everything generated markup may ask for. A test holds the kinds to this list.
 *
 * A behaviour takes the element that asks for it by `data-k-NAME` and returns what stops it and puts the markup
 * back. That stands after the label `STOPPABLE`, with whatever else the workbench alone needs: an exported page
 * runs until it is left, so there it is left out, and nothing is returned.
 */
export { closes } from './closes';
export { counts } from './counts';
export { drags } from './drags';
export { enter } from './enter';
export { flips } from './flips';
export { fresh } from './fresh';
export { glide } from './glide';
export { grow } from './grow';
export { hides } from './hides';
export { large } from './large';
export { leave } from './leave';
export { leaves } from './leaves';
export { linked } from './linked';
export { menu } from './menu';
export { opens } from './opens';
export { panels } from './panels';
export { plays } from './plays';
export { raise } from './raise';
export { rounds } from './rounds';
export { scoped } from './scoped';
export { scrolls } from './scrolls';
export { slider } from './slider';
export { spy } from './spy';
export { stuck } from './stuck';
export { sublists } from './sublists';
export { tabs } from './tabs';
export { turns } from './turns';
export { unfolds } from './unfolds';
export { wait } from './wait';

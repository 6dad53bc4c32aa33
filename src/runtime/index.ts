/** The contract: everything generated markup may ask for. A test holds the kinds to this list. */
export { enter } from './enter';
export { glide } from './glide';
export { grow } from './grow';
export { leave } from './leave';
export { leaves } from './leaves';
export { linked } from './linked';
export { menu } from './menu';
export { opens } from './opens';
export { plays } from './plays';
export { raise } from './raise';
export { scoped } from './scoped';
export { spy } from './spy';
export { start } from './start';
export { stuck } from './stuck';
export { sublists } from './sublists';
export { tabs } from './tabs';
export { wait } from './wait';

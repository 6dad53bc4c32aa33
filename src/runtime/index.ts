/** The contract: everything generated markup may ask for. A test holds the kinds to this list. */
export { start } from './start';
export { tabs } from './tabs';

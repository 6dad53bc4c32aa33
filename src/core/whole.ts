/**
 * The registry with the code of all kinds and effects, and the grammar that values are checked by: for programs
 * that have no first screen to wait for.
 */
import { loadGrammar } from './css/grammar';
import { registry } from './registry';

await Promise.all([registry.loadAll(), loadGrammar()]);

export { registry };

import { loadGrammar } from '../css/grammar';

// Run before every test file: the app brings the grammar when its page is on show.
await loadGrammar();

// Which of the browser tests marked `inTurn` (tests/support/thorough.ts) a run of `npm test` has.
import { spawnSync } from 'node:child_process';
import { root } from './lib.mjs';

/** Each of those tests has one of so many turns. */
export const TURNS = 8;

/** The commit that is checked out; null where there is none, as in a folder that was unpacked. */
function commitHere() {
  const { status, stdout } = spawnSync('git', ['rev-parse', 'HEAD'], { cwd: root, encoding: 'utf8' });
  return status === 0 ? stdout.trim() : null;
}

/**
 * The turn that a run has, from 1 to TURNS: the one asked for, or that of the commit. So a commit is always tried in
 * the same way, and those that follow one another are tried in different ones.
 *
 * @param {string | undefined} asked what `TURN` says
 * @param {string | null} commit its hash in hexadecimal digits; null where there is none
 * @throws {Error} where what is asked for is no turn
 */
export function turnOf(asked, commit) {
  if (!asked) return commit ? 1 + (Number.parseInt(commit.slice(0, 8), 16) % TURNS) : 1;
  const turn = Number(asked);
  if (Number.isInteger(turn) && turn >= 1 && turn <= TURNS) return turn;
  throw new Error(
    `TURN is “${asked}”, but the tests have turns 1 to ${TURNS}: leave it out, or say one of these.`
  );
}

export const turnHere = () => turnOf(process.env.TURN, commitHere());

/** The turn that is asked for; null where none is, and the tests of all turns are meant. */
export const turnAsked = () => (process.env.TURN ? turnOf(process.env.TURN, null) : null);

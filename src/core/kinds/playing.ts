/** What a page says of all that moves by itself on it: `paused` while a reader has stopped it. */
export const PLAY_STATE = '--k-play';

/** The `animation-play-state` of what goes on for longer than 5 s: it holds while a reader has stopped movement. */
export const PLAYS_UNLESS_STOPPED = `var(${PLAY_STATE}, running)`;

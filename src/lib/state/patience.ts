/** How long a page is waited for, ms, at least, and how often it is asked: one on a slow machine answers seldom. */
const MS_LEAST = 10_000;
const ASKS_LEAST = 30;
/** So many times it is asked with the next frame, as it mostly stands within some; then after a pause, ms. */
const AT_ONCE = 30;
const PAUSE = 100;

/** What a wait needs of the window it runs in. */
export interface Timing {
  now(): number;
  nextFrame(then: () => void): void;
  later(then: () => void, ms: number): void;
}

const OF_WINDOW: Timing = {
  now: () => performance.now(),
  nextFrame: (then) => void requestAnimationFrame(then),
  later: (then, ms) => void setTimeout(then, ms)
};

/** Asks a page out of sight again and again until it stands as it was asked for, or has been waited for long enough. */
export class Patience {
  #asks = 0;
  #from = 0;

  constructor(private readonly timing: Timing = OF_WINDOW) {}

  /** Waits for something else from now on. */
  renew(): void {
    this.#asks = 0;
    this.#from = this.timing.now();
  }

  /** @returns whether it is asked again; false once it has been waited for, at least 10 s and 30 answers long. */
  again(ask: () => void): boolean {
    this.#asks += 1;
    if (this.#asks >= ASKS_LEAST && this.timing.now() - this.#from >= MS_LEAST) return false;
    if (this.#asks < AT_ONCE) this.timing.nextFrame(ask);
    else this.timing.later(ask, PAUSE);
    return true;
  }
}

export interface Turn {
  /** Fulfilled when all turns taken before this one have ended. */
  readonly comes: Promise<void>;
  /** Lets the next one go on; may be called before the turn has come, and more than once. */
  readonly end: () => void;
}

/** One thing after another, so that the window answers its visitor in between. @returns takes a turn. */
export function createTurns(): () => Turn {
  let last = Promise.resolve();
  return () => {
    const comes = last;
    let end = () => {};
    const ended = new Promise<void>((resolve) => (end = resolve));
    last = Promise.all([comes, ended]).then(() => {});
    return { comes, end };
  };
}

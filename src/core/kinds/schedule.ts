/** What plays by itself: one after the other of its items rests, and the next one comes. */
export interface Schedule {
  /** The slot that holds its items. */
  readonly slot: string;
  /** How long an item rests that says nothing itself, s. */
  readonly rest: number;
  /** How long it takes until the next one has come, s. */
  readonly move: number;
  readonly isBackwards: boolean;
}

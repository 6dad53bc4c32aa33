/** What plays by itself: one after the other of its items rests, and the next one comes. */
export interface Schedule {
  /** The slot that holds its items. */
  readonly slot: string;
  /** How long an item rests that says nothing itself, s. */
  readonly rest: number;
  /** How long it takes until the next one has come, s. */
  readonly move: number;
  readonly isBackwards: boolean;
  /** How many items are whole in sight at once, 1 or more. */
  readonly visible: number;
  /** By how many items it goes on. */
  readonly step: number;
  /** After the last the first comes beside it, so that it rests on every one. */
  readonly isRound: boolean;
}

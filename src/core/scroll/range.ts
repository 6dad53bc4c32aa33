/** Something an effect does with the scroll. */
export interface EffectRange {
  /** What happens, with the piece's name before it: Press photo sticks. */
  readonly words: string;
  /** px from the beginning of what scrolls; the same where it happens at once. */
  readonly start: number;
  readonly end: number;
  /** How far it is carried along, px; null for what is not carried. */
  readonly travel: number | null;
}

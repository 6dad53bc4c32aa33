/** What was typed before the field it was meant for was there. */
export interface Typed {
  readonly words: string;
  /** Enter was pressed after it; what follows is meant for what comes then. */
  readonly isEntered: boolean;
}

const NOTHING: Typed = { words: '', isEntered: false };

/**
 * Keys pressed after the one that opens something with a field, and before that field is there: they belong to
 * the field.
 */
export class TypedAhead {
  #typed = NOTHING;
  #isThere = false;

  /** @param isOpening whether something with a field is open, or on its way. */
  keep(event: KeyboardEvent, isOpening: boolean): void {
    if (!isOpening || this.#isThere) return;
    const isLetter = event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey;
    if (!isLetter && event.key !== 'Enter') return;
    event.preventDefault();
    event.stopImmediatePropagation();
    const { words, isEntered } = this.#typed;
    if (!isEntered)
      this.#typed = isLetter ? { words: words + event.key, isEntered } : { words, isEntered: true };
  }

  /** @returns what was typed; from now on the field has the keys, until it is gone. */
  take(): Typed {
    const typed = this.#typed;
    this.#typed = NOTHING;
    this.#isThere = true;
    return typed;
  }

  gone(): void {
    this.#isThere = false;
  }
}

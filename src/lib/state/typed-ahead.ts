/** What was typed before the field it was meant for was there. */
export interface Typed {
  readonly words: string;
  /** Enter was pressed after it; what follows is meant for what comes then. */
  readonly isEntered: boolean;
}

const NOTHING: Typed = { words: '', isEntered: false };

const isLetter = (event: KeyboardEvent) =>
  event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey;
const isText = (event: KeyboardEvent) =>
  isLetter(event) || event.key === 'Enter' || event.key === 'Backspace';

function holdBack(event: KeyboardEvent): void {
  event.preventDefault();
  event.stopImmediatePropagation();
}

/**
 * Keys pressed after the one that opens something with a field, and before that field is there: they belong to
 * the field.
 */
export class TypedAhead {
  #typed = NOTHING;
  #isThere = false;

  /** @param isOpening whether something with a field is open, or on its way. */
  keep(event: KeyboardEvent, isOpening: boolean): void {
    if (!isOpening || event.key === 'Escape') this.#typed = NOTHING;
    if (!isOpening || this.#isThere || !isText(event)) return;
    holdBack(event);
    if (!this.#typed.isEntered) this.#typed = this.#with(event.key);
  }

  #with(key: string): Typed {
    const { words } = this.#typed;
    if (key === 'Enter') return { words, isEntered: true };
    const changed = key === 'Backspace' ? words.slice(0, -1) : words + key;
    return { words: changed, isEntered: false };
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

/**
 * Keys pressed before what answers them has come from the server: held from the first one that is a shortcut, and
 * pressed again in their order when all is there.
 */
export class EarlyKeys {
  #held: KeyboardEvent[] = [];

  /** Holds a shortcut, and with it what is typed after it. */
  hold(event: KeyboardEvent): void {
    this.#held.push(event);
  }

  /** What is typed while a shortcut is held belongs after it. */
  follow(event: KeyboardEvent): void {
    if (this.#held.length === 0 || !isText(event)) return;
    holdBack(event);
    this.#held.push(event);
  }

  pressAgain(): void {
    const held = this.#held;
    this.#held = [];
    for (const event of held) window.dispatchEvent(new KeyboardEvent('keydown', event));
  }

  letGo(): void {
    this.#held = [];
  }
}

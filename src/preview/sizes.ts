/**
 * Scripts that follow sizes are told of them with the next picture. In a frame that is out of sight there is none, so
 * what is measured there would be of a page that has not followed. Observers made in this frame can catch up at once.
 */

const Native = globalThis.ResizeObserver;
const observers = new Set<FollowedSizes>();
/** What follows a size may change another one that is followed; more rounds than this are a circle. */
const ROUNDS_MOST = 4;

const sizeOf = (target: Element): string => {
  const { width, height } = target.getBoundingClientRect();
  return `${width} ${height}`;
};

class FollowedSizes extends Native {
  /** Sizes that were told last, by what has them; null where none was. */
  readonly #told = new Map<Element, string | null>();
  readonly #tell: ResizeObserverCallback;

  constructor(tell: ResizeObserverCallback) {
    super((entries) => {
      for (const { target } of entries) this.#told.set(target, sizeOf(target));
      tell(entries, this);
    });
    this.#tell = tell;
    observers.add(this);
  }

  override observe(target: Element, options?: ResizeObserverOptions): void {
    super.observe(target, options);
    this.#told.set(target, null);
    observers.add(this);
  }

  override unobserve(target: Element): void {
    super.unobserve(target);
    this.#told.delete(target);
  }

  override disconnect(): void {
    super.disconnect();
    this.#told.clear();
    observers.delete(this);
  }

  /** @returns whether anything had another size than was told. */
  catchUp(): boolean {
    const changed = [...this.#told].filter(([target, told]) => told !== sizeOf(target));
    if (changed.length === 0) return false;
    for (const [target] of changed) this.#told.set(target, sizeOf(target));
    const entries = changed.map(([target]) => ({ target, contentRect: target.getBoundingClientRect() }));
    try {
      this.#tell(entries as unknown as ResizeObserverEntry[], this);
    } catch (error) {
      // As the browser does it: one that fails keeps no other from being told, nor the page from being measured.
      reportError(error);
    }
    return true;
  }
}

/** Called once, before anything in the frame observes a size. */
export function followSizes(): void {
  globalThis.ResizeObserver = FollowedSizes;
}

/** Has all that follows sizes see them as they are now. */
export function catchUpWithSizes(): void {
  for (let round = 0; round < ROUNDS_MOST; round += 1) {
    const had = [...observers].map((each) => each.catchUp());
    if (!had.some(Boolean)) return;
  }
}

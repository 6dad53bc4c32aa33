import type { Ask } from '$core/facts/fact';
import type { FromFrame } from './messages';
import type { createMotion } from './motion';
import { measured } from './readers';
import { catchUpWithSizes } from './sizes';

interface MeasuringTools {
  readonly motion: ReturnType<typeof createMotion>;
  elementOf(id: string): HTMLElement | null;
  tell(message: FromFrame): void;
}

/** Tells what is measured of the page, at rest: what is held on its way is let be until it goes on. */
export function createMeasuring({ motion, elementOf, tell }: MeasuringTools) {
  let due: readonly Ask[] | null = null;

  const measure = (asks: readonly Ask[]): void => {
    // Boxes are read without any movement, which would end what is held.
    if (motion.isHeld()) return void (due = asks);
    catchUpWithSizes();
    tell({
      type: 'measured',
      viewport: innerWidth,
      window: innerHeight,
      page: document.documentElement.scrollHeight,
      found: measured(asks, elementOf)
    });
  };

  return {
    measure,
    /** @param time ms since what moves was set going; null lets it go on. */
    scrub(time: number | null): void {
      motion.scrub(time);
      if (time !== null || !due) return;
      measure(due);
      due = null;
    }
  };
}

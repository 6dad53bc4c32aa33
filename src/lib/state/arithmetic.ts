type Evaluate = (typeof import('$core/css/arithmetic'))['evaluate'];

let ready: Evaluate | null = null;
let coming: Promise<void> | null = null;

/** Fetches the arithmetic of fields, which nobody needs before a field is opened. */
export function arithmetic(): Promise<void> {
  coming ??= import('$core/css/arithmetic').then(
    ({ evaluate }) => void (ready = evaluate),
    // With the server gone a field still takes plain values.
    () => void (ready = () => null)
  );
  return coming;
}

/** @returns it where it is there, or null. */
export const readyArithmetic = (): Evaluate | null => ready;

/** An attribute that the selector of a state asks for. */
export interface StateAttribute {
  readonly name: string;
  readonly value: string;
  /** What it is while the state does not hold: null where it is not there at all. */
  readonly outside: string | null;
  /** How many elements up from the part it stands: 0 on the part itself, 1 on the element around it. */
  readonly above: number;
}

const ATTRIBUTE = /\[([a-z-]+)(?:~?="([^"]*)")?\]([^,\]]*)/g;

/** Attributes on what stands beside the part, as in `[aria-current] + *`. */
const isBeside = (rest: string): boolean => /[+~]/.test(rest);

/** ARIA attributes say nothing where they are empty (WAI-ARIA 1.2, section 6.6). */
const presentAs = (name: string): string => (name.startsWith('aria-') ? 'true' : '');

/**
 * @param selector of a state, as kinds write it: `[open]`, `:is([aria-selected="true"], [aria-current])`,
 * `:is([open] > * > *)`.
 * @returns what it asks for, alternatives one after the other; nothing where it is the pointer's or the focus's.
 */
export function attributesIn(selector: string): readonly StateAttribute[] {
  return [...selector.matchAll(ATTRIBUTE)].flatMap(([, name = '', value, rest = '']) => {
    if (isBeside(rest)) return [];
    const outside = value === 'true' ? 'false' : null;
    return [{ name, value: value ?? presentAs(name), outside, above: rest.split('>').length - 1 }];
  });
}

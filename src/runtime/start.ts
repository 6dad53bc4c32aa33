/**
 * A behaviour takes the element that asks for it and returns what stops it and puts the markup back. That
 * stands after the label `STOPPABLE`: an exported page runs until it is left, so there it is left out, and
 * nothing is returned.
 */
export type Behaviour = (root: HTMLElement) => (() => void) | undefined;

/** Starts each behaviour on every element that asks for it by `data-k-NAME`. */
export function start(behaviours: Record<string, Behaviour>, within: ParentNode = document): void {
  for (const name in behaviours)
    within.querySelectorAll<HTMLElement>(`[data-k-${name}]`).forEach(behaviours[name]!);
}

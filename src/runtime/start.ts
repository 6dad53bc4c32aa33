declare global {
  /** Set by what bundles this: an exported page runs until it is left, so what stops a behaviour is left out of it. */
  const STOPPABLE: boolean;
}

/**
 * A behaviour takes the element that asks for it and returns what stops it and puts the markup back; nothing where it is bundled
 * without that.
 */
export type Behaviour = (root: HTMLElement) => (() => void) | undefined;

/** Starts each behaviour on every element that asks for it by `data-k-NAME`. */
export function start(behaviours: Record<string, Behaviour>, within: ParentNode = document): void {
  for (const name in behaviours) within.querySelectorAll<HTMLElement>(`[data-k-${name}]`).forEach(behaviours[name]!);
}

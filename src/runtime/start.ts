/** A behaviour takes the element that asks for it and returns what stops it and puts the markup back. */
export type Behaviour = (root: HTMLElement) => () => void;

/** Starts each behaviour on every element that asks for it by `data-k-NAME`; returns what stops them all. */
export function start(behaviours: Record<string, Behaviour>, within: ParentNode = document): () => void {
  const stops: (() => void)[] = [];
  for (const name in behaviours) {
    within.querySelectorAll<HTMLElement>(`[data-k-${name}]`).forEach((root) => stops.push(behaviours[name]!(root)));
  }
  return () => stops.forEach((stop) => stop());
}

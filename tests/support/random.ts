/** The same random numbers at every run. @returns a function that gives whole numbers from 0 to below `most`. */
export function random(seed: number): (most: number) => number {
  let state = seed * 2654435761 + 1;
  return (most) => {
    state = (state * 1103515245 + 12345) % 2147483648;
    return state % most;
  };
}

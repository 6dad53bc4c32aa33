type Taken = ReadonlySet<string>;

/** @returns the first of `stem` with 2, 3, … after it that is free; `joint` stands between name and number. */
export function numbered(stem: string, taken: Taken, joint: string): string {
  for (let count = 2; ; count += 1) {
    const name = `${stem}${joint}${count}`;
    if (!taken.has(name)) return name;
  }
}

/** @returns the name itself where it is free, else the first with a number after it that is. */
export const freeName = (wanted: string, taken: Taken, joint = '-'): string =>
  taken.has(wanted) ? numbered(wanted, taken, joint) : wanted;

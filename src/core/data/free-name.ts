/** @returns the first of `stem` with 2, 3, … after it that is free; `joint` stands between name and number. */
export function numbered(stem: string, isTaken: (name: string) => boolean, joint: string): string {
  for (let count = 2; ; count += 1) {
    const name = `${stem}${joint}${count}`;
    if (!isTaken(name)) return name;
  }
}

/** @returns the name itself where it is free, else the first with a number after it that is. */
export const freeName = (wanted: string, isTaken: (name: string) => boolean, joint = '-'): string =>
  isTaken(wanted) ? numbered(wanted, isTaken, joint) : wanted;

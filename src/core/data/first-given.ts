/** @returns the first that `give` makes of the list that is not null; null where it makes none. */
export function firstGiven<Each, Given>(
  list: Iterable<Each>,
  give: (each: Each) => Given | null
): Given | null {
  for (const each of list) {
    const given = give(each);
    if (given !== null) return given;
  }
  return null;
}

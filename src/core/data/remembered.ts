interface Store<Key, Value> {
  get(key: Key): Value | undefined;
  set(key: Key, value: Value): unknown;
}

/** @returns what is remembered under a key; where nothing is, what `make` gives, which is remembered then. */
export function remembered<Key, Value>(store: Store<Key, Value>, key: Key, make: () => Value): Value {
  const known = store.get(key);
  if (known !== undefined) return known;
  const made = make();
  store.set(key, made);
  return made;
}

/** @returns a function that works a value out when it is first asked for, and has it ready from then on. */
export function once<Value>(make: () => Value): () => Value {
  let known: { readonly value: Value } | null = null;
  return () => (known ??= { value: make() }).value;
}

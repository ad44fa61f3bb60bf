/**
 * The same function, worked out once for each object it is asked of. Only for what hangs on that object alone, and for objects
 * that are never changed.
 *
 * @param make - what is remembered
 */
export function remembered<K extends object, V>(make: (of: K) => V): (of: K) => V {
  const known = new WeakMap<K, { readonly value: V }>();
  return (of) => {
    const found = known.get(of);
    if (found) return found.value;
    const value = make(of);
    known.set(of, { value });
    return value;
  };
}

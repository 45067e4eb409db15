/** What is worked out of something that nobody writes in is worked out once. */
export function once<K extends object, V, A extends unknown[]>(
  of: (k: K, ...a: A) => V,
): (k: K, ...a: A) => V {
  const known = new WeakMap<K, V>()
  return (k, ...a) => {
    const there = known.get(k)
    if (there !== undefined) return there
    const v = of(k, ...a)
    if (Object.isFrozen(k)) known.set(k, v)
    return v
  }
}

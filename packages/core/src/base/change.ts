/** What stands at a dotted path; undefined where nothing does. */
export function valueAt(value: unknown, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>(
      (v, k) => (v !== null && typeof v === 'object' ? (v as Record<string, unknown>)[k] : undefined),
      value,
    )
}

/** Sets dotted paths in a copy, leaving the rest shared. */
export function withChange<T>(value: T, change: Record<string, unknown>): T {
  let out: unknown = value
  for (const [path, to] of Object.entries(change)) out = setAt(out, path.split('.'), to)
  return out as T
}
function setAt(target: unknown, keys: string[], value: unknown): unknown {
  if (keys.length === 0) return value
  const [key, ...rest] = keys
  const copy: Record<string, unknown> | unknown[] = Array.isArray(target)
    ? [...target]
    : { ...(target as object) }
  ;(copy as Record<string, unknown>)[key!] = setAt((copy as Record<string, unknown>)[key!], rest, value)
  return copy
}

/**
 * Compares an answer with what a case expects: only what is named is looked at, lists in order, numbers
 * within a relative tolerance (absolute where 0 is expected).
 */
type Json = unknown
const isObject = (v: Json): v is Record<string, Json> =>
  v !== null && typeof v === 'object' && !Array.isArray(v)

export function differences(actual: Json, expected: Json, tolerance: number, path = ''): string[] {
  const miss = (why: string) => [
    `${path || '(answer)'}: ${why}, got ${JSON.stringify(actual)?.slice(0, 200)}`,
  ]
  if (isObject(expected)) {
    const op = Object.keys(expected).find((k) => k.startsWith('$'))
    if (op) return operator(actual, expected, tolerance, path, miss)
    if (!isObject(actual)) return miss('an object is expected')
    return Object.entries(expected).flatMap(([k, v]) =>
      differences(actual[k], v, tolerance, path ? `${path}.${k}` : k),
    )
  }
  if (Array.isArray(expected)) {
    if (!Array.isArray(actual) || actual.length !== expected.length)
      return miss(`a list of ${expected.length} is expected`)
    return expected.flatMap((v, i) => differences(actual[i], v, tolerance, `${path}.${i}`))
  }
  if (typeof expected === 'number') {
    if (typeof actual !== 'number') return miss(`${expected} is expected`)
    return Math.abs(actual - expected) <= (expected === 0 ? tolerance : tolerance * Math.abs(expected))
      ? []
      : miss(`${expected} is expected`)
  }
  return actual === expected ? [] : miss(`${JSON.stringify(expected)} is expected`)
}

function operator(
  actual: Json,
  e: Record<string, Json>,
  tolerance: number,
  path: string,
  miss: (w: string) => string[],
): string[] {
  if ('$near' in e) return differences(actual, e.$near, typeof e.tol === 'number' ? e.tol : tolerance, path)
  // below a positive figure and above none: a window about nought, since a remainder may fall on either
  // side of it
  if ('$lt' in e || '$gt' in e) {
    const above =
      typeof e.$gt === 'number' ? e.$gt : typeof e.$lt === 'number' && e.$lt > 0 ? -e.$lt : -Infinity
    const below = typeof e.$lt === 'number' ? e.$lt : Infinity
    return typeof actual === 'number' && actual > above && actual < below ? [] : miss(JSON.stringify(e))
  }
  if ('$in' in e)
    return (e.$in as Json[]).some((v) => differences(actual, v, tolerance).length === 0)
      ? []
      : miss(`one of ${JSON.stringify(e.$in)}`)
  if ('$has' in e)
    return Array.isArray(actual) && actual.some((a) => differences(a, e.$has, tolerance).length === 0)
      ? []
      : miss(`an element like ${JSON.stringify(e.$has)}`)
  if ('$len' in e)
    return Array.isArray(actual) && actual.length === e.$len ? [] : miss(`${String(e.$len)} elements`)
  if ('$contains' in e)
    return typeof actual === 'string' && actual.includes(e.$contains as string)
      ? []
      : miss(`text with "${String(e.$contains)}"`)
  return miss(`unknown expectation ${JSON.stringify(e)}`)
}

/**
 * What took long, of this process: the last few, for its manager. Of a statement its shape is kept and
 * nothing of what was in it.
 */
export interface Slow {
  kind: 'statement' | 'request'
  what: string
  ms: number
  at: string
  /** of a request: as it stands in the log */
  id: string | null
}
const MOST = 40
const last: Slow[] = []
export const LONG_MS = { statement: 250, request: 1000 } as const
const WORDS = 160

/** A statement without its values: quoted texts and numbers are left out. */
export const shapeOf = (sql: string): string =>
  sql
    .replace(/^Executed \([^)]*\): /, '')
    .replace(/E?'(?:[^']|'')*'/g, '…')
    .replace(/\b\d+(?:\.\d+)?\b/g, '…')
    .replace(/\s+/g, ' ')
    .slice(0, WORDS)
/** An address without ids and secrets. */
const routeOf = (url: string): string =>
  url
    .replace(/\?.*$/, '')
    .replace(/\/(look|join|feeds|link)\/[^/]+/g, '/$1/…')
    .slice(0, WORDS)

export function tookLong(kind: Slow['kind'], what: string, ms: number, id: string | null = null): void {
  // A stream of readings lasts as long as it is watched.
  if (!(ms >= LONG_MS[kind]) || /\/stream\b/.test(what)) return
  const said = kind === 'statement' ? shapeOf(what) : routeOf(what)
  last.unshift({ kind, what: said, ms: Math.round(ms), at: new Date().toISOString(), id })
  last.length = Math.min(last.length, MOST)
}
export const slowest = (): Slow[] => [...last]

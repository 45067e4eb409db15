import { formatQuantity, type Units } from '@north-tide/core'
import { choiceWords, fieldWords, pathWords } from '@north-tide/core/words'

/** A leaf of a design: choices by their word, figures in the reader's units, nothing as none. */
function leafSaid(path: string, v: unknown, units: Units): string {
  if (v === null || v === undefined || v === '') return 'none'
  if (typeof v === 'boolean') return v ? 'yes' : 'no'
  if (typeof v === 'string') return path !== 'name' && /^[a-z0-9]+(-[a-z0-9]+)*$/.test(v) ? choiceWords(v) : v
  const key = path.split('.').findLast((k) => !/^\d+$/.test(k)) ?? ''
  return typeof v === 'number'
    ? formatQuantity(v, fieldWords(key).unit.replace(/^\u00b0$/, 'deg'), units)
    : String(v)
}
function leaves(value: unknown, path = ''): [string, unknown][] {
  if (value === null || typeof value !== 'object') return [[path, value]]
  return Object.entries(value).flatMap(([k, v]) => leaves(v, path ? `${path}.${k}` : k))
}
export interface Difference {
  path: string
  what: string
  mine: string
  theirs: string
}
/** Everything in which two designs differ, in words. */
export function differences(mine: unknown, theirs: unknown, units: Units): Difference[] {
  const [a, b] = [new Map(leaves(mine)), new Map(leaves(theirs))]
  const said = (m: Map<string, unknown>, k: string) => (m.has(k) ? leafSaid(k, m.get(k), units) : 'not there')
  return [...new Set([...a.keys(), ...b.keys()])]
    .filter((k) => a.has(k) !== b.has(k) || a.get(k) !== b.get(k))
    .map((k) => ({ path: k, what: pathWords(k), mine: said(a, k), theirs: said(b, k) }))
}

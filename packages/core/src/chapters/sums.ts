import type { Calculator } from '../base/calculator/calculator'
import contents from './contents.json'
import groups from './groups.json'

export { described, runInWords } from '../base/calculator/described'

/** What a list of sums shows: written from the registry by `node bin/calculators.mjs`. */
export interface SumEntry {
  name: string
  title: string
  words: string[]
  part: keyof typeof PARTS
}
export const SUMS = contents as SumEntry[]

/** The fields of a sum by what they are about, in the order a fitter would give them. */
export const SUM_GROUPS = groups as unknown as Record<string, [title: string, fields: string[]][]>

/**
 * Sums come in four parts, each fetched when one of it is asked for: all at once is more than a first visit
 * should carry, and each by itself cuts what the benches share into crumbs.
 */
const PARTS = {
  deck: () => import('./parts/deck'),
  hull: () => import('./parts/hull'),
  opening: () => import('./parts/opening'),
  yard: () => import('./parts/yard'),
}
type Any = Calculator<never, unknown>
export async function loadSum(name: string): Promise<Any> {
  const { part } = SUMS.find((s) => s.name === name)!
  const all = Object.values(await PARTS[part]()) as unknown as Any[]
  return all.find((c) => c.name === name)!
}

import type { LeakInput } from './leak-shape'
import { heightOf } from './leak-paths'
import { byId, six } from './days'

/** What a test says of each source, and which test would say most (chapter 16.1). */
export type TestKind = 'hose' | 'flood' | 'dye' | 'tape'
/** How often it is wet whatever leaks; how surely where the source is in it, and where it is not. */
const TESTS: Record<TestKind, { f: number; inside: number; outside: number }> = {
  hose: { f: 0.03, inside: 0.95, outside: 0 },
  flood: { f: 0.02, inside: 0.98, outside: 0 },
  dye: { f: 0.005, inside: 0.9, outside: 0 },
  tape: { f: 0.03, inside: 0.05, outside: 0.95 },
}
export interface Source {
  id: string
  flowMin: number
  /** opens under load alone, so that ashore half of it shows */
  halved: boolean
}
export interface Test {
  kind: TestKind
  on: string[]
  minutes: number
}
const qOf = (t: Test, s: Source) => {
  const row = TESTS[t.kind]
  if (!t.on.includes(s.id)) return row.outside
  return s.halved && t.kind !== 'tape' ? row.inside / 2 : row.inside
}
export function wetChance(t: Test, s: Source): number {
  const { f } = TESTS[t.kind]
  return f + (1 - f) * qOf(t, s) * (1 - Math.exp(-t.minutes / s.flowMin))
}
/** How well a source explains what was seen; with the minute at which it came, as a density. */
export function likelihood(t: Test & { wet: boolean; delayMin?: number | undefined }, s: Source): number {
  if (!t.wet) return 1 - wetChance(t, s)
  if (t.delayMin === undefined) return wetChance(t, s)
  const { f } = TESTS[t.kind]
  return f / t.minutes + ((1 - f) * qOf(t, s) * Math.exp(-t.delayMin / s.flowMin)) / s.flowMin
}
export function after(p: number[], likelihoods: number[]): number[] {
  const joint = p.map((x, i) => x * likelihoods[i]!)
  const sum = joint.reduce((a, b) => a + b, 0)
  return joint.map((x) => x / sum)
}
/** Below this a source is out. */
const OUT = 0.02
export const ruledOut = (sources: Source[], before: number[], now: number[]): string[] =>
  sources
    .filter((_, i) => six(before[i]!) >= OUT && six(now[i]!) < OUT)
    .map((s) => s.id)
    .sort(byId)

const log2 = (x: number) => (x > 0 ? Math.log2(x) : 0)
/** What a test tells on the mean, in bits. */
function bitsOf(t: Test, sources: Source[], p: number[]): number {
  const wet = sources.map((s) => wetChance(t, s))
  const chance = wet.reduce((a, w, i) => a + p[i]! * w, 0)
  return sources.reduce(
    (bits, _, i) =>
      bits +
      p[i]! * wet[i]! * log2(wet[i]! / chance) +
      p[i]! * (1 - wet[i]!) * log2((1 - wet[i]!) / (1 - chance)),
    0,
  )
}
const LONGEST_MIN = 60
function minutesFor(on: string[], sources: Source[], p: number[]): number {
  const mine = sources.map((s, i) => ({ s, p: p[i]! })).filter(({ s }) => on.includes(s.id))
  const likely = mine.filter((m) => six(m.p) >= OUT)
  const slowest = Math.max(...(likely.length ? likely : mine).map((m) => m.s.flowMin))
  return Math.min(LONGEST_MIN, Math.ceil(six(slowest * Math.LN10)))
}

/** Each by itself, and by hose the lowest two, three … of those above the waterline. */
function choices(v: LeakInput): Omit<Test, 'minutes'>[] {
  const low = v.candidates
    .filter((c) => c.place !== 'below')
    .sort((a, b) => six(heightOf(v, a)) - six(heightOf(v, b)) || byId(a.id, b.id))
    .map((c) => c.id)
  return [
    ...v.candidates.map((c) => ({
      kind: c.place === 'below' ? ('dye' as const) : ('hose' as const),
      on: [c.id],
    })),
    ...low.slice(1).map((_, i) => ({ kind: 'hose' as const, on: low.slice(0, i + 2) })),
  ]
}
export interface NextTest extends Test {
  bits: number
}
/** Most bits, then fewer minutes, then fewer candidates, then the first id. */
export function nextTest(v: LeakInput, sources: Source[], p: number[]): NextTest {
  return choices(v)
    .map((c) => {
      const t = { ...c, minutes: minutesFor(c.on, sources, p) }
      return { ...t, bits: bitsOf(t, sources, p) }
    })
    .sort(
      (a, b) =>
        six(b.bits) - six(a.bits) ||
        a.minutes - b.minutes ||
        a.on.length - b.on.length ||
        byId(a.on[0]!, b.on[0]!),
    )[0]!
}

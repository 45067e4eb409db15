import type { z } from 'zod'
import type { checkSchema, remedySchema, verdictSchema, workingSchema } from '../schema/schema'

export type Verdict = z.infer<typeof verdictSchema>
export type Check = z.infer<typeof checkSchema>
export type Remedy = z.infer<typeof remedySchema>
export type Working = z.infer<typeof workingSchema>

/** Bad to good: a fitting is as good as its worst check. */
const ORDER: Verdict[] = ['short', 'unproven', 'tight', 'holds']

/** Guards the limits against the last bit of a division, so that exactly 1.00 is still tight. */
const GRAIN = 1e-9

export function verdictOf(utilisation: number | null): Verdict {
  if (utilisation === null) return 'unproven'
  if (utilisation <= 0.9 + GRAIN) return 'holds'
  return utilisation <= 1 + GRAIN ? 'tight' : 'short'
}

export const rank = (v: Verdict) => ORDER.indexOf(v)

export function worstVerdict(verdicts: Verdict[]): Verdict {
  return verdicts.reduce<Verdict>((worst, v) => (rank(v) < rank(worst) ? v : worst), 'holds')
}

/** The first check of the worst verdict with the greatest utilisation. */
export function governing<C extends Pick<Check, 'verdict' | 'utilisation'>>(checks: C[]): C | null {
  const worst = worstVerdict(checks.map((c) => c.verdict))
  let best: C | null = null
  for (const c of checks) {
    if (c.verdict !== worst) continue
    if (!best || (c.utilisation ?? -1) > (best.utilisation ?? -1)) best = c
  }
  return best
}

/** demand × factor ÷ capacity, or null where that has no finite value. */
export function utilisationOf(demand: number, capacity: number, factor: number): number | null {
  if (demand === 0) return 0
  const u = (demand * factor) / capacity
  return Number.isFinite(u) && capacity > 0 ? u : null
}

/** Said, or what says it. */
type Written<T> = T | (() => T)
/**
 * A check whose words and workings are not written yet: of a sweep all but one of a kind are thrown away
 * unread. Whoever hands checks on writes them.
 */
export type Draft = Omit<Check, 'because' | 'working'> & {
  because: Written<string>
  working: Written<Working>
}
const said = <T extends string | Working>(w: Written<T>): T => (typeof w === 'function' ? w() : w)
/** Property by property: of all that a judgement does this is done most. */
export function written(c: Draft): Check {
  const out: Check = {
    id: c.id,
    title: c.title,
    demand: c.demand,
    capacity: c.capacity,
    factor: c.factor,
    unit: c.unit,
    utilisation: c.utilisation,
    verdict: c.verdict,
    because: said(c.because),
    working: said(c.working),
    assumed: c.assumed,
    source: c.source,
    remedies: c.remedies,
  }
  if (c.boltIndex !== undefined) out.boltIndex = c.boltIndex
  return out
}

type Parts = Pick<Check, 'id' | 'title' | 'unit' | 'source'> &
  Partial<Pick<Check, 'assumed' | 'boltIndex' | 'remedies'> & Pick<Draft, 'because' | 'working'>> & {
    factor?: number
  }
type Limits = { demand: number; capacity: number; verdict?: Verdict }

/**
 * A check whose verdict follows from its utilisation, unless the chapter gives limits of its own
 * (`verdict`); its words are written when it is handed on.
 */
export function draft(parts: Parts & Limits): Draft {
  const factor = parts.factor ?? 1
  const utilisation = utilisationOf(parts.demand, parts.capacity, factor)
  const out: Draft = {
    id: parts.id,
    title: parts.title,
    demand: parts.demand,
    capacity: parts.capacity,
    factor,
    unit: parts.unit,
    utilisation,
    verdict: parts.verdict ?? (utilisation === null ? 'short' : verdictOf(utilisation)),
    because: parts.because ?? '',
    working: parts.working ?? [],
    assumed: parts.assumed ?? [],
    source: parts.source,
    remedies: parts.remedies ?? [],
  }
  if (parts.boltIndex !== undefined) out.boltIndex = parts.boltIndex
  return out
}
/** The same with its words. */
export const check = (parts: Parts & Limits): Check => written(draft(parts))

/** A verdict that is a matter of words, not of a figure against another: there is nothing to use up. */
export const inWords = (parts: Parts & { verdict: Verdict }): Check => ({
  ...check({ ...parts, demand: 0, capacity: 1 }),
  demand: null,
  capacity: null,
  utilisation: null,
})

/** A check that cannot be made, because an input is missing. */
export const unproven = (parts: Parts & { capacity?: number }): Check =>
  written({
    working: [],
    assumed: [],
    remedies: [],
    because: '',
    capacity: null,
    ...parts,
    factor: parts.factor ?? 1,
    demand: null,
    utilisation: null,
    verdict: 'unproven',
  })

/** A sentence begins with a capital. */
export const sentence = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}`

export const step = (
  symbol: string,
  meaning: string,
  expression: string,
  value: number | null,
  unit: string,
) => ({ symbol, meaning, expression, value, unit })

const ESTIMATE_WORDS: Record<string, string> = {
  bearingMPa: 'bearing strength',
  inPlaneShearMPa: 'in-plane shear strength',
  punchingMPa: 'punching strength',
  throughMPa: 'strength through the thickness',
  'core.compressiveMPa': 'core crushing strength',
  'core.shearMPa': 'core shear strength',
  'core.eMPa': 'core stiffness',
  strengthMPa: 'bending strength of the pane',
  pressureKPa: 'green water by the place',
  'load: share': 'share of the line\u2019s strength',
  'load: breakingN': 'strength of the line from its size',
  'load: personN': 'force of a person',
  'load: dynamicFactor': 'dynamic factor',
  'load: dragCoefficient': 'drag',
  'load: surgeFactor': 'surge',
  'load: coefficient': 'sail coefficient',
}
/** An estimate by the name that a fitter would call it. */
export const estimateSaid = (name: string) => ESTIMATE_WORDS[name] ?? name

/** Three significant figures for a sentence, without an exponent where people read it. */
export function say(value: number): string {
  const a = Math.abs(value)
  if (a === 0) return '0'
  if (a >= 1e6 || a < 1e-3) return value.toPrecision(3)
  if (a >= 100) return Math.round(value).toString()
  return Number(value.toPrecision(3)).toString()
}

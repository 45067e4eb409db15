import { HARDENERS, MOST_POT_ML, potLifeAt, type Hardener } from '../bedding/epoxy-batch'
import { check, say, worstVerdict, type Check, type Verdict } from '../../base/verdict/check'

/** Checks of chapter 15: a quotient, or a limit that only holds or is short. Equal within 1e-9 is met. */
const GRAIN = 1e-9
export const up = (x: number) => Math.ceil(x - GRAIN)
export const down = (x: number) => Math.floor(x + GRAIN)

interface Parts {
  id: string
  title: string
  unit: string
  source: string
  demand: number
  capacity: number
  because?: string
}
const said = (p: Parts) => p.because ?? `${say(p.demand)} ${p.unit}, against ${say(p.capacity)} ${p.unit}.`
/** Demand × factor ÷ capacity; where nothing is there to bear it there is no quotient, and it is short. */
export function against(p: Parts & { factor?: number }): Check {
  const c = check({ ...p, because: said(p) })
  return p.capacity > 0 ? c : { ...c, utilisation: null, verdict: 'short' }
}
/** A limit: met or not, with no margin asked. */
export function limit(p: Parts): Check {
  const verdict: Verdict = p.demand <= p.capacity + GRAIN ? 'holds' : 'short'
  const c = check({ ...p, verdict, because: said(p) })
  return { ...c, utilisation: p.capacity > 0 ? p.demand / p.capacity : null }
}
/** The worst of the checks; null where there is none. */
export const verdictOfAll = (checks: Check[]): Verdict | null =>
  checks.length ? worstVerdict(checks.map((c) => c.verdict)) : null

/** Greatest lift for the heat of the cure, mm laid and cast. */
export const LIFT_MM: Record<Hardener, { laid: number; cast: number }> = {
  fast: { laid: 5, cast: 10 },
  medium: { laid: 6, cast: 12 },
  slow: { laid: 9, cast: 20 },
  'extra-slow': { laid: 12, cast: 30 },
}
/** Minutes until the next lift may go on: it has gelled. */
export const gelMin = (h: Hardener, tempC: number) => 3 * potLifeAt(h, tempC)
export const potsFor = (ml: number) => up(ml / MOST_POT_ML)

/** Too cold a mix does not cure. */
export function warmth(h: Hardener, tempC: number, source: string): Check {
  const least = HARDENERS[h].lowestC
  return {
    ...limit({
      id: 'warmth',
      title: 'Warm enough to cure',
      unit: '\u00b0C',
      source,
      demand: least,
      capacity: tempC,
      because: `${h} epoxy wants ${least} \u00b0C; it is ${say(tempC)} \u00b0C.`,
    }),
    utilisation: null,
  }
}
/** Resin for a weight of cloth at its fibre fraction, g, a quarter of it left in pot and brush. */
export const resinFor = (clothG: number, fibre: number) => ((clothG * (1 - fibre)) / fibre) * 1.25

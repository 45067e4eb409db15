import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { verdictSchema } from '../../base/schema/schema'
import type { Verdict } from '../../base/verdict/check'
import { minuteOf, timeText } from './clock'
import { codesOf, feltOf, isWindy, windLimit, type Felt } from './weather-hours'
import { weatherInput, type Weather, type Work } from './weather-shape'

const time = z.string()
const day = z.array(z.object({ day: time, ok: z.boolean() }))
const maybe = z.number().nullable()
const output = z.object({
  hours: z.array(z.object({ at: time, surfaceC: z.number(), dewPointC: z.number(), marginK: z.number() })),
  works: z.array(
    z.object({
      id: z.string(),
      windows: z.array(z.object({ from: time, to: time })),
      best: z.object({ from: time, to: time, marginK: maybe, windMs: maybe }).nullable(),
      days: day,
      fails: z.array(z.object({ at: time, codes: z.array(z.string()) })),
      verdict: verdictSchema,
    }),
  ),
  conditions: day,
  heat: z
    .object({
      peakW: z.number(),
      energyKWh: z.number(),
      marginK: z.number(),
      verdict: verdictSchema,
      codes: z.array(z.string()),
    })
    .nullable(),
})
type Output = z.output<typeof output>
type WorkOut = Output['works'][number]

const HOUR = 60
const GRAIN = 1e-6
const NEAR_K = 4
const NEAR_WIND = 0.9
const dayOfHour = (at: string) => at.slice(0, 10)
const clockHour = (at: string) => Number(at.slice(11, 13))
const worked = (v: Weather, at: string) => clockHour(at) >= v.workHours.from && clockHour(at) < v.workHours.to
const plus = (at: string, hours: number) => timeText(minuteOf(at)! + Math.round(hours * HOUR))
const tenth = (x: number) => Math.round(10 * x)

/** Runs of good hours inside one working day, by their places in the forecast. */
function runsOf(v: Weather, good: boolean[]): [number, number][] {
  const runs: [number, number][] = []
  v.hours.forEach((h, i) => {
    if (!good[i] || !worked(v, h.at)) return
    const last = runs.at(-1)
    const follows = last && last[1] === i - 1 && dayOfHour(v.hours[i - 1]!.at) === dayOfHour(h.at)
    if (follows) last[1] = i
    else runs.push([i, i])
  })
  return runs
}
/** Of all stretches so long the one with most margin, or with least wind, and the earliest of equals. */
function bestOf(w: Work, felt: Felt[], windows: [number, number][]): WorkOut['best'] {
  const slots = Math.ceil(w.hours - GRAIN)
  const windy = isWindy(w)
  let best: { at: number; by: number } | null = null
  for (const [a, b] of windows)
    for (let i = a; i + slots - 1 <= b; i++) {
      const hours = felt.slice(i, i + slots)
      const by = windy
        ? Math.max(...hours.map((h) => h.outside.windMs))
        : Math.min(...hours.map((h) => h.marginK))
      const wins = !best || (windy ? tenth(by) < tenth(best.by) : tenth(by) > tenth(best.by))
      if (wins) best = { at: i, by }
    }
  if (!best) return null
  const from = felt[best.at]!.at
  return { from, to: plus(from, w.hours), marginK: windy ? null : best.by, windMs: windy ? best.by : null }
}
function verdictFor(w: Work, best: WorkOut['best']): Verdict {
  if (!best) return 'short'
  const near =
    best.windMs === null
      ? best.marginK! < NEAR_K - GRAIN
      : isWindy(w) && best.windMs > NEAR_WIND * windLimit(w) + GRAIN
  return near ? 'tight' : 'holds'
}
function workOf(v: Weather, felt: Felt[], days: string[], w: Work): WorkOut {
  const codes = felt.map((_, i) => codesOf(w, felt, i))
  const runs = runsOf(
    v,
    codes.map((c) => !c.length),
  )
  const long = runs.filter(([a, b]) => b - a + 1 >= w.hours - GRAIN)
  const short = runs.filter((r) => !long.includes(r))
  const tooShort = (i: number) => short.some(([a, b]) => i >= a && i <= b)
  const best = bestOf(w, felt, long)
  return {
    id: w.id,
    windows: long.map(([a, b]) => ({ from: felt[a]!.at, to: plus(felt[b]!.at, 1) })),
    best,
    days: days.map((d) => ({ day: d, ok: long.some(([a]) => dayOfHour(felt[a]!.at) === d) })),
    fails: felt.flatMap((h, i) => {
      if (!worked(v, h.at)) return []
      const why = codes[i]!.length ? codes[i]! : tooShort(i) ? ['too-short'] : []
      return why.length ? [{ at: h.at, codes: why }] : []
    }),
    verdict: verdictFor(w, best),
  }
}

/** Heat through a cover, W/m\u00b2K; estimates. */
const U = { film: 6, 'double-film': 3.5, board: 1.2, blanket: 1.5 }
/** Of air, Wh/m\u00b3K. */
const AIR = 0.34
const LEAST_K = 3
function heatOf(v: Weather, felt: Felt[]): Output['heat'] {
  const h = v.heat
  if (!h) return null
  const hours = felt.filter((f) => f.at >= h.from && f.at < h.to)
  const perK = U[h.build] * h.areaM2 + AIR * h.airChanges * h.volumeM3
  const watts = hours.map((f) => perK * Math.max(0, h.targetC - f.airC))
  // Heated air keeps its water: the dew point is that of the air outside.
  const marginK = h.targetC - Math.max(...hours.map((f) => f.dewPointC))
  const codes = [
    ...(marginK < LEAST_K - GRAIN ? ['dew-point'] : []),
    ...(h.heater === 'open-flame' ? ['open-flame'] : []),
  ]
  return {
    peakW: Math.max(...watts),
    energyKWh: watts.reduce((s, w) => s + w, 0) / 1000,
    marginK,
    verdict: codes.length ? 'short' : 'holds',
    codes,
  }
}

export const weatherWindows = defineCalculator({
  name: 'weather-windows',
  title: 'What the weather lets one do',
  chapter: '17.5',
  words: ['weather', 'forecast', 'rain', 'dew point', 'wind', 'tent', 'heater', 'paint'],
  input: weatherInput,
  output,
  run: (v) => {
    const felt = feltOf(v)
    const days = [...new Set(v.hours.filter((h) => worked(v, h.at)).map((h) => dayOfHour(h.at)))]
    const works = v.works.map((w) => workOf(v, felt, days, w))
    const surface = works.filter((_, i) => !isWindy(v.works[i]!))
    return {
      hours: felt.map(({ at, surfaceC, dewPointC, marginK }) => ({ at, surfaceC, dewPointC, marginK })),
      works,
      conditions: days.map((d, i) => ({ day: d, ok: surface.every((w) => w.days[i]!.ok) })),
      heat: heatOf(v, felt),
    }
  },
})

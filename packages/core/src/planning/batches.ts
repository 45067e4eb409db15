import { SEALANTS, type SealantId } from '../base/materials/sealants'
import type { epoxyDay } from '../chapters/stores/epoxy-day'
import type { tubePlan } from '../chapters/stores/tube-plan'
import type { Part } from '../kinds/part'
import type { Step } from '../kinds/step'
import {
  stepKey,
  type DayPot,
  type DayTube,
  type PlanDay,
  type PlanJob,
  type PlannedStep,
} from './plan-types'
import type { WeatherHour } from './yard-weather'

/** One batch for many: pots of a day (chapter 17.4) and tubes over the days of a plan (17.3). */
type PotsInput = Parameters<typeof epoxyDay.run>[0]
export type PotsAnswer = ReturnType<typeof epoxyDay.run>
type TubesInput = Parameters<typeof tubePlan.run>[0]
export type TubesAnswer = ReturnType<typeof tubePlan.run>
export type JobWithParts = PlanJob & { parts: Part[] }

/** Two of resin to one of hardener by volume: what most of a yard's pumps are set to. */
const RATIO = 2
/** Where nobody forecast it: a mild day. */
const USUAL_C = 18
/** Of a step's minutes the pot is in the hand for half; the rest is masking, warming, wiping: ours. */
const WORKED = 0.5
const RESIN = 'resin'
const isEpoxy = (p: Part) => p.material === 'epoxy' && p.dimensions.volumeMl !== undefined
const volume = (parts: Part[]) => parts.reduce((s, p) => s + p.dimensions.volumeMl!, 0)
const mixes = (s: Step) => s.lot === 'epoxy'
/**
 * How much epoxy a step of a fitting takes: cloth is wetted out where it is laid up, and what is left is
 * shared by the other steps that mix any.
 */
export function epoxyOf(j: JobWithParts, step: string): { ml: number; use: 'wet-out' | 'mayonnaise' } | null {
  const s = j.steps.find((x) => x.id === step)
  if (!s || !mixes(s)) return null
  const parts = j.parts.filter(isEpoxy)
  const lays = j.steps.find((x) => x.id === 'lay')
  const cloth = lays ? parts.filter((p) => p.key === RESIN) : []
  if (s === lays && cloth.length) return { ml: volume(cloth), use: 'wet-out' }
  const others = j.steps.filter((x) => mixes(x) && !(x === lays && cloth.length))
  const ml = volume(parts.filter((p) => !cloth.includes(p))) / Math.max(1, others.length)
  return ml > 0 ? { ml, use: 'mayonnaise' } : null
}
/** What is bedded at a step, and how much; butyl is tape and comes from no tube. */
export function sealantOf(j: JobWithParts, step: string): { chemistry: SealantId; ml: number } | null {
  const s = j.steps.find((x) => x.id === step)
  if (!s?.lot || s.lot === 'epoxy' || s.lot === 'butyl') return null
  const lot = s.lot
  const parts = j.parts.filter((p) => p.material === lot && p.dimensions.volumeMl !== undefined)
  const beds = j.steps.filter((x) => x.lot === lot).length
  const ml = volume(parts) / Math.max(1, beds)
  return ml > 0 ? { chemistry: lot, ml } : null
}
const round = (ml: number) => Math.round(ml * 10) / 10
const airOn = (hours: WeatherHour[], day: string) => {
  const work = hours.filter((h) => h.at.startsWith(day) && h.at.slice(11) >= '08' && h.at.slice(11) < '17')
  return {
    tempC: work.length ? round(work.reduce((s, h) => s + h.airC, 0) / work.length) : USUAL_C,
    humidityPct: work.length ? round(work.reduce((s, h) => s + h.humidityPct, 0) / work.length) : 60,
  }
}
const wantedBy = (steps: PlannedStep[], s: PlannedStep) =>
  steps
    .filter((x) => x.fittingId === s.fittingId && x.start >= s.cureEnd && x.start > s.end)
    .map((x) => x.start)
    .sort()[0]
/** What a day's pots are asked for; null where nothing is mixed. Each step is a job, known by its key. */
export function potsQuestion(
  jobs: JobWithParts[],
  days: PlanDay[],
  day: PlanDay,
  hours: WeatherHour[],
): PotsInput | null {
  const byId = new Map(jobs.map((j) => [j.fittingId, j]))
  const all = days.flatMap((d) => d.steps)
  const wants = day.steps.flatMap((s) => {
    const e = epoxyOf(byId.get(s.fittingId)!, s.step)
    if (!e) return []
    const readyBy = wantedBy(all, s)
    return [
      {
        id: stepKey(s.fittingId, s.step),
        neededMl: round(e.ml) || 0.1,
        workMinutes: Math.max(1, WORKED * s.minutes),
        use: e.use,
        ...(readyBy ? { readyBy } : {}),
      },
    ]
  })
  if (!wants.length) return null
  const mixing = day.steps.filter((s) => wants.some((w) => w.id === stepKey(s.fittingId, s.step)))
  const start = mixing.map((s) => s.start).sort()[0]!
  return {
    start,
    end: `${day.day}T23:59`,
    tempC: Math.max(-20, airOn(hours, day.day).tempC),
    ratio: RATIO,
    jobs: wants,
  } as PotsInput
}
/** In their order; those that follow one another and are alike are one line. */
export function potsAnswer(day: PlanDay, out: PotsAnswer): DayPot[] {
  const lines: DayPot[] = []
  for (const p of eachPot(day, out)) {
    const last = lines.at(-1)
    const alike = (x: DayPot) => JSON.stringify([x.ml, x.hardener, x.for])
    if (last && alike(last) === alike(p)) last.times++
    else lines.push(p)
  }
  return lines
}
const eachPot = (day: PlanDay, out: PotsAnswer): DayPot[] =>
  out.pots.map((p) => ({
    at: p.start,
    times: 1,
    ml: round(p.mixedMl),
    hardener: p.hardener,
    lifeMin: Math.floor(p.potLifeMin),
    for: p.parts.map((x) => {
      const s = day.steps.find((y) => stepKey(y.fittingId, y.step) === x.job)!
      return { fittingId: s.fittingId, fitting: s.fitting, ml: round(x.ml) }
    }),
  }))

/** Of pots and tubes, what is for these fittings. */
export const sharedBy = <T extends { for: { fittingId: string }[] }>(all: T[], ids: Set<string>): T[] =>
  all.map((x) => ({ ...x, for: x.for.filter((f) => ids.has(f.fittingId)) })).filter((x) => x.for.length > 0)

/** A lot in the store, as the tubes are planned from it. */
export interface TubeLot {
  code: string
  chemistry: string
  sizeMl: number
  count: number
  opened: { day: string; leftMl: number }[]
  expiry: string
  hot: boolean
  test: { day: string; ok: boolean } | null
}
/** Every bedding of a plan, day by day, from the lots that are in the store; null where nothing is bedded. */
export function tubesQuestion(
  jobs: JobWithParts[],
  days: PlanDay[],
  lots: TubeLot[],
  hours: WeatherHour[],
): TubesInput | null {
  const byId = new Map(jobs.map((j) => [j.fittingId, j]))
  const wants = days.flatMap((d) =>
    d.steps.flatMap((s) => {
      const x = sealantOf(byId.get(s.fittingId)!, s.step)
      return x
        ? [
            {
              id: stepKey(s.fittingId, s.step),
              day: d.day,
              chemistry: x.chemistry,
              ml: Math.max(0.1, round(x.ml)),
              minutesEach: Math.max(1, s.minutes),
            },
          ]
        : []
    }),
  )
  if (!wants.length) return null
  const bedding = [...new Set(wants.map((w) => w.day))]
  return {
    jobs: wants,
    lots: lots
      .filter((l) => l.chemistry in SEALANTS && l.chemistry !== 'butyl')
      .map((l) => ({
        id: l.code,
        chemistry: l.chemistry,
        sizeMl: l.sizeMl,
        count: l.count,
        opened: l.opened,
        expiry: l.expiry,
        storage: l.hot ? 'hot' : 'cool',
        ...(l.test ? { test: l.test } : {}),
      })),
    days: bedding.map((day) => ({ day, ...airOn(hours, day) })),
  } as TubesInput
}
/** What is drawn on a day from which tube; a tube that serves many is one line. */
export function tubesAnswer(day: PlanDay, out: TubesAnswer): DayTube[] {
  const mine = new Map(day.steps.map((s) => [stepKey(s.fittingId, s.step), s]))
  return out.tubes.flatMap((t) => {
    const draws = t.draws.filter((x) => mine.has(x.job))
    if (!draws.length) return []
    return [
      {
        lot: t.lot,
        chemistry: SEALANTS[t.chemistry as SealantId].title,
        tube: t.tube,
        for: draws.map((x) => {
          const s = mine.get(x.job)!
          return { fittingId: s.fittingId, fitting: s.fitting, ml: round(x.ml) }
        }),
      },
    ]
  })
}

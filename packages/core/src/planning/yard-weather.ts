import { HARDENER_IDS } from '../chapters/bedding/epoxy-batch'
import { minuteOf } from '../chapters/plan/clock'
import type { weatherWindows } from '../chapters/plan/weather-windows'
import type { PlanJob } from './plan-types'

/** What the weather lets a yard do in the days of a forecast (chapter 17.5). */
type Input = Parameters<typeof weatherWindows.run>[0]
export type WeatherAnswer = ReturnType<typeof weatherWindows.run>
export interface WeatherHour {
  at: string
  airC: number
  humidityPct: number
  windMs: number
  rainMm: number
  sun: number
  cloud: number
  /** read there, and not foretold */
  measured: boolean
}
export const COVERS = ['open', 'roof', 'tent'] as const
export type Cover = (typeof COVERS)[number]
export const COVER_SAID: Record<Cover, string> = {
  open: 'in the open',
  roof: 'under a roof',
  tent: 'in a tent',
}
/** What is bonded with where a step does not name it. */
const USUAL = 'pu-medium'
const HARDENER = HARDENER_IDS[1]
const MOST_HOURS = 240
/**
 * One hour after another: of an hour that was both foretold and read, the reading is what counts. What
 * follows a gap is left out.
 */
export function hoursInOrder(all: WeatherHour[], from: string): WeatherHour[] {
  const by = new Map<string, WeatherHour>()
  for (const h of all) if (h.at >= from && (h.measured || !by.has(h.at))) by.set(h.at, h)
  const sorted = [...by.values()].sort((a, b) => a.at.localeCompare(b.at))
  const gap = sorted.findIndex((h, i) => i > 0 && minuteOf(h.at)! !== minuteOf(sorted[i - 1]!.at)! + 60)
  return sorted.slice(0, Math.min(MOST_HOURS, gap < 0 ? sorted.length : gap))
}
/** Bonds and fills that open work asks a fit surface for, one of each chemistry, and work aloft. */
export function weatherQuestion(jobs: PlanJob[], hours: WeatherHour[], cover: Cover): Input {
  const longest = new Map<string, number>()
  for (const j of jobs)
    for (const s of j.steps)
      if (!j.work.ticks[s.id] && s.asks.includes('dew')) {
        const lot = s.lot ?? USUAL
        longest.set(lot, Math.max(longest.get(lot) ?? 0, s.minutes))
      }
  const long = (minutes: number) => Math.min(8, Math.max(1, Math.ceil(minutes / 60)))
  const works = [...longest].map(([lot, minutes]) =>
    lot === 'epoxy'
      ? { id: 'epoxy', kind: 'epoxy' as const, hours: long(minutes), hardener: HARDENER }
      : { id: lot, kind: 'bond' as const, hours: long(minutes), chemistry: lot },
  )
  return {
    hours: hours.map(({ measured: _measured, ...h }) => h),
    cover,
    works: [...works, { id: 'aloft', kind: 'aloft', hours: 2 }],
  } as Input
}
/** Days of the forecast on which something that has to be bonded cannot be. */
export const badDaysOf = (w: WeatherAnswer): string[] => w.conditions.filter((c) => !c.ok).map((c) => c.day)

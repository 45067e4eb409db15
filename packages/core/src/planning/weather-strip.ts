import { SEALANTS, type SealantId } from '../base/materials/sealants'
import { sentence } from '../base/verdict/check'
import { HARDENER_IDS } from '../chapters/bedding/epoxy-batch'
import type { Cover, WeatherAnswer, WeatherHour } from './yard-weather'
import type { weatherWindows } from '../chapters/plan/weather-windows'

/** Hours of the forecast in which each kind of work can be done, and the heat that would let it (17.5). */
type Input = Parameters<typeof weatherWindows.run>[0]
export type Heat = NonNullable<Input['heat']>
export interface StripDay {
  day: string
  /** from and to, HH:MM */
  windows: { from: string; to: string }[]
  /** where there is no window: what stands most in the way */
  why: string
}
export interface StripWork {
  id: string
  title: string
  days: StripDay[]
  best: { from: string; to: string } | null
}
export interface WeatherStrip {
  works: StripWork[]
  heat: WeatherAnswer['heat']
}
const WHY: Record<string, string> = {
  'too-cold': 'too cold',
  'too-hot': 'too hot',
  'dew-point': 'wet: at the dew point',
  falling: 'cooling towards the dew point',
  humid: 'too humid',
  wind: 'too windy',
  rain: 'rain',
  'rain-after': 'rain in the hours after',
  'cold-after': 'too cold in the hours after',
  'forecast-ends': 'the forecast ends first',
  'too-short': 'no hours together',
}
const OTHERS = [
  { id: 'epoxy', title: `Epoxy, ${HARDENER_IDS[1]} hardener`, kind: 'epoxy', hardener: HARDENER_IDS[1] },
  { id: 'paint', title: 'Paint', kind: 'paint' },
  { id: 'aloft', title: 'Aloft', kind: 'aloft' },
]
/** @param chemistries what stands in the store, or is asked for; butyl asks for no hours */
export function stripQuestion(
  hours: WeatherHour[],
  cover: Cover,
  chemistries: string[],
  heat?: unknown,
): Input {
  const bonds = chemistries
    .filter((c): c is SealantId => c in SEALANTS && c !== 'butyl')
    .map((chemistry) => ({ id: chemistry, kind: 'bond', chemistry }))
  return {
    hours: hours.map(({ measured: _measured, ...h }) => h),
    cover,
    works: [...bonds, ...OTHERS.map(({ title: _t, ...w }) => w)].map((w) => ({ ...w, hours: 1 })),
    ...(heat ? { heat } : {}),
  } as Input
}
const most = (codes: string[]): string => {
  const by = new Map<string, number>()
  for (const c of codes) by.set(c, (by.get(c) ?? 0) + 1)
  // Of those that stand in the way as often, what is wrong with the hour itself.
  const rank = Object.keys(WHY)
  const top = [...by].sort((a, b) => b[1] - a[1] || rank.indexOf(a[0]) - rank.indexOf(b[0]))[0]?.[0]
  return top ? (WHY[top] ?? top) : ''
}
export function stripAnswer(out: WeatherAnswer): WeatherStrip {
  return {
    works: out.works.map((w) => ({
      id: w.id,
      title: OTHERS.find((o) => o.id === w.id)?.title ?? sentence(SEALANTS[w.id as SealantId]?.title ?? w.id),
      best: w.best && { from: w.best.from, to: w.best.to },
      days: w.days.map(({ day }) => {
        const windows = w.windows
          .filter((x) => x.from.startsWith(day))
          .map((x) => ({ from: x.from.slice(11), to: x.to.slice(11) }))
        const fails = w.fails.filter((f) => f.at.startsWith(day)).flatMap((f) => f.codes)
        return { day, windows, why: windows.length ? '' : most(fails) }
      }),
    })),
    heat: out.heat,
  }
}

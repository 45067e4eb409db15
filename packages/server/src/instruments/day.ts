import { todayLine, type Reading, type Today } from '@north-tide/core'

/**
 * A stand-in for a thermo-hygrometer with a surface probe: a spring day's curve from a seed, so that tests
 * repeat. Simulated.
 */
function seeded(seed: number) {
  let s = seed >>> 0 || 1
  return () => {
    s = (Math.imul(s, 1664525) + 1013904223) >>> 0
    return s / 2 ** 32
  }
}

export function dayCurve(seed: number): Reading[] {
  const random = seeded(seed)
  const mean = 9 + 3 * random()
  const swing = 4.5 + 1.5 * random()
  const dew = 4 + 1.2 * random()
  return Array.from({ length: 144 }, (_, i) => {
    const minute = i * 10
    const airC = mean + swing * Math.cos(((minute - 15 * 60) / 1440) * 2 * Math.PI)
    const surfaceC = mean + 0.8 + (swing + 1.6) * Math.cos(((minute - 14.5 * 60) / 1440) * 2 * Math.PI)
    const humidityPct = Math.min(
      99,
      100 * Math.exp((17.62 * dew) / (243.12 + dew) - (17.62 * airC) / (243.12 + airC)),
    )
    return { minute, airC, humidityPct, surfaceC }
  })
}

export interface TodayReading extends Today {
  simulated: true
  airC: number
  humidityPct: number
}
/** Day and minute are the caller's, so that no hidden clock decides what is shown. */
export function today(at: Date): TodayReading {
  const curve = dayCurve(at.getFullYear() * 1000 + at.getMonth() * 40 + at.getDate())
  const minute = at.getHours() * 60 + at.getMinutes()
  const now = [...curve].reverse().find((r) => r.minute <= minute) ?? curve[0]!
  return { ...todayLine(curve, minute), simulated: true, airC: now.airC, humidityPct: now.humidityPct }
}

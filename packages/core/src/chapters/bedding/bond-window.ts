import { surfaceWindowOf } from './surface-window'

export interface Reading {
  /** minutes of the local day */
  minute: number
  airC: number
  humidityPct: number
  surfaceC: number
}
export interface Today {
  surfaceC: number
  marginK: number
  verdict: 'holds' | 'tight' | 'short' | 'unproven'
  line: string
}
const clock = (minute: number) =>
  `${String(Math.floor(minute / 60) % 24).padStart(2, '0')}:${String(Math.round(minute % 60)).padStart(2, '0')}`

/** The one line that matters today, from a day's curve: until when one may bond, or from when. */
export function todayLine(day: Reading[], nowMinute: number, minimumC = 5): Today {
  const index = Math.max(
    0,
    day.findIndex((r, i) => r.minute <= nowMinute && (day[i + 1]?.minute ?? Infinity) > nowMinute),
  )
  const judge = (i: number) => {
    const r = day[i]!
    const before = day[i - 1]
    const change = before ? r.surfaceC - before.surfaceC : 0
    return surfaceWindowOf({
      airC: r.airC,
      humidityPct: r.humidityPct,
      surfaceC: r.surfaceC,
      minimumC,
      trend: change > 0.02 ? 'rising' : change < -0.02 ? 'falling' : 'steady',
    })
  }
  const now = judge(index)
  const fit = (i: number) => judge(i).verdict !== 'short'
  let turn = index
  while (turn < day.length && fit(turn) === fit(index)) turn++
  const line = fit(index)
    ? turn < day.length
      ? `Bond until about ${clock(day[turn]!.minute)}`
      : 'Fit to bond for the rest of the day'
    : turn < day.length
      ? `No bonding before about ${clock(day[turn]!.minute)}`
      : 'No bonding today'
  return { surfaceC: day[index]!.surfaceC, marginK: now.marginK ?? 0, verdict: now.verdict, line }
}

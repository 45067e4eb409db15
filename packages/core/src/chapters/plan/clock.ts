/** Local wall clock without a zone, in whole minutes since 1970. */
export const DAY = 1440
const WEEKDAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'] as const

const TIME = /^(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d)$/
const DATE = /^\d{4}-\d\d-\d\d$/

export function minuteOf(text: string): number | null {
  const full = DATE.test(text) ? `${text}T00:00` : text
  if (!TIME.test(full)) return null
  const ms = Date.parse(`${full}:00Z`)
  return Number.isFinite(ms) && new Date(ms).toISOString().startsWith(full) ? Math.round(ms / 60_000) : null
}
export const timeText = (minute: number) => new Date(minute * 60_000).toISOString().slice(0, 16)
export const dayOf = (minute: number) => Math.floor(minute / DAY)
export const dateText = (day: number) => new Date(day * DAY * 60_000).toISOString().slice(0, 10)
export const weekdayOf = (day: number) => WEEKDAYS[new Date(day * DAY * 60_000).getUTCDay()]!

/** `HH:MM`, 24:00 allowed. */
export function clockOf(text: string): number | null {
  const m = /^(\d\d):(\d\d)$/.exec(text)
  if (!m) return null
  const minute = Number(m[1]) * 60 + Number(m[2])
  return Number(m[2]) < 60 && minute <= DAY ? minute : null
}

export type Span = [from: number, to: number]
/** Stretches of one day in order; those that touch are one. */
export function joined(spans: Span[]): Span[] {
  const out: Span[] = []
  for (const [a, b] of [...spans].sort((x, y) => x[0] - y[0])) {
    const last = out.at(-1)
    if (last && a <= last[1]) last[1] = Math.max(last[1], b)
    else out.push([a, b])
  }
  return out
}
export function common(a: Span[], b: Span[]): Span[] {
  const out: Span[] = []
  for (const [p, q] of a)
    for (const [r, s] of b) {
      const [from, to] = [Math.max(p, r), Math.min(q, s)]
      if (from < to) out.push([from, to])
    }
  return out
}

import type { trend } from '../chapters/watch/trend'
import { interceptOf } from '../chapters/watch/trend-line'
import { sentence, type Verdict } from '../base/verdict/check'
import type { LogLine } from '../kinds/work'

/** What is read again and again (chapter 16.2): each series with its line, limit and date, in words. */
type Input = Parameters<typeof trend.run>[0]
export type TrendAnswer = ReturnType<typeof trend.run>
export type TrendKind = Input['kind']
export const TREND_SAID: Record<TrendKind, { title: string; unit: string; digits: number }> = {
  creep: { title: 'Over its mark', unit: 'mm', digits: 1 },
  gap: { title: 'Gap', unit: 'mm', digits: 1 },
  moisture: { title: 'Moisture over dry', unit: 'points of 100', digits: 0 },
  resistance: { title: 'Bonding path', unit: '\u03a9', digits: 3 },
  anode: { title: 'Anode left', unit: '%', digits: 0 },
  thickness: { title: 'Thickness', unit: 'mm', digits: 1 },
  torque: { title: 'Torque left', unit: '%', digits: 0 },
}
const FLAGS: Record<string, string> = {
  few: 'Fewer than four looks: a line through them says little.',
  noisy: 'The readings scatter more than they move: look at the meter and the spot first.',
  'rising-three': 'Worse at each of the last three looks.',
  step: 'A step between two looks: something gave, or another meter was used.',
}
const ACTIONS: Record<string, string> = {
  suspect: 'It is suspect',
  'do-not-sail': 'do not sail on it until it was drawn and looked at',
  rebed: 'bed it anew',
  'trace-leak': 'trace where the water comes in',
  'remake-joint': 'make the joint again',
  replace: 'renew it',
  reinforce: 'do not load it before it was reinforced',
  retighten: 'tighten it again, and look why it let go',
  'look-sooner': 'look again sooner',
  'more-looks': 'more looks are wanted',
  'check-meter': 'try the meter against a known piece',
}
export interface SeriesReading {
  date: string
  value: number
  dry?: number | undefined
  scale?: number | undefined
}
export interface Series {
  id: string
  /** the thing that it is read at */
  at: { id: string; name: string; kind: string | null }
  kind: TrendKind
  /** what tells this one from another of the same thing: a spot, a meter */
  spot: string
  readings: SeriesReading[]
  referenceMm?: number
  below: boolean
}
/** A straight line between two days. */
export interface Stretch {
  from: { date: string; value: number }
  to: { date: string; value: number }
}
export interface Followed extends Omit<Series, 'readings'> {
  title: string
  unit: string
  digits: number
  points: { date: string; value: number }[]
  line: Stretch | null
  /** the line as flat and as steep as the looks allow it */
  band: [Stretch, Stretch] | null
  limit: number | null
  reaches: string | null
  earliest: string | null
  latest: string | null
  verdict: Verdict
  suspect: boolean
  nextLook: string
  flags: string[]
  /** what of the flags makes it suspect by itself */
  turned: string
  todo: string
  because: string
}
const day = (at: string) => at.slice(0, 10)
/** What anybody may read at a fitting, besides its bond path and its anode. */
export const READ_KINDS = ['gap', 'thickness', 'torque'] as const
export type ReadKind = (typeof READ_KINDS)[number]
/** Readings of the work log of a fitting: bond path, anode, gap, thickness and torque. */
export function logSeries(at: Series['at'], log: LogLine[], below: boolean): Series[] {
  const read = (kind: ReadKind): Series[] => {
    const readings = log
      .filter((l) => l.kind === 'look' && l.data?.about === kind && l.value !== null && !l.undoes)
      .map((l) => ({ date: day(l.at), value: l.value! }))
    return readings.length ? [{ id: `${at.id} ${kind}`, at, kind, spot: '', readings, below }] : []
  }
  const of = (kind: 'bond' | 'anode', as: TrendKind): Series[] => {
    const readings = log
      .filter((l) => l.kind === kind && l.value !== null && !l.undoes)
      .map((l) => ({ date: day(l.at), value: l.value! }))
    return readings.length ? [{ id: `${at.id} ${kind}`, at, kind: as, spot: '', readings, below }] : []
  }
  return [...of('bond', 'resistance'), ...of('anode', 'anode'), ...READ_KINDS.flatMap(read)]
}
export interface MoistureReading {
  xMm: number
  yMm: number
  value: number
  dry: number | null
  scale: number | null
  meter: string
  at: string
}
const NEAR_MM = 150
/**
 * Moisture read at a hole, each meter by itself: what another one shows is another series. A reading belongs
 * to the nearest hole within a hand's breadth.
 */
export function moistureSeries(
  holes: { id: string; name: string; xMm: number; yMm: number; below: boolean }[],
  readings: MoistureReading[],
): Series[] {
  const by = new Map<string, Series>()
  for (const r of readings) {
    if (r.dry === null) continue
    const near = holes
      .map((h) => ({ h, far: Math.hypot(h.xMm - r.xMm, h.yMm - r.yMm) }))
      .filter((x) => x.far <= NEAR_MM)
      .sort((a, b) => a.far - b.far)[0]?.h
    if (!near) continue
    const meter = `${r.meter || 'a meter'} ${r.scale ?? 100}`
    const key = `${near.id} moisture ${meter}`
    const s: Series = by.get(key) ?? {
      id: key,
      at: { id: near.id, name: near.name, kind: null },
      kind: 'moisture',
      spot: r.meter,
      readings: [],
      below: near.below,
    }
    s.readings.push({ date: day(r.at), value: r.value, dry: r.dry, scale: r.scale ?? 100 })
    by.set(key, s)
  }
  return [...by.values()]
}
export const trendQuestion = (s: Series): Input =>
  ({
    kind: s.kind,
    readings: s.readings,
    below: s.below,
    ...(s.referenceMm === undefined ? {} : { referenceMm: s.referenceMm }),
  }) as Input
const daysFrom = (a: string, b: string) => Math.round((Date.parse(b) - Date.parse(a)) / 86_400_000)
function pointsOf(s: Series): { date: string; value: number }[] {
  const number = (r: SeriesReading) =>
    s.kind === 'moisture' ? ((r.value - r.dry!) * 100) / (r.scale ?? 100) : r.value - (s.referenceMm ?? 0)
  return s.readings
    .map((r) => ({ date: r.date, value: number(r) }))
    .sort((a, b) => a.date.localeCompare(b.date))
}
const bandOf = (b: number[], along: (slope: number) => Stretch): [Stretch, Stretch] | null =>
  b[0] === b[1] ? null : [along(b[0]!), along(b[1]!)]
export function trendSaid(s: Series, out: TrendAnswer): Followed {
  const { readings: _r, ...rest } = s
  const points = pointsOf(s)
  const [first, end] = [points[0]!.date, out.crossing?.date ?? out.next?.date ?? points.at(-1)!.date]
  const to = end > points.at(-1)!.date ? end : points.at(-1)!.date
  const looks = points.map((p) => ({ day: daysFrom(first, p.date), w: p.value }))
  const along = (slope: number, intercept: number): Stretch => ({
    from: { date: first, value: intercept },
    to: { date: to, value: intercept + slope * daysFrom(first, to) },
  })
  const rank = Object.keys(ACTIONS)
  const todo = [...out.actions].sort((a, b) => rank.indexOf(a) - rank.indexOf(b)).map((a) => ACTIONS[a] ?? a)
  const turns = out.flags.filter((f) => f === 'step' || (f === 'rising-three' && s.kind !== 'anode'))
  return {
    ...rest,
    ...TREND_SAID[s.kind],
    points,
    line: out.line && along(out.line.slopePerDay, out.line.intercept),
    band: out.line && bandOf(out.line.bandPerDay, (b) => along(b, interceptOf(looks, b))),
    limit: out.crossing?.limit ?? null,
    reaches: out.crossing?.date ?? null,
    earliest: out.crossing?.earliest ?? null,
    latest: out.crossing?.latest ?? null,
    verdict: out.verdict,
    suspect: out.suspect,
    nextLook: out.nextLook,
    flags: out.flags.map((f) => FLAGS[f] ?? f),
    turned: turns.length
      ? `${TREND_SAID[s.kind].title.toLowerCase()}: ${turns.map((f) => FLAGS[f]!.toLowerCase()).join(' ')}`
      : '',
    todo: todo.length ? sentence(`${todo.join('; ')}.`) : '',
    because: out.because,
  }
}

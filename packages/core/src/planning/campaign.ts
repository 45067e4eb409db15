import type { LifeState } from '../base/life-states'

/**
 * A survey of the whole boat (chapter 11.3): every thing once, in an order that saves crawling; a photo
 * first, judged later; and what then may be launched, what may not, what can wait, and the hours it takes.
 */
export interface SurveyThing {
  id: string
  kind: string | null
  name: string
  zone: string
  /** of the boat: what is below is crawled to, what stands on deck is walked to */
  level: 'below' | 'topsides' | 'deck'
  xMm: number
  yMm: number
  state: LifeState
  below: boolean
  photos: number
  /** why it must not be used, as its own design says; empty where nothing is */
  alarm: string
  /** of work that is open on it */
  minutes: number
}
export type MayFloat = 'no' | 'wait' | 'yes'
export interface SurveyStop extends Omit<SurveyThing, 'minutes'> {
  launch: MayFloat
  why: string
  hours: number
}
export interface Campaign {
  /** zones in the order in which one goes, each with its things in theirs */
  rooms: { zone: string; level: SurveyThing['level']; things: SurveyStop[] }[]
  /** how far one goes so, and by their numbers, mm */
  wayMm: number
  byNumberMm: number
  counts: Record<MayFloat, number>
  hours: Record<MayFloat, number>
  withoutPhoto: number
}
const LEVELS = ['below', 'topsides', 'deck'] as const
const OPEN: LifeState[] = ['drilled', 'core-sealed', 'dry-fitted']
const UNPROVED: LifeState[] = ['bedded', 'cured']
/** Below the water nothing open, suspect or unproved goes afloat; above it, it waits. */
export function mayFloat(t: SurveyThing): { launch: MayFloat; why: string } {
  if (t.alarm) return { launch: 'no', why: t.alarm }
  if (t.below && OPEN.includes(t.state)) return { launch: 'no', why: 'an open hole below the waterline' }
  if (t.below && t.state === 'suspect') return { launch: 'no', why: 'suspect, below the waterline' }
  if (t.below && UNPROVED.includes(t.state)) return { launch: 'no', why: 'bedded, and not proved tight yet' }
  if (OPEN.includes(t.state)) return { launch: 'wait', why: 'an open hole: it is covered, and closed afloat' }
  if (t.state === 'suspect')
    return { launch: 'wait', why: 'suspect, and above the waterline: not to be loaded' }
  if (UNPROVED.includes(t.state)) return { launch: 'wait', why: 'the hose may prove it afloat' }
  return { launch: 'yes', why: '' }
}
const far = (a: { xMm: number; yMm: number }, b: { xMm: number; yMm: number }) =>
  Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)
const length = (way: { xMm: number; yMm: number }[]) =>
  way.reduce((s, p, i) => (i ? s + far(p, way[i - 1]!) : 0), 0)

/** From where one is to the nearest, again and again, then with every stretch turned that is shorter so. */
function shortWay<T extends { xMm: number; yMm: number }>(from: { xMm: number; yMm: number }, all: T[]): T[] {
  const left = [...all]
  const way: T[] = []
  let at = from
  while (left.length) {
    const k = left.reduce((b, p, i) => (far(p, at) < far(left[b]!, at) ? i : b), 0)
    at = left[k]!
    way.push(...left.splice(k, 1))
  }
  for (let turned = true, rounds = 0; turned && rounds < 20; rounds++) {
    turned = false
    for (let i = 0; i < way.length - 1; i++)
      for (let j = i + 1; j < way.length; j++) {
        const before = i ? way[i - 1]! : from
        const after = way[j + 1]
        const now = far(before, way[i]!) + (after ? far(way[j]!, after) : 0)
        const then = far(before, way[j]!) + (after ? far(way[i]!, after) : 0)
        if (then < now - 1e-6) {
          way.splice(i, j - i + 1, ...way.slice(i, j + 1).reverse())
          turned = true
        }
      }
  }
  return way
}
const middle = (all: { xMm: number; yMm: number }[]) => ({
  xMm: all.reduce((s, p) => s + p.xMm, 0) / all.length,
  yMm: all.reduce((s, p) => s + p.yMm, 0) / all.length,
})
/** @param things in the order of their numbers */
export function campaignOf(things: SurveyThing[]): Campaign {
  const rooms: Campaign['rooms'] = []
  const way: SurveyThing[] = []
  let at = { xMm: 0, yMm: 0 }
  for (const level of LEVELS) {
    const zones = new Map<string, SurveyThing[]>()
    for (const t of things.filter((x) => x.level === level))
      zones.set(t.zone, [...(zones.get(t.zone) ?? []), t])
    const order = shortWay(
      at,
      [...zones].map(([zone, own]) => ({ zone, own, ...middle(own) })),
    )
    for (const z of order) {
      const own = shortWay(at, z.own)
      at = own.at(-1)!
      way.push(...own)
      const stops = own.map(({ minutes, ...t }) => ({
        ...t,
        ...mayFloat({ ...t, minutes }),
        hours: minutes / 60,
      }))
      rooms.push({ zone: z.zone, level, things: stops })
    }
  }
  const all = rooms.flatMap((r) => r.things)
  const sum = (of: MayFloat, what: (s: SurveyStop) => number) =>
    all.filter((s) => s.launch === of).reduce((n, s) => n + what(s), 0)
  const each = (what: (s: SurveyStop) => number) => ({
    no: sum('no', what),
    wait: sum('wait', what),
    yes: sum('yes', what),
  })
  return {
    rooms,
    wayMm: length(way),
    byNumberMm: length(things),
    counts: each(() => 1),
    hours: each((s) => s.hours),
    withoutPhoto: all.filter((s) => !s.photos).length,
  }
}

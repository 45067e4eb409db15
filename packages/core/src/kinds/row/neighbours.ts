import { distanceToSegment, insidePolygon, type Point } from '../../base/geometry/outline'
import { inWords, type Check } from '../../base/verdict/check'
import type { Around, Other, Try } from '../kind'
import type { RowDesign } from './design'
import type { RowJudgement, Taken } from './judgement'
import { along, lengthOf, walked } from '../path'
import type { Keepout } from './line'

/** Its middle lies on the same deck, and not on one above or below. */
const SAME_DECK_MM = 300
/** Another row is kept off member by member, and a hole that is to be closed is no fitting. */
const NOT_ASKED = ['row', 'closure']

/** How far a place is from an outline; 0 within it. */
function farFrom(outline: Point[], p: Point): number {
  if (insidePolygon(outline, p)) return 0
  return Math.min(...outline.map((a, i) => distanceToSegment(p, a, outline[(i + 1) % outline.length]!)))
}
function takes(d: RowDesign, o: Other): { fromMm: number; toMm: number } {
  const on = o.outline!.map((p) => along(d.path, p).sMm)
  return { fromMm: Math.floor(Math.min(...on)), toMm: Math.ceil(Math.max(...on)) }
}
/** Fittings of the same deck that a row has to miss; its own members are not among them. */
function standing(d: RowDesign, others: Other[], own: (o: Other) => boolean): Other[] {
  return others.filter(
    (o) =>
      o.outline &&
      o.outline.length > 2 &&
      !own(o) &&
      !NOT_ASKED.includes(o.kind) &&
      Math.abs(o.design.place.zMm - d.place.zMm) <= SAME_DECK_MM,
  )
}
/** Whether an outline can come as near to a line as this: by the circle round it, which costs little. */
function mayBeNear(path: RowDesign['path'], outline: Point[], nearMm: number): boolean {
  const mid = {
    xMm: outline.reduce((s, p) => s + p.xMm, 0) / outline.length,
    yMm: outline.reduce((s, p) => s + p.yMm, 0) / outline.length,
  }
  const round = Math.max(...outline.map((p) => Math.hypot(p.xMm - mid.xMm, p.yMm - mid.yMm)))
  return along(path, mid).offMm <= round + nearMm
}
const WALK_MM = 5
/**
 * Other fittings on the line, each as the stretch that it takes. The calculator allows for a member's own
 * length, so of what lies within half a length only the part beyond that is given.
 */
export function neighbourKeepouts(
  d: RowDesign,
  others: Other[],
  own: (o: Other) => boolean,
  marginMm: number,
): Keepout[] {
  const half = d.footprintMm / 2
  const near = standing(d, others, own).filter((o) => mayBeNear(d.path, o.outline!, half))
  if (!near.length) return []
  const points = walked(d.path, WALK_MM)
  const long = lengthOf(d.path)
  return near.flatMap((o) => {
    const on = points.filter((p) => farFrom(o.outline!, p) < half)
    if (!on.length) return []
    // Between two samples it may begin anywhere: a step more at each end, never less.
    const from = on[0]!.sMm - WALK_MM + half
    const to = on.at(-1)!.sMm + WALK_MM - half
    const mid = (from + to) / 2
    return [
      {
        name: o.name,
        fromMm: Math.max(0, Math.floor(Math.min(from, mid))),
        toMm: Math.min(Math.ceil(long) + 1, Math.ceil(Math.max(to, mid)) + 1),
        marginMm,
        byMap: true,
        guessed: false,
      },
    ]
  })
}
/** Places that come down on other fittings of the same deck, half a member's length round each. */
export function takenBy(
  d: RowDesign,
  positions: RowJudgement['layout']['positions'],
  a: Pick<Around, 'others' | 'members'>,
): Taken[] {
  const own = new Set((a.members ?? []).map((m) => m.id))
  const there = standing(d, a.others, (o) => own.has(o.id))
  return positions.flatMap((p, i) =>
    there
      .filter((o) => farFrom(o.outline!, p) < d.footprintMm / 2)
      .map((o) => ({ at: i + 1, name: o.name, ...takes(d, o) })),
  )
}
export function takenChecks(taken: Taken[]): Check[] {
  if (!taken.length) return []
  const said = taken.slice(0, 4).map((t) => `number ${t.at} on ${t.name}`)
  const more = taken.length > 4 ? `, and ${taken.length - 4} more` : ''
  return [
    inWords({
      id: 'row-neighbours',
      title: 'Clear of other fittings',
      unit: '',
      source: 'chapter 10.1',
      verdict: 'short',
      because: `It comes down on what is there: ${said.join(', ')}${more}. Keep that stretch off, or move one of them.`,
    }),
  ]
}
const MARGIN_MM = 10
const MOST_KEPT_OFF = 60
/** Each stretch that another takes, kept off by hand. */
export function takenTries(d: RowDesign, taken: Taken[]): Try[] {
  const by = new Map(taken.map((t) => [t.name, t]))
  const add = [...by.values()].map((t) => ({
    name: t.name.slice(0, 80),
    fromMm: t.fromMm,
    toMm: t.toMm,
    marginMm: MARGIN_MM,
  }))
  if (!add.length || d.keepouts.length + add.length > MOST_KEPT_OFF) return []
  return [
    {
      id: 'keep-off',
      text: `keep ${add.length === 1 ? add[0]!.name : `all ${add.length}`} off`,
      change: { keepouts: [...d.keepouts, ...add] },
      helps: ['row-neighbours'],
    },
  ]
}

import { distanceToSegment, insidePolygon, type Point } from '../../base/geometry/outline'
import { inWords, type Check } from '../../base/verdict/check'
import type { Around, Other, Try } from '../kind'
import type { RowDesign } from './design'
import type { RowJudgement, Taken } from './judgement'
import { along } from '../path'

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
/** Places that come down on other fittings of the same deck, half a member's length round each. */
export function takenBy(
  d: RowDesign,
  positions: RowJudgement['layout']['positions'],
  a: Pick<Around, 'others' | 'members'>,
): Taken[] {
  const own = new Set((a.members ?? []).map((m) => m.id))
  const there = a.others.filter(
    (o) =>
      o.outline &&
      o.outline.length > 2 &&
      !own.has(o.id) &&
      !NOT_ASKED.includes(o.kind) &&
      Math.abs(o.design.place.zMm - d.place.zMm) <= SAME_DECK_MM,
  )
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

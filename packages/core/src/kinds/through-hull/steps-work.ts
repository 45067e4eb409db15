import { formatLength, type Units } from '../../base/quantity/format'
import type { stepList } from '../step'
import { THROUGH_HULL_FAMILY } from './families'
import type { ThroughHullDesign } from './design'
import type { ThroughHullJudgement } from './judgement'

/** Under this it is drilled, not sawn. */
export const SMALL_MM = 20

/** What every part of the order of work looks at. */
export function workOf(
  d: ThroughHullDesign,
  j: ThroughHullJudgement,
  units: Units,
  add: ReturnType<typeof stepList>['add'],
) {
  return {
    d,
    j,
    units,
    add,
    info: THROUGH_HULL_FAMILY[d.family],
    /** as one reads it off a rule: tenths of a millimetre, or the inches of the boat */
    mm: (v: number) => formatLength(Math.round(v * 10) / 10, units),
    welded: d.family === 'welded-stub',
    below: d.place.zMm < 0,
    boreMm: j.stack?.holeMm ?? d.boredMm ?? d.skin.holeMm,
    flanged: d.valve !== null && d.valve.kind !== 'screwed',
    plastic: [d.skin, d.valve, d.tail].some((p) => p?.material === 'composite' || p?.material === 'plastic'),
  }
}
export type Work = ReturnType<typeof workOf>

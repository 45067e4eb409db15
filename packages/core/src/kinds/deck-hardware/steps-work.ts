import { formatLength, type Units } from '../../base/quantity/format'
import { SIZES } from '../../base/materials/fasteners'
import type { LifeState } from '../../boat/life'
import type { Records, stepList } from '../step'
import type { Judgement } from './judgement'
import type { PotUse } from './pots'
import type { Design } from './design'

/** What every part of the order of work looks at. */
export function workOf(d: Design, j: Judgement, units: Units, add: ReturnType<typeof stepList>['add']) {
  const pot = (use: PotUse) => j.pots.find((p) => p.use === use)?.pot ?? null
  return {
    d,
    j,
    units,
    add,
    pot,
    holes: d.bolts.length,
    holeMm: SIZES[d.bolt.size]!.clearanceMm,
    mm: (v: number) => formatLength(v, units),
    day: `${d.bedding.tempC} \u00b0C`,
    /** welded on before anything is drilled */
    welded: d.doubler !== null && d.structure.kind === 'metal',
    lifts: d.load.basis === 'lifting' || d.family === 'lifting-point',
  }
}
export type Work = ReturnType<typeof workOf>

/** Bolts and the pipe beside them go through this together. */
export const all = (...states: LifeState[]): Records => ({ bolt: states, pipe: states })

/** Minutes of one pair of hands for so many holes; typical of a yard. */
export const minutesFor = (once: number, each: number, holes: number) => once + each * holes

/** As one says it of a cure: to the half hour, or to the day. */
export const hoursSaid = (h: number) => (h < 48 ? `${Math.ceil(2 * h) / 2} h` : `${Math.ceil(h / 24)} days`)

export const TOO_COLD = 'too cold for any hardener: warm the place, or wait'
/** Which hardener, how long it stays workable, and when it is hard. */
export function potSaid(w: Work, use: PotUse): string {
  const pot = w.pot(use)
  if (!pot) return ''
  return pot.hardener && pot.sandH !== null
    ? `${pot.hardener} hardener, ${Math.round(pot.potLifeMin!)} min in the pot at ${w.day}, hard after ${hoursSaid(pot.sandH)}`
    : `at ${w.day} ${TOO_COLD}`
}
/** No bond before it: ground, washed, wiped, and no dew on it. */
export const BOND_LOOKS = (what: string) => [
  `${what} is ground to a dull, clean face`,
  'it was washed with water first and is dry: grinding over wax only rubs the wax in',
  'it was wiped with clean cloths minutes ago, one wet and one dry, and nobody has touched it since',
]

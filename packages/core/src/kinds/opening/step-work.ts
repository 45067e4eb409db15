import type { Units } from '../../base/quantity/format'
import type { LifeState } from '../../boat/life'
import type { Records, stepList } from '../step'
import type { OpeningDesign } from './design'
import type { OpeningJudgement } from './judgement'

/** What every part of the list of steps is written from. */
export interface Work {
  d: OpeningDesign
  j: OpeningJudgement
  units: Units
  add: ReturnType<typeof stepList>['add']
  mm: (v: number) => string
}
/** What a tick writes into the life of the cut-out, or of each gland's hole. */
export const cut =
  (d: OpeningDesign) =>
  (...states: LifeState[]): Records =>
    d.gland ? { gland: states } : { opening: states }

import type { Check, Verdict } from '../../base/verdict/check'
import type { Pot } from '../../chapters/bedding/pot'
import type { layupBlock } from '../../chapters/making/layup-block'
import type { tapeSeal } from '../../chapters/making/tape-seal'
import type { Batch } from './batches'
import type { BlockWay } from './design'
import type { Patch } from './patches'

/** A hole of the boat that is not of the job and stands near it. */
export interface Neighbour {
  label: string
  gapMm: number
  /** open and of no fitting: it may be closed with the rest */
  free: boolean
}
export interface ClosureJudgement {
  verdict: Verdict
  governing: string | null
  checks: Check[]
  counts: Record<Verdict, number>
  ratio: number
  patches: Patch[]
  /** the nearest of the boat's other holes on this face; null: none is on record near */
  neighbour: Neighbour | null
  clothG: number
  resinG: number
  plugMl: number
  /** resin of the plies */
  pot: Pot | null
  /** filler of cores and holes */
  plugPot: Pot | null
  cautions: { id: string; text: string }[]
  /** pots of the plies in the order of laying; null: nothing is laid up in epoxy */
  batches: Batch[] | null
  /** of work, without what cures by itself */
  workHours: number
  joint: (Out<typeof tapeSeal> & { lengthMm: number }) | null
  block: { made: Out<typeof layupBlock>; ways: MadeWay[] } | null
}
type Out<C> = C extends { run: (v: never) => infer O } ? O : never
/** One way of making a block, beside the others. */
export interface MadeWay {
  way: BlockWay
  title: string
  workHours: number | null
  /** from the first pot until it comes off the mould */
  elapsedHours: number | null
  because: string
}

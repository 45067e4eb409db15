import type { Check, Verdict } from '../../base/verdict/check'
import type { Pot } from '../../chapters/bedding/pot'
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
}

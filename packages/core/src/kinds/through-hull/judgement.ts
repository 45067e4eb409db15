import type { cockpitDrain } from '../../chapters/hull/cockpit-drain'
import type { seacockLoad } from '../../chapters/hull/seacock-load'
import type { throughHullStack } from '../../chapters/hull/through-hull-stack'
import type { transducerTilt } from '../../chapters/hull/transducer-tilt'
import type { valveClocking } from '../../chapters/hull/valve-clocking'
import type { wedgeBlock } from '../../chapters/hull/wedge-block'
import type { Check, Verdict } from '../../base/verdict/check'
import type { Bedded, Pots } from './bed'
import type { BoltGroup } from './bolts'
import type { Joint } from './chain'
import type { MetalLine } from './metals'
import type { Obstacle } from './obstacles'
import type { Question } from './placing'
import type { ThreadSeal } from './threads'

type Out<C> = C extends { run: (v: never) => infer O } ? O : never
export type Stack = Out<typeof throughHullStack>
export type Wedge = Out<typeof wedgeBlock>
export type Clocked = Out<typeof valveClocking>
export type Kick = Out<typeof seacockLoad>
export interface ThroughHullJudgement {
  verdict: Verdict
  governing: string | null
  checks: Check[]
  counts: Record<Verdict, number>
  tilt: { deg: number; azimuthDeg: number }
  /** a block each side where both faces are to be parallel; each as wide as what stands on it */
  wedges: { outside: Wedge | null; inside: Wedge | null }
  /** whichever block there is, for the angles */
  wedge: Wedge | null
  stack: Stack | null
  joints: Joint[]
  clock: Clocked | null
  /** everything in the handle's plane, the neighbours' handles too */
  obstacles: Obstacle[]
  kick: Kick | null
  metals: MetalLine[]
  threads: ThreadSeal[]
  /** how long the bolts are, those of one length together */
  bolts: BoltGroup[]
  anode: { massKg: number; pieces: number | null; because: string } | null
  sealants: Bedded[]
  pots: Pots
  placing: Question[]
  tiltElement: Out<typeof transducerTilt> | null
  drain: Out<typeof cockpitDrain> | null
}

export type Tilted = Out<typeof transducerTilt>
export type Drained = Out<typeof cockpitDrain>
export const METHOD_TITLE = {
  through: 'bolts through the hull',
  insert: 'bolts into the pad',
  nut: 'nut only',
} as const

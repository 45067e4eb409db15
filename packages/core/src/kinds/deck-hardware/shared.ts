import type { BoltShares } from '../../chapters/deck/bolt-group'
import type { Field } from '../../chapters/deck/toe-strip'
import type { LoadDirection } from '../../chapters/load/design-load'
import type { Point } from '../../base/geometry/outline'

/** How a stiff base that can only push stands on the deck (chapter 3.3). */
export interface Resting {
  heelLine: [Point, Point] | null
  contactFraction: number
  toeAt: Point | null
  toePressureMPa: number
  /** all that the deck pushes back, and where it may be thought to act */
  deckForceN: number
  centre: Point | null
}
export interface Shared {
  caseName: string
  direction: LoadDirection
  bolts: { tensionN: number; shearN: number }[]
  maxTensionN: number
  maxShearN: number
  sumTensionN: number
  pushN: number
  toePressureMPa: number
  /** mean pressure of the toe's strip under the load alone: what a tipped base is judged by (chapter 3.4) */
  stripMPa: number
  /** the deck's pressure by the contact; null by the hand check */
  field: Field | null
  /** about the pattern's own line, where nothing else resists it */
  unresistedMomentNmm: number
  unresistedTwistNmm: number
  resting: Resting | null
  /** elastic about the centroid (chapter 3.2): the hand check beside the contact */
  hand: BoltShares
}

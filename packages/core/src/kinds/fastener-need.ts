import type { GradeId } from '../base/materials/fasteners'

/**
 * The bolts of a fitting with what holds them, as they are asked for over the counter: a need of
 * `fastener-order` (chapter 17.2) without the fitting that it is for.
 */
export interface FastenerNeed {
  size: string
  grade: GradeId
  head: 'hex' | 'pan' | 'button' | 'socket' | 'countersunk'
  /** by which its size is sold, one of the two */
  lengthMm?: number
  lengthInch?: number
  threading: 'full' | 'part'
  gripMm: number
  /** one that is longer is cut; false where nobody can get at its end */
  mayTrim: boolean
  count: number
  nut: 'none' | 'hex' | 'locking' | 'all-metal' | 'double-hex'
  washers: { head: 'none' | 'plain' | 'large'; nut: 'none' | 'plain' | 'large' }
}

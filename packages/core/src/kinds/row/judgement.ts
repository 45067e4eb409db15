import type { Check, Verdict } from '../../base/verdict/check'
import type { SealantChoice } from '../../chapters/bedding/sealant-choice'
import type { spacing } from '../../chapters/layout/spacing'
import type { stripBend } from '../../chapters/making/strip-bend'
import type { Keepout } from './line'

type Out<C> = C extends { run: (v: never) => infer O } ? O : never
/** One that stands there, and how far from where the row has it. */
export interface Member {
  id: string
  name: string
  verdict: Verdict
  sMm: number
  /** along the line; null where the row has no place for it */
  offMm: number | null
}
/** A place of the row that stands on what is there already. */
export interface Taken {
  /** its number, from 1 */
  at: number
  name: string
  /** of the row's line that the other takes */
  fromMm: number
  toMm: number
}
export interface RowJudgement {
  verdict: Verdict
  governing: string | null
  checks: Check[]
  counts: Record<Verdict, number>
  lengthMm: number
  keepouts: Keepout[]
  layout: Out<typeof spacing>
  strip: Out<typeof stripBend> | null
  sealant: SealantChoice | null
  /** places that come down on other fittings */
  taken: Taken[]
  /** old holes that it comes near to: which of them, by which place of the row, and what to do */
  crossed: { label: string; at: number; gapMm: number; said: string; verdict: Verdict }[]
  members: Member[]
}

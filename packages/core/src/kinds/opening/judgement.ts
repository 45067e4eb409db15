import type { openingEdge } from '../../chapters/opening/opening-edge'
import type { panel } from '../../chapters/opening/panel'
import type { panelGrowth } from '../../chapters/opening/panel-growth'
import type { lidHold } from '../../chapters/making/lid-hold'
import type { SealantChoice } from '../../chapters/bedding/sealant-choice'
import type { Check, Verdict } from '../../base/verdict/check'
import type { Pot } from '../../chapters/bedding/pot'

type Out<C> = C extends { run: (v: never) => infer O } ? O : never
export type Edge = Out<typeof openingEdge>
export type Paned = Out<typeof panel>
export type Grown = Out<typeof panelGrowth>
export type Held = Out<typeof lidHold>
/** Free room to something that stays where it is, in words by the side it lies on. */
export interface Clear {
  title: string
  side: string
  freeMm: number
  leastMm: number
  /** it runs through the cut-out */
  cut: boolean
}
export interface OpeningJudgement {
  verdict: Verdict
  governing: string | null
  checks: Check[]
  counts: Record<Verdict, number>
  edge: Edge
  pane: Paned | null
  growth: Grown | null
  held: Held | null
  clear: Clear[]
  sealant: SealantChoice
  paneSealant: SealantChoice | null
  /** epoxy that closes the raked core */
  pot: Pot | null
}

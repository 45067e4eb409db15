import type { openingEdge } from '../../chapters/opening/opening-edge'
import type { panel } from '../../chapters/opening/panel'
import type { panelGrowth } from '../../chapters/opening/panel-growth'
import type { binHang } from '../../chapters/making/bin-hang'
import type { cableGland } from '../../chapters/making/gland'
import type { lidHold } from '../../chapters/making/lid-hold'
import type { prismPocket } from '../../chapters/making/prism-pocket'
import type { SealantChoice } from '../../chapters/bedding/sealant-choice'
import type { Check, Verdict } from '../../base/verdict/check'
import type { Around } from '../kind'
import type { Pot } from '../../chapters/bedding/pot'

/** What stands round an opening: its surfaces and members, and, where they are known, the rest. */
export type AroundOpening = Pick<Around, 'zones' | 'parts'> &
  Partial<Pick<Around, 'holes' | 'others' | 'boat'>>

type Out<C> = C extends { run: (v: never) => infer O } ? O : never
export type Edge = Out<typeof openingEdge>
export type Paned = Out<typeof panel>
export type Grown = Out<typeof panelGrowth>
export type Held = Out<typeof lidHold>
export type Pocket = Out<typeof prismPocket>
export type Hung = Out<typeof binHang>
export type Glanded = Out<typeof cableGland>
/** Water that stands behind a bulkhead when the compartment is flooded, and what it does to the boat. */
export interface Behind {
  waterKg: number
  pressureKPa: number
  /** lower by so much at the ends; null where the boat's own figures are not known */
  bowMm: number | null
  sternMm: number | null
  /** null without a pump */
  pumpMinutes: number | null
}
/** Free room to something that stays where it is, in words by the side it lies on. */
export interface Clear {
  title: string
  side: string
  freeMm: number
  leastMm: number
  /** it runs through the cut-out */
  cut: boolean
  /** from the opening's middle to its near face, or to its own middle where it is cut; aft and starboard + */
  fromMiddleMm: number
  /** how deep it is itself; null while nobody has measured */
  depthMm: number | null
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
  /** of a prism, where the deck has a core to let its solid into */
  pocket: Pocket | null
  /** of a bin */
  hung: Hung | null
  /** of cable glands */
  glanded: Glanded | null
  behind: Behind | null
  clear: Clear[]
  /** cables, tanks and linings: moved or guarded, and not cut in passing */
  guarded: Clear[]
  sealant: SealantChoice
  paneSealant: SealantChoice | null
  /** epoxy that closes the raked core, beds the solid of a prism, or lines the holes of glands */
  pot: Pot | null
}

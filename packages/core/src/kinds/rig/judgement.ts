import type { chainplate } from '../../chapters/rig/chainplate'
import type { bondLap } from '../../chapters/repair/bond-lap'
import type { trend } from '../../chapters/watch/trend'
import type { SealantChoice } from '../../chapters/bedding/sealant-choice'
import type { Check, Verdict } from '../../base/verdict/check'

type Out<C> = C extends { run: (v: never) => infer O } ? O : never
export interface RigJudgement {
  verdict: Verdict
  governing: string | null
  checks: Check[]
  counts: Record<Verdict, number>
  plate: Out<typeof chainplate>
  bond: Out<typeof bondLap> | null
  creep: Out<typeof trend> | null
  /** it has moved, or something shows that it has: it is not sailed on */
  moved: string[]
  sealant: SealantChoice | null
  /** ways of holding it, side by side, with what governs each */
  ways: Way[]
}
export interface Way {
  id: 'as-drawn' | 'bond' | 'strap'
  title: string
  verdict: Verdict
  utilisation: number | null
  because: string
}

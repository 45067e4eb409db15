import type { alignment } from '../../chapters/making/alignment'
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
  /** of a chainplate */
  plate: Out<typeof chainplate> | null
  bond: Out<typeof bondLap> | null
  creep: Out<typeof trend> | null
  /** it has moved, or something shows that it has: it is not sailed on */
  moved: string[]
  sealant: SealantChoice | null
  /** ways of holding it, side by side, with what governs each */
  ways: Way[]
  /** of a strut, a post or a knee */
  set: SetJudgement | null
}
export type Aligned = Out<typeof alignment>
export interface SetJudgement {
  /** each sighting by itself, the first as it was found */
  sights: Aligned[]
  /** the last, against the first */
  now: Aligned | null
  pour: Aligned['pour']
  /** staggered: how far each ply runs out from the corner, mm */
  pliesMm: number[]
  /** of what is bonded in minutes: how long it can be worked at this temperature, and how much of it */
  glue: { workingMin: number; volumeMl: number } | null
}
export interface Way {
  id: 'as-drawn' | 'bond' | 'strap'
  title: string
  verdict: Verdict
  utilisation: number | null
  because: string
}

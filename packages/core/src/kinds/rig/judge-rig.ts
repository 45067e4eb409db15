import type { Around } from '../kind'
import { isSetIn, type Chainplate, type RigDesign } from './design'
import { judgeChainplate } from './judge'
import type { RigJudgement } from './judgement'
import { judgeSetIn } from './set-judge'

/** What pulls on a wire, or what is set and tabbed in, judged whole. */
export const judgeRig = (d: RigDesign, a: Pick<Around, 'today'>): RigJudgement =>
  isSetIn(d) ? judgeSetIn(d) : judgeChainplate(d as Chainplate, a)

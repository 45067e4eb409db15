import type { Check } from '../../base/verdict/check'
import type { Design } from '../deck-hardware/design'
import type { Judgement } from '../deck-hardware/judgement'
import { solveSpread, type SolverQuestion } from '../deck-hardware/solver'
import type { AnyDesign, Judged } from '../kind'
import type { OpeningDesign } from '../opening/design'
import type { WeakQuestion } from '../opening/weakened'
import { solveWeakened } from '../opening/weakened-said'

/** What a kind's `slow` asks, in a thread of its own. */
export interface SlowAsk {
  kind: string
  design: AnyDesign
  judgement: Judged
  question: { key: string }
}
const SOLVERS: Record<string, (a: SlowAsk) => Check[]> = {
  'deck-hardware': (a) =>
    solveSpread(a.design as Design, a.judgement as Judgement, a.question as SolverQuestion).said.checks,
  opening: (a) => solveWeakened(a.design as OpeningDesign, a.question as WeakQuestion).checks,
}
/** Answers what a kind asks besides its hand checks. It stands apart from the kinds, as it is heavy. */
export const solveSlow = (asked: SlowAsk): Check[] => SOLVERS[asked.kind]!(asked)

import { createHash } from 'node:crypto'
import {
  CalcError,
  type AnyDesign,
  type Around,
  type Judged,
  type Kind,
  type Verdict,
} from '@north-tide/core'
import type { SlowAsk } from '@north-tide/core/slow'
import { askSolver, type SolverAnswer } from '../solver/pool'

export interface Judging {
  verdict: Verdict
  governing: string | null
  /** what the design believed of the boat that the survey no longer says */
  stale: string[] | null
  problem: { code: string; path: string; message: string } | null
  /** the heavy calculator's part in the verdict; null where it was not asked, or nothing could be judged */
  solver: SolverAnswer | null
  /** it has still to be asked: the verdict is by the hand checks alone */
  solverDue: boolean
  /** the design as it was judged: on the boat as the survey says it is now */
  design: AnyDesign
  judgement: Judged | null
}
type Open = Judging & { ask: SlowAsk | null }

export const keyOf = (question: { key: string }) => createHash('sha256').update(question.key).digest('hex')

/**
 * What a fitting is worth on the boat as it is surveyed now, by the hand checks and by what the heavy
 * calculator said to the same question before. A design that cannot be judged yet is kept all the same:
 * nothing typed is lost.
 */
export function judgeByHand(
  kind: Kind,
  asked: AnyDesign,
  around: Around,
  kept: SolverAnswer | null = null,
): Open {
  const stale = kind.changed?.(asked, around.zones)?.changes ?? null
  const design = kind.asSurveyed?.(asked, around.zones) ?? asked
  try {
    const judgement = kind.judge(design, around)
    const question = kind.slow?.(design, judgement, around) ?? null
    const same = question !== null && kept !== null && kept.key === keyOf(question)
    const j = same ? kind.withSlow!(judgement, kept) : judgement
    const due = question !== null && !same
    return {
      verdict: j.verdict,
      governing: j.governing,
      stale,
      problem: null,
      solver: same ? kept : null,
      solverDue: due,
      design,
      judgement: j,
      ask: due ? { kind: kind.id, design, judgement, question } : null,
    }
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
    return {
      verdict: 'unproven',
      governing: error.code,
      stale,
      problem: { code: error.code, path: error.path, message: error.message },
      solver: null,
      solverDue: false,
      design,
      judgement: null,
      ask: null,
    }
  }
}

/** The same with the heavy calculator asked where it has not answered this question yet. */
export async function judgeOn(
  kind: Kind,
  design: AnyDesign,
  around: Around,
  kept: SolverAnswer | null = null,
): Promise<Judging> {
  const { ask, ...byHand } = judgeByHand(kind, design, around, kept)
  if (!ask) return byHand
  let solver: SolverAnswer
  try {
    solver = await askSolver(ask, keyOf(ask.question))
  } catch {
    // Nothing typed is lost over a solver that fell over: the verdict stays by hand checks, due, and is
    // asked for again.
    return byHand
  }
  const j = kind.withSlow!(ask.judgement, solver)
  return {
    ...byHand,
    verdict: j.verdict,
    governing: j.governing,
    judgement: j,
    solver,
    solverDue: false,
  }
}
/** What of a judgement is kept beside the design. */
export const stored = (v: Judging) => ({
  verdict: v.verdict,
  governing: v.governing,
  stale: v.stale,
  solver: v.solver,
  solverDue: v.solverDue,
})

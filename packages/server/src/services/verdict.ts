import {
  CalcError,
  judge,
  staleAgainst,
  withSolver,
  zoneOfPlace,
  type BoatPart,
  type BoatZone,
  type Design,
  type Judgement,
  type Verdict,
  type YardValue,
} from '@north-tide/core'
import { questionFor, type SolverQuestion } from '@north-tide/core/solver'
import { askSolver, keyOf, type SolverAnswer } from '../solver/pool'

/** A boat as far as judging a fitting needs it. */
export interface Surroundings {
  zones: BoatZone[]
  parts: BoatPart[]
  yard: YardValue[]
}
export interface Judged {
  verdict: Verdict
  governing: string | null
  stale: string[] | null
  problem: { code: string; path: string; message: string } | null
  /** the plate solver's part in the verdict; null where it was not asked, or nothing could be judged */
  solver: SolverAnswer | null
  /** the solver has still to be asked: the verdict is by the hand checks alone */
  solverDue: boolean
}
/**
 * The judgement behind a verdict, and the design as it was judged: on the deck as the zone says it is now.
 */
export interface Shown {
  design: Design
  judgement: Judgement | null
}
type Open = Judged &
  Shown & { ask: { design: Design; judgement: Judgement; question: SolverQuestion } | null }

/**
 * What a fitting is worth on the deck as the zone says it is now, by the hand checks and by what the
 * solver said to the same question before; `stale` where its design still believes another deck. A design
 * that cannot be judged yet is kept all the same: nothing typed is lost.
 */
export function judgeByHand(
  asked: Design,
  { zones, parts, yard }: Surroundings,
  kept: SolverAnswer | null = null,
): Open {
  const zone = zoneOfPlace(zones, asked.place)
  const stale = staleAgainst(asked, zone)
  const design = stale ? { ...asked, structure: stale.structure, measured: stale.measured } : asked
  const said = stale?.changes ?? null
  try {
    const judgement = judge(design, false, yard)
    const question = questionFor(design, judgement, zone, parts)
    const same = kept !== null && kept.key === keyOf(question)
    const j = same ? withSolver(judgement, kept) : judgement
    return {
      verdict: j.verdict,
      governing: j.governing,
      stale: said,
      problem: null,
      solver: same ? kept : null,
      solverDue: !same,
      design,
      judgement: j,
      ask: same ? null : { design, judgement, question },
    }
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
    return {
      verdict: 'unproven',
      governing: error.code,
      stale: said,
      problem: { code: error.code, path: error.path, message: error.message },
      solver: null,
      solverDue: false,
      design,
      judgement: null,
      ask: null,
    }
  }
}

/** The same with the solver asked where it has not answered this question yet. */
export async function judgeOn(
  design: Design,
  around: Surroundings,
  kept: SolverAnswer | null = null,
): Promise<Judged> {
  const { ask, design: _design, judgement: _judgement, ...byHand } = judgeByHand(design, around, kept)
  if (!ask) return byHand
  let solver: SolverAnswer
  try {
    solver = await askSolver(ask.design, ask.judgement, ask.question)
  } catch {
    // Nothing typed is lost over a solver that fell over: the verdict stays by hand checks, due, and is
    // asked for again.
    return byHand
  }
  const j = withSolver(ask.judgement, solver)
  return { ...byHand, verdict: j.verdict, governing: j.governing, solver, solverDue: false }
}

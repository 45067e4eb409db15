import { solveSpread, type SolverQuestion } from '@north-tide/core/solver'
import type { Design, Judgement } from '@north-tide/core'

/** The plate solver beside the server's own thread, which goes on answering meanwhile. */
export default function answer({
  design,
  judgement,
  question,
}: {
  design: Design
  judgement: Judgement
  question: SolverQuestion
}) {
  return solveSpread(design, judgement, question).said.checks
}

import { expose } from 'comlink'
import type { OpeningDesign, WeakQuestion } from '@north-tide/core/opening'
import { solveWeakened } from '@north-tide/core/weakened'

/** The deck round an opening, by the plate solver, off the screen's own thread. */
expose({
  solve: (
    { design, question }: { design: OpeningDesign; question: WeakQuestion },
    tell: (p: number) => void,
  ) => solveWeakened(design, question, (p) => tell(p)),
})

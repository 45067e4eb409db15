import type { Units } from '../../base/quantity/format'
import { stepList, type Step } from '../step'
import type { Judgement } from './judgement'
import type { Design } from './design'
import { bedSteps, snugAgain } from './steps-bed'
import { fitSteps, plateSteps, proveSteps } from './steps-fit'
import { holeSteps, lookSteps } from './steps-holes'
import { workOf } from './steps-work'

/**
 * The order of work, expanded from the design, never typed by hand (chapter 11.1): looked at; on metal the
 * doubler welded; drilled, sealed, cured; plate; dry fit; paint; bed; snug; cure; hose; proof load.
 */
export function stepsOf(d: Design, j: Judgement, units: Units): Step[] {
  const { add, done } = stepList()
  const w = workOf(d, j, units, add)
  lookSteps(w)
  holeSteps(w)
  plateSteps(w)
  fitSteps(w)
  bedSteps(w)
  proveSteps(w)
  snugAgain(w, 'week')
  return done()
}

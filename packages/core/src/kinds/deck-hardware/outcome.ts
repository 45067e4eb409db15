import { formatInches, formatLength, type Units } from '../../base/quantity/format'
import type { WorkState } from '../work'
import type { Design } from './design'
import type { Judgement } from './judgement'
import { boltsWanted } from './parts'

/** What was bought before lengths were said in fractions is the same bolt: 2.25 in, 2 1/4 in. */
const inFractions = (bought: string) =>
  bought.replace(/\b(\d+\.\d+) in\b/g, (_, inches: string) => `${formatInches(Number(inches) * 25.4)} in`)
/** Parts that were bought for another stack than this; null where nothing was bought or all still fits. */
export function staleParts(
  state: Pick<WorkState, 'bought'>,
  d: Design,
  j: Judgement,
): { bought: string; wanted: string } | null {
  if (!state.bought) return null
  const wanted = boltsWanted(d, j)
  return wanted === inFractions(state.bought.what) ? null : { bought: state.bought.what, wanted }
}

/** The rule of thumb beside the calculation, and why they differ. */
export function ruleBeside(
  d: Design,
  j: Judgement,
  units: Units,
): { thickness: string; reach: string; why: string } | null {
  if (!d.plate || !j.plate) return null
  const r = j.plate.rule
  const need = j.plate.requiredThicknessMm
  const more = r.thicknessMm > need * 1.1
  const less = r.thicknessMm < need * 0.9
  return {
    thickness: `Rule: ${formatLength(r.thicknessMm, units)} thick, ${r.thicknessMet ? 'met' : 'not met'}; calculated: ${formatLength(Math.round(need * 10) / 10, units)}.`,
    reach: `Rule: ${formatLength(r.reachMm, units)} past the outer bolts, ${r.reachMet ? 'met' : 'not met'}.`,
    why: more
      ? 'The rule knows the bolt and not the pull: it makes the plate strong enough for all that the bolt could carry.'
      : less
        ? 'The rule does not see the span: bolts that stand far apart bend the plate between them, and this pull is large.'
        : 'Both come to about the same here.',
  }
}

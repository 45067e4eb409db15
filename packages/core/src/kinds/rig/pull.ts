import { answerOf } from '../../base/calculator/calculator'
import { inWords, say, type Check } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'
import { designLoad } from '../../chapters/load/design-load'
import type { Chainplate } from './design'

const legOf = (d: Chainplate) => d.drogue && answerOf(designLoad, { basis: 'drogue-leg', ...d.drogue }).loadN
/**
 * What the metal is checked against, N: the wire's own strength; or a drogue's leg with the duty's factor of
 * metal, since that load is met, and not only what something else breaks at (chapter 1).
 */
export const pullOf = (d: Chainplate): number => {
  const leg = legOf(d)
  return leg === null ? d.wire.breakingN : leg * factorsFor(d.duty).metal
}
export function drogueSaid(d: Chainplate): Check[] {
  const leg = legOf(d)
  if (leg === null) return []
  const off = Math.abs(d.wire.inPlaneDeg)
  return [
    inWords({
      id: 'drogue',
      title: 'Drogue\u2019s leg',
      unit: '',
      source: 'chapter 1',
      verdict: off > MOST_OFF_DEG ? 'tight' : 'holds',
      because: `${say(d.drogue!.share)} of her weight on one leg, ${say(leg / 1000)} kN, ${factorsFor(d.duty).metal} times for ${d.duty} duty: ${say(pullOf(d) / 1000)} kN.${off > MOST_OFF_DEG ? ` It pulls ${say(off)}\u00b0 off the strap: turn the strap to the leg, from her quarter straight aft.` : ''}`,
    }),
  ]
}
/** Past this the bolts are pried and the strap bends in its own plane. */
const MOST_OFF_DEG = 15

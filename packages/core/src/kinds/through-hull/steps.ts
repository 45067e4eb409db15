import { cautionsFor, type Caution } from '../../trade/cautions'
import type { Units } from '../../base/quantity/format'
import { say } from '../../base/verdict/check'
import { stepList, type Step } from '../step'
import { NO_WORK, type WorkState } from '../work'
import type { ThroughHullDesign } from './design'
import type { ThroughHullJudgement } from './judgement'
import { baseOf, plumb } from './seat'
import { afloatSteps, plumbingSteps, proveSteps } from './steps-afloat'
import { bedSteps } from './steps-bed'
import { bondSteps, fitSteps } from './steps-fit'
import { boreSteps, lookSteps, stubSteps } from './steps-hull'
import { workOf } from './steps-work'

/**
 * The order of the trade for this family: the old one out; a core made solid and cured; the wedge cut that
 * guides the bore; dry fit, trim, clock; pad drilled, then bonded and cured; seal, fit; prove afloat;
 * exercise for ever (chapter 5).
 */
export function throughHullSteps(
  d: ThroughHullDesign,
  j: ThroughHullJudgement,
  units: Units,
  state: WorkState = NO_WORK,
): Step[] {
  const { add, done } = stepList()
  const w = workOf(d, j, units, add)
  lookSteps(w, state)
  if (d.family === 'welded-stub') stubSteps(w)
  else boreSteps(w)
  fitSteps(w)
  const padH = bondSteps(w)
  bedSteps(w, padH)
  plumbingSteps(w)
  proveSteps(w)
  afloatSteps(w)
  return done()
}
export const WATCH_STEPS = ['watch-now', 'watch-10', 'watch-60', 'watch-day', 'watch-week'] as const

export function throughHullCautions(d: ThroughHullDesign): Caution[] {
  const tags = ['drill', 'locker']
  if (d.place.zMm < 0) tags.push('below')
  if (d.pad || d.wedge.blocks !== 'none') tags.push('resin', 'grind')
  if (d.bedding.flange) tags.push('solvent')
  if (d.family === 'anode-stud' || d.metals.anode) tags.push('bonding')
  return cautionsFor(tags)
}
/** How it stands, in one line for the register. */
export function throughHullOrientation(d: ThroughHullDesign, j: ThroughHullJudgement): string {
  return [
    j.clock
      ? `handle open at ${say(d.clock.wantedDeg)}\u00b0 (0 aft, 90 to starboard, seen from inside), shut at ${say(d.clock.wantedDeg + d.valve!.sweepDeg)}\u00b0`
      : '',
    d.transducer
      ? `arrow ${d.transducer.arrow === 'keel' ? 'to the keel' : 'forward'}, element ${say(j.tiltElement?.tiltDeg ?? 0)}\u00b0`
      : '',
    plumb(d)
      ? `plumb, wedges thick side ${say(j.wedge?.outsideThickAtDeg ?? 0)}\u00b0 outside`
      : `square to a hull of ${say(j.tilt.deg)}\u00b0`,
    d.hold.method === 'nut'
      ? 'held by its nut'
      : `${d.hold.bolts} ${d.hold.size} ${d.hold.method === 'through' ? 'through the hull' : 'into the pad'}, flange ${say(baseOf(d))} mm`,
  ]
    .filter(Boolean)
    .join('; ')
}

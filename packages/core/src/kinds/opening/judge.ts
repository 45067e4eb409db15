import { potOf } from '../../chapters/bedding/pot'
import { governing, worstVerdict, type Check } from '../../base/verdict/check'
import { foundChecks } from '../findings'
import type { Around } from '../kind'
import { tallyOf } from '../tally'
import {
  growthChecks,
  growthOf,
  heldOf,
  keepsCheck,
  lidChecks,
  paneChecks,
  paneOf,
  sealantCheck,
  sealantsOf,
} from './closing'
import type { OpeningDesign } from './design'
import { edgeChecks, edgeOf } from './edge'
import { OPENING_FINDINGS } from './findings'
import type { OpeningJudgement } from './judgement'
import { roomChecks } from './room'

const GEOMETRY = ['room-edge', 'room-member', 'edge-core', 'ring', 'ring-area', 'screw-bite']
/** Rakes are filled with a paste that stands on an upright face. */
const potFor = (d: OpeningDesign, fillMl: number) =>
  d.core.filled ? potOf(fillMl, { tempC: d.bedding.tempC }, 'peanut-butter') : null

/**
 * One opening judged whole: where it is cut, what is left of the edge, what closes it and keeps the sea out.
 * @throws CalcError where the frame cannot be set out
 */
export function judgeOpening(d: OpeningDesign, a: Pick<Around, 'zones' | 'parts'>): OpeningJudgement {
  const room = roomChecks(d, a)
  const edge = edgeOf(d)
  const pane = paneOf(d)
  const growth = growthOf(d, edge)
  const held = heldOf(d)
  const bedded = sealantsOf(d, growth)
  const pot = potFor(d, edge.fillMl)
  const keeps = keepsCheck(d, held)
  const checks: Check[] = [
    ...room.checks,
    ...edgeChecks(d, edge),
    ...paneChecks(pane, d.pane?.proof ?? null),
    ...growthChecks(growth),
    ...lidChecks(held),
    ...(keeps ? [keeps] : []),
    sealantCheck('sealant-frame', 'Bedding of the frame', d.bedding.sealant, bedded.frame),
    ...(bedded.pane
      ? [sealantCheck('sealant-pane', 'Bedding of the pane', d.pane!.sealant, bedded.pane)]
      : []),
    ...foundChecks(OPENING_FINDINGS, d.findings, 'chapter 6'),
  ]
  // Plain geometry has no margin to use up: 30 mm of 30 holds, and a figure beside it would only mislead.
  for (const c of checks) if (GEOMETRY.includes(c.id)) c.utilisation = null
  return {
    verdict: worstVerdict(checks.map((c) => c.verdict)),
    governing: governing(checks)?.id ?? null,
    checks,
    counts: tallyOf(checks),
    edge,
    pane,
    growth,
    held,
    clear: room.clear,
    sealant: bedded.frame,
    paneSealant: bedded.pane,
    pot,
  }
}

import { potOf } from '../../chapters/bedding/pot'
import { governing, worstVerdict, type Check } from '../../base/verdict/check'
import { foundChecks } from '../findings'
import { sealantCheck } from '../sealant-check'
import { tallyOf } from '../tally'
import {
  growthChecks,
  growthOf,
  heldOf,
  keepsCheck,
  sillCheck,
  lidChecks,
  paneChecks,
  paneOf,
  sealantsOf,
} from './closing'
import { airChecks } from './air'
import type { OpeningDesign } from './design'
import { edgeChecks, edgeOf } from './edge'
import { OPENING_FINDINGS } from './findings'
import { behindOf, othersThrough } from './bulkhead'
import { glandChecks, glandedOf } from './glands'
import { hungChecks, hungOf } from './hung'
import type { AroundOpening, Edge, Glanded, OpeningJudgement, Pocket } from './judgement'
import { pairCheck } from './pair'
import { pocketChecks, pocketOf } from './pocket'
import { roomChecks } from './room'

const GEOMETRY = [
  'room-edge',
  'room-member',
  'edge-core',
  'ring',
  'ring-area',
  'screw-bite',
  'gland-height',
  'gland-edge',
  'gland-thread',
  'gland-spacing',
]
/** Rakes are filled with a paste that stands on an upright face; a solid and a lining are set in one. */
function potFor(d: OpeningDesign, e: Edge, pocket: Pocket | null, glanded: Glanded | null) {
  const day = { tempC: d.bedding.tempC }
  if (pocket) return potOf(pocket.fillerMl, day, 'mayonnaise')
  if (glanded) return potOf(glanded.plugMl, day, 'mayonnaise')
  return d.core.filled ? potOf(e.fillMl, day, 'peanut-butter') : null
}
/**
 * A frame's own edge: a prism has its solid and a gland its lining instead, and what a bin's screws hold
 * is worked out.
 */
function asked(d: OpeningDesign, c: Check): boolean {
  if (d.prism || d.gland) return c.id === 'offcut'
  return !d.bin || c.id !== 'screw-bite'
}

/**
 * One opening judged whole: where it is cut, what is left of the edge, what closes it and keeps the sea out.
 * @throws CalcError where the frame cannot be set out
 */
export function judgeOpening(d: OpeningDesign, a: AroundOpening): OpeningJudgement {
  const room = roomChecks(d, a)
  const edge = edgeOf(d)
  const pane = paneOf(d)
  const growth = growthOf(d, edge)
  const held = heldOf(d)
  const pocket = pocketOf(d)
  const hung = hungOf(d, edge)
  const glanded = glandedOf(d)
  const behind = behindOf(d, a.boat)
  const bedded = sealantsOf(d, growth)
  const keeps = d.gland ? null : keepsCheck(d, held)
  const sill = sillCheck(d)
  const pair = pairCheck(d, a)
  const frame = sealantCheck('sealant-frame', 'Bedding of the frame', d.bedding.sealant, bedded.frame)
  const checks: Check[] = [
    ...room.checks,
    ...(pair ? [pair] : []),
    ...edgeChecks(d, edge).filter((c) => asked(d, c)),
    ...pocketChecks(d, pocket),
    ...glandChecks(d, glanded, behind),
    ...othersThrough(d, a),
    ...hungChecks(hung),
    ...paneChecks(pane, d.pane?.proof ?? null),
    ...growthChecks(growth),
    ...lidChecks(held),
    ...(keeps ? [keeps] : []),
    ...(sill ? [sill] : []),
    ...airChecks(d),
    // A gland seals on its own ring, a bin is bonded: neither is bedded as a frame is.
    ...(d.gland || d.bin ? [] : [frame]),
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
    pocket,
    hung,
    glanded,
    behind,
    clear: room.clear,
    guarded: room.guarded,
    sealant: bedded.frame,
    paneSealant: bedded.pane,
    pot: potFor(d, edge, pocket, glanded),
  }
}

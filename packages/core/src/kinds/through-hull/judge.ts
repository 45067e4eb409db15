import { daySaid } from '../../base/quantity/day'
import type { Launch } from '../../boat/place'
import { lateFor } from './launch-bead'
import { surfaceWindowOf } from '../../chapters/bedding/surface-window'
import type { Units } from '../../base/quantity/format'
import { governing, say, unproven, worstVerdict, type Check } from '../../base/verdict/check'
import { foundChecks } from '../findings'
import { tallyOf } from '../tally'
import { standingDecision, workState, type LogLine } from '../work'
import { potCheck, potsOf, sealantCheck, sealantsOf } from './bed'
import { anodeOf, bondingChecks } from './bonding'
import { FLANGE_THICK_MM, boltLengths, boltsSaid, type BoltGroup } from './bolts'
import { chainChecks, chainOf } from './chain'
import { clockChecks, clockOf, obstaclesOf } from './clocking'
import { leanCheck } from './lean'
import type { ThroughHullDesign } from './design'
import { FINDINGS, RISK_SAID, taperPlugOf } from './findings'
import type { ThroughHullJudgement } from './judgement'
import { kickChecks, kickHeld, padChecks } from './kick'
import { metalChecks } from './metals'
import { plain } from './plain'
import { placingOf, unanswered, type Question, type ThroughHullAround } from './placing'
import { seatChecks, stackOf, tiltOf, wedgesOf } from './seat'
import { threadSeals, threadVerdict } from './threads'
import { drainOf, elementOf, waterChecks } from './water'

const SOURCE = 'chapter 5'
const NO_LOG: LogLine[] = []

function boltCheck(d: ThroughHullDesign, bolts: BoltGroup[]): Check {
  const flange = d.valve ? FLANGE_THICK_MM.valve : FLANGE_THICK_MM.plug
  const none = bolts.some((b) => b.lengthMm === null)
  const least = say(bolts[0]!.requiredMm)
  const noStock =
    d.hold.method === 'through'
      ? `No bolt of the stock lengths reaches ${say(Math.max(...bolts.map((b) => b.requiredMm)))} mm: threaded rod of the same grade, or a thinner pack.`
      : `No bolt of the stock lengths is as short as ${least} mm: cut one, or a thicker pad.`
  const said = `${boltsSaid(d, bolts, (v) => `${say(v)} mm`)}${d.hold.method === 'insert' ? `; longer than ${least} mm they would bottom in the pad` : ''}.`
  return {
    ...plain(
      'bolt-length',
      'Bolts long enough',
      none ? 'tight' : 'holds',
      none ? noStock : said,
      'chapter 2.4',
    ),
    assumed: [`flange ${flange} mm thick`],
  }
}

function dewCheck(d: ThroughHullDesign): Check {
  const { surfaceC, airC, humidityPct, takenAt } = d.bedding
  if (surfaceC === null || airC === null || humidityPct <= 0)
    return unproven({
      id: 'dew-point',
      title: 'Surface fit to bond',
      unit: 'K',
      source: 'chapter 4.4',
      because: 'No reading of surface, air and humidity: take one before the bead goes on.',
    })
  const dew = surfaceWindowOf({ airC, humidityPct, surfaceC, minimumC: 5, trend: 'steady' })
  return plain(
    'dew-point',
    'Surface fit to bond',
    dew.verdict,
    `${dew.because}${takenAt ? ` As read on ${daySaid(takenAt)}.` : ''}`,
    'chapter 4.4',
  )
}

function placingCheck(placing: Question[]): Check {
  const open = unanswered(placing)
  const shape = { id: 'placing', title: 'Must it exist, and here' }
  if (!open.length)
    return plain(shape.id, shape.title, 'holds', 'Every question of the placing aid has its answer.')
  const many = open.length > 1
  const first = open.slice(0, 3).map((q) => q.title.replace('?', '').toLowerCase())
  return unproven({
    ...shape,
    unit: '',
    source: SOURCE,
    because: `${open.length} question${many ? 's' : ''} of the placing aid ${many ? 'are' : 'is'} open: ${first.join('; ')}${open.length > 3 ? ` and ${open.length - 3} more` : ''}.`,
  })
}

function taperPlugCheck(plug: NonNullable<ThroughHullDesign['taperPlug']>, log: LogLine[]): Check {
  const t = taperPlugOf(plug)
  const { pitMm, wallMm, contactPct } = plug
  const decided = standingDecision(workState(log), 'taper-plug', { pitMm, wallMm, contactPct })
  const reasoned = decided?.decision === 'recondition' && decided.reason.trim()
  const said = decided
    ? ` Decided: ${decided.decision}${decided.reason ? `, ${decided.reason}` : ''}.`
    : ' Not decided yet.'
  return plain(
    'taper-plug',
    'Taper plug',
    t.advised === 'replace' ? (reasoned ? 'tight' : 'short') : 'holds',
    `${t.because}${said}`,
  )
}

/** Plain geometry has no margin to use up: 5 mm of 5 holds, and a figure beside it would only mislead. */
const GEOMETRY = /^(total-|tail-length|hole-clearance|solid-core|wedge-|beam-tilt)/

/** What stands and what is bolted: seat, chain, handle, kick, pad, bolts. */
function built(d: ThroughHullDesign, around: ThroughHullAround, log: LogLine[]) {
  const wedges = wedgesOf(d)
  const wedge = wedges.inside ?? wedges.outside
  const stack = stackOf(d, wedges)
  const tilt = tiltOf(d, wedge)
  const standing = stack ? Math.max(0.1, stack.standingMm - stack.trimMm) : d.skin.windowMm[1]
  const joints = chainOf(d, standing)
  const obstacles = obstaclesOf(d, around)
  const clock = clockOf(d, obstacles, log)
  const kick = kickHeld(d)
  const bolts = d.family === 'welded-stub' || !(d.valve || d.plug) ? [] : boltLengths(d, { wedges, tilt })
  const lean = leanCheck(d, tilt, obstacles)
  const checks = [
    ...seatChecks(d, { stack, wedge, tilt }),
    ...(lean ? [lean] : []),
    ...chainChecks(d, joints),
    ...(clock ? clockChecks(d, clock, obstacles, log) : []),
    ...kickChecks(d, kick),
    ...padChecks(d),
    ...(bolts.length ? [boltCheck(d, bolts)] : []),
  ]
  return {
    checks,
    parts: {
      tilt,
      wedges,
      wedge,
      stack,
      joints,
      clock,
      obstacles,
      kick,
      bolts,
    },
  }
}

/** What keeps it tight: sealants, threads, the day's surface and epoxy. */
function bedded(d: ThroughHullDesign, b: ReturnType<typeof built>['parts'], launch: Launch | undefined) {
  const sealants = sealantsOf(d, b.stack)
  const threads = threadSeals(d, b.joints)
  const tight = threadVerdict(threads, d.bedding.thread)
  const pots = potsOf(d, sealants, b.wedges)
  const mixed = potCheck(pots)
  const checks = [
    ...sealants.map((s) => lateFor(sealantCheck(s), s, d, launch)),
    ...(tight
      ? [plain('sealant-thread', 'On the threads', tight.verdict, tight.because, 'chapter 5.1')]
      : []),
    dewCheck(d),
    ...(mixed ? [mixed] : []),
  ]
  return { checks, parts: { sealants, threads, pots } }
}

/**
 * Judges one fitting through the hull whole: every check of chapter 5 that applies to its family, with
 * what the map and its neighbours say.
 */
export function judgeThroughHull(
  d: ThroughHullDesign,
  around: ThroughHullAround,
  log: LogLine[] = NO_LOG,
  units: Units = 'metric',
): ThroughHullJudgement {
  const stands = built(d, around, log)
  const material = metalChecks(d, around)
  const life = anodeOf(d)
  // What was bedded before is not mixed today: its day is in the log.
  const launch = workState(log).ticks.bed ? undefined : around.launch
  const bed = bedded(d, stands.parts, launch)
  const tiltElement = elementOf(d, around)
  const drain = drainOf(d)
  const placing = placingOf(d, around, stands.parts.clock?.sweepFree ?? null, units)
  const checks = [
    ...stands.checks,
    ...material.checks,
    ...bondingChecks(d, { needsBond: material.needsBond, life }, log),
    ...bed.checks,
    ...waterChecks(d, { tiltElement, drain }),
    placingCheck(placing),
    ...foundChecks(FINDINGS, d.findings, SOURCE, RISK_SAID),
    ...(d.taperPlug ? [taperPlugCheck(d.taperPlug, log)] : []),
  ].map((c) => (GEOMETRY.test(c.id) ? { ...c, utilisation: null } : c))
  return {
    verdict: worstVerdict(checks.map((c) => c.verdict)),
    governing: governing(checks)?.id ?? null,
    checks,
    counts: tallyOf(checks),
    ...stands.parts,
    metals: material.lines,
    anode: life ? { massKg: life.massKg!, pieces: life.pieces ?? null, because: life.because! } : null,
    ...bed.parts,
    placing,
    tiltElement,
    drain,
  }
}

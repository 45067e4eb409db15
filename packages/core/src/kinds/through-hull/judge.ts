import { answerOf } from '../../base/calculator/calculator'
import { surfaceWindowOf } from '../../chapters/bedding/surface-window'
import { anodeLife } from '../../chapters/galvanic/anode-life'
import { cockpitDrain } from '../../chapters/hull/cockpit-drain'
import { seacockLoad } from '../../chapters/hull/seacock-load'
import { throughHullStack } from '../../chapters/hull/through-hull-stack'
import { transducerTilt } from '../../chapters/hull/transducer-tilt'
import { valveClocking } from '../../chapters/hull/valve-clocking'
import { wedgeBlock } from '../../chapters/hull/wedge-block'
import type { Units } from '../../base/quantity/format'
import {
  check,
  governing,
  say,
  sentence,
  unproven,
  worstVerdict,
  type Check,
  type Verdict,
} from '../../base/verdict/check'
import { potCheck, potsOf, sealantCheck, sealantsOf, type Bedded, type Pots } from './bed'
import { FLANGE_THICK_MM, boltLengths, boltsSaid, type BoltGroup } from './bolts'
import { chainChecks, chainOf, type Joint } from './chain'
import { THROUGH_HULL_FAMILY } from './families'
import { foundChecks } from '../findings'
import { FINDINGS, RISK_SAID, taperPlugOf } from './findings'
import { metalChecks, type MetalLine } from './metals'
import { mapObstacles, neighbourObstacles, type Obstacle } from './obstacles'
import { BOND_OHM } from '../gates'
import { attempt } from '../remedies'
import { tallyOf } from '../tally'
import { lastReading, standingDecision, workState, type LogLine } from '../work'
import { plain } from './plain'
import { aheadOf, placingOf, unanswered, type ThroughHullAround, type Question } from './placing'
import type { ThroughHullDesign } from './design'
import { threadSeals, threadVerdict, type ThreadSeal } from './threads'

type Out<C> = C extends { run: (v: never) => infer O } ? O : never
export type Stack = Out<typeof throughHullStack>
export type Wedge = Out<typeof wedgeBlock>
export type Clocked = Out<typeof valveClocking>
export type Kick = Out<typeof seacockLoad>
export interface ThroughHullJudgement {
  verdict: Verdict
  governing: string | null
  checks: Check[]
  counts: Record<Verdict, number>
  tilt: { deg: number; azimuthDeg: number }
  /** a block each side where both faces are to be parallel; each as wide as what stands on it */
  wedges: { outside: Wedge | null; inside: Wedge | null }
  /** whichever block there is, for the angles */
  wedge: Wedge | null
  stack: Stack | null
  joints: Joint[]
  clock: Clocked | null
  /** everything in the handle's plane, the neighbours' handles too */
  obstacles: Obstacle[]
  kick: Kick | null
  kickSchools: {
    method: 'through' | 'insert' | 'nut'
    verdict: Verdict
    utilisation: number | null
    governing: string
  }[]
  metals: MetalLine[]
  threads: ThreadSeal[]
  /** how long the bolts are, those of one length together */
  bolts: BoltGroup[]
  anode: { massKg: number; pieces: number | null; because: string } | null
  sealants: Bedded[]
  pots: Pots
  placing: Question[]
  tiltElement: Out<typeof transducerTilt> | null
  drain: Out<typeof cockpitDrain> | null
}

const SOURCE = 'chapter 5'
const NO_LOG: LogLine[] = []
const SEAT_DEG = 3
/**
 * Secondary bond on ground, clean laminate (8.1): what stands in a design until somebody has pulled a
 * sample.
 */
const TYPICAL_BOND_MPA = 12
const SUCTION_MS = 1.5
const DISCHARGE_MS = 2.5
const STRAINER_MS = 0.6

/** Which way the wedges make the hull thicker along the bore, and how thick the whole pack is. */
function wedgesOf(d: ThroughHullDesign): ThroughHullJudgement['wedges'] {
  const make = (blocks: 'inside' | 'outside', baseMm: number, marginMm: number) =>
    (d.wedge.blocks !== 'both' && d.wedge.blocks !== blocks) ||
    (d.hull.deadriseDeg === 0 && d.hull.slopeDeg === 0)
      ? null
      : answerOf(wedgeBlock, {
          deadriseDeg: d.hull.deadriseDeg,
          slopeDeg: d.hull.slopeDeg,
          baseMm,
          thinMm: d.wedge.thinMm,
          holeMm: d.boredMm ?? d.skin.holeMm,
          hullMm: d.hull.thicknessMm,
          marginMm,
          blocks,
        })
  // The block inside carries the pad, or the flange with its margin.
  return {
    outside: make('outside', d.skin.flangeMm, d.wedge.marginMm),
    inside: make(
      'inside',
      Math.max(baseOf(d), (d.pad?.diameterMm ?? 0) - 2 * d.wedge.marginMm),
      d.wedge.marginMm,
    ),
  }
}
const meanOf = (w: Wedge | null) => (w ? (w.thinMm + w.thickMm) / 2 : 0)
/** What sits on the block: the seacock's flange or the pad, whichever is wider. */
export const baseOf = (d: ThroughHullDesign) =>
  Math.max(d.valve && d.valve.kind !== 'screwed' ? d.valve.flangeMm : 0, d.skin.flangeMm)
/** No figure has been given and none measured: the zero that stands there says nothing. */
export const slopeUnknown = (d: ThroughHullDesign) =>
  d.hull.angleUnknown === true && !d.hull.angleMeasured && d.hull.deadriseDeg === 0
/** A plumb fitting stands on wedges; without, it is square to the hull and leans with it. */
export const plumb = (d: ThroughHullDesign) => d.wedge.blocks !== 'none'

function stackOf(d: ThroughHullDesign, wedges: ThroughHullJudgement['wedges']): Stack | null {
  if (!THROUGH_HULL_FAMILY[d.family].stack) return null
  const s = d.skin
  const wedge = wedges.inside ?? wedges.outside
  const blocks = meanOf(wedges.inside) + meanOf(wedges.outside)
  return answerOf(throughHullStack, {
    hullMm: wedge?.hullBoreMm ?? d.hull.thicknessMm,
    padMm: (d.pad?.thicknessMm ?? 0) + blocks,
    beddingMm: d.beddingMm,
    ...(d.boredMm === null ? {} : { holeMm: d.boredMm }),
    ...(d.hull.kind === 'cored' ? { solidDiameterMm: d.hull.solidMm ?? 0.001 } : {}),
    fitting: {
      tailMm: s.tailMm,
      ...(s.tailOdMm === null ? {} : { tailOdMm: s.tailOdMm }),
      holeMm: s.holeMm,
      flangeMm: s.flangeMm,
      leastTotalMm: s.leastTotalMm,
      ...(s.greatestTotalMm === null ? {} : { greatestTotalMm: s.greatestTotalMm }),
      windowMm: s.windowMm,
      nutMm: s.nutMm,
      collarMm: s.collarMm,
    },
  })
}

function kickOf(d: ThroughHullDesign, method: 'through' | 'insert' | 'nut'): Kick | null {
  if (!d.valve) return null
  const v = d.valve
  const common = { heightMm: v.heightMm, method, duty: d.duty }
  if (method === 'nut')
    return d.skin.rootMm && d.skin.rootMm > d.skin.boreMm
      ? answerOf(seacockLoad, {
          ...common,
          tail: { outerMm: d.skin.rootMm, boreMm: Math.max(1, d.skin.boreMm), yieldMPa: d.skin.yieldMPa },
        })
      : null
  if (!d.pad || v.boltCircleMm === null || v.boltCircleMm >= v.flangeMm) return null
  // A wedge under the pad carries with it, at its thin side.
  const padMm =
    d.pad.thicknessMm + (d.wedge.blocks === 'inside' || d.wedge.blocks === 'both' ? d.wedge.thinMm : 0)
  const flange = {
    flangeMm: v.flangeMm,
    boltCircleMm: v.boltCircleMm,
    bolts: d.hold.bolts,
    size: d.hold.size,
    grade: d.hold.grade,
    padMm,
  }
  if (method === 'through') return answerOf(seacockLoad, { ...common, ...flange, hullMm: d.hull.thicknessMm })
  return answerOf(seacockLoad, {
    ...common,
    ...flange,
    padDiameterMm: d.pad.diameterMm,
    bondMPa: d.pad.bondMPa,
    ...(d.hold.insertMm === null ? {} : { insertMm: d.hold.insertMm }),
    ...(d.hold.engagedMm === null ? {} : { engagedMm: Math.min(d.hold.engagedMm, padMm) }),
  })
}
const METHOD_TITLE = {
  through: 'bolts through the hull',
  insert: 'bolts into the pad',
  nut: 'nut only',
} as const
export { METHOD_TITLE }

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
  const info = THROUGH_HULL_FAMILY[d.family]
  const checks: Check[] = []
  const wedges = wedgesOf(d)
  const wedge = wedges.inside ?? wedges.outside
  const stack = stackOf(d, wedges)
  const tiltDeg =
    wedge?.tiltDeg ??
    (Math.atan(
      Math.hypot(Math.tan((d.hull.deadriseDeg * Math.PI) / 180), Math.tan((d.hull.slopeDeg * Math.PI) / 180)),
    ) *
      180) /
      Math.PI
  const azimuthDeg =
    wedge?.azimuthDeg ??
    (Math.atan2(Math.tan((d.hull.slopeDeg * Math.PI) / 180), Math.tan((d.hull.deadriseDeg * Math.PI) / 180)) *
      180) /
      Math.PI
  const leans = [
    ...(d.hull.measured ? [] : ['hull thickness']),
    ...(d.hull.angleMeasured ? [] : ['deadrise']),
  ]
  const estimated = (c: Check): Check => (leans.length ? { ...c, assumed: [...c.assumed, ...leans] } : c)

  if (stack)
    for (const c of stack.checks)
      checks.push(
        estimated(
          c.id === 'solid-core' && d.hull.solidMm === null
            ? {
                ...c,
                demand: c.demand,
                capacity: null,
                utilisation: null,
                because: `The bottom is cored: make it solid over ${say(1.5 * d.skin.flangeMm)} mm round the hole before anything else, tapered 12:1.`,
              }
            : c,
        ),
      )
  if (wedge) for (const c of wedge.checks) checks.push(estimated({ ...c, id: `wedge-${c.id}` }))
  if (info.stack && slopeUnknown(d))
    checks.push(
      plain(
        'slope',
        'How the hull slopes',
        'unproven',
        'Nobody has said how the hull slopes here, and 0\u00b0 would be a guess: wedges, seat and thickness along the bore lean on it. Give the deadrise of the zone, lay a level on it, or say that it is measured level.',
        'chapter 5.5',
      ),
    )
  if (
    d.family !== 'welded-stub' &&
    tiltDeg > SEAT_DEG &&
    (d.wedge.blocks === 'inside' || d.wedge.blocks === 'outside')
  )
    checks.push(
      plain(
        'seat',
        'Faces parallel',
        'short',
        `Only the ${d.wedge.blocks === 'inside' ? 'nut' : 'head'} stands on a wedge: the ${d.wedge.blocks === 'inside' ? 'head outside' : 'nut inside'} bears on one edge at ${say(tiltDeg)}\u00b0. A block each side, or square to the hull.`,
        'chapter 5.5',
      ),
    )

  const standing = stack ? Math.max(0.1, stack.standingMm - stack.trimMm) : d.skin.windowMm[1]
  const joints = chainOf(d, standing)
  checks.push(...chainChecks(d, joints))

  const obstacles = [
    ...d.clock.obstacles,
    ...mapObstacles(d, around.parts).filter((o) => !d.clock.ignored.includes(o.what)),
    ...neighbourObstacles(d, around),
  ]
  const clock =
    d.valve && info.valve
      ? answerOf(valveClocking, {
          measuredDeg: d.clock.measuredDeg ?? d.clock.wantedDeg,
          wantedDeg: d.clock.wantedDeg,
          toleranceDeg: d.clock.toleranceDeg,
          flangeMm: d.skin.flangeMm,
          pitchMm: d.skin.thread
            ? 25.4 /
              (d.skin.thread.size === '1/2' || d.skin.thread.size === '3/4'
                ? 14
                : d.skin.thread.family.startsWith('np')
                  ? 11.5
                  : 11)
            : 2.31,
          handleMm: d.valve.handleMm,
          handle: d.valve.handle,
          ...(d.valve.kind === 'screwed'
            ? { base: 'screw' as const }
            : { base: 'flange' as const, bolts: Math.max(3, d.hold.bolts) }),
          sweepDeg: d.valve.sweepDeg,
          obstacles: obstacles.map(({ x1Mm, y1Mm, x2Mm, y2Mm }) => ({ x1Mm, y1Mm, x2Mm, y2Mm })),
        })
      : null
  if (clock) {
    checks.push(
      plain(
        'handle-swing',
        'Handle swings free',
        clock.sweepFree ? 'holds' : 'short',
        clock.sweepFree
          ? `Open at ${say(d.clock.wantedDeg)}\u00b0 it swings ${say(Math.abs(d.valve!.sweepDeg))}\u00b0 to shut with 15 mm for the fingers.`
          : clock.bestDeg === null
            ? 'There is no direction in which it swings free: another place, a shorter handle or a tee.'
            : `Something stands in its way; ${say(clock.bestDeg)}\u00b0 is the nearest that is free.`,
        'chapter 5.4',
      ),
    )
    checks.push(clockedCheck(d, clock))
  }

  const kick = d.valve ? attempt(() => kickOf(d, d.hold.method)) : null
  if (d.valve && info.valve && d.family !== 'welded-stub') {
    if (kick)
      for (const c of kick.checks)
        checks.push(
          estimated({
            ...c,
            ...(c.id.startsWith('bond') && d.pad?.bondMPa === TYPICAL_BOND_MPA
              ? { assumed: [...c.assumed, 'strength of the pad\u2019s bond'] }
              : {}),
            id: `kick-${c.id}`,
            title: `Kick: ${c.title[0]!.toLowerCase()}${c.title.slice(1)}`,
          }),
        )
    else
      checks.push(
        unproven({
          id: 'kick',
          title: 'Will it take a kick',
          unit: '',
          source: 'chapter 5.6',
          because:
            d.hold.method === 'nut'
              ? 'The tail\u2019s thread root is not given.'
              : 'A flange with its bolt circle and a pad under it are needed for this.',
        }),
      )
  }
  const kickSchools =
    d.valve && d.family !== 'welded-stub'
      ? (['through', 'insert', 'nut'] as const).flatMap((method) => {
          const k = method === d.hold.method ? kick : attempt(() => kickOf(d, method))
          if (!k) return []
          const top = k.checks.reduce((a, b) => ((b.utilisation ?? 0) > (a.utilisation ?? 0) ? b : a))
          return [{ method, verdict: k.verdict, utilisation: top.utilisation, governing: top.title }]
        })
      : []
  if (d.pad && d.valve && d.valve.kind !== 'screwed' && d.pad.diameterMm < d.valve.flangeMm)
    checks.push(
      plain(
        'pad-size',
        'Pad larger than the flange',
        'short',
        `The pad is ${say(d.pad.diameterMm)} mm across and the flange ${say(d.valve.flangeMm)} mm.`,
        'chapter 5.6',
      ),
    )
  if (d.pad?.material === 'plywood' && d.place.zMm < 0)
    checks.push(
      plain(
        'pad-material',
        'Pad that cannot go soft',
        'short',
        'Plywood under the waterline goes soft the day its coating is broken: epoxy-glass.',
        'chapter 5',
      ),
    )

  const bolts =
    d.family === 'welded-stub' || !(d.valve || d.plug)
      ? []
      : boltLengths(d, { wedges, tilt: { deg: tiltDeg, azimuthDeg } })
  if (bolts.length) {
    const flange = d.valve ? FLANGE_THICK_MM.valve : FLANGE_THICK_MM.plug
    const none = bolts.some((b) => b.lengthMm === null)
    checks.push({
      ...plain(
        'bolt-length',
        'Bolts long enough',
        none ? 'tight' : 'holds',
        none
          ? d.hold.method === 'through'
            ? `No bolt of the stock lengths reaches ${say(Math.max(...bolts.map((b) => b.requiredMm)))} mm: threaded rod of the same grade, or a thinner pack.`
            : `No bolt of the stock lengths is as short as ${say(bolts[0]!.requiredMm)} mm: cut one, or a thicker pad.`
          : `${boltsSaid(d, bolts, (v) => `${say(v)} mm`)}${d.hold.method === 'insert' ? `; longer than ${say(bolts[0]!.requiredMm)} mm they would bottom in the pad` : ''}.`,
        'chapter 2.4',
      ),
      assumed: [`flange ${flange} mm thick`],
    })
  }
  const material = metalChecks(d, around)
  checks.push(...material.checks)
  const bond = lastReading(log, 'bond')
  if (material.needsBond)
    checks.push(
      bond
        ? check({
            id: 'bond-path',
            title: 'Bond path to the anode',
            unit: 'ohm',
            source: 'chapter 7.2',
            demand: bond.value!,
            capacity: BOND_OHM,
            verdict: bond.value! <= BOND_OHM + 1e-9 ? 'holds' : 'short',
            because: `${say(bond.value!)} \u03a9 by meter, ${bond.at.slice(0, 10)}; up to ${BOND_OHM} \u03a9 counts as bonded.`,
          })
        : unproven({
            id: 'bond-path',
            title: 'Bond path to the anode',
            unit: 'ohm',
            source: 'chapter 7.2',
            because: 'Bonded, and no meter has been on it: take a reading from fitting to anode.',
          }),
    )
  const a = d.metals.anode
  const life = a
    ? answerOf(anodeLife, {
        water: d.metals.water,
        alloy: a.alloy,
        items: [{ areaM2: a.wettedM2, finish: a.finish }],
        years: a.years,
        pieceKg: a.pieceKg,
      })
    : null
  if (life) checks.push(plain('anode', 'Anode for this water', life.verdict!, life.because!, 'chapter 7.2'))
  if (d.family === 'anode-stud' && d.stud) {
    const bad = [
      d.stud.wired ? '' : 'not wired to what it protects',
      d.stud.clearOfBilge ? '' : 'in standing bilge water',
      d.stud.spannerRoom ? '' : 'no room for a spanner',
    ].filter(Boolean)
    checks.push(
      plain(
        'stud',
        'Stud where it serves',
        bad.length ? (d.stud.wired ? 'tight' : 'short') : 'holds',
        bad.length
          ? `${sentence(bad.join(', '))}.`
          : `Near what it protects${d.stud.protects ? ` (${d.stud.protects})` : ''}, wired, dry inside, room for a spanner.`,
        'chapter 5.9',
      ),
    )
  }

  const sealants = sealantsOf(d, stack)
  for (const s of sealants) checks.push(sealantCheck(s))
  const threads = threadSeals(d, joints)
  const tight = threadVerdict(threads, d.bedding.thread)
  if (tight)
    checks.push(plain('sealant-thread', 'On the threads', tight.verdict, tight.because, 'chapter 5.1'))
  const dew =
    d.bedding.surfaceC === null || d.bedding.airC === null || d.bedding.humidityPct <= 0
      ? null
      : surfaceWindowOf({
          airC: d.bedding.airC,
          humidityPct: d.bedding.humidityPct,
          surfaceC: d.bedding.surfaceC,
          minimumC: 5,
          trend: 'steady',
        })
  checks.push(
    dew
      ? plain(
          'dew-point',
          'Surface fit to bond',
          dew.verdict,
          `${dew.because}${d.bedding.takenAt ? ` As read on ${d.bedding.takenAt.slice(0, 10)}.` : ''}`,
          'chapter 4.4',
        )
      : unproven({
          id: 'dew-point',
          title: 'Surface fit to bond',
          unit: 'K',
          source: 'chapter 4.4',
          because: 'No reading of surface, air and humidity: take one before the bead goes on.',
        }),
  )
  const pots = potsOf(d, sealants, wedges)
  const mixed = potCheck(pots)
  if (mixed) checks.push(mixed)

  if (d.flowLpm !== null && d.skin.boreMm > 0) {
    const bore = Math.min(d.skin.boreMm, d.tail?.boreMm ?? Infinity, d.valve?.boreMm ?? Infinity)
    const v = d.flowLpm / 60000 / ((Math.PI / 4) * (bore / 1000) ** 2)
    const limit =
      d.use.endsWith('intake') || d.use === 'deck-wash' || d.use === 'galley' ? SUCTION_MS : DISCHARGE_MS
    checks.push(
      check({
        id: 'bore',
        title: 'Bore for the flow',
        unit: 'm/s',
        source: 'chapter 5.8',
        demand: v,
        capacity: limit,
        because: `${say(d.flowLpm)} L/min through ${say(bore)} mm, the narrowest of the train, run at ${say(v)} m/s; ${limit} m/s is the most. ${say(Math.sqrt((4 * d.flowLpm) / 60000 / (Math.PI * limit)) * 1000)} mm would do.`,
      }),
    )
  }
  if (d.chest) {
    const all = d.chest.users.reduce((t, u) => t + u.flowLpm, 0) / 60000
    const bore = (Math.PI / 4) * (Math.min(d.skin.boreMm, d.valve?.boreMm ?? Infinity) / 1000) ** 2
    if (all > 0) {
      checks.push(
        check({
          id: 'chest-bore',
          title: 'Chest feeds all its users',
          unit: 'm/s',
          source: 'chapter 5.8',
          demand: all / bore,
          capacity: SUCTION_MS,
          because: `${d.chest.users.map((u) => u.name).join(', ')} draw ${say(all * 60000)} L/min together: ${say(all / bore)} m/s through the bore; ${SUCTION_MS} m/s is the most.`,
        }),
      )
      // Half a strainer is weed and shell before anybody looks at it.
      checks.push({
        ...check({
          id: 'chest-strainer',
          title: 'Strainer open enough',
          unit: 'm/s',
          source: 'chapter 5.8',
          demand: all / (0.5 * d.chest.openMm2 * 1e-6),
          capacity: STRAINER_MS,
          because: `With half of its ${say(d.chest.openMm2)} mm\u00b2 grown over the slots run at ${say(all / (0.5 * d.chest.openMm2 * 1e-6))} m/s; ${STRAINER_MS} m/s is typical, or it draws in weed.`,
        }),
        assumed: ['half of the strainer grown over'],
      })
    }
  }
  const tiltElement = d.transducer
    ? answerOf(transducerTilt, {
        deadriseDeg: plumb(d) ? 0 : Math.min(59.9, d.hull.deadriseDeg),
        tiltsDeg: d.transducer.tiltsDeg,
        waterDepthM: d.transducer.waterDepthM,
        ahead: aheadOf(d, around).map(({ distanceMm, heightMm }) => ({ distanceMm, heightMm })),
      })
    : null
  if (tiltElement)
    for (const c of tiltElement.checks)
      checks.push(
        d.hull.angleMeasured
          ? { ...c, id: `beam-${c.id}` }
          : { ...c, id: `beam-${c.id}`, assumed: [...c.assumed, 'deadrise'] },
      )
  const drain = d.drain
    ? answerOf(cockpitDrain, {
        ...d.drain,
        drainMm: Math.max(1, Math.min(d.skin.boreMm, d.tail?.boreMm ?? Infinity)),
      })
    : null
  if (drain) checks.push(...drain.checks)
  if (d.plug) {
    const p = d.plug
    checks.push(
      plain(
        'plug-held',
        'Through-bolted to a block',
        p.throughBolted && p.block ? 'holds' : 'short',
        p.throughBolted
          ? p.block
            ? 'Through-bolted to a backing block.'
            : 'Through-bolted, but on bare hull: a block behind it.'
          : 'Short screws let go at the first knock: through-bolt it to a block.',
        'chapter 5.9',
      ),
    )
    if (p.grounds)
      checks.push(
        plain(
          'plug-flush',
          'Flush where it grounds',
          p.flush ? 'holds' : 'short',
          p.flush ? 'Flush.' : 'She takes the ground here and it stands proud.',
          'chapter 5.9',
        ),
      )
  }
  const placing = placingOf(d, around, clock?.sweepFree ?? null, units)
  const open = unanswered(placing)
  checks.push(
    open.length
      ? unproven({
          id: 'placing',
          title: 'Must it exist, and here',
          unit: '',
          source: SOURCE,
          because: `${open.length} question${open.length > 1 ? 's' : ''} of the placing aid ${open.length > 1 ? 'are' : 'is'} open: ${open
            .slice(0, 3)
            .map((q) => q.title.replace('?', '').toLowerCase())
            .join('; ')}${open.length > 3 ? ` and ${open.length - 3} more` : ''}.`,
        })
      : plain(
          'placing',
          'Must it exist, and here',
          'holds',
          'Every question of the placing aid has its answer.',
        ),
  )
  checks.push(...foundChecks(FINDINGS, d.findings, SOURCE, RISK_SAID))
  if (d.taperPlug) {
    const t = taperPlugOf(d.taperPlug)
    const { pitMm, wallMm, contactPct } = d.taperPlug
    const decided = standingDecision(workState(log), 'taper-plug', { pitMm, wallMm, contactPct })
    checks.push(
      plain(
        'taper-plug',
        'Taper plug',
        t.advised === 'replace'
          ? decided?.decision === 'recondition' && decided.reason.trim()
            ? 'tight'
            : 'short'
          : 'holds',
        `${t.because}${decided ? ` Decided: ${decided.decision}${decided.reason ? `, ${decided.reason}` : ''}.` : ' Not decided yet.'}`,
      ),
    )
  }

  // Plain geometry has no margin to use up: 5 mm of 5 holds, and a figure beside it would only mislead.
  for (const c of checks)
    if (/^(total-|tail-length|hole-clearance|solid-core|wedge-|beam-tilt)/.test(c.id)) c.utilisation = null
  return {
    verdict: worstVerdict(checks.map((c) => c.verdict)),
    governing: governing(checks)?.id ?? null,
    checks,
    counts: tallyOf(checks),
    tilt: { deg: tiltDeg, azimuthDeg },
    wedges,
    wedge,
    stack,
    joints,
    clock,
    obstacles,
    kick,
    kickSchools,
    metals: material.lines,
    threads,
    bolts,
    anode: life ? { massKg: life.massKg!, pieces: life.pieces ?? null, because: life.because! } : null,
    sealants,
    pots,
    placing,
    tiltElement,
    drain,
  }
}
const COUNTED = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
]
/** As many as it has bolts. */
export const positionsSaid = (clock: Clocked) =>
  `${COUNTED[clock.positions.length] ?? clock.positions.length} positions`
/**
 * Whether the handle ends up where it is wanted. A flange is turned by its bolt holes first; only what is
 * left then matters.
 */
function clockedCheck(d: ThroughHullDesign, clock: Clocked): Check {
  const title = 'Handle where it is wanted'
  if (d.clock.measuredDeg === null)
    return unproven({
      id: 'clocked',
      title,
      unit: 'deg',
      source: 'chapter 5.4',
      because: 'Where the handle points, dry fitted, has not been measured.',
    })
  const said = (verdict: Verdict, because: string) => plain('clocked', title, verdict, because, 'chapter 5.4')
  if (!clock.needed) return said('holds', 'It stops within the tolerance of where it is wanted.')
  if (d.valve!.kind === 'screwed')
    return said(
      'tight',
      `Turn the skin fitting ${say(Math.abs(clock.rotateDeg))}\u00b0 ${clock.directionInside === 'ccw' ? 'counter-clockwise' : 'clockwise'} seen from inside before it is bonded: ${say(clock.rimArcMm)} mm on the flange\u2019s rim, the other way round outside. Or a shim of ${say(clock.shimMm)} mm.`,
    )
  if (clock.bestDeg === null)
    return said(
      'short',
      `The flange goes on in ${positionsSaid(clock)}, and in none of them does the handle swing free.`,
    )
  const off = offDeg(clock.bestDeg, d.clock.wantedDeg)
  return off <= d.clock.toleranceDeg + 1e-9
    ? said(
        'holds',
        `The flange goes on in ${positionsSaid(clock)}; at ${say(clock.bestDeg)}\u00b0 it is within the tolerance of where it is wanted.`,
      )
    : said(
        'tight',
        `The flange goes on in ${positionsSaid(clock)}; ${say(clock.bestDeg)}\u00b0 is the nearest free one, ${say(off)}\u00b0 off.`,
      )
}
/** How far apart two azimuths are, 0 to 180. */
export const offDeg = (a: number, b: number) => Math.abs(((((a - b) % 360) + 540) % 360) - 180)
/** A school that cannot be asked with these figures is left out, not an error of the whole. */

import type { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError, invalid } from '../../base/errors'
import { CORES } from '../../base/materials/cores'
import { GRADES, SIZES } from '../../base/materials/fasteners'
import {
  check,
  governing,
  say,
  step,
  unproven,
  worstVerdict,
  type Check,
  type Verdict,
  type Working,
} from '../../base/verdict/check'
import { factorsFor, type FactorKind } from '../../base/verdict/factors'
import { galls } from './fastener'
import { input, output, type Input, type Of } from './tapped-shape'
import { HOSTS, type Host } from './thread-hosts'
import { nutFactor } from './tightening'

/** Filled epoxy round a captive nut, MPa. */
const EPOXY = { shearMPa: 25, bearingMPa: 70, wallMPa: 12 }
/** Tolerances and a tap that has worked leave this much of the nominal thread. */
const THREAD_PART = 0.8
const SHEAR_OF_YIELD = 0.577
const TWIST = 1.25
const SNUG = 0.4
const SOURCE = 'chapter 18.5'

/** What holds the bolt, and how well; the forces of it count for what it holds. */
interface Hold {
  holding: Check[]
  beside: Check[]
  /** what the edge distance goes by, and how many times it */
  edge: { D: number; least: number; wished: number }
  turns: number | null
  neededMm: number | null
  fullMm: number | null
  plastic: boolean
  assumed: string[]
  working: Working
}
type Factors = Record<FactorKind, number>
const force = (
  id: string,
  title: string,
  demand: number,
  capacity: number,
  f: number,
  where: string,
): Check =>
  check({
    id,
    title,
    unit: 'N',
    source: SOURCE,
    demand,
    capacity,
    factor: f,
    because: `${say(demand)} N pull; ${where} holds ${say(capacity)} N and the factor is ${say(f)}.`,
  })
const bearing = (v: { shearN: number }, host: Host, D: number, L: number, f: Factors): Check =>
  check({
    id: 'bearing',
    title: 'Bearing on the wall of the hole',
    unit: 'MPa',
    source: SOURCE,
    demand: v.shearN / (D * L),
    capacity: host.bearingMPa,
    factor: f[host.factor],
    because: `${say(v.shearN)} N on ${say(D)} \u00d7 ${say(L)} mm of ${host.title}; it bears ${say(host.bearingMPa)} MPa.`,
  })

function engagementOf(v: Of<'tapped'>, pitchMm: number): number {
  const engaged = v.engagedMm ?? v.plate.thicknessMm
  if (engaged <= pitchMm)
    throw invalid(
      'engagedMm',
      `${say(engaged)} mm is no more than one turn of ${v.size}; over ${say(pitchMm)} mm are needed`,
    )
  if (engaged > v.plate.thicknessMm)
    throw invalid(
      'engagedMm',
      `${say(engaged)} was given; the plate is ${say(v.plate.thicknessMm)} mm thick, and no more can be engaged`,
    )
  return engaged
}
function tapOf(v: Of<'tapped'>): number {
  const { diameterMm: d, pitchMm: p, tapDrillMm } = SIZES[v.size]!
  const tap = v.tapMm ?? tapDrillMm
  const [least, most] = [d - 1.09 * p, d - 0.7 * p]
  if (tap < least - 1e-9 || tap > most + 1e-9)
    throw invalid(
      'tapMm',
      `${say(tap)} was given; ${say(least)} to ${say(most)} mm is accepted for ${v.size}`,
    )
  return tap
}
const lastingPart = (v: { lasting: boolean }, host: Host) => (v.lasting && host.plastic ? 0.5 : 1)

/** Both threads by the area that shears off over the engaged turns, less one: its ends carry nothing. */
function tapped(v: Of<'tapped'>, f: Factors): Hold {
  const { diameterMm: d, pitchMm: p, stressAreaMm2 } = SIZES[v.size]!
  const host = HOSTS[v.plate.material]
  const Rp = GRADES[v.grade].proofMPa
  const engaged = engagementOf(v, p)
  const K = tapOf(v)
  const Le = engaged - p
  const d2 = d - 0.649519 * p
  const perMm = {
    plate: THREAD_PART * Math.PI * d * (1 / p) * (p / 2 + (d - d2) / Math.sqrt(3)),
    bolt: THREAD_PART * Math.PI * K * (1 / p) * (p / 2 + (d2 - K) / Math.sqrt(3)),
  }
  const tau = (v.plate.shearMPa ?? host.shearMPa) * lastingPart(v, host)
  const [inPlate, inBolt] = [tau * perMm.plate, SHEAR_OF_YIELD * Rp * perMm.bolt]
  const turns = engaged / p
  const verdict: Verdict = turns < 3 - 1e-9 ? 'short' : turns < 4 - 1e-9 ? 'tight' : 'holds'
  const whole = (stressAreaMm2 * Rp) / f.metal
  return {
    holding: [
      force('strip-plate', 'Thread of the plate', v.tensionN, inPlate * Le, f[host.factor], host.title),
      force('strip-bolt', 'Thread of the bolt', v.tensionN, inBolt * Le, f.metal, 'its thread'),
    ],
    beside: [
      check({
        id: 'turns',
        title: 'Turns engaged',
        unit: '',
        source: SOURCE,
        demand: 3,
        capacity: turns,
        verdict,
        because: `${say(turns)} turns are engaged; three are the least, four are wished.`,
      }),
      bearing(v, host, d, engaged, f),
    ],
    edge: { D: d, least: host.edge[0], wished: host.edge[1] },
    turns,
    neededMm: p + Math.max((v.tensionN * f[host.factor]) / inPlate, (v.tensionN * f.metal) / inBolt),
    fullMm: p + Math.max((whole * f[host.factor]) / inPlate, (whole * f.metal) / inBolt),
    plastic: host.plastic,
    assumed: [...(v.plate.shearMPa === undefined ? ['plate.shearMPa'] : []), 'bearingMPa'],
    working: [
      step('Le', 'turns that carry', 'engaged \u2212 p', Le, 'mm'),
      step('d2', 'pitch diameter', 'd \u2212 0.649519\u00b7p', d2, 'mm'),
      step('An', 'shear area in the plate', '', perMm.plate * Le, 'mm\u00b2'),
      step('Ab', 'shear area on the bolt', '', perMm.bolt * Le, 'mm\u00b2'),
    ],
  }
}

function inserted(v: Of<'press-in'> | Of<'bonded'>, f: Factors): Hold {
  const host: Host = HOSTS[v.plate.material]
  const { diameterMm: d } = SIZES[v.size]!
  const bonded = v.kind === 'bonded'
  const table = bonded ? host.bondedMPa : host.pressedMPa
  if (table === null)
    throw invalid('plate.material', `Nothing is pressed into ${host.title}; tap it, or bond the insert`)
  if (v.insertMm <= d)
    throw invalid('insertMm', `${say(v.insertMm)} was given; over ${say(d)} mm is accepted`)
  const L = v.lengthMm ?? v.plate.thicknessMm
  if (L > v.plate.thicknessMm)
    throw invalid('lengthMm', `${say(L)} was given; the plate is ${say(v.plate.thicknessMm)} mm thick`)
  const shear = (v.pullMPa ?? table) * lastingPart(v, host)
  const capacity = shear * Math.PI * v.insertMm * L
  return {
    holding: [
      force(
        'insert-pull',
        'Insert pulled out',
        v.tensionN,
        capacity,
        bonded ? f.bond : f[host.factor],
        bonded ? 'its bond' : host.title,
      ),
    ],
    beside: [bearing(v, host, v.insertMm, L, f)],
    edge: { D: v.insertMm, least: host.edge[0], wished: host.edge[1] },
    turns: null,
    neededMm: null,
    fullMm: null,
    plastic: host.plastic,
    assumed: [...(v.pullMPa === undefined ? ['pullMPa'] : []), 'bearingMPa'],
    working: [step('P', 'what holds the insert', '\u03c4\u00b7\u03c0\u00b7D\u00b7L', capacity, 'N')],
  }
}

function captive(v: Of<'nut-in-epoxy'>, f: Factors): Hold {
  const { diameterMm: d, clearanceMm: h } = SIZES[v.size]!
  const s = v.nutMm ?? 1.6 * d
  if (s <= d || s <= h)
    throw invalid('nutMm', `${say(s)} was given; a nut wider than its hole of ${say(h)} mm is accepted`)
  if (v.plugMm <= s)
    throw invalid(
      'plugMm',
      `${say(v.plugMm)} was given; a plug wider than the nut, ${say(s)} mm, is accepted`,
    )
  const wall =
    v.wall === 'laminate'
      ? { MPa: EPOXY.wallMPa, factor: f.bond, said: 'its bond to the laminate' }
      : { MPa: Math.min(EPOXY.wallMPa, CORES[v.wall].shearMPa), factor: f.core, said: CORES[v.wall].title }
  const T = v.tensionN
  const faceMm2 = (Math.PI / 4) * (s ** 2 - h ** 2)
  return {
    holding: [
      force(
        'nut-punch',
        'Nut punched through its cover',
        T,
        EPOXY.shearMPa * Math.PI * s * v.coverMm,
        f.core,
        'the epoxy over it',
      ),
      force(
        'nut-bearing',
        'Nut pressed into the epoxy',
        T,
        EPOXY.bearingMPa * faceMm2,
        f.core,
        'the epoxy under its face',
      ),
      force(
        'plug-pull',
        'Plug pulled out',
        T,
        wall.MPa * Math.PI * v.plugMm * v.plugLengthMm,
        wall.factor,
        wall.said,
      ),
    ],
    beside: [],
    edge: { D: v.plugMm, least: 1, wished: 1.25 },
    turns: null,
    neededMm: null,
    fullMm: null,
    plastic: false,
    assumed: ['epoxyShearMPa', 'epoxyBearingMPa', 'wallMPa'],
    working: [
      step('s', 'width of the nut', '', s, 'mm'),
      step('A', 'face of the nut', '', faceMm2, 'mm\u00b2'),
    ],
  }
}

function edgeCheck(edgeMm: number | undefined, { D, least, wished }: Hold['edge']): Check {
  const shape = { id: 'edge-distance', title: 'Edge distance', unit: 'mm', source: SOURCE }
  if (edgeMm === undefined) return unproven({ ...shape, because: 'Nobody has measured how far the edge is.' })
  if (edgeMm <= D / 2)
    throw new CalcError(
      'edge-in-hole',
      'edgeMm',
      `${say(edgeMm)} mm to the edge lies inside a hole of ${say(D)} mm`,
    )
  const verdict: Verdict =
    edgeMm < least * D - 1e-9 ? 'short' : edgeMm < wished * D - 1e-9 ? 'tight' : 'holds'
  return check({
    ...shape,
    demand: least * D,
    capacity: edgeMm,
    verdict,
    because: `${say(edgeMm)} mm to the edge; ${say(least * D)} mm are the least, ${say(wished * D)} mm are wished.`,
  })
}
function boltCheck(v: Input, f: Factors): Check {
  const { stressAreaMm2, diameterMm } = SIZES[v.size]!
  const Rp = GRADES[v.grade].proofMPa
  const shearArea = v.threadsInShear ? stressAreaMm2 : (Math.PI / 4) * diameterMm ** 2
  const part = Math.hypot(v.tensionN / (stressAreaMm2 * Rp), v.shearN / (SHEAR_OF_YIELD * Rp * shearArea))
  return check({
    id: 'bolt',
    title: 'Bolt in tension and shear',
    unit: '',
    source: 'chapter 2.3',
    demand: part,
    capacity: 1,
    factor: f.metal,
    because: `${say(v.tensionN)} N of pull and ${say(v.shearN)} N across use ${say(part)} of the bolt; the factor is ${say(f.metal)}.`,
  })
}

function cautionsOf(v: Input): z.infer<typeof output>['cautions'] {
  if (v.kind === 'nut-in-epoxy') return []
  const { material } = v.plate
  const out: z.infer<typeof output>['cautions'] = []
  if (HOSTS[material].plastic) out.push('creeps')
  if (material === 'polycarbonate') out.push('no-threadlocker')
  if (v.kind === 'press-in' && material === 'cast-acrylic') out.push('cracks')
  if (v.kind === 'tapped' && material === 'ss-316' && galls(v.grade)) out.push('galling')
  return out
}

function holdOf(v: Input, f: Factors): Hold {
  if (v.kind === 'tapped') return tapped(v, f)
  return v.kind === 'nut-in-epoxy' ? captive(v, f) : inserted(v, f)
}

export function tappedOf(v: Input): z.infer<typeof output> {
  const f = factorsFor(v.duty, v.factors)
  const hold = holdOf(v, f)
  const { stressAreaMm2, diameterMm } = SIZES[v.size]!
  const yieldsN = stressAreaMm2 * GRADES[v.grade].proofMPa
  const holdsN = Math.min(...hold.holding.map((c) => c.capacity! / c.factor))
  const c = hold.plastic ? 0.5 : 0.9
  const perN = (nutFactor(v.paste) * diameterMm) / 1000
  const preloadN = Math.min(SNUG * yieldsN, c * holdsN)
  const pulls = v.torqueNm === undefined ? null : v.torqueNm / perN
  const checks = [
    boltCheck(v, f),
    ...hold.holding,
    ...hold.beside,
    edgeCheck(v.edgeMm, hold.edge),
    ...(pulls === null
      ? []
      : [
          force('tighten-bolt', 'Tightening does not yield the bolt', pulls, yieldsN, TWIST, 'the bolt'),
          force(
            'tighten-thread',
            'Tightening does not strip it',
            pulls,
            (c * holdsN) / 0.9,
            1,
            'what it stands in',
          ),
        ]),
  ]
  return {
    checks,
    verdict: worstVerdict(checks.map((x) => x.verdict)),
    governing: governing(checks)?.id ?? null,
    holdsN,
    turns: hold.turns,
    neededMm: hold.neededMm,
    fullMm: hold.fullMm,
    preloadN,
    torqueNm: perN * preloadN,
    cautions: cautionsOf(v),
    assumed: hold.assumed,
    working: [...hold.working, step('F', 'preload', 'min(0.4\u00b7As\u00b7Rp, c\u00b7holds)', preloadN, 'N')],
  }
}

export const tappedThread = defineCalculator({
  name: 'tapped',
  title: 'Threads in a plate, inserts, captive nuts',
  chapter: '18.5',
  words: ['tap', 'tapped', 'thread', 'insert', 'captive', 'nut', 'strip', 'plate', 'acrylic'],
  input,
  output,
  run: tappedOf,
})

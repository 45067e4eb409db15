import { GRADES, INCH_IDS, METRIC_IDS, SIZES } from '../../base/materials/fasteners'
import { CORES, HOLE_SAWS } from '../../base/materials/cores'
import { PLATES, STOCKS } from '../../base/materials/plates'
import { boundsOf } from '../../base/geometry/outline'
import type { YardValue } from '../../base/materials/yard'
import { say, type Check } from '../../base/verdict/check'
import { mendable, withRemedies, type Try } from '../remedies'
import type { FitsHole } from '../wrong-hole'
import { type Design } from './design'
import { bestIsolation, sleeveFits } from './isolation'
import { judge } from './judge'
import { Memo, type Judgement } from './judgement'
import { underWays } from './under-ways'

interface Candidate {
  id: string
  text: string
  change: Record<string, unknown>
}

/** Bolt sizes that the fitting's holes allow, in the thread system it has. */
export function sizesFor(d: Design): string[] {
  const system = SIZES[d.bolt.size]!.system === 'inch' ? INCH_IDS : METRIC_IDS
  return d.sizes.length ? system.filter((s) => d.sizes.includes(s)) : system
}

/** What is to stand in a bolt's hole, and the next size that would fill a wider one. */
export function boltInHole(d: Design, holeMm: number): FitsHole {
  const size = SIZES[d.bolt.size]!
  const next = sizesFor(d)
    .map((id) => ({ ...SIZES[id]!, id }))
    .find((s) => s.diameterMm > size.diameterMm && s.clearanceMm >= holeMm - 1e-9)
  return {
    what: 'bolt',
    odMm: size.diameterMm,
    holeMm: size.clearanceMm,
    // Past this the bolt rocks before it bears.
    mostClearMm: size.clearanceMm - size.diameterMm + 1,
    filledBy: 'the ring of bedding fills that; the bolt bears on one side only until it does',
    centre: 'Centre the bolt with tape round its shank while it is bedded.',
    next: next
      ? {
          title: `${next.id} bolts`,
          odMm: next.diameterMm,
          holeMm: next.clearanceMm,
          then: 'nut, washers and the holes in plate and casting go up with it',
          check: 'Judge it again with that size: spacing and edge count by the bolt.',
          verdict: 'holds',
        }
      : null,
    coreStep: 'Bore over and fill the core round it at the same time.',
  }
}

const plateFor = (d: Design, reachMm: number) => {
  const b = boundsOf({ outline: [...d.bolts, ...d.bolts, ...d.bolts] })
  const grain = d.stock === 'inch' ? 6.35 : 5
  const up = (mm: number) => Math.ceil(mm / grain - 1e-9) * grain
  return { lengthMm: up(b.maxX - b.minX + 2 * reachMm), widthMm: up(b.maxY - b.minY + 2 * reachMm) }
}

/**
 * Stock from the calculated thickness up, where a margin is left; a step more in case the longer bolts
 * change something.
 */
function thicker(d: Design, j: Judgement): Candidate[] {
  if (!d.plate || !j.plate) return []
  const least = j.plate.requiredThicknessMm
  return STOCKS[d.stock]
    .filter((t) => t > d.plate!.thicknessMm && t >= least)
    .slice(0, 3)
    .map((t) => ({ id: `plate-${say(t)}`, text: `${say(t)} mm plate`, change: { 'plate.thicknessMm': t } }))
}
function otherMaterial(d: Design): Candidate[] {
  if (!d.plate) return []
  return (['g10', 'al-6061', 'ss-316'] as const)
    .filter((m) => m !== d.plate!.material)
    .map((m) => ({
      id: `plate-${m}`,
      text: `${say(d.plate!.thicknessMm)} mm ${PLATES[m].title}`,
      change: { 'plate.material': m },
    }))
}
/** The plan that brings a check under 0.90 if it falls with the perimeter, rounded up, and the next. */
function wider(d: Design, used: number | null): Candidate[] {
  if (!d.plate) {
    const p = plateFor(d, 5 * SIZES[d.bolt.size]!.diameterMm)
    return [
      {
        id: 'plate-add',
        text: `a ${p.lengthMm} \u00d7 ${p.widthMm} \u00d7 10 epoxy-glass plate`,
        change: {
          plate: {
            material: 'g10',
            ...p,
            thicknessMm: 10,
            bedGapMm: 1,
            outline: null,
            sheets: 1,
            bonded: true,
            crownRadiusMm: null,
          },
        },
      },
    ]
  }
  const grow = Math.max(
    10,
    Math.ceil(((Math.max(1, used ?? 1) / 0.9 - 1) * (d.plate.lengthMm + d.plate.widthMm)) / 2 / 10) * 10,
  )
  return [grow, grow + 20].map((g) => ({
    id: `plate-grow-${g}`,
    text: `a ${d.plate!.lengthMm + g} \u00d7 ${d.plate!.widthMm + g} plate`,
    change: { 'plate.lengthMm': d.plate!.lengthMm + g, 'plate.widthMm': d.plate!.widthMm + g },
  }))
}
function biggerBolt(d: Design): Candidate[] {
  const sizes = sizesFor(d)
  return sizes
    .slice(sizes.indexOf(d.bolt.size) + 1)
    .map((s) => ({ id: `size-${s}`, text: `${s} bolts`, change: { 'bolt.size': s } }))
}
function smallerBolt(d: Design): Candidate[] {
  const sizes = sizesFor(d)
  return sizes
    .slice(0, Math.max(0, sizes.indexOf(d.bolt.size)))
    .reverse()
    .map((s) => ({ id: `size-${s}`, text: `${s} bolts`, change: { 'bolt.size': s } }))
}
const strongerGrade = (d: Design): Candidate[] =>
  d.bolt.grade === 'A4-80'
    ? []
    : [{ id: 'grade-A4-80', text: `${GRADES['A4-80'].title} bolts`, change: { 'bolt.grade': 'A4-80' } }]
const leastWall = (d: Design) =>
  d.structure.kind === 'sandwich' && CORES[d.structure.core.material].rots ? 4 : 3
const widerBore = (d: Design): Candidate[] =>
  d.core.school === 'bore-fill'
    ? HOLE_SAWS.filter((b) => b >= SIZES[d.bolt.size]!.clearanceMm + (2 * leastWall(d)) / 0.9)
        .slice(0, 1)
        .map((b) => ({ id: `bore-${b}`, text: `a bore of ${b} mm`, change: { 'core.boreMm': b } }))
    : []
const schools = (d: Design): Candidate[] =>
  d.structure.kind !== 'sandwich'
    ? []
    : [
        ...(d.core.school === 'bore-fill' && d.core.boreMm === null
          ? []
          : [
              {
                id: 'core-bore-fill',
                text: 'bore over, fill, redrill',
                change: { 'core.school': 'bore-fill', 'core.boreMm': null },
              },
            ]),
        ...(d.core.school === 'insert'
          ? []
          : [
              {
                id: 'core-insert',
                text: 'a high-density insert under the whole base',
                change: { 'core.school': 'insert' },
              },
            ]),
        ...(d.core.school === 'insert' && d.core.insertMaterial === 'epoxy-plug'
          ? []
          : [
              {
                id: 'core-solid',
                text: 'a solid insert of filled epoxy under the whole base',
                change: { 'core.school': 'insert', 'core.insertMaterial': 'epoxy-plug' },
              },
            ]),
      ]
const largeWashers = (d: Design): Candidate[] =>
  d.bolt.nutWasher === 'large'
    ? []
    : [{ id: 'washer-large', text: 'large washers under the nuts', change: { 'bolt.nutWasher': 'large' } }]
const fartherIn = (d: Design): Candidate[] => {
  const need = Math.ceil(SIZES[d.bolt.size]!.diameterMm * (d.structure.kind === 'metal' ? 2 : 3))
  return d.place.edgeMm !== null && d.place.edgeMm < need
    ? [{ id: 'edge', text: `${need} mm from the edge`, change: { 'place.edgeMm': need } }]
    : []
}

/** The greatest torque that yields no bolt and crushes nothing, and the snug one. */
const tighterLess = (j: Judgement): Candidate[] => {
  const most = Math.floor(10 * j.preload.mostTorqueNm) / 10
  return [
    ...(most > 0
      ? [{ id: 'torque-most', text: `tighten to ${most} N·m`, change: { 'bolt.torqueNm': most } }]
      : []),
    { id: 'torque-snug', text: 'tighten snug, as it is worked out', change: { 'bolt.torqueNm': null } },
  ]
}

const keptApart = (d: Design): Candidate[] => [
  {
    id: 'isolate',
    text: sleeveFits(d)
      ? 'sleeve, washer and sealant between them'
      : 'isolating paste on shank, thread and under the head: no sleeve stands under a countersunk head',
    change: { isolation: bestIsolation(d) },
  },
]

/** A heavier weld, or a doubler with more of it. */
function doublerWays({ doubler }: Design): Candidate[] {
  if (!doubler) return []
  const [l, w] = [Math.ceil(doubler.lengthMm * 1.3), Math.ceil(doubler.widthMm * 1.3)]
  return [
    ...[1.5, 2].map((k) => ({
      id: `weld-${k}`,
      text: `a weld of ${Math.ceil(doubler.weldMm * k)} mm`,
      change: { 'doubler.weldMm': Math.ceil(doubler.weldMm * k) },
    })),
    {
      id: 'doubler-grow',
      text: `a doubler of ${l} \u00d7 ${w}`,
      change: { 'doubler.lengthMm': l, 'doubler.widthMm': w },
    },
  ]
}
const otherBolt = (d: Design): Candidate[] =>
  d.bolt.partThreaded
    ? [{ id: 'full-thread', text: 'fully threaded bolts', change: { 'bolt.partThreaded': false } }]
    : smallerBolt(d)
const firstSealant = (d: Design, { sealant: { best } }: Judgement): Candidate[] =>
  best && best !== d.bedding.sealant
    ? [{ id: 'sealant', text: 'the sealant that ranks first', change: { 'bedding.sealant': best } }]
    : []

type Ways = (d: Design, check: Check, j: Judgement) => Candidate[]
const stiffer: Ways = (d, _, j) => [...thicker(d, j), ...otherMaterial(d)]
const heldInPlate: Ways = (d, _, j) => [...biggerBolt(d), ...thicker(d, j), ...otherMaterial(d)]
const offTheEdge: Ways = (d) => [...fartherIn(d), ...smallerBolt(d)]
const underneath: Ways = (d, check) => [...underWays(d, check.id), ...schools(d)]
const spreadMore: Ways = (d, check) => [
  ...wider(d, check.utilisation),
  ...schools(d),
  ...(d.plate ? [] : largeWashers(d)),
]
/** What helps each check. */
const WAYS: Record<string, Ways> = {
  bolt: (d) => [...strongerGrade(d), ...biggerBolt(d)],
  bearing: biggerBolt,
  'bearing-plug': biggerBolt,
  'plug-hold': (d) => [...biggerBolt(d), ...widerBore(d)],
  'bearing-plate': heldInPlate,
  'plate-bond': heldInPlate,
  'edge-distance': offTheEdge,
  'shear-out': offTheEdge,
  spacing: smallerBolt,
  'plate-overhang': stiffer,
  'plate-span': stiffer,
  'plate-stiffness': stiffer,
  tightening: (_d, _check, j) => tighterLess(j),
  deck: (_d, _check, j) => tighterLess(j),
  material: otherMaterial,
  'core-dry': (d) => [...widerBore(d), ...schools(d)],
  'bolt-length': otherBolt,
  metals: keptApart,
  'skin-bending': underneath,
  'push-punching-core': underneath,
  'push-punching-skin': underneath,
  'doubler-weld': doublerWays,
  sealant: (d, _, j) => firstSealant(d, j),
  'punching-core': spreadMore,
  'punching-skin': spreadMore,
}
function candidates(d: Design, check: Check, j: Judgement): Candidate[] {
  const ways = WAYS[check.id]
  if (ways) return ways(d, check, j)
  if (check.id.startsWith('crush-plate'))
    return [...(d.plate ? [] : largeWashers(d)), ...wider(d, check.utilisation), ...schools(d)]
  return check.id.startsWith('crush-base') ? schools(d) : underWays(d, check.id)
}

/** Changes worth judging for what does not hold, the likeliest first. */
export const deckTries = (d: Design, j: Judgement): Try[] =>
  j.checks.filter(mendable).flatMap((c) =>
    candidates(d, c, j).map((t) => ({
      ...t,
      helps: [c.id],
      // Of a run of thicknesses, sizes or plans one is offered.
      group: t.id.replace(/-[#\dM].*$/, ''),
    })),
  )
export const deckWithRemedies = (d: Design, j: Judgement, yard?: YardValue[], memo = new Memo()): Judgement =>
  withRemedies(d, j, deckTries(d, j), (changed) => judge(changed, true, yard, memo))
export { plateFor }

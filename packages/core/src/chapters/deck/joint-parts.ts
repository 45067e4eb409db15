import { CalcError } from '../../base/errors'
import { areaOf, type Outline } from '../../base/geometry/outline'
import { SIZES } from '../../base/materials/fasteners'
import { loadedThickness, strengthsOf } from '../../base/materials/structure'
import { draft, say, step, unproven, type Draft, type Verdict } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'
import { boltCapacities, boltCheck } from '../fastener/fastener'
import { boltStiffness } from './base-contact'
import type { Base, BasePress } from './base-press'
import { bearingChecks, bondCheck } from './bearing'
import {
  baseCrush,
  footprintCrush,
  footprintPunching,
  pressUnder,
  refusePlugWithoutCore,
  type FootprintInput,
} from './footprint'
import type { JointInput } from './joint-input'

/** What a load does at the joint: what it pulls and shears the bolts with, and how it presses the base. */
export type JointLoad = Pick<JointInput, 'bolts' | 'base'>

const TOUCHING = 1e-9

/** Limits of its own: short under the least, tight under the wished, else holds. */
const byLimits = (have: number, least: number, wished: number): Verdict =>
  have < least - TOUCHING ? 'short' : have < wished - TOUCHING ? 'tight' : 'holds'

const indexOfGreatest = (values: number[]) => values.reduce((best, v, i) => (v > values[best]! ? i : best), 0)

/** A joint as it stands, whatever its load: what every check below asks of it, worked out once. */
export function standing(v: JointInput) {
  refusePlugWithoutCore(v.structure, v.plug)
  const size = SIZES[v.bolt.size]!
  const d = size.diameterMm
  const holeMm = v.bolt.holeMm ?? size.clearanceMm
  if (v.edgeMm !== undefined && v.edgeMm <= holeMm / 2)
    throw new CalcError(
      'edge-in-hole',
      'edgeMm',
      `The edge lies ${say(v.edgeMm)} mm from the centre of a ${say(holeMm)} mm hole; more than half the hole is needed`,
    )
  const s = strengthsOf(v.structure)
  const factors = factorsFor(v.duty, v.factors)
  return {
    v,
    d,
    holeMm,
    metal: v.structure.kind === 'metal',
    s,
    factors,
    skinFactor: factors[s.factor],
    t: loadedThickness(v.structure),
    spacingMm: spacingOf(v.bolts),
    caps: boltCapacities(v.bolt.size, v.bolt.grade, v.bolt.threadsInShear),
    bonded: bondedOf(v, holeMm),
    washerMm: v.washerDiameterMm ?? (v.washer === 'large' ? size.largeWasher : size.plainWasher).diameterMm,
    kb: v.bolt.gripMm === undefined ? null : boltStiffness(v.bolt.size, v.bolt.grade, v.bolt.gripMm),
    presses: new Map<JointLoad, BasePress | null>(),
  }
}
export type Standing = ReturnType<typeof standing>

/** Least distance between two bolts; Infinity for one. */
function spacingOf(bolts: JointInput['bolts']): number {
  let spacing = Infinity
  for (let j = 1; j < bolts.length; j++)
    for (let i = 0; i < j; i++) {
      const gap = Math.hypot(bolts[j]!.xMm - bolts[i]!.xMm, bolts[j]!.yMm - bolts[i]!.yMm)
      if (gap <= TOUCHING)
        throw new CalcError(
          'bolts-coincide',
          `bolts.${j}`,
          `Bolt ${j + 1} stands where bolt ${i + 1} stands; give each its own place`,
        )
      spacing = Math.min(spacing, gap)
    }
  return spacing
}
/** The plate with what it is bonded by, and its area less the holes. */
function bondedOf(v: JointInput, holeMm: number) {
  if (!v.plate?.bonded) return undefined
  const areaMm2 = areaOf(v.plate) - (v.bolts.length * Math.PI * holeMm ** 2) / 4 - (v.openMm2 ?? 0)
  return areaMm2 > 0 ? { ...v.plate.bonded, areaMm2 } : undefined
}
/** Only one of the two ways to say what presses reaches the checks. */
function baseOf(b: NonNullable<JointInput['base']>): Base {
  const { field, pushN, toePressureMPa, ...outline } = b
  return field
    ? { ...(outline as Outline), field }
    : { ...(outline as Outline), pushN: pushN ?? 0, toePressureMPa: toePressureMPa ?? 0 }
}
export const deckUnder = (g: Standing) => ({
  structure: g.v.structure,
  plug: g.v.plug,
  holeMm: g.holeMm,
  openMm2: g.v.openMm2,
  factors: g.factors,
})
/** How the base presses under a load; null on metal and where the base is not known. */
export function pressOf(l: JointLoad, g: Standing): BasePress | null {
  let press = g.presses.get(l)
  if (press === undefined) {
    press = pressUnder({ ...deckUnder(g), base: l.base && baseOf(l.base), n: l.bolts.length, kb: g.kb })
    g.presses.set(l, press)
  }
  return press
}
export const footprintOf = (bolts: FootprintInput['bolts'], g: Standing): FootprintInput => ({
  ...deckUnder(g),
  plate: g.v.plate,
  washerMm: g.washerMm,
  bolts,
})

const EDGE = { id: 'edge-distance', title: 'Edge distance', unit: 'mm', source: 'chapter 3.4' }
const SHEAR_OUT = { id: 'shear-out', title: 'Shear-out to the edge', unit: 'MPa', source: 'chapter 3.4' }

function edgeChecks(V: number, g: Standing): Draft[] {
  const { d, t, s } = g
  const { edgeMm } = g.v
  const limits = { capacity: s.inPlaneShearMPa, factor: g.skinFactor }
  if (edgeMm === undefined) {
    const because = 'The distance to the nearest free edge is not measured.'
    return [unproven({ ...EDGE, because }), unproven({ ...SHEAR_OUT, ...limits, because })]
  }
  const [least, wished] = g.metal ? [1.5, 2] : [2.5, 3]
  const run = 2 * (edgeMm - d / 2) * t
  const demand = V / run
  return [
    draft({
      ...EDGE,
      demand: least * d,
      capacity: edgeMm,
      verdict: byLimits(edgeMm, least * d, wished * d),
      because: () =>
        `The hole stands ${say(edgeMm)} mm from the edge, ${say(edgeMm / d)} diameters; ${least} is the least and ${wished} is wished for.`,
      working: () => [
        step('e', 'hole centre to nearest free edge', '', edgeMm, 'mm'),
        step('least', `${least}\u00b7d`, '', least * d, 'mm'),
      ],
    }),
    draft({
      ...SHEAR_OUT,
      ...limits,
      demand,
      because: () =>
        `${say(V)} N shear ${say(run)} mm\u00b2 out to the edge: ${say(demand)} MPa, against ${say(s.inPlaneShearMPa)} MPa with a factor of ${g.skinFactor}.`,
      working: () => [
        step('A', 'two planes to the edge', '2\u00b7(e \u2212 d/2)\u00b7t', run, 'mm\u00b2'),
        step('\u03c4', 'shear-out', 'V/A', demand, 'MPa'),
      ],
      assumed: s.assumed.filter((a) => a === 'inPlaneShearMPa'),
    }),
  ]
}

function spacingCheck(g: Standing): Draft[] {
  if (g.spacingMm === Infinity) return []
  const [least, wished] = g.metal ? [2.5, 3] : [3, 4]
  return [
    draft({
      id: 'spacing',
      title: 'Bolt spacing',
      unit: 'mm',
      source: 'chapter 3.4',
      demand: least * g.d,
      capacity: g.spacingMm,
      verdict: byLimits(g.spacingMm, least * g.d, wished * g.d),
      because: () =>
        `The nearest two bolts stand ${say(g.spacingMm)} mm apart, ${say(g.spacingMm / g.d)} diameters; ${least} is the least and ${wished} is wished for.`,
      working: () => [
        step('s', 'least centre to centre', '', g.spacingMm, 'mm'),
        step('least', `${least}\u00b7d`, '', least * g.d, 'mm'),
      ],
    }),
  ]
}

type Bolt = JointInput['bolts'][number]
const sumOf = (l: JointLoad, of: (b: Bolt) => number) => l.bolts.reduce((s, b) => s + of(b), 0)
const mostOf = (l: JointLoad, of: (b: Bolt) => number) => l.bolts.reduce((m, b) => Math.max(m, of(b)), 0)
const interaction = (b: Bolt, g: Standing) =>
  Math.hypot(b.tensionN / g.caps.tensionN, b.shearN / g.caps.shearN)
const shearOf = (b: Bolt) => b.shearN
function sheared(l: JointLoad, g: Standing) {
  const boltIndex = indexOfGreatest(l.bolts.map(shearOf))
  return {
    ...deckUnder(g),
    bonded: g.bonded,
    d: g.d,
    shearN: l.bolts[boltIndex]!.shearN,
    sumShearN: sumOf(l, shearOf),
    boltIndex,
  }
}

/** Checks that grow with one figure of the load: where that is greatest they are worst. */
interface Part {
  grows: (l: JointLoad, g: Standing, preloadN: number) => number
  checks: (l: JointLoad, g: Standing, preloadN: number) => Draft[]
}
const BEARING: Part = {
  grows: (l) => mostOf(l, shearOf),
  checks: (l, g) => bearingChecks(sheared(l, g)),
}
/** All checks at the bolts, in the chapter's order. */
const PARTS: Part[] = [
  {
    grows: (l, g) => mostOf(l, (b) => interaction(b, g)),
    checks: (l, g) => {
      const worst = indexOfGreatest(l.bolts.map((b) => interaction(b, g)))
      const { size, grade, threadsInShear } = g.v.bolt
      return [
        boltCheck({
          ...{ size, grade, threadsInShear },
          ...l.bolts[worst]!,
          factor: g.factors.metal,
          boltIndex: worst,
          many: l.bolts.length,
        }),
      ]
    },
  },
  BEARING,
  {
    grows: (l) => sumOf(l, shearOf),
    checks: (l, g) => bondCheck(sheared(l, g)),
  },
  {
    grows: (l) => mostOf(l, shearOf),
    checks: (l, g) => edgeChecks(mostOf(l, shearOf), g),
  },
  { grows: () => 0, checks: (_l, g) => spacingCheck(g) },
  {
    grows: (l, g) => (g.v.plate ? sumOf : mostOf)(l, (b) => b.tensionN),
    checks: (l, g) => footprintPunching(footprintOf(pressedBy(l, 0), g)),
  },
  {
    grows: (l, g, preloadN) => (g.v.plate ? sumOf : mostOf)(l, (b) => Math.max(b.tensionN, preloadN)),
    checks: (l, g, preloadN) => footprintCrush(footprintOf(pressedBy(l, preloadN), g)),
  },
  {
    grows: (l, g, preloadN) => pressOf(l, g)?.at(preloadN) ?? 0,
    checks: (l, g, preloadN) =>
      baseCrush({ ...deckUnder(g), base: l.base, n: l.bolts.length }, pressOf(l, g)?.at(preloadN) ?? null),
  },
]
const pressedBy = (l: JointLoad, preloadN: number) => l.bolts.map((b) => ({ tensionN: b.tensionN, preloadN }))

export const jointChecks = (v: JointInput, g = standing(v)): Draft[] =>
  PARTS.flatMap((p) => p.checks(v, g, v.bolt.preloadN))

const NEAR = 1e-9
/** The loads under which a figure is greatest, or as good as; of two that are alike the first. */
function leading<L>(loads: L[], grows: (l: L) => number): L[] {
  if (loads.length === 1) return loads
  const values = loads.map(grows)
  const most = Math.max(...values)
  const least = most - Math.abs(most) * NEAR
  return loads.filter((_, i) => values[i]! >= least && values.indexOf(values[i]!) === i)
}
/**
 * Every check at the bolts under each load that can be the worst for it. `everyWay`: what bears has a
 * direction of its own, so that no figure of the load tells under which it is worst.
 */
export function jointUnder<L extends JointLoad>(
  loads: L[],
  g: Standing,
  preloadN: number,
  everyWay: boolean,
  put: (c: Draft, under: L) => void,
): void {
  for (const part of PARTS) {
    const those = everyWay && part === BEARING ? loads : leading(loads, (l) => part.grows(l, g, preloadN))
    for (const l of those) for (const c of part.checks(l, g, preloadN)) put(c, l)
  }
}

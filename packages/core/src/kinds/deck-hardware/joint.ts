import { BOND_MPA } from '../../chapters/deck/bearing'
import { corePlugOf, type CorePlugOutput } from '../../chapters/deck/core-plug'
import type { Plug } from '../../chapters/deck/footprint'
import type { JointInput } from '../../chapters/deck/joint-input'
import type { JointLoad } from '../../chapters/deck/joint-parts'
import { SIZES } from '../../base/materials/fasteners'
import { boundsOf } from '../../base/geometry/outline'
import { check, inWords, say, unproven, type Check } from '../../base/verdict/check'
import { plateBends, plateSnugOf } from '../../chapters/plate/plate-bends'
import type { PlateInput } from '../../chapters/plate/plate-input'
import type { Design } from './design'
import { factorsOf } from './guess'
import { gripAbout } from './loads'
import type { Shared } from './shared'
import { withDoubler } from './metal-deck'
import { bedMean, openMm2, planOfBase, planOfPlate } from './plans'

/** As the user drew it, or under the whole base and a little past it. */
export function insertOf(d: Design): NonNullable<Design['core']['insert']> {
  const b = boundsOf(planOfBase(d.base))
  return d.core.insert ?? { lengthMm: b.maxX - b.minX + 40, widthMm: b.maxY - b.minY + 40, bedMm: 1 }
}
export function coreOutput(d: Design, crushed: boolean): CorePlugOutput | null {
  const s = d.structure
  const cored = s.kind === 'sandwich'
  if (!cored) return null
  const hole = SIZES[d.bolt.size]!.clearanceMm
  const insert = insertOf(d)
  return corePlugOf({
    school: d.core.school,
    holeMm: hole,
    boreMm: d.core.boreMm ?? undefined,
    undercutMm: d.core.undercutMm ?? undefined,
    outerSkinMm: s.outerMm,
    coreMm: s.core.thicknessMm,
    innerSkinMm: s.innerMm,
    core: s.core.material,
    holes: d.bolts.length,
    torn: d.core.torn,
    insert: d.core.school === 'insert' ? insert : undefined,
    lightLoad: d.core.lightLoad,
    crushed,
    chamferMm: d.core.chamferMm ?? undefined,
    duty: d.duty,
  })
}

export function plugOf(d: Design, core: CorePlugOutput | null): Plug | undefined {
  if (!core || core.plugAreaMm2 <= 0) return undefined
  return d.core.school === 'insert'
    ? { material: d.core.insertMaterial, whole: true }
    : { material: 'epoxy-plug', areaEachMm2: core.plugAreaMm2, bored: d.core.school !== 'reef' }
}

/** What one direction of the load does at the joint. */
export interface JointUnderLoad extends JointLoad {
  s: Shared
}
export const loadAtJoint = (d: Design, s: Shared): JointUnderLoad => ({
  s,
  bolts: d.bolts.map((b, i) => ({
    ...b,
    tensionN: s.bolts[i]!.tensionN,
    shearN: s.bolts[i]!.shearN,
  })),
  // A track's field is that under its car; what presses there is judged, not spread over all its length.
  base:
    s.field && d.family !== 'track'
      ? { ...planOfBase(d.base), field: s.field }
      : { ...planOfBase(d.base), pushN: s.pushN, toePressureMPa: s.stripMPa },
})
export const jointInput = (d: Design, plug: Plug | undefined, under: JointLoad): JointInput => ({
  duty: d.duty,
  factors: factorsOf(d),
  structure: withDoubler(d),
  bolt: {
    size: d.bolt.size,
    grade: d.bolt.grade,
    threadsInShear: d.bolt.threadsInShear,
    preloadN: 0,
    gripMm: gripAbout(d),
  },
  bolts: under.bolts,
  base: under.base,
  edgeMm: d.place.edgeMm ?? undefined,
  plate: d.plate ? { ...planOfPlate(d.plate), bonded: bondedTo(d) } : undefined,
  washer: d.bolt.nutWasher,
  plug,
  openMm2: openMm2(d),
})
/** The plate as one that bears with the deck: bonded, of a sheet that bonds, and to no metal. */
function bondedTo(d: Design) {
  const p = d.plate
  if (!p?.bonded || p.material === 'plastic' || d.structure.kind === 'metal') return undefined
  return { material: p.material, thicknessMm: p.thicknessMm, bondMPa: BOND_MPA }
}

/** What the plate does by its own bending, and what is known of it; null where there is none. */
export const plateOf = (d: Design, preloadN: number, s: Pick<Shared, 'bolts'>, own: OwnPlate) =>
  d.plate && plateBends(plateInput(d, d.plate, preloadN, s, own))
/** What that lets the bolts be pulled to under a direction of the load. */
export const plateLimit = (d: Design, s: Pick<Shared, 'bolts'>, own: OwnPlate) =>
  d.plate && plateSnugOf(plateInput(d, d.plate, 0, s, own))
type OwnPlate = { strengthMPa?: number; eMPa?: number }
function plateInput(
  d: Design,
  p: NonNullable<Design['plate']>,
  preloadN: number,
  s: Pick<Shared, 'bolts'>,
  own: OwnPlate,
): PlateInput {
  return {
    duty: d.duty,
    factors: factorsOf(d),
    plate: { ...planOfPlate(p), material: p.material, thicknessMm: p.thicknessMm, ...own },
    bolts: d.bolts.map((b, i) => ({ ...b, tensionN: s.bolts[i]!.tensionN })),
    bolt: { size: d.bolt.size, preloadN },
    washer: d.bolt.nutWasher,
    structural: true,
    belowWaterline: d.place.belowWaterline,
    bedGapMm: bedMean(p),
  }
}

export function leverCheck(s: Shared, loadN: number): Check | null {
  const m = Math.max(s.unresistedMomentNmm, s.unresistedTwistNmm)
  if (m <= 1e-6 * Math.max(1, loadN)) return null
  return unproven({
    id: 'lever',
    title: 'Lever on the pattern',
    unit: 'N\u00b7mm',
    source: 'chapter 3.2',
    because: `${say(m / 1000)} N\u00b7m turn the fitting about its own line of bolts, which cannot resist it, and no rest of the base on the deck was found. Spread the bolts across the load.`,
  })
}

export function coreCheck(core: CorePlugOutput): Check {
  const shape = {
    id: 'core-dry',
    title: 'Core kept dry',
    unit: 'mm',
    source: 'chapter 3.6',
    because: core.because,
    working: core.working,
  }
  if (core.wallMm === null || core.wallLeastMm === null) return inWords({ ...shape, verdict: core.verdict })
  return check({ ...shape, demand: core.wallLeastMm, capacity: core.wallMm, verdict: core.verdict })
}

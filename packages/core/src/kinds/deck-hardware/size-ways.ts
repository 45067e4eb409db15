import { easyBoreMm } from '../../chapters/deck/core-plug'
import { CORES, HOLE_SAWS } from '../../base/materials/cores'
import { SIZES } from '../../base/materials/fasteners'
import { STOCKS, type PlateId } from '../../base/materials/plates'
import type { Point } from '../../base/geometry/outline'
import { withChange } from '../../base/change'
import type { Design } from './design'
import { bestIsolation } from './isolation'
import type { Room } from '../../boat/field'
import { plateFor, sizesFor } from './remedies'
import { drilledFor } from './start'

/** Ways of building a fitting that are worth judging: what a fitter would reach for, nothing else. */
type School = Design['core']['school']
type InsertMaterial = Design['core']['insertMaterial']
type Doubler = Design['doubler']
/** How far past the outer bolts a plate reaches, mm. */
export const REACHES = [25, 30, 35, 40, 50, 60, 80, 100, 130]
/** In bolt diameters: a plate thicker than that wants a larger, thinner one in its place. */
const THICK_IN_BOLTS = 1.5

export interface Ways {
  /** the school that is kept unless it is no school at all for this core */
  first: School
  schools: School[]
  /** the bolt the casting is drilled for, then the others that pass its holes */
  drilled: string
  sizes: string[]
  grades: Design['bolt']['grade'][]
  /** none on metal: there a doubler takes the plate's place */
  materials: PlateId[]
  doublers: Doubler[]
  bedGapMm: number
}

/** A first doubler, a thicker and a larger one; as welded now, if there is one. */
function doublersFor(d: Design): Doubler[] {
  const s = d.structure
  if (s.kind !== 'metal') return [d.doubler]
  const [l, w] =
    'diameterMm' in d.base ? [d.base.diameterMm, d.base.diameterMm] : [d.base.lengthMm, d.base.widthMm]
  const up = (mm: number) => Math.ceil(mm / 10) * 10
  const of = (over: number, thick: number) => ({
    lengthMm: up(over * l),
    widthMm: up(over * w),
    thicknessMm: Math.ceil(thick * s.thicknessMm),
    weldMm: s.thicknessMm,
  })
  return [d.doubler, ...(d.doubler ? [null] : []), of(1.5, 1), of(1.5, 1.5), of(2, 1.5), of(2, 2)]
}

export function waysFor(d: Design): Ways {
  const s = d.structure
  const cored = s.kind === 'sandwich'
  const rots = cored && CORES[s.core.material].rots
  const unsealed = d.core.school === 'none' || (d.core.school === 'seal-wall' && rots)
  const first: School = cored && unsealed ? 'bore-fill' : d.core.school
  const drilled = drilledFor(d, s.kind === 'metal')
  return {
    first,
    schools: cored ? [...new Set([first, 'bore-fill' as const, 'insert' as const])] : [d.core.school],
    drilled,
    sizes: sizesFor(d).filter((z) => z !== drilled),
    grades: [...new Set([d.bolt.grade, ...(d.bolt.grade === 'A4-70' ? (['A4-80'] as const) : [])])],
    materials: materialsFor(d),
    doublers: doublersFor(d),
    bedGapMm: d.plate?.bedGapMm ?? 1,
  }
}
function materialsFor(d: Design): PlateId[] {
  if (d.structure.kind === 'metal') return []
  if (d.place.belowWaterline) return ['g10', 'ss-316']
  return d.structure.kind === 'timber' ? ['plywood', 'g10', 'ss-316'] : ['g10', 'al-6061', 'ss-316']
}

/**
 * Bores worth trying: the least that leaves its wall easily, and larger plugs that take the crush off the
 * core, as far as the bolts stand apart.
 */
function boresFor(d: Design, sizeId: string): (number | null)[] {
  if (d.structure.kind !== 'sandwich') return [null]
  const least = easyBoreMm(d.structure.core.material, SIZES[sizeId]!.clearanceMm)
  if (least === null) return [null]
  const apart = d.bolts.flatMap((a, i) =>
    d.bolts.slice(i + 1).map((b) => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)),
  )
  const most = Math.min(64, 0.8 * Math.min(Infinity, ...apart))
  const larger = [1.3, 1.7, 2.2].map((k) => HOLE_SAWS.find((s) => s >= k * least))
  return [least, ...larger.filter((s) => s !== undefined && s <= most)] as number[]
}
/** What a school makes of the core round a bolt of this size. */
function coresFor(d: Design, school: School, size: string): Record<string, unknown>[] {
  if (school === 'bore-fill')
    return boresFor(d, size).map((bore) => ({ 'core.school': school, 'core.boreMm': bore }))
  if (school === 'insert')
    return (['insert-250', 'epoxy-plug'] as InsertMaterial[]).map((m) => ({
      'core.school': school,
      'core.boreMm': null,
      'core.insertMaterial': m,
    }))
  return [school === d.core.school ? {} : { 'core.school': school, 'core.boreMm': null }]
}

/** Bolted, with washers only: every school, size, grade and doubler in turn. */
export function* boltedWays(d: Design, w: Ways, sizes: string[], schools: School[]): Generator<Design> {
  for (const school of schools)
    for (const size of sizes)
      for (const core of coresFor(d, school, size))
        for (const grade of w.grades)
          for (const doubler of w.doublers)
            yield withChange(d, {
              'bolt.size': size,
              'bolt.grade': grade,
              'bolt.nutWasher': 'large',
              plate: null,
              doubler,
              ...core,
            })
}

export const thickMost = (d: Design) => THICK_IN_BOLTS * SIZES[d.bolt.size]!.diameterMm
/** Stock that a fitter would cut for such a bolt. */
export const stockFor = (d: Design) => STOCKS[d.stock].filter((t) => t <= thickMost(d) + 1e-9)

/** The same with a plate that reaches so far past the outer bolts. */
export function plated(
  d: Design,
  bolted: Design,
  p: { material: PlateId; reachMm: number; thicknessMm: number; bedGapMm: number; room: Room | null },
): Design {
  const plan = plateFor(d, p.reachMm)
  return withChange(bolted, {
    'bolt.nutWasher': 'plain',
    plate: {
      material: p.material,
      ...plan,
      thicknessMm: p.thicknessMm,
      bedGapMm: p.bedGapMm,
      outline: clipped(plan, p.room),
      sheets: 1,
      bonded: d.plate?.bonded ?? true,
      crownRadiusMm: d.plate?.crownRadiusMm ?? null,
    },
    ...(p.material === 'al-6061' ? { isolation: bestIsolation(d) } : {}),
  })
}

/** The rectangle as far as there is room for it; a polygon only where something cuts into it. */
export function clipped(p: { lengthMm: number; widthMm: number }, room: Room | null): Point[] | null {
  if (!room) return null
  const [x0, x1, y0, y1] = [
    Math.max(-p.lengthMm / 2, room.minX),
    Math.min(p.lengthMm / 2, room.maxX),
    Math.max(-p.widthMm / 2, room.minY),
    Math.min(p.widthMm / 2, room.maxY),
  ]
  const whole =
    x0 === -p.lengthMm / 2 && x1 === p.lengthMm / 2 && y0 === -p.widthMm / 2 && y1 === p.widthMm / 2
  if (whole || !(x1 > x0) || !(y1 > y0)) return null
  return [
    { xMm: x0, yMm: y0 },
    { xMm: x1, yMm: y0 },
    { xMm: x1, yMm: y1 },
    { xMm: x0, yMm: y1 },
  ]
}

import { CORES } from '../../base/materials/cores'
import { SIZES } from '../../base/materials/fasteners'
import { PLATES, type PlateId } from '../../base/materials/plates'
import { areaOf } from '../../base/geometry/outline'
import type { Design } from './design'
import type { Judgement, Look } from './judgement'
import { planOfPlate } from './plans'
import { stepsOf } from './steps'

/** Densities in kg a cubic millimetre; typical. */
const STEEL = 7.9e-6
const FILLED_EPOXY = 1.2e-6
const LAMINATE = 1.6e-6
const INSERT = 0.25e-6
const CORE: Record<keyof typeof CORES, number> = {
  'balsa-150': 0.15e-6,
  'pvc-80': 0.08e-6,
  'pvc-130': 0.13e-6,
  'san-85': 0.085e-6,
  plywood: 0.6e-6,
  'insert-250': INSERT,
  'epoxy-plug': FILLED_EPOXY,
}
const METAL = { 'aluminium-5083': 2.66e-6, 'mild-steel': 7.85e-6 } as const
/** A skin laid again over an insert is feathered out by twelve thicknesses a side. */
const BEVEL = 12
const ML = 1000

export const plateMassOf = (p: NonNullable<Design['plate']>) =>
  areaOf(planOfPlate(p)) * p.thicknessMm * PLATES[p.material].densityKgM3 * 1e-9

/** Fill, insert and cloth, less the core that they take the place of. */
function coreMassOf(d: Design, j: Look): number {
  const s = d.structure
  if (s.kind !== 'sandwich' || !j.core) return 0
  const { insertVolumeMl, fillTotalMl } = j.core
  const fill = fillTotalMl * ML * FILLED_EPOXY
  if (!(insertVolumeMl > 0)) return fill
  const insert = insertVolumeMl * ML * (CORE[d.core.insertMaterial] - CORE[s.core.material])
  const area = (insertVolumeMl * ML) / s.core.thicknessMm
  // About a square: the ring of cloth round it, half as thick on the mean as the skin.
  const cloth = 4 * Math.sqrt(area) * BEVEL * s.outerMm * 0.5 * s.outerMm * LAMINATE
  return fill + insert + cloth
}
function doublerMassOf(d: Design): number {
  if (d.structure.kind !== 'metal' || !d.doubler) return 0
  const { lengthMm, widthMm, thicknessMm } = d.doubler
  return lengthMm * widthMm * thicknessMm * METAL[d.structure.metal]
}

/** Bolts with nuts and washers, plate or doubler, fill, insert and cloth: what the choice adds in weight. */
export function massOf(d: Design, j: Look | null): number {
  const s = SIZES[d.bolt.size]!
  const washer = d.bolt.nutWasher === 'large' ? s.largeWasher : s.plainWasher
  const stack = j?.grip?.lengthMm ?? 40
  const each =
    (Math.PI / 4) * s.diameterMm ** 2 * (stack + 2.2 * s.diameterMm) * STEEL +
    (Math.PI / 4) * (washer.diameterMm ** 2 - s.clearanceMm ** 2) * washer.thicknessMm * STEEL
  return (
    d.bolts.length * each +
    (d.plate ? plateMassOf(d.plate) : 0) +
    doublerMassOf(d) +
    (j ? coreMassOf(d, j) : 0)
  )
}

/** Relative prices of a kilogram in stock; typical, only to rank by. */
const PRICE: Record<PlateId, number> = {
  g10: 32,
  'glass-epoxy': 14,
  'al-5083': 12,
  'al-6061': 12,
  'ss-316': 18,
  plywood: 5,
  plastic: 8,
}
const COST_CLASS = [12, 30]
const known = new WeakMap<Judgement, number>()
/** Hours of one pair of hands: those of its steps, so that what is proposed is what is planned. */
export function hoursOf(d: Design, j: Judgement): number {
  let hours = known.get(j)
  if (hours === undefined) {
    hours = stepsOf(d, j, 'metric').reduce((sum, s) => sum + s.minutes, 0) / 60
    known.set(j, hours)
  }
  return hours
}
export type CostClass = 'low' | 'middle' | 'high'
export function costOf(d: Design): CostClass {
  const plate = d.plate ? plateMassOf(d.plate) * PRICE[d.plate.material] : 0
  const bolts =
    d.bolts.length * (SIZES[d.bolt.size]!.diameterMm / 10) ** 2 * (d.bolt.grade === 'A4-80' ? 2.6 : 1.8)
  const index = plate + bolts + doublerMassOf(d) * PRICE['al-5083'] + (d.core.school === 'insert' ? 14 : 2)
  return index <= COST_CLASS[0]! ? 'low' : index <= COST_CLASS[1]! ? 'middle' : 'high'
}
export function underDeckOf(d: Design, j: Judgement): number {
  const s = SIZES[d.bolt.size]!
  const washer = (d.bolt.nutWasher === 'large' ? s.largeWasher : s.plainWasher).thicknessMm
  const end = j.grip ? j.grip.lengthMm - j.grip.gripMm : 2 * s.hexNutMm
  return (d.plate ? d.plate.thicknessMm + d.plate.bedGapMm : 0) + washer + Math.max(0, end)
}

const COST = { low: 0, middle: 1, high: 2 }
export interface Weighed {
  mass: number
  cost: CostClass
  underDeckMm: number
  hours: number
}
/** Better in one thing and worse in none. */
export const beats = (a: Weighed, b: Weighed) =>
  a.mass <= b.mass &&
  COST[a.cost] <= COST[b.cost] &&
  a.underDeckMm <= b.underDeckMm &&
  a.hours <= b.hours &&
  (a.mass < b.mass || COST[a.cost] < COST[b.cost] || a.underDeckMm < b.underDeckMm || a.hours < b.hours)

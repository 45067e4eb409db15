import { STOCK_THICKNESS, PLATES } from '../materials/plates'
import { SIZES } from '../materials/fasteners'
import { CORES, HOLE_SAWS } from '../materials/cores'
import type { YardValue } from '../materials/yard'
import { say, type Check, type Verdict } from '../verdict/check'
import { withChange } from '../change'
import { type Design } from './design'
import type { Judgement } from './judge'
import { plateFor, sizesFor, tryJudge } from './remedies'

export interface Proposal {
  found: boolean
  tried: number
  design: Design | null
  changes: { path: string; label: string; from: string; to: string; why: string }[]
  massKg: number | null
  massBeforeKg: number
  verdict: Verdict
  governing: string | null
  because: string
  /** checks that no design could help, which stay as they are: short only when nothing was found */
  remaining: { title: string; verdict: Verdict; because: string }[]
}

/** What the sizing can change; the rest (edge, spacing of the casting's holes, sealant) it leaves to the fitter. */
const BEYOND = ['edge-distance', 'spacing', 'sealant', 'sling-angle', 'lever']
const STEEL = 7.9e-6

/** Bolts with nuts and washers, and the plate: what the choice adds in weight. */
export function massOf(d: Design, j: Judgement | null): number {
  const s = SIZES[d.bolt.size]!
  const washer = d.bolt.nutWasher === 'large' ? s.largeWasher : s.plainWasher
  const stack = j?.grip?.lengthMm ?? 40
  const each = (Math.PI / 4) * s.diameterMm ** 2 * (stack + 2.2 * s.diameterMm) * STEEL + (Math.PI / 4) * (washer.diameterMm ** 2 - s.clearanceMm ** 2) * washer.thicknessMm * STEEL
  const plate = d.plate ? d.plate.lengthMm * d.plate.widthMm * d.plate.thicknessMm * PLATES[d.plate.material].densityKgM3 * 1e-9 : 0
  return d.bolts.length * each + plate
}

const acceptable = (checks: Check[], untouchable: Set<string>) => checks.every((c) => c.verdict === 'holds' || untouchable.has(c.id))

function options(d: Design, yard: YardValue[] | undefined): Design[] {
  const sizes = sizesFor(d)
  const grades = [...new Set([d.bolt.grade, ...(d.bolt.grade === 'A4-70' ? (['A4-80'] as const) : [])])]
  const cored = d.structure.kind === 'sandwich'
  const rots = d.structure.kind === 'sandwich' && CORES[d.structure.core.material].rots
  const schools = cored ? [...new Set([d.core.school === 'none' || (d.core.school === 'seal-wall' && rots) ? ('bore-fill' as const) : d.core.school, 'bore-fill' as const, 'insert' as const])] : [d.core.school]
  const materials = d.place.belowWaterline ? (['g10', 'ss-316'] as const) : (['g10', 'al-6061', 'ss-316'] as const)
  const reaches = [25, 30, 35, 40, 50, 60, 80, 100, 130]
  const plates: Design['plate'][] = [null]
  const bedGapMm = d.plate?.bedGapMm ?? 1
  for (const reach of reaches) for (const material of materials) for (const thicknessMm of STOCK_THICKNESS) plates.push({ material, ...plateFor(d, reach), thicknessMm, bedGapMm })
  // The schools go from the one in hand to the heaviest work; a change of school is only proposed when nothing lighter holds.
  return schools.flatMap((school) =>
    sizes.flatMap((size) => {
      const core = school === 'bore-fill' ? { 'core.school': school, 'core.boreMm': boreFor(d, size) } : school === d.core.school ? {} : { 'core.school': school, 'core.boreMm': null }
      return grades.flatMap((grade) => {
        const bolted = withChange(d, { 'bolt.size': size, 'bolt.grade': grade, 'bolt.nutWasher': 'large', plate: null, ...core })
        // What no plate can help is found out once for the size and grade.
        if (tryJudge(bolted, yard)?.checks.some((c) => PLATE_BLIND.includes(c.id) && c.verdict !== 'holds')) return []
        return plates.map((plate) => (plate ? withChange(bolted, { 'bolt.nutWasher': 'plain', plate }) : bolted))
      })
    }),
  )
}

const PLATE_BLIND = ['bolt', 'bearing', 'shear-out']

/** The bore the school asks for, or the next saw where that leaves the least wall and no more. */
function boreFor(d: Design, sizeId: string): number | null {
  if (d.structure.kind !== 'sandwich') return null
  const hole = SIZES[sizeId]!.clearanceMm
  const least = CORES[d.structure.core.material].rots ? 4 : 3
  return HOLE_SAWS.find((s) => least / ((s - hole) / 2) <= 0.9 && s > hole) ?? null
}

const shown = (d: Design) => (d.plate ? `${d.plate.lengthMm} \u00d7 ${d.plate.widthMm} \u00d7 ${d.plate.thicknessMm} mm ${PLATES[d.plate.material].title}` : 'none, washers only')

function changesOf(from: Design, to: Design, before: Judgement | null): Proposal['changes'] {
  const bad = (ids: string[]) => before?.checks.filter((c) => ids.some((i) => c.id.startsWith(i)) && (c.verdict === 'short' || c.verdict === 'tight')).map((c) => c.because)[0]
  const out: Proposal['changes'] = []
  const add = (path: string, label: string, a: string, b: string, ids: string[]) => {
    if (a !== b) out.push({ path, label, from: a, to: b, why: bad(ids) ?? 'Lighter, and every check still holds.' })
  }
  add('bolt.size', 'Bolt', from.bolt.size, to.bolt.size, ['bolt', 'bearing', 'spacing', 'shear-out'])
  add('bolt.grade', 'Grade', from.bolt.grade, to.bolt.grade, ['bolt'])
  add('plate', 'Backing plate', shown(from), shown(to), ['plate', 'punching', 'crush-plate', 'material'])
  add('bolt.nutWasher', 'Washers under the nuts', from.bolt.nutWasher, to.bolt.nutWasher, ['punching', 'crush-plate'])
  add('core.school', 'Core', from.core.school, to.core.school, ['core-dry', 'crush', 'punching-core'])
  const bore = (d: Design) => (d.core.school !== 'bore-fill' ? '' : d.core.boreMm === null ? 'least' : `${d.core.boreMm} mm`)
  if (to.core.school === 'bore-fill' && from.core.school === 'bore-fill') add('core.boreMm', 'Bore', bore(from), bore(to), ['core-dry'])
  return out
}

/** The lightest design of this fitting in which every check holds, searched over bolt sizes, grades, plates and core schools. */
export function sizeIt(d: Design, yard?: YardValue[]): Proposal {
  const before = tryJudge(d, yard)
  const massBeforeKg = massOf(d, before)
  const untouchable = new Set(BEYOND)
  const all = options(d, yard)
  const startSchool = all[0]?.core.school
  const ranked = all
    .map((o) => ({ o, mass: massOf(o, null), heavierWork: o.core.school === startSchool ? 0 : 1 }))
    .sort((a, b) => a.heavierWork - b.heavierWork || a.mass - b.mass)
  let tried = 0
  let nearest: { worst: number; j: Judgement } | null = null
  for (const { o } of ranked) {
    tried++
    const j = tryJudge(o, yard)
    if (!j) continue
    if (acceptable(j.checks, untouchable)) {
      const remaining = j.checks.filter((c) => c.verdict !== 'holds').map((c) => ({ title: c.title, verdict: c.verdict, because: c.because }))
      const massKg = massOf(o, j)
      return {
        found: true, tried, design: o, changes: changesOf(d, o, before), massKg, massBeforeKg, verdict: j.verdict, governing: j.governing, remaining,
        because: `The lightest of ${tried} designs tried in which every check that can be sized holds: ${say(massKg)} kg of bolts and plate.`,
      }
    }
    const worst = j.checks.filter((c) => !untouchable.has(c.id)).reduce((m, c) => Math.max(m, c.utilisation ?? (c.verdict === 'short' ? 9 : 0)), 0)
    if (!nearest || worst < nearest.worst) nearest = { worst, j }
  }
  const blocking = (nearest?.j ?? before)?.checks.filter((c) => !untouchable.has(c.id) && c.verdict !== 'holds' && (nearest || PLATE_BLIND.includes(c.id))) ?? []
  return {
    found: false, tried, design: null, changes: [], massKg: null, massBeforeKg, verdict: before?.verdict ?? 'short', governing: before?.governing ?? null,
    remaining: blocking.map((c) => ({ title: c.title, verdict: c.verdict, because: c.because })),
    because: blocking.length
      ? `Nothing passes: ${tried ? `of ${tried} designs tried, the nearest still fails at` : 'no bolt size or grade that fits these holes gets past'} \u201c${blocking[0]!.title}\u201d. A smaller load, more bolts, or another place has to give.`
      : `Nothing passes: none of ${tried} designs can be built with this pattern.`,
  }
}

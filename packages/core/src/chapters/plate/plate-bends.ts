import { CalcError, invalid } from '../../base/errors'
import { areaOf, boundsOf, contains, longestLink, type Outline } from '../../base/geometry/outline'
import { SIZES } from '../../base/materials/fasteners'
import { PLATES, stockThickness } from '../../base/materials/plates'
import { draft, inWords, say, step, type Draft } from '../../base/verdict/check'
import { factorsFor, type FactorKind } from '../../base/verdict/factors'
import { boltsPress, snugOf } from '../deck/snug'
import { refusePlugWithoutCore } from '../deck/footprint'
import type { PlateInput } from './plate-input'

/** The largest preload that a plate allows, and by which check. */
export interface PlateSnug {
  preloadN: number | null
  limitedBy: string | null
}

/** Reach on each of the four sides: from the outermost bolt centre to the plate's bounding box. */
function reaches(plate: Outline, bolts: { xMm: number; yMm: number }[]): number[] {
  const b = boundsOf(plate)
  const xs = bolts.map((p) => p.xMm)
  const ys = bolts.map((p) => p.yMm)
  return [
    Math.min(...xs) - b.minX,
    b.maxX - Math.max(...xs),
    Math.min(...ys) - b.minY,
    b.maxY - Math.max(...ys),
  ]
}

export interface Bending {
  areaMm2: number
  pressureMPa: number
  overhangMm: number
  requiredMm: number
}

/**
 * p, c and the thickness at which the worst of overhang, span and stiffness is just used up (chapter 3.5).
 */
export function bending(plate: Outline, v: PlateInput, g: PlateGiven): Bending {
  const areaMm2 = areaOf(plate) - v.bolts.length * g.holeArea
  if (!(areaMm2 > 0))
    throw new CalcError(
      'footprint-too-small',
      'plate',
      'The holes leave nothing of this plate; a larger one is needed',
    )
  const pressureMPa = g.pressN / areaMm2
  const overhangMm = Math.max(0, Math.max(...reaches(plate, v.bolts)) - g.washerMm / 2)
  const c = overhangMm
  const overhang = Math.sqrt((3 * pressureMPa * c * c * g.factor) / g.row.strengthMPa)
  const span = Math.sqrt((pressureMPa * g.spanMm ** 2 * g.factor) / (2 * g.row.strengthMPa))
  const stiffness = Math.cbrt((75 * pressureMPa * c ** 3) / g.row.eMPa)
  return { areaMm2, pressureMPa, overhangMm, requiredMm: Math.max(overhang, span, stiffness) }
}

export interface PlateGiven {
  row: { title: string; strengthMPa: number; eMPa: number; densityKgM3: number; kind: string }
  factors: Record<FactorKind, number>
  factor: number
  holeMm: number
  holeArea: number
  washerMm: number
  preloadN: number
  pressN: number
  spanMm: number
}

const pressStep = (p: number) =>
  step('p', 'pressure of the pull on the plate', '\u03a3B/(A \u2212 holes)', p, 'MPa')
const bendingLimits = ({ row, factor }: PlateGiven) => ({
  unit: 'MPa',
  source: 'chapter 3.5',
  capacity: row.strengthMPa,
  factor,
})
const against = ({ row, factor }: PlateGiven) =>
  `${row.title} ${row.kind === 'metal' ? 'yields' : 'breaks in bending'} at ${row.strengthMPa} MPa and the factor is ${factor}.`

function pastTheBolts(v: PlateInput, g: PlateGiven, { overhangMm: c, pressureMPa: p }: Bending): Draft {
  const tp = v.plate.thicknessMm
  const demand = (3 * p * c * c) / (tp * tp)
  return draft({
    ...bendingLimits(g),
    id: 'plate-overhang',
    title: 'Plate bending past the bolts',
    demand,
    because: () =>
      `${say(c)} mm of overhang at ${say(p)} MPa bend ${say(tp)} mm of plate to ${say(demand)} MPa; ${against(g)}`,
    working: () => [
      pressStep(p),
      step('c', 'overhang past the washer', 'reach \u2212 washer/2', c, 'mm'),
      step('\u03c3', 'bending at the washer', '3\u00b7p\u00b7c\u00b2/tp\u00b2', demand, 'MPa'),
    ],
  })
}
function betweenTheBolts(v: PlateInput, g: PlateGiven, { pressureMPa: p }: Bending): Draft[] {
  if (v.bolts.length < 2) return []
  const tp = v.plate.thicknessMm
  const demand = (p * g.spanMm ** 2) / (2 * tp * tp)
  return [
    draft({
      ...bendingLimits(g),
      id: 'plate-span',
      title: 'Plate bending between the bolts',
      demand,
      because: () =>
        `${say(g.spanMm)} mm between bolts at ${say(p)} MPa bend ${say(tp)} mm of plate to ${say(demand)} MPa; ${against(g)}`,
      working: () => [
        pressStep(p),
        step('s', 'longest link of the shortest tree through the bolts', '', g.spanMm, 'mm'),
        step('\u03c3', 'bending between bolts', 'p\u00b7s\u00b2/(2\u00b7tp\u00b2)', demand, 'MPa'),
      ],
    }),
  ]
}
function stiffToItsEdge(v: PlateInput, g: PlateGiven, { overhangMm: c, pressureMPa: p }: Bending): Draft {
  const tip = (1.5 * p * c ** 4) / (g.row.eMPa * v.plate.thicknessMm ** 3)
  return draft({
    id: 'plate-stiffness',
    title: 'Plate stiff to its edge',
    unit: 'mm',
    source: 'chapter 3.5',
    demand: c === 0 ? 0 : tip,
    capacity: c / 50,
    because: () =>
      c === 0
        ? 'Nothing of the plate stands past the washers.'
        : `The edge gives ${say(tip)} mm; past ${say(c / 50)} mm the pressure peaks at the washers and the plate is only a big washer.`,
    working: () => [
      pressStep(p),
      step('w', 'tip deflection', '1.5\u00b7p\u00b7c\u2074/(E\u00b7tp\u00b3)', tip, 'mm'),
      step('limit', 'c/50', '', c / 50, 'mm'),
    ],
  })
}
function materialSaid(v: PlateInput): Draft[] {
  const because =
    v.plate.material === 'plastic' && v.structural
      ? 'Plastic sheet creeps under bolt load and will not bond: not for anything structural.'
      : v.plate.material === 'plywood' && v.belowWaterline
        ? 'Plywood rots where it is wet and unseen: never under the waterline.'
        : null
  if (!because) return []
  const said = { id: 'material', title: 'Plate material', unit: '', source: 'chapter 3.5' }
  return [inWords({ ...said, verdict: 'short', because })]
}
export const bendingChecks = (v: PlateInput, g: PlateGiven, b: Bending): Draft[] => [
  pastTheBolts(v, g, b),
  ...betweenTheBolts(v, g, b),
  stiffToItsEdge(v, g, b),
  ...materialSaid(v),
]

export function givenAt(v: PlateInput, preloadN: number): PlateGiven {
  const size = SIZES[v.bolt.size]!
  const table = PLATES[v.plate.material]
  const row = {
    ...table,
    strengthMPa: v.plate.strengthMPa ?? table.strengthMPa,
    eMPa: v.plate.eMPa ?? table.eMPa,
  }
  const factors = factorsFor(v.duty, v.factors)
  const holeMm = v.bolt.holeMm ?? size.clearanceMm
  return {
    row,
    factors,
    factor: row.kind === 'metal' ? factors.metal : factors.laminate,
    holeMm,
    holeArea: (Math.PI / 4) * holeMm ** 2,
    washerMm: v.washerDiameterMm ?? (v.washer === 'large' ? size.largeWasher : size.plainWasher).diameterMm,
    preloadN,
    pressN: v.bolts.reduce((s, b) => s + Math.max(b.tensionN, preloadN), 0),
    spanMm: longestLink(v.bolts),
  }
}
function refuseOutside(v: Pick<PlateInput, 'plate' | 'bolts'>) {
  v.bolts.forEach((b, i) => {
    if (!contains(v.plate, b))
      throw new CalcError(
        'bolt-outside-plate',
        `bolts.${i}`,
        `Bolt ${i + 1} at ${b.xMm}, ${b.yMm} mm does not stand inside the plate`,
      )
  })
}
/**
 * Bending of a plate past and between its bolts alone: what a load moves, apart from what it does to the
 * deck.
 */
export function plateBendingOf(
  v: Pick<PlateInput, 'duty' | 'plate' | 'bolts' | 'bolt' | 'washer'> & { factors?: PlateInput['factors'] },
): Draft[] {
  refuseOutside(v)
  const whole = { ...v, structural: true, belowWaterline: false, bedGapMm: 0 }
  const g = givenAt(whole, v.bolt.preloadN)
  return bendingChecks(whole, g, bending(v.plate, whole, g)).filter(
    (c) => c.id === 'plate-overhang' || c.id === 'plate-span',
  )
}

export function refuse(v: PlateInput) {
  refusePlugWithoutCore(v.structure, v.plug)
  if ('outline' in v.plate && !(areaOf(v.plate) > 0))
    throw invalid('plate.outline', 'These points enclose no area; give the corners in order')
  refuseOutside(v)
}

function figuresOf(v: PlateInput, g: PlateGiven, b: Bending) {
  const least = Math.min(...reaches(v.plate, v.bolts))
  const d = SIZES[v.bolt.size]!.diameterMm
  const ruleMm = (g.row.kind === 'metal' ? 1 : 2) * d
  const area = areaOf(v.plate)
  return {
    pressureMPa: b.pressureMPa,
    overhangMm: b.overhangMm,
    spanMm: g.spanMm,
    requiredThicknessMm: b.requiredMm,
    stockThicknessMm: stockThickness(b.requiredMm),
    rule: {
      thicknessMm: ruleMm,
      reachMm: 5 * d,
      thicknessMet: v.plate.thicknessMm >= ruleMm,
      reachMet: least >= 5 * d,
    },
    massKg: area * v.plate.thicknessMm * g.row.densityKgM3 * 1e-9,
    bedMl: (area * v.bedGapMm * 1.2) / 1000,
    cornerRadiusMm: 3 * d,
    bevelMm: v.plate.material === 'g10' || v.plate.material === 'glass-epoxy' ? v.plate.thicknessMm : 0,
  }
}
export type PlateFigures = ReturnType<typeof figuresOf>
/** What a plate does by its own bending: its checks, and what is known of it beside them. */
export function plateBends(v: PlateInput): { checks: Draft[]; figures: PlateFigures } {
  refuse(v)
  const g = givenAt(v, v.bolt.preloadN)
  const b = bending(v.plate, v, g)
  return { checks: bendingChecks(v, g, b), figures: figuresOf(v, g, b) }
}

/**
 * The largest preload that what is checked allows, whatever pulls the bolts: all of it goes with the bolts'
 * press. A preload of its own is tried, for a figure to share out.
 */
export function snugBy(
  v: PlateInput,
  checksAt: (preloadN: number) => Draft[],
): (tensionsN: number[]) => PlateSnug {
  const trialN = Math.max(1, v.bolt.preloadN)
  const clamped = v.bolts.reduce((s, b) => s + Math.max(b.tensionN, trialN), 0)
  const moved = checksAt(trialN)
    .filter((c) => c.utilisation !== null && !c.id.startsWith('punching'))
    .map((c) => ({ id: c.id, perNewton: c.utilisation! / clamped }))
  return (tensionsN) => {
    const bolts = boltsPress(tensionsN)
    return snugOf(
      moved.map((c) => ({ ...c, ...bolts })),
      null,
    )
  }
}
/** What a plate's own bending alone lets its bolts be pulled to, by what the load pulls them with. */
export function plateSnugOf(v: PlateInput): (tensionsN: number[]) => PlateSnug {
  refuse(v)
  return snugBy(v, (preloadN) => {
    const g = givenAt(v, preloadN)
    return bendingChecks(v, g, bending(v.plate, v, g))
  })
}

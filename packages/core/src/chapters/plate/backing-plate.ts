import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError, invalid } from '../../base/errors'
import {
  areaOf,
  boundsOf,
  contains,
  longestLink,
  outlineSchema,
  type Outline,
} from '../../base/geometry/outline'
import { SIZES, SIZE_IDS } from '../../base/materials/fasteners'
import { PLATES, PLATE_IDS, STOCK_THICKNESS, stockThickness } from '../../base/materials/plates'
import { structureSchema } from '../../base/materials/structure'
import {
  checkSchema,
  dutySchema,
  factorsSchema,
  nonNegative,
  positive,
  verdictSchema,
} from '../../base/schema/schema'
import {
  draft,
  governing,
  inWords,
  say,
  step,
  worstVerdict,
  written,
  type Draft,
} from '../../base/verdict/check'
import { factorsFor, type FactorKind } from '../../base/verdict/factors'
import { boltsPress, snugOf } from '../deck/snug'
import { footprintChecks, plugSchema, refusePlugWithoutCore } from '../deck/footprint'

const input = z
  .strictObject({
    duty: dutySchema.default('coastal'),
    factors: factorsSchema.optional(),
    plate: outlineSchema({
      material: z.enum(PLATE_IDS),
      thicknessMm: positive(),
      strengthMPa: positive().optional(),
      eMPa: positive().optional(),
    }),
    bolts: z.array(z.strictObject({ xMm: z.number(), yMm: z.number(), tensionN: nonNegative() })).min(1),
    bolt: z.strictObject({
      size: z.enum(SIZE_IDS),
      preloadN: nonNegative().default(0),
      holeMm: positive().optional(),
    }),
    washer: z.enum(['plain', 'large']).default('plain'),
    washerDiameterMm: positive().optional(),
    structural: z.boolean().default(true),
    belowWaterline: z.boolean().default(false),
    bedGapMm: nonNegative().default(0),
    structure: structureSchema.optional(),
    plug: plugSchema.optional(),
  })
  .superRefine((v, ctx) => {
    const d = SIZES[v.bolt.size]!.diameterMm
    if (v.bolt.holeMm !== undefined && v.bolt.holeMm < d)
      ctx.addIssue({
        code: 'custom',
        path: ['bolt', 'holeMm'],
        message: `${v.bolt.holeMm} was given; the hole is at least as wide as its ${d} mm bolt`,
      })
  })
const output = z.object({
  pressureMPa: z.number(),
  overhangMm: z.number(),
  spanMm: z.number(),
  checks: z.array(checkSchema),
  verdict: verdictSchema,
  governing: z.string(),
  requiredThicknessMm: z.number(),
  stockThicknessMm: z.number().nullable(),
  suggested: z
    .union([
      z.object({ lengthMm: z.number(), widthMm: z.number(), thicknessMm: z.number() }),
      z.object({ diameterMm: z.number(), thicknessMm: z.number() }),
    ])
    .nullable(),
  snug: z.object({ preloadN: z.number().nullable(), limitedBy: z.string().nullable() }),
  rule: z.object({
    thicknessMm: z.number(),
    reachMm: z.number(),
    thicknessMet: z.boolean(),
    reachMet: z.boolean(),
  }),
  massKg: z.number(),
  bedMl: z.number(),
  cornerRadiusMm: z.number(),
  bevelMm: z.number(),
})
export type PlateInput = z.output<typeof input>
export type PlateOutput = z.infer<typeof output>

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

interface Bending {
  areaMm2: number
  pressureMPa: number
  overhangMm: number
  requiredMm: number
}

/**
 * p, c and the thickness at which the worst of overhang, span and stiffness is just used up (chapter 3.5).
 */
function bending(plate: Outline, v: PlateInput, g: Given): Bending {
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

interface Given {
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

const GROW_MM = 5
const MOST_MM = 2000
const up = (mm: number) => Math.ceil(mm / GROW_MM - 1e-9) * GROW_MM

function suggest(v: PlateInput, g: Given): PlateOutput['suggested'] {
  if ('outline' in v.plate) return null
  let plan: { lengthMm: number; widthMm: number } | { diameterMm: number } =
    'diameterMm' in v.plate
      ? { diameterMm: up(v.plate.diameterMm) }
      : { lengthMm: up(v.plate.lengthMm), widthMm: up(v.plate.widthMm) }
  const over = (p: Outline) => onDeck(v, g, p).some((c) => (c.utilisation ?? Infinity) > 1 + 1e-9)
  while (v.structure && over(plan)) {
    plan =
      'diameterMm' in plan
        ? { diameterMm: plan.diameterMm + GROW_MM }
        : { lengthMm: plan.lengthMm + GROW_MM, widthMm: plan.widthMm + GROW_MM }
    if (Math.max(...Object.values(plan)) > MOST_MM) return null
  }
  const thicknessMm = stockThickness(bending(plan, v, g).requiredMm)
  return thicknessMm === null ? null : { ...plan, thicknessMm }
}

function bendingChecks(v: PlateInput, g: Given, b: Bending): Draft[] {
  const tp = v.plate.thicknessMm
  const c = b.overhangMm
  const p = b.pressureMPa
  const strength = g.row.kind === 'metal' ? 'yields' : 'breaks in bending'
  const start = [step('p', 'pressure of the pull on the plate', '\u03a3B/(A \u2212 holes)', p, 'MPa')]
  const against = `${g.row.title} ${strength} at ${g.row.strengthMPa} MPa and the factor is ${g.factor}.`
  const overhang = (3 * p * c * c) / (tp * tp)
  const out = [
    draft({
      id: 'plate-overhang',
      title: 'Plate bending past the bolts',
      unit: 'MPa',
      source: 'chapter 3.5',
      demand: overhang,
      capacity: g.row.strengthMPa,
      factor: g.factor,
      because: () =>
        `${say(c)} mm of overhang at ${say(p)} MPa bend ${say(tp)} mm of plate to ${say(overhang)} MPa; ${against}`,
      working: () => [
        ...start,
        step('c', 'overhang past the washer', 'reach \u2212 washer/2', c, 'mm'),
        step('\u03c3', 'bending at the washer', '3\u00b7p\u00b7c\u00b2/tp\u00b2', overhang, 'MPa'),
      ],
    }),
  ]
  if (v.bolts.length > 1) {
    const span = (p * g.spanMm ** 2) / (2 * tp * tp)
    out.push(
      draft({
        id: 'plate-span',
        title: 'Plate bending between the bolts',
        unit: 'MPa',
        source: 'chapter 3.5',
        demand: span,
        capacity: g.row.strengthMPa,
        factor: g.factor,
        because: () =>
          `${say(g.spanMm)} mm between bolts at ${say(p)} MPa bend ${say(tp)} mm of plate to ${say(span)} MPa; ${against}`,
        working: () => [
          ...start,
          step('s', 'longest link of the shortest tree through the bolts', '', g.spanMm, 'mm'),
          step('\u03c3', 'bending between bolts', 'p\u00b7s\u00b2/(2\u00b7tp\u00b2)', span, 'MPa'),
        ],
      }),
    )
  }
  const tip = (1.5 * p * c ** 4) / (g.row.eMPa * tp ** 3)
  out.push(
    draft({
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
        ...start,
        step('w', 'tip deflection', '1.5\u00b7p\u00b7c\u2074/(E\u00b7tp\u00b3)', tip, 'mm'),
        step('limit', 'c/50', '', c / 50, 'mm'),
      ],
    }),
  )
  const objection =
    v.plate.material === 'plastic' && v.structural
      ? 'Plastic sheet creeps under bolt load and will not bond: not for anything structural.'
      : v.plate.material === 'plywood' && v.belowWaterline
        ? 'Plywood rots where it is wet and unseen: never under the waterline.'
        : null
  if (objection)
    out.push(
      inWords({
        id: 'material',
        title: 'Plate material',
        unit: '',
        source: 'chapter 3.5',
        verdict: 'short',
        because: objection,
      }),
    )
  return out
}

function givenAt(v: PlateInput, preloadN: number): Given {
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
/** What a plate of this outline does to the deck under it; nothing where no deck is given. */
const onDeck = (v: PlateInput, g: Given, plate: Outline): Draft[] =>
  v.structure
    ? footprintChecks({
        structure: v.structure,
        plug: v.plug,
        plate,
        washerMm: g.washerMm,
        holeMm: g.holeMm,
        factors: g.factors,
        bolts: v.bolts.map((x) => ({ tensionN: x.tensionN, preloadN: g.preloadN })),
      })
    : []
function plateChecks(v: PlateInput, preloadN: number): Draft[] {
  const g = givenAt(v, preloadN)
  return [...bendingChecks(v, g, bending(v.plate, v, g)), ...onDeck(v, g, v.plate)]
}

/**
 * The largest preload that the plate and what it presses on allow: all of it goes with the bolts' press. A
 * preload of its own is tried where nothing presses, for a figure to share out.
 */
function plateSnug(v: PlateInput) {
  const trialN = Math.max(1, v.bolt.preloadN)
  const tensions = v.bolts.map((b) => b.tensionN)
  const clamped = tensions.reduce((s, t) => s + Math.max(t, trialN), 0)
  const moved = plateChecks(v, trialN).filter((c) => c.utilisation !== null && !c.id.startsWith('punching'))
  return snugOf(
    moved.map((c) => ({ id: c.id, perNewton: c.utilisation! / clamped, ...boltsPress(tensions) })),
    null,
  )
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

function refuse(v: PlateInput) {
  refusePlugWithoutCore(v.structure, v.plug)
  if ('outline' in v.plate && !(areaOf(v.plate) > 0))
    throw invalid('plate.outline', 'These points enclose no area; give the corners in order')
  refuseOutside(v)
}
/** Only what the plate lets its bolts be pulled to. */
export function plateSnugOf(v: PlateInput): PlateOutput['snug'] {
  refuse(v)
  return plateSnug(v)
}
export function backingPlateOf(v: PlateInput): PlateOutput {
  refuse(v)
  const g = givenAt(v, v.bolt.preloadN)
  const b = bending(v.plate, v, g)
  const checks = plateChecks(v, v.bolt.preloadN).map(written)
  const least = Math.min(...reaches(v.plate, v.bolts))
  const d = SIZES[v.bolt.size]!.diameterMm
  const ruleMm = (g.row.kind === 'metal' ? 1 : 2) * d
  const area = areaOf(v.plate)
  return {
    pressureMPa: b.pressureMPa,
    overhangMm: b.overhangMm,
    spanMm: g.spanMm,
    checks,
    verdict: worstVerdict(checks.map((c) => c.verdict)),
    governing: governing(checks)!.id,
    requiredThicknessMm: b.requiredMm,
    stockThicknessMm: stockThickness(b.requiredMm),
    suggested: suggest(v, g),
    snug: plateSnug(v),
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

export const backingPlate = defineCalculator({
  name: 'backing-plate',
  title: 'How big and how thick a backing plate',
  chapter: '3.5',
  words: ['backing plate', 'thickness', 'overhang', 'G10', 'pad', 'how thick', 'how big'],
  input,
  output,
  tries: (v) => [
    ...STOCK_THICKNESS.filter((t) => t > v.plate.thicknessMm).map((t) => ({
      id: `thickness-${t}`,
      text: `${t} mm thick`,
      change: { 'plate.thicknessMm': t },
      input: { ...v, plate: { ...v.plate, thicknessMm: t } },
    })),
    ...(['g10', 'al-6061', 'ss-316'] as const)
      .filter((m) => m !== v.plate.material)
      .map((m) => ({
        id: `material-${m}`,
        text: PLATES[m].title,
        change: { 'plate.material': m },
        input: { ...v, plate: { ...v.plate, material: m, strengthMPa: undefined, eMPa: undefined } },
      })),
  ],
  run: backingPlateOf,
})

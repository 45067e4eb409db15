import { z } from 'zod'
import { upFrom, withNumbers } from '../../base/attempts'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError, invalid } from '../../base/errors'
import { shareAmong } from '../deck/bolt-group'
import { cosd, sind } from '../../base/geometry/outline'
import { GRADES, GRADE_IDS, type GradeId } from '../../base/materials/fasteners'
import {
  checkSchema,
  dutySchema,
  nonNegative,
  pointSchema,
  positive,
  verdictSchema,
} from '../../base/schema/schema'
import { check, say, step, unproven, worstVerdict, type Check } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'

/** Plate and bar, yield and ultimate in MPa (chapter 9.2). */
export const BAR = {
  'ss-316': [205, 515],
  'ss-316-drawn': [415, 620],
  'al-6061': [240, 290],
  'titanium-6al4v': [830, 900],
} as const
const METALS = [...GRADE_IDS, ...(Object.keys(BAR) as (keyof typeof BAR)[])] as const
const metalShape = {
  grade: z.enum(METALS).optional(),
  yieldMPa: positive().optional(),
  ultimateMPa: positive().optional(),
}
type Metal = {
  grade?: (typeof METALS)[number] | undefined
  yieldMPa?: number | undefined
  ultimateMPa?: number | undefined
}

const input = z
  .strictObject({
    breakingN: positive(),
    plate: z.strictObject({
      thicknessMm: positive(),
      widthMm: positive(),
      holeMm: positive(),
      endMm: positive(),
      ...metalShape,
    }),
    pin: z.strictObject({ diameterMm: positive(), ...metalShape }),
    misalignDeg: z.number().min(0).lt(90).default(0),
    leverMm: nonNegative().default(0),
    inPlaneDeg: z.number().min(-90).max(90).default(0),
    bolts: z
      .strictObject({
        points: z.array(pointSchema).min(1),
        diameterMm: positive(),
        holeMm: positive().optional(),
        ...metalShape,
      })
      .optional(),
    hull: z
      .strictObject({
        thicknessMm: positive(),
        edgeMm: positive(),
        bearingMPa: positive().default(200),
        shearMPa: positive().default(74.8),
      })
      .optional(),
    duty: dutySchema.default('coastal'),
  })
  .superRefine((v, ctx) => {
    const refuse = (path: string[], message: string) => ctx.addIssue({ code: 'custom', path, message })
    const metal = (where: string, m: Metal) => {
      if (m.yieldMPa !== undefined && m.ultimateMPa !== undefined)
        return (
          m.ultimateMPa < m.yieldMPa &&
          refuse(
            [where, 'ultimateMPa'],
            `${m.ultimateMPa} was given; the ultimate is not below the yield of ${m.yieldMPa}`,
          )
        )
      if (m.grade !== undefined) return
      if (m.yieldMPa === undefined && m.ultimateMPa === undefined)
        refuse([where, 'grade'], 'grade is missing; a grade, or yield and ultimate, is needed')
      else
        refuse(
          [where, m.yieldMPa === undefined ? 'yieldMPa' : 'ultimateMPa'],
          'Yield and ultimate are needed together',
        )
    }
    metal('plate', v.plate)
    metal('pin', v.pin)
    if (v.bolts) metal('bolts', v.bolts)
    if (v.plate.widthMm <= v.plate.holeMm)
      refuse(
        ['plate', 'widthMm'],
        `${v.plate.widthMm} was given; the plate is wider than its hole of ${v.plate.holeMm} mm`,
      )
    if (v.plate.endMm <= v.plate.holeMm / 2)
      refuse(
        ['plate', 'endMm'],
        `${v.plate.endMm} was given; the end lies more than half the hole from its centre`,
      )
    if (v.bolts?.holeMm !== undefined && v.bolts.holeMm < v.bolts.diameterMm)
      refuse(
        ['bolts', 'holeMm'],
        `${v.bolts.holeMm} was given; the hole is not below its ${v.bolts.diameterMm} mm bolt`,
      )
    if (v.hull && v.bolts && v.hull.edgeMm <= v.bolts.diameterMm / 2)
      refuse(
        ['hull', 'edgeMm'],
        `${v.hull.edgeMm} was given; the edge lies more than half a bolt from its centre`,
      )
  })
const output = z.object({
  checks: z.array(checkSchema),
  boltShearN: z.array(z.number()).nullable(),
  utilisation: z.number().nullable(),
  governing: z.string(),
  verdict: verdictSchema,
})

/** Yield and ultimate of a grade, MPa. */
export const strengthOf = (grade: (typeof METALS)[number]): readonly [number, number] =>
  grade in BAR
    ? BAR[grade as keyof typeof BAR]
    : [GRADES[grade as GradeId].proofMPa, GRADES[grade as GradeId].ultimateMPa]
/** Yield at the wire's strength, ultimate at 1.3 times it: whichever is lower at 1.0. */
function allowed(m: Metal): number {
  const [y, u] =
    m.yieldMPa !== undefined && m.ultimateMPa !== undefined
      ? [m.yieldMPa, m.ultimateMPa]
      : strengthOf(m.grade!)
  return Math.min(y, u / 1.3)
}

export const chainplate = defineCalculator({
  name: 'chainplate',
  title: 'Chainplate, pin and bolts',
  chapter: '9',
  words: ['chainplate', 'shroud', 'rig', 'pin', 'stay', 'wire'],
  input,
  output,
  tries: (v) => [
    ...withNumbers(v, 'plate.thicknessMm', upFrom(v.plate.thicknessMm), (n) => `plate ${n} mm thick`),
    ...withNumbers(v, 'plate.widthMm', upFrom(v.plate.widthMm), (n) => `plate ${n} mm wide`),
    ...withNumbers(v, 'plate.endMm', upFrom(v.plate.endMm), (n) => `${n} mm from hole to end`),
    ...(v.misalignDeg > 2
      ? withNumbers(v, 'misalignDeg', [2, 1, 0], (n) => `led within ${n}\u00b0 of the wire`)
      : []),
    ...(v.plate.holeMm - v.pin.diameterMm > 0.4
      ? withNumbers(v, 'pin.diameterMm', [v.plate.holeMm - 0.3], (n) => `a pin of ${n} mm`)
      : []),
    ...(v.bolts
      ? withNumbers(v, 'bolts.diameterMm', upFrom(v.bolts.diameterMm), (n) => `bolts of ${n} mm`)
      : []),
    ...(v.hull
      ? [
          ...withNumbers(
            v,
            'hull.thicknessMm',
            upFrom(v.hull.thicknessMm),
            (n) => `hull or knee ${n} mm thick`,
          ),
          ...withNumbers(
            v,
            'hull.edgeMm',
            upFrom(v.hull.edgeMm),
            (n) => `${n} mm to the laminate\u2019s edge`,
          ),
        ]
      : []),
  ],
  run: (v) => {
    if (v.pin.diameterMm > v.plate.holeMm)
      throw new CalcError(
        'pin-too-big',
        'pin.diameterMm',
        `A ${say(v.pin.diameterMm)} mm pin does not pass a ${say(v.plate.holeMm)} mm hole`,
      )
    const F = v.breakingN
    const { thicknessMm: t, widthMm: w, holeMm: dh, endMm: e } = v.plate
    const dp = v.pin.diameterMm
    const [plate, pin] = [allowed(v.plate), allowed(v.pin)]
    const stress = (
      id: string,
      title: string,
      demand: number,
      capacity: number,
      expression: string,
      factor = 1,
      assumed: string[] = [],
    ) =>
      check({
        id,
        title,
        unit: 'MPa',
        source: 'chapter 9',
        demand,
        capacity,
        factor,
        assumed,
        because: `${say(demand)} MPa at the wire\u2019s strength, against ${say(capacity)} MPa${factor === 1 ? '' : ` with a factor of ${factor}`}.`,
        working: [
          step('F', 'strength of the wire', '', F, 'N'),
          step('\u03c3', title.toLowerCase(), expression, demand, 'MPa'),
        ],
      })
    const [sm, cm] = [sind(v.misalignDeg), cosd(v.misalignDeg)]
    const checks: Check[] = [
      stress('net-tension', 'Net section', F / ((w - dh) * t), plate, 'F/((w \u2212 dh)\u00b7t)'),
      stress('bearing', 'Bearing of the pin', F / (dp * t), 1.5 * plate, 'F/(dp\u00b7t)'),
      stress(
        'shear-out',
        'Shear-out past the hole',
        F / (2 * (e - dh / 2) * t),
        0.577 * plate,
        'F/(2(e \u2212 dh/2)\u00b7t)',
      ),
      stress(
        'pin-shear',
        'Pin in double shear',
        F / (2 * (Math.PI / 4) * dp * dp),
        0.577 * pin,
        'F/(2\u00b7(\u03c0/4)\u00b7dp\u00b2)',
      ),
      check({
        id: 'clearance',
        title: 'Play of the pin',
        unit: 'mm',
        source: 'chapter 9',
        demand: dh - dp,
        capacity: 0.5,
        because: `${say(dh - dp)} mm of play; 0.5 is the most.`,
      }),
      check({
        id: 'lead',
        title: 'Lies along the wire',
        unit: 'deg',
        source: 'chapter 9',
        demand: v.misalignDeg,
        capacity: 2,
        because: `${say(v.misalignDeg)}\u00b0 out of the wire\u2019s line; 2\u00b0 is the most.`,
      }),
      stress(
        'bending',
        'Tension and bending together',
        (F * cm) / (w * t) + (F * sm * v.leverMm) / ((w * t * t) / 6),
        plate,
        'F\u00b7cos m/(w\u00b7t) + F\u00b7sin m\u00b7h/(w\u00b7t\u00b2/6)',
      ),
    ]
    let boltShearN: number[] | null = null
    if (v.bolts) {
      const b = v.bolts
      const hole = b.holeMm ?? b.diameterMm + 1
      const group = shareAmong(
        b.points,
        { x: -F * cosd(v.inPlaneDeg), y: F * sind(v.inPlaneDeg), z: 0 },
        { x: 0, y: 0, z: 0 },
      )
      if (group.unresistedTwistNmm > 1e-6 * F)
        throw new CalcError(
          'unresisted-twist',
          'bolts.points',
          'All bolts stand at one point and the wire pulls past it; nothing resists the twist',
        )
      boltShearN = group.bolts.map((x) => x.shearN)
      const V = group.maxShearN
      const least = Math.min(...b.points.map((p) => p.xMm))
      const j = b.points.filter((p) => p.xMm <= least + 0.5).length
      const net = w - j * hole
      if (!(net > 0))
        throw invalid('bolts.holeMm', `${j} holes of ${say(hole)} mm leave nothing of a ${say(w)} mm plate`)
      const bolt = allowed(b)
      const factor = factorsFor(v.duty).laminate
      checks.push(
        stress(
          'bolt-net',
          'Net section at the bolts',
          (F * cosd(v.inPlaneDeg)) / (net * t),
          plate,
          'F\u00b7cos a/((w \u2212 j\u00b7bh)\u00b7t)',
        ),
        stress(
          'bolt-shear',
          'Bolts in shear',
          V / ((Math.PI / 4) * b.diameterMm ** 2),
          0.577 * bolt,
          'V/((\u03c0/4)\u00b7d\u00b2)',
        ),
        stress('bolt-bearing', 'Bolts on the plate', V / (b.diameterMm * t), 1.5 * plate, 'V/(d\u00b7t)'),
      )
      const why = 'The hull or knee is not described.'
      if (!v.hull)
        checks.push(
          unproven({
            id: 'hull-bearing',
            title: 'Bolts on the laminate',
            unit: 'MPa',
            source: 'chapter 9.2',
            because: why,
            factor,
          }),
          unproven({
            id: 'hull-shear-out',
            title: 'Shear-out of the laminate',
            unit: 'MPa',
            source: 'chapter 9.2',
            because: why,
            factor,
          }),
        )
      else
        checks.push(
          stress(
            'hull-bearing',
            'Bolts on the laminate',
            V / (b.diameterMm * v.hull.thicknessMm),
            v.hull.bearingMPa,
            'V/(d\u00b7th)',
            factor,
          ),
          stress(
            'hull-shear-out',
            'Shear-out of the laminate',
            V / (2 * (v.hull.edgeMm - b.diameterMm / 2) * v.hull.thicknessMm),
            v.hull.shearMPa,
            'V/(2(eh \u2212 d/2)\u00b7th)',
            factor,
          ),
        )
    }
    const worst = checks.reduce((m, c) => ((c.utilisation ?? -1) > (m.utilisation ?? -1) ? c : m))
    return {
      checks,
      boltShearN,
      utilisation: worst.utilisation,
      governing: worst.id,
      verdict: worstVerdict(checks.map((c) => c.verdict)),
    }
  },
})

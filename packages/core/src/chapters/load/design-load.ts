import { z } from 'zod'
import { withNumbers } from '../../base/attempts'
import { defineCalculator } from '../../base/calculator/calculator'
import { invalid } from '../../base/errors'
import { cosd, sind, tand } from '../../base/geometry/outline'
import { LINE_IDS } from '../../base/materials/lines'
import { checkSchema, nonNegative, positive, vectorSchema, workingSchema } from '../../base/schema/schema'
import { anglesOf, countOf, span } from './sweep'
import { check, say, step, type Check, type Working } from '../../base/verdict/check'
import { breakingOf, checkGrade } from './line-strength'

export const GRAVITY = 9.80665
export const AIR_DENSITY = 1.225
export const KNOT = 0.514444
export const SEACOCK_TEST_N = 2224
export const PERSON_N = { guard: 700, handhold: 1500, step: 1500, tether: 10000 } as const
const MOST_DIRECTIONS = 10_000

const common = {
  elevationDeg: z.number().min(-90).max(90).optional(),
  azimuthDeg: z.number().optional(),
  heightMm: nonNegative().optional(),
  /** where the load acts, in the fitting's axes from the centre of its base, z from the deck */
  pointMm: vectorSchema.optional(),
  /** whose angles they are: the fitting's own, or the boat's */
  azimuthOf: z.enum(['fitting', 'boat']).optional(),
  /** the fitting's x, turned from the boat's x (aft) towards the boat's y (starboard) */
  headingDeg: z.number().min(-360).max(360).optional(),
  sweep: z
    .strictObject({
      azimuthDeg: span(-Number.MAX_VALUE, Number.MAX_VALUE).optional(),
      elevationDeg: span(-90, 90).optional(),
    })
    .optional(),
}
const share = () => z.number().positive().max(1).optional()
const atLeastOne = () => z.number().min(1).optional()
const byStrength = {
  breakingN: positive().optional(),
  line: z.enum(LINE_IDS).optional(),
  diameterMm: positive().optional(),
  grade: z.number().optional(),
  newtonPerMm2: positive().optional(),
}

const branches = z.discriminatedUnion('basis', [
  z.strictObject({ basis: z.literal('rated'), ratedN: positive(), ...common }),
  z.strictObject({ basis: z.literal('line'), ...byStrength, share: share(), ...common }),
  z.strictObject({
    basis: z.literal('turned-line'),
    tensionN: positive(),
    deflectionDeg: z.number().min(0).max(180),
    ...common,
  }),
  z.strictObject({
    basis: z.literal('wind-on-boat'),
    areaM2: positive(),
    windKn: positive(),
    dragCoefficient: positive().optional(),
    surgeFactor: atLeastOne(),
    share: share(),
    ...common,
  }),
  z.strictObject({
    basis: z.literal('sheet'),
    sailAreaM2: positive(),
    windKn: positive(),
    coefficient: positive().optional(),
    ...common,
  }),
  z.strictObject({
    basis: z.literal('person'),
    kind: z.enum(['guard', 'handhold', 'step', 'tether']),
    side: z.enum(['starboard', 'port']).optional(),
    personN: positive().optional(),
    ...common,
  }),
  z.strictObject({
    basis: z.literal('lifting'),
    massKg: positive(),
    legs: z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4)]),
    legAngleDeg: z.number().min(0).lt(90).optional(),
    dynamicFactor: atLeastOne(),
    ...common,
  }),
  z.strictObject({ basis: z.literal('drogue-leg'), displacementKg: positive(), share: share(), ...common }),
  z.strictObject({
    basis: z.literal('mast-step'),
    rightingMomentNm: positive(),
    halfBeamM: positive(),
    ...common,
  }),
  z.strictObject({ basis: z.literal('shroud'), ...byStrength, ...common }),
  z.strictObject({ basis: z.literal('seacock'), ...common }),
])

export const designLoadInput = branches.superRefine((v, ctx) => {
  if (v.heightMm !== undefined && v.pointMm !== undefined)
    ctx.addIssue({
      code: 'custom',
      path: ['heightMm'],
      message: `${v.heightMm} was given beside pointMm; give one of the two, a height or a point`,
    })
  if (v.basis === 'person' && v.side !== undefined && v.kind !== 'guard')
    ctx.addIssue({
      code: 'custom',
      path: ['side'],
      message: `"${v.side}" was given; only a guard has a side`,
    })
  if (v.basis === 'lifting' && v.legs === 1 && (v.legAngleDeg ?? 0) !== 0)
    ctx.addIssue({
      code: 'custom',
      path: ['legAngleDeg'],
      message: `${v.legAngleDeg} was given; a single leg hangs plumb, so 0 is accepted`,
    })
  if (v.basis !== 'line' && v.basis !== 'shroud') return
  if (v.breakingN === undefined && v.line === undefined)
    return ctx.addIssue({
      code: 'custom',
      path: ['breakingN'],
      message: 'breakingN is missing; give the breaking strength, or the line and its diameter',
    })
  if (v.breakingN === undefined && v.diameterMm === undefined)
    ctx.addIssue({
      code: 'custom',
      path: ['diameterMm'],
      message: 'diameterMm is missing; a size above 0 is needed to estimate the strength of the line',
    })
  if (v.line !== undefined || v.grade !== undefined) checkGrade(v, ctx)
})
export type DesignLoadInput = z.infer<typeof designLoadInput>

const directionSchema = z.object({
  azimuthDeg: z.number(),
  elevationDeg: z.number(),
  alongN: z.number(),
  acrossN: z.number(),
  outN: z.number(),
})
export type LoadDirection = z.infer<typeof directionSchema>
const output = z.object({
  loadN: z.number(),
  components: z.object({ alongN: z.number(), acrossN: z.number(), outN: z.number() }),
  inPlaneN: z.number(),
  pointMm: vectorSchema,
  heightMm: z.number(),
  /** about the base's centre, of the single direction */
  momentsNmm: vectorSchema,
  anyWay: z.boolean(),
  directions: z.array(directionSchema),
  worst: z.object({ out: z.number(), inPlane: z.number() }).nullable(),
  checks: z.array(checkSchema),
  assumed: z.array(z.string()),
  working: workingSchema,
})

interface Magnitude {
  loadN: number
  working: Working
  assumed: string[]
  /** angles that the basis itself fixes; the given ones are then left unread */
  fixed?: { elevationDeg?: number; azimuthDeg?: number; ofBoat?: boolean }
  usualAzimuthDeg?: number
  anyWay?: boolean
  checks?: Check[]
}

const strength = (v: {
  breakingN?: number | undefined
  line?: (typeof LINE_IDS)[number] | undefined
  diameterMm?: number | undefined
  grade?: number | undefined
  newtonPerMm2?: number | undefined
}) => {
  if (v.breakingN !== undefined)
    return {
      breakingN: v.breakingN,
      working: [step('MBL', 'breaking strength as given', '', v.breakingN, 'N')],
      assumed: [] as string[],
    }
  return {
    ...breakingOf({ line: v.line!, diameterMm: v.diameterMm!, grade: v.grade, newtonPerMm2: v.newtonPerMm2 }),
    assumed: v.newtonPerMm2 === undefined || v.line === 'chain' ? ['breakingN'] : [],
  }
}
const defaulted = (v: object, names: string[]) =>
  names.filter((n) => (v as Record<string, unknown>)[n] === undefined)

function slingAngle(phi: number): Check {
  return check({
    id: 'sling-angle',
    title: 'Sling angle',
    unit: 'deg',
    source: 'chapter 1.3, usual rigging practice',
    demand: phi,
    capacity: 60,
    because:
      phi > 60
        ? `The legs hang ${say(phi)}\u00b0 off plumb, past 60\u00b0: the horizontal pull outruns the vertical.`
        : `The legs hang ${say(phi)}\u00b0 off plumb; 60\u00b0 is the most.`,
  })
}

/** The load of each basis (table of chapter 1.2), before it is split into components. */
function magnitude(v: DesignLoadInput): Magnitude {
  switch (v.basis) {
    case 'rated':
      return { loadN: v.ratedN, assumed: [], working: [step('P', 'rated load', '', v.ratedN, 'N')] }
    case 'line': {
      const s = strength(v)
      const k = v.share ?? 0.5
      const loadN = k * s.breakingN
      return {
        loadN,
        assumed: [...s.assumed, ...defaulted(v, ['share'])],
        working: [
          ...s.working,
          step('P', 'share of the line\u2019s strength', `${k} \u00b7 MBL`, loadN, 'N'),
        ],
      }
    }
    case 'turned-line': {
      const loadN = 2 * v.tensionN * sind(v.deflectionDeg / 2)
      return {
        loadN,
        assumed: [],
        working: [
          step(
            'P',
            'pull of a line turned through \u03b8, along the bisector',
            '2\u00b7T\u00b7sin(\u03b8/2)',
            loadN,
            'N',
          ),
        ],
      }
    }
    case 'wind-on-boat': {
      const V = v.windKn * KNOT
      const [cd, surge, k] = [v.dragCoefficient ?? 1, v.surgeFactor ?? 2, v.share ?? 1]
      const loadN = surge * k * 0.5 * AIR_DENSITY * cd * v.areaM2 * V * V
      return {
        loadN,
        assumed: defaulted(v, ['dragCoefficient', 'surgeFactor', 'share']),
        working: [
          step('V', 'wind', 'knots \u00b7 0.514444', V, 'm/s'),
          step(
            'P',
            'wind on the boat, with surge',
            'surge\u00b7share\u00b7\u00bd\u03c1\u00b7Cd\u00b7A\u00b7V\u00b2',
            loadN,
            'N',
          ),
        ],
      }
    }
    case 'sheet': {
      const V = v.windKn * KNOT
      const loadN = 0.5 * AIR_DENSITY * (v.coefficient ?? 1.27) * v.sailAreaM2 * V * V
      return {
        loadN,
        assumed: defaulted(v, ['coefficient']),
        working: [
          step('V', 'wind', 'knots \u00b7 0.514444', V, 'm/s'),
          step('P', 'sheet load', '\u00bd\u03c1\u00b7C\u00b7A\u00b7V\u00b2', loadN, 'N'),
        ],
      }
    }
    case 'person': {
      const loadN = v.personN ?? PERSON_N[v.kind]
      const fixed =
        v.kind === 'guard'
          ? { elevationDeg: 0, azimuthDeg: v.side === 'port' ? -90 : 90, ofBoat: true }
          : v.kind === 'step'
            ? { elevationDeg: -90 }
            : {}
      return {
        loadN,
        assumed: defaulted(v, ['personN']),
        fixed,
        anyWay: v.kind === 'handhold' || v.kind === 'tether',
        working: [step('P', `a person, ${v.kind}`, '', loadN, 'N')],
      }
    }
    case 'lifting': {
      const phi = v.legAngleDeg ?? 0
      const daf = v.dynamicFactor ?? 1.5
      const counting = v.legs === 1 ? 1 : 2
      const out = (v.massKg * GRAVITY * daf) / counting
      const loadN = out / cosd(phi)
      return {
        loadN,
        assumed: defaulted(v, ['dynamicFactor']),
        fixed: { elevationDeg: 90 - phi },
        checks: [slingAngle(phi)],
        working: [
          step('n', 'legs that count (a rigid hull hangs on a diagonal)', `${v.legs} legs`, counting, ''),
          step('out', 'lift of one leg', 'm\u00b7g\u00b7DAF/n', out, 'N'),
          step('in', 'pull in the plane', 'out\u00b7tan\u03c6', out * tand(phi), 'N'),
          step('P', 'load in the leg', 'out/cos\u03c6', loadN, 'N'),
        ],
      }
    }
    case 'drogue-leg': {
      const k = v.share ?? 0.7
      const loadN = k * v.displacementKg * GRAVITY
      return {
        loadN,
        assumed: defaulted(v, ['share']),
        fixed: { elevationDeg: 0 },
        working: [step('P', 'drogue leg, in the plane of the surface', `${k}\u00b7m\u00b7g`, loadN, 'N')],
      }
    }
    case 'mast-step': {
      const loadN = (1.85 * 1.5 * v.rightingMomentNm) / v.halfBeamM
      return {
        loadN,
        assumed: [],
        fixed: { elevationDeg: -90 },
        working: [step('P', 'compression at the mast step', '1.85\u00b71.5\u00b7RM/b', loadN, 'N')],
      }
    }
    case 'shroud': {
      const s = strength(v)
      return {
        loadN: s.breakingN,
        assumed: s.assumed,
        working: [...s.working, step('P', 'the wire\u2019s own strength', 'MBL', s.breakingN, 'N')],
      }
    }
    case 'seacock':
      return {
        loadN: SEACOCK_TEST_N,
        assumed: [],
        fixed: { elevationDeg: 0 },
        usualAzimuthDeg: 90,
        anyWay: true,
        working: [
          step('P', 'strength test commonly asked of a seacock, held 30 s', '500 lbf', SEACOCK_TEST_N, 'N'),
        ],
      }
  }
}

/** Forces in the fitting's axes; the angles stay as they were asked. */
const part = (P: number, elevationDeg: number, azimuthDeg: number, turnedDeg = 0): LoadDirection => ({
  azimuthDeg,
  elevationDeg,
  alongN: P * cosd(elevationDeg) * cosd(azimuthDeg - turnedDeg),
  acrossN: P * cosd(elevationDeg) * sind(azimuthDeg - turnedDeg),
  outN: P * sind(elevationDeg),
})
type Vector = z.infer<typeof vectorSchema>
/** Moments of a force about the base's centre, N\u00b7mm (1.2). */
export const momentsOf = (q: Vector, f: Pick<LoadDirection, 'alongN' | 'acrossN' | 'outN'>): Vector => ({
  x: q.y * f.outN - q.z * f.acrossN,
  y: q.z * f.alongN - q.x * f.outN,
  z: q.x * f.acrossN - q.y * f.alongN,
})

/** First index whose value is the greatest, within 1e-9 of the load. */
function firstGreatest(all: LoadDirection[], of: (d: LoadDirection) => number, loadN: number): number {
  let most = -Infinity
  for (const d of all) most = Math.max(most, of(d))
  return all.findIndex((d) => of(d) >= most - 1e-9 * loadN)
}

/** Every direction of a sweep; an angle that the basis fixes is not swept. */
function swept(
  m: Magnitude,
  sweep: NonNullable<DesignLoadInput['sweep']>,
  single: { azimuth: number; elevation: number; turned: number },
): LoadDirection[] {
  const az = m.fixed?.azimuthDeg === undefined ? sweep.azimuthDeg : undefined
  const el = m.fixed?.elevationDeg === undefined ? sweep.elevationDeg : undefined
  const pairs = (az ? countOf(az) : 1) * (el ? countOf(el) : 1)
  if (pairs > MOST_DIRECTIONS)
    throw invalid(
      'sweep',
      `The sweep makes ${pairs} directions; up to ${MOST_DIRECTIONS} are accepted: take a longer step`,
    )
  // The trigonometry of each angle once, not of each pair.
  const rises = (el ? anglesOf(el) : [single.elevation]).map((deg) => ({
    deg,
    flatN: m.loadN * cosd(deg),
    outN: m.loadN * sind(deg),
  }))
  return (az ? anglesOf(az) : [single.azimuth]).flatMap((azimuthDeg) => {
    const along = cosd(azimuthDeg - single.turned)
    const across = sind(azimuthDeg - single.turned)
    return rises.map(({ deg, flatN, outN }) => ({
      azimuthDeg,
      elevationDeg: deg,
      alongN: flatN * along,
      acrossN: flatN * across,
      outN,
    }))
  })
}

export function designLoadOf(v: DesignLoadInput): z.infer<typeof output> {
  const m = magnitude(v)
  const elevation = m.fixed?.elevationDeg ?? v.elevationDeg ?? 0
  const azimuth = m.fixed?.azimuthDeg ?? v.azimuthDeg ?? m.usualAzimuthDeg ?? 0
  // A guard is pushed outboard of the boat, however its base is turned.
  const turned = v.azimuthOf === 'boat' || m.fixed?.ofBoat ? (v.headingDeg ?? 0) : 0
  const single = part(m.loadN, elevation, azimuth, turned)
  const pointMm = v.pointMm ?? { x: 0, y: 0, z: v.heightMm ?? 0 }
  const inPlane = (d: LoadDirection) => Math.sqrt(d.alongN * d.alongN + d.acrossN * d.acrossN)
  const directions = v.sweep ? swept(m, v.sweep, { azimuth, elevation, turned }) : []
  return {
    loadN: m.loadN,
    components: { alongN: single.alongN, acrossN: single.acrossN, outN: single.outN },
    inPlaneN: inPlane(single),
    pointMm,
    heightMm: pointMm.z,
    momentsNmm: momentsOf(pointMm, single),
    anyWay: m.anyWay ?? false,
    directions,
    worst: v.sweep
      ? {
          out: firstGreatest(directions, (d) => d.outN, m.loadN),
          inPlane: firstGreatest(directions, inPlane, m.loadN),
        }
      : null,
    checks: m.checks ?? [],
    assumed: m.assumed,
    working: [
      ...m.working,
      step('along', 'component along the base', 'P\u00b7cos\u03b5\u00b7cos\u03b1', single.alongN, 'N'),
      step('across', 'component across the base', 'P\u00b7cos\u03b5\u00b7sin\u03b1', single.acrossN, 'N'),
      step('out', 'component out of the surface', 'P\u00b7sin\u03b5', single.outN, 'N'),
    ],
  }
}

export const designLoad = defineCalculator({
  name: 'design-load',
  title: 'What a fitting has to carry',
  chapter: '1.2',
  words: ['load', 'pull', 'mooring', 'sling', 'lifting', 'tether', 'sheet', 'wind', 'direction', 'sweep'],
  input: designLoadInput,
  output,
  tries: (v) =>
    v.basis === 'lifting' && (v.legAngleDeg ?? 0) > 45
      ? withNumbers(v, 'legAngleDeg', [55, 45, 30], (n) => `longer slings, ${n}\u00b0 off plumb`)
      : [],
  run: designLoadOf,
})

import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { invalid } from '../../base/errors'
import { LINES } from '../../base/materials/lines'
import { dutySchema, nonNegative, positive, workingSchema } from '../../base/schema/schema'
import { say, step, type Working } from '../../base/verdict/check'
import { GRAVITY, PERSON_N, designLoadInput, designLoadOf, type DesignLoadInput } from './design-load'
import { flooredFactors } from './floors'

/** Starting loads by what the boat weighs and what the casting is (18.4): all estimates. */
const FAMILIES = [
  'cleat',
  'bitt',
  'towing-post',
  'fairlead',
  'bow-roller',
  'windlass',
  'stanchion',
  'handrail',
  'tether-point',
  'ladder-step',
  'lifting-point',
  'mast-step',
  'other',
] as const
type Family = (typeof FAMILIES)[number]
const RIGS = ['sloop', 'two-mast', 'mizzen', 'multihull', 'steadying'] as const

const input = z.strictObject({
  family: z.enum(FAMILIES),
  boat: z.strictObject({
    displacementKg: positive(),
    beamM: positive().optional(),
    rig: z.enum(RIGS).default('sloop'),
  }),
  casting: z
    .strictObject({
      lengthMm: positive().optional(),
      baseLengthMm: positive().optional(),
      bodyHeightMm: nonNegative().default(0),
      ratedN: positive().optional(),
      reachMm: nonNegative().optional(),
    })
    .default({ bodyHeightMm: 0 }),
  units: z.enum(['metric', 'inch']).default('metric'),
  side: z.enum(['port', 'starboard', 'centre']).default('centre'),
  headingDeg: z.number().min(-360).max(360).default(0),
  duty: dutySchema.default('coastal'),
  points: z.union([z.literal(2), z.literal(3), z.literal(4)]).default(4),
  slingAngleDeg: z.number().min(0).lt(90).default(30),
  afloat: z.boolean().default(false),
  fromHookMm: z.strictObject({ x: z.number(), y: z.number() }).optional(),
  halfBeamM: positive().optional(),
  railMm: positive().default(610),
})
type Input = z.output<typeof input>

const factorsSchema = z.object({
  metal: z.number(),
  laminate: z.number(),
  core: z.number(),
  bond: z.number(),
})
const output = z.object({
  load: designLoadInput,
  loadN: z.number(),
  factors: factorsSchema,
  floored: z.boolean(),
  capped: z.boolean(),
  underRated: z.boolean(),
  estimates: z.array(
    z.object({ field: z.string(), value: z.union([z.number(), z.string(), z.null()]), reason: z.string() }),
  ),
  working: workingSchema,
})
type Estimate = z.infer<typeof output>['estimates'][number]

/** Sizes that line is sold in, mm; inches as they are sold. */
const METRIC_MM = [6, 8, 10, 12, 14, 16, 18, 20, 22, 24, 28, 32]
const INCH_MM = [1 / 4, 5 / 16, 3 / 8, 7 / 16, 1 / 2, 9 / 16, 5 / 8, 3 / 4, 7 / 8, 1, 1.125, 1.25].map(
  (v) => v * 25.4,
)
/** The nearest; of two equally near the smaller. */
const nearestSize = (mm: number, units: Input['units']) =>
  (units === 'inch' ? INCH_MM : METRIC_MM).reduce((a, b) =>
    Math.abs(b - mm) < Math.abs(a - mm) - 1e-9 ? b : a,
  )
const SHARE = 0.5
const lineLoadN = (diameterMm: number) => SHARE * LINES['polyester-3'].newtonPerMm2 * diameterMm ** 2

interface Guess {
  load: Record<string, unknown>
  point: { x: number; y: number; z: number }
  estimates: Estimate[]
  working: Working
  capped?: boolean
  /** what a person or a boat weighs is no smaller for a weaker casting */
  weighs?: boolean
}
const est = (field: string, value: Estimate['value'], reason: string): Estimate => ({ field, value, reason })
const zAt = (v: Input, part: number) => part * v.casting.bodyHeightMm
const zEstimate = (v: Input, part: number) =>
  est('pointMm.z', zAt(v, part), `${part} of the casting\u2019s height above its base`)
const arc = (from: number, to: number, stepDeg: number) => ({ from, to, step: stepDeg })
const sweepEstimate = (said: string) => est('sweep', null, said)

function byLine(
  v: Input,
  sizeMm: number,
  whence: string,
  zPart: number,
  sweep: object,
  before: Estimate[],
): Guess {
  const diameterMm = nearestSize(sizeMm, v.units)
  const loadN = lineLoadN(diameterMm)
  const { ratedN } = v.casting
  const capped = ratedN !== undefined && ratedN < loadN
  const working = [
    step('\u00f8', 'size of line', whence, sizeMm, 'mm'),
    step('\u00f8n', 'the nearest that is sold', '', diameterMm, 'mm'),
    step('P', 'half the strength of three-strand polyester', '0.5\u00b7165\u00b7\u00f8\u00b2', loadN, 'N'),
  ]
  return {
    load: capped
      ? { basis: 'rated', ratedN, sweep }
      : { basis: 'line', line: 'polyester-3', diameterMm, share: SHARE, sweep },
    point: { x: 0, y: 0, z: zAt(v, zPart) },
    capped,
    working,
    estimates: [
      ...before,
      ...(capped
        ? [est('ratedN', ratedN, `the casting is rated for less than its line would pull, ${say(loadN)} N`)]
        : [
            est('line', 'polyester-3', 'what boats of this size are usually moored with'),
            est('diameterMm', diameterMm, whence),
            est('share', SHARE, 'past half its strength the line itself is at risk'),
          ]),
      zEstimate(v, zPart),
      sweepEstimate('the arc from which its line may come'),
    ],
  }
}

function cleat(v: Input): Guess {
  const { lengthMm, baseLengthMm } = v.casting
  const length = lengthMm ?? (baseLengthMm === undefined ? null : baseLengthMm / 0.6)
  if (length === null)
    throw invalid(
      'casting.lengthMm',
      'lengthMm is missing; the length of the cleat, or of its base, is needed',
    )
  const from = { starboard: arc(0, 180, 30), port: arc(-180, 0, 30), centre: arc(90, 270, 30) }[v.side]
  const sweep = { azimuthDeg: from, elevationDeg: arc(0, 30, 15) }
  const before =
    lengthMm === undefined ? [est('casting.lengthMm', length, 'horn to horn, from its base over 0.6')] : []
  return byLine(v, length / 16, 'a sixteenth of the cleat\u2019s length', 0.65, sweep, before)
}
const bittSizeMm = (v: Input) => 10 + v.boat.displacementKg / 2000
const WEIGHT = '10 mm and 1 mm for each two tonnes of displacement'
const bitt = (v: Input): Guess =>
  byLine(v, bittSizeMm(v), WEIGHT, 0.6, { azimuthDeg: arc(0, 330, 30), elevationDeg: arc(0, 30, 15) }, [])
const towingPost = (v: Input): Guess =>
  byLine(
    v,
    1.25 * bittSizeMm(v),
    `a quarter more than ${WEIGHT}`,
    0.7,
    { azimuthDeg: arc(-60, 60, 30), elevationDeg: arc(0, 20, 20) },
    [],
  )

function fairlead(v: Input): Guess {
  const wanted = lineLoadN(nearestSize(bittSizeMm(v), v.units))
  const tensionN = Math.min(wanted, v.casting.ratedN ?? Infinity)
  return {
    load: { basis: 'turned-line', tensionN, deflectionDeg: 60 },
    point: { x: 0, y: 0, z: zAt(v, 0.6) },
    capped: tensionN < wanted,
    working: [step('T', 'the line of a bitt of this boat', '', wanted, 'N')],
    estimates: [
      est('tensionN', tensionN, tensionN < wanted ? 'what the casting is rated for' : WEIGHT),
      est('deflectionDeg', 60, 'how far a line usually turns in a fairlead'),
      zEstimate(v, 0.6),
    ],
  }
}

/** Chain and anchor pull a tenth of the boat's weight, and never less than 2 kN. */
function groundTackle(v: Input) {
  const wanted = Math.max(2000, 0.1 * v.boat.displacementKg * GRAVITY)
  const ratedN = Math.min(wanted, v.casting.ratedN ?? Infinity)
  const capped = ratedN < wanted
  const reason = capped ? 'what the casting is rated for' : 'a tenth of her weight, at least 2 kN'
  return { ratedN, capped, estimate: est('ratedN', ratedN, reason), wanted }
}
function bowRoller(v: Input): Guess {
  const base = v.casting.baseLengthMm
  if (base === undefined)
    throw invalid('casting.baseLengthMm', 'baseLengthMm is missing; the roller stands ahead of the base')
  const g = groundTackle(v)
  const x = -(base / 2 + (v.casting.reachMm ?? 0.2 * base))
  return {
    load: {
      basis: 'rated',
      ratedN: g.ratedN,
      sweep: { azimuthDeg: arc(135, 225, 15), elevationDeg: arc(-60, 0, 15) },
    },
    point: { x, y: 0, z: zAt(v, 0.8) },
    capped: g.capped,
    working: [step('P', 'pull of chain and anchor', 'max(2000, 0.1\u00b7\u0394\u00b7g)', g.wanted, 'N')],
    estimates: [
      g.estimate,
      est('pointMm.x', x, 'the roller stands ahead of its base'),
      zEstimate(v, 0.8),
      sweepEstimate('ahead and down, while she sheers'),
    ],
  }
}
function windlass(v: Input): Guess {
  const g = groundTackle(v)
  const x = v.casting.baseLengthMm === undefined ? 0 : -0.25 * v.casting.baseLengthMm
  return {
    load: { basis: 'rated', ratedN: g.ratedN, azimuthDeg: 180, elevationDeg: 0 },
    point: { x, y: 0, z: zAt(v, 0.6) },
    capped: g.capped,
    working: [step('P', 'pull of chain and anchor', 'max(2000, 0.1\u00b7\u0394\u00b7g)', g.wanted, 'N')],
    estimates: [g.estimate, est('pointMm.x', x, 'where the chain leaves the gypsy'), zEstimate(v, 0.6)],
  }
}

function person(v: Input, kind: keyof typeof PERSON_N, point: Guess['point'], more: Estimate[]): Guess {
  const personN = PERSON_N[kind]
  const side = kind === 'guard' ? { side: v.side === 'port' ? 'port' : 'starboard' } : {}
  return {
    load: { basis: 'person', kind, personN, ...side },
    point,
    weighs: true,
    working: [step('P', `a person, ${kind}`, '', personN, 'N')],
    estimates: [est('personN', personN, 'commonly asked of what people hold on to'), ...more],
  }
}
const stanchion = (v: Input): Guess =>
  person(v, 'guard', { x: 0, y: 0, z: v.railMm }, [
    ...(v.side === 'centre' ? [est('side', 'starboard', 'nobody has said on which side it stands')] : []),
    est('pointMm.z', v.railMm, 'the height of the rail'),
  ])
const bodyTop = (v: Input) => est('pointMm.z', v.casting.bodyHeightMm, 'the top of the casting')
const held = (kind: 'handhold' | 'tether') => (v: Input) =>
  person(v, kind, { x: 0, y: 0, z: v.casting.bodyHeightMm }, [bodyTop(v)])
function ladderStep(v: Input): Guess {
  const reach = v.casting.reachMm ?? 200
  const z0 = v.casting.bodyHeightMm
  const at =
    v.side === 'centre'
      ? { x: reach, y: 0, z: z0 }
      : { x: 0, y: v.side === 'starboard' ? reach : -reach, z: z0 }
  const edge =
    v.side === 'centre'
      ? est('pointMm.x', at.x, 'one steps on its outer edge')
      : est('pointMm.y', at.y, 'one steps on its outer edge')
  return person(v, 'step', at, [bodyTop(v), edge])
}

function liftingPoint(v: Input): Guess {
  const massKg = 1.1 * v.boat.displacementKg
  const dynamicFactor = v.afloat ? 2 : 1.5
  const azimuthDeg = v.fromHookMm ? (Math.atan2(-v.fromHookMm.y, -v.fromHookMm.x) * 180) / Math.PI : 0
  return {
    load: {
      basis: 'lifting',
      massKg,
      legs: v.points,
      legAngleDeg: v.slingAngleDeg,
      dynamicFactor,
      azimuthDeg,
    },
    point: { x: 0, y: 0, z: v.casting.bodyHeightMm },
    weighs: true,
    working: [step('m', 'what hangs on the hook', '1.1\u00b7\u0394', massKg, 'kg')],
    estimates: [
      est('massKg', massKg, 'her displacement and a tenth for what is aboard and what is wet'),
      est('legAngleDeg', v.slingAngleDeg, 'the slings off plumb'),
      est(
        'dynamicFactor',
        dynamicFactor,
        v.afloat ? 'she is plucked out of a sea' : 'a crane that starts and stops',
      ),
      bodyTop(v),
    ],
  }
}

/** Righting moment at 30\u00b0 over \u0394\u00b7g\u00b7beam, by rig. */
const RIG_PART: Record<(typeof RIGS)[number], number> = {
  sloop: 0.15,
  'two-mast': 0.1275,
  mizzen: 0.0525,
  multihull: 0.45,
  steadying: 0.045,
}
function mastStep(v: Input): Guess {
  const { beamM, displacementKg, rig } = v.boat
  if (beamM === undefined)
    throw invalid('boat.beamM', 'beamM is missing; the righting moment goes by her beam')
  const rightingMomentNm = RIG_PART[rig] * displacementKg * GRAVITY * beamM
  const halfBeamM = v.halfBeamM ?? 0.45 * beamM
  return {
    load: { basis: 'mast-step', rightingMomentNm, halfBeamM },
    point: { x: 0, y: 0, z: 0 },
    weighs: true,
    working: [
      step(
        'RM',
        'righting moment at 30\u00b0',
        'c\u00b7\u0394\u00b7g\u00b7beam',
        rightingMomentNm,
        'N\u00b7m',
      ),
    ],
    estimates: [
      est('rightingMomentNm', rightingMomentNm, `${RIG_PART[rig]} of displacement times beam`),
      ...(v.halfBeamM === undefined ? [est('halfBeamM', halfBeamM, '0.45 of her beam')] : []),
    ],
  }
}
function other(v: Input): Guess {
  if (v.casting.ratedN === undefined)
    throw invalid('casting.ratedN', 'ratedN is missing; what the casting is rated for is needed')
  return {
    load: { basis: 'rated', ratedN: v.casting.ratedN },
    point: { x: 0, y: 0, z: zAt(v, 0.5) },
    working: [step('P', 'rated load', '', v.casting.ratedN, 'N')],
    estimates: [zEstimate(v, 0.5)],
  }
}
const GUESS: Record<Family, (v: Input) => Guess> = {
  cleat,
  bitt,
  'towing-post': towingPost,
  fairlead,
  'bow-roller': bowRoller,
  windlass,
  stanchion,
  handrail: held('handhold'),
  'tether-point': held('tether'),
  'ladder-step': ladderStep,
  'lifting-point': liftingPoint,
  'mast-step': mastStep,
  other,
}

export function firstGuessOf(v: Input): z.infer<typeof output> {
  const g = GUESS[v.family](v)
  const load = designLoadInput.parse({
    ...g.load,
    azimuthOf: 'boat',
    headingDeg: v.headingDeg,
    pointMm: g.point,
  }) as DesignLoadInput
  const { loadN } = designLoadOf(load)
  const { factors, floored } = flooredFactors(v.family, v.duty)
  return {
    load,
    loadN,
    factors,
    floored,
    capped: g.capped ?? false,
    underRated: g.weighs === true && v.casting.ratedN !== undefined && v.casting.ratedN < loadN,
    estimates: [
      ...g.estimates,
      ...(floored
        ? [est('factors', null, 'the floor of what people and boats hang on, whatever the duty')]
        : []),
    ],
    working: g.working,
  }
}

export const firstGuess = defineCalculator({
  name: 'first-guess',
  title: 'A first guess at the load',
  chapter: '18.4',
  words: ['load', 'guess', 'start', 'cleat', 'bitt', 'mast', 'lifting', 'tether', 'anchor', 'roller'],
  input,
  output,
  run: firstGuessOf,
})

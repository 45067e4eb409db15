import { z } from 'zod'
import { upFrom, withNumbers } from '../../base/attempts'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { boltCheck } from '../fastener/fastener'
import { cosd, sind } from '../../base/geometry/outline'
import { GRADE_IDS, SIZES, SIZE_IDS } from '../../base/materials/fasteners'
import { checkSchema, dutySchema, positive, verdictSchema } from '../../base/schema/schema'
import { check, say, step, worstVerdict, type Check } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'
import { boltStiffness, toe } from '../deck/base-contact'
import { solveContact } from '../deck/contact'

const factor = z.number().min(1).optional()
const common = {
  heightMm: positive(),
  loadN: positive().default(2224),
  duty: dutySchema.default('coastal'),
  factors: z.strictObject({ metal: factor, laminate: factor, bond: factor }).optional(),
}
const flange = {
  flangeMm: positive(),
  boltCircleMm: positive(),
  bolts: z.number().int().min(3).max(12),
  size: z.enum(SIZE_IDS),
  grade: z.enum(GRADE_IDS),
  padMm: positive(),
}
const input = z
  .discriminatedUnion('method', [
    z.strictObject({ method: z.literal('through'), ...common, ...flange, hullMm: positive() }),
    z.strictObject({
      method: z.literal('insert'),
      ...common,
      ...flange,
      padDiameterMm: positive(),
      insertMm: positive().optional(),
      engagedMm: positive().optional(),
      bondMPa: positive().default(12),
    }),
    z.strictObject({
      method: z.literal('nut'),
      ...common,
      tail: z.strictObject({ outerMm: positive(), boreMm: positive(), yieldMPa: positive() }),
    }),
  ])
  .superRefine((v, ctx) => {
    const refuse = (path: string[], message: string) => ctx.addIssue({ code: 'custom', path, message })
    if (v.method === 'nut')
      return v.tail.boreMm >= v.tail.outerMm
        ? refuse(
            ['tail', 'boreMm'],
            `${v.tail.boreMm} was given; the bore is below the outer ${v.tail.outerMm} mm`,
          )
        : undefined
    if (v.boltCircleMm >= v.flangeMm)
      refuse(
        ['boltCircleMm'],
        `${v.boltCircleMm} was given; the bolt circle lies inside the flange of ${v.flangeMm} mm`,
      )
    if (v.method === 'insert' && v.engagedMm !== undefined && v.engagedMm > v.padMm)
      refuse(['engagedMm'], `${v.engagedMm} was given; no more than the pad of ${v.padMm} mm can be engaged`)
  })
const output = z.object({
  momentNmm: z.number(),
  bolts: z
    .object({
      maxTensionN: z.number(),
      shearN: z.number(),
      worstAzimuthDeg: z.number(),
      tensionsN: z.array(z.number()),
    })
    .nullable(),
  checks: z.array(checkSchema),
  verdict: verdictSchema,
})
type Input = z.output<typeof input>

const LAMINATE_E = 7000
const BEARING = 200
const CRUSH = 150
const PULL_OUT = 100
const PEEL_SHARE = 0.25
const AZIMUTHS = 36

function flanged(v: Extract<Input, { method: 'through' | 'insert' }>) {
  const f = factorsFor(v.duty, v.factors)
  const grip = v.method === 'through' ? v.padMm + v.hullMm : v.padMm
  const d = v.method === 'insert' && v.insertMm !== undefined ? v.insertMm : SIZES[v.size]!.diameterMm
  const k = LAMINATE_E / grip
  const kb = boltStiffness(v.size, v.grade, grip)
  const bolts = Array.from({ length: v.bolts }, (_, i) => ({
    xMm: (v.boltCircleMm / 2) * cosd((360 * i) / v.bolts),
    yMm: (v.boltCircleMm / 2) * sind((360 * i) / v.bolts),
  }))
  const footing = { diameterMm: v.flangeMm }
  let [T, p, worstAt] = [0, 0, 0]
  let tensionsN: number[] = bolts.map(() => 0)
  for (let i = 0; i < AZIMUTHS; i++) {
    const az = (360 / AZIMUTHS) * i
    const found = solveContact({
      footing,
      bolts,
      kb,
      k,
      preloadN: 0,
      Fz: 0,
      Mx: -v.heightMm * v.loadN * sind(az),
      My: v.heightMm * v.loadN * cosd(az),
    })
    if (!found)
      throw new CalcError('not-converged', 'loadN', 'No rest was found for this flange under this load')
    const most = Math.max(...found.tensions)
    if (most > T) [T, worstAt, tensionsN] = [most, az, found.tensions]
    p = Math.max(p, toe(footing, found.lift, k).toePressureMPa)
  }
  const V = v.loadN / v.bolts
  const stress = (
    id: string,
    title: string,
    demand: number,
    capacity: number,
    fac: number,
    expression: string,
  ) =>
    check({
      id,
      title,
      unit: 'MPa',
      source: 'chapter 5.6',
      demand,
      capacity,
      factor: fac,
      because: `${say(demand)} MPa, against ${say(capacity)} MPa with a factor of ${fac}.`,
      working: [step('\u03c3', title.toLowerCase(), expression, demand, 'MPa')],
    })
  const checks: Check[] = [
    {
      ...boltCheck({
        size: v.size,
        grade: v.grade,
        tensionN: T,
        shearN: V,
        threadsInShear: true,
        factor: f.metal,
      }),
      because: `Kicked towards ${say(worstAt)}\u00b0, the worst of ${AZIMUTHS} directions, a bolt pulls ${say(T)} N and shears ${say(V)} N.`,
    },
    stress('bearing', 'Bearing in pad and hull', V / (d * grip), BEARING, f.laminate, 'V/(d\u00b7grip)'),
    stress('crush', 'Crush at the flange\u2019s rim', p, CRUSH, f.laminate, 'k\u00b7max(0, \u2212\u03b4)'),
  ]
  if (v.method === 'insert') {
    const A = (Math.PI / 4) * v.padDiameterMm ** 2
    checks.push(
      stress(
        'thread-pull-out',
        'Pull-out of the insert',
        T / (Math.PI * d * (v.engagedMm ?? v.padMm)),
        PULL_OUT,
        f.laminate,
        'T/(\u03c0\u00b7d\u00b7Le)',
      ),
      stress('bond-shear', 'Pad\u2019s bond in shear', v.loadN / A, v.bondMPa, f.bond, 'P/(\u03c0D\u00b2/4)'),
      stress(
        'bond-peel',
        'Pad\u2019s bond in peel',
        (32 * v.loadN * (v.heightMm + v.padMm)) / (Math.PI * v.padDiameterMm ** 3),
        PEEL_SHARE * v.bondMPa,
        f.bond,
        '32\u00b7P\u00b7(h + pad)/(\u03c0D\u00b3)',
      ),
    )
  }
  return { bolts: { maxTensionN: T, shearN: V, worstAzimuthDeg: worstAt, tensionsN }, checks }
}

export const seacockLoad = defineCalculator({
  name: 'seacock-load',
  title: 'Will the seacock take a kick',
  chapter: '5.6',
  words: ['seacock', 'kick', '500 lbf', 'flange', 'strength test', 'valve'],
  input,
  output,
  tries: (v) =>
    v.method === 'nut'
      ? withNumbers(
          v,
          'heightMm',
          [0.75, 0.5].map((k) => Math.round(k * v.heightMm)),
          (n) => `a valve train only ${n} mm high`,
        )
      : [
          ...withNumbers(
            v,
            'bolts',
            [v.bolts + 1, v.bolts + 2].filter((n) => n <= 12),
            (n) => `${n} bolts`,
          ),
          ...withNumbers(v, 'padMm', upFrom(v.padMm), (n) => `a pad ${n} mm thick`),
          ...(v.method === 'insert'
            ? withNumbers(v, 'padDiameterMm', upFrom(v.padDiameterMm), (n) => `a pad of ${n} mm across`)
            : []),
          ...withNumbers(v, 'flangeMm', upFrom(v.flangeMm), (n) => `a flange of ${n} mm`),
        ],
  run: (v) => {
    const momentNmm = v.loadN * v.heightMm
    if (v.method !== 'nut') {
      const r = flanged(v)
      return { momentNmm, ...r, verdict: worstVerdict(r.checks.map((c) => c.verdict)) }
    }
    const { outerMm: o, boreMm: i, yieldMPa } = v.tail
    const demand = (32 * momentNmm * o) / (Math.PI * (o ** 4 - i ** 4))
    const f = factorsFor(v.duty, v.factors).metal
    const bending = check({
      id: 'tail-bending',
      title: 'Tail bends at the nut',
      unit: 'MPa',
      source: 'chapter 5.6',
      demand,
      capacity: yieldMPa,
      factor: f,
      because: `${say(demand)} MPa in the tail at its thread\u2019s root, against ${say(yieldMPa)} MPa with a factor of ${f}. A bare nut on a long valve train usually fails here; a flange does not.`,
      working: [
        step(
          '\u03c3',
          'bending of the tail',
          '32\u00b7P\u00b7h\u00b7do/(\u03c0(do\u2074 \u2212 di\u2074))',
          demand,
          'MPa',
        ),
      ],
    })
    return { momentNmm, bolts: null, checks: [bending], verdict: bending.verdict }
  },
})

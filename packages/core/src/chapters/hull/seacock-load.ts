import { z } from 'zod'
import { upFrom, withNumbers } from '../../base/attempts'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { boltCheck } from '../fastener/fastener'
import { cosd, sind } from '../../base/geometry/outline'
import { GRADE_IDS, SIZES, SIZE_IDS } from '../../base/materials/fasteners'
import { checkSchema, dutySchema, nonNegative, positive, verdictSchema } from '../../base/schema/schema'
import { check, say, step, worstVerdict, written, type Check } from '../../base/verdict/check'
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
/** Between pad and hull; every check takes its worse side. */
const wedge = { thinMm: positive(), thickMm: positive() }
const thickAtLeastThin = (w: { thinMm: number; thickMm: number }, ctx: z.RefinementCtx) => {
  if (w.thickMm < w.thinMm)
    ctx.addIssue({
      code: 'custom',
      path: ['thickMm'],
      message: `${w.thickMm} was given; the thick side is at least the thin one of ${w.thinMm} mm`,
    })
}
const pipe = z
  .strictObject({ outerMm: positive(), boreMm: positive(), yieldMPa: positive() })
  .superRefine((t, ctx) => {
    if (t.boreMm >= t.outerMm)
      ctx.addIssue({
        code: 'custom',
        path: ['boreMm'],
        message: `${t.boreMm} was given; the bore is below the outer ${t.outerMm} mm`,
      })
  })
const input = z
  .discriminatedUnion('method', [
    z.strictObject({
      method: z.literal('through'),
      ...common,
      ...flange,
      hullMm: positive(),
      wedge: z.strictObject(wedge).superRefine(thickAtLeastThin).optional(),
    }),
    z.strictObject({
      method: z.literal('insert'),
      ...common,
      ...flange,
      padDiameterMm: positive(),
      insertMm: positive().optional(),
      engagedMm: positive().optional(),
      bondMPa: positive().default(12),
      wedge: z
        .strictObject({ ...wedge, diameterMm: positive().optional() })
        .superRefine(thickAtLeastThin)
        .optional(),
    }),
    z.strictObject({
      method: z.literal('nut'),
      ...common,
      tail: pipe,
    }),
    z.strictObject({
      method: z.literal('stub'),
      ...common,
      tail: pipe,
      thread: z
        .strictObject({ rootMm: positive(), aboveMm: nonNegative(), yieldMPa: positive().optional() })
        .optional(),
      weldMm: positive().optional(),
    }),
  ])
  .superRefine((v, ctx) => {
    const refuse = (path: string[], message: string) => ctx.addIssue({ code: 'custom', path, message })
    if (v.method === 'nut') return
    if (v.method === 'stub') {
      if (v.thread && v.thread.rootMm <= v.tail.boreMm)
        refuse(
          ['thread', 'rootMm'],
          `${v.thread.rootMm} was given; the thread\u2019s root stands outside the bore of ${v.tail.boreMm} mm`,
        )
      if (v.thread && v.thread.aboveMm >= v.heightMm)
        refuse(
          ['thread', 'aboveMm'],
          `${v.thread.aboveMm} was given; the thread begins below the inboard end at ${v.heightMm} mm`,
        )
      return
    }
    if (v.boltCircleMm >= v.flangeMm)
      refuse(
        ['boltCircleMm'],
        `${v.boltCircleMm} was given; the bolt circle lies inside the flange of ${v.flangeMm} mm`,
      )
    const most = v.padMm + (v.wedge?.thinMm ?? 0)
    if (v.method === 'insert' && v.engagedMm !== undefined && v.engagedMm > most)
      refuse(
        ['engagedMm'],
        `${v.engagedMm} was given; no more than the ${most} mm of pad${v.wedge ? ' and thin side of the wedge' : ''} can be engaged`,
      )
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
const GRAIN = 1e-9

type Flanged = Extract<Input, { method: 'through' | 'insert' }>
type Pipe = Extract<Input, { method: 'nut' | 'stub' }>

const stress = (
  id: string,
  title: string,
  p: { demand: number; capacity: number; factor: number; by: string; because?: string },
) =>
  check({
    id,
    title,
    unit: 'MPa',
    source: 'chapter 5.6',
    demand: p.demand,
    capacity: p.capacity,
    factor: p.factor,
    because:
      p.because ?? `${say(p.demand)} MPa, against ${say(p.capacity)} MPa with a factor of ${p.factor}.`,
    working: () => [step('\u03c3', title.toLowerCase(), p.by, p.demand, 'MPa')],
  })

/**
 * Equal bolts round a disc are the same again a bolt further, and the same mirrored: of the directions only
 * those differ that lie from one bolt to half way to the next. Where the directions do not fall on one
 * another a bolt further, only the mirror counts.
 */
function differingAzimuths(bolts: number): number {
  const again = AZIMUTHS % bolts === 0 ? AZIMUTHS / bolts : AZIMUTHS
  return Math.floor(again / 2) + 1
}

/** The worst of all directions of a kick on a flange that rests on its bolts. */
function kicked(v: Flanged, grip: number) {
  const k = LAMINATE_E / grip
  const kb = boltStiffness(v.size, v.grade, grip)
  const bolts = Array.from({ length: v.bolts }, (_, i) => ({
    xMm: (v.boltCircleMm / 2) * cosd((360 * i) / v.bolts),
    yMm: (v.boltCircleMm / 2) * sind((360 * i) / v.bolts),
  }))
  const footing = { diameterMm: v.flangeMm }
  let [T, p, worstAt] = [0, 0, 0]
  let tensionsN: number[] = bolts.map(() => 0)
  for (let i = 0; i < differingAzimuths(v.bolts); i++) {
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
    // Of directions that are alike the first is named, whatever the last bit says.
    if (most > T * (1 + GRAIN)) [T, worstAt, tensionsN] = [most, az, found.tensions]
    p = Math.max(p, toe(footing, found.lift, k).toePressureMPa)
  }
  return { T, p, worstAt, tensionsN }
}

/**
 * Shear and peel of the bonds: pad on wedge or hull, and with a wedge that one on the hull; the greater
 * counts.
 */
function bondChecks(v: Extract<Flanged, { method: 'insert' }>, factor: number): Check[] {
  const bonds = [
    { D: v.padDiameterMm, lever: v.heightMm + v.padMm },
    ...(v.wedge
      ? [
          {
            D: v.wedge.diameterMm ?? v.padDiameterMm,
            lever: v.heightMm + v.padMm + v.wedge.thickMm,
          },
        ]
      : []),
  ]
  const greatest = (f: (b: { D: number; lever: number }) => number) => Math.max(...bonds.map(f))
  return [
    stress('bond-shear', 'Pad\u2019s bond in shear', {
      demand: greatest((b) => v.loadN / ((Math.PI / 4) * b.D ** 2)),
      capacity: v.bondMPa,
      factor,
      by: 'P/(\u03c0D\u00b2/4)',
    }),
    stress('bond-peel', 'Pad\u2019s bond in peel', {
      demand: greatest((b) => (32 * v.loadN * b.lever) / (Math.PI * b.D ** 3)),
      capacity: PEEL_SHARE * v.bondMPa,
      factor,
      by: v.wedge
        ? '32\u00b7P\u00b7(h + pad + thick)/(\u03c0D\u00b3)'
        : '32\u00b7P\u00b7(h + pad)/(\u03c0D\u00b3)',
    }),
  ]
}

function flanged(v: Flanged) {
  const f = factorsFor(v.duty, v.factors)
  const thin = v.wedge?.thinMm ?? 0
  const grip = v.padMm + thin + (v.method === 'through' ? v.hullMm : 0)
  const d = v.method === 'insert' && v.insertMm !== undefined ? v.insertMm : SIZES[v.size]!.diameterMm
  const { T, p, worstAt, tensionsN } = kicked(v, grip)
  const V = v.loadN / v.bolts
  const checks: Check[] = [
    {
      ...written(
        boltCheck({
          size: v.size,
          grade: v.grade,
          tensionN: T,
          shearN: V,
          threadsInShear: true,
          factor: f.metal,
        }),
      ),
      because: `Kicked towards ${say(worstAt)}\u00b0, the worst of ${AZIMUTHS} directions, a bolt pulls ${say(T)} N and shears ${say(V)} N.`,
    },
    stress('bearing', 'Bearing in pad and hull', {
      demand: V / (d * grip),
      capacity: BEARING,
      factor: f.laminate,
      by: 'V/(d\u00b7grip)',
    }),
    stress('crush', 'Crush at the flange\u2019s rim', {
      demand: p,
      capacity: CRUSH,
      factor: f.laminate,
      by: 'k\u00b7max(0, \u2212\u03b4)',
    }),
  ]
  if (v.method === 'insert')
    checks.push(
      stress('thread-pull-out', 'Pull-out of the insert', {
        demand: T / (Math.PI * d * (v.engagedMm ?? v.padMm + thin)),
        capacity: PULL_OUT,
        factor: f.laminate,
        by: 'T/(\u03c0\u00b7d\u00b7Le)',
      }),
      ...bondChecks(v, f.bond),
    )
  return { bolts: { maxTensionN: T, shearN: V, worstAzimuthDeg: worstAt, tensionsN }, checks }
}

/** A tube bent by the kick at its end, N\u00b7mm over its section. */
const bent = (momentNmm: number, outerMm: number, boreMm: number) =>
  (32 * momentNmm * outerMm) / (Math.PI * (outerMm ** 4 - boreMm ** 4))
const BENT = '32\u00b7P\u00b7h\u00b7do/(\u03c0(do\u2074 \u2212 di\u2074))'

function pipeChecks(v: Pipe): Check[] {
  const factor = factorsFor(v.duty, v.factors).metal
  const { outerMm, boreMm, yieldMPa } = v.tail
  const tail = bent(v.loadN * v.heightMm, outerMm, boreMm)
  const nut = v.method === 'nut'
  const checks = [
    stress('tail-bending', nut ? 'Tail bends at the nut' : 'Stub bends at the plating', {
      demand: tail,
      capacity: yieldMPa,
      factor,
      by: BENT,
      because: nut
        ? `${say(tail)} MPa in the tail at its thread\u2019s root, against ${say(yieldMPa)} MPa with a factor of ${factor}. A bare nut on a long valve train usually fails here; a flange does not.`
        : `${say(tail)} MPa in the pipe where it leaves the plating, against ${say(yieldMPa)} MPa, the soft yield beside a weld, with a factor of ${factor}.`,
    }),
  ]
  if (v.method === 'nut') return checks
  if (v.thread)
    checks.push(
      stress('thread-bending', 'Stub bends at its thread', {
        demand: bent(v.loadN * (v.heightMm - v.thread.aboveMm), v.thread.rootMm, boreMm),
        capacity: v.thread.yieldMPa ?? yieldMPa,
        factor,
        by: BENT,
      }),
    )
  if (v.weldMm !== undefined) {
    const throat = 0.7 * v.weldMm
    const rim = Math.PI * outerMm * throat
    checks.push(
      stress('weld', 'Weld round the stub', {
        demand: Math.hypot((4 * v.loadN * v.heightMm) / (rim * outerMm), v.loadN / rim),
        capacity: 0.577 * yieldMPa,
        factor,
        by: '\u221a((4\u00b7P\u00b7h/(\u03c0\u00b7do\u00b2\u00b7a))\u00b2 + (P/(\u03c0\u00b7do\u00b7a))\u00b2)',
      }),
    )
  }
  return checks
}

export const seacockLoad = defineCalculator({
  name: 'seacock-load',
  title: 'Will the seacock take a kick',
  chapter: '5.6',
  words: ['seacock', 'kick', '500 lbf', 'flange', 'strength test', 'valve'],
  input,
  output,
  tries: (v) =>
    v.method === 'nut' || v.method === 'stub'
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
    const r = v.method === 'nut' || v.method === 'stub' ? { bolts: null, checks: pipeChecks(v) } : flanged(v)
    return { momentNmm, ...r, verdict: worstVerdict(r.checks.map((c) => c.verdict)) }
  },
})

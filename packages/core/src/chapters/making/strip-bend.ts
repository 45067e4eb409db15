import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { checkSchema, dutySchema, positive, verdictSchema } from '../../base/schema/schema'
import { unproven, type Check, type Verdict } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'
import { against, down, up, verdictOfAll } from './limits'

const STRIPS = {
  'ss-316': { yieldMPa: 205, eMPa: 193_000 },
  'ss-316-drawn': { yieldMPa: 415, eMPa: 193_000 },
  'al-5083': { yieldMPa: 125, eMPa: 70_000 },
  'al-6061': { yieldMPa: 240, eMPa: 69_000 },
  'titanium-6al4v': { yieldMPa: 830, eMPa: 114_000 },
  'silicon-bronze': { yieldMPa: 240, eMPa: 105_000 },
} as const
type Strip = keyof typeof STRIPS
const curve = z.union([
  z.strictObject({ radiusMm: positive() }),
  z.strictObject({ chordMm: positive(), sagittaMm: positive() }).superRefine((c, ctx) => {
    if (c.sagittaMm > c.chordMm / 2)
      ctx.addIssue({
        code: 'custom',
        path: ['sagittaMm'],
        message: `${c.sagittaMm} was given; the sagitta of an arc is no more than half its chord of ${c.chordMm} mm`,
      })
  }),
])
const input = z
  .strictObject({
    widthMm: positive(),
    thicknessMm: positive(),
    yieldMPa: positive().optional(),
    eMPa: positive().optional(),
    material: z.enum(Object.keys(STRIPS) as [Strip, ...Strip[]]).optional(),
    easy: curve.optional(),
    edge: curve.optional(),
    bolts: z.number().int().min(3).max(500),
    pitchMm: positive(),
    boltTensionN: positive().optional(),
    mostPitchMm: positive().default(300),
    gapMm: positive().default(1),
    edgeToleranceMm: positive().default(3),
    stockMm: positive().default(6000),
    duty: dutySchema.default('coastal'),
  })
  .superRefine((v, ctx) => {
    if (v.material === undefined && (v.yieldMPa === undefined || v.eMPa === undefined))
      ctx.addIssue({
        code: 'custom',
        path: ['material'],
        message: 'material is missing; what the strip is of, or its yield and stiffness, is needed',
      })
    if (!v.easy && !v.edge)
      ctx.addIssue({
        code: 'custom',
        path: ['easy'],
        message: 'Nothing is bent: a curve the easy way, edgewise, or both are needed',
      })
  })
const maybe = z.number().nullable()
const both = (t: z.ZodType<number | null>) => z.object({ easy: t, edge: t })
const output = z.object({
  easyRadiusMm: maybe,
  edgeRadiusMm: maybe,
  easyMPa: z.number(),
  edgeMPa: z.number(),
  combinedMPa: z.number(),
  elastic: z.boolean(),
  momentNmm: both(maybe),
  springback: both(maybe),
  setRadiusMm: both(maybe),
  formRadiusMm: maybe,
  pullN: z.number(),
  shearN: z.number(),
  gapMm: z.number(),
  elasticThicknessMm: maybe,
  pitchLeastMm: maybe,
  pitchMostMm: maybe,
  bestPitchMm: maybe,
  pieceMm: maybe,
  pieces: z.number(),
  joints: z.number(),
  checks: z.array(checkSchema),
  verdict: verdictSchema,
  cautions: z.array(z.string()),
})
type Input = z.output<typeof input>
const SOURCE = 'chapter 15.5'

const radiusOf = (c: Input['easy']): number | null =>
  c === undefined ? null : 'radiusMm' in c ? c.radiusMm : c.chordMm ** 2 / (8 * c.sagittaMm) + c.sagittaMm / 2

/** A strip as it is bent: curvatures, stresses at the corner, stiffnesses each way. */
function bentStrip(v: Input) {
  const row = v.material ? STRIPS[v.material] : null
  const E = v.eMPa ?? row!.eMPa
  const Y = v.yieldMPa ?? row!.yieldMPa
  const [w, t] = [v.widthMm, v.thicknessMm]
  const [R1, R2] = [radiusOf(v.easy), radiusOf(v.edge)]
  const [k1, k2] = [R1 === null ? 0 : 1 / R1, R2 === null ? 0 : 1 / R2]
  const [s1, s2] = [(E * t * k1) / 2, (E * w * k2) / 2]
  const EI1 = (E * w * t ** 3) / 12
  const EI2 = (E * t * w ** 3) / 12
  return { E, Y, w, t, R1, R2, k1, k2, s1, s2, EI1, EI2, elastic: s1 + s2 <= Y * (1 + 1e-12) }
}
type Bent = ReturnType<typeof bentStrip>

/**
 * ∫ of a stress that is held to ±yield, over one fibre: exact where it runs straight and where it is held.
 */
function heldMoments(a: number, slope: number, half: number, Y: number): { force: number; moment: number } {
  const held = (z: number) => Math.max(-Y, Math.min(Y, a + slope * z))
  const cuts = slope === 0 ? [] : [(-Y - a) / slope, (Y - a) / slope]
  const at = [-half, ...cuts.filter((z) => Math.abs(z) < half).sort((p, q) => p - q), half]
  let [force, moment] = [0, 0]
  for (let i = 0; i + 1 < at.length; i++) {
    const [z0, z1] = [at[i]!, at[i + 1]!]
    const [f0, f1] = [held(z0), held(z1)]
    const dz = z1 - z0
    force += ((f0 + f1) / 2) * dz
    moment += (dz * (f0 * (2 * z0 + z1) + f1 * (z0 + 2 * z1))) / 6
  }
  return { force, moment }
}
const FIBRES = 4000
/** Moments each way of a strip of which part may have yielded. */
function momentsOf(b: Bent): { easy: number; edge: number } {
  if (b.elastic) return { easy: b.EI1 * b.k1, edge: b.EI2 * b.k2 }
  let [easy, edge] = [0, 0]
  const dy = b.t / FIBRES
  for (let i = 0; i < FIBRES; i++) {
    const y = -b.t / 2 + (i + 0.5) * dy
    const f = heldMoments(b.E * b.k1 * y, b.E * b.k2, b.w / 2, b.Y)
    easy += f.force * y * dy
    edge += f.moment * dy
  }
  return { easy: b.k1 === 0 ? 0 : easy, edge: b.k2 === 0 ? 0 : edge }
}

/** What it is rolled to so that it springs back to the curve: an elastic, perfectly plastic strip. */
function formRadius(b: Bent): number | null {
  if (b.k1 === 0) return null
  const ky = (2 * b.Y) / (b.E * b.t)
  const wanted = b.k1 / ky
  const left = (x: number) => x - 1.5 + 0.5 / x ** 2
  let [low, high] = [1, wanted + 2]
  for (let i = 0; i < 100; i++) {
    const x = (low + high) / 2
    if (left(x) < wanted) low = x
    else high = x
  }
  return 1 / (high * ky)
}

/** Moments at the bolts of a straight strip held to an arc only there, as parts of the arc's own. */
function boltMoments(n: number): number[] {
  const inner = n - 2
  const [c, d] = [new Array<number>(inner), new Array<number>(inner)]
  for (let i = 0; i < inner; i++) {
    const den = 4 - (i > 0 ? c[i - 1]! : 0)
    c[i] = 1 / den
    d[i] = (6 - (i > 0 ? d[i - 1]! : 0)) / den
  }
  const m = new Array<number>(n).fill(0)
  for (let i = inner - 1; i >= 0; i--) m[i + 1] = d[i]! - c[i]! * m[i + 2]!
  return m
}
function bolted(v: Input, b: Bent, M: { easy: number; edge: number }) {
  const m = boltMoments(v.bolts)
  const a = m.map((x, i) =>
    i === 0 ? m[1]! : i === m.length - 1 ? m[i - 1]! : m[i - 1]! - 2 * x + m[i + 1]!,
  )
  const each = a.map((x) => ({
    pull: (Math.max(0, x) * M.easy) / v.pitchMm,
    shear: (Math.abs(x) * M.edge) / v.pitchMm,
  }))
  const part = 1 / 8 - m[1]! / 16
  return {
    pullN: Math.max(...each.map((e) => e.pull)),
    shearN: Math.max(...each.map((e) => e.shear)),
    /** quadratic of pull and shear against a bolt's tension, the worst of them */
    useOf: (Tc: number) => Math.max(...each.map((e) => Math.hypot(e.pull / Tc, e.shear / (0.577 * Tc)))),
    gapMm: b.k1 * v.pitchMm ** 2 * part,
    pitchMostMm: b.k1 === 0 ? null : Math.sqrt(v.gapMm / (b.k1 * part)),
  }
}
type Bolted = ReturnType<typeof bolted>

function checksOf(v: Input, b: Bent, s: Bolted): Check[] {
  const combined = b.s1 + b.s2
  const set: Verdict =
    combined / b.E > 0.02 * (1 + 1e-12) ? 'short' : combined <= b.Y * (1 + 1e-12) ? 'holds' : 'tight'
  const shape = { id: 'bolt', title: 'The bolts that hold it down', unit: '', source: SOURCE }
  return [
    {
      ...against({
        id: 'set',
        title: 'Takes a set',
        unit: 'MPa',
        source: SOURCE,
        demand: combined,
        capacity: b.Y,
        because:
          set === 'holds'
            ? 'It bends within its yield and springs back when it is taken off.'
            : set === 'tight'
              ? 'It bends past its yield: roll it to shape first.'
              : 'It is bent too far for a strip of this stock; cut it to shape.',
      }),
      verdict: set,
    },
    v.boltTensionN === undefined
      ? unproven({ ...shape, because: 'What the bolts bear is not given.' })
      : against({ ...shape, demand: s.useOf(v.boltTensionN), capacity: 1, factor: factorsFor(v.duty).metal }),
    against({
      id: 'gap',
      title: 'Gap under the end span',
      unit: 'mm',
      source: SOURCE,
      demand: s.gapMm,
      capacity: v.gapMm,
    }),
  ]
}

function pitchesOf(v: Input, s: Bolted, boltUse: number | null) {
  const pitchLeastMm = boltUse === null ? null : v.pitchMm * boltUse
  const most = Math.min(s.pitchMostMm ?? Infinity, v.mostPitchMm)
  const best = 5 * down(most / 5)
  return {
    pitchLeastMm,
    pitchMostMm: s.pitchMostMm,
    bestPitchMm: best === 0 || (pitchLeastMm !== null && best < pitchLeastMm - 1e-9) ? null : best,
  }
}
/** Short straight pieces follow an edgewise curve that the strip would not take. */
function piecesOf(v: Input, b: Bent) {
  const whole = (v.bolts - 1) * v.pitchMm
  const pieceMm = !b.elastic && b.k2 > 0 ? Math.sqrt((8 * v.edgeToleranceMm) / b.k2) : null
  const pieces = Math.max(pieceMm === null ? 1 : up(whole / pieceMm), up(whole / v.stockMm))
  return { pieceMm, pieces, joints: pieces - 1 }
}
function springs(b: Bent, M: { easy: number; edge: number }) {
  const of = (k: number, R: number | null, moment: number, EI: number) => {
    if (k === 0) return { back: null, set: null }
    const back = b.elastic ? 1 : moment / (EI * k)
    return { back, set: b.elastic || back >= 1 ? null : R! / (1 - back) }
  }
  const [e, f] = [of(b.k1, b.R1, M.easy, b.EI1), of(b.k2, b.R2, M.edge, b.EI2)]
  return { springback: { easy: e.back, edge: f.back }, setRadiusMm: { easy: e.set, edge: f.set } }
}

export const stripBend = defineCalculator({
  name: 'strip-bend',
  title: 'A strip bent onto the hull',
  chapter: '15.5',
  words: ['strake', 'rubbing strip', 'bend', 'springback', 'roll', 'pitch'],
  input,
  output,
  run: (v) => {
    const b = bentStrip(v)
    const momentNmm = momentsOf(b)
    const s = bolted(v, b, momentNmm)
    const checks = checksOf(v, b, s)
    return {
      easyRadiusMm: b.R1,
      edgeRadiusMm: b.R2,
      easyMPa: b.s1,
      edgeMPa: b.s2,
      combinedMPa: b.s1 + b.s2,
      elastic: b.elastic,
      momentNmm,
      ...springs(b, momentNmm),
      formRadiusMm: formRadius(b),
      pullN: s.pullN,
      shearN: s.shearN,
      gapMm: s.gapMm,
      elasticThicknessMm: b.s2 >= b.Y ? 0 : b.k1 === 0 ? null : (2 * (b.Y - b.s2)) / (b.E * b.k1),
      ...pitchesOf(v, s, checks[1]!.utilisation),
      ...piecesOf(v, b),
      checks,
      verdict: verdictOfAll(checks)!,
      cautions: ['drilling'],
    }
  },
})

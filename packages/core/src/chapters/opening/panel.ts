import { z } from 'zod'
import { above, withNumbers } from '../../base/attempts'
import { defineCalculator } from '../../base/calculator/calculator'
import { GLAZING, GLAZING_IDS } from '../../base/materials/glazing'
import { checkSchema, dutySchema, nonNegative, positive, verdictSchema } from '../../base/schema/schema'
import { check, say, step, worstVerdict } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'
import { circlePlate, rectanglePlate, type PlateAnswer } from './thin-plate'

/** Green water by place, kPa (chapter 6.3); estimates, class rules win. */
export const PRESSURES = {
  foredeck: 40,
  'side-deck': 20,
  coachroof: 20,
  cockpit: 15,
  topside: 30,
  above: 12,
} as const
const STOCK = [5, 6, 8, 10, 12, 15, 20]
const common = {
  thicknessMm: positive().optional(),
  material: z.enum(GLAZING_IDS),
  strengthMPa: positive().optional(),
  eMPa: positive().optional(),
  poisson: nonNegative().lt(0.5).optional(),
  pressureKPa: nonNegative().optional(),
  place: z.enum(['foredeck', 'side-deck', 'coachroof', 'cockpit', 'topside', 'above']).optional(),
  patch: z.strictObject({ loadN: positive().default(1000), diameterMm: positive().default(100) }).optional(),
  underfoot: z.boolean().optional(),
  support: z.enum(['simply-supported', 'clamped']).default('simply-supported'),
  duty: dutySchema.default('coastal'),
}
const input = z
  .discriminatedUnion('shape', [
    z.strictObject({ shape: z.literal('rect'), lengthMm: positive(), widthMm: positive(), ...common }),
    z.strictObject({ shape: z.literal('circle'), diameterMm: positive(), ...common }),
  ])
  .superRefine((v, ctx) => {
    const short = v.shape === 'rect' ? Math.min(v.lengthMm, v.widthMm) : v.diameterMm
    if (v.patch && v.patch.diameterMm >= short)
      ctx.addIssue({
        code: 'custom',
        path: ['patch', 'diameterMm'],
        message: `${v.patch.diameterMm} was given; the patch is smaller than the pane\u2019s short side of ${short} mm`,
      })
    if (!v.patch && !(v.pressureKPa ?? (v.place ? PRESSURES[v.place] : 0)))
      ctx.addIssue({
        code: 'custom',
        path: ['pressureKPa'],
        message: 'pressureKPa is missing; give a pressure, a place or a person, for there is no load at all',
      })
  })
const output = z.object({
  thicknessMm: z.number(),
  stressMPa: z.number(),
  stressAt: z.enum(['centre', 'edge']),
  deflectionMm: z.number(),
  limitMm: z.number(),
  requiredMm: z.number(),
  stockMm: z.number().nullable(),
  largeDeflection: z.boolean(),
  checks: z.array(checkSchema),
  verdict: verdictSchema,
})

export const panel = defineCalculator({
  name: 'panel',
  title: 'How thick a pane or lid',
  chapter: '6.3',
  words: ['hatch', 'lens', 'acrylic', 'polycarbonate', 'glass', 'lid', 'green water', 'how thick'],
  input,
  output,
  tries: (v) =>
    v.thicknessMm === undefined
      ? []
      : withNumbers(v, 'thicknessMm', above(STOCK, v.thicknessMm), (n) => `${n} mm thick`),
  run: (v) => {
    const m = GLAZING[v.material]
    const [strength, E, nu] = [v.strengthMPa ?? m.strengthMPa, v.eMPa ?? m.eMPa, v.poisson ?? m.poisson]
    const factor = factorsFor(v.duty)[m.factor]
    const short = v.shape === 'rect' ? Math.min(v.lengthMm, v.widthMm) : v.diameterMm
    const limitMm = short / ((v.underfoot ?? v.patch !== undefined) ? 100 : 50)
    const pressureMPa = (v.pressureKPa ?? (v.place ? PRESSURES[v.place] : 0)) / 1000
    const clamped = v.support === 'clamped'
    const r0 = (v.patch?.diameterMm ?? 0) / 2
    // A point load is spread by the thickness, so only a thick pane's answer depends on it.
    const spread = (t: number) =>
      v.patch && r0 < 1.724 * t ? Math.sqrt(1.6 * r0 * r0 + t * t) - 0.675 * t : r0
    const kept = new Map<number, PlateAnswer>()
    const answer = (t: number): PlateAnswer => {
      const c = spread(t)
      const there = kept.get(c)
      if (there) return there
      const load = { pressureMPa, patchN: v.patch?.loadN ?? 0, c, nu }
      const a =
        v.shape === 'rect'
          ? rectanglePlate(v.lengthMm, v.widthMm, load, clamped)
          : circlePlate(v.diameterMm / 2, load, clamped)
      kept.set(c, a)
      return a
    }
    const state = (t: number) => {
      const a = answer(t)
      const D = (E * t ** 3) / (12 * (1 - nu * nu))
      const M = Math.max(a.centre, a.edge)
      return {
        stress: (6 * M) / (t * t),
        at: a.edge > a.centre ? ('edge' as const) : ('centre' as const),
        w: a.wD / D,
      }
    }
    const used = (t: number) => Math.max((state(t).stress * factor) / strength, state(t).w / limitMm)
    // Solve with the load as spread at a first guess, then tighten: within a few rounds the spread no
    // longer moves.
    const thin = answer(1e-9)
    let requiredMm = Math.max(
      Math.sqrt((6 * Math.max(thin.centre, thin.edge) * factor) / strength),
      Math.cbrt((thin.wD * 12 * (1 - nu * nu)) / (E * limitMm)),
    )
    if (v.patch && r0 < 1.724 * requiredMm) {
      let [lo, hi] = [requiredMm / 4, requiredMm * 2]
      for (let i = 0; i < 24 && used(hi) > 1; i++) hi *= 2
      for (let i = 0; i < 40 && hi - lo > 1e-6 * hi; i++) {
        const mid = (lo + hi) / 2
        if (used(mid) > 1) lo = mid
        else hi = mid
      }
      requiredMm = hi
    }
    const stockMm = STOCK.find((t) => t >= requiredMm - 1e-9) ?? null
    const thicknessMm = v.thicknessMm ?? stockMm ?? 20
    const s = state(thicknessMm)
    const assumed = [
      ...(v.strengthMPa === undefined ? ['strengthMPa'] : []),
      ...(v.pressureKPa === undefined && v.place ? ['pressureKPa'] : []),
    ]
    const bending = check({
      id: 'bending',
      title: 'Bending of the pane',
      unit: 'MPa',
      source: 'chapter 6.3, thin-plate theory',
      demand: s.stress,
      capacity: strength,
      factor,
      assumed,
      because: `${say(s.stress)} MPa at the ${s.at} of ${say(thicknessMm)} mm ${m.title}, against ${say(strength)} MPa with a factor of ${factor}.`,
      working: [
        step('M', 'greatest moment', '', Math.max(answer(thicknessMm).centre, answer(thicknessMm).edge), 'N'),
        step('\u03c3', 'bending stress', '6\u00b7M/t\u00b2', s.stress, 'MPa'),
      ],
    })
    const deflection = check({
      id: 'deflection',
      title: 'Stiff enough',
      unit: 'mm',
      source: 'chapter 6.3, thin-plate theory',
      demand: s.w,
      capacity: limitMm,
      assumed,
      because: `It gives ${say(s.w)} mm; ${say(limitMm)} mm is the limit.`,
    })
    return {
      thicknessMm,
      stressMPa: s.stress,
      stressAt: s.at,
      deflectionMm: s.w,
      limitMm,
      requiredMm,
      stockMm,
      largeDeflection: s.w > thicknessMm / 2,
      checks: [bending, deflection],
      verdict: worstVerdict([bending.verdict, deflection.verdict]),
    }
  },
})

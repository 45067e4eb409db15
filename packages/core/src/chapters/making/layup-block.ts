import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { laminateDensity } from '../../base/materials/laminates'
import { checkSchema, nonNegative, positive, verdictSchema } from '../../base/schema/schema'
import { HARDENER_IDS } from '../bedding/epoxy-batch'
import { CLOTHS, CLOTH_IDS } from '../../base/materials/cloths'
import { LIFT_MM, down, gelMin, limit, potsFor, resinFor, up, verdictOfAll, warmth } from './limits'
import { firstBy, piles, sheetsShape } from './sheets'

const input = z
  .strictObject({
    lengthMm: positive(),
    widthMm: positive(),
    thickMm: positive(),
    thinMm: positive().optional(),
    trimMm: nonNegative().default(10),
    cloth: z.enum(CLOTH_IDS).default('biaxial-600'),
    taper: z.enum(['plane', 'step']).default('plane'),
    hardener: z.enum(HARDENER_IDS).default('medium'),
    tempC: z.number().min(-20).max(60).default(20),
    liftMm: positive().optional(),
    castLiftMm: positive().optional(),
    waste: nonNegative().default(0.1),
    ...sheetsShape,
  })
  .superRefine((v, ctx) => {
    if (v.thinMm !== undefined && v.thinMm > v.thickMm)
      ctx.addIssue({
        code: 'custom',
        path: ['thinMm'],
        message: `${v.thinMm} was given; the thin side is no thicker than the thick one of ${v.thickMm} mm`,
      })
  })
const output = z.object({
  sawDeg: z.number(),
  waitMin: z.number(),
  laid: z.object({
    plies: z.number(),
    lifts: z.number(),
    perLift: z.number(),
    clothM2: z.number(),
    clothG: z.number(),
    resinG: z.number(),
    blankMl: z.number(),
    finishedMl: z.number(),
    wastedMl: z.number(),
    massKg: z.number(),
    workHours: z.number(),
    elapsedHours: z.number(),
  }),
  cast: z.object({
    volumeMl: z.number(),
    lifts: z.number(),
    pots: z.number(),
    workHours: z.number(),
    elapsedHours: z.number(),
  }),
  sheets: z
    .object({
      sheetsMm: z.array(z.number()),
      totalMm: z.number(),
      overMm: z.number(),
      glueMl: z.number(),
      workHours: z.number(),
    })
    .nullable(),
  checks: z.array(checkSchema),
  verdict: verdictSchema,
  cautions: z.array(z.string()),
})
type Input = z.output<typeof input>
interface Block extends Input {
  thinMm: number
  /** of the blank with its trim, mm² */
  planMm2: number
  waitMin: number
}
const SOURCE = 'chapter 15.6'
const MOST_PLIES = 20_000
const elapsed = (workMin: number, lifts: number, waitMin: number) => ({
  workHours: workMin / 60,
  elapsedHours: (workMin + (lifts - 1) * waitMin) / 60,
})

/**
 * Areas of the plies together: all whole where they are planed, shorter and shorter where they are
 * stepped.
 */
function pliesMm2(v: Block, plies: number, plyMm: number): number {
  if (v.taper === 'plane' || v.thinMm === v.thickMm) return plies * v.planMm2
  let sum = 0
  for (let i = 0; i < Math.min(plies, MOST_PLIES); i++) {
    const q = Math.min(1, Math.max(0, (i * plyMm - v.thinMm) / (v.thickMm - v.thinMm)))
    sum += (v.widthMm + 2 * v.trimMm) * (v.lengthMm * (1 - q) + 2 * v.trimMm)
  }
  return sum
}
function laid(v: Block) {
  const cloth = CLOTHS[v.cloth]
  const plies = up(v.thickMm / cloth.plyMm)
  const S = pliesMm2(v, plies, cloth.plyMm)
  const perLift = Math.max(1, down((v.liftMm ?? LIFT_MM[v.hardener].laid) / cloth.plyMm))
  const lifts = up(plies / perLift)
  const clothM2 = (S / 1e6) * (1 + v.waste)
  const blankMl = (cloth.plyMm * S) / 1000
  const finishedMl = (v.lengthMm * v.widthMm * (v.thinMm + v.thickMm)) / 2 / 1000
  const planed = v.taper === 'plane' && v.thickMm > v.thinMm
  return {
    plies,
    lifts,
    perLift,
    clothM2,
    clothG: clothM2 * cloth.gM2,
    resinG: resinFor((S / 1e6) * cloth.gM2, cloth.fibre),
    blankMl,
    finishedMl,
    wastedMl: blankMl - finishedMl,
    massKg: (finishedMl * laminateDensity(cloth.fibre)) / 1e6,
    ...elapsed(20 * lifts + 5 * plies + (planed ? 60 : 20), lifts, v.waitMin),
  }
}
function cast(v: Block) {
  const volumeMl = ((v.planMm2 * (v.thinMm + v.thickMm)) / 2 / 1000) * (1 + v.waste)
  const lifts = up(v.thickMm / (v.castLiftMm ?? LIFT_MM[v.hardener].cast))
  const pots = potsFor(volumeMl)
  return { volumeMl, lifts, pots, ...elapsed(15 * pots + 20 * lifts + 30, lifts, v.waitMin) }
}
const MOST_SHEETS = 6
function sheets(v: Block) {
  const glued = (n: number) => Math.max(0, n - 1) * v.glueMm
  const thick = piles(v.sheetsMm, MOST_SHEETS, glued).filter(
    (s) => s.sheetsMm.length > 0 && s.totalMm >= v.thickMm - 1e-9,
  )
  const best = firstBy(thick, [(s) => s.sheetsMm.length, (s) => s.totalMm])
  return (
    best && {
      ...best,
      overMm: best.totalMm - v.thickMm,
      glueMl: (glued(best.sheetsMm.length) * v.planMm2 * 1.25) / 1000,
      workHours: (15 * best.sheetsMm.length + 30) / 60,
    }
  )
}

export const layupBlock = defineCalculator({
  name: 'layup-block',
  title: 'A pad, wedge or backing block made in the shop',
  chapter: '15.6',
  words: ['pad', 'wedge', 'block', 'laminate', 'cast', 'plies', 'layup'],
  input,
  output,
  run: (given) => {
    const v: Block = {
      ...given,
      thinMm: given.thinMm ?? given.thickMm,
      planMm2: (given.lengthMm + 2 * given.trimMm) * (given.widthMm + 2 * given.trimMm),
      waitMin: gelMin(given.hardener, given.tempC),
    }
    const checks = [
      ...(v.thickMm > v.thinMm
        ? [
            limit({
              id: 'thin-edge',
              title: 'Thin edge',
              unit: 'mm',
              source: SOURCE,
              demand: 5,
              capacity: v.thinMm,
            }),
          ]
        : []),
      warmth(v.hardener, v.tempC, SOURCE),
    ]
    return {
      sawDeg: (Math.atan((v.thickMm - v.thinMm) / v.lengthMm) * 180) / Math.PI,
      waitMin: v.waitMin,
      laid: laid(v),
      cast: cast(v),
      sheets: sheets(v),
      checks,
      verdict: verdictOfAll(checks)!,
      cautions: ['dust', 'resins'],
    }
  },
})

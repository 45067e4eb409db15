import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { checkSchema, nonNegative, positive, verdictSchema } from '../../base/schema/schema'
import type { Check } from '../../base/verdict/check'
import { HARDENER_IDS, potLifeAt } from '../bedding/epoxy-batch'
import { CLOTHS, CLOTH_IDS } from '../../base/materials/cloths'
import { against, potsFor, resinFor, up, verdictOfAll, warmth } from './limits'

const input = z.strictObject({
  lengthMm: positive(),
  gapMm: nonNegative(),
  depthMm: nonNegative(),
  filletMm: positive().default(12),
  angleDeg: z.number().min(60).max(180).default(90),
  tapesMm: z.array(positive()).min(1).max(6),
  cloth: z.enum(CLOTH_IDS).default('biaxial-400'),
  pieceMm: positive().default(2000),
  screws: z.number().int().min(0).default(0),
  minutesEach: nonNegative().default(2),
  hardener: z.enum(HARDENER_IDS).default('slow'),
  tempC: z.number().min(-20).max(60).default(20),
  waste: nonNegative().default(0.15),
})
const output = z.object({
  fillMl: z.number(),
  fillPots: z.number(),
  pieces: z.number(),
  tapeM: z.number(),
  clothG: z.number(),
  resinG: z.number(),
  tapePots: z.number(),
  reachMm: z.array(z.number()),
  tabMm: z.number(),
  grindWidthMm: z.number(),
  minutes: z.object({
    screws: z.number(),
    grind: z.number(),
    wash: z.number(),
    fill: z.number(),
    tape: z.number(),
    total: z.number(),
  }),
  potLifeMin: z.number(),
  checks: z.array(checkSchema),
  verdict: verdictSchema,
  cautions: z.array(z.string()),
})
type Input = z.output<typeof input>
const SOURCE = 'chapter 15.7'
const LAP_MM = 50
const PAST_TAPE_MM = 25
const RESIN_G_ML = 1.1

/** The fillet in a corner: tangent, arc, and area beyond the faces, mm and mm². */
function fillet(r: number, angleDeg: number) {
  const theta = (angleDeg * Math.PI) / 180
  const cot = angleDeg === 180 ? 0 : 1 / Math.tan(theta / 2)
  return { u: r * cot, v: r * (Math.PI - theta), areaMm2: r * r * (cot - (Math.PI - theta) / 2) }
}

/** Each tape reaches past the one under it, in the order of laying; the worst is shown. */
function stagger(tapes: number[]): Check {
  const each = tapes.map((b, i) =>
    against({
      id: 'stagger',
      title: 'Tapes staggered',
      unit: 'mm',
      source: SOURCE,
      demand: i === 0 ? 50 : tapes[i - 1]! / 2 + 25,
      capacity: b / 2,
    }),
  )
  return each.reduce((a, b) => (b.utilisation! > a.utilisation! + 1e-12 ? b : a))
}

function minutesOf(v: Input, grindWidthMm: number, fillMl: number) {
  const m = v.lengthMm / 1000
  const m2 = (m * grindWidthMm) / 1000
  const parts = {
    screws: v.screws * v.minutesEach,
    grind: 75 * m2,
    wash: 10 * m2,
    fill: fillMl > 0 ? 6 * m : 0,
    tape: 5 * m * v.tapesMm.length,
  }
  return { ...parts, total: Object.values(parts).reduce((s, x) => s + x, 0) }
}

function checksOf(
  v: Input,
  g: { leastReachMm: number; tabMm: number; potMin: number; potLifeMin: number },
): Check[] {
  const mm = { unit: 'mm', source: SOURCE }
  return [
    stagger(v.tapesMm),
    against({
      id: 'reach',
      title: 'Tape past the gap',
      ...mm,
      demand: 12 * CLOTHS[v.cloth].plyMm,
      capacity: g.leastReachMm,
    }),
    ...(v.angleDeg < 180
      ? [
          against({
            id: 'fillet',
            title: 'Fillet round enough',
            ...mm,
            demand: Math.max(10, 3 * g.tabMm),
            capacity: v.filletMm,
          }),
        ]
      : []),
    against({
      id: 'pot',
      title: 'A pot worked before it goes off',
      unit: 'min',
      source: SOURCE,
      demand: g.potMin,
      capacity: g.potLifeMin,
    }),
    warmth(v.hardener, v.tempC, SOURCE),
  ]
}

export const tapeSeal = defineCalculator({
  name: 'tape-seal',
  title: 'A hull\u2013deck joint sealed from inside',
  chapter: '15.7',
  words: ['hull-deck joint', 'tape', 'fillet', 'glass', 'leak'],
  input,
  output,
  run: (v) => {
    const cloth = CLOTHS[v.cloth]
    const f = fillet(v.filletMm, v.angleDeg)
    const fillMl = ((v.gapMm * v.depthMm + f.areaMm2) * (1 + v.waste) * v.lengthMm) / 1000
    const pieces = up(v.lengthMm / v.pieceMm)
    const tapeM = (v.lengthMm + LAP_MM * (pieces - 1)) / 1000
    const clothG = (v.tapesMm.reduce((s, b) => s + b, 0) / 1000) * tapeM * cloth.gM2
    const resinG = resinFor(clothG, cloth.fibre)
    const reachMm = v.tapesMm.map((b) => (b <= f.v ? 0 : f.u + (b - f.v) / 2 - v.gapMm / 2))
    const tabMm = v.tapesMm.length * cloth.plyMm
    const grindWidthMm = Math.max(...v.tapesMm) + 2 * PAST_TAPE_MM
    const minutes = minutesOf(v, grindWidthMm, fillMl)
    const [fillPots, tapePots] = [potsFor(fillMl), potsFor(resinG / RESIN_G_ML)]
    const pot = potLifeAt(v.hardener, v.tempC)
    const aPot = (min: number, pots: number) => (pots > 0 ? min / pots : 0)
    const checks = checksOf(v, {
      leastReachMm: Math.min(...reachMm),
      tabMm,
      potMin: Math.max(aPot(minutes.fill, fillPots), aPot(minutes.tape, tapePots)),
      potLifeMin: pot,
    })
    return {
      fillMl,
      fillPots,
      pieces,
      tapeM,
      clothG,
      resinG,
      tapePots,
      reachMm,
      tabMm,
      grindWidthMm,
      minutes,
      potLifeMin: pot,
      checks,
      verdict: verdictOfAll(checks)!,
      cautions: ['dust', 'resins', 'working-alone'],
    }
  },
})

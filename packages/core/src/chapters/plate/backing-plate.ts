import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import type { Outline } from '../../base/geometry/outline'
import { PLATES, STOCK_THICKNESS, stockThickness } from '../../base/materials/plates'
import { checkSchema, verdictSchema } from '../../base/schema/schema'
import { governing, worstVerdict, written, type Draft } from '../../base/verdict/check'
import { footprintChecks } from '../deck/footprint'
import { bending, bendingChecks, givenAt, plateBends, snugBy, type PlateGiven } from './plate-bends'
import { input, type PlateInput } from './plate-input'

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
export type PlateOutput = z.infer<typeof output>

const GROW_MM = 5
const MOST_MM = 2000
const up = (mm: number) => Math.ceil(mm / GROW_MM - 1e-9) * GROW_MM

/**
 * The first of 0, 1 … most at which it is no longer so, of what once it is not so stays that way: what
 * presses on more deck presses less. Null where it is so to the last.
 */
function firstNot(so: (k: number) => boolean, most: number): number | null {
  if (!so(0)) return 0
  let low = 0
  let high = 1
  while (high <= most && so(high)) [low, high] = [high, 2 * high]
  if (high > most) {
    if (most <= low || so(most)) return null
    high = most
  }
  while (high - low > 1) {
    const k = (low + high) >> 1
    if (so(k)) low = k
    else high = k
  }
  return high
}
function suggest(v: PlateInput, g: PlateGiven): PlateOutput['suggested'] {
  if ('outline' in v.plate) return null
  let plan: { lengthMm: number; widthMm: number } | { diameterMm: number } =
    'diameterMm' in v.plate
      ? { diameterMm: up(v.plate.diameterMm) }
      : { lengthMm: up(v.plate.lengthMm), widthMm: up(v.plate.widthMm) }
  const grown = (k: number): typeof plan =>
    'diameterMm' in plan
      ? { diameterMm: plan.diameterMm + k * GROW_MM }
      : { lengthMm: plan.lengthMm + k * GROW_MM, widthMm: plan.widthMm + k * GROW_MM }
  const over = (k: number) => onDeck(v, g, grown(k)).some((c) => (c.utilisation ?? Infinity) > 1 + 1e-9)
  const most = Math.floor((MOST_MM - Math.max(...Object.values(plan))) / GROW_MM)
  const k = v.structure ? firstNot(over, most) : 0
  if (k === null) return null
  plan = grown(k)
  const thicknessMm = stockThickness(bending(plan, v, g).requiredMm)
  return thicknessMm === null ? null : { ...plan, thicknessMm }
}

/** What a plate of this outline does to the deck under it; nothing where no deck is given. */
const onDeck = (v: PlateInput, g: PlateGiven, plate: Outline): Draft[] =>
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

export function backingPlateOf(v: PlateInput): PlateOutput {
  const { checks: bends, figures } = plateBends(v)
  const g = givenAt(v, v.bolt.preloadN)
  const checks = [...bends, ...onDeck(v, g, v.plate)].map(written)
  return {
    ...figures,
    checks,
    verdict: worstVerdict(checks.map((c) => c.verdict)),
    governing: governing(checks)!.id,
    suggested: suggest(v, g),
    snug: snugBy(v, (preloadN) => plateChecks(v, preloadN))(v.bolts.map((b) => b.tensionN)),
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

import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { invalid } from '../../base/errors'
import { checkSchema, nonNegative, pointSchema, positive, verdictSchema } from '../../base/schema/schema'
import type { Check, Verdict } from '../../base/verdict/check'
import { against, verdictOfAll } from './limits'
import { firstBy, piles, sheetsShape, type Stack } from './sheets'

const common = {
  flangeMm: positive(),
  ledgeMm: positive(),
  sideMm: nonNegative().default(2),
  beddingMm: positive().default(1.5),
  outerMm: positive(),
  coreMm: nonNegative(),
  innerMm: positive(),
  bandMm: positive(),
  ...sheetsShape,
  edgeGapMm: nonNegative().default(2),
  toleranceMm: positive().default(0.5),
  leastMm: positive().default(4),
  screws: z.array(pointSchema).default([]),
  screwMm: positive().default(4),
  screwDepthMm: positive().optional(),
  waste: nonNegative().default(0.25),
}
const input = z.discriminatedUnion('shape', [
  z.strictObject({ shape: z.literal('rect'), lengthMm: positive(), widthMm: positive(), ...common }),
  z.strictObject({ shape: z.literal('circle'), diameterMm: positive(), ...common }),
])
const pile = z.object({ sheetsMm: z.array(z.number()), totalMm: z.number() })
const size = z.array(z.number()).length(2)
const output = z.object({
  pocketWantedMm: z.number(),
  base: pile,
  ring: pile,
  pocketMm: z.number(),
  proudMm: z.number(),
  rim: z.enum(['flush', 'proud', 'below']),
  drainNeeded: z.boolean(),
  pondMl: z.number(),
  flushBeddingMm: z.number().nullable(),
  fairMm: z.number(),
  remainingMm: z.number(),
  openingMm: size,
  pocketOutlineMm: size,
  solidMm: size,
  pieces: z.array(
    z.object({
      part: z.enum(['base', 'ring']),
      thicknessMm: z.number(),
      lengthMm: z.number(),
      widthMm: z.number(),
      count: z.number(),
    }),
  ),
  fillerMl: z.number(),
  sealantMl: z.number(),
  screws: z.array(z.object({ edgeMm: z.number(), solid: z.boolean() })),
  checks: z.array(checkSchema),
  verdict: verdictSchema,
  cautions: z.array(z.string()),
})
type Input = z.output<typeof input>
type Size = [along: number, across: number]
const SOURCE = 'chapter 15.2'
const GRAIN = 1e-9
const MOST_SHEETS = 3

/** Concentric outlines, each the flange's own moved out by so much. */
function outlines(v: Input) {
  const flange: Size = v.shape === 'rect' ? [v.lengthMm, v.widthMm] : [v.diameterMm, v.diameterMm]
  const by = (mm: number): Size => [flange[0] + 2 * mm, flange[1] + 2 * mm]
  const opening = by(-v.ledgeMm)
  if (!(Math.min(...opening) > GRAIN))
    throw invalid(
      'ledgeMm',
      `A ledge of ${v.ledgeMm} mm all round leaves no opening; a narrower one is needed`,
    )
  return { flange, opening, pocket: by(v.sideMm), solid: by(v.sideMm + v.bandMm) }
}
type Outlines = ReturnType<typeof outlines>
const areaOf = (v: Input, [a, b]: Size) => (v.shape === 'rect' ? a * b : (Math.PI / 4) * a * a)
const perimeterOf = (v: Input, [a, b]: Size) => (v.shape === 'rect' ? 2 * (a + b) : Math.PI * a)

/** Base sheets that bring the glass nearest to flush, then ring sheets up to the deck. */
function stacks(v: Input, wantedMm: number) {
  const h = v.outerMm + v.coreMm
  const all = piles(v.sheetsMm, MOST_SHEETS, (n) => n * v.glueMm)
  const base = firstBy(
    all.filter((s) => s.totalMm <= h + GRAIN),
    [(s) => Math.abs(s.totalMm - (h - wantedMm)), (s) => s.sheetsMm.length, (s) => s.totalMm],
  )!
  const pocketMm = h - base.totalMm
  const ring = firstBy(
    all.filter((s) => s.totalMm <= pocketMm + GRAIN),
    [(s) => -s.totalMm, (s) => s.sheetsMm.length],
  )!
  return { h, base, ring, pocketMm }
}

function piecesOf(v: Input, o: Outlines, base: Stack, ring: Stack) {
  const [length, width] = o.solid
  const whole = (part: 'base' | 'ring', thicknessMm: number) => ({
    part,
    thicknessMm,
    lengthMm: length,
    widthMm: width,
    count: 1,
  })
  const strips = (thicknessMm: number) =>
    [length, o.pocket[1]].map((lengthMm) => ({
      part: 'ring' as const,
      thicknessMm,
      lengthMm,
      widthMm: v.bandMm,
      count: 2,
    }))
  return [
    ...base.sheetsMm.map((t) => whole('base', t)),
    ...ring.sheetsMm.flatMap((t) => (v.shape === 'rect' ? strips(t) : [whole('ring', t)])),
  ]
}

/**
 * From a screw's middle to the pocket's wall or the edge of the solid, whichever is nearer; negative off
 * it.
 */
function edgeOf(v: Input, o: Outlines, p: { xMm: number; yMm: number }): number {
  if (v.shape === 'circle') {
    const r = Math.hypot(p.xMm, p.yMm)
    return Math.min(r - o.pocket[0] / 2, o.solid[0] / 2 - r)
  }
  const [dx, dy] = [Math.abs(p.xMm) - o.pocket[0] / 2, Math.abs(p.yMm) - o.pocket[1] / 2]
  const toPocket = dx <= 0 && dy <= 0 ? Math.max(dx, dy) : Math.hypot(Math.max(0, dx), Math.max(0, dy))
  return Math.min(toPocket, o.solid[0] / 2 - Math.abs(p.xMm), o.solid[1] / 2 - Math.abs(p.yMm))
}

function screwCheck(v: Input, edges: number[]): Check[] {
  if (!edges.length) return []
  const least = Math.min(...edges)
  const d = v.screwMm
  const verdict: Verdict = least < 1.5 * d - GRAIN ? 'short' : least < 2 * d - GRAIN ? 'tight' : 'holds'
  const c = against({
    id: 'screws-in-solid',
    title: 'Screws in the solid',
    unit: 'mm',
    source: SOURCE,
    demand: 1.5 * d,
    capacity: least,
  })
  return [{ ...c, verdict }]
}
function checksOf(
  v: Input,
  g: { proudMm: number; remainingMm: number; h: number },
  edges: number[],
): Check[] {
  const mm = { unit: 'mm', source: SOURCE }
  return [
    against({
      id: 'flush',
      title: 'Flush with the deck',
      ...mm,
      demand: Math.abs(g.proudMm),
      capacity: v.toleranceMm,
    }),
    against({
      id: 'remaining',
      title: 'Left under the pocket',
      ...mm,
      demand: v.leastMm,
      capacity: g.remainingMm,
    }),
    ...screwCheck(v, edges),
    ...(v.screws.length && v.screwDepthMm !== undefined
      ? [
          against({
            id: 'screw-depth',
            title: 'Screws end in the solid',
            ...mm,
            demand: v.screwDepthMm,
            capacity: g.h,
          }),
        ]
      : []),
  ]
}

export const prismPocket = defineCalculator({
  name: 'prism-pocket',
  title: 'A prism or light set flush',
  chapter: '15.2',
  words: ['prism', 'deck light', 'pocket', 'flush', 'glass', 'solid'],
  input,
  output,
  run: (v) => {
    const o = outlines(v)
    const wanted = v.flangeMm + v.beddingMm
    const { h, base, ring, pocketMm } = stacks(v, wanted)
    const proudMm = wanted - pocketMm
    const fairMm = pocketMm - ring.totalMm
    const [A, P] = [(s: Size) => areaOf(v, s), (s: Size) => perimeterOf(v, s)]
    const rim = Math.abs(proudMm) <= v.toleranceMm + GRAIN ? 'flush' : proudMm > 0 ? 'proud' : 'below'
    const flush = v.beddingMm - proudMm
    const fillerMm3 =
      (A(o.solid) - A(o.opening)) * base.sheetsMm.length * v.glueMm +
      (A(o.solid) - A(o.pocket)) * (ring.sheetsMm.length * v.glueMm + fairMm) +
      P(o.solid) * v.edgeGapMm * h
    const sealantMm3 = (A(o.flange) - A(o.opening)) * v.beddingMm + P(o.flange) * v.sideMm * v.flangeMm
    const screws = v.screws.map((p) => {
      const edgeMm = edgeOf(v, o, p)
      return { edgeMm, solid: edgeMm >= 1.5 * v.screwMm - GRAIN }
    })
    const remainingMm = base.totalMm + v.innerMm
    const checks = checksOf(
      v,
      { proudMm, remainingMm, h },
      screws.map((s) => s.edgeMm),
    )
    return {
      pocketWantedMm: wanted,
      base,
      ring,
      pocketMm,
      proudMm,
      rim: rim as 'flush' | 'proud' | 'below',
      drainNeeded: rim === 'below',
      pondMl: (A(o.flange) * Math.max(0, -proudMm)) / 1000,
      flushBeddingMm: flush < 1 - GRAIN ? null : flush,
      fairMm,
      remainingMm,
      openingMm: o.opening,
      pocketOutlineMm: o.pocket,
      solidMm: o.solid,
      pieces: piecesOf(v, o, base, ring),
      fillerMl: (fillerMm3 * (1 + v.waste)) / 1000,
      sealantMl: (1.3 * sealantMm3) / 1000,
      screws,
      checks,
      verdict: verdictOfAll(checks)!,
      cautions: ['dust', 'resins'],
    }
  },
})

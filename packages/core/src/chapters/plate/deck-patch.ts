import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError, invalid } from '../../base/errors'
import { checkSchema, dutySchema, factorsSchema, positive } from '../../base/schema/schema'
import { check, say, type Check } from '../../base/verdict/check'
import { factorsFor } from '../../base/verdict/factors'
import { NotPositive } from './fronts'
import { halvesOf, solvePatch, type PatchAnswer, type Peak, type Rect } from './patch-solver'

const edge = z.enum(['simple', 'clamped', 'free'])
const nu = z.number().min(0).lt(0.5).default(0.3)
const rect = {
  xMm: z.number(),
  yMm: z.number(),
  lengthMm: positive(),
  widthMm: positive(),
  turnDeg: z.number().min(-360).max(360).optional(),
}
const plate = z.strictObject({
  ...rect,
  tMm: positive(),
  eMPa: positive(),
  nu,
  bonded: z.boolean().default(false),
})
const lines = z.number().int().min(4).max(200)
export const deckPatchInput = z.strictObject({
  panel: z.strictObject({ aMm: positive(), bMm: positive() }),
  edges: z.strictObject({ x0: edge, x1: edge, y0: edge, y1: edge }),
  layup: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('sandwich'),
      outerMm: positive(),
      coreMm: positive(),
      innerMm: positive(),
      eMPa: positive(),
      innerEMPa: positive().optional(),
      nu,
      coreGMPa: positive(),
    }),
    z.strictObject({ kind: z.literal('solid'), tMm: positive(), eMPa: positive(), nu }),
  ]),
  loads: z.array(z.strictObject({ ...rect, forceN: z.number() })).default([]),
  pressureMPa: z.number().default(0),
  backingPlate: plate.optional(),
  basePlate: plate.optional(),
  supports: z
    .array(z.strictObject({ axis: z.enum(['x', 'y']), atMm: positive() }))
    .max(40)
    .default([]),
  mesh: z.strictObject({ nx: lines, ny: lines }).optional(),
  strengths: z
    .strictObject({
      skinMPa: positive(),
      coreShearMPa: positive(),
      duty: dutySchema.default('coastal'),
      factors: factorsSchema.optional(),
    })
    .optional(),
  fields: z.boolean().default(false),
})
const peak = z.object({ stressMPa: z.number(), xMm: z.number(), yMm: z.number() })
const grid = z.array(z.array(z.number()))
const output = z.object({
  maxDeflectionMm: z.number(),
  deflectionAt: z.object({ xMm: z.number(), yMm: z.number() }),
  outerSkin: peak,
  innerSkin: peak,
  coreShear: peak,
  totalReactionN: z.number(),
  section: z.object({ bendingNmm: z.number(), shearNPerMm: z.number() }),
  checks: z.array(checkSchema),
  mesh: z.object({ nx: z.number(), ny: z.number() }),
  notes: z.array(z.string()),
  fields: z
    .object({
      xMm: z.array(z.number()),
      yMm: z.array(z.number()),
      deflectionMm: grid,
      outerMPa: grid,
      innerMPa: grid,
      shearMPa: grid,
    })
    .optional(),
})
type Input = z.output<typeof deckPatchInput>
export type DeckPatch = z.infer<typeof output>
const USUAL_LINES = 40
const GRAIN = 1e-9

function refuseOutside(v: Input) {
  const inside = (r: Rect) => {
    const half = halvesOf(r)
    return (
      Math.abs(r.xMm - v.panel.aMm / 2) + half.xMm <= (v.panel.aMm / 2) * (1 + GRAIN) &&
      Math.abs(r.yMm - v.panel.bMm / 2) + half.yMm <= (v.panel.bMm / 2) * (1 + GRAIN)
    )
  }
  const refuse = (path: string, what: string) =>
    new CalcError(
      'outside-panel',
      path,
      `${what} does not lie wholly on the panel of ${say(v.panel.aMm)} \u00d7 ${say(v.panel.bMm)} mm`,
    )
  v.loads.forEach((l, i) => {
    if (!inside(l)) throw refuse(`loads.${i}`, `Patch ${i + 1}`)
  })
  if (v.backingPlate && !inside(v.backingPlate)) throw refuse('backingPlate', 'The backing plate')
  if (v.basePlate && !inside(v.basePlate)) throw refuse('basePlate', 'The base plate')
  v.supports.forEach((m, i) => {
    if (m.atMm >= (m.axis === 'x' ? v.panel.aMm : v.panel.bMm))
      throw refuse(`supports.${i}`, `Member ${i + 1}`)
  })
  const kinds = Object.values(v.edges)
  if (!kinds.includes('clamped') && kinds.filter((k) => k === 'simple').length < 2)
    throw new CalcError(
      'unsupported-panel',
      'edges',
      'One clamped edge or two simple ones are the least that hold a panel',
    )
}

/**
 * Rounds of refinement where no mesh is asked for: until the deflection moves by under 0.5 % and the peaks
 * by under 2 %.
 */
const ROUNDS = [28, USUAL_LINES, 56, 80]
const greatestOf = (field: Float64Array) => field.reduce((m, x) => Math.max(m, Math.abs(x)), 0)

function refined(v: Input, notes: string[], tick?: (part: number) => boolean | void): PatchAnswer {
  const problem = {
    ...v.panel,
    edges: v.edges,
    layup: v.layup,
    loads: v.loads,
    pressureMPa: v.pressureMPa,
    backingPlate: v.backingPlate,
    basePlate: v.basePlate,
    supports: v.supports,
  }
  const meshes = v.mesh ? [v.mesh] : ROUNDS.map((n) => ({ nx: n, ny: n }))
  // Peaks that depend on the mesh by their nature are not waited for.
  const peaksSettle = notes.length === 0
  let before: number[] | null = null
  let answer: PatchAnswer | null = null
  try {
    for (const [round, mesh] of meshes.entries()) {
      answer = solvePatch(
        { ...problem, ...mesh },
        tick && ((part) => tick(1 - 0.5 ** round * (1 - 0.5 * part))),
      )
      const now: number[] = [
        answer.deflection,
        ...(peaksSettle ? [answer.outer, answer.inner, answer.shear] : []),
      ].map(greatestOf)
      const moved = before?.map(
        (x, i) => Math.abs(now[i]! - x) <= (i === 0 ? 0.005 : 0.02) * Math.abs(now[i]!),
      )
      if (moved?.every(Boolean)) break
      if (round > 0 && round === meshes.length - 1)
        notes.push(
          'The last refinement still moved the answer by more than 0.5 % in deflection or 2 % in a peak.',
        )
      before = now
    }
  } catch (error) {
    if (error instanceof NotPositive)
      throw invalid(
        '',
        'These stiffnesses lie too far apart, or are too large or too small, to be solved together',
      )
    throw error
  }
  tick?.(1)
  return answer!
}

/** The patch solved; `tick` hears how far it is and stops it by answering false. */
export function deckPatchOf(v: Input, tick?: (part: number) => boolean | void): DeckPatch {
  refuseOutside(v)
  const notes: string[] = []
  if (v.backingPlate || v.basePlate) notes.push('Peaks at the edge of an added plate depend on the mesh.')
  if (v.layup.kind === 'sandwich' && Object.values(v.edges).includes('clamped'))
    notes.push('Peaks at a clamped edge of a sandwich depend on the mesh.')
  if (Object.values(v.edges).includes('free')) notes.push('Peaks where a free edge ends depend on the mesh.')
  const s = refined(v, notes, tick)
  const across = s.x.length
  const greatest = (field: Float64Array) =>
    field.reduce((best, value, i) => (Math.abs(value) > Math.abs(field[best]!) * (1 + 1e-9) ? i : best), 0)
  const at = (i: number) => ({ xMm: s.x[i % across]!, yMm: s.y[Math.floor(i / across)]! })
  const peakOf = (field: Float64Array): Peak => {
    const i = greatest(field)
    return { stressMPa: field[i]!, ...at(i) }
  }
  const [outerSkin, innerSkin, coreShear] = [peakOf(s.outer), peakOf(s.inner), peakOf(s.shear)]
  const most = greatest(s.deflection)
  const checks: Check[] = []
  if (v.strengths) {
    const f = factorsFor(v.strengths.duty, v.strengths.factors)
    const skin = (id: string, title: string, p: Peak) =>
      check({
        id,
        title,
        unit: 'MPa',
        source: 'chapter 3.7',
        demand: Math.abs(p.stressMPa),
        capacity: v.strengths!.skinMPa,
        factor: f.laminate,
        because: `${say(Math.abs(p.stressMPa))} MPa of ${p.stressMPa < 0 ? 'compression' : 'tension'} at x ${say(p.xMm)}, y ${say(p.yMm)} mm, against ${say(v.strengths!.skinMPa)} MPa with a factor of ${f.laminate}.`,
      })
    checks.push(
      skin('skin-outer', 'Outer skin', outerSkin),
      skin('skin-inner', 'Inner skin', innerSkin),
      check({
        id: 'core-shear',
        title: 'Core shear',
        unit: 'MPa',
        source: 'chapter 3.7',
        demand: coreShear.stressMPa,
        capacity: v.strengths.coreShearMPa,
        factor: f.core,
        because: `${say(coreShear.stressMPa)} MPa at x ${say(coreShear.xMm)}, y ${say(coreShear.yMm)} mm, against ${say(v.strengths.coreShearMPa)} MPa with a factor of ${f.core}.`,
      }),
    )
  }
  if (v.backingPlate?.bonded || v.basePlate?.bonded)
    notes.push(
      'With a bonded plate on one side the deflection comes out up to 8 % large where the plate is stiff: the safe side.',
    )
  const rows = (f: Float64Array) =>
    Array.from({ length: s.y.length }, (_, j) => Array.from(f.subarray(j * across, (j + 1) * across)))
  const { membrane, own } = s.bare
  return {
    maxDeflectionMm: s.deflection[most]!,
    deflectionAt: at(most),
    outerSkin,
    innerSkin,
    coreShear,
    totalReactionN: s.totalReactionN,
    section: { bendingNmm: (membrane?.d11 ?? 0) + own.d11, shearNPerMm: membrane?.S ?? own.S },
    checks,
    mesh: { nx: s.x.length - 1, ny: s.y.length - 1 },
    notes,
    ...(v.fields
      ? {
          fields: {
            xMm: Array.from(s.x),
            yMm: Array.from(s.y),
            deflectionMm: rows(s.deflection),
            outerMPa: rows(s.outer),
            innerMPa: rows(s.inner),
            shearMPa: rows(s.shear),
          },
        }
      : {}),
  }
}

export const deckPatch = defineCalculator({
  name: 'deck-patch',
  title: 'How a deck patch bends',
  chapter: '3.7',
  words: ['deflection', 'finite element', 'panel', 'backing plate', 'core shear', 'skin stress', 'spread'],
  input: deckPatchInput,
  output,
  run: (v) => deckPatchOf(v),
})

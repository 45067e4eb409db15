import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError, invalid } from '../../base/errors'
import { tand } from '../../base/geometry/outline'
import { SIZES, SIZE_IDS, STOCK_LENGTHS_IN, STOCK_LENGTHS_MM } from '../../base/materials/fasteners'
import { nonNegative, positive, workingSchema } from '../../base/schema/schema'
import { step } from '../../base/verdict/check'

const washer = z.enum(['none', 'plain', 'large'])
const input = z
  .strictObject({
    size: z.enum(SIZE_IDS),
    head: z.enum(['hex', 'pan', 'button', 'socket', 'countersunk']),
    washers: z
      .strictObject({ head: washer.default('none'), nut: washer.default('plain') })
      .default({ head: 'none', nut: 'plain' }),
    nut: z.enum(['hex', 'locking', 'double-hex']),
    layers: z.array(z.strictObject({ name: z.string(), thicknessMm: nonNegative() })).min(1),
    partThreaded: z.boolean().default(false),
    protrusionPitches: nonNegative().default(2),
    headDiameterMm: positive().optional(),
    headAngleDeg: positive().lt(180).optional(),
  })
  .superRefine((v, ctx) => {
    if (v.head === 'countersunk') {
      if (v.headDiameterMm !== undefined && v.headDiameterMm <= SIZES[v.size]!.diameterMm)
        ctx.addIssue({
          code: 'custom',
          path: ['headDiameterMm'],
          message: `${v.headDiameterMm} was given; a countersunk head is wider than its ${SIZES[v.size]!.diameterMm} mm bolt`,
        })
      return
    }
    for (const key of ['headDiameterMm', 'headAngleDeg'] as const)
      if (v[key] !== undefined)
        ctx.addIssue({
          code: 'custom',
          path: [key],
          message: `${key} belongs to a countersunk head; a ${v.head} head has none`,
        })
  })
const output = z.object({
  gripMm: z.number(),
  nutMm: z.number(),
  protrusionMm: z.number(),
  requiredMm: z.number(),
  lengthMm: z.number(),
  lengthInch: z.number().nullable(),
  surplusMm: z.number(),
  trim: z.boolean(),
  threadLengthMm: z.number(),
  shankMm: z.number(),
  shankFits: z.boolean(),
  threading: z.enum(['part', 'full']),
  headDepthMm: z.number(),
  headFits: z.boolean(),
  working: workingSchema,
})

const LONGEST_GRAIN = 1e-6

/** Thread of a part-threaded bolt of that length. */
export function threadOf(system: 'metric' | 'inch', d: number, L: number): number {
  if (system === 'inch') return 2 * d + (L <= 6 * 25.4 + LONGEST_GRAIN ? 0.25 : 0.5) * 25.4
  return 2 * d + (L <= 125 ? 6 : L <= 200 ? 12 : 25)
}

export function gripStackOf(v: z.output<typeof input>): z.infer<typeof output> {
  const size = SIZES[v.size]!
  const sunk = v.head === 'countersunk'
  if (sunk && v.washers.head !== 'none')
    throw new CalcError(
      'washer-under-countersunk',
      'washers.head',
      'A countersunk head sits in its seat; it takes no washer',
    )
  const washerMm = (w: 'none' | 'plain' | 'large') =>
    w === 'none' ? 0 : w === 'plain' ? size.plainWasher.thicknessMm : size.largeWasher.thicknessMm
  const layersMm = v.layers.reduce((s, l) => s + l.thicknessMm, 0)
  const gripMm = washerMm(v.washers.head) + layersMm + washerMm(v.washers.nut)
  const nutMm = v.nut === 'locking' ? size.lockingNutMm : size.hexNutMm * (v.nut === 'double-hex' ? 2 : 1)
  const protrusionMm = v.protrusionPitches * size.pitchMm
  const requiredMm = gripMm + nutMm + protrusionMm
  if (!Number.isFinite(requiredMm)) throw invalid('', 'These thicknesses are too large to add up')
  const inches =
    size.system === 'inch'
      ? (STOCK_LENGTHS_IN.find((l) => l * 25.4 >= requiredMm - LONGEST_GRAIN) ?? null)
      : null
  const lengthMm =
    size.system === 'inch'
      ? inches === null
        ? null
        : inches * 25.4
      : (STOCK_LENGTHS_MM.find((l) => l >= requiredMm - LONGEST_GRAIN) ?? null)
  if (lengthMm === null)
    throw new CalcError(
      'no-stock-length',
      'layers',
      `The stack needs a bolt of ${requiredMm.toFixed(1)} mm; the longest in stock is ${size.system === 'inch' ? '8 in' : '200 mm'}`,
    )
  const d = size.diameterMm
  const threadLengthMm = v.partThreaded ? Math.min(lengthMm, threadOf(size.system, d, lengthMm)) : lengthMm
  const shankMm = Math.max(0, lengthMm - threadLengthMm)
  const shankFits = shankMm === 0 || shankMm < gripMm
  const headDepthMm = sunk
    ? ((v.headDiameterMm ?? 2 * d) - d) /
      (2 * tand((v.headAngleDeg ?? (size.system === 'inch' ? 82 : 90)) / 2))
    : 0
  return {
    gripMm,
    nutMm,
    protrusionMm,
    requiredMm,
    lengthMm,
    lengthInch: inches,
    surplusMm: lengthMm - requiredMm,
    trim: lengthMm - requiredMm > d,
    threadLengthMm,
    shankMm,
    shankFits,
    threading: v.partThreaded && shankFits ? 'part' : 'full',
    headDepthMm,
    headFits: !sunk || headDepthMm <= v.layers[0]!.thicknessMm + LONGEST_GRAIN,
    working: [
      ...v.layers.map((l) => step('t', l.name, '', l.thicknessMm, 'mm')),
      step('grip', 'washers and layers between head and nut', '\u03a3t', gripMm, 'mm'),
      step('nut', `${v.nut} nut`, '', nutMm, 'mm'),
      step('out', 'thread through the nut', `${v.protrusionPitches} pitches`, protrusionMm, 'mm'),
      step('L', 'length needed', 'grip + nut + protrusion', requiredMm, 'mm'),
      step('stock', 'shortest stock length that reaches', '', lengthMm, 'mm'),
    ],
  }
}

export const gripStack = defineCalculator({
  name: 'grip-stack',
  title: 'How long a bolt',
  chapter: '2.4',
  words: ['bolt length', 'grip', 'nut', 'washer', 'trim', 'countersunk', 'how long'],
  input,
  output,
  run: gripStackOf,
})

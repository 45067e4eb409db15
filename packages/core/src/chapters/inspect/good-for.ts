import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { invalid } from '../../base/errors'
import { boundsOf, cosd, discShape, outlineSchema, rectangleShape, sind } from '../../base/geometry/outline'
import { GRADE_IDS, SIZES, SIZE_IDS } from '../../base/materials/fasteners'
import { PLATE_IDS } from '../../base/materials/plates'
import { coreOf, fullThickness, structureSchema, type Structure } from '../../base/materials/structure'
import {
  dutySchema,
  jointFactorsSchema,
  nonNegative,
  pointSchema,
  positive,
  vectorSchema,
} from '../../base/schema/schema'
import type { Draft } from '../../base/verdict/check'
import { baseContactOf } from '../deck/base-contact'
import { bedLayers } from '../deck/bed'
import { leastBoreMm } from '../deck/core-plug'
import { plugSchema } from '../deck/footprint'
import { jointChecks } from '../deck/joint-parts'
import { anglesOf, countOf, span } from '../load/sweep'
import { plateBendingOf } from '../plate/plate-bends'

const MOST_DIRECTIONS = 2000
const UNSEEN = z.literal('unseen')
const input = z
  .strictObject({
    duty: dutySchema.default('coastal'),
    factors: jointFactorsSchema.optional(),
    structure: structureSchema,
    bolt: z.strictObject({
      size: z.enum(SIZE_IDS),
      grade: z.enum(GRADE_IDS),
      threadsInShear: z.boolean().default(true),
      preloadN: nonNegative().default(0),
      holeMm: positive().optional(),
    }),
    bolts: z.array(pointSchema).min(1),
    base: z.union([
      z.strictObject({ ...rectangleShape, thicknessMm: positive() }),
      z.strictObject({ ...discShape, thicknessMm: positive() }),
    ]),
    pointMm: vectorSchema.default({ x: 0, y: 0, z: 0 }),
    edgeMm: positive().optional(),
    plate: z
      .union([outlineSchema({ material: z.enum(PLATE_IDS), thicknessMm: positive() }), z.null(), UNSEEN])
      .default('unseen'),
    plug: z.union([plugSchema, z.null(), UNSEEN]).default('unseen'),
    washer: z.enum(['plain', 'large', 'unseen']).default('unseen'),
    azimuthDeg: span(-Number.MAX_VALUE, Number.MAX_VALUE).default({ from: 0, to: 345, step: 15 }),
    elevationsDeg: z.array(z.number().min(-90).max(90)).min(1).default([0]),
    at: positive().max(1).default(0.9),
  })
  .superRefine((v, ctx) => {
    const d = SIZES[v.bolt.size]!.diameterMm
    if (v.bolt.holeMm !== undefined && v.bolt.holeMm < d)
      ctx.addIssue({
        code: 'custom',
        path: ['bolt', 'holeMm'],
        message: `${v.bolt.holeMm} was given; the hole is at least as wide as its ${d} mm bolt`,
      })
  })
const found = z.object({ loadN: z.number().nullable(), governing: z.string().nullable() })
const least = z
  .object({
    loadN: z.number(),
    governing: z.string(),
    azimuthDeg: z.number(),
    elevationDeg: z.number(),
  })
  .nullable()
const output = z.object({
  directions: z.array(
    z.object({ azimuthDeg: z.number(), elevationDeg: z.number(), worst: found, best: found }),
  ),
  least: z.object({ worst: least, best: least }),
  unseen: z.array(z.enum(['plate', 'plug', 'washer'])),
  leftOut: z.array(z.string()),
  assumed: z.array(z.string()),
})
export type GoodForInput = z.output<typeof input>
export type GoodForOutput = z.infer<typeof output>
type Found = z.infer<typeof found>
type Plate = Exclude<GoodForInput['plate'], 'unseen'>
type Plug = Exclude<GoodForInput['plug'], 'unseen'>

/** What is taken for the inside, where nobody has looked. */
interface Inside {
  structure: Structure
  plate: Plate
  plug: Plug
  washer: 'plain' | 'large'
}
const isUnseen = (v: GoodForInput) => ({
  plate: v.plate === 'unseen',
  plug: v.plug === 'unseen' && v.structure.kind === 'sandwich',
  washer: v.washer === 'unseen',
})

/** A bare hole lets water into a core that drinks: half of its strength is counted. */
function wetted(s: Structure): Structure {
  if (s.kind !== 'sandwich') return s
  const core = coreOf(s.core)
  if (!core.rots) return s
  return {
    ...s,
    core: { ...s.core, compressiveMPa: core.compressiveMPa / 2, shearMPa: core.shearMPa / 2 },
  }
}
/** G10 two bolts thick that reaches five past the outer bolts all round: the yard's rule of thumb. */
function goodPlate(v: GoodForInput): Plate {
  const d = SIZES[v.bolt.size]!.diameterMm
  const { minX, maxX, minY, maxY } = boundsOf({ outline: v.bolts })
  const [x0, x1, y0, y1] = [minX - 5 * d, maxX + 5 * d, minY - 5 * d, maxY + 5 * d]
  return {
    material: 'g10',
    thicknessMm: 2 * d,
    outline: [
      { xMm: x0, yMm: y0 },
      { xMm: x1, yMm: y0 },
      { xMm: x1, yMm: y1 },
      { xMm: x0, yMm: y1 },
    ],
  }
}
function goodPlug(v: GoodForInput): Plug {
  const s = v.structure
  if (s.kind !== 'sandwich') return null
  const hole = holeOf(v)
  const bore = leastBoreMm(s.core.material, hole)
  if (bore === null) return null
  return { material: 'epoxy-plug', areaEachMm2: (Math.PI / 4) * (bore ** 2 - hole ** 2), bored: true }
}
const holeOf = (v: GoodForInput) => v.bolt.holeMm ?? SIZES[v.bolt.size]!.clearanceMm

function insideOf(v: GoodForInput, which: 'worst' | 'best'): Inside {
  const hidden = isUnseen(v)
  const worst = which === 'worst'
  const plug = v.plug === 'unseen' ? (worst ? null : goodPlug(v)) : v.plug
  return {
    structure: hidden.plug && worst ? wetted(v.structure) : v.structure,
    plate: v.plate === 'unseen' ? (worst ? null : goodPlate(v)) : v.plate,
    plug,
    washer: v.washer === 'unseen' ? (worst ? 'plain' : 'large') : v.washer,
  }
}

/** A plate's plan without what it is of. */
const planOf = (p: NonNullable<Plate>) =>
  'outline' in p
    ? { outline: p.outline }
    : 'diameterMm' in p
      ? { diameterMm: p.diameterMm }
      : { lengthMm: p.lengthMm, widthMm: p.widthMm }

/** All checks that a load moves, as a function of the load in one direction. */
function checksBy(v: GoodForInput, inside: Inside, azimuthDeg: number, elevationDeg: number) {
  const gripMm = v.base.thicknessMm + fullThickness(inside.structure) + (inside.plate?.thicknessMm ?? 0)
  const { thicknessMm: _, ...base } = v.base
  const contact = baseContactOf({
    base,
    bolts: v.bolts,
    loadN: {
      x: TRIAL_N * cosd(elevationDeg) * cosd(azimuthDeg),
      y: TRIAL_N * cosd(elevationDeg) * sind(azimuthDeg),
      z: TRIAL_N * sind(elevationDeg),
    },
    pointMm: v.pointMm,
    bolt: { size: v.bolt.size, grade: v.bolt.grade, gripMm },
    layers: bedLayers(inside.structure, inside.plate),
    preloadN: 0,
  })
  const plate = inside.plate ? planOf(inside.plate) : undefined
  return (loadN: number): Draft[] => {
    const k = loadN / TRIAL_N
    const bolts = v.bolts.map((b, i) => ({
      ...b,
      tensionN: contact.bolts[i]!.tensionN * k,
      shearN: contact.bolts[i]!.shearN * k,
    }))
    const f = contact.field
    const joint = jointChecks({
      duty: v.duty,
      factors: v.factors,
      structure: inside.structure,
      bolt: { ...v.bolt, gripMm },
      bolts,
      edgeMm: v.edgeMm,
      plate,
      washer: inside.washer,
      plug: inside.plug ?? undefined,
      base: {
        ...base,
        field: {
          centreMPa: f.centreMPa * k,
          alongMPaPerMm: f.alongMPaPerMm * k,
          acrossMPaPerMm: f.acrossMPaPerMm * k,
        },
      },
    }).filter((c) => c.id !== 'edge-distance' && c.id !== 'spacing')
    const bending = inside.plate
      ? plateBendingOf({
          duty: v.duty,
          factors: v.factors,
          plate: inside.plate,
          bolts: bolts.map(({ xMm, yMm, tensionN }) => ({ xMm, yMm, tensionN })),
          bolt: v.bolt,
          washer: inside.washer,
        })
      : []
    return [...joint, ...bending].filter((c) => c.utilisation !== null)
  }
}
const TRIAL_N = 1000

/** The greatest load at which no check is past `at`; with no preload all is in proportion to the load. */
function greatest(checks: (loadN: number) => Draft[], at: number, preloadN: number): Found {
  const over = (list: Draft[]) => list.find((c) => c.utilisation! > at + 1e-9)
  if (preloadN === 0) {
    let best: Found = { loadN: null, governing: null }
    for (const c of checks(TRIAL_N)) {
      if (!(c.utilisation! > 0)) continue
      const loadN = (at / c.utilisation!) * TRIAL_N
      if (best.loadN === null || loadN < best.loadN * (1 - 1e-12)) best = { loadN, governing: c.id }
    }
    return best
  }
  const idle = over(checks(0))
  if (idle) return { loadN: 0, governing: idle.id }
  let [low, high] = [0, TRIAL_N]
  for (let i = 0; i < 60 && !over(checks(high)); i++) [low, high] = [high, high * 2]
  if (!over(checks(high))) return { loadN: null, governing: null }
  for (let i = 0; i < 60 && high - low > 1e-9 * high; i++) {
    const middle = (low + high) / 2
    if (over(checks(middle))) high = middle
    else low = middle
  }
  return { loadN: low, governing: over(checks(high))!.id }
}

function leastOf(directions: GoodForOutput['directions'], which: 'worst' | 'best') {
  let out: z.infer<typeof least> = null
  for (const d of directions) {
    const f = d[which]
    if (f.loadN === null || (out && f.loadN >= out.loadN)) continue
    out = {
      loadN: f.loadN,
      governing: f.governing!,
      azimuthDeg: d.azimuthDeg,
      elevationDeg: d.elevationDeg,
    }
  }
  return out
}

/** What a fitting that is there is good for, between the worst and the best that may lie unseen (18.7). */
export function goodForOf(v: GoodForInput): GoodForOutput {
  const count = countOf(v.azimuthDeg) * v.elevationsDeg.length
  if (count > MOST_DIRECTIONS)
    throw invalid(
      'azimuthDeg',
      `These make ${count} directions; up to ${MOST_DIRECTIONS} are accepted: take a longer step`,
    )
  if (v.plug && v.plug !== 'unseen' && v.structure.kind !== 'sandwich')
    throw invalid('plug', 'A core plug was given, but this structure has no core; leave the plug out')
  const hidden = isUnseen(v)
  const unseen = (['plate', 'plug', 'washer'] as const).filter((k) => hidden[k])
  const [worst, best] = [insideOf(v, 'worst'), insideOf(v, 'best')]
  const find = (inside: Inside, az: number, el: number) =>
    greatest(checksBy(v, inside, az, el), v.at, v.bolt.preloadN)
  const directions = anglesOf(v.azimuthDeg).flatMap((azimuthDeg) =>
    v.elevationsDeg.map((elevationDeg) => {
      const low = find(worst, azimuthDeg, elevationDeg)
      return {
        azimuthDeg,
        elevationDeg,
        worst: low,
        best: unseen.length ? find(best, azimuthDeg, elevationDeg) : low,
      }
    }),
  )
  return {
    directions,
    least: { worst: leastOf(directions, 'worst'), best: leastOf(directions, 'best') },
    unseen,
    leftOut: v.edgeMm === undefined ? ['shear-out'] : [],
    assumed: [
      ...unseen.map((u) => `${u}: not seen from inside, bounded`),
      'strengths of the table where none was measured',
    ],
  }
}

export const goodFor = defineCalculator({
  name: 'good-for',
  title: 'What one that is there is good for',
  chapter: '18.7',
  words: ['existing', 'old fitting', 'unseen plate', 'allowable load', 'polar', 'survey'],
  input,
  output,
  run: goodForOf,
})

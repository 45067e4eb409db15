import { z } from 'zod'
import { upFrom, withNumbers } from '../../base/attempts'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { GLAZING, GLAZING_IDS } from '../../base/materials/glazing'
import { SEALANT_IDS, sealant } from '../../base/materials/sealants'
import { checkSchema, positive } from '../../base/schema/schema'
import { check, say, unproven, type Check } from '../../base/verdict/check'

const STRUCTURE_ALPHA = { laminate: 20e-6, aluminium: 23e-6 } as const
const at = z.strictObject({ x: z.number(), y: z.number() })
const input = z.strictObject({
  material: z.enum(GLAZING_IDS),
  alphaPerK: positive().optional(),
  structure: z.enum(['laminate', 'aluminium']).default('laminate'),
  lengthMm: positive(),
  widthMm: positive(),
  deltaK: positive().default(40),
  screwMm: positive(),
  holesMm: z.array(at).min(1).optional(),
  fixedMm: at.default({ x: 0, y: 0 }),
  movement: positive().optional(),
  sealant: z.enum(SEALANT_IDS).optional(),
  edgeMm: positive().optional(),
  beadMm: positive().optional(),
})
const output = z.object({
  alphaDiffPerK: z.number(),
  growthMm: z.number(),
  holes: z.array(z.object({ distanceMm: z.number(), holeMm: z.number() })),
  holeMm: z.number(),
  edgeLeastMm: z.number(),
  beadLeastMm: z.number().nullable(),
  checks: z.array(checkSchema),
})

export const panelGrowth = defineCalculator({
  name: 'panel-growth',
  title: 'How a pane grows on its frame',
  chapter: '6.3',
  words: ['acrylic', 'expansion', 'oversize holes', 'bead thickness', 'portlight'],
  input,
  output,
  tries: (v) => [
    ...(v.beadMm === undefined ? [] : withNumbers(v, 'beadMm', upFrom(v.beadMm), (n) => `a bead of ${n} mm`)),
    ...(v.edgeMm === undefined
      ? []
      : withNumbers(v, 'edgeMm', upFrom(v.edgeMm), (n) => `holes ${n} mm from the edge`)),
  ],
  run: (v) => {
    if (v.movement === undefined && v.sealant && sealant(v.sealant).movement === 0)
      throw new CalcError(
        'no-movement',
        'sealant',
        `${sealant(v.sealant).title} cannot move; choose one that does`,
      )
    const movement = v.movement ?? (v.sealant ? sealant(v.sealant).movement : null)
    const alphaDiffPerK = Math.abs(
      (v.alphaPerK ?? GLAZING[v.material].alphaPerK) - STRUCTURE_ALPHA[v.structure],
    )
    const growthMm = (alphaDiffPerK * v.deltaK * Math.max(v.lengthMm, v.widthMm)) / 2
    const corners = [-1, 1].flatMap((i) =>
      [-1, 1].map((j) => ({ x: (i * v.lengthMm) / 2, y: (j * v.widthMm) / 2 })),
    )
    const far = (p: { x: number; y: number }) => Math.hypot(p.x - v.fixedMm.x, p.y - v.fixedMm.y)
    const holes = (v.holesMm ?? [corners.reduce((a, b) => (far(b) > far(a) ? b : a))]).map((p) => ({
      distanceMm: far(p),
      holeMm: v.screwMm + 2 * alphaDiffPerK * v.deltaK * far(p) + 0.5,
    }))
    const holeMm = Math.max(...holes.map((h) => h.holeMm))
    const beadLeastMm = movement === null ? null : growthMm / movement
    const checks: Check[] = []
    if (v.edgeMm !== undefined)
      checks.push(
        check({
          id: 'edge-distance',
          title: 'Edge distance',
          unit: 'mm',
          source: 'chapter 6.3',
          demand: 2 * holeMm,
          capacity: v.edgeMm,
          because: `Holes of ${say(holeMm)} mm want ${say(2 * holeMm)} mm to the edge; ${say(v.edgeMm)} is drawn.`,
        }),
      )
    if (v.beadMm !== undefined)
      checks.push(
        beadLeastMm === null
          ? unproven({
              id: 'bead',
              title: 'Bead thick enough',
              unit: 'mm',
              source: 'chapter 6.3',
              because: 'Neither movement nor sealant is given.',
            })
          : check({
              id: 'bead',
              title: 'Bead thick enough',
              unit: 'mm',
              source: 'chapter 6.3',
              demand: beadLeastMm,
              capacity: v.beadMm,
              because: `The pane grows ${say(growthMm)} mm; the bead has to be ${say(beadLeastMm)} mm and ${say(v.beadMm)} is drawn.`,
            }),
      )
    return { alphaDiffPerK, growthMm, holes, holeMm, edgeLeastMm: 2 * holeMm, beadLeastMm, checks }
  },
})

import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError, invalid } from '../../base/errors'
import { CORE_IDS } from '../../base/materials/cores'
import { checkSchema, nonNegative, positive, verdictSchema } from '../../base/schema/schema'
import { unproven, worstVerdict, type Check, type Verdict } from '../../base/verdict/check'
import { leastBoreMm, leastWallMm } from '../deck/core-plug'
import { against, limit } from './limits'

type Insert = [ways: number, leastMm: number, mostMm: number]
interface Gland {
  holeMm: number
  cornersMm: number
  nutMm: number
  inserts: Insert[]
}
const GLANDS = {
  M16: {
    holeMm: 16.5,
    cornersMm: 25,
    nutMm: 5,
    inserts: [
      [1, 5, 10],
      [1, 3, 7],
    ],
  },
  M20: {
    holeMm: 20.5,
    cornersMm: 30,
    nutMm: 6,
    inserts: [
      [1, 8, 13],
      [1, 5, 9],
      [2, 3, 6],
    ],
  },
  M25: {
    holeMm: 25.5,
    cornersMm: 37,
    nutMm: 6,
    inserts: [
      [1, 11, 17],
      [1, 8, 13],
      [2, 4, 7],
      [3, 3, 6],
    ],
  },
  M32: {
    holeMm: 32.5,
    cornersMm: 47,
    nutMm: 7,
    inserts: [
      [1, 15, 21],
      [1, 11, 17],
      [2, 6, 9],
      [4, 4, 7],
    ],
  },
  M40: {
    holeMm: 40.5,
    cornersMm: 59,
    nutMm: 8,
    inserts: [
      [1, 20, 28],
      [1, 16, 22],
      [3, 7, 10],
      [4, 6, 9],
      [6, 4, 7],
    ],
  },
} satisfies Record<string, Gland>
type Size = keyof typeof GLANDS
/** Across the corners of its nut, mm. */
export const glandCornersMm = (size: Size): number => GLANDS[size].cornersMm
const SIZES = Object.keys(GLANDS) as [Size, ...Size[]]

const input = z.strictObject({
  bulkheadMm: positive(),
  core: z.union([z.literal('none'), z.enum(CORE_IDS)]),
  floodZMm: z.number().optional(),
  aboveFloodMm: nonNegative().default(100),
  wrenchMm: nonNegative().default(10),
  waste: nonNegative().default(0.25),
  glands: z
    .array(
      z.strictObject({
        size: z.enum(SIZES).optional(),
        cablesMm: z.array(positive()).min(1),
        yMm: z.number().default(0),
        zMm: z.number(),
        edgeMm: positive().optional(),
        boreMm: positive().optional(),
        threadMm: positive().optional(),
      }),
    )
    .min(1),
})
const output = z.object({
  glands: z.array(
    z.object({
      size: z.enum(SIZES),
      ways: z.number(),
      leastMm: z.number(),
      mostMm: z.number(),
      holeMm: z.number(),
      boreMm: z.number().nullable(),
      wallMm: z.number().nullable(),
      plugMl: z.number(),
      spareWays: z.number(),
      cables: z.array(z.object({ odMm: z.number(), verdict: verdictSchema })),
      checks: z.array(checkSchema),
      verdict: verdictSchema,
    }),
  ),
  spareWays: z.number(),
  plugMl: z.number(),
  checks: z.array(checkSchema),
  verdict: verdictSchema,
  cautions: z.array(z.string()),
})
type Input = z.output<typeof input>
type Asked = Input['glands'][number]
const SOURCE = 'chapter 15.4'
const GRAIN = 1e-9
const TIGHT_MM = 0.3

const takes = ([, least, most]: Insert, od: number) => od >= least - GRAIN && od <= most + GRAIN
const cableVerdict = (i: Insert, od: number): Verdict => {
  if (!takes(i, od)) return 'short'
  return Math.min(od - i[1], i[2] - od) < TIGHT_MM - GRAIN ? 'tight' : 'holds'
}
/** Of the inserts with ways enough: most cables taken, then fewest ways, then the narrowest range. */
function insertFor(size: Size, cables: number[]): { insert: Insert; taken: number } | null {
  let best: { insert: Insert; taken: number } | null = null
  for (const insert of GLANDS[size].inserts as Insert[]) {
    if (insert[0] < cables.length) continue
    const taken = cables.filter((od) => takes(insert, od)).length
    const better =
      !best ||
      taken > best.taken ||
      (taken === best.taken &&
        (insert[0] < best.insert[0] ||
          (insert[0] === best.insert[0] && insert[2] - insert[1] < best.insert[2] - best.insert[1] - GRAIN)))
    if (better) best = { insert, taken }
  }
  return best
}
function chosen(g: Asked, i: number): { size: Size; insert: Insert } {
  const path = `glands.${i}.cablesMm`
  if (g.size) {
    const found = insertFor(g.size, g.cablesMm)
    if (!found)
      throw new CalcError(
        'too-many-cables',
        path,
        `No insert of ${g.size} takes ${g.cablesMm.length} cables; a larger one, or two of them`,
      )
    return { size: g.size, insert: found.insert }
  }
  for (const size of SIZES) {
    const found = insertFor(size, g.cablesMm)
    if (found?.taken === g.cablesMm.length) return { size, insert: found.insert }
  }
  throw new CalcError('no-gland', path, 'No one gland takes all of these cables; part them')
}

/** In a core the hole is bored over, filled and drilled again. */
function boredOver(v: Input, g: Asked, i: number, holeMm: number) {
  if (v.core === 'none') {
    if (g.boreMm !== undefined)
      throw invalid(`glands.${i}.boreMm`, 'A bulkhead without a core is not bored over; leave it out')
    return { boreMm: null, wallMm: null, plugMl: 0 }
  }
  const boreMm = g.boreMm ?? leastBoreMm(v.core, holeMm)
  if (boreMm === null || boreMm <= holeMm)
    throw new CalcError(
      'bore-too-small',
      `glands.${i}.boreMm`,
      `The bore goes round the hole of ${holeMm} mm; a larger one is needed`,
    )
  const plugMl = ((Math.PI / 4) * boreMm ** 2 * v.bulkheadMm * (1 + v.waste)) / 1000
  return { boreMm, wallMm: (boreMm - holeMm) / 2, plugMl }
}

function heightCheck(v: Input, g: Asked, holeMm: number): Check {
  const shape = { id: 'height', title: 'Above where it floods to', unit: 'mm', source: SOURCE }
  return v.floodZMm === undefined
    ? unproven({ ...shape, because: 'How high the water would stand is not given.' })
    : limit({ ...shape, demand: v.aboveFloodMm, capacity: g.zMm - holeMm / 2 - v.floodZMm })
}
function edgeCheck(v: Input, g: Asked, cornersMm: number, boreMm: number): Check {
  const shape = { id: 'edge', title: 'Room to tabbing or beam', unit: 'mm', source: SOURCE }
  return g.edgeMm === undefined
    ? unproven({ ...shape, because: 'How far the tabbing or beam stands off is not given.' })
    : limit({
        ...shape,
        demand: Math.max(cornersMm / 2 + v.wrenchMm, boreMm / 2 + 5),
        capacity: g.edgeMm,
      })
}

function oneGland(v: Input, g: Asked, i: number) {
  const { size, insert } = chosen(g, i)
  const row: Gland = GLANDS[size] as Gland
  const b = boredOver(v, g, i, row.holeMm)
  const shape = { unit: 'mm', source: SOURCE }
  const checks: Check[] = [
    ...(b.wallMm === null
      ? []
      : [
          against({
            id: 'wall',
            title: 'Wall of the plug',
            ...shape,
            demand: leastWallMm(v.core),
            capacity: b.wallMm,
          }),
        ]),
    heightCheck(v, g, row.holeMm),
    edgeCheck(v, g, row.cornersMm, b.boreMm ?? row.holeMm),
    ...(g.threadMm === undefined
      ? []
      : [
          limit({
            id: 'thread',
            title: 'Thread long enough',
            ...shape,
            demand: v.bulkheadMm + row.nutMm + 2,
            capacity: g.threadMm,
          }),
        ]),
  ]
  const cables = g.cablesMm.map((odMm) => ({ odMm, verdict: cableVerdict(insert, odMm) }))
  return {
    size,
    ways: insert[0],
    leastMm: insert[1],
    mostMm: insert[2],
    holeMm: row.holeMm,
    ...b,
    spareWays: insert[0] - cables.length,
    cables,
    checks,
    verdict: worstVerdict([...cables.map((c) => c.verdict), ...checks.map((c) => c.verdict)]),
  }
}
type One = ReturnType<typeof oneGland>

/** The pair of glands that stands closest for what it needs. */
function spacing(v: Input, all: One[]): Check[] {
  let worst: { demand: number; capacity: number; ratio: number } | null = null
  for (let j = 1; j < all.length; j++)
    for (let i = 0; i < j; i++) {
      const [a, b] = [all[i]!, all[j]!]
      const bores = ((a.boreMm ?? a.holeMm) + (b.boreMm ?? b.holeMm)) / 2
      const corners = (GLANDS[a.size].cornersMm + GLANDS[b.size].cornersMm) / 2
      const demand = Math.max(corners + v.wrenchMm, bores + leastWallMm(v.core))
      const [p, q] = [v.glands[i]!, v.glands[j]!]
      const capacity = Math.hypot(p.yMm - q.yMm, p.zMm - q.zMm)
      const ratio = capacity > 0 ? demand / capacity : Infinity
      if (!worst || ratio > worst.ratio) worst = { demand, capacity, ratio }
    }
  if (!worst) return []
  const { demand, capacity } = worst
  return [
    limit({ id: 'spacing', title: 'Room between glands', unit: 'mm', source: SOURCE, demand, capacity }),
  ]
}

export const cableGland = defineCalculator({
  name: 'gland',
  title: 'Cables through a watertight bulkhead',
  chapter: '15.4',
  words: ['cable', 'gland', 'bulkhead', 'watertight', 'insert'],
  input,
  output,
  run: (v) => {
    const glands = v.glands.map((g, i) => oneGland(v, g, i))
    const checks = spacing(v, glands)
    return {
      glands,
      spareWays: glands.reduce((s, g) => s + g.spareWays, 0),
      plugMl: glands.reduce((s, g) => s + g.plugMl, 0),
      checks,
      verdict: worstVerdict([...glands.map((g) => g.verdict), ...checks.map((c) => c.verdict)]),
      cautions: ['drilling', 'dust', ...(v.core === 'none' ? [] : ['resins'])],
    }
  },
})

import { z } from 'zod'
import { nonNegative, pointSchema, positive } from '../../base/schema/schema'

/** What is cut, and from what: shapes of nest. */
const grain = z.enum(['none', 'x', 'y']).default('none')
const shared = {
  id: z.string().min(1),
  material: z.string().min(1),
  thicknessMm: positive(),
  count: z.number().int().min(1).default(1),
}
const turned = {
  angles: z.array(z.number().min(0).lt(360)).min(1).default([0, 90]),
  grain,
}
const part = z.discriminatedUnion('shape', [
  z.strictObject({
    shape: z.literal('rect'),
    ...shared,
    widthMm: positive(),
    heightMm: positive(),
    ...turned,
  }),
  z.strictObject({ shape: z.literal('circle'), ...shared, diameterMm: positive() }),
  z.strictObject({ shape: z.literal('ring'), ...shared, diameterMm: positive(), holeMm: positive() }),
  z.strictObject({ shape: z.literal('polygon'), ...shared, points: z.array(pointSchema).min(3), ...turned }),
])
const stock = z.strictObject({
  id: z.string().min(1),
  kind: z.enum(['offcut', 'sheet']),
  material: z.string().min(1),
  thicknessMm: positive(),
  widthMm: positive(),
  heightMm: positive(),
  grain,
  cost: nonNegative().optional(),
  count: z.number().int().min(1).max(200).optional(),
})
export const MOST_COPIES = 200

type Point = z.output<typeof pointSchema>
const cross = (a: Point, b: Point, c: Point) =>
  (b.xMm - a.xMm) * (c.yMm - a.yMm) - (b.yMm - a.yMm) * (c.xMm - a.xMm)
const within = (a: Point, b: Point, p: Point) =>
  p.xMm >= Math.min(a.xMm, b.xMm) - 1e-9 &&
  p.xMm <= Math.max(a.xMm, b.xMm) + 1e-9 &&
  p.yMm >= Math.min(a.yMm, b.yMm) - 1e-9 &&
  p.yMm <= Math.max(a.yMm, b.yMm) + 1e-9
/** Whether two edges have any point in common. */
function meet(a: Point, b: Point, c: Point, d: Point): boolean {
  const [p, q, r, s] = [cross(a, b, c), cross(a, b, d), cross(c, d, a), cross(c, d, b)]
  if (p * q < 0 && r * s < 0) return true
  return (
    (p === 0 && within(a, b, c)) ||
    (q === 0 && within(a, b, d)) ||
    (r === 0 && within(c, d, a)) ||
    (s === 0 && within(c, d, b))
  )
}
export const areaOfPoints = (points: Point[]) =>
  points.reduce((s, p, i) => {
    const q = points[(i + 1) % points.length]!
    return s + p.xMm * q.yMm - q.xMm * p.yMm
  }, 0) / 2
/** Its edges meet at neighbours' corners only, and it has an area. */
function isSimple(points: Point[]): boolean {
  const n = points.length
  if (Math.abs(areaOfPoints(points)) < 1e-6) return false
  const at = (i: number) => points[i % n]!
  for (let i = 0; i < n; i++)
    for (let j = i + 1; j < n; j++) {
      const next = j === i + 1
      const round = i === 0 && j === n - 1
      if (!next && !round) {
        if (meet(at(i), at(i + 1), at(j), at(j + 1))) return false
        continue
      }
      // Neighbours share one corner; they must not fold back on each other.
      const [corner, a, b] = next ? [at(j), at(i), at(j + 1)] : [at(0), at(1), at(j)]
      const back = cross(corner, a, b) === 0 && (within(corner, a, b) || within(corner, b, a))
      if (back || (corner.xMm === a.xMm && corner.yMm === a.yMm)) return false
    }
  return true
}

export const nestInput = z
  .strictObject({
    parts: z.array(part),
    stock: z.array(stock),
    kerfMm: nonNegative().default(5),
    marginMm: nonNegative().default(5),
    keepShortMm: positive().default(150),
    keepLongMm: positive().default(300),
  })
  .superRefine((v, ctx) => {
    const refuse = (path: (string | number)[], message: string, code?: string) =>
      ctx.addIssue({ code: 'custom', path, message, ...(code ? { params: { code } } : {}) })
    for (const list of ['parts', 'stock'] as const) {
      const ids = v[list].map((x) => x.id)
      if (new Set(ids).size < ids.length) refuse([list], 'An id is there twice; each is given once')
    }
    v.parts.forEach((p, i) => {
      if (p.shape === 'ring' && p.holeMm >= p.diameterMm)
        refuse(
          ['parts', i, 'holeMm'],
          `${p.holeMm} was given; the hole is smaller than the ${p.diameterMm} of the ring`,
        )
      if (p.shape === 'polygon' && !isSimple(p.points))
        refuse(['parts', i, 'points'], 'These points make no plain outline with an area', 'not-simple')
    })
    if (v.parts.reduce((n, p) => n + p.count, 0) > MOST_COPIES)
      refuse(['parts'], `Over ${MOST_COPIES} copies; cut them in two lots`, 'too-many')
  })
export type NestInput = z.output<typeof nestInput>
export type Part = NestInput['parts'][number]
export type Stock = NestInput['stock'][number]

import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import {
  boundsOf,
  contains,
  cosd,
  distanceToSegment,
  outlineSchema,
  sind,
  type Outline,
  type Point,
} from '../../base/geometry/outline'
import { HOLE_SAWS } from '../../base/materials/cores'
import { nonNegative, pointSchema, positive } from '../../base/schema/schema'

/** A new pattern over the holes of what stood there before (18.6). */
const GRAIN = 1e-6
const at = { xMm: z.number(), yMm: z.number(), filled: z.boolean().default(false) }
const slot = z
  .strictObject({ ...at, lengthMm: positive(), widthMm: positive(), angleDeg: z.number().default(0) })
  .superRefine((s, ctx) => {
    if (s.lengthMm < s.widthMm)
      ctx.addIssue({
        code: 'custom',
        path: ['lengthMm'],
        message: `${s.lengthMm} was given; the length over all is at least the width, ${s.widthMm}`,
      })
  })
const input = z
  .strictObject({
    pattern: z.array(pointSchema).min(1).max(60),
    holeMm: positive(),
    boltMm: positive(),
    plugMm: positive().optional(),
    metal: z.boolean().default(false),
    base: outlineSchema({}).optional(),
    depthMm: positive().optional(),
    waste: nonNegative().default(0.25),
    old: z.array(z.union([z.strictObject({ ...at, diameterMm: positive() }), slot])).max(60),
    shiftMm: z.number().int().min(0).max(100).default(30),
    turnDeg: z.number().int().min(0).max(45).default(5),
  })
  .superRefine((v, ctx) => {
    if (v.holeMm < v.boltMm)
      ctx.addIssue({
        code: 'custom',
        path: ['holeMm'],
        message: `${v.holeMm} was given; the bolt is ${v.boltMm}, and its hole no smaller`,
      })
    if (v.plugMm !== undefined && v.plugMm < v.holeMm)
      ctx.addIssue({
        code: 'custom',
        path: ['plugMm'],
        message: `${v.plugMm} was given; the hole is ${v.holeMm}, and its plug no smaller`,
      })
  })
type Input = z.output<typeof input>

const STATUSES = ['breaks-in', 'cuts-plug', 'web', 'clear', 'swallowed'] as const
type Status = (typeof STATUSES)[number]
const move = z.object({ xMm: z.number(), yMm: z.number(), turnDeg: z.number(), moveMm: z.number() })
type Move = z.infer<typeof move>
const indices = z.array(z.number().int())
const output = z.object({
  old: z.array(
    z.object({
      nearest: z.number().int(),
      gapMm: z.number(),
      needMm: z.number(),
      status: z.enum(STATUSES),
      close: z.enum(['none', 'first', 'later']),
      boreMm: z.number().nullable(),
      fillMl: z.number().nullable(),
    }),
  ),
  closeFirst: indices,
  swallowed: indices,
  breaksIn: indices,
  guide: indices,
  allClear: z.boolean(),
  suggestion: move.nullable(),
  whenFilled: move.nullable(),
})

/** An old hole by its middle line: a point for a round one. */
interface Old {
  a: Point
  b: Point
  r: number
  filled: boolean
  areaMm2: number
}
const oldOf = (o: Input['old'][number]): Old => {
  const p = { xMm: o.xMm, yMm: o.yMm }
  if ('diameterMm' in o)
    return { a: p, b: p, r: o.diameterMm / 2, filled: o.filled, areaMm2: (Math.PI / 4) * o.diameterMm ** 2 }
  const half = (o.lengthMm - o.widthMm) / 2
  const [dx, dy] = [half * cosd(o.angleDeg), half * sind(o.angleDeg)]
  return {
    a: { xMm: p.xMm - dx, yMm: p.yMm - dy },
    b: { xMm: p.xMm + dx, yMm: p.yMm + dy },
    r: o.widthMm / 2,
    filled: o.filled,
    areaMm2: (Math.PI / 4) * o.widthMm ** 2 + (o.lengthMm - o.widthMm) * o.widthMm,
  }
}
interface Rules {
  holeMm: number
  plugMm: number | undefined
  /** half of what is bored anew */
  R: number
  openWeb: number
  filledWeb: number
}
const rulesOf = (v: Input): Rules => ({
  holeMm: v.holeMm,
  plugMm: v.plugMm,
  R: (v.plugMm ?? v.holeMm) / 2,
  openWeb: (v.metal ? 1.5 : 2) * v.boltMm,
  filledWeb: Math.max(3, v.boltMm / 2),
})
const away = (a: Point, b: Point) => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)
const distOf = (p: Point, o: Old) => distanceToSegment(p, o.a, o.b) - o.r
const farOf = (p: Point, o: Old) => Math.max(away(p, o.a), away(p, o.b)) + o.r

function pairStatus(p: Point, o: Old, r: Rules): Status {
  if (farOf(p, o) <= r.R + GRAIN) return 'swallowed'
  const dist = distOf(p, o)
  const gap = dist - r.holeMm / 2
  if (gap < -GRAIN) return 'breaks-in'
  if (!o.filled && r.plugMm !== undefined && dist < r.R - GRAIN) return 'cuts-plug'
  return gap < (o.filled ? r.filledWeb : r.openWeb) - GRAIN ? 'web' : 'clear'
}
function statusOf(pattern: Point[], o: Old, r: Rules): Status {
  const all = pattern.map((p) => pairStatus(p, o, r))
  if (all.includes('swallowed')) return 'swallowed'
  return STATUSES.find((s) => all.includes(s))!
}
const fits = (pattern: Point[], old: Old[], r: Rules) =>
  old.every((o) => ['clear', 'swallowed'].includes(statusOf(pattern, o, r)))

/** Whether any part of an old hole lies under the base: there it leaks under the bedding. */
function underBase(o: Old, base: Outline): boolean {
  if ('diameterMm' in base)
    return distanceToSegment({ xMm: 0, yMm: 0 }, o.a, o.b) < o.r + base.diameterMm / 2 - GRAIN
  if (contains(base, o.a) || contains(base, o.b)) return true
  const b = boundsOf(base)
  const corners =
    'outline' in base
      ? base.outline
      : [
          { xMm: b.minX, yMm: b.minY },
          { xMm: b.maxX, yMm: b.minY },
          { xMm: b.maxX, yMm: b.maxY },
          { xMm: b.minX, yMm: b.maxY },
        ]
  return corners.some((c, i) => segmentsApart(c, corners[(i + 1) % corners.length]!, o.a, o.b) < o.r - GRAIN)
}
const cross = (o: Point, p: Point, q: Point) =>
  (p.xMm - o.xMm) * (q.yMm - o.yMm) - (p.yMm - o.yMm) * (q.xMm - o.xMm)
function segmentsApart(a: Point, b: Point, c: Point, d: Point): number {
  if (cross(a, b, c) * cross(a, b, d) < 0 && cross(c, d, a) * cross(c, d, b) < 0) return 0
  return Math.min(
    distanceToSegment(a, c, d),
    distanceToSegment(b, c, d),
    distanceToSegment(c, a, b),
    distanceToSegment(d, a, b),
  )
}

function moved(pattern: Point[], m: Omit<Move, 'moveMm'>): Point[] {
  const cx = pattern.reduce((s, p) => s + p.xMm, 0) / pattern.length
  const cy = pattern.reduce((s, p) => s + p.yMm, 0) / pattern.length
  const [c, s] = [cosd(m.turnDeg), sind(m.turnDeg)]
  return pattern.map((p) => ({
    xMm: cx + c * (p.xMm - cx) - s * (p.yMm - cy) + m.xMm,
    yMm: cy + s * (p.xMm - cx) + c * (p.yMm - cy) + m.yMm,
  }))
}
/** Of two moves as far as one another: the less turned, the less shifted, then the positive way. */
function before(a: Move, b: Move): boolean {
  if (Math.abs(a.moveMm - b.moveMm) > GRAIN) return a.moveMm < b.moveMm
  const keys = (m: Move) => [
    Math.abs(m.turnDeg),
    Math.abs(m.xMm),
    Math.abs(m.yMm),
    -m.xMm,
    -m.yMm,
    -m.turnDeg,
  ]
  const [ka, kb] = [keys(a), keys(b)]
  const i = ka.findIndex((k, n) => k !== kb[n])
  return i >= 0 && ka[i]! < kb[i]!
}
const upTo = (most: number) => Array.from({ length: 2 * most + 1 }, (_, i) => i - most)

/** The least move of the pattern, whole millimetres and degrees, that clears every old hole. */
function leastMove(v: Input, old: Old[], r: Rules): Move | null {
  const shifts = upTo(v.shiftMm)
    .flatMap((xMm) => upTo(v.shiftMm).map((yMm) => ({ xMm, yMm, mm: Math.hypot(xMm, yMm) })))
    .sort((a, b) => a.mm - b.mm)
  const turns = (v.pattern.length === 1 ? [0] : upTo(v.turnDeg)).map((turnDeg) => ({
    turnDeg,
    turned: moved(v.pattern, { xMm: 0, yMm: 0, turnDeg }),
  }))
  let best: Move | null = null
  for (const { xMm, yMm, mm } of shifts) {
    // The centroid moves by the shift alone, and some hole at least as far.
    if (best && mm > best.moveMm + GRAIN) break
    for (const { turnDeg, turned } of turns) {
      const now = turned.map((p) => ({ xMm: p.xMm + xMm, yMm: p.yMm + yMm }))
      const moveMm = Math.max(...now.map((p, i) => away(p, v.pattern[i]!)))
      const candidate = { xMm, yMm, turnDeg, moveMm }
      if ((best === null || before(candidate, best)) && fits(now, old, r)) best = candidate
    }
  }
  return best
}

export const oldHoles = defineCalculator({
  name: 'old-holes',
  title: 'A new pattern over old holes',
  chapter: '18.6',
  words: ['old', 'hole', 'pattern', 'shift', 'turn', 'fill', 'guide', 'oval', 'plug'],
  input,
  output,
  run: (v) => {
    const old = v.old.map(oldOf)
    const r = rulesOf(v)
    const rows = old.map((o) => {
      const gaps = v.pattern.map((p) => distOf(p, o) - v.holeMm / 2)
      const gapMm = Math.min(...gaps)
      const nearest = gaps.findIndex((g) => g <= gapMm + GRAIN)
      const status = statusOf(v.pattern, o, r)
      const under = v.base !== undefined && underBase(o, v.base)
      const close =
        status === 'swallowed' || o.filled
          ? ('none' as const)
          : status !== 'clear' || under
            ? ('first' as const)
            : ('later' as const)
      const boreOver = 2 * farOf(v.pattern[nearest]!, o)
      return {
        nearest,
        gapMm,
        needMm: o.filled ? r.filledWeb : r.openWeb,
        status,
        close,
        boreMm: status === 'breaks-in' ? (HOLE_SAWS.find((s) => s >= boreOver - GRAIN) ?? null) : null,
        fillMl:
          close === 'none' || v.depthMm === undefined ? null : (o.areaMm2 * v.depthMm * (1 + v.waste)) / 1000,
      }
    })
    const those = (want: (row: (typeof rows)[number]) => boolean) =>
      rows.flatMap((row, i) => (want(row) ? [i] : []))
    return {
      old: rows,
      closeFirst: those((x) => x.close === 'first'),
      swallowed: those((x) => x.status === 'swallowed'),
      breaksIn: those((x) => x.status === 'breaks-in'),
      guide: v.pattern.flatMap((p, i) =>
        old.some(
          (o, k) => rows[k]!.status !== 'swallowed' && distOf(p, o) - v.holeMm / 2 <= r.filledWeb + GRAIN,
        )
          ? [i]
          : [],
      ),
      allClear: rows.every((x) => x.status === 'clear' || x.status === 'swallowed'),
      suggestion: leastMove(v, old, r),
      whenFilled: leastMove(
        v,
        old.map((o) => ({ ...o, filled: true })),
        r,
      ),
    }
  },
})

import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { nonNegative, positive } from '../../base/schema/schema'

const input = z
  .strictObject({
    measuredDeg: z.number(),
    wantedDeg: z.number(),
    toleranceDeg: nonNegative().default(5),
    flangeMm: positive(),
    pitchMm: positive(),
    handleMm: positive(),
    handle: z.enum(['lever', 'tee']).default('lever'),
    base: z.enum(['screw', 'flange']).default('screw'),
    sweepDeg: z
      .number()
      .min(-180)
      .max(180)
      .refine((d) => d !== 0, {
        message: '0 was given; a handle that does not swing shuts nothing. -180 to 180 but 0 is accepted',
      })
      .default(90),
    obstacles: z
      .array(z.strictObject({ x1Mm: z.number(), y1Mm: z.number(), x2Mm: z.number(), y2Mm: z.number() }))
      .default([]),
    bolts: z.number().int().min(3).max(12).optional(),
    drilled: z.boolean().optional(),
  })
  .superRefine((v, ctx) => {
    if (v.base === 'flange') return
    for (const k of ['bolts', 'drilled'] as const)
      if (v[k] !== undefined)
        ctx.addIssue({
          code: 'custom',
          path: [k],
          message:
            'A valve that screws on has no bolts in its base; leave it out, or say that its base is a flange',
        })
  })
const way = z.enum(['ccw', 'cw', 'none'])
const output = z.object({
  rotateDeg: z.number(),
  needed: z.boolean(),
  directionInside: way,
  directionOutside: way,
  rimArcMm: z.number(),
  shimMm: z.number(),
  sweepFree: z.boolean(),
  freeWanted: z.array(z.array(z.number()).length(2)),
  positions: z.array(z.object({ azimuthDeg: z.number(), free: z.boolean() })),
  bestDeg: z.number().nullable(),
})
type Obstacle = z.output<typeof input>['obstacles'][number]
const FINGERS_MM = 15
const GRAIN = 1e-9
const DEG = 180 / Math.PI
const turn = (d: number) => {
  const r = ((d % 360) + 360) % 360
  return r >= 360 - 1e-12 ? 0 : r
}
const half = (d: number) => {
  const r = turn(d)
  return r > 180 ? r - 360 : r
}

/**
 * Azimuths that a segment covers within the handle's reach: [from, width], or 'all' where it runs through
 * the axis; null out of reach.
 */
function covered(o: Obstacle, R: number): [number, number] | 'all' | null {
  const [dx, dy] = [o.x2Mm - o.x1Mm, o.y2Mm - o.y1Mm]
  const l2 = dx * dx + dy * dy
  let [t0, t1] = [0, 0]
  if (l2 === 0) {
    if (Math.hypot(o.x1Mm, o.y1Mm) > R) return null
  } else {
    const b = (o.x1Mm * dx + o.y1Mm * dy) / l2
    const c = (o.x1Mm ** 2 + o.y1Mm ** 2 - R * R) / l2
    const disc = b * b - c
    if (disc < 0) return null
    t0 = Math.max(0, -b - Math.sqrt(disc))
    t1 = Math.min(1, -b + Math.sqrt(disc))
    if (t0 > t1) return null
    const near = Math.max(t0, Math.min(t1, -b))
    if (Math.hypot(o.x1Mm + near * dx, o.y1Mm + near * dy) < 1e-9 * R) return 'all'
  }
  const at = (t: number) => Math.atan2(o.y1Mm + t * dy, o.x1Mm + t * dx) * DEG
  const [a, b] = [at(t0), at(t1)]
  const width = half(b - a)
  return width >= 0 ? [a, width] : [b, -width]
}

/** Open azimuths whose whole sweep meets nothing, ascending. */
function freeRanges(obstacles: Obstacle[], R: number, sweep: number, arms: number[]): [number, number][] {
  const blocked: [number, number][] = []
  for (const o of obstacles) {
    const c = covered(o, R)
    if (c === null) continue
    if (c === 'all') return []
    for (const arm of arms) {
      const from = turn(c[0] - arm - Math.max(0, sweep))
      const width = c[1] + Math.abs(sweep)
      if (width >= 360) return []
      blocked.push([from, from + width])
    }
  }
  if (!blocked.length) return [[0, 360]]
  const unrolled = blocked
    .flatMap(([a, b]): [number, number][] => [
      [a, b],
      [a + 360, b + 360],
      [a - 360, b - 360],
    ])
    .sort((a, b) => a[0] - b[0])
  const merged: [number, number][] = []
  for (const [a, b] of unrolled) {
    const last = merged.at(-1)
    if (last && a <= last[1] + GRAIN) last[1] = Math.max(last[1], b)
    else merged.push([a, b])
  }
  const free: [number, number][] = []
  for (let i = 0; i + 1 < merged.length; i++) {
    const [from, to] = [merged[i]![1], merged[i + 1]![0]]
    if (from >= -GRAIN && from < 360 - GRAIN) free.push([Math.max(0, from), Math.max(0, from) + (to - from)])
  }
  return free.sort((a, b) => a[0] - b[0])
}

export const valveClocking = defineCalculator({
  name: 'valve-clocking',
  title: 'Clocking a valve',
  chapter: '5.4',
  words: ['clocking', 'handle', 'swing', 'turn', 'valve', 'obstacle'],
  input,
  output,
  run: (v) => {
    const rotateDeg = half(v.wantedDeg - v.measuredDeg)
    const needed = Math.abs(rotateDeg) > v.toleranceDeg + GRAIN
    const free = freeRanges(
      v.obstacles,
      v.handleMm + FINGERS_MM,
      v.sweepDeg,
      v.handle === 'tee' ? [0, 180] : [0],
    )
    const isFree = (az: number) =>
      free.some(
        ([a, b]) => b - a >= 360 - GRAIN || [az, az + 360].some((x) => x > a + GRAIN && x < b - GRAIN),
      )
    const wanted = turn(v.wantedDeg)
    const sweepFree = isFree(wanted)
    // Holes in the pad set the positions; before they are drilled the flange may stand at any angle.
    const set = v.base === 'flange' && (v.drilled ?? true)
    const bolts = v.bolts ?? 4
    const positions = set
      ? Array.from({ length: bolts }, (_, k) => turn(v.measuredDeg + (360 * k) / bolts))
          .sort((a, b) => a - b)
          .map((azimuthDeg) => ({ azimuthDeg, free: isFree(azimuthDeg) }))
      : []
    // Equally near: the one that is reached counter-clockwise.
    const nearest = (spots: number[]) =>
      spots.reduce<number | null>((best, s) => {
        if (best === null) return s
        const [a, b] = [half(s - wanted), half(best - wanted)]
        return Math.abs(a) < Math.abs(b) - GRAIN || (Math.abs(Math.abs(a) - Math.abs(b)) <= GRAIN && a > b)
          ? s
          : best
      }, null)
    const bestDeg = set
      ? nearest(positions.filter((p) => p.free).map((p) => p.azimuthDeg))
      : sweepFree
        ? wanted
        : nearest(free.flatMap(([a, b]) => [turn(a), turn(b)]))
    const direction = !needed ? ('none' as const) : rotateDeg > 0 ? ('ccw' as const) : ('cw' as const)
    return {
      rotateDeg,
      needed,
      directionInside: direction,
      directionOutside:
        direction === 'none' ? ('none' as const) : direction === 'ccw' ? ('cw' as const) : ('ccw' as const),
      rimArcMm: (Math.PI * v.flangeMm * Math.abs(rotateDeg)) / 360,
      shimMm: needed ? (v.pitchMm * turn(v.wantedDeg - v.measuredDeg)) / 360 : 0,
      sweepFree,
      freeWanted: free,
      positions,
      bestDeg,
    }
  },
})

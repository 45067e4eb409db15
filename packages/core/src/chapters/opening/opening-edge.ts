import { z } from 'zod'
import { downFrom, upFrom, withNumbers } from '../../base/attempts'
import { defineCalculator } from '../../base/calculator/calculator'
import { invalid } from '../../base/errors'
import {
  crossesItself,
  offsetArea,
  offsetWalk,
  walkPolygon,
  walkRectangle,
  type Walk,
} from '../../base/geometry/offset'
import type { Point } from '../../base/geometry/outline'
import { CORE_IDS } from '../../base/materials/cores'
import { checkSchema, nonNegative, pointSchema, positive, verdictSchema } from '../../base/schema/schema'
import { check, say, unproven, worstVerdict, type Check } from '../../base/verdict/check'

const input = z
  .strictObject({
    outline: z.discriminatedUnion('kind', [
      z.strictObject({
        kind: z.literal('rect'),
        lengthMm: positive(),
        widthMm: positive(),
        cornerMm: nonNegative().default(0),
      }),
      z.strictObject({ kind: z.literal('circle'), diameterMm: positive() }),
      z.strictObject({ kind: z.literal('polygon'), points: z.array(pointSchema).min(3) }),
    ]),
    core: z.enum(['none', ...CORE_IDS]),
    coreMm: nonNegative(),
    skinMm: positive().optional(),
    rakeMm: nonNegative().optional(),
    waste: nonNegative().default(0.25),
    flangeWidthMm: positive().default(25),
    screwDiameterMm: positive().default(5),
    screwInsetMm: positive().optional(),
    frame: z.enum(['hatch', 'glazing']).default('hatch'),
    pitchMm: positive().optional(),
    beadMm: positive().default(1.5),
    filletMm: nonNegative().default(3),
    cutStiffenerMm2: nonNegative().default(0),
  })
  .superRefine((v, ctx) => {
    const refuse = (path: string, message: string) =>
      ctx.addIssue({ code: 'custom', path: path.split('.'), message })
    if (v.core === 'none' ? v.coreMm !== 0 : v.coreMm === 0)
      refuse(
        'coreMm',
        v.core === 'none'
          ? `${v.coreMm} was given; where there is no core its thickness is 0`
          : 'A core has a thickness above 0',
      )
    if (v.outline.kind === 'rect' && v.outline.cornerMm > Math.min(v.outline.lengthMm, v.outline.widthMm) / 2)
      refuse('outline.cornerMm', `${v.outline.cornerMm} was given; up to half the short side is accepted`)
    if (
      v.outline.kind === 'polygon' &&
      (crossesItself(v.outline.points) || !(walkPolygon(v.outline.points).area > 0))
    )
      refuse('outline.points', 'These points cross or enclose no area; give the corners in order')
    if (v.screwInsetMm !== undefined && v.screwInsetMm >= v.flangeWidthMm)
      refuse(
        'screwInsetMm',
        `${v.screwInsetMm} was given; screws stand within the flange of ${v.flangeWidthMm} mm`,
      )
    const pitch = v.pitchMm ?? GREATEST_PITCH[v.frame]
    if (pitch < 8 * v.screwDiameterMm)
      refuse(
        'pitchMm',
        `${pitch} mm is under 8 screw diameters; ${8 * v.screwDiameterMm} or more is accepted`,
      )
  })
const GREATEST_PITCH = { hatch: 150, glazing: 100 }
const output = z.object({
  perimeterMm: z.number(),
  areaMm2: z.number(),
  rakeMm: z.number(),
  offsetAreaMm2: z.number(),
  fillMl: z.number(),
  flangeAreaMm2: z.number(),
  flangePerimeterMm: z.number(),
  sealantMl: z.number(),
  screwCount: z.number(),
  pitchMostMm: z.number(),
  screws: z.array(z.object({ xMm: z.number(), yMm: z.number() })),
  ringNeeded: z.boolean(),
  ringLeastWidthMm: z.number(),
  ringLeastAreaMm2: z.number(),
  checks: z.array(checkSchema),
  verdict: verdictSchema,
})
type Input = z.output<typeof input>
const MOST_SCREWS = 20_000
/** A quotient this near a whole number is that number. */
const up = (x: number) => (Math.abs(x - Math.round(x)) < 1e-9 ? Math.round(x) : Math.ceil(x))

const rakeOf = (core: Input['core']) =>
  core === 'balsa-150' || core === 'plywood' ? 12 : core === 'none' || core === 'epoxy-plug' ? 0 : 8

/** The closed line on which the screws stand, by the distance along it. */
interface ScrewLine {
  lengthMm: number
  at: (s: number) => Point
  runs: { startMm: number; lengthMm: number }[]
  originMm: number
}

function circleLine(d: number, q: number): ScrewLine {
  const R = d / 2 + q
  return {
    lengthMm: 2 * Math.PI * R,
    at: (s) => ({ xMm: R * Math.cos(s / R), yMm: R * Math.sin(s / R) }),
    runs: [],
    originMm: 0,
  }
}

function walkLine(w: Walk, q: number, kind: 'rect' | 'polygon', points: Point[] | null): ScrewLine {
  const { runs, arcs } = offsetWalk(w, q)
  const pieces: { start: number; length: number; at: (s: number) => Point }[] = []
  const placed: { startMm: number; lengthMm: number }[] = []
  let total = 0
  const R = w.radiusMm + q
  runs.forEach((run, i) => {
    const length = Math.max(0, run.lengthMm)
    placed.push({ startMm: total, lengthMm: run.lengthMm })
    pieces.push({
      start: total,
      length,
      at: (s) => ({ xMm: run.from.xMm + s * run.dir.x, yMm: run.from.yMm + s * run.dir.y }),
    })
    total += length
    if (arcs[i]! > 0) {
      const end = { xMm: run.from.xMm + length * run.dir.x, yMm: run.from.yMm + length * run.dir.y }
      const centre = { xMm: end.xMm - R * run.dir.y, yMm: end.yMm + R * run.dir.x }
      const a0 = Math.atan2(-run.dir.x, run.dir.y)
      pieces.push({
        start: total,
        length: arcs[i]!,
        at: (s) => ({
          xMm: centre.xMm + R * Math.cos(a0 + s / R),
          yMm: centre.yMm + R * Math.sin(a0 + s / R),
        }),
      })
      total += arcs[i]!
    }
  })
  const at = (s: number) => {
    const t = ((s % total) + total) % total
    const p = [...pieces].reverse().find((x) => x.start <= t + 1e-12)!
    return p.at(t - p.start)
  }
  // Where equal arcs would begin: on the +x axis, or in the middle of the edge from the first point to the
  // second.
  let first = 0
  if (kind === 'polygon' && points) {
    const mid = { x: (points[0]!.xMm + points[1]!.xMm) / 2, y: (points[0]!.yMm + points[1]!.yMm) / 2 }
    first = w.runs.reduce((best, r, i) => {
      const d = (x: (typeof w.runs)[number]) =>
        Math.hypot(
          x.from.xMm + (x.dir.x * x.lengthMm) / 2 - mid.x,
          x.from.yMm + (x.dir.y * x.lengthMm) / 2 - mid.y,
        )
      return d(r) < d(w.runs[best]!) ? i : best
    }, 0)
  }
  return {
    lengthMm: total,
    at,
    runs: placed,
    originMm: placed[first]!.startMm + Math.max(0, placed[first]!.lengthMm) / 2,
  }
}

function screwsOn(line: ScrewLine, d: number, pitch: number): { screws: Point[]; most: number } {
  if (line.lengthMm / pitch > MOST_SCREWS)
    throw invalid('pitchMm', `More than ${MOST_SCREWS} screws would be wanted; a greater pitch is accepted`)
  let at: number[] = []
  for (const r of line.runs) {
    const u = r.lengthMm - 4 * d
    if (u < 0) continue
    if (u < 4 * d) at.push(r.startMm + r.lengthMm / 2)
    else {
      const n = up(u / pitch) + 1
      for (let i = 0; i < n; i++) at.push(r.startMm + 2 * d + (u * i) / (n - 1))
    }
  }
  if (!at.length) {
    const n = Math.max(4, 2 * up(line.lengthMm / (2 * pitch)))
    return {
      screws: Array.from({ length: n }, (_, i) => line.at(line.originMm + (line.lengthMm * i) / n)),
      most: line.lengthMm / n,
    }
  }
  at.sort((a, b) => a - b)
  let most = 0
  at = at.flatMap((s, i) => {
    const gap =
      at.length === 1 ? line.lengthMm : (i + 1 < at.length ? at[i + 1]! : at[0]! + line.lengthMm) - s
    const parts = gap > pitch + 1e-9 * pitch ? up(gap / pitch) : 1
    most = Math.max(most, gap / parts)
    return Array.from({ length: parts }, (_, k) => s + (gap * k) / parts)
  })
  return { screws: at.map(line.at), most }
}

export const openingEdge = defineCalculator({
  name: 'opening-edge',
  title: 'The edge of an opening',
  chapter: '6.2',
  words: ['hatch', 'cut-out', 'rake', 'core edge', 'screws', 'frame', 'portlight'],
  input,
  output,
  tries: (v) => [
    ...(v.outline.kind === 'rect'
      ? withNumbers(
          v,
          'outline.cornerMm',
          [10, 15, 20, 25, 40, 50, 75].filter((n) => v.outline.kind === 'rect' && n > v.outline.cornerMm),
          (n) => `corners of ${n} mm radius`,
        )
      : []),
    ...(v.pitchMm === undefined
      ? []
      : withNumbers(v, 'pitchMm', downFrom(v.pitchMm), (n) => `screws every ${n} mm`)),
    ...withNumbers(v, 'flangeWidthMm', upFrom(v.flangeWidthMm), (n) => `a flange of ${n} mm`),
  ],
  run: (v) => {
    const o = v.outline
    const q = v.flangeWidthMm - (v.screwInsetMm ?? v.flangeWidthMm / 2)
    const pitch = v.pitchMm ?? GREATEST_PITCH[v.frame]
    const points = o.kind === 'polygon' ? o.points : null
    const walk =
      o.kind === 'rect'
        ? walkRectangle(o.lengthMm, o.widthMm, o.cornerMm)
        : points
          ? walkPolygon(points)
          : null
    const [perimeterMm, areaMm2] = walk
      ? [walk.perimeter, walk.area]
      : o.kind === 'circle'
        ? [Math.PI * o.diameterMm, (Math.PI / 4) * o.diameterMm ** 2]
        : [0, 0]
    const offset = (r: number) =>
      r === 0
        ? { area: 0, length: perimeterMm }
        : walk
          ? offsetArea(walk, r, points)
          : { area: perimeterMm * r + Math.PI * r * r, length: perimeterMm + 2 * Math.PI * r }
    const rakeMm = v.core === 'none' ? 0 : (v.rakeMm ?? rakeOf(v.core))
    const offsetAreaMm2 = v.core === 'none' ? 0 : offset(rakeMm).area
    const flange = offset(v.flangeWidthMm)
    const line = o.kind === 'circle' ? circleLine(o.diameterMm, q) : walkLine(walk!, q, o.kind, points)
    const { screws, most } = screwsOn(line, v.screwDiameterMm, pitch)
    const checks: Check[] = []
    if (o.kind === 'rect') {
      const least = Math.max(25, 0.08 * Math.min(o.lengthMm, o.widthMm))
      checks.push(
        check({
          id: 'corner-radius',
          title: 'Rounded corners',
          unit: 'mm',
          source: 'chapter 6.1',
          demand: least,
          capacity: o.cornerMm,
          because: `Corners of ${say(o.cornerMm)} mm; ${say(least)} mm is the least, for square corners crack.`,
        }),
      )
    } else if (o.kind === 'polygon')
      checks.push(
        unproven({
          id: 'corner-radius',
          title: 'Rounded corners',
          unit: 'mm',
          source: 'chapter 6.1',
          because: 'The corner radius of a free outline is not given.',
        }),
      )
    checks.push(
      check({
        id: 'screw-pitch',
        title: 'Screws near enough',
        unit: 'mm',
        source: 'chapter 6.2',
        demand: most,
        capacity: GREATEST_PITCH[v.frame],
        because: `The widest gap along the screw line is ${say(most)} mm; ${GREATEST_PITCH[v.frame]} mm is the most for a ${v.frame} frame.`,
      }),
    )
    return {
      perimeterMm,
      areaMm2,
      rakeMm,
      offsetAreaMm2,
      fillMl: (offsetAreaMm2 * v.coreMm * (1 + v.waste)) / 1000,
      flangeAreaMm2: flange.area,
      flangePerimeterMm: flange.length,
      sealantMl:
        (1.3 * (flange.area * v.beadMm + v.filletMm ** 2 * (1 - Math.PI / 4) * flange.length)) / 1000,
      screwCount: screws.length,
      pitchMostMm: most,
      screws,
      ringNeeded: v.cutStiffenerMm2 > 0 || (v.core === 'none' && v.skinMm !== undefined && v.skinMm < 5),
      ringLeastWidthMm: 4 * v.screwDiameterMm + 10,
      ringLeastAreaMm2: v.cutStiffenerMm2,
      checks,
      verdict: worstVerdict(checks.map((c) => c.verdict)),
    }
  },
})

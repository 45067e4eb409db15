import { z } from 'zod'
import { withNumbers } from '../../base/attempts'
import { defineCalculator } from '../../base/calculator/calculator'
import { tand } from '../../base/geometry/outline'
import { checkSchema, nonNegative, positive, verdictSchema } from '../../base/schema/schema'
import { check, say, worstVerdict } from '../../base/verdict/check'

const input = z.strictObject({
  deadriseDeg: z.number().min(0).lt(80),
  slopeDeg: z.number().min(-80).max(80).default(0),
  baseMm: positive(),
  baseWidthMm: positive().optional(),
  thinMm: positive().default(5),
  holeMm: positive(),
  hullMm: positive(),
  marginMm: nonNegative().default(10),
  blocks: z.enum(['both', 'inside', 'outside']).default('both'),
  wasteFraction: z.number().min(0).max(2).default(0.15),
  plyMm: positive().default(0.9),
  lean: z
    .strictObject({
      heightMm: positive(),
      reachMm: nonNegative().default(0),
      clearanceMm: positive().optional(),
      plumb: z.boolean().default(false),
    })
    .optional(),
})
const angle = z.number().nullable()
const output = z.object({
  tiltDeg: z.number(),
  azimuthDeg: z.number(),
  thinMm: z.number(),
  thickMm: z.number(),
  hullBoreMm: z.number(),
  boreLengthMm: z.number(),
  ellipseMm: z.array(z.number()),
  volumeMl: z.number(),
  outsideThickAtDeg: angle,
  insideThickAtDeg: angle,
  saw: z.object({
    angleDeg: z.number(),
    stockMm: z.number(),
    outlineMm: z.array(z.number()),
    layers: z.number(),
  }),
  lean: z.object({ leanMm: z.number(), leanAtDeg: z.number(), wanted: z.boolean() }).nullable(),
  verdict: verdictSchema,
  checks: z.array(checkSchema),
})
const RAD = 180 / Math.PI
const up = (x: number) => Math.ceil(x - 1e-9)
const LEAST_THIN_MM = 5

/** For a hand that has to pass between what leans and what it would touch. */
const HAND_MM = 15
/**
 * How far the inboard end of a fitting that stands square to the hull leans, and whether that asks for a
 * wedge: it fouls something, or it is to stand plumb.
 */
function leaning(asked: z.output<typeof input>['lean'], theta: number, azimuthDeg: number) {
  if (!asked) return null
  const leanMm = asked.heightMm * Math.sin(theta)
  const fouls = asked.clearanceMm !== undefined && leanMm + asked.reachMm + HAND_MM > asked.clearanceMm + 1e-9
  return { leanMm, leanAtDeg: theta === 0 ? 0 : opposed(azimuthDeg), wanted: asked.plumb || fouls }
}
/** The other way round, in (−180, 180]. */
const opposed = (deg: number) => (deg > 0 ? deg - 180 : deg + 180)

export const wedgeBlock = defineCalculator({
  name: 'wedge-block',
  title: 'Wedge blocks for a sloped hull',
  chapter: '5.5',
  words: ['wedge', 'deadrise', 'fairing block', 'pad', 'taper', 'plumb'],
  input,
  output,
  tries: (v) => withNumbers(v, 'thinMm', [LEAST_THIN_MM], (n) => `a thin side of ${n} mm`),
  run: (v) => {
    const [ta, tb] = [tand(v.deadriseDeg), tand(v.slopeDeg)]
    const tan = Math.hypot(ta, tb)
    const theta = Math.atan(tan)
    const azimuthDeg = Math.atan2(tb, ta) * RAD
    const D = v.baseMm + 2 * v.marginMm
    const across = (v.baseWidthMm ?? v.baseMm) + 2 * v.marginMm
    const thickMm = v.thinMm + D * tan
    const blocks = v.blocks === 'both' ? 2 : 1
    const mean = (v.thinMm + thickMm) / 2
    const area = v.baseWidthMm === undefined ? (Math.PI / 4) * D * D : D * across
    const hullBoreMm = v.hullMm / Math.cos(theta)
    const tiltDeg = theta * RAD
    const tilt = check({
      id: 'tilt',
      title: 'Tilt of the block',
      unit: 'deg',
      source: 'chapter 5.5',
      demand: tiltDeg,
      capacity: 35,
      verdict: tiltDeg <= 25 + 1e-9 ? 'holds' : tiltDeg <= 35 + 1e-9 ? 'tight' : 'short',
      because:
        tiltDeg > 35
          ? `${say(tiltDeg)}\u00b0 is past 35\u00b0: choose another place.`
          : `${say(tiltDeg)}\u00b0; up to 25\u00b0 is easy, 35\u00b0 the most.`,
    })
    const thin = check({
      id: 'thin-edge',
      title: 'Thin edge',
      unit: 'mm',
      source: 'chapter 5.5',
      demand: LEAST_THIN_MM,
      capacity: v.thinMm,
      verdict: v.thinMm >= LEAST_THIN_MM - 1e-9 ? 'holds' : 'short',
      because: `The thin side is ${say(v.thinMm)} mm; ${LEAST_THIN_MM} is the least.`,
    })
    return {
      tiltDeg,
      azimuthDeg,
      thinMm: v.thinMm,
      thickMm,
      hullBoreMm,
      boreLengthMm: hullBoreMm + blocks * mean,
      ellipseMm: [v.holeMm, v.holeMm / Math.cos(theta)],
      volumeMl: (blocks * area * mean * (1 + v.wasteFraction)) / 1000,
      outsideThickAtDeg: v.blocks === 'inside' ? null : azimuthDeg,
      insideThickAtDeg: v.blocks === 'outside' ? null : opposed(azimuthDeg),
      saw: { angleDeg: tiltDeg, stockMm: up(thickMm), outlineMm: [D, across], layers: up(thickMm / v.plyMm) },
      lean: leaning(v.lean, theta, azimuthDeg),
      verdict: worstVerdict([tilt.verdict, thin.verdict]),
      checks: [tilt, thin],
    }
  },
})

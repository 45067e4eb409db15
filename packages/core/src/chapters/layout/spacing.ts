import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError, invalid } from '../../base/errors'
import { tand } from '../../base/geometry/outline'
import { positive } from '../../base/schema/schema'
import { Budget, feasible, mostEven, type Keepout, type Row } from './even-row'

/** no row has more */
const MOST_COUNT = 500
const wholePositive = () => z.number().int().positive()
const wholeNonNegative = () => z.number().int().nonnegative()
const input = z
  .strictObject({
    path: z.array(z.strictObject({ xMm: z.number(), yMm: z.number(), zMm: z.number() })).min(2),
    fromMm: wholeNonNegative(),
    toMm: wholePositive(),
    footprintMm: wholePositive(),
    pitch: z.strictObject({ leastMm: wholePositive(), wantedMm: wholePositive(), mostMm: wholePositive() }),
    ends: z.enum(['fixed', 'free']).default('fixed'),
    endToleranceMm: wholeNonNegative().optional(),
    count: z.number().int().min(2).max(MOST_COUNT).optional(),
    keepouts: z
      .array(
        z.strictObject({
          fromMm: z.number().int(),
          toMm: z.number().int(),
          name: z.string(),
          marginMm: wholeNonNegative().default(0),
        }),
      )
      .default([]),
    references: z.array(z.strictObject({ name: z.string(), sMm: z.number() })).optional(),
    hull: z.strictObject({ thicknessMm: positive(), flareDeg: z.number().gt(-90).lt(90) }).optional(),
  })
  .superRefine((v, ctx) => {
    const refuse = (path: (string | number)[], message: string) =>
      ctx.addIssue({ code: 'custom', path, message })
    const { leastMm, wantedMm, mostMm } = v.pitch
    if (v.toMm <= v.fromMm)
      refuse(['toMm'], `${v.toMm} was given; more than where it begins, ${v.fromMm}, is accepted`)
    if (leastMm < v.footprintMm)
      refuse(
        ['pitch', 'leastMm'],
        `${leastMm} was given; the fittings are ${v.footprintMm} mm long, so at least that is accepted`,
      )
    if (mostMm < leastMm)
      refuse(['pitch', 'mostMm'], `${mostMm} was given; at least the least pitch, ${leastMm}, is accepted`)
    else if (wantedMm < leastMm || wantedMm > mostMm)
      refuse(['pitch', 'wantedMm'], `${wantedMm} was given; ${leastMm} to ${mostMm} is accepted`)
    v.keepouts.forEach(
      (k, i) =>
        k.toMm <= k.fromMm &&
        refuse(
          ['keepouts', i, 'toMm'],
          `${k.toMm} was given; more than its fromMm, ${k.fromMm}, is accepted`,
        ),
    )
  })
const maybe = z.number().nullable()
const output = z.object({
  count: z.number(),
  positions: z.array(
    z.object({
      sMm: z.number(),
      xMm: z.number(),
      yMm: z.number(),
      zMm: z.number(),
      fromPreviousMm: maybe,
      nearestReference: z.string().optional(),
      fromReferenceMm: z.number().optional(),
      insideOffsetMm: z.number().optional(),
    }),
  ),
  pitches: z.array(z.number()),
  meanPitchMm: maybe,
  evennessMm: maybe,
  offWantedMm: maybe,
  blocked: z
    .object({ reason: z.enum(['keepout', 'keepouts', 'limits']), name: z.string().nullable(), byMm: maybe })
    .nullable(),
})
type Input = z.output<typeof input>

const MOST_PLACES = 2_000_000

function rowOf(v: Input): Row {
  return {
    from: v.fromMm,
    places: v.toMm - v.fromMm + 1,
    half: v.footprintMm / 2,
    least: v.pitch.leastMm,
    wanted: v.pitch.wantedMm,
    most: v.pitch.mostMm,
    tol: v.ends === 'fixed' ? 0 : (v.endToleranceMm ?? Math.floor(v.pitch.wantedMm / 2)),
  }
}
function why(v: Input, r: Row, keepouts: Keepout[]): NonNullable<z.infer<typeof output>['blocked']> {
  const budget = new Budget()
  let found: { name: string; by: number } | null = null
  keepouts.forEach(([a, b], i) => {
    const others = keepouts.filter((_, j) => j !== i)
    if (!feasible(v, r, others, budget)) return
    const length = b - a
    // Cutting more never hurts, so the least trim of each end is found by halving.
    const least = (cut: (t: number) => Keepout) => {
      let [lo, hi] = [0, length]
      while (hi - lo > 1) {
        const mid = Math.floor((lo + hi) / 2)
        if (feasible(v, r, [...others, cut(mid)], budget)) hi = mid
        else lo = mid
      }
      return hi
    }
    const by = Math.min(
      least((t) => [a + t, b]),
      least((t) => [a, b - t]),
    )
    if (!found || by < found.by) found = { name: v.keepouts[i]!.name, by }
  })
  const one = found as { name: string; by: number } | null
  if (one) return { reason: 'keepout', name: one.name, byMm: one.by }
  return {
    reason: keepouts.length && feasible(v, r, [], budget) ? 'keepouts' : 'limits',
    name: null,
    byMm: null,
  }
}

export const spacing = defineCalculator({
  name: 'spacing',
  title: 'A row of fittings along an edge',
  chapter: '10.1',
  words: ['stanchions', 'row', 'pitch', 'even spacing', 'set out', 'keep-out'],
  input,
  output,
  run: (v) => {
    const along: number[] = [0]
    v.path.forEach(
      (p, i) =>
        i > 0 &&
        along.push(
          along[i - 1]! +
            Math.hypot(p.xMm - v.path[i - 1]!.xMm, p.yMm - v.path[i - 1]!.yMm, p.zMm - v.path[i - 1]!.zMm),
        ),
    )
    if (v.toMm > along.at(-1)! + 1e-9)
      throw new CalcError(
        'off-path',
        'toMm',
        `${v.toMm} was given; the path is ${along.at(-1)!.toFixed(1)} mm long`,
      )
    const r = rowOf(v)
    if (r.places > MOST_PLACES)
      throw invalid('toMm', `A row of ${r.places} mm is longer than the ${MOST_PLACES} mm that are set out`)
    const keepouts = v.keepouts.map((k): Keepout => [k.fromMm - k.marginMm, k.toMm + k.marginMm])
    const spots = mostEven(v, r, keepouts)
    if (!spots)
      return {
        count: 0,
        positions: [],
        pitches: [],
        meanPitchMm: null,
        evennessMm: null,
        offWantedMm: null,
        blocked: why(v, r, keepouts),
      }
    const pitches = spots.slice(1).map((s, i) => s - spots[i]!)
    const mean = pitches.reduce((a, p) => a + p, 0) / pitches.length
    const rms = (about: number) =>
      Math.sqrt(pitches.reduce((a, p) => a + (p - about) ** 2, 0) / pitches.length)
    const place = (s: number) => {
      let i = 1
      while (i < along.length - 1 && along[i]! < s) i++
      const length = along[i]! - along[i - 1]!
      const t = length === 0 ? 0 : (s - along[i - 1]!) / length
      const [a, b] = [v.path[i - 1]!, v.path[i]!]
      return {
        xMm: a.xMm + t * (b.xMm - a.xMm),
        yMm: a.yMm + t * (b.yMm - a.yMm),
        zMm: a.zMm + t * (b.zMm - a.zMm),
      }
    }
    const positions = spots.map((s, i) => {
      const near = v.references?.reduce<{ name: string; sMm: number } | null>(
        (best, x) => (!best || Math.abs(s - x.sMm) < Math.abs(s - best.sMm) ? x : best),
        null,
      )
      return {
        sMm: s,
        ...place(s),
        fromPreviousMm: i === 0 ? null : pitches[i - 1]!,
        ...(near ? { nearestReference: near.name, fromReferenceMm: s - near.sMm } : {}),
        ...(v.hull ? { insideOffsetMm: v.hull.thicknessMm * tand(v.hull.flareDeg) } : {}),
      }
    })
    return {
      count: spots.length,
      positions,
      pitches,
      meanPitchMm: mean,
      evennessMm: rms(mean),
      offWantedMm: rms(v.pitch.wantedMm),
      blocked: null,
    }
  },
})

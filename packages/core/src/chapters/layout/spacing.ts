import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError, invalid } from '../../base/errors'
import { tand } from '../../base/geometry/outline'
import { positive } from '../../base/schema/schema'

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
type Keepout = [from: number, to: number]

const MOST_PLACES = 2_000_000
const MOST_WORK = 600_000_000

interface Row {
  from: number
  places: number
  half: number
  least: number
  wanted: number
  most: number
  tol: number
}

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
/** Places (from the row's start) where a footprint overlaps no keep-out; touching is allowed. */
function openPlaces(r: Row, keepouts: Keepout[]): Uint8Array {
  const open = new Uint8Array(r.places).fill(1)
  for (const [a, b] of keepouts) {
    const first = Math.max(0, Math.floor(a - r.half - r.from) + 1)
    const last = Math.min(r.places - 1, Math.ceil(b + r.half - r.from) - 1)
    for (let s = first; s <= last; s++) open[s] = 0
  }
  return open
}
const counts = (v: Input, r: Row): number[] => {
  if (v.count !== undefined) return [v.count]
  const most = Math.floor((r.places - 1) / r.least) + 1
  return Array.from({ length: Math.max(0, most - 1) }, (_, i) => i + 2)
}

/** A list may be as long as the row has places: too long to be spread into arguments. */
const largest = (list: number[]) => list.reduce((m, n) => Math.max(m, n), 0)

const TOO_MUCH =
  'Least and greatest pitch lie so far apart on so long a row that it cannot be set out exactly; bring them nearer'
/** What one question may cost, however many keep-outs it has. */
class Budget {
  private left = MOST_WORK
  spend(work: number) {
    this.left -= work
    if (this.left < 0) throw invalid('pitch', TOO_MUCH)
  }
}
/** Whether any of the counts can be set out: reachable places, a pitch at a time, by running sums. */
function feasible(v: Input, r: Row, keepouts: Keepout[], budget: Budget): boolean {
  const open = openPlaces(r, keepouts)
  const all = counts(v, r)
  const wanted = new Set(all)
  const most = largest(all)
  let reach = new Uint8Array(r.places)
  for (let s = 0; s <= Math.min(r.tol, r.places - 1); s++) reach[s] = open[s]!
  const sums = new Int32Array(r.places + 1)
  for (let n = 2; n <= most; n++) {
    budget.spend(2 * r.places)
    for (let s = 0; s < r.places; s++) sums[s + 1] = sums[s]! + reach[s]!
    if (sums[r.places] === 0) return false
    const next = new Uint8Array(r.places)
    for (let s = r.least; s < r.places; s++)
      if (open[s] && sums[s - r.least + 1]! - sums[Math.max(0, s - r.most)]! > 0) next[s] = 1
    reach = next
    if (wanted.has(n))
      for (let s = Math.max(0, r.places - 1 - r.tol); s < r.places; s++) if (reach[s]) return true
  }
  return false
}

interface Layer {
  lo: number
  hi: number
  c: Float64Array
}
/**
 * What it costs at least to go on from each open place of a layer to the next. The cost of a pitch is
 * convex, so the best next place never moves back as the place itself moves on: the middle one halves
 * what is searched for those on either side of it, to the same least cost as a search of every pitch.
 */
function cheapest(r: Row, open: Uint8Array, after: Layer, own: Layer): void {
  const rows: number[] = []
  for (let s = own.lo; s <= own.hi; s++) if (open[s]) rows.push(s)
  const halve = (a: number, b: number, first: number, last: number): void => {
    if (a > b) return
    const mid = (a + b) >> 1
    const s = rows[mid]!
    let [least, at] = [Infinity, -1]
    const end = Math.min(last, s + r.most)
    for (let t = Math.max(first, s + r.least); t <= end; t++) {
      const off = t - s - r.wanted
      const J = after.c[t - after.lo]! + off * off
      if (J < least) [least, at] = [J, t]
    }
    own.c[s - own.lo] = least
    // Where nothing can follow, nothing is learnt of the others.
    halve(a, mid - 1, first, at < 0 ? last : at)
    halve(mid + 1, b, at < 0 ? first : at, last)
  }
  halve(0, rows.length - 1, after.lo, after.hi)
}
/**
 * The most even row: least \u03a3(p \u2212 wanted)\u00b2 by a dynamic programme from the far end; of
 * equals the first in dictionary order.
 */
function mostEven(v: Input, r: Row, keepouts: Keepout[]): number[] | null {
  const open = openPlaces(r, keepouts)
  const all = counts(v, r)
  const wanted = new Set(all)
  const layers = largest(all) - 1
  const span = r.most - r.least + 1
  let work = 0
  const cost: Layer[] = []
  const lo0 = Math.max(0, r.places - 1 - r.tol)
  const end = new Float64Array(r.places - lo0)
  for (let s = lo0; s < r.places; s++) end[s - lo0] = open[s] ? 0 : Infinity
  cost.push({ lo: lo0, hi: r.places - 1, c: end })
  let best: { J: number; n: number } | null = null
  for (let k = 1; k <= layers; k++) {
    const after = cost[k - 1]!
    // Where the count is given it is known too what can be reached from the first end.
    const before = v.count === undefined ? null : v.count - 1 - k
    const lo = Math.max(0, after.lo - r.most, before === null ? 0 : before * r.least)
    const hi = Math.max(
      lo - 1,
      Math.min(after.hi - r.least, before === null ? Infinity : r.tol + before * r.most),
    )
    const c = new Float64Array(Math.max(0, hi - lo + 1)).fill(Infinity)
    work += c.length * Math.min(span, after.c.length)
    if (work > MOST_WORK) throw invalid('pitch', TOO_MUCH)
    cheapest(r, open, after, { lo, hi, c })
    cost.push({ lo, hi, c })
    if (!wanted.has(k + 1)) continue
    let J = Infinity
    for (let s = lo; s <= Math.min(hi, r.tol); s++) J = Math.min(J, c[s - lo]!)
    if (J < Infinity && (!best || J * (best.n - 1) < best.J * k)) best = { J, n: k + 1 }
  }
  if (!best) return null
  const spots: number[] = []
  let left = best.J
  for (let k = best.n - 1; k >= 0; k--) {
    const layer = cost[k]!
    const before = spots.at(-1)
    const first = before === undefined ? layer.lo : before + r.least
    const last = before === undefined ? Math.min(layer.hi, r.tol) : before + r.most
    for (let s = Math.max(first, layer.lo); s <= Math.min(last, layer.hi); s++) {
      const J = layer.c[s - layer.lo]! + (before === undefined ? 0 : (s - before - r.wanted) ** 2)
      if (J !== left) continue
      spots.push(s)
      left = layer.c[s - layer.lo]!
      break
    }
  }
  return spots.map((s) => s + r.from)
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

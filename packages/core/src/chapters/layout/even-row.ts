import { invalid } from '../../base/errors'

/** The most even row of chapter 10.1, in whole millimetres from where the row begins. */
export type Keepout = [from: number, to: number]
const MOST_WORK = 600_000_000

interface Asked {
  /** how many, where that is given */
  count?: number | undefined
}
export interface Row {
  from: number
  places: number
  half: number
  least: number
  wanted: number
  most: number
  tol: number
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
const counts = (v: Asked, r: Row): number[] => {
  if (v.count !== undefined) return [v.count]
  const most = Math.floor((r.places - 1) / r.least) + 1
  return Array.from({ length: Math.max(0, most - 1) }, (_, i) => i + 2)
}

/** A list may be as long as the row has places: too long to be spread into arguments. */
const largest = (list: number[]) => list.reduce((m, n) => Math.max(m, n), 0)

const TOO_MUCH =
  'Least and greatest pitch lie so far apart on so long a row that it cannot be set out exactly; bring them nearer'
/** What one question may cost, however many keep-outs it has. */
export class Budget {
  private left = MOST_WORK
  spend(work: number) {
    this.left -= work
    if (this.left < 0) throw invalid('pitch', TOO_MUCH)
  }
}
/** Whether any of the counts can be set out: reachable places, a pitch at a time, by running sums. */
export function feasible(v: Asked, r: Row, keepouts: Keepout[], budget: Budget): boolean {
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

type Band = (k: number) => [lo: number, hi: number]
const EVERYWHERE: Band = () => [0, Infinity]
const beyond = (s: number, lo: number, hi: number) => Math.max(0, lo - s, s - hi)
/** By whole numbers the last of `from` towards `to` for which it still holds. */
function lastThat(holds: (s: number) => boolean, from: number, to: number): number {
  let [near, far] = [from, to]
  while (Math.abs(far - near) > 1) {
    const mid = Math.trunc((near + far) / 2)
    if (holds(mid)) near = mid
    else far = mid
  }
  return holds(far) ? far : near
}
/**
 * What a row of n fittings costs at least, and where the one with k pitches to go can stand in a row that
 * costs no more than `most`: k pitches over a distance D cost least when they are alike, which is
 * (D \u2212 k\u00b7w)\u00b2/k.
 */
function evenly(r: Row, n: number) {
  const last = r.places - 1
  const least = beyond(r.wanted * (n - 1), last - 2 * r.tol, last) ** 2 / (n - 1)
  const band = (most: number): Band => {
    const within = most * (1 + 1e-9) + 1e-6
    return (k) => {
      const m = n - 1 - k
      if (k === 0 || m === 0) return [0, Infinity]
      const ahead = [last - r.tol - k * r.wanted, last - k * r.wanted] as const
      const behind = [m * r.wanted, r.tol + m * r.wanted] as const
      const costs = (s: number) => beyond(s, ...ahead) ** 2 / k + beyond(s, ...behind) ** 2 / m
      const [p, q] = [Math.max(ahead[0], behind[0]), Math.min(ahead[1], behind[1])]
      // Where no place suits both, the best one divides what is amiss by the pitches of either side.
      const near = ahead[1] < behind[0] ? k : m
      const best = p <= q ? (p + q) / 2 : q + ((p - q) * near) / (k + m)
      return [
        lastThat((s) => costs(s) <= within, Math.floor(best), -1) - 1,
        lastThat((s) => costs(s) <= within, Math.ceil(best), r.places) + 1,
      ]
    }
  }
  return { least, band }
}

interface Found {
  /** square of what it is off by, together; of the fewest by pitch where the count is free */
  J: number
  n: number
  cost: Layer[]
}
/** A dynamic programme from the far end, through the places of a band. */
function throughLayers(v: Asked, r: Row, open: Uint8Array, band: Band): Found | null {
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
    const [first, last] = band(k)
    const lo = Math.max(0, first, after.lo - r.most, before === null ? 0 : before * r.least)
    const hi = Math.max(
      lo - 1,
      Math.min(last, after.hi - r.least, before === null ? Infinity : r.tol + before * r.most),
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
  return best && { ...best, cost }
}
/** Of all that cost so little the first in dictionary order. */
function readOff(r: Row, { J: least, n, cost }: Found): number[] {
  const spots: number[] = []
  let left = least
  for (let k = n - 1; k >= 0; k--) {
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

/** How far off the most even row one is looked for at first, in pitches, and how that grows. */
const FIRST_OFF = 1 / 4
const OFF_GROWS = 16
/**
 * The most even row: least \u03a3(p \u2212 wanted)\u00b2; of equals the first in dictionary order. Where the
 * count is given it is looked for near where it stands without keep-outs, and further off only where none
 * that costs so little is found: none that lies outside can cost less.
 */
export function mostEven(v: Asked, r: Row, keepouts: Keepout[]): number[] | null {
  const open = openPlaces(r, keepouts)
  if (v.count === undefined || v.count < 2) {
    const found = throughLayers(v, r, open, EVERYWHERE)
    return found && readOff(r, found)
  }
  const { least, band } = evenly(r, v.count)
  const budget = new Budget()
  let canBe = false
  const farthest = 2 * (r.places + r.wanted * v.count) ** 2
  for (let most = least + (FIRST_OFF * r.wanted) ** 2; ;) {
    const everywhere = most >= farthest
    const found = throughLayers(v, r, open, everywhere ? EVERYWHERE : band(most))
    if (everywhere || (found && found.J <= most)) return found && readOff(r, found)
    canBe ||= found !== null || feasible(v, r, keepouts, budget)
    if (!canBe) return null
    most = found ? found.J : least + (most - least) * OFF_GROWS
  }
}

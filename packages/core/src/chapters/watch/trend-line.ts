import { median } from '../../base/median'
import { normal } from '../../base/normal'

/** Robust lines through a few looks (16.2): Theil and Sen's slope, Kendall's S, and how sure they are. */
export interface Look {
  day: number
  w: number
}
const GRAIN = 1e-9
const pairs = <T>(n: number, f: (i: number, j: number) => T): T[] => {
  const out: T[] = []
  for (let j = 1; j < n; j++) for (let i = 0; i < j; i++) out.push(f(i, j))
  return out
}
export const slopesOf = (looks: Look[]) =>
  pairs(looks.length, (i, j) => (looks[j]!.w - looks[i]!.w) / (looks[j]!.day - looks[i]!.day)).sort(
    (a, b) => a - b,
  )
export const interceptOf = (looks: Look[], slope: number) => median(looks.map((l) => l.w - slope * l.day))
const scoreOf = (w: number[]) =>
  pairs(w.length, (i, j) => Math.sign(w[j]! - w[i]!)).reduce((s, x) => s + x, 0)

function tiesOf(w: number[]): number[] {
  const count = new Map<number, number>()
  for (const x of w) count.set(x, (count.get(x) ?? 0) + 1)
  return [...count.values()].filter((t) => t > 1)
}
/** Share of all orders of these values whose score is as great or greater. */
function exactShare(w: number[], score: number, sigma: number): number {
  let [all, as] = [0, 0]
  const a = [...w]
  const go = (n: number) => {
    if (n === 1) {
      all++
      if (sigma * scoreOf(a) >= score) as++
      return
    }
    for (let i = 0; i < n; i++) {
      go(n - 1)
      const k = n % 2 ? 0 : i
      ;[a[k], a[n - 1]] = [a[n - 1]!, a[k]!]
    }
  }
  go(a.length)
  return as / all
}
const EXACT_TO = 8

/** `sigma` 1 where more is worse, −1 where less is. */
export function kendall(looks: Look[], sigma: 1 | -1) {
  const w = looks.map((l) => l.w)
  const n = w.length
  const N = (n * (n - 1)) / 2
  const ties = tiesOf(w)
  const T = ties.reduce((s, t) => s + (t * (t - 1)) / 2, 0)
  const S = scoreOf(w)
  const V = (n * (n - 1) * (2 * n + 5) - ties.reduce((s, t) => s + t * (t - 1) * (2 * t + 5), 0)) / 18
  const exact = n <= EXACT_TO
  const pWorse =
    n === 1
      ? 1
      : exact
        ? exactShare(w, sigma * S, sigma)
        : V === 0
          ? 1
          : 1 - normal((sigma * S - 1) / Math.sqrt(V))
  const below = Math.sqrt(N * (N - T))
  const k = Math.max(1, Math.floor((N - 1.96 * Math.sqrt(V)) / 2 + GRAIN))
  return { tau: below > 0 ? S / below : null, pWorse, exact, k }
}

/** Where elements are wanted smaller than elsewhere, and how small; beside it they grow. */
export interface Crowd {
  at: number
  finest: number
  /** no smaller than this part of an even element */
  part: number
  growth: number
}
/**
 * Mesh lines of a rectangle that pass through every edge of a patch or plate, and crowd towards where
 * bending dies out quickly.
 */
export function gradedLines(length: number, breaks: number[], crowded: Crowd[], least: number): Float64Array {
  const cuts = [...new Set([0, length, ...breaks].map((x) => Math.min(length, Math.max(0, x))))]
    .sort((a, b) => a - b)
    .filter((x, i, all) => i === 0 || x - all[i - 1]! > 1e-9 * length)
  cuts[cuts.length - 1] = length
  const even = length / least
  const smallest = crowded.map((c) => Math.min(even, Math.max(c.finest, even * c.part)))
  const size = (x: number) => {
    let most = even * 1.6
    for (let i = 0; i < crowded.length; i++) {
      const c = crowded[i]!
      most = Math.min(most, smallest[i]! + c.growth * Math.abs(x - c.at))
    }
    return most
  }
  // Elements go where the wanted size is small: cumulative 1/size, sampled finely in each stretch.
  const SAMPLES = 64
  const stretches = cuts.slice(1).map((to, i) => {
    const from = cuts[i]!
    const sums = new Float64Array(SAMPLES + 1)
    for (let k = 0; k < SAMPLES; k++)
      sums[k + 1] = sums[k]! + (to - from) / SAMPLES / size(from + ((k + 0.5) / SAMPLES) * (to - from))
    return { from, to, sums }
  })
  const total = stretches.reduce((s, x) => s + x.sums[SAMPLES]!, 0)
  const lines: number[] = [0]
  for (const { from, to, sums } of stretches) {
    const all = sums[SAMPLES]!
    const n = Math.max(2, Math.ceil((least * all) / total - 1e-9))
    let k = 0
    for (let e = 1; e < n; e++) {
      const aim = (all * e) / n
      while (sums[k + 1]! < aim) k++
      lines.push(from + ((k + (aim - sums[k]!) / (sums[k + 1]! - sums[k]!)) / SAMPLES) * (to - from))
    }
    lines.push(to)
  }
  return Float64Array.from(lines)
}

/**
 * Mesh lines of a rectangle that pass through every edge of a patch or plate, and crowd towards where
 * bending dies out quickly.
 */
export function gradedLines(
  length: number,
  breaks: number[],
  crowded: number[],
  least: number,
  finest: number,
): Float64Array {
  const cuts = [...new Set([0, length, ...breaks].map((x) => Math.min(length, Math.max(0, x))))]
    .sort((a, b) => a - b)
    .filter((x, i, all) => i === 0 || x - all[i - 1]! > 1e-9 * length)
  cuts[cuts.length - 1] = length
  const even = length / least
  const h0 = Math.min(even, Math.max(finest, even / 6))
  const size = (x: number) => {
    let d = Infinity
    for (const c of crowded) d = Math.min(d, Math.abs(x - c))
    return Math.min(even * 1.6, h0 + 0.22 * d)
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

/** The middle one; of an even count the mean of the middle two. */
export function median(values: number[]): number {
  const v = [...values].sort((a, b) => a - b)
  const m = v.length >> 1
  return v.length % 2 ? v[m]! : (v[m - 1]! + v[m]!) / 2
}

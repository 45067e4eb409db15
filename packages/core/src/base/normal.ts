/** Standard normal distribution: a series that is exact to the last digits a double holds. */
export function normal(x: number): number {
  if (x < -8) return 0
  if (x > 8) return 1
  let [term, sum] = [x, x]
  for (let k = 3; Math.abs(term) > 1e-18 * Math.abs(sum) && k < 400; k += 2) sum += term *= (x * x) / k
  return 0.5 + sum * Math.exp((-x * x) / 2) * (1 / Math.sqrt(2 * Math.PI))
}

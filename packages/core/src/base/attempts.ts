import type { Attempt } from './calculator/calculator'
import { withChange } from './change'

/**
 * The same input with one number changed, for each value in turn; `path` is dotted, `text` says it in a
 * fitter's words.
 */
export const withNumbers = <I>(
  v: I,
  path: string,
  values: number[],
  text: (n: number) => string,
): Attempt<I>[] =>
  values.map((n) => ({
    id: `${path}-${n}`,
    text: text(n),
    change: { [path]: n },
    input: withChange(v, { [path]: n }),
  }))

const round = (n: number) => Number(n.toPrecision(2))
/**
 * Steps up from a value, each rounded to two figures as a shop would: a tenth, a quarter, a half more,
 * twice, three times.
 */
export const upFrom = (n: number) =>
  [1.1, 1.25, 1.5, 2, 3].map((k) => round(n * k)).filter((x, i, all) => x > n && all.indexOf(x) === i)
/** Steps down, to a tenth less, a quarter less, half, a quarter. */
export const downFrom = (n: number) =>
  [0.9, 0.75, 0.5, 0.25]
    .map((k) => round(n * k))
    .filter((x, i, all) => x < n && x > 0 && all.indexOf(x) === i)
export const above = (stock: readonly number[], n: number) => stock.filter((t) => t > n)

import { z } from 'zod'
import { nonNegative, positive } from '../../base/schema/schema'

/** Stock sheets bonded into a thickness (15.2, 15.6). */
export const SHEETS_MM = [3, 4.8, 6, 9.5, 12.7]
export const sheetsShape = {
  sheetsMm: z
    .array(positive())
    .min(1)
    .max(8)
    .superRefine((s, ctx) => {
      const i = s.findIndex((t, k) => k > 0 && t <= s[k - 1]!)
      if (i > 0)
        ctx.addIssue({
          code: 'custom',
          path: [i],
          message: `${s[i]} stands after ${s[i - 1]}; give the sheets from the thinnest to the thickest`,
        })
    })
    .default(SHEETS_MM),
  glueMm: nonNegative().default(0.3),
}
export interface Stack {
  /** thickest first */
  sheetsMm: number[]
  totalMm: number
}
/** All piles of up to so many sheets, thickest first, with `joints` glue lines for each number of sheets. */
export function piles(sheetsMm: number[], most: number, glued: (n: number) => number): Stack[] {
  const out: Stack[] = []
  const falling = [...sheetsMm].sort((a, b) => b - a)
  const grow = (pile: number[], from: number, sum: number) => {
    out.push({ sheetsMm: pile, totalMm: sum + glued(pile.length) })
    if (pile.length < most) falling.slice(from).forEach((t, i) => grow([...pile, t], from + i, sum + t))
  }
  grow([], 0, 0)
  return out
}
const GRAIN = 1e-9
/** The least by each measure in turn; then the one that is thicker at the first difference. */
export function firstBy<T extends Stack>(all: T[], measures: ((s: T) => number)[]): T | null {
  const order = (a: T, b: T) => {
    for (const m of measures) {
      const d = m(a) - m(b)
      if (Math.abs(d) > GRAIN) return d
    }
    const i = a.sheetsMm.findIndex((t, k) => t !== b.sheetsMm[k])
    return i < 0 ? 0 : (b.sheetsMm[i] ?? 0) - a.sheetsMm[i]!
  }
  return all.reduce<T | null>((best, s) => (best === null || order(s, best) < 0 ? s : best), null)
}

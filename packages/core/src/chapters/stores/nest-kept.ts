import { GRAIN, type Placed } from './nest-boxes'
import type { NestInput, Stock } from './nest-shape'

/** What is left of a unit that is worth keeping (chapter 17.1). */
export interface Rect {
  xMm: number
  yMm: number
  widthMm: number
  heightMm: number
}
type Sides = Pick<NestInput, 'kerfMm' | 'keepShortMm' | 'keepLongMm'>
interface Block {
  x0: number
  x1: number
  y0: number
  y1: number
}
const worthKeeping = (w: number, h: number, s: Sides) =>
  Math.min(w, h) >= s.keepShortMm - GRAIN && Math.max(w, h) >= s.keepLongMm - GRAIN

/** Lowest, then leftmost of equals. */
function better(a: Rect, b: Rect | null): boolean {
  if (!b) return true
  const more = a.widthMm * a.heightMm - b.widthMm * b.heightMm
  if (Math.abs(more) > GRAIN) return more > 0
  return Math.abs(a.yMm - b.yMm) > GRAIN ? a.yMm < b.yMm : a.xMm < b.xMm - GRAIN
}
/** The largest rectangle that keeps clear of all blocks; null where none is worth keeping. */
function largest(stock: Stock, blocks: Block[], s: Sides): Rect | null {
  const [W, H] = [stock.widthMm, stock.heightMm]
  const inside = (y: number) => y >= -GRAIN && y <= H + GRAIN
  const lows = [...new Set([0, ...blocks.map((b) => b.y1)])].filter(inside)
  const tops = [...new Set([H, ...blocks.map((b) => b.y0)])].filter(inside)
  const sorted = [...blocks].sort((a, b) => a.x0 - b.x0)
  const found: { best: Rect | null } = { best: null }
  for (const y0 of lows)
    for (const y1 of tops) {
      const h = y1 - y0
      if (h < s.keepShortMm - GRAIN) continue
      if (found.best && h * W < found.best.widthMm * found.best.heightMm - GRAIN) continue
      let x = 0
      const gap = (to: number) => {
        const r = { xMm: x, yMm: y0, widthMm: to - x, heightMm: h }
        if (worthKeeping(r.widthMm, h, s) && better(r, found.best)) found.best = r
      }
      for (const b of sorted) {
        if (b.y0 >= y1 - GRAIN || b.y1 <= y0 + GRAIN) continue
        if (b.x0 > x) gap(Math.min(W, b.x0))
        x = Math.max(x, b.x1)
      }
      if (x < W) gap(W)
    }
  return found.best
}

/** Again and again the largest, until none is left. */
export function keptOf(stock: Stock, placed: Placed[], v: NestInput): Rect[] {
  const block = (x: number, y: number, w: number, h: number): Block => ({
    x0: x - v.kerfMm,
    x1: x + w + v.kerfMm,
    y0: y - v.kerfMm,
    y1: y + h + v.kerfMm,
  })
  const blocks = placed.map((p) => block(p.x + v.marginMm, p.y + v.marginMm, p.box.w, p.box.h))
  const out: Rect[] = []
  for (let r = largest(stock, blocks, v); r; r = largest(stock, blocks, v)) {
    out.push(r)
    blocks.push(block(r.xMm, r.yMm, r.widthMm, r.heightMm))
  }
  return out
}

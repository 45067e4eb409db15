import { areaOfPoints, type NestInput, type Part, type Stock } from './nest-shape'

/** Copies and units by their boxes: all that nesting looks at (chapter 17.1). */
export interface Turned {
  angleDeg: number
  w: number
  h: number
}
export interface Copy {
  part: Part
  copy: number
  /** its place in the input */
  index: number
  /** its box at each of its angles, in their order */
  boxes: Turned[]
}
export interface Unit {
  stock: Stock
  /** its place among the stock given */
  stockIndex: number
  unit: number
  cost: number
  /** the stock less its margins */
  U: number
  V: number
}
export interface Placed {
  copy: Copy
  unit: Unit
  /** lower left corner of its box, from the corner of the margins */
  x: number
  y: number
  box: Turned
}
export interface Layout {
  placed: Placed[]
  unplaced: Copy[]
}
export const GRAIN = 1e-6

const turnable = (p: Part) => (p.shape === 'rect' || p.shape === 'polygon' ? p : null)
export function partArea(p: Part): number {
  if (p.shape === 'rect') return p.widthMm * p.heightMm
  if (p.shape === 'polygon') return Math.abs(areaOfPoints(p.points))
  const hole = p.shape === 'ring' ? p.holeMm : 0
  return (Math.PI / 4) * (p.diameterMm ** 2 - hole ** 2)
}
function boxAt(p: Part, angleDeg: number): Turned {
  if (p.shape === 'circle' || p.shape === 'ring') return { angleDeg, w: p.diameterMm, h: p.diameterMm }
  const points =
    p.shape === 'polygon'
      ? p.points
      : [
          { xMm: 0, yMm: 0 },
          { xMm: p.widthMm, yMm: 0 },
          { xMm: p.widthMm, yMm: p.heightMm },
          { xMm: 0, yMm: p.heightMm },
        ]
  // Right angles turn exactly, so that a box is never a hair too large.
  const right = angleDeg % 90 === 0
  const a = (angleDeg * Math.PI) / 180
  const [cos, sin] = right ? [Math.round(Math.cos(a)), Math.round(Math.sin(a))] : [Math.cos(a), Math.sin(a)]
  const xs = points.map((q) => q.xMm * cos - q.yMm * sin)
  const ys = points.map((q) => q.xMm * sin + q.yMm * cos)
  return { angleDeg, w: Math.max(...xs) - Math.min(...xs), h: Math.max(...ys) - Math.min(...ys) }
}

export const copiesOf = (v: NestInput): Copy[] => {
  let index = 0
  return v.parts.flatMap((part) => {
    const boxes = (turnable(part)?.angles ?? [0]).map((a) => boxAt(part, a))
    return Array.from({ length: part.count }, (_, i) => ({ part, copy: i + 1, index: index++, boxes }))
  })
}
export const unitsOf = (v: NestInput, stock: Stock): Unit[] => {
  const sheet = stock.kind === 'sheet'
  return Array.from({ length: stock.count ?? (sheet ? 50 : 1) }, (_, i) => ({
    stock,
    stockIndex: v.stock.indexOf(stock),
    unit: i + 1,
    cost: stock.cost ?? (sheet ? 1 : 0),
    U: stock.widthMm - 2 * v.marginMm,
    V: stock.heightMm - 2 * v.marginMm,
  }))
}
/** Angles at which a part may lie on a stock: where both have a grain, it runs as it should. */
export function allowed(c: Copy, s: Stock): Turned[] {
  const grain = turnable(c.part)?.grain ?? 'none'
  if (grain === 'none' || s.grain === 'none') return c.boxes
  const want = grain === s.grain ? 0 : 90
  return c.boxes.filter((b) => b.angleDeg % 180 === want)
}
export const fitsAlone = (c: Copy, u: Unit) =>
  allowed(c, u.stock).some((b) => b.w <= u.U + GRAIN && b.h <= u.V + GRAIN)
export const groupKey = (x: { material: string; thicknessMm: number }) => `${x.thicknessMm}|${x.material}`

/** In their order: fewest unplaced, least cost, fewest sheets. */
export function scoreOf(l: Layout): { unplaced: number; cost: number; sheets: number } {
  const used = [...new Set(l.placed.map((p) => p.unit))]
  return {
    unplaced: l.unplaced.length,
    cost: used.reduce((s, u) => s + u.cost, 0),
    sheets: used.filter((u) => u.stock.kind === 'sheet').length,
  }
}
/** Under nought: the first is better. */
export function compare(a: ReturnType<typeof scoreOf>, b: ReturnType<typeof scoreOf>): number {
  if (a.unplaced !== b.unplaced) return a.unplaced - b.unplaced
  if (Math.abs(a.cost - b.cost) > GRAIN) return a.cost - b.cost
  return a.sheets - b.sheets
}

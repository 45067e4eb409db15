import { allowed, GRAIN, type Copy, type Layout, type Placed, type Unit } from './nest-boxes'

/** Two plain ways that nesting is never worse than: shelves, and bottom left (chapter 17.1). */
export interface Filling {
  /** puts a copy on the unit where it goes, or not at all */
  put(c: Copy): Placed | null
}
interface Shelf {
  y: number
  height: number
  right: number
}
export class Shelves implements Filling {
  private readonly shelves: Shelf[] = []
  constructor(
    private readonly unit: Unit,
    private readonly kerf: number,
  ) {}
  put(copy: Copy): Placed | null {
    const { unit, kerf } = this
    const boxes = allowed(copy, unit.stock)
    for (const s of this.shelves) {
      const x = s.right + kerf
      const box = boxes.find((b) => x + b.w <= unit.U + GRAIN && b.h <= s.height + GRAIN)
      if (!box) continue
      s.right = x + box.w
      return { copy, unit, x, y: s.y, box }
    }
    const last = this.shelves.at(-1)
    const y = last ? last.y + last.height + kerf : 0
    const fit = boxes.filter((b) => b.w <= unit.U + GRAIN && y + b.h <= unit.V + GRAIN)
    if (!fit.length) return null
    const box = fit.reduce((a, b) => (b.h < a.h - GRAIN ? b : a))
    this.shelves.push({ y, height: box.h, right: box.w })
    return { copy, unit, x: 0, y, box }
  }
}
export class BottomLeft implements Filling {
  private readonly placed: Placed[] = []
  constructor(
    private readonly unit: Unit,
    private readonly kerf: number,
  ) {}
  private free(x: number, y: number, w: number, h: number): boolean {
    if (x + w > this.unit.U + GRAIN || y + h > this.unit.V + GRAIN) return false
    const { kerf } = this
    return this.placed.every(
      (p) =>
        x >= p.x + p.box.w + kerf - GRAIN ||
        p.x >= x + w + kerf - GRAIN ||
        y >= p.y + p.box.h + kerf - GRAIN ||
        p.y >= y + h + kerf - GRAIN,
    )
  }
  put(copy: Copy): Placed | null {
    const spots = [
      { x: 0, y: 0 },
      ...this.placed.flatMap((p) => [
        { x: p.x + p.box.w + this.kerf, y: p.y },
        { x: p.x, y: p.y + p.box.h + this.kerf },
      ]),
    ].sort((a, b) => (Math.abs(a.y - b.y) > GRAIN ? a.y - b.y : a.x - b.x))
    for (const { x, y } of spots)
      for (const box of allowed(copy, this.unit.stock))
        if (this.free(x, y, box.w, box.h)) {
          const p = { copy, unit: this.unit, x, y, box }
          this.placed.push(p)
          return p
        }
    return null
  }
}

/** Each copy on the first unit that takes it. */
export function fill(
  copies: Copy[],
  units: Unit[],
  kerf: number,
  Way: new (u: Unit, kerf: number) => Filling,
): Layout {
  const open: Filling[] = []
  const out: Layout = { placed: [], unplaced: [] }
  for (const c of copies) {
    let done: Placed | null = null
    for (let i = 0; i < units.length && !done; i++) {
      // An untouched unit of the same stock as one before it takes nothing that that one did not.
      const fresh = !open[i]
      open[i] ??= new Way(units[i]!, kerf)
      done = open[i]!.put(c)
      if (!done && fresh && i + 1 < units.length && units[i + 1]!.stock === units[i]!.stock) {
        const stock = units[i]!.stock
        while (i + 1 < units.length && units[i + 1]!.stock === stock) i++
      }
    }
    if (done) out.placed.push(done)
    else out.unplaced.push(c)
  }
  return out
}

/** Offcuts, smallest first; then sheets, least cost for their area first. */
export function inTurn(units: Unit[]): Unit[] {
  const area = (u: Unit) => u.stock.widthMm * u.stock.heightMm
  const rank = (u: Unit) => (u.stock.kind === 'offcut' ? area(u) : u.cost / area(u))
  return [...units].sort(
    (a, b) =>
      Number(a.stock.kind === 'sheet') - Number(b.stock.kind === 'sheet') ||
      rank(a) - rank(b) ||
      a.stockIndex - b.stockIndex ||
      a.unit - b.unit,
  )
}
const sides = (c: Copy) => {
  const { w, h } = c.boxes[0]!
  return { long: Math.max(w, h), short: Math.min(w, h) }
}
export const longestFirst = (copies: Copy[]) =>
  [...copies].sort(
    (a, b) => sides(b).long - sides(a).long || sides(b).short - sides(a).short || a.index - b.index,
  )
/** Other orders that often do better: by area, by width, by height. */
export const otherOrders = (copies: Copy[]): Copy[][] => {
  const by = (of: (c: Copy) => number) => [...copies].sort((a, b) => of(b) - of(a) || a.index - b.index)
  const first = (c: Copy) => c.boxes[0]!
  return [by((c) => first(c).w * first(c).h), by((c) => first(c).w), by((c) => first(c).h)]
}

import { allowed, GRAIN, type Copy, type Layout, type Turned, type Unit } from './nest-boxes'

/**
 * The true least for a few rectangles turned by right angles: which of them go together on one unit is found
 * by trying, then the cheapest cover of all by units (chapter 17.1).
 */
const MOST = 6
const RIGHT = (b: Turned) => b.angleDeg % 90 === 0
export const isSmall = (copies: Copy[]) =>
  copies.length <= MOST && copies.every((c) => c.part.shape === 'rect' && c.boxes.every(RIGHT))

interface At {
  copy: Copy
  x: number
  y: number
  box: Turned
}
/** Where a set of copies lies on a unit, or null where it does not fit, however it is laid. */
function pack(copies: Copy[], unit: Unit, kerf: number): At[] | null {
  // Boxes a kerf apart are boxes larger by it in a unit larger by it.
  const [U, V] = [unit.U + kerf, unit.V + kerf]
  const boxes = copies.map((c) => distinct(allowed(c, unit.stock)))
  if (boxes.some((b) => !b.length)) return null
  const area = boxes.reduce((s, b) => s + (b[0]!.w + kerf) * (b[0]!.h + kerf), 0)
  if (area > U * V + GRAIN) return null
  const placed: At[] = []
  const seen = new Set<string>()
  // Pushed left and down every box touches what was laid before it, so corners of those are all the spots.
  const descend = (left: number[]): boolean => {
    if (!left.length) return true
    const key = placed
      .map((p) => `${p.box.w},${p.box.h}@${p.x},${p.y}`)
      .sort()
      .join(';')
    if (seen.has(key)) return false
    seen.add(key)
    const xs = [...new Set([0, ...placed.map((p) => p.x + p.box.w + kerf)])]
    const ys = [...new Set([0, ...placed.map((p) => p.y + p.box.h + kerf)])]
    for (const i of left)
      for (const box of boxes[i]!)
        for (const y of ys)
          for (const x of xs) {
            if (x + box.w + kerf > U + GRAIN || y + box.h + kerf > V + GRAIN) continue
            if (!placed.every((p) => apart(p, { x, y, box }, kerf))) continue
            placed.push({ copy: copies[i]!, x, y, box })
            if (descend(left.filter((k) => k !== i))) return true
            placed.pop()
          }
    return false
  }
  return descend(copies.map((_, i) => i)) ? placed : null
}
function distinct(boxes: Turned[]): Turned[] {
  return boxes.filter((b, i) => boxes.findIndex((o) => o.w === b.w && o.h === b.h) === i)
}
type Boxed = Pick<At, 'x' | 'y' | 'box'>
const apart = (a: Boxed, b: Boxed, kerf: number) =>
  b.x >= a.x + a.box.w + kerf - GRAIN ||
  a.x >= b.x + b.box.w + kerf - GRAIN ||
  b.y >= a.y + a.box.h + kerf - GRAIN ||
  a.y >= b.y + b.box.h + kerf - GRAIN

interface State {
  cost: number
  sheets: number
  /** which set went on which unit */
  sets: { mask: number; unit: Unit }[]
}
const cheaper = (a: State, b: State | undefined) =>
  !b || a.cost < b.cost - GRAIN || (Math.abs(a.cost - b.cost) <= GRAIN && a.sheets < b.sheets)

const bits = (mask: number) => [...Array(MOST).keys()].filter((i) => mask & (1 << i))
/** Sets that go on one unit of a stock; every part of such a set does too. */
function fitting(copies: Copy[], unit: Unit, kerf: number): Map<number, At[]> {
  const out = new Map<number, At[]>()
  for (let mask = 1; mask < 1 << copies.length; mask++) {
    const all = bits(mask)
    const without = all.map((i) => mask & ~(1 << i))
    if (without.some((m) => m && !out.has(m))) continue
    const at = pack(
      all.map((i) => copies[i]!),
      unit,
      kerf,
    )
    if (at) out.set(mask, at)
  }
  return out
}

export function exact(copies: Copy[], units: Unit[], kerf: number): Layout {
  const full = (1 << copies.length) - 1
  let best = new Map<number, State>([[0, { cost: 0, sheets: 0, sets: [] }]])
  const layouts = new Map<Unit['stock'], Map<number, At[]>>()
  for (const unit of units) {
    let sets = layouts.get(unit.stock)
    if (!sets) layouts.set(unit.stock, (sets = fitting(copies, unit, kerf)))
    // More units of one stock than there are copies are never all used.
    if (unit.unit > copies.length) continue
    const next = new Map(best)
    for (const [mask, s] of best)
      for (const set of sets.keys()) {
        if (mask & set) continue
        const state: State = {
          cost: s.cost + unit.cost,
          sheets: s.sheets + Number(unit.stock.kind === 'sheet'),
          sets: [...s.sets, { mask: set, unit }],
        }
        if (cheaper(state, next.get(mask | set))) next.set(mask | set, state)
      }
    best = next
  }
  const size = (mask: number) => bits(mask).length
  const [mask, state] = [...best].reduce((a, b) =>
    size(b[0]) > size(a[0]) || (size(b[0]) === size(a[0]) && cheaper(b[1], a[1])) ? b : a,
  )
  return {
    placed: state.sets.flatMap(({ mask: set, unit }) =>
      layouts
        .get(unit.stock)!
        .get(set)!
        .map((at) => ({ ...at, unit })),
    ),
    unplaced: bits(full & ~mask).map((i) => copies[i]!),
  }
}

import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { BottomLeft, fill, inTurn, longestFirst, otherOrders, Shelves } from './nest-baseline'
import {
  allowed,
  compare,
  copiesOf,
  fitsAlone,
  GRAIN,
  groupKey,
  partArea,
  scoreOf,
  unitsOf,
  type Copy,
  type Layout,
  type Unit,
} from './nest-boxes'
import { exact, isSmall } from './nest-exact'
import { keptOf } from './nest-kept'
import { nestInput, type NestInput, type Part } from './nest-shape'

const mm = z.number()
const output = z.object({
  placements: z.array(
    z.object({
      part: z.string(),
      copy: mm,
      stock: z.string(),
      unit: mm,
      xMm: mm,
      yMm: mm,
      angleDeg: mm,
    }),
  ),
  sheets: mm,
  offcuts: mm,
  cost: mm,
  unplaced: z.array(
    z.object({ part: z.string(), count: mm, why: z.enum(['no-stock', 'too-large', 'used-up']) }),
  ),
  partAreaMm2: mm,
  wasteAreaMm2: mm,
  units: z.array(
    z.object({
      stock: z.string(),
      unit: mm,
      partAreaMm2: mm,
      kept: z.array(z.object({ xMm: mm, yMm: mm, widthMm: mm, heightMm: mm })),
      wasteAreaMm2: mm,
    }),
  ),
  baseline: z.object({ unplaced: mm, cost: mm, sheets: mm }),
  boundSheets: mm,
})
type Output = z.output<typeof output>

/** One material of one thickness: nested by itself. */
interface Group {
  copies: Copy[]
  units: Unit[]
}
function groupsOf(v: NestInput): Group[] {
  const copies = copiesOf(v)
  const keys = [...new Set(v.parts.map(groupKey))]
  return keys.map((key) => ({
    copies: copies.filter((c) => groupKey(c.part) === key),
    units: v.stock.filter((s) => groupKey(s) === key).flatMap((s) => unitsOf(v, s)),
  }))
}

/** The largest rectangle that a layout leaves on any of its units. */
const keptBest = (l: Layout, v: NestInput) =>
  Math.max(
    0,
    ...[...new Set(l.placed.map((p) => p.unit))].map((u) => {
      const first = keptOf(
        u.stock,
        l.placed.filter((p) => p.unit === u),
        v,
      )[0]
      return first ? first.widthMm * first.heightMm : 0
    }),
  )
/** A single copy: every unit and angle that costs no more, in its corner. */
function alone(c: Copy, units: Unit[]): Layout[] {
  return units
    .filter((u) => u.unit === 1)
    .flatMap((unit) =>
      allowed(c, unit.stock)
        .filter((b) => b.w <= unit.U + GRAIN && b.h <= unit.V + GRAIN)
        .map((box) => ({ placed: [{ copy: c, unit, x: 0, y: 0, box }], unplaced: [] })),
    )
}

function nestGroup(v: NestInput, g: Group): { layout: Layout; baseline: ReturnType<typeof scoreOf> } {
  const units = inTurn(g.units)
  const order = longestFirst(g.copies)
  const plain = [fill(order, units, v.kerfMm, Shelves), fill(order, units, v.kerfMm, BottomLeft)]
  const baseline = plain.map(scoreOf).reduce((a, b) => (compare(b, a) < 0 ? b : a))
  const candidates = [
    ...plain,
    ...otherOrders(g.copies).map((o) => fill(o, units, v.kerfMm, BottomLeft)),
    ...(g.copies.length === 1 ? alone(g.copies[0]!, units) : []),
    ...(g.copies.length > 1 && isSmall(g.copies) ? [exact(g.copies, units, v.kerfMm)] : []),
  ].map((layout) => ({ layout, score: scoreOf(layout), kept: null as number | null }))
  const keptIn = (c: (typeof candidates)[number]) => (c.kept ??= keptBest(c.layout, v))
  const best = candidates.reduce((a, b) => {
    const by = compare(b.score, a.score)
    return by < 0 || (by === 0 && keptIn(b) > keptIn(a) + GRAIN) ? b : a
  })
  return { layout: best.layout, baseline }
}

function unplacedOf(v: NestInput, groups: Group[], left: Copy[]): Output['unplaced'] {
  return v.parts.flatMap((part) => {
    const count = left.filter((c) => c.part === part).length
    if (!count) return []
    const g = groups.find((x) => x.copies.some((c) => c.part === part))!
    const copy = g.copies.find((c) => c.part === part)!
    const why = !g.units.length
      ? 'no-stock'
      : g.units.some((u) => fitsAlone(copy, u))
        ? 'used-up'
        : 'too-large'
    return [{ part: part.id, count, why } as const]
  })
}
/** No fewer sheets than this: what fits, less all offcuts, over the largest sheet. */
function boundOf(g: Group): number {
  const area = (u: Unit) => u.U * u.V
  const sheet = Math.max(0, ...g.units.filter((u) => u.stock.kind === 'sheet').map(area))
  if (!(sheet > 0)) return 0
  const offcuts = g.units
    .filter((u) => u.stock.kind === 'offcut')
    .reduce((s, u) => s + Math.max(0, area(u)), 0)
  const parts = g.copies
    .filter((c) => g.units.some((u) => fitsAlone(c, u)))
    .reduce((s, c) => s + partArea(c.part), 0)
  return Math.max(0, Math.ceil((parts - offcuts) / sheet - GRAIN))
}

function unitsUsed(v: NestInput, layouts: Layout[]): Output['units'] {
  const placed = layouts.flatMap((l) => l.placed)
  const used = [...new Set(placed.map((p) => p.unit))].sort(
    (a, b) => a.stockIndex - b.stockIndex || a.unit - b.unit,
  )
  return used.map((u) => {
    const mine = placed.filter((p) => p.unit === u)
    const partAreaMm2 = mine.reduce((s, p) => s + partArea(p.copy.part), 0)
    const kept = keptOf(u.stock, mine, v)
    const keptArea = kept.reduce((s, k) => s + k.widthMm * k.heightMm, 0)
    const whole = u.stock.widthMm * u.stock.heightMm
    return {
      stock: u.stock.id,
      unit: u.unit,
      partAreaMm2,
      kept,
      wasteAreaMm2: whole - partAreaMm2 - keptArea,
    }
  })
}

export const nest = defineCalculator({
  name: 'nest',
  title: 'Cutting from sheets and offcuts',
  chapter: '17.1',
  words: ['cut list', 'sheet', 'offcut', 'backing plates', 'nesting', 'layout', 'kerf'],
  input: nestInput,
  output,
  run: (v) => {
    const groups = groupsOf(v)
    const nested = groups.map((g) => nestGroup(v, g))
    const layouts = nested.map((n) => n.layout)
    const scores = layouts.map(scoreOf)
    const units = unitsUsed(v, layouts)
    const sum = (of: (s: ReturnType<typeof scoreOf>) => number, all = scores) =>
      all.reduce((a, s) => a + of(s), 0)
    const baselines = nested.map((n) => n.baseline)
    const partIndex = (p: Part) => v.parts.indexOf(p)
    return {
      placements: layouts
        .flatMap((l) => l.placed)
        .sort((a, b) => partIndex(a.copy.part) - partIndex(b.copy.part) || a.copy.copy - b.copy.copy)
        .map((p) => ({
          part: p.copy.part.id,
          copy: p.copy.copy,
          stock: p.unit.stock.id,
          unit: p.unit.unit,
          xMm: p.x + v.marginMm,
          yMm: p.y + v.marginMm,
          angleDeg: p.box.angleDeg,
        })),
      sheets: sum((s) => s.sheets),
      offcuts: units.length - sum((s) => s.sheets),
      cost: sum((s) => s.cost),
      unplaced: unplacedOf(
        v,
        groups,
        layouts.flatMap((l) => l.unplaced),
      ),
      partAreaMm2: units.reduce((s, u) => s + u.partAreaMm2, 0),
      wasteAreaMm2: units.reduce((s, u) => s + u.wasteAreaMm2, 0),
      units,
      baseline: {
        unplaced: sum((s) => s.unplaced, baselines),
        cost: sum((s) => s.cost, baselines),
        sheets: sum((s) => s.sheets, baselines),
      },
      boundSheets: groups.reduce((s, g) => s + boundOf(g), 0),
    }
  },
})

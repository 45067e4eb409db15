import { boundsOf } from '../../base/geometry/outline'
import { SIZES } from '../../base/materials/fasteners'
import type { Design } from './design'
import type { Judgement } from './judgement'
import { formatLength, type Units } from '../../base/quantity/format'
import { CHECK_BAR_MM, type DrillRow } from '../../drawing/drill'
import { rounded } from './pattern'
import type { Drawing, Pt, Shape } from '../../drawing/shapes'

export type TemplateKind = 'pattern' | 'plate'
const PILOT_MM = 3
const TEXT_MM = 3.5

/** Each hole in the order in which it is drilled (chapter 10.3). */
export function drillSchedule(d: Design, j: Judgement): DrillRow[] {
  const finish = SIZES[d.bolt.size]!.clearanceMm
  const bore = d.core.school === 'bore-fill' ? (j.core?.boreMm ?? null) : null
  return d.bolts.map((b, i) => ({
    bolt: i + 1,
    xMm: b.xMm,
    yMm: b.yMm,
    pilotMm: PILOT_MM,
    boreMm: bore,
    finishMm: finish,
    order: bore
      ? 'pilot, bore over from outside to the inner skin, fill, redrill'
      : d.core.school === 'reef'
        ? 'pilot, drill, hook the core back, fill, redrill'
        : d.core.school === 'insert'
          ? 'after the insert: pilot, drill'
          : 'pilot, drill',
    from: 'outside; back the inside with scrap or tape against the break-through',
  }))
}

const circle = (at: Pt, r: number, role: string): Shape => ({ kind: 'ring', at, r, weight: 'outline', role })
const cross = (at: Pt, r: number): Shape[] => [
  {
    kind: 'path',
    points: [
      { x: at.x - r, y: at.y },
      { x: at.x + r, y: at.y },
    ],
    weight: 'dimension',
    role: 'MARK',
  },
  {
    kind: 'path',
    points: [
      { x: at.x, y: at.y - r },
      { x: at.x, y: at.y + r },
    ],
    weight: 'dimension',
    role: 'MARK',
  },
]
const ring = (n: number, r: number): Pt[] =>
  Array.from({ length: n }, (_, i) => ({
    x: r * Math.cos((2 * Math.PI * i) / n),
    y: r * Math.sin((2 * Math.PI * i) / n),
  }))

/**
 * Full size, mm: what to cut, what to drill, what to mark. `inside` is mirrored, as it is seen from below.
 */
export function templateOf(
  d: Design,
  j: Judgement,
  what: TemplateKind,
  units: Units,
  inside = false,
): Drawing {
  const m = inside ? -1 : 1
  const at = (p: { xMm: number; yMm: number }): Pt => ({ x: p.xMm, y: m * p.yMm + 0 })
  const shapes: Shape[] = []
  const text = (p: Pt, words: string, anchor: 'start' | 'middle' | 'end' = 'middle', size = TEXT_MM) =>
    shapes.push({ kind: 'text', at: p, text: words, size, anchor, role: 'TEXT' })
  const base = boundsOf(
    'diameterMm' in d.base
      ? { diameterMm: d.base.diameterMm }
      : { lengthMm: d.base.lengthMm, widthMm: d.base.widthMm },
  )
  const plate = d.plate
    ? d.plate.outline
      ? d.plate.outline.map(at)
      : rounded(d.plate.lengthMm / 2, d.plate.widthMm / 2, j.plate?.cornerRadiusMm ?? 0)
    : null
  const closed = (ps: Pt[], role: string): Shape => ({
    kind: 'path',
    points: [...ps, ps[0]!],
    weight: 'outline',
    role,
  })
  if (what === 'plate' && plate) {
    shapes.push(closed(plate, 'CUT'))
    const bevel = j.plate?.bevelMm ?? 0
    if (bevel > 0 && d.plate && !d.plate.outline)
      shapes.push({
        kind: 'path',
        points: [
          ...rounded(
            d.plate.lengthMm / 2 - bevel,
            d.plate.widthMm / 2 - bevel,
            Math.max(1, (j.plate?.cornerRadiusMm ?? 0) - bevel),
          ),
          { x: d.plate.lengthMm / 2 - bevel, y: 0 },
        ],
        weight: 'hidden',
        role: 'MARK',
      })
  } else {
    shapes.push(
      closed(
        'diameterMm' in d.base
          ? ring(96, d.base.diameterMm / 2)
          : [
              { x: base.minX, y: base.minY },
              { x: base.maxX, y: base.minY },
              { x: base.maxX, y: base.maxY },
              { x: base.minX, y: base.maxY },
            ],
        'MARK',
      ),
    )
    if (d.core.school === 'insert') {
      const i = d.core.insert ?? { lengthMm: base.maxX - base.minX + 40, widthMm: base.maxY - base.minY + 40 }
      shapes.push(closed(rounded(i.lengthMm / 2, i.widthMm / 2, 10), 'CUT'))
    }
  }
  for (const r of drillSchedule(d, j)) {
    const p = at(r)
    shapes.push(
      circle(p, r.finishMm / 2, 'DRILL'),
      circle(p, r.pilotMm / 2, 'DRILL'),
      ...cross(p, Math.max(r.finishMm, 8)),
    )
    if (what === 'pattern' && r.boreMm) shapes.push(circle(p, r.boreMm / 2, 'DRILL'))
    const words =
      what === 'pattern' && r.boreMm
        ? `${r.bolt}: \u00f8${r.pilotMm}, \u00f8${formatLength(r.boreMm, units)}, \u00f8${formatLength(r.finishMm, units)}`
        : `${r.bolt}: \u00f8${r.pilotMm}, \u00f8${formatLength(r.finishMm, units)}`
    text({ x: p.x, y: p.y - Math.max(r.boreMm ?? 0, r.finishMm) / 2 - TEXT_MM * 1.3 }, words)
  }
  if (d.pipeMm) shapes.push(circle({ x: 0, y: 0 }, d.pipeMm / 2, 'CUT'))
  const b =
    plate && what === 'plate'
      ? {
          minX: Math.min(...plate.map((p) => p.x)),
          maxX: Math.max(...plate.map((p) => p.x)),
          minY: Math.min(...plate.map((p) => p.y)),
          maxY: Math.max(...plate.map((p) => p.y)),
        }
      : { ...base }
  for (const s of shapes)
    if (s.kind === 'path')
      for (const p of s.points) {
        b.minX = Math.min(b.minX, p.x)
        b.maxX = Math.max(b.maxX, p.x)
        b.minY = Math.min(b.minY, p.y)
        b.maxY = Math.max(b.maxY, p.y)
      }
  const top = b.maxY + 12
  shapes.push(
    {
      kind: 'path',
      points: [
        { x: b.minX + 34, y: top },
        { x: b.minX, y: top },
        { x: b.minX + 6, y: top + 3 },
      ],
      weight: 'outline',
      role: 'MARK',
    },
    {
      kind: 'path',
      points: [
        { x: b.minX, y: top },
        { x: b.minX + 6, y: top - 3 },
      ],
      weight: 'outline',
      role: 'MARK',
    },
  )
  text(
    { x: b.minX + 38, y: top - 1.2 },
    inside ? 'bow; seen from inside, mirrored' : 'bow; seen from outside',
    'start',
  )
  text(
    { x: b.minX, y: top + 8 },
    `${d.name}: ${what === 'plate' ? `backing plate ${d.plate ? formatLength(d.plate.thicknessMm, units) : ''}` : 'drilling pattern'}`,
    'start',
    TEXT_MM * 1.25,
  )
  const y = b.minY - 14
  shapes.push(
    {
      kind: 'path',
      points: [
        { x: b.minX, y },
        { x: b.minX + CHECK_BAR_MM, y },
      ],
      weight: 'outline',
      role: 'MARK',
    },
    ...[0, 50, 100].map((x): Shape => ({
      kind: 'path',
      points: [
        { x: b.minX + x, y: y - 2.5 },
        { x: b.minX + x, y: y + 2.5 },
      ],
      weight: 'outline',
      role: 'MARK',
    })),
  )
  text({ x: b.minX + CHECK_BAR_MM + 4, y: y - 1.2 }, '100 mm: lay a rule on it before use', 'start')
  return {
    title: `${d.name}, ${what} at full size`,
    description: `${d.bolts.length} holes at 1:1.`,
    shapes,
    legend: [],
    textMm: TEXT_MM,
    scaleBarMm: CHECK_BAR_MM,
    bounds: {
      minX: b.minX - 8,
      maxX: Math.max(b.maxX + 8, b.minX + CHECK_BAR_MM + 75),
      minY: y - 8,
      maxY: top + 16,
    },
  }
}

/** How many plates one stock sheet gives, kerf and margin taken off, whichever way they lie. */
export function nestCount(
  plate: { lengthMm: number; widthMm: number },
  sheet: { lengthMm: number; widthMm: number },
  kerfMm = 5,
  marginMm = 5,
): number {
  const along = (room: number, size: number) =>
    Math.max(0, Math.floor((room - 2 * marginMm + kerfMm) / (size + kerfMm)))
  const way = (l: number, w: number) => along(sheet.lengthMm, l) * along(sheet.widthMm, w)
  return Math.max(way(plate.lengthMm, plate.widthMm), way(plate.widthMm, plate.lengthMm))
}
export const STOCK_SHEETS = [
  { title: '600 \u00d7 300', lengthMm: 600, widthMm: 300 },
  { title: '1000 \u00d7 500', lengthMm: 1000, widthMm: 500 },
  { title: '2440 \u00d7 1220', lengthMm: 2440, widthMm: 1220 },
]

import { glandCornersMm } from '../../chapters/making/gland'
import { formatLength, type Units } from '../../base/quantity/format'
import { fullThickness } from '../../base/materials/structure'
import { niceLength, type Drawing, type Shape } from '../../drawing/shapes'
import type { OpeningDesign } from './design'
import type { Glanded } from './judgement'
import { legendOf, penOf, type Pen } from '../../drawing/section-pen'

type One = Glanded['glands'][number]

/** Cables side by side in their gland: one in the middle, more on a ring. */
function cableDiscs(d: OpeningDesign, g: One, i: number): Shape[] {
  const own = d.gland!.glands[i]!
  const n = own.cables.length
  const r = n === 1 ? 0 : g.holeMm / 4
  return own.cables.map((c, k) => {
    const a = (2 * Math.PI * k) / n
    return {
      kind: 'disc',
      at: { x: own.yMm + r * Math.cos(a), y: own.zMm + r * Math.sin(a) },
      r: Math.min(c.odMm / 2, n === 1 ? g.holeMm / 2 : g.holeMm / 4),
      tone: 'bolt',
      role: 'cables',
      label: c.name,
    }
  })
}
/** One gland from outside: its nut, its hole, the bore round it, its cables. */
function glandShapes(
  d: OpeningDesign,
  g: One,
  i: number,
  { wide, textMm }: { wide: number; textMm: number },
): Shape[] {
  const { glands } = d.gland!

  const at = { x: glands[i]!.yMm, y: glands[i]!.zMm }
  return [
    {
      kind: 'disc',
      at,
      r: glandCornersMm(g.size) / 2,
      tone: 'hardware',
      role: 'gland',
      label: `gland ${i + 1}`,
    },
    { kind: 'ring', at, r: g.holeMm / 2, weight: 'outline', role: 'hole' },
    ...(g.boreMm === null
      ? []
      : [{ kind: 'ring' as const, at, r: g.boreMm / 2, weight: 'hidden' as const, role: 'bore' }]),
    ...cableDiscs(d, g, i),
    {
      kind: 'text',
      at: { x: at.x, y: at.y + wide * 0.72 },
      text: `${glands.length > 1 ? `${i + 1}: ` : ''}${g.size}`,
      size: textMm,
      anchor: 'middle',
    },
  ]
}
/** The bulkhead from aft, starboard right and up up: nut, hole, bore, cables, and the flood line. */
export function glandPlan(d: OpeningDesign, all: Glanded, units: Units): Drawing {
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  const glands = d.gland!.glands
  const wide = Math.max(...all.glands.map((g) => Math.max(glandCornersMm(g.size), g.boreMm ?? 0)))
  const xs = glands.map((g) => g.yMm)
  const ys = glands.map((g) => g.zMm)
  const flood = d.gland!.floodZMm === null ? null : d.gland!.floodZMm - d.place.zMm
  const near = flood !== null && Math.min(...ys) - flood < 6 * wide
  const box = {
    minX: Math.min(...xs) - 1.6 * wide,
    maxX: Math.max(...xs) + 1.6 * wide,
    minY: Math.min(...ys, near ? flood : Infinity) - 1.1 * wide,
    maxY: Math.max(...ys) + 2 * wide,
  }
  const textMm = Math.max((box.maxX - box.minX) / 26, (box.maxY - box.minY) / 18)
  const shapes = all.glands.flatMap((g, i) => glandShapes(d, g, i, { wide, textMm }))
  if (near)
    shapes.push(
      {
        kind: 'path',
        points: [
          { x: box.minX, y: flood },
          { x: box.maxX, y: flood },
        ],
        weight: 'load',
        role: 'flood',
      },
      {
        kind: 'text',
        at: { x: box.minX, y: flood - 1.3 * textMm },
        text: 'floods to here',
        size: textMm,
        anchor: 'start',
      },
    )
  const bored = all.glands.some((g) => g.boreMm !== null) ? ' Dashed: bored over and lined.' : ''
  return {
    title: `On the bulkhead, from aft; starboard right, up up.${bored}`,
    description: all.glands.map((g, i) => `gland ${i + 1}, ${g.size}, hole ${mm(g.holeMm)}`).join('; '),
    bounds: box,
    shapes,
    legend: [],
    textMm,
    scaleBarMm: niceLength((box.maxX - box.minX) / 4, units),
  }
}

const NUT_MM = 6
const HEAD_MM = 14
const CABLE_MM = 34
/** Body, nut and sealing ring of one gland on a bulkhead that lies flat in the picture. */
function gland(p: Pen, d: OpeningDesign, g: One, thick: number): void {
  const [hole, nut] = [g.holeMm / 2, glandCornersMm(g.size) / 2]
  p.area(-hole, -thick, hole, 0, 'hardware', 'gland', 'body of the gland')
  p.area(-nut, 1.5, nut, HEAD_MM, 'hardware', 'gland', 'head, with the insert')
  p.area(-nut, 0, nut, 1.5, 'bedding', 'ring', 'sealing ring')
  p.area(-nut, -thick - NUT_MM, nut, -thick, 'hardware', 'nut', 'lock nut')
  const own = d.gland!.glands[0]!.cables
  const r = Math.min(hole * 0.8, (own[0]?.odMm ?? 6) / 2)
  p.area(-r, -thick - CABLE_MM, r, HEAD_MM + CABLE_MM / 2, 'plastic', 'cables', own[0]?.name ?? 'cable')
}
/** The cut through the first gland, to scale: bulkhead, the epoxy that lines its hole, body, nut, cable. */
export function glandCut(d: OpeningDesign, all: Glanded, units: Units): Drawing {
  const p = penOf()
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  const g = all.glands[0]!
  const thick = fullThickness(d.structure)
  const bore = (g.boreMm ?? g.holeMm) / 2
  const far = Math.max(bore, glandCornersMm(g.size) / 2) + 24
  const tone = d.structure.kind === 'timber' ? 'plywood' : d.structure.kind === 'metal' ? 'metal' : 'laminate'
  for (const side of [-1, 1]) {
    const [a, b] = [side * bore, side * far].sort((x, y) => x - y) as [number, number]
    p.area(a, -thick, b, 0, tone, 'structure', 'bulkhead')
    if (g.boreMm === null) continue
    const [c, e] = [(side * g.holeMm) / 2, side * bore].sort((x, y) => x - y) as [number, number]
    p.area(c, -thick, e, 0, 'filled-epoxy', 'bore', 'epoxy lining')
  }
  gland(p, d, g, thick)
  const textMm = Math.max(2.6, (2 * far) / 26)
  p.words(far + textMm * 0.6, -thick / 2, `bulkhead ${mm(thick)}`, textMm)
  const hole = `hole ${mm(g.holeMm)}${g.boreMm === null ? '' : ` in a bore of ${mm(g.boreMm)}`}`
  p.words(glandCornersMm(g.size) / 2 + textMm, HEAD_MM, hole, textMm)
  return {
    title: 'Cut through the bulkhead, the side that stays dry up',
    description: `${d.name}: ${hole}, through ${mm(thick)}.`,
    bounds: {
      minX: -far - 4,
      maxX: far + textMm * 12,
      minY: -thick - CABLE_MM - textMm,
      maxY: HEAD_MM + CABLE_MM / 2 + textMm,
    },
    shapes: p.shapes,
    legend: legendOf(p.shapes),
    textMm,
    scaleBarMm: niceLength(far / 2, units),
  }
}

import { roundAt } from '../../base/geometry/hull'
import { formatLength, type Units } from '../../base/quantity/format'
import { legendOf, penOf, type Pen } from '../../drawing/section-pen'
import {
  niceLength,
  type Drawing,
  type Handle,
  type MaterialTone,
  type Pt,
  type Shape,
} from '../../drawing/shapes'
import type { ClosureDesign } from './design'
import { layupSaid } from './judge'
import type { ClosureJudgement } from './judgement'
import type { Patch, SkinPatch } from './patches'

const close = (ps: Pt[]): Pt[] => [...ps, ps[0]!]
const path = (points: Pt[], weight: 'outline' | 'hidden' | 'dimension', role: string): Shape => ({
  kind: 'path',
  points: close(points),
  weight,
  role,
})
const round = (v: number) => Math.round(v * 10) / 10
/** Lines of plies that are shown of a skin: all of few, the first and the last of many. */
function shownPlies(s: SkinPatch): number[] {
  const own = s.plies.filter((p) => p.side === 'outside').map((p) => p.diameterMm)
  const most = 12
  if (own.length <= most) return own
  const step = own.length / most
  return Array.from({ length: most }, (_, i) => own[Math.floor(i * step)]!)
}

/** Each hole with its number. */
const holesDrawn = (d: ClosureDesign, j: ClosureJudgement, textMm: number): Shape[] =>
  d.holes.flatMap((h, i): Shape[] => {
    const patch = j.patches.find((p) => p.holes.includes(i))!
    // Beside what is ground round one hole; in a patch of many there is no other place than at the hole.
    const past = patch.holes.length === 1 ? patch.reachMm : 0
    const at = { x: h.dxMm, y: h.dyMm }
    const role = `holes.${i}`
    return [
      { kind: 'disc', at, r: h.holeMm / 2, tone: 'none', role, label: h.label ?? `hole ${i + 1}` },
      { kind: 'ring', at, r: h.holeMm / 2, weight: 'outline', role },
      {
        kind: 'text',
        at: { x: h.dxMm, y: h.dyMm + h.holeMm / 2 + past + textMm * 0.4 },
        text: h.label ?? `${i + 1}`,
        size: textMm,
        anchor: 'middle',
        role,
      },
    ]
  })

/** Every hole of the job with what is ground round it, x aft and to the right. */
export function closurePlan(d: ClosureDesign, j: ClosureJudgement, units: Units): Drawing {
  const shapes: Shape[] = []
  const mm = (v: number) => formatLength(round(v), units)
  const points: Pt[] = []
  for (const p of j.patches) {
    const ground = roundAt(p.corners, p.holeMm / 2 + p.reachMm)
    points.push(...ground)
    if (p.reachMm > 0) {
      shapes.push({ kind: 'area', points: ground, tone: 'laminate', role: 'ratio', label: 'ground' })
      shapes.push(path(ground, 'outline', 'ratio'))
      for (const s of p.skins.slice(0, 1))
        for (const ply of shownPlies(s)) shapes.push(path(roundAt(p.corners, ply / 2), 'hidden', 'cloth'))
    }
  }
  const xs = points.map((p) => p.x)
  const ys = points.map((p) => p.y)
  const b = { minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) }
  const size = Math.max(b.maxX - b.minX, 0.55 * (b.maxX - b.minX), b.maxY - b.minY, 60)
  const textMm = size / 34
  shapes.push(...holesDrawn(d, j, textMm))
  const first = j.patches[0]!
  shapes.push({
    kind: 'text',
    at: { x: (b.minX + b.maxX) / 2, y: b.minY - 1.6 * textMm },
    text:
      first.reachMm > 0
        ? `ground ${mm(first.groundMm)} across, ${mm(first.reachMm)} past the hole`
        : `filled, ${mm(first.holeMm)} across`,
    size: textMm,
    anchor: 'middle',
    weight: 'strong',
  })
  const pad = 2.6 * textMm
  return {
    title: `${j.patches.length === 1 ? 'one patch' : `${j.patches.length} patches`}, seen from outside; bow to the left`,
    description: `${d.holes.length} holes in ${j.patches.length} patches.`,
    bounds: { minX: b.minX - pad, maxX: b.maxX + pad, minY: b.minY - pad, maxY: b.maxY + pad },
    shapes,
    legend: [],
    textMm,
    scaleBarMm: niceLength(size / 4),
    handles: d.holes.length === 1 ? [handleOf(d)] : [],
  }
}
const handleOf = (d: ClosureDesign): Handle => ({
  path: 'holes.0.holeMm',
  label: 'hole across',
  at: { x: d.holes[0]!.dxMm + d.holes[0]!.holeMm / 2, y: d.holes[0]!.dyMm },
  axis: 'x',
  value: d.holes[0]!.holeMm,
  per: 2,
  leastMm: 1,
})

/** Heights are drawn so much larger than widths: a bevel of twelve to one is a line otherwise. */
export const STRETCH = 4
const CORE_TONE: Record<string, MaterialTone> = { 'balsa-150': 'balsa', plywood: 'plywood' }
const panelTone = (d: ClosureDesign): MaterialTone =>
  d.structure.kind === 'metal' ? 'metal' : d.structure.kind === 'timber' ? 'timber' : 'laminate'

/** One face of a skin: the panel beside the bevel, and the plies in it. `up`: the wide side lies above. */
function bevelled(
  p: Pen,
  s: SkinPatch,
  o: { low: number; high: number; far: number; up: boolean; tone: MaterialTone; side: 'outside' | 'inside' },
): void {
  const plies = s.plies.filter((x) => x.side === o.side).map((x) => x.diameterMm / 2)
  const own = [...plies].sort((a, b) => a - b)
  const y = (share: number) => (o.up ? o.low + share * (o.high - o.low) : o.high - share * (o.high - o.low))
  const [r0, r1] = [s.holeMm / 2, own.at(-1) ?? s.holeMm / 2]
  for (const m of [-1, 1]) {
    p.shapes.push({
      kind: 'area',
      points: [
        { x: m * r0, y: y(0) },
        { x: m * r1, y: y(1) },
        { x: m * o.far, y: y(1) },
        { x: m * o.far, y: y(0) },
      ],
      tone: o.tone,
      role: 'structure',
      label: s.title,
    })
  }
  const n = own.length
  own.forEach((r, i) => {
    const below = i === 0 ? r0 : own[i - 1]!
    p.shapes.push({
      kind: 'area',
      points: [
        { x: -below, y: y(i / n) },
        { x: -r, y: y((i + 1) / n) },
        { x: r, y: y((i + 1) / n) },
        { x: below, y: y(i / n) },
      ],
      tone: 'epoxy-glass',
      role: 'cloth',
      label: `ply ${i + 1}, ${Math.round(2 * r)} mm`,
    })
  })
}
/** A skin between two heights, bevelled from one side or from both. */
function layer(
  p: Pen,
  d: ClosureDesign,
  s: SkinPatch,
  o: { low: number; high: number; far: number; up: boolean },
): void {
  const tone = panelTone(d)
  if (!s.plies.some((x) => x.side === 'inside')) return bevelled(p, s, { ...o, tone, side: 'outside' })
  const half = (o.low + o.high) / 2
  bevelled(p, s, { low: half, high: o.high, far: o.far, up: true, tone, side: 'outside' })
  bevelled(p, s, { low: o.low, high: half, far: o.far, up: false, tone, side: 'inside' })
}
function filledCut(p: Pen, d: ClosureDesign, r: number, all: number, far: number): void {
  for (const m of [-1, 1])
    p.area(m === -1 ? -far : r, -all, m === -1 ? -r : far, 0, panelTone(d), 'structure', 'panel')
  p.area(-r, -all, r, 0, 'filled-epoxy', 'way', 'thickened epoxy')
}
function backing(p: Pen, s: SkinPatch, y: number, down: boolean): void {
  if (s.backingDiscMm === null) return
  const t = STRETCH * s.plyMm
  p.area(
    -s.backingDiscMm / 2,
    down ? y - t : y,
    s.backingDiscMm / 2,
    down ? y : y + t,
    'epoxy-glass',
    'access',
    'backing disc',
  )
}
function sandwichCut(p: Pen, d: ClosureDesign, patch: Patch, far: number): number {
  const s = d.structure
  if (s.kind !== 'sandwich') return 0
  const [o, c, i] = [s.outerMm, s.core.thicknessMm, s.innerMm].map((v) => STRETCH * v) as [
    number,
    number,
    number,
  ]
  const outer = patch.skins.find((x) => x.id === 'outer')!
  const inner = patch.skins.find((x) => x.id === 'inner')!
  const plug = Math.max(outer.holeMm, inner.holeMm) / 2
  layer(p, d, outer, { low: -o, high: 0, far, up: d.access !== 'inside' })
  for (const m of [-1, 1])
    p.area(
      m === -1 ? -far : plug,
      -o - c,
      m === -1 ? -plug : far,
      -o,
      CORE_TONE[s.core.material] ?? 'foam',
      'coreState',
      'core',
    )
  p.area(-plug, -o - c, plug, -o, 'filled-epoxy', 'coreState', 'solid between the skins')
  layer(p, d, inner, { low: -o - c - i, high: -o - c, far, up: d.access === 'outside' })
  if (d.access === 'outside') backing(p, inner, -o - c - i, true)
  if (d.access === 'inside') backing(p, outer, 0, false)
  return o + c + i
}

/** Short enough to stand under the picture. */
function twoLines(said: string): string[] {
  const at = said.indexOf(', ', Math.floor(said.length / 3))
  return at < 0 ? [said] : [`${said.slice(0, at)},`, said.slice(at + 2)]
}
/** Through the middle of the patch with most holes, at its largest hole; heights stretched, and said so. */
export function closureCut(d: ClosureDesign, j: ClosureJudgement, units: Units): Drawing {
  const patch = j.patches[0]!
  const mm = (v: number) => formatLength(round(v), units)
  const p = penOf()
  const wide = Math.max(patch.holeMm, ...patch.skins.map((s) => Math.max(s.groundMm, s.backingDiscMm ?? 0)))
  const far = wide / 2 + Math.max(20, wide * 0.12)
  const s = d.structure
  let all: number
  if (patch.skins.length === 0) {
    all = STRETCH * (s.kind === 'sandwich' ? s.outerMm + s.core.thicknessMm + s.innerMm : s.thicknessMm)
    filledCut(p, d, patch.holeMm / 2, all, far)
  } else if (s.kind === 'sandwich') all = sandwichCut(p, d, patch, far)
  else {
    all = STRETCH * s.thicknessMm
    const whole = patch.skins[0]!
    layer(p, d, whole, { low: -all, high: 0, far, up: d.access !== 'inside' })
    if (d.access !== 'both') backing(p, whole, d.access === 'inside' ? 0 : -all, d.access !== 'inside')
  }
  const textMm = (2 * far) / 34
  const words = patch.skins.length
    ? patch.skins.flatMap((x) => twoLines(layupSaid(d, j.ratio, x, mm)))
    : [`filled flush with thickened epoxy, ${mm(patch.holeMm)} across`]
  words.forEach((w, i) =>
    p.shapes.push({
      kind: 'text',
      at: { x: 0, y: -all - (i + 1.9) * 1.5 * textMm },
      text: w,
      size: textMm,
      anchor: 'middle',
    }),
  )
  p.shapes.push({
    kind: 'text',
    at: { x: far, y: 1.1 * textMm },
    text: 'outside',
    size: textMm,
    anchor: 'end',
  })
  return {
    title: `through the middle; heights are drawn ${STRETCH} times as large as widths`,
    description: words.join(' '),
    bounds: {
      minX: -far - textMm,
      maxX: far + textMm,
      minY: -all - (words.length + 2.4) * 1.5 * textMm,
      maxY: 3 * textMm,
    },
    shapes: p.shapes,
    legend: legendOf(p.shapes),
    textMm,
    scaleBarMm: niceLength(far / 3),
  }
}

import type { nest } from '../chapters/stores/nest'
import { rect, type Drawing, type Pt, type Shape } from '../drawing/shapes'
import { PLATES } from '../base/materials/plates'
import { formatLength, type Units } from '../base/quantity/format'
import type { Part } from '../kinds/part'
import type { PlanJob } from './plan-types'

/** What of the open work is cut from sheet, and from which sheet or offcut (chapter 17.1). */
type Input = Parameters<typeof nest.run>[0]
type Output = ReturnType<typeof nest.run>
export interface SheetOnHand {
  id: number
  kind: 'sheet' | 'offcut'
  material: string
  thicknessMm: number
  widthMm: number
  heightMm: number
  grain: 'none' | 'x' | 'y'
  count: number
  whereItIs: string
}
export const KERF_MM = 5
const KEYS = ['backing-plate', 'pad', 'doubler', 'pane']
/** A piece that is cut from sheet, not bought by the piece. */
export const isCut = (p: Part) =>
  p.material !== null &&
  p.unit === 'piece' &&
  p.dimensions.thicknessMm !== undefined &&
  (KEYS.includes(p.key) || p.key.startsWith('solid-'))
/** A metal of the boat is the same metal as a sheet, under the sheet’s name. */
const SHEET_OF: Record<string, string> = { 'aluminium-5083': 'al-5083', 'aluminium-6061': 'al-6061' }
/** A sheet’s material in words. */
export const sheetSaid = (id: string): string =>
  (PLATES as Record<string, { title: string }>)[id]?.title ?? id.replaceAll('-', ' ')
export interface Cut {
  id: string
  fittingId: string
  kind: string
  fitting: string
  title: string
  material: string
  thicknessMm: number
  count: number
  widthMm: number
  heightMm: number
  round: boolean
}
/** Every piece of sheet that open work wants: plates, pads, doublers, panes. */
export function cutsOf(jobs: (PlanJob & { parts: Part[] })[]): Cut[] {
  return jobs.flatMap((j) =>
    j.parts.filter(isCut).flatMap((p, i): Cut[] => {
      const { lengthMm, widthMm, diameterMm, thicknessMm } = p.dimensions
      const round = diameterMm !== undefined
      if (!round && (lengthMm === undefined || widthMm === undefined)) return []
      return [
        {
          id: `${j.fittingId} ${p.key} ${i}`,
          fittingId: j.fittingId,
          kind: j.kind,
          fitting: j.name,
          title: p.title,
          material: SHEET_OF[p.material!] ?? p.material!,
          thicknessMm: thicknessMm!,
          count: Math.max(1, p.quantity ?? 1),
          widthMm: round ? diameterMm : lengthMm!,
          heightMm: round ? diameterMm : widthMm!,
          round,
        },
      ]
    }),
  )
}
export const cutQuestion = (cuts: Cut[], stock: SheetOnHand[]): Input =>
  ({
    parts: cuts.map((c) => ({
      id: c.id,
      material: c.material,
      thicknessMm: c.thicknessMm,
      count: c.count,
      ...(c.round
        ? { shape: 'circle', diameterMm: c.widthMm }
        : { shape: 'rect', widthMm: c.widthMm, heightMm: c.heightMm }),
    })),
    stock: stock
      .filter((s) => s.count > 0)
      .map((s) => ({
        id: String(s.id),
        kind: s.kind,
        material: s.material,
        thicknessMm: s.thicknessMm,
        widthMm: s.widthMm,
        heightMm: s.heightMm,
        grain: s.grain,
        count: s.count,
      })),
    kerfMm: KERF_MM,
    marginMm: KERF_MM,
  }) as Input

export interface CutSheet {
  stock: SheetOnHand
  /** of equal ones, from 1 */
  unit: number
  places: { cut: Cut; copy: number; xMm: number; yMm: number; turned: boolean }[]
  kept: { xMm: number; yMm: number; widthMm: number; heightMm: number }[]
  usedMm2: number
  wasteMm2: number
}
export interface CutPlan {
  sheets: CutSheet[]
  unplaced: { cut: Cut; count: number; why: string }[]
  /** fewest sheets that the area alone would ask for */
  boundSheets: number
  sheetsUsed: number
  offcutsUsed: number
}
const WHY: Record<string, string> = {
  'no-stock': 'no sheet of this material and thickness is here',
  'too-large': 'larger than any sheet of its kind here',
  'used-up': 'the sheets of its kind are used up',
}
export function cutAnswer(cuts: Cut[], stock: SheetOnHand[], out: Output): CutPlan {
  const cut = new Map(cuts.map((c) => [c.id, c]))
  const sheet = new Map(stock.map((s) => [String(s.id), s]))
  return {
    sheets: out.units.map((u) => ({
      stock: sheet.get(u.stock)!,
      unit: u.unit,
      places: out.placements
        .filter((p) => p.stock === u.stock && p.unit === u.unit)
        .map((p) => ({
          cut: cut.get(p.part)!,
          copy: p.copy,
          xMm: p.xMm,
          yMm: p.yMm,
          turned: p.angleDeg % 180 === 90,
        })),
      kept: u.kept,
      usedMm2: u.partAreaMm2,
      wasteMm2: u.wasteAreaMm2,
    })),
    unplaced: out.unplaced.map((u) => ({ cut: cut.get(u.part)!, count: u.count, why: WHY[u.why] ?? u.why })),
    boundSheets: out.boundSheets,
    sheetsUsed: out.sheets,
    offcutsUsed: out.offcuts,
  }
}
const toneOf = (material: string) => {
  if (/g10|glass/.test(material)) return 'epoxy-glass' as const
  if (/ply/.test(material)) return 'plywood' as const
  return /acrylic|carbonate|poly/.test(material) ? ('plastic' as const) : ('metal' as const)
}
/** Width of a letter, of its height. */
const LETTER = 0.62
/** A sheet as it is cut: each piece with its number, and what is kept of the rest, dashed. */
export function cutDrawing(s: CutSheet, units: Units): Drawing {
  const { widthMm: w, heightMm: h } = s.stock
  const text = Math.max(w, h) / 42
  const edge = rect(0, 0, w, h)
  const shapes: Shape[] = [{ kind: 'path', points: [...edge, edge[0]!], weight: 'outline', role: 'sheet' }]
  s.places.forEach((p, i) => {
    const [pw, ph] = p.turned ? [p.cut.heightMm, p.cut.widthMm] : [p.cut.widthMm, p.cut.heightMm]
    const mid: Pt = { x: p.xMm + pw / 2, y: p.yMm + ph / 2 }
    const tone = toneOf(s.stock.material)
    if (p.cut.round) shapes.push({ kind: 'disc', at: mid, r: pw / 2, tone, role: 'piece' })
    else
      shapes.push({ kind: 'area', points: rect(p.xMm, p.yMm, p.xMm + pw, p.yMm + ph), tone, role: 'piece' })
    const size = p.cut.round
      ? `${formatLength(pw, units)} round`
      : `${formatLength(pw, units)} by ${formatLength(ph, units)}`
    const words = `${i + 1}: ${size}`
    shapes.push({
      kind: 'text',
      at: { x: mid.x, y: mid.y - text / 3 },
      // What does not fit into the piece stands in the list, under its number.
      text: words.length * LETTER * text < pw ? words : `${i + 1}`,
      size: text,
      anchor: 'middle',
      weight: 'strong',
    })
  })
  for (const k of s.kept) {
    const r = rect(k.xMm, k.yMm, k.xMm + k.widthMm, k.yMm + k.heightMm)
    shapes.push({ kind: 'path', points: [...r, r[0]!], weight: 'hidden', role: 'kept' })
    shapes.push({
      kind: 'text',
      at: { x: k.xMm + k.widthMm / 2, y: k.yMm + k.heightMm / 2 },
      text: `keep ${formatLength(k.widthMm, units)} by ${formatLength(k.heightMm, units)}`,
      size: text,
      anchor: 'middle',
    })
  }
  const what = `${sheetSaid(s.stock.material)} ${formatLength(s.stock.thicknessMm, units)}`
  return {
    title: `${what}, ${s.stock.kind} ${formatLength(w, units)} by ${formatLength(h, units)}`,
    description: `${s.places.length} ${s.places.length === 1 ? 'piece' : 'pieces'}, ${KERF_MM} mm between them and from the edge.`,
    bounds: { minX: -text, maxX: w + text, minY: -text, maxY: h + 3 * text },
    shapes,
    legend: [],
    textMm: text,
    scaleBarMm: w > 700 ? 200 : 100,
  }
}

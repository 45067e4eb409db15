import { rect } from '../../drawing/shapes'
import { bodyOutline } from './body-outline'
import type { Design } from './design'
import { deckLayers, PLATE_TONE, type SectionPen } from './section-pen'

/** The fitting, its bedding, and pads under single bolts. */
export function drawBase(p: SectionPen): void {
  const { d, half, bead, baseTop, xs } = p
  p.area(bodyOutline(d, half, baseTop), 'hardware', 'base', 'the fitting')
  p.area(rect(-half, bead, half, baseTop), 'hardware', 'base.thicknessMm', 'base')
  p.area(rect(-half, 0, half, bead), 'bedding', 'bedding', 'bedding')
  for (const x of xs) {
    const bolt = d.bolts.findIndex((q) => q.xMm === x && Math.abs(q.yMm - p.cutY) < 0.5)
    const pad = d.padsMm[bolt] ?? 0
    if (pad > 0) p.text({ x, y: baseTop + p.textMm * 0.4 }, `pad ${p.mm(pad)}`, 'middle', { role: 'padsMm' })
  }
}

function drawDoubler(p: SectionPen, doubler: NonNullable<Design['doubler']>): number {
  const half = Math.min(p.deckHalf, doubler.lengthMm / 2)
  const low = -p.T(doubler.thicknessMm)
  p.area(rect(-half, low, half, 0), 'metal', 'doubler.thicknessMm', 'doubler')
  for (const k of [-1, 1])
    if (half < p.deckHalf)
      p.area(
        [
          { x: k * half, y: low },
          { x: k * (half + doubler.weldMm), y: low },
          { x: k * half, y: 0 },
        ],
        'bolt',
        'doubler.weldMm',
        'weld',
      )
  p.labelled.push({
    y: low / 2,
    fromX: -half,
    layer: {
      name: 'doubler',
      role: 'doubler.thicknessMm',
      thicknessMm: doubler.thicknessMm,
      tone: 'metal',
      estimated: false,
    },
  })
  return low
}

/** The deck from above: a doubler on metal, then its layers, each with a handle on its lower edge. */
export function drawDeck(p: SectionPen): void {
  const { d, deckHalf } = p
  let y = d.doubler && d.structure.kind === 'metal' ? drawDoubler(p, d.doubler) : 0
  for (const layer of deckLayers(d)) {
    const t = p.T(layer.thicknessMm)
    p.area(rect(-deckHalf, y - t, deckHalf, y), layer.tone, layer.role, layer.name)
    p.labelled.push({ y: y - t / 2, fromX: -deckHalf, layer })
    y -= t
    p.handles.push({
      path: layer.role,
      label: `lower edge of the ${layer.name}`,
      at: { x: deckHalf * 0.93, y },
      axis: 'y',
      value: layer.thicknessMm,
      per: -1,
      leastMm: 0.5,
    })
  }
  p.under = y
}

/** What was done to the core round the bolts. */
export function drawCore(p: SectionPen): void {
  const { d, j, xs, size } = p
  const s = d.structure
  if (s.kind !== 'sandwich' || !j.core) return
  const top = -p.T(s.outerMm)
  const bottom = top - p.T(s.core.thicknessMm)
  const bore = d.core.school === 'bore-fill' ? j.core.boreMm : null
  if (d.core.school === 'insert') {
    const half = Math.min(p.deckHalf, p.half + 20)
    p.area(rect(-half, bottom, half, top), 'insert', 'core', 'insert')
  }
  if (bore)
    p.handles.push({
      path: 'core.boreMm',
      label: 'wall of the bore',
      at: { x: xs[0]! - bore / 2, y: (top + bottom) / 2 },
      axis: 'x',
      value: bore,
      per: -2,
      leastMm: size.clearanceMm + 1,
    })
  for (const x of xs) {
    if (bore) p.area(rect(x - bore / 2, bottom, x + bore / 2, 0), 'filled-epoxy', 'core', 'filled epoxy plug')
    if (d.core.school === 'reef' && j.core.undercutMm) {
      const r = size.clearanceMm / 2 + j.core.undercutMm
      p.area(rect(x - r, bottom, x + r, top), 'filled-epoxy', 'core', 'filled epoxy')
    }
  }
}

/** Filler bed and backing plate, bevelled at its lower edge. */
export function drawPlate(p: SectionPen): void {
  const { plate } = p.d
  if (!plate) return
  const half = p.plateHalf
  if (plate.bedGapMm > 0) {
    const low = p.under - p.T(plate.bedGapMm)
    p.area(rect(-half, low, half, p.under), 'filled-epoxy', 'plate.bedGapMm', 'filler bed')
    p.under = low
  }
  const top = p.under
  const bevel = Math.min(p.j.plate?.bevelMm ?? 0, plate.thicknessMm, half / 3)
  const low = top - p.T(plate.thicknessMm)
  const mid = (top + low) / 2
  if (plate.sheets === 2) p.line(-half, mid, half, mid)
  p.handles.push(
    {
      path: 'plate.thicknessMm',
      label: 'lower edge of the plate',
      at: { x: half * 0.55, y: low },
      axis: 'y',
      value: plate.thicknessMm,
      per: -1,
      leastMm: 1,
    },
    {
      path: 'plate.lengthMm',
      label: 'end of the plate',
      at: { x: half, y: mid },
      axis: 'x',
      value: plate.lengthMm,
      per: 2,
      leastMm: 10,
    },
  )
  const tone = PLATE_TONE[plate.material]
  const outline = [
    { x: -half, y: top },
    { x: half, y: top },
    { x: half, y: low + bevel },
    { x: half - bevel, y: low },
    { x: -half + bevel, y: low },
    { x: -half, y: low + bevel },
  ]
  p.area(outline, tone, 'plate.thicknessMm', 'backing plate')
  const { thicknessMm } = plate
  p.labelled.push({
    y: mid,
    fromX: -half,
    layer: { name: 'plate', role: 'plate.thicknessMm', thicknessMm, tone, estimated: false },
  })
  p.under = low
}

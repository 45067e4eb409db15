import { formatForce, formatLength, type Units } from '../../base/quantity/format'
import { legendOf, penOf, type Pen } from '../../drawing/section-pen'
import { niceLength, type Drawing, type Handle, type Pt, type Shape } from '../../drawing/shapes'
import type { Chainplate } from './design'
import { RIG_FAMILY } from './families'
import type { RigJudgement } from './judgement'
import { pullOf } from './pull'

const round = (v: number) => Math.round(v * 10) / 10
/** How far below the pin the plate ends: past its last bolt, or its bond. */
export const plateLength = (d: Chainplate): number =>
  Math.max(
    ...(d.bolts?.points.map((p) => p.xMm + 2 * d.bolts!.diameterMm) ?? []),
    d.bond ? 120 + d.bond.lengthMm : 0,
    160,
  )
/** The deck lies this far under the pin. */
const DECK_MM = 70
const circle = (at: Pt, r: number, role: string, label: string): Shape[] => [
  { kind: 'disc', at, r, tone: 'none', role, label },
  { kind: 'ring', at, r, weight: 'outline', role },
]
/** The wire from the pin, leaning as it is given. */
function wire(length: number, deg: number, role: string): Shape[] {
  const a = (deg * Math.PI) / 180
  return [
    {
      kind: 'path',
      points: [
        { x: 0, y: 0 },
        { x: length * Math.sin(a), y: length * Math.cos(a) },
      ],
      weight: 'load',
      role,
    },
  ]
}
function boltsOf(d: Chainplate): Shape[] {
  if (!d.bolts) return []
  return d.bolts.points.flatMap((p, i) =>
    circle({ x: p.yMm, y: -p.xMm }, d.bolts!.holeMm / 2, 'bolts', `bolt ${i + 1}`),
  )
}
const areaOf = (
  points: Pt[],
  tone: 'laminate' | 'hardware' | 'epoxy-glass' | 'timber',
  role: string,
  label: string,
): Shape => ({
  kind: 'area',
  points,
  tone,
  role,
  label,
})
const box = (x0: number, y0: number, x1: number, y1: number): Pt[] => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
]

/** The plate flat on, pin at the top, into the hull downwards. */
export function rigFace(d: Chainplate, j: RigJudgement, units: Units): Drawing {
  const shapes: Shape[] = []
  const [w, e] = [d.plate.widthMm, d.plate.endMm]
  const length = plateLength(d)
  const far = w * 1.8
  const own = RIG_FAMILY[d.family]
  const low = -length - 15
  if (own.slot) shapes.push(areaOf(box(-far, -DECK_MM - 12, far, -DECK_MM), 'laminate', 'structure', 'deck'))
  if (d.bond)
    shapes.push(
      areaOf(
        box(-d.bond.widthMm / 2, -120 - d.bond.lengthMm, d.bond.widthMm / 2, -120),
        'epoxy-glass',
        'bond',
        'bond',
      ),
    )
  shapes.push(areaOf(box(-w / 2, low + 15, w / 2, e), 'hardware', 'plate', 'plate'))
  shapes.push(...circle({ x: 0, y: 0 }, d.plate.holeMm / 2, 'plate.holeMm', 'hole'))
  shapes.push({ kind: 'ring', at: { x: 0, y: 0 }, r: d.pin.diameterMm / 2, weight: 'hidden', role: 'pin' })
  shapes.push(...boltsOf(d))
  const up = 1.6 * w + e
  shapes.push(...wire(up, d.wire.inPlaneDeg, 'wire.inPlaneDeg'))
  const textMm = (up - low) / 30
  const worst = j.plate?.checks.find((c) => c.id === j.plate?.governing)
  const words: [Pt, string][] = [
    [{ x: far * 0.1 + w / 2, y: up * 0.75 }, formatForce(pullOf(d), units)],
    [
      { x: w / 2 + textMm, y: -textMm * 0.4 },
      `hole ${formatLength(round(d.plate.holeMm), units)}, pin ${formatLength(round(d.pin.diameterMm), units)}`,
    ],
    [
      { x: w / 2 + textMm, y: low + 15 + 2 * textMm },
      `${formatLength(round(w), units)} by ${formatLength(round(d.plate.thicknessMm), units)}`,
    ],
  ]
  for (const [at, text] of words)
    shapes.push({ kind: 'text', at, text, size: textMm, anchor: 'start', load: text === words[0]![1] })
  return {
    title: `the plate flat on${worst ? `; most used: ${worst.title.toLowerCase()}` : ''}`,
    description: `Plate of ${formatLength(length, units)} from the pin, ${d.bolts?.points.length ?? 0} bolts.`,
    bounds: { minX: -far - 10 * textMm, maxX: far + 16 * textMm, minY: low - textMm, maxY: up + 2 * textMm },
    shapes,
    legend: legendOf(shapes),
    textMm,
    scaleBarMm: niceLength(length / 4),
    handles: [
      handle('plate.widthMm', 'plate, wide', { x: w / 2, y: -DECK_MM / 2 }, 'x', w, 2, 10),
      handle('plate.endMm', 'past the hole', { x: 0, y: e }, 'y', e, 1, d.plate.holeMm / 2 + 1),
      leaning('wire.inPlaneDeg', 'wire, in the plate', up, d.wire.inPlaneDeg, -90, 90),
    ],
  }
}
const handle = (
  path: string,
  label: string,
  at: Pt,
  axis: 'x' | 'y',
  value: number,
  per: number,
  leastMm: number,
): Handle => ({ path, label, at, axis, value, per, leastMm })

/** The end of the wire, dragged aside: so many degrees a millimetre at its length. */
const leaning = (
  path: string,
  label: string,
  length: number,
  deg: number,
  least: number,
  most: number,
): Handle => {
  const a = (deg * Math.PI) / 180
  return {
    path,
    label,
    at: { x: length * Math.sin(a), y: length * Math.cos(a) },
    axis: 'x',
    value: deg,
    per: 180 / (Math.PI * length),
    leastMm: least,
    mostMm: most,
    degrees: true,
  }
}

/** What the plate passes at the deck: slot, fill, cover and its bedding. */
function deckCut(p: Pen, d: Chainplate): void {
  const s = d.slot
  const t = d.plate.thicknessMm / 2
  const far = 90
  const half = s ? s.widthMm / 2 : t
  const st = d.structure
  const all = st.kind === 'sandwich' ? st.outerMm + st.core.thicknessMm + st.innerMm : st.thicknessMm
  const top = -DECK_MM
  for (const m of [-1, 1]) {
    const a = (
      x0: number,
      y0: number,
      x1: number,
      y1: number,
      tone: Parameters<Pen['area']>[4],
      role: string,
      label: string,
    ) => p.area(Math.min(m * x0, m * x1), y0, Math.max(m * x0, m * x1), y1, tone, role, label)
    if (st.kind !== 'sandwich')
      a(
        half,
        top - all,
        far,
        top,
        st.kind === 'metal' ? 'metal' : st.kind === 'timber' ? 'timber' : 'laminate',
        'structure',
        'deck',
      )
    else {
      const solid = s?.filled ? half + 25 : half
      a(half, top - st.outerMm, far, top, 'laminate', 'structure', 'outer skin')
      if (s?.filled)
        a(
          half,
          top - st.outerMm - st.core.thicknessMm,
          solid,
          top - st.outerMm,
          'filled-epoxy',
          'slot.filled',
          'solid',
        )
      a(
        solid,
        top - st.outerMm - st.core.thicknessMm,
        far,
        top - st.outerMm,
        st.core.material.startsWith('balsa') ? 'balsa' : 'foam',
        'structure',
        'core',
      )
      a(half, top - all, far, top - all + st.innerMm, 'laminate', 'structure', 'inner skin')
    }
    if (s?.cover) {
      a(t + 0.6, top, t + 32, top + 3, 'bedding', 'slot.sealant', 'bedding')
      a(t + 0.6, top + 3, t + 32, top + 6, 'hardware', 'slot.cover', 'cover plate')
    }
  }
}
/** Across the plate: how it stands in the deck, on its knee, and how the wire leans out of its plane. */
export function rigCut(d: Chainplate, _j: RigJudgement, units: Units): Drawing {
  const p = penOf()
  const t = d.plate.thicknessMm / 2
  const length = plateLength(d)
  const own = RIG_FAMILY[d.family]
  const kneeTop = own.slot ? -110 : -40
  p.area(
    t,
    -length - 20,
    t + (d.hull?.thicknessMm ?? 15),
    kneeTop,
    own.slot ? 'timber' : 'laminate',
    'hull',
    own.slot ? 'knee or bulkhead' : 'topside',
  )
  if (own.slot) deckCut(p, d)
  p.area(-t, -length, t, d.plate.endMm, 'hardware', 'plate', 'plate')
  for (const b of d.bolts?.points ?? []) {
    const r = d.bolts!.diameterMm / 2
    p.area(-t - 8, -b.xMm - r, t + (d.hull?.thicknessMm ?? 15) + 10, -b.xMm + r, 'bolt', 'bolts', 'bolt')
  }
  const up = 110
  p.shapes.push(...wire(up, d.wire.misalignDeg, 'wire.misalignDeg'))
  const textMm = (up + length) / 30
  const said = [
    own.slot && d.slot
      ? `slot ${formatLength(round(d.slot.widthMm), units)} for ${formatLength(round(d.plate.thicknessMm), units)}`
      : 'no slot: it stands outside',
    d.hull
      ? `bears on ${formatLength(round(d.hull.thicknessMm), units)}`
      : 'what it bears on is not measured',
  ]
  said.forEach((w, i) => p.words(100, -DECK_MM + 30 - i * 1.8 * textMm, w, textMm))
  return {
    title: 'across the plate; the wire as it leans out of its plane',
    description: said.join('; '),
    bounds: { minX: -100, maxX: 100 + 20 * textMm, minY: -length - 30, maxY: up + 2 * textMm },
    shapes: p.shapes,
    legend: legendOf(p.shapes),
    textMm,
    scaleBarMm: niceLength(length / 4),
    handles: [leaning('wire.misalignDeg', 'wire, out of the plate', up, d.wire.misalignDeg, 0, 89)],
  }
}

import { niceLength, type Drawing, type Pt, type Shape } from '../../drawing/shapes'
import { SIZES } from '../../base/materials/fasteners'
import { formatForce, type Units } from '../../base/quantity/format'
import { say } from '../../base/verdict/check'
import type { ThroughHullDesign } from './design'
import type { ThroughHullJudgement } from './judgement'

const at = (deg: number, r: number): Pt => ({
  x: r * Math.cos((deg * Math.PI) / 180),
  y: r * Math.sin((deg * Math.PI) / 180),
})

interface Kicked {
  d: ThroughHullDesign
  bolts: NonNullable<NonNullable<ThroughHullJudgement['kick']>['bolts']>
  circleMm: number
  flange: number
  textMm: number
  units: Units
}

/** Each bolt with its pull, its ring as wide as its share of the most pulled one. */
function boltShapes({ d, bolts, circleMm, flange, textMm, units }: Kicked): Shape[] {
  const r = SIZES[d.hold.size]!.diameterMm / 2
  return bolts.tensionsN.flatMap((T, i) => {
    const deg = (360 * i) / bolts.tensionsN.length
    const p = at(deg, circleMm / 2)
    const out = at(deg, flange + textMm * 0.7)
    const upright = Math.abs(out.x) < textMm
    const pull = formatForce(T, units)
    const shapes: Shape[] = [
      {
        kind: 'disc',
        at: p,
        r,
        tone: 'bolt',
        role: 'hold.method',
        label: `bolt ${i + 1}: ${pull} pull, ${formatForce(bolts.shearN, units)} shear`,
      },
    ]
    if (T > 0)
      shapes.push({
        kind: 'ring',
        at: p,
        r: r + textMm * (0.2 + (0.8 * T) / bolts.maxTensionN),
        weight: 'load',
      })
    shapes.push({
      kind: 'text',
      at: { x: out.x, y: out.y - textMm * 0.35 + (upright ? Math.sign(out.y) * textMm * 0.5 : 0) },
      text: pull,
      size: textMm,
      anchor: upright ? 'middle' : out.x > 0 ? 'start' : 'end',
      ...(T > 0 ? {} : { weight: 'normal' as const }),
    })
    return shapes
  })
}
function arrow({ bolts, flange, textMm }: Kicked): Shape[] {
  const deg = bolts.worstAzimuthDeg
  const tip = at(deg, flange * 0.62)
  const wing = (turn: number): Pt => {
    const w = at(deg + turn, textMm * 1.1)
    return { x: tip.x + w.x, y: tip.y + w.y }
  }
  return [
    { kind: 'path', points: [at(deg + 180, flange * 0.28), tip], weight: 'load', role: 'kick' },
    { kind: 'path', points: [wing(155), tip, wing(-155)], weight: 'load', role: 'kick' },
  ]
}
function flangeShapes({ d, circleMm, flange }: Kicked): Shape[] {
  const middle: Pt = { x: 0, y: 0 }
  return [
    ...(d.pad
      ? [
          {
            kind: 'ring' as const,
            at: middle,
            r: d.pad.diameterMm / 2,
            weight: 'hidden' as const,
            role: 'pad.thicknessMm',
          },
        ]
      : []),
    {
      kind: 'area',
      points: Array.from({ length: 48 }, (_, i) => at(i * 7.5, flange)),
      tone: 'hardware',
      role: 'valve',
      label: 'flange of the seacock',
    },
    { kind: 'ring', at: middle, r: circleMm / 2, weight: 'dimension' },
    { kind: 'ring', at: middle, r: d.skin.flangeMm / 2, weight: 'hidden' },
  ]
}

/** The flange from inside, kicked the worst way. Null where no bolts hold it. */
export function kickPicture(d: ThroughHullDesign, j: ThroughHullJudgement, units: Units): Drawing | null {
  const bolts = j.kick?.bolts
  const v = d.valve
  if (!bolts || !v || v.boltCircleMm === null) return null
  const flange = v.flangeMm / 2
  const ext = Math.max(flange, (d.pad?.diameterMm ?? 0) / 2)
  const textMm = ext / 5.6
  const kicked: Kicked = { d, bolts, circleMm: v.boltCircleMm, flange, textMm, units }
  const side = ext + textMm * 4.2
  const tall = ext + textMm * 1.8
  const worst = say(bolts.worstAzimuthDeg)
  const pulls = bolts.tensionsN.map((T) => formatForce(T, units)).join(', ')
  return {
    title: `Flange from inside, kicked the way that pulls most: ${worst}\u00b0 from the first bolt`,
    description: `The worst of 36 directions is ${worst} degrees from the first bolt; the bolts pull ${pulls}.`,
    bounds: { minX: -side, maxX: side, minY: -tall, maxY: tall },
    shapes: [...flangeShapes(kicked), ...boltShapes(kicked), ...arrow(kicked)],
    legend: [],
    textMm,
    scaleBarMm: niceLength(flange / 2, units),
  }
}

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

/**
 * The flange from inside, kicked the worst way: each bolt with its pull, its ring as wide as its share of
 * the most pulled one. Null where no bolts hold it.
 */
export function kickPicture(d: ThroughHullDesign, j: ThroughHullJudgement, units: Units): Drawing | null {
  const b = j.kick?.bolts
  const v = d.valve
  if (!b || !v || v.boltCircleMm === null) return null
  const flange = v.flangeMm / 2
  const ext = Math.max(flange, (d.pad?.diameterMm ?? 0) / 2)
  const textMm = ext / 5.6
  const shapes: Shape[] = []
  if (d.pad)
    shapes.push({
      kind: 'ring',
      at: { x: 0, y: 0 },
      r: d.pad.diameterMm / 2,
      weight: 'hidden',
      role: 'pad.thicknessMm',
    })
  shapes.push(
    {
      kind: 'area',
      points: Array.from({ length: 48 }, (_, i) => at(i * 7.5, flange)),
      tone: 'hardware',
      role: 'valve',
      label: 'flange of the seacock',
    },
    { kind: 'ring', at: { x: 0, y: 0 }, r: v.boltCircleMm / 2, weight: 'dimension' },
    { kind: 'ring', at: { x: 0, y: 0 }, r: d.skin.flangeMm / 2, weight: 'hidden' },
  )
  const r = SIZES[d.hold.size]!.diameterMm / 2
  b.tensionsN.forEach((T, i) => {
    const deg = (360 * i) / b.tensionsN.length
    const p = at(deg, v.boltCircleMm! / 2)
    shapes.push({
      kind: 'disc',
      at: p,
      r,
      tone: 'bolt',
      role: 'hold.method',
      label: `bolt ${i + 1}: ${formatForce(T, units)} pull, ${formatForce(b.shearN, units)} shear`,
    })
    if (T > 0)
      shapes.push({ kind: 'ring', at: p, r: r + textMm * (0.2 + (0.8 * T) / b.maxTensionN), weight: 'load' })
    const out = at(deg, flange + textMm * 0.7)
    shapes.push({
      kind: 'text',
      at: {
        x: out.x,
        y: out.y - textMm * 0.35 + (Math.abs(out.x) < textMm ? Math.sign(out.y) * textMm * 0.5 : 0),
      },
      text: formatForce(T, units),
      size: textMm,
      anchor: Math.abs(out.x) < textMm ? 'middle' : out.x > 0 ? 'start' : 'end',
      ...(T > 0 ? {} : { weight: 'normal' as const }),
    })
  })
  const tip = at(b.worstAzimuthDeg, flange * 0.62)
  const [w1, w2] = [at(b.worstAzimuthDeg + 155, textMm * 1.1), at(b.worstAzimuthDeg - 155, textMm * 1.1)]
  shapes.push(
    { kind: 'path', points: [at(b.worstAzimuthDeg + 180, flange * 0.28), tip], weight: 'load', role: 'kick' },
    {
      kind: 'path',
      points: [{ x: tip.x + w1.x, y: tip.y + w1.y }, tip, { x: tip.x + w2.x, y: tip.y + w2.y }],
      weight: 'load',
      role: 'kick',
    },
  )
  const side = ext + textMm * 4.2
  const tall = ext + textMm * 1.8
  return {
    title: `Flange from inside, kicked the way that pulls most: ${say(b.worstAzimuthDeg)}\u00b0 from the first bolt`,
    description: `The worst of 36 directions is ${say(b.worstAzimuthDeg)} degrees from the first bolt; the bolts pull ${b.tensionsN.map((T) => formatForce(T, units)).join(', ')}.`,
    bounds: { minX: -side, maxX: side, minY: -tall, maxY: tall },
    shapes,
    legend: [],
    textMm,
    scaleBarMm: niceLength(flange / 2, units),
  }
}

import { rect } from '../../drawing/shapes'
import type { SectionPen } from './section-pen'

/** Half across the corners of a hexagon, and the height of a head, in bolt diameters. */
const [HEX, HEAD] = [0.87, 0.65]

function head(p: SectionPen, x: number, seat: number): void {
  const { baseTop } = p
  const dia = p.size.diameterMm
  if (p.d.bolt.head !== 'countersunk') {
    p.area(rect(x - HEX * dia, seat, x + HEX * dia, seat + HEAD * dia), 'bolt', 'bolt.head', 'head')
    return
  }
  const depth = p.j.grip?.headDepthMm ?? dia / 2
  const cone = [
    { x: x - dia, y: baseTop },
    { x: x + dia, y: baseTop },
    { x: x + dia / 2, y: baseTop - depth },
    { x: x - dia / 2, y: baseTop - depth },
  ]
  p.area(cone, 'bolt', 'bolt.head', 'countersunk head')
}

/** Bolts with their washers and nuts, down to the tip. */
export function drawBolts(p: SectionPen): void {
  const { d, j, size, under, baseTop, nutWasher, headWasher } = p
  const dia = size.diameterMm
  const one = d.bolt.nut === 'locking' ? size.lockingNutMm : size.hexNutMm
  const nutH = one * (d.bolt.nut === 'double-hex' ? 2 : 1)
  const nutTop = under - nutWasher.thicknessMm
  const nutLow = nutTop - nutH
  p.tip = nutLow - (j.grip ? j.grip.lengthMm - j.grip.gripMm - nutH : 2 * size.pitchMm)
  const seat = baseTop + (headWasher?.thicknessMm ?? 0)
  for (const x of p.xs) {
    if (headWasher) {
      const r = headWasher.diameterMm / 2
      p.area(rect(x - r, baseTop, x + r, seat), 'bolt', 'bolt', 'washer under the head')
    }
    head(p, x, seat)
    p.area(rect(x - dia / 2, p.tip, x + dia / 2, seat), 'bolt', 'bolt.size', 'bolt')
    const r = nutWasher.diameterMm / 2
    p.area(rect(x - r, nutTop, x + r, under), 'bolt', 'bolt.nutWasher', 'washer under the nut')
    p.area(rect(x - HEX * dia, nutLow, x + HEX * dia, nutTop), 'bolt', 'bolt.nut', 'nut')
    p.line(x, seat + HEAD * dia + p.textMm * 0.6, x, p.tip - p.textMm * 0.6, 'hidden')
  }
}

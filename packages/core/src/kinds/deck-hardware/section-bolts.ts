import { rect } from '../../drawing/shapes'
import { engagedMm, insertMm, isBlind } from './hold'
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

/** The insert or the nut that is there before the bolt comes. */
function holder(p: SectionPen, x: number): void {
  const { d, size, tip } = p
  if (d.hold.way === 'tapped') return
  if (d.hold.way === 'plastic') {
    const wide = 2 * size.diameterMm
    p.area(rect(x - wide, tip, x + wide, tip + engagedMm(d)), 'plastic', 'hold.way', 'plastic block')
    return
  }
  const nut = d.hold.way === 'nut-in-epoxy'
  const half = nut ? HEX * size.diameterMm : insertMm(d) / 2
  p.area(
    rect(x - half, tip, x + half, tip + engagedMm(d)),
    'metal',
    'hold.way',
    nut ? 'nut caught in epoxy' : 'threaded insert',
  )
}

/** Bolts with their washers and nuts, down to the tip. */
export function drawBolts(p: SectionPen): void {
  const { d, j, size, under, baseTop, nutWasher, headWasher } = p
  const dia = size.diameterMm
  const one = d.bolt.nut === 'locking' ? size.lockingNutMm : size.hexNutMm
  const nutH = one * (d.bolt.nut === 'double-hex' ? 2 : 1)
  const nutTop = under - nutWasher.thicknessMm
  const nutLow = nutTop - nutH
  const blind = isBlind(d)
  // What is too long for its thread is cut: the drawing shows it as it goes in.
  const rest = j.grip ? Math.min(j.grip.lengthMm, j.grip.requiredMm) : 0
  p.tip = blind
    ? baseTop - rest + (headWasher?.thicknessMm ?? 0)
    : nutLow - (j.grip ? j.grip.lengthMm - j.grip.gripMm - nutH : 2 * size.pitchMm)
  const seat = baseTop + (headWasher?.thicknessMm ?? 0)
  for (const x of p.xs) {
    if (headWasher) {
      const r = headWasher.diameterMm / 2
      p.area(rect(x - r, baseTop, x + r, seat), 'bolt', 'bolt', 'washer under the head')
    }
    head(p, x, seat)
    if (blind) holder(p, x)
    p.area(rect(x - dia / 2, p.tip, x + dia / 2, seat), 'bolt', 'bolt.size', 'bolt')
    if (blind) continue
    const r = nutWasher.diameterMm / 2
    p.area(rect(x - r, nutTop, x + r, under), 'bolt', 'bolt.nutWasher', 'washer under the nut')
    p.area(rect(x - HEX * dia, nutLow, x + HEX * dia, nutTop), 'bolt', 'bolt.nut', 'nut')
    p.line(x, seat + HEAD * dia + p.textMm * 0.6, x, p.tip - p.textMm * 0.6, 'hidden')
  }
}

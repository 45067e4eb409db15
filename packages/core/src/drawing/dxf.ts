import { DxfWriter, Units, point2d, point3d } from '@tarikjabiri/dxf'
import { printable } from '../base/printable'
import type { Drawing, Shape } from './shapes'

/**
 * A drawing as DXF in millimetres: circles as CIRCLE, outlines as closed polylines, words as TEXT.
 * `layerOf` says on which layer a shape goes; null leaves it out.
 */
export function toDxf(d: Drawing, layers: readonly string[], layerOf: (s: Shape) => string | null): string {
  const w = new DxfWriter()
  w.setUnits(Units.Millimeters)
  layers.forEach((name, i) => w.addLayer(name, (i % 6) + 1, 'CONTINUOUS'))
  for (const s of d.shapes) {
    const layerName = layerOf(s)
    if (!layerName) continue
    const o = { layerName }
    if (s.kind === 'area')
      w.addLWPolyline(
        s.points.map((p) => ({ point: point2d(p.x, p.y) })),
        { ...o, flags: 1 },
      )
    else if (s.kind === 'path')
      w.addLWPolyline(
        s.points.map((p) => ({ point: point2d(p.x, p.y) })),
        { ...o, flags: 0 },
      )
    else if (s.kind === 'disc' || s.kind === 'ring') w.addCircle(point3d(s.at.x, s.at.y), s.r, o)
    else
      w.addText(point3d(s.at.x, s.at.y), s.size, plain(s.text), {
        ...o,
        ...(s.turned ? { rotation: 90 } : {}),
      })
  }
  return w.stringify()
}
/** DXF of this age is read as ASCII by many programs: signs beyond it go as their code. */
const plain = (t: string) =>
  printable(t).replace(
    /[\u0080-\uffff]/g,
    (c) => `\\U+${c.charCodeAt(0).toString(16).toUpperCase().padStart(4, '0')}`,
  )

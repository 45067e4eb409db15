import {
  BUOY,
  INK,
  PATTERNS,
  STROKE,
  TONE_FILL,
  type Drawing,
  type MaterialTone,
  type Shape,
} from '@north-tide/core'

type Doc = PDFKit.PDFDocument
interface Frame {
  x: number
  y: number
  width: number
  height: number
}
export const MONO = 'mono'

/** A drawing as vectors on a page: the same shapes that the screen draws, patterns clipped to their areas. */
export function drawOnPage(doc: Doc, d: Drawing, frame: Frame) {
  const w = d.bounds.maxX - d.bounds.minX
  const h = d.bounds.maxY - d.bounds.minY
  const k = Math.min(frame.width / w, frame.height / h)
  const left = frame.x + (frame.width - w * k) / 2
  const X = (x: number) => left + (x - d.bounds.minX) * k
  const Y = (y: number) => frame.y + (d.bounds.maxY - y) * k
  const px = (d.textMm * k) / 13
  // What the screen cuts off at the drawing's edge (a neighbour's handle, a wall that goes on) is cut off
  // on paper too.
  doc
    .save()
    .rect(left, frame.y, w * k, h * k)
    .clip()
  for (const s of d.shapes) draw(doc, s, { X, Y, k, px, textMm: d.textMm })
  doc.restore()
  return { height: h * k, scale: k }
}

interface Map2 {
  X: (x: number) => number
  Y: (y: number) => number
  k: number
  px: number
  textMm: number
}

function draw(doc: Doc, s: Shape, m: Map2) {
  if (s.kind === 'text') {
    const size = s.size * m.k
    doc
      .font(MONO)
      .fontSize(size)
      .fillColor(s.load ? BUOY : INK)
    const width = doc.widthOfString(s.text)
    const x = m.X(s.at.x)
    const y = m.Y(s.at.y)
    if (s.turned) {
      doc.save().rotate(-90, { origin: [x, y] })
      doc.text(s.text, x - width / 2, y - size * 0.78, { lineBreak: false })
      doc.restore()
      return
    }
    doc.text(
      s.text,
      s.anchor === 'end' ? x - width : s.anchor === 'middle' ? x - width / 2 : x,
      y - size * 0.78,
      { lineBreak: false },
    )
    return
  }
  if (s.kind === 'area') {
    const trace = () => doc.polygon(...s.points.map((p): [number, number] => [m.X(p.x), m.Y(p.y)]))
    if (s.tone !== 'none') trace().fill(TONE_FILL[s.tone])
    hatch(
      doc,
      s.tone,
      s.points.map((p) => [m.X(p.x), m.Y(p.y)]),
      m,
    )
    trace()
      .lineWidth(STROKE.outline * m.px)
      .lineJoin('round')
      .stroke(INK)
    return
  }
  if (s.kind === 'disc') {
    doc
      .circle(m.X(s.at.x), m.Y(s.at.y), s.r * m.k)
      .lineWidth(m.px)
      .fillAndStroke(TONE_FILL[s.tone], INK)
    return
  }
  const colour = s.weight === 'load' ? BUOY : INK
  if (s.kind === 'ring') {
    doc
      .circle(m.X(s.at.x), m.Y(s.at.y), s.r * m.k)
      .lineWidth(STROKE[s.weight] * m.px)
      .stroke(colour)
    return
  }
  s.points.forEach((p, i) => (i === 0 ? doc.moveTo(m.X(p.x), m.Y(p.y)) : doc.lineTo(m.X(p.x), m.Y(p.y))))
  doc.lineWidth(STROKE[s.weight] * m.px)
  if (s.weight === 'hidden') doc.dash(5 * m.px, { space: 3 * m.px })
  doc.stroke(colour)
  if (s.weight === 'hidden') doc.undash()
}

function hatch(doc: Doc, tone: MaterialTone, outline: number[][], m: Map2) {
  const p = PATTERNS[tone]
  if (!p) return
  const side = p.tile * m.textMm * m.k
  const xs = outline.map((q) => q[0]!)
  const ys = outline.map((q) => q[1]!)
  doc.save()
  doc.polygon(...(outline as [number, number][])).clip()
  const x0 = Math.floor(Math.min(...xs) / side) * side
  const y0 = Math.floor(Math.min(...ys) / side) * side
  for (let x = x0; x < Math.max(...xs); x += side)
    for (let y = y0; y < Math.max(...ys); y += side)
      for (const stroke of p.strokes)
        stroke.forEach(([a, b], i) =>
          i === 0 ? doc.moveTo(x + a * side, y + b * side) : doc.lineTo(x + a * side, y + b * side),
        )
  doc
    .lineWidth(p.width * m.textMm * m.k)
    .lineCap('round')
    .strokeOpacity(0.55)
    .stroke(tone === 'bedding' ? '#fffdf6' : INK)
  doc.restore()
}

import PDFDocument from 'pdfkit'
import { CHECK_BAR_MM, INK, formatLength, type DrillRow, type Drawing, type Units } from '@north-tide/core'
import { MONO, drawOnPage } from './draw'
import { withFonts } from './fonts'

const PT = 72 / 25.4
const MARGIN_MM = 12
const OVERLAP_MM = 10
const SOFT = '#3a4a57'

/**
 * A drawing at full size over as many sheets as it takes: overlap, registration crosses and a 100 mm bar
 * on each, then the drill schedule.
 */
export function templateSheet(
  d: Drawing,
  paper: 'A4' | 'LETTER',
  schedule: DrillRow[],
  units: Units,
): PDFKit.PDFDocument {
  const doc = withFonts(
    new PDFDocument({
      size: paper,
      margin: 0,
      autoFirstPage: false,
      info: { Title: d.title, Author: 'North Tide', Subject: 'Template at full size' },
    }),
  )
  const [pw, ph] = paper === 'A4' ? [210, 297] : [215.9, 279.4]
  const [w, h] = [d.bounds.maxX - d.bounds.minX, d.bounds.maxY - d.bounds.minY]
  const [tw, th] = [pw - 2 * MARGIN_MM, ph - 2 * MARGIN_MM - 16]
  const count = (size: number, tile: number) =>
    Math.max(1, Math.ceil((size - OVERLAP_MM) / (tile - OVERLAP_MM)))
  const [nx, ny] = [count(w, tw), count(h, th)]
  for (let r = 0; r < ny; r++)
    for (let c = 0; c < nx; c++) {
      doc.addPage()
      const [x0, y0] = [c * (tw - OVERLAP_MM), r * (th - OVERLAP_MM)]
      doc
        .save()
        .rect(MARGIN_MM * PT, MARGIN_MM * PT, tw * PT, th * PT)
        .clip()
      drawOnPage(doc, d, {
        x: (MARGIN_MM - x0) * PT,
        y: (MARGIN_MM - y0) * PT,
        width: w * PT,
        height: h * PT,
      })
      doc.restore()
      doc.lineWidth(0.3).strokeColor(INK)
      for (const x of [MARGIN_MM + OVERLAP_MM / 2, pw - MARGIN_MM - OVERLAP_MM / 2])
        for (const y of [MARGIN_MM + OVERLAP_MM / 2, MARGIN_MM + th - OVERLAP_MM / 2])
          doc
            .moveTo((x - 4) * PT, y * PT)
            .lineTo((x + 4) * PT, y * PT)
            .moveTo(x * PT, (y - 4) * PT)
            .lineTo(x * PT, (y + 4) * PT)
            .circle(x * PT, y * PT, 2 * PT)
            .stroke()
      const by = ph - 13
      doc
        .lineWidth(0.8)
        .moveTo(MARGIN_MM * PT, by * PT)
        .lineTo((MARGIN_MM + CHECK_BAR_MM) * PT, by * PT)
      for (let k = 0; k <= 10; k++)
        doc
          .moveTo((MARGIN_MM + k * 10) * PT, (by - (k % 5 ? 1 : 2)) * PT)
          .lineTo((MARGIN_MM + k * 10) * PT, (by + (k % 5 ? 1 : 2)) * PT)
      doc.stroke()
      doc
        .font('body')
        .fontSize(8)
        .fillColor(SOFT)
        .text(
          `100 mm: prove it with a rule before use; print at 100 %. Sheet ${r * nx + c + 1} of ${nx * ny}: row ${r + 1}, column ${c + 1}; lay the crosses over each other.`,
          MARGIN_MM * PT,
          (by + 3) * PT,
          { lineBreak: false },
        )
    }
  doc.addPage()
  doc
    .font('strong')
    .fontSize(14)
    .fillColor(INK)
    .text('Drilling, hole by hole', MARGIN_MM * PT, MARGIN_MM * PT)
  let y = 26
  const columns: [string, number, (r: DrillRow) => string][] = [
    ['Bolt', 14, (r) => r.name ?? String(r.bolt)],
    ['x', 22, (r) => formatLength(r.xMm, units)],
    ['y', 22, (r) => formatLength(r.yMm, units)],
    ['Pilot', 18, (r) => formatLength(r.pilotMm, units)],
    ['Bore', 20, (r) => (r.boreMm === null ? '' : formatLength(r.boreMm, units))],
    ['Finish', 20, (r) => formatLength(r.finishMm, units)],
    ['Order', 70, (r) => r.order],
  ]
  const line = (cells: string[], font: string) => {
    let x = MARGIN_MM
    cells.forEach((t, i) => {
      doc
        .font(i === columns.length - 1 ? 'body' : font)
        .fontSize(9)
        .fillColor(INK)
        .text(t, x * PT, y * PT, { width: (columns[i]![1] - 1) * PT })
      x += columns[i]![1]
    })
  }
  line(
    columns.map((c) => c[0]),
    'strong',
  )
  for (const r of schedule) {
    y += 9
    if (y > ph - 20) {
      doc.addPage()
      y = 16
    }
    line(
      columns.map((c) => c[2](r)),
      MONO,
    )
  }
  doc
    .font('body')
    .fontSize(9)
    .fillColor(SOFT)
    .text(
      'Drill from outside; back the inside with scrap or tape against the break-through. Know what is behind before drilling.',
      MARGIN_MM * PT,
      (y + 14) * PT,
      { width: (pw - 2 * MARGIN_MM) * PT },
    )
  doc.end()
  return doc
}

import PDFDocument from 'pdfkit'
import { CHECK_BAR_MM, INK, formatLength, type DrillRow, type Drawing, type Units } from '@north-tide/core'
import { MONO, drawOnPage } from './draw'
import { withFonts } from './fonts'
import { SOFT } from './page-numbers'
import type { Paper } from './paper'

const PT = 72 / 25.4
const MARGIN_MM = 12
const OVERLAP_MM = 10

interface Tiling {
  /** paper, mm */
  pw: number
  ph: number
  /** what of it is drawn on, mm */
  tw: number
  th: number
  nx: number
  ny: number
}
const PAPER_MM: Record<Paper, [number, number]> = { A4: [210, 297], LETTER: [215.9, 279.4] }
/** Room under the drawing for the check bar and its words, mm. */
const FOOT_MM = 16

function tilingOf(w: number, h: number, paper: Paper): Tiling {
  const [pw, ph] = PAPER_MM[paper]
  const [tw, th] = [pw - 2 * MARGIN_MM, ph - 2 * MARGIN_MM - FOOT_MM]
  const count = (size: number, tile: number) =>
    Math.max(1, Math.ceil((size - OVERLAP_MM) / (tile - OVERLAP_MM)))
  return { pw, ph, tw, th, nx: count(w, tw), ny: count(h, th) }
}

/** The crosses that are laid over each other. */
function crosses(doc: PDFKit.PDFDocument, { pw, th }: Tiling) {
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
}
/** 100 mm to be proved with a rule, and which sheet this is. */
function checkBar(doc: PDFKit.PDFDocument, { ph, nx, ny }: Tiling, row: number, column: number) {
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
  const sheet = `Sheet ${row * nx + column + 1} of ${nx * ny}: row ${row + 1}, column ${column + 1}`
  doc
    .font('body')
    .fontSize(8)
    .fillColor(SOFT)
    .text(
      `100 mm: prove it with a rule before use; print at 100 %. ${sheet}; lay the crosses over each other.`,
      MARGIN_MM * PT,
      (by + 3) * PT,
      { lineBreak: false },
    )
}
function tile(doc: PDFKit.PDFDocument, d: Drawing, t: Tiling, row: number, column: number) {
  const [x0, y0] = [column * (t.tw - OVERLAP_MM), row * (t.th - OVERLAP_MM)]
  doc.addPage()
  doc
    .save()
    .rect(MARGIN_MM * PT, MARGIN_MM * PT, t.tw * PT, t.th * PT)
    .clip()
  drawOnPage(doc, d, {
    x: (MARGIN_MM - x0) * PT,
    y: (MARGIN_MM - y0) * PT,
    width: (d.bounds.maxX - d.bounds.minX) * PT,
    height: (d.bounds.maxY - d.bounds.minY) * PT,
  })
  doc.restore()
  crosses(doc, t)
  checkBar(doc, t, row, column)
}

/** The drill schedule, as many pages as it takes. */
function schedulePages(doc: PDFKit.PDFDocument, schedule: DrillRow[], { pw, ph }: Tiling, units: Units) {
  const columns: [string, number, (r: DrillRow) => string][] = [
    ['Bolt', 14, (r) => r.name ?? String(r.bolt)],
    ['x', 22, (r) => formatLength(r.xMm, units)],
    ['y', 22, (r) => formatLength(r.yMm, units)],
    ['Pilot', 18, (r) => formatLength(r.pilotMm, units)],
    ['Bore', 20, (r) => (r.boreMm === null ? '' : formatLength(r.boreMm, units))],
    ['Finish', 20, (r) => formatLength(r.finishMm, units)],
    ['Order', 70, (r) => r.order],
  ]
  const line = (cells: string[], font: string, y: number) => {
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
  const left = MARGIN_MM * PT
  doc.addPage()
  doc.font('strong').fontSize(14).fillColor(INK).text('Drilling, hole by hole', left, left)
  let y = 26
  line(
    columns.map((c) => c[0]),
    'strong',
    y,
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
      y,
    )
  }
  doc
    .font('body')
    .fontSize(9)
    .fillColor(SOFT)
    .text(
      'Drill from outside; back the inside with scrap or tape against the break-through. ' +
        'Know what is behind before drilling.',
      left,
      (y + 14) * PT,
      { width: (pw - 2 * MARGIN_MM) * PT },
    )
}

/**
 * A drawing at full size over as many sheets as it takes: overlap, registration crosses and a 100 mm bar
 * on each, then the drill schedule.
 */
export function templateSheet(
  d: Drawing,
  paper: Paper,
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
  const t = tilingOf(d.bounds.maxX - d.bounds.minX, d.bounds.maxY - d.bounds.minY, paper)
  for (let row = 0; row < t.ny; row++)
    for (let column = 0; column < t.nx; column++) tile(doc, d, t, row, column)
  schedulePages(doc, schedule, t, units)
  doc.end()
  return doc
}

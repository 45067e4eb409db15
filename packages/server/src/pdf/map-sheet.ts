import PDFDocument from 'pdfkit'
import { INK, formatLength, lifeSaid, type Drawing, type Units } from '@north-tide/core'
import { MONO, drawOnPage } from './draw'
import { withFonts } from './fonts'
import { numberPages, SOFT } from './page-numbers'
import { mapPaper, type Paper } from './paper'

const MARGIN = 32
interface Listed {
  label: string
  whatFor: string
  state: string
  zone: string
  xMm: number
  yMm: number
  diameterMm: number
}

const SIGNS =
  'Signs: cross marked; ring drilled; two rings core sealed, with a bar dry fitted; thick ring bedded, ' +
  'with a point cured; ring with a tick proved; full disc in service; diamond suspect; ' +
  'ring with a slash closed.'

/** Every hole in words, as many pages as it takes. */
function listPages(doc: PDFKit.PDFDocument, holes: Listed[], units: Units) {
  const columns: [string, number, (h: Listed) => string][] = [
    ['No.', 54, (h) => h.label],
    ['What for', 270, (h) => h.whatFor],
    ['State', 90, (h) => lifeSaid(h.state)],
    ['Zone', 170, (h) => h.zone],
    ['x', 90, (h) => formatLength(Math.round(h.xMm), units)],
    ['y', 90, (h) => formatLength(Math.round(h.yMm), units)],
    ['Size', 70, (h) => formatLength(h.diameterMm, units)],
  ]
  const page = () => {
    doc.addPage()
    let x = MARGIN
    doc.font('strong').fontSize(10).fillColor(INK)
    for (const [title, w] of columns) {
      doc.text(title, x, doc.page.margins.top, { width: w, lineBreak: false })
      x += w
    }
    doc.y = doc.page.margins.top + 18
  }
  page()
  for (const h of holes) {
    if (doc.y > doc.page.height - MARGIN - 30) page()
    const y = doc.y
    let x = MARGIN
    columns.forEach(([, w, of], i) => {
      doc
        .font(i === 0 || i > 3 ? MONO : 'body')
        .fontSize(9.5)
        .fillColor(INK)
        .text(of(h), x, y, { width: w - 8, height: 12, ellipsis: true })
      x += w
    })
    doc.y = y + 15
  }
  if (!holes.length) doc.font('body').fontSize(11).text('No hole is on record yet.', MARGIN)
}

/** The map on A3 with its numbers, and on the pages after it every hole in words. */
export function mapSheet(
  d: Drawing,
  boat: { name: string; holes: Listed[] },
  units: Units,
  printedAt: Date,
  paper: Paper,
): PDFKit.PDFDocument {
  const doc = withFonts(
    new PDFDocument({
      size: mapPaper(paper),
      layout: 'landscape',
      margin: MARGIN,
      bufferPages: true,
      info: { Title: d.title, Author: 'North Tide', Subject: 'Map of holes and fittings' },
    }),
  )
  const width = doc.page.width - 2 * MARGIN
  doc.font('strong').fontSize(20).fillColor(INK).text(d.title)
  doc.font('body').fontSize(10).fillColor(SOFT).text(`${d.description} ${SIGNS}`)
  const top = doc.y + 8
  drawOnPage(doc, d, { x: MARGIN, y: top, width, height: doc.page.height - top - MARGIN - 16 })
  listPages(doc, boat.holes, units)
  numberPages(doc, boat.name, printedAt, { x: MARGIN, fromBottom: 24 })
  doc.end()
  return doc
}

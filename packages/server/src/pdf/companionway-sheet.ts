import PDFDocument from 'pdfkit'
import { INK, formatLength, plugFor, type CompanionwayRow, type Units } from '@north-tide/core'
import { MONO } from './draw'
import { withFonts } from './fonts'
import { numberPages, SOFT } from './page-numbers'
import type { Paper } from './paper'

/** One page to laminate and hang by the companionway, A4 across: what is reached first stands first. */
const MARGIN = 30
const CAUTION = '#9f2410'
interface Sheet {
  boat: string
  units: Units
  rows: CompanionwayRow[]
  code: string
}
const side = (y: number) => (Math.abs(y) < 50 ? 'on the centreline' : y > 0 ? 'starboard' : 'port')
const coarse = (mm: number) => Math.round(mm / 50) * 50
const HEADS = ['', 'What it serves', 'Where', 'To shut', 'Plug', 'No.', 'In a minute']
const WIDE = [24, 150, 190, 178, 96, 52, 90]
const cellsOf = (r: CompanionwayRow, i: number, units: Units): string[] => [
  String(i + 1),
  `${r.serves}\n${r.name}`,
  where(r, units),
  r.shuts ?? 'no valve: plug it',
  plug(r, units),
  r.label,
  `${Math.round(r.litresMin)} litres`,
]
type Doc = InstanceType<typeof PDFDocument>
const MONO_FROM = 4
/** Writes one line of the table, as high as its longest cell. */
const table = (doc: Doc) => {
  const share = (doc.page.width - 2 * MARGIN) / WIDE.reduce((sum, w) => sum + w, 0)
  const wide = WIDE.map((w) => w * share)
  return (cells: string[], font: string, size: number) => {
    const tall = (c: string, i: number) =>
      doc
        .font(font)
        .fontSize(size)
        .heightOfString(c, { width: wide[i]! - 8 })
    const high = Math.max(...cells.map(tall))
    if (doc.y + high > doc.page.height - MARGIN - 22) doc.addPage()
    const top = doc.y
    let x = MARGIN
    cells.forEach((c, i) => {
      doc
        .font(i >= MONO_FROM && font !== 'strong' ? MONO : font)
        .fontSize(size)
        .fillColor(INK)
        .text(c, x, top, { width: wide[i]! - 8 })
      x += wide[i]!
    })
    doc.y = top + high + 4
    doc
      .moveTo(MARGIN, doc.y - 2)
      .lineTo(doc.page.width - MARGIN, doc.y - 2)
      .lineWidth(0.5)
      .stroke('#b9af96')
  }
}
export function companionwaySheet(s: Sheet, printedAt: Date, paper: Paper) {
  const title = `${s.boat}: through-hulls`
  const doc = withFonts(
    new PDFDocument({
      size: paper,
      layout: 'landscape',
      margin: MARGIN,
      bufferPages: true,
      info: { Title: title, Author: 'North Tide', Subject: 'Sheet by the companionway' },
    }),
  )
  doc.font('strong').fontSize(22).fillColor(INK).text(title, MARGIN)
  doc
    .font('body')
    .fontSize(11)
    .fillColor(CAUTION)
    .text('Water coming in: call it out, pumps on, then shut or plug from the top of this sheet down.')
  doc.moveDown(0.4)
  const line = table(doc)
  line(HEADS, 'strong', 11)
  s.rows.forEach((r, i) => {
    line(cellsOf(r, i, s.units), 'body', 12)
    if (r.suspect)
      doc
        .font('strong')
        .fontSize(9.5)
        .fillColor(CAUTION)
        .text('Suspect: see the register.', MARGIN + 24)
  })
  if (!s.rows.length)
    doc.font('body').fontSize(12).fillColor(INK).text('No through-hull is on record.', MARGIN)
  doc
    .moveDown(0.5)
    .font('body')
    .fontSize(9.5)
    .fillColor(SOFT)
    .text(
      `Sheet ${s.code}. Redrawn when a through-hull changes; one with another code is out of date.`,
      MARGIN,
    )
  numberPages(doc, title, printedAt, { x: MARGIN, fromBottom: 22 })
  doc.end()
  return doc
}
const where = (r: CompanionwayRow, units: Units) =>
  `${r.zone}, ${side(r.yMm)}; ${formatLength(coarse(r.xMm), units)} from the stem, ${formatLength(Math.abs(coarse(r.zMm)), units)} ${r.zMm < 0 ? 'below' : 'above'} the water`
function plug(r: CompanionwayRow, units: Units): string {
  const { fromMm, toMm } = plugFor(r.boreMm)
  return `${formatLength(Math.round(fromMm), units)} to ${formatLength(Math.round(toMm), units)}`
}

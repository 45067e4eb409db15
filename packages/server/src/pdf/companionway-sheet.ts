import PDFDocument from 'pdfkit'
import { INK, formatLength, plugFor, type CompanionwayRow, type Units } from '@north-tide/core'
import { MONO } from './draw'
import { withFonts } from './fonts'
import { numberPages, SOFT } from './page-numbers'

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
export function companionwaySheet(s: Sheet, printedAt: Date) {
  const title = `${s.boat}: through-hulls`
  const doc = withFonts(
    new PDFDocument({
      size: 'A4',
      layout: 'landscape',
      margin: MARGIN,
      bufferPages: true,
      info: { Title: title, Author: 'North Tide', Subject: 'Sheet by the companionway' },
    }),
  )
  const right = doc.page.width - MARGIN
  doc.font('strong').fontSize(22).fillColor(INK).text(title, MARGIN)
  doc
    .font('body')
    .fontSize(11)
    .fillColor(CAUTION)
    .text('Water coming in: call it out, pumps on, then shut or plug from the top of this sheet down.')
  doc.moveDown(0.4)
  const columns: [string, number, (r: CompanionwayRow, i: number) => string][] = [
    ['', 24, (_r, i) => String(i + 1)],
    ['What it serves', 150, (r) => `${r.serves}\n${r.name}`],
    ['Where', 190, (r) => where(r, s.units)],
    ['To shut', 178, (r) => r.shuts ?? 'no valve: plug it'],
    ['Plug', 96, (r) => plug(r, s.units)],
    ['No.', 52, (r) => r.label],
    ['In a minute', 90, (r) => `${Math.round(r.litresMin)} litres`],
  ]
  const line = (cells: string[], font: string, size: number) => {
    const high = Math.max(
      ...cells.map((c, i) =>
        doc
          .font(font)
          .fontSize(size)
          .heightOfString(c, { width: columns[i]![1] - 8 }),
      ),
    )
    if (doc.y + high > doc.page.height - MARGIN - 22) doc.addPage()
    const top = doc.y
    let x = MARGIN
    cells.forEach((c, i) => {
      doc
        .font(i > 3 && font !== 'strong' ? MONO : font)
        .fontSize(size)
        .fillColor(INK)
        .text(c, x, top, { width: columns[i]![1] - 8 })
      x += columns[i]![1]
    })
    doc.y = top + high + 4
    doc
      .moveTo(MARGIN, doc.y - 2)
      .lineTo(right, doc.y - 2)
      .lineWidth(0.5)
      .stroke('#b9af96')
  }
  line(
    columns.map(([t]) => t),
    'strong',
    11,
  )
  s.rows.forEach((r, i) => {
    line(
      columns.map(([, , of]) => of(r, i)),
      'body',
      12,
    )
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

import dayjs from 'dayjs'
import PDFDocument from 'pdfkit'
import { INK } from '@north-tide/core'
import { MONO } from './draw'
import { withFonts } from './fonts'
import { numberPages, SOFT } from './page-numbers'
import type { Paper } from './paper'

/** One order as it goes to its maker, A4: how many, of what, in which packs, and what it costs. */
const MARGIN = 48
export interface OrderSheet {
  number: number
  maker: string
  orderedAt: string
  orderedBy: string
  expected: string | null
  currency: string
  costCents: number
  lines: { text: string; pieces: number; packs: string; costCents: number | null }[]
}
const day = (d: string) => dayjs(d).format('D MMMM YYYY')
interface Row {
  pieces: string
  text: string
  packs: string
  cost: string
}
function table(doc: InstanceType<typeof PDFDocument>) {
  const right = doc.page.width - MARGIN
  const at = { pieces: MARGIN, text: MARGIN + 62, packs: right - 170, cost: right - 84 }
  const row = (l: Row, font: string) => {
    doc.font(font).fontSize(11)
    const high = doc.heightOfString(l.text, { width: at.packs - at.text - 10 })
    if (doc.y + high > doc.page.height - MARGIN - 24) doc.addPage()
    const top = doc.y
    doc.fillColor(INK).text(l.text, at.text, top, { width: at.packs - at.text - 10 })
    const end = doc.y
    doc.font(font === 'strong' ? font : MONO).fontSize(10)
    doc.text(l.pieces, at.pieces, top + 1, { width: 52, align: 'right' })
    doc.text(l.packs, at.packs, top + 1, { width: 80 })
    doc.text(l.cost, at.cost, top + 1, { width: 84, align: 'right' })
    doc.y = end + 4
    doc
      .moveTo(MARGIN, doc.y - 2)
      .lineTo(right, doc.y - 2)
      .lineWidth(0.4)
      .stroke('#b9af96')
  }
  return { row, right }
}
export function orderSheet(o: OrderSheet, paper: Paper) {
  const title = `Order ${o.number}${o.maker ? `: ${o.maker}` : ', over the counter'}`
  const doc = new PDFDocument({
    size: paper,
    margin: MARGIN,
    bufferPages: true,
    info: { Title: title, Author: 'North Tide', Subject: 'Order' },
  })
  withFonts(doc)
  const money = (cents: number) => `${o.currency} ${(cents / 100).toFixed(2)}`
  doc.font('strong').fontSize(20).fillColor(INK).text(title, MARGIN)
  doc
    .font('body')
    .fontSize(11)
    .fillColor(SOFT)
    .text(`Ordered ${day(o.orderedAt)} by ${o.orderedBy}${o.expected ? `; expected ${day(o.expected)}` : ''}`)
  doc.moveDown(1)
  const { row, right } = table(doc)
  row({ pieces: 'Pieces', text: 'What', packs: 'Packs', cost: 'Price' }, 'strong')
  for (const l of o.lines)
    row(
      {
        pieces: String(l.pieces),
        text: l.text,
        packs: l.packs,
        cost: l.costCents === null ? 'not known' : money(l.costCents),
      },
      'body',
    )
  const unpriced = o.lines.filter((l) => l.costCents === null).length
  doc
    .moveDown(0.6)
    .font('strong')
    .fontSize(12)
    .fillColor(INK)
    .text(
      `${money(o.costCents)}${unpriced ? `, and ${unpriced} of ${o.lines.length} lines without a known price` : ''}`,
      MARGIN,
      doc.y,
      { width: right - MARGIN, align: 'right' },
    )
  numberPages(doc, title, new Date(), { x: MARGIN, fromBottom: 28 })
  doc.end()
  return doc
}

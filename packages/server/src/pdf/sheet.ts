import PDFDocument from 'pdfkit'
import {
  INK,
  PATTERNS,
  TONE_FILL,
  TONE_TITLES,
  estimateSaid,
  formatLength,
  formatQuantity,
  sayIn,
  type Check,
  type Drawing,
  type Units,
  type Verdict,
  formatUse,
} from '@north-tide/core'
import { MONO, drawOnPage } from './draw'
import { withFonts } from './fonts'

export const MARGIN = 42
export const SOFT = '#3a4a57'
/** what somebody has to know before he goes by the sheet */
export const SHORT = '#9f2410'
const WORD: Record<Verdict, string> = { holds: 'Holds', tight: 'Tight', short: 'Short', unproven: 'Unproven' }

/** An A4 sheet of one fitting, filled from the top: what every such sheet is made of. */
export function sheetOf(p: { name: string; boatName: string; units: Units; subject: string }) {
  const { units } = p
  const doc = new PDFDocument({
    size: 'A4',
    margin: MARGIN,
    bufferPages: true,
    info: { Title: `${p.name}, ${p.boatName}`, Author: 'North Tide', Subject: p.subject },
  })
  withFonts(doc)
  const width = doc.page.width - 2 * MARGIN
  const room = (h: number) => {
    if (doc.y + h > doc.page.height - MARGIN - 18) doc.addPage()
  }
  const heading = (words: string) => {
    room(46)
    doc.moveDown(0.7).font('strong').fontSize(12).fillColor(INK).text(words, MARGIN)
    doc
      .moveTo(MARGIN, doc.y + 1)
      .lineTo(MARGIN + width, doc.y + 1)
      .lineWidth(0.6)
      .stroke('#b9af96')
    doc.moveDown(0.35)
  }
  /** Name, where it is, which holes, and its verdict with the reason. */
  const top = (where: string, holes: string[], verdict: Verdict, because: string) => {
    doc.font('strong').fontSize(19).fillColor(INK).text(p.name)
    doc.font('body').fontSize(10).fillColor(SOFT).text(`${p.boatName} \u00b7 ${where}`)
    if (holes.length) doc.text(`Holes in the register: ${holes.join(', ')}`)
    doc
      .moveDown(0.3)
      .font('strong')
      .fontSize(12)
      .fillColor(INK)
      .text(`${WORD[verdict]}: ${sayIn(because, units)}`)
    doc.moveDown(0.5)
  }
  /** The section with its scale bar, and what its patterns mean. */
  const section = (d: Drawing, height: number) => {
    const from = doc.y
    const drawn = drawOnPage(doc, d, { x: MARGIN, y: from, width, height })
    doc.y = from + drawn.height + 6
    const bar = d.scaleBarMm * drawn.scale
    doc
      .moveTo(MARGIN, doc.y + 5)
      .lineTo(MARGIN + bar, doc.y + 5)
      .lineWidth(1)
      .stroke(INK)
    for (const x of [0, bar])
      doc
        .moveTo(MARGIN + x, doc.y + 2)
        .lineTo(MARGIN + x, doc.y + 8)
        .stroke(INK)
    doc
      .font(MONO)
      .fontSize(8)
      .fillColor(INK)
      .text(formatLength(d.scaleBarMm, units), MARGIN + bar + 5, doc.y + 1, { lineBreak: false })
    let x = MARGIN + bar + 60
    for (const tone of d.legend) {
      doc.font('body').fontSize(8)
      const wide = 24 + doc.widthOfString(TONE_TITLES[tone])
      if (x + wide > MARGIN + width) {
        x = MARGIN
        doc.y += 14
      }
      doc
        .rect(x, doc.y - 1, 12, 8)
        .lineWidth(0.5)
        .fillAndStroke(TONE_FILL[tone], INK)
      const pat = PATTERNS[tone]
      if (pat) {
        doc
          .save()
          .rect(x, doc.y - 1, 12, 8)
          .clip()
        const side = pat.tile * 11
        for (let a = x; a < x + 12; a += side)
          for (let b = doc.y - 1; b < doc.y + 8; b += side)
            for (const s of pat.strokes)
              s.forEach(([u, v], i) =>
                i ? doc.lineTo(a + u * side, b + v * side) : doc.moveTo(a + u * side, b + v * side),
              )
        doc
          .lineWidth(0.4)
          .strokeOpacity(0.6)
          .stroke(tone === 'bedding' ? '#ffffff' : INK)
          .restore()
      }
      doc.fillColor(INK).text(TONE_TITLES[tone], x + 15, doc.y, { lineBreak: false })
      x += wide
    }
    doc.y += 14
    doc.x = MARGIN
  }
  const words = (text: string, colour = INK) =>
    doc.font('body').fontSize(9.5).fillColor(colour).text(text, MARGIN)
  const line = (left: string, right = '', note = '') => {
    const w = right ? width - 190 : width
    doc.font('body').fontSize(9.5)
    room(doc.heightOfString(left, { width: w }) + 14)
    const y = doc.y
    doc.fillColor(INK).text(left, MARGIN, y, { width: w })
    let end = doc.y
    if (right) {
      doc
        .font(MONO)
        .fontSize(8.5)
        .text(right, MARGIN + width - 185, y, { width: 185, align: 'right' })
      end = Math.max(end, doc.y)
    }
    doc.y = end
    doc.x = MARGIN
    if (note) doc.font('body').fontSize(8.5).fillColor(SOFT).text(note, MARGIN, doc.y, { width })
    doc.y += 3
  }
  const check = (c: Check) => {
    const because =
      sayIn(c.because, units) +
      (c.assumed.length ? ` Leans on an estimate: ${c.assumed.map(estimateSaid).join(', ')}.` : '')
    doc.font('body').fontSize(9)
    room(doc.heightOfString(because, { width: width - 90 }) + 18)
    const y = doc.y
    doc
      .font('strong')
      .fontSize(9.5)
      .fillColor(INK)
      .text(`${WORD[c.verdict]}: ${c.title}`, MARGIN, y, { width: width - 90 })
    doc
      .font('body')
      .fontSize(9)
      .fillColor(SOFT)
      .text(because, { width: width - 90 })
    const end = doc.y
    doc
      .font(MONO)
      .fontSize(9)
      .fillColor(INK)
      .text(c.utilisation === null ? '\u2013' : formatUse(c.utilisation), MARGIN + width - 80, y, {
        width: 80,
        align: 'right',
      })
    if (c.demand !== null && c.capacity !== null && c.unit)
      doc
        .fontSize(7.5)
        .fillColor(SOFT)
        .text(
          `${formatQuantity(c.demand, c.unit, units)} of ${formatQuantity(c.capacity, c.unit, units)}`,
          MARGIN + width - 150,
          doc.y,
          { width: 150, align: 'right' },
        )
    doc.x = MARGIN
    doc.y = Math.max(end, doc.y) + 4
  }
  const checks = (list: Check[], counts: Record<Verdict, number>) => {
    heading(
      `Checks: ${(['short', 'unproven', 'tight', 'holds'] as const)
        .filter((v) => counts[v])
        .map((v) => `${counts[v]} ${v}`)
        .join(', ')}`,
    )
    for (const c of list) check(c)
  }
  /** Page numbers, and the day it was printed; nothing comes after. */
  const finish = (printedAt: Date) => {
    const pages = doc.bufferedPageRange()
    for (let i = 0; i < pages.count; i++) {
      doc.switchToPage(i)
      doc.page.margins.bottom = 0
      doc
        .font('body')
        .fontSize(8)
        .fillColor(SOFT)
        .text(
          `North Tide \u00b7 ${p.name} \u00b7 printed ${printedAt.toISOString().slice(0, 10)} \u00b7 page ${i + 1} of ${pages.count}`,
          MARGIN,
          doc.page.height - MARGIN,
          { lineBreak: false, width },
        )
    }
    doc.end()
    return doc
  }
  return { doc, width, room, heading, top, section, words, line, checks, finish }
}

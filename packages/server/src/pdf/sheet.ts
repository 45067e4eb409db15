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
import { numberPages, SOFT } from './page-numbers'
import type { Paper } from './paper'

export const MARGIN = 42
/** what somebody has to know before he goes by the sheet */
export const SHORT = '#9f2410'
const WORD: Record<Verdict, string> = { holds: 'Holds', tight: 'Tight', short: 'Short', unproven: 'Unproven' }

interface Subject {
  name: string
  boatName: string
  units: Units
  subject: string
  paper: Paper
}
type Doc = InstanceType<typeof PDFDocument>

/** A sheet of one fitting, filled from the top: what every such sheet is made of. */
export class Sheet {
  readonly doc: Doc
  readonly width: number

  constructor(private readonly of: Subject) {
    this.doc = new PDFDocument({
      size: of.paper,
      margin: MARGIN,
      bufferPages: true,
      info: { Title: `${of.name}, ${of.boatName}`, Author: 'North Tide', Subject: of.subject },
    })
    withFonts(this.doc)
    this.width = this.doc.page.width - 2 * MARGIN
  }

  /** A page that still has so many points, the next one if this has not. */
  room(h: number) {
    const { doc } = this
    if (doc.y + h > doc.page.height - MARGIN - 18) doc.addPage()
  }

  heading(words: string) {
    const { doc, width } = this
    this.room(46)
    doc.moveDown(0.7).font('strong').fontSize(12).fillColor(INK).text(words, MARGIN)
    doc
      .moveTo(MARGIN, doc.y + 1)
      .lineTo(MARGIN + width, doc.y + 1)
      .lineWidth(0.6)
      .stroke('#b9af96')
    doc.moveDown(0.35)
  }

  /** Name, where it is, which holes, and its verdict with the reason. */
  top(where: string, holes: string[], verdict: Verdict, because: string) {
    const { doc, of } = this
    doc.font('strong').fontSize(19).fillColor(INK).text(of.name)
    doc.font('body').fontSize(10).fillColor(SOFT).text(`${of.boatName} \u00b7 ${where}`)
    if (holes.length) doc.text(`Holes in the register: ${holes.join(', ')}`)
    doc
      .moveDown(0.3)
      .font('strong')
      .fontSize(12)
      .fillColor(INK)
      .text(`${WORD[verdict]}: ${sayIn(because, of.units)}`)
    doc.moveDown(0.5)
  }

  /** The section with its scale bar, and what its patterns mean. */
  section(d: Drawing, height: number) {
    const { doc, width } = this
    const from = doc.y
    const drawn = drawOnPage(doc, d, { x: MARGIN, y: from, width, height })
    doc.y = from + drawn.height + 6
    const bar = d.scaleBarMm * drawn.scale
    this.scaleBar(d, bar)
    this.legend(d, MARGIN + bar + 60)
    doc.y += 14
    doc.x = MARGIN
  }
  private scaleBar(d: Drawing, bar: number) {
    const { doc } = this
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
      .text(formatLength(d.scaleBarMm, this.of.units), MARGIN + bar + 5, doc.y + 1, { lineBreak: false })
  }
  private legend(d: Drawing, startX: number) {
    const { doc, width } = this
    let x = startX
    for (const tone of d.legend) {
      doc.font('body').fontSize(8)
      const wide = 24 + doc.widthOfString(TONE_TITLES[tone])
      if (x + wide > MARGIN + width) {
        x = MARGIN
        doc.y += 14
      }
      swatch(doc, tone, x, doc.y - 1)
      doc.fillColor(INK).text(TONE_TITLES[tone], x + 15, doc.y, { lineBreak: false })
      x += wide
    }
  }

  words(text: string, colour = INK) {
    this.doc.font('body').fontSize(9.5).fillColor(colour).text(text, MARGIN)
  }

  line(left: string, right = '', note = '') {
    const { doc, width } = this
    const w = right ? width - 190 : width
    doc.font('body').fontSize(9.5)
    this.room(doc.heightOfString(left, { width: w }) + 14)
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

  checks(list: Check[], counts: Record<Verdict, number>) {
    const said = (['short', 'unproven', 'tight', 'holds'] as const)
      .filter((v) => counts[v])
      .map((v) => `${counts[v]} ${v}`)
    this.heading(`Checks: ${said.join(', ')}`)
    for (const c of list) this.check(c)
  }
  private check(c: Check) {
    const { doc, width } = this
    const { units } = this.of
    const leans = c.assumed.length ? ` Leans on an estimate: ${c.assumed.map(estimateSaid).join(', ')}.` : ''
    const because = sayIn(c.because, units) + leans
    doc.font('body').fontSize(9)
    this.room(doc.heightOfString(because, { width: width - 90 }) + 18)
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
    const use = c.utilisation === null ? '\u2013' : formatUse(c.utilisation)
    doc
      .font(MONO)
      .fontSize(9)
      .fillColor(INK)
      .text(use, MARGIN + width - 80, y, { width: 80, align: 'right' })
    if (c.demand !== null && c.capacity !== null && c.unit) {
      const [demand, capacity] = [c.demand, c.capacity].map((v) => formatQuantity(v, c.unit, units))
      doc
        .fontSize(7.5)
        .fillColor(SOFT)
        .text(`${demand} of ${capacity}`, MARGIN + width - 150, doc.y, { width: 150, align: 'right' })
    }
    doc.x = MARGIN
    doc.y = Math.max(end, doc.y) + 4
  }

  /** Page numbers, and the day it was printed; nothing comes after. */
  finish(printedAt: Date): Doc {
    numberPages(this.doc, `North Tide \u00b7 ${this.of.name}`, printedAt, { x: MARGIN, fromBottom: MARGIN })
    this.doc.end()
    return this.doc
  }
}

/** A small field of a material's tone and pattern. */
function swatch(doc: Doc, tone: Drawing['legend'][number], x: number, y: number) {
  doc.rect(x, y, 12, 8).lineWidth(0.5).fillAndStroke(TONE_FILL[tone], INK)
  const pat = PATTERNS[tone]
  if (!pat) return
  doc.save().rect(x, y, 12, 8).clip()
  const side = pat.tile * 11
  for (let a = x; a < x + 12; a += side)
    for (let b = y; b < y + 9; b += side)
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

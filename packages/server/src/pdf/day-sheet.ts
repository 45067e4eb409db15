import dayjs from 'dayjs'
import PDFDocument from 'pdfkit'
import { INK, type HeldWork, type PlanDay, type PlannedStep } from '@north-tide/core'
import { MONO } from './draw'
import { withFonts } from './fonts'
import { numberPages, SOFT } from './page-numbers'
import type { Paper } from './paper'

/** The sheet of one day for the wall of the shed: read from two metres, so nothing on it is small. A4. */
const MARGIN = 40
const LARGE = 22
const TEXT = 17
const NUMBER = 17
const CLOCK_W = 128
const CAUTION = '#9f2410'
export interface DaySheet {
  day: PlanDay
  held: HeldWork[]
  printedAt: Date
}
type Doc = InstanceType<typeof PDFDocument>
const clock = (t: string) => t.slice(11)

function room(doc: Doc, h: number) {
  if (doc.y + h > doc.page.height - MARGIN - 20) doc.addPage()
}
function step(doc: Doc, s: PlannedStep, who: string) {
  const width = doc.page.width - 2 * MARGIN - CLOCK_W
  const words = [
    { text: `${s.fitting} \u00b7 ${s.zone}`, font: 'strong', colour: INK },
    { text: s.text, font: 'body', colour: INK },
    ...(s.who.length > 1
      ? [{ text: `with ${s.who.filter((w) => w !== who).join(', ')}`, font: 'strong', colour: INK }]
      : []),
    ...(s.alone ? [{ text: `Alone: ${s.alone}`, font: 'body', colour: INK }] : []),
    ...(s.caution ? [{ text: s.caution, font: 'strong', colour: CAUTION }] : []),
    ...(s.cureEnd > s.end
      ? [{ text: `cures until ${dayjs(s.cureEnd).format('ddd D MMM, HH:mm')}`, font: 'body', colour: SOFT }]
      : []),
  ]
  doc.fontSize(TEXT)
  const high = words.reduce((h, w) => h + doc.font(w.font).heightOfString(w.text, { width }), 10)
  room(doc, high)
  const top = doc.y
  doc
    .font(MONO)
    .fontSize(NUMBER)
    .fillColor(INK)
    .text(`${clock(s.start)}\u2013${clock(s.end)}`, MARGIN, top, { lineBreak: false })
  doc.y = top
  for (const w of words)
    doc
      .font(w.font)
      .fontSize(TEXT)
      .fillColor(w.colour)
      .text(w.text, MARGIN + CLOCK_W, doc.y, { width })
  doc.y += 8
  doc
    .moveTo(MARGIN, doc.y - 4)
    .lineTo(doc.page.width - MARGIN, doc.y - 4)
    .lineWidth(0.6)
    .stroke('#b9af96')
}
function heading(doc: Doc, words: string) {
  room(doc, 90)
  doc.moveDown(0.3).font('strong').fontSize(LARGE).fillColor(INK).text(words, MARGIN)
  doc.moveDown(0.2)
}
function list(doc: Doc, title: string, lines: string[]) {
  if (!lines.length) return
  heading(doc, title)
  const width = doc.page.width - 2 * MARGIN
  for (const l of lines) {
    doc.font('body').fontSize(TEXT)
    room(doc, doc.heightOfString(l, { width }) + 4)
    doc.fillColor(INK).text(l, MARGIN, doc.y, { width })
  }
}
export function daySheet({ day, held, printedAt }: DaySheet, paper: Paper): Doc {
  const title = dayjs(day.day).format('dddd D MMMM')
  const boats = [...new Set(day.steps.map((s) => s.boat))]
  const doc = new PDFDocument({
    size: paper,
    margin: MARGIN,
    bufferPages: true,
    info: { Title: `${title}: ${boats.join(', ')}`, Author: 'North Tide', Subject: 'Sheet of a day' },
  })
  withFonts(doc)
  doc.font('strong').fontSize(30).fillColor(INK).text(title, MARGIN)
  doc.font('body').fontSize(TEXT).fillColor(SOFT).text(boats.join(', '))
  for (const who of [...new Set(day.steps.flatMap((s) => s.who))].sort()) {
    heading(doc, who)
    for (const s of day.steps.filter((x) => x.who.includes(who))) step(doc, s, who)
  }
  list(doc, 'In the bag', day.bag.length ? [day.bag.join(', ')] : [])
  const shared = (of: { fitting: string; ml: number }[]) =>
    of.map((f) => `${f.fitting} ${Math.round(f.ml)} ml`).join(', ')
  list(
    doc,
    'Pots',
    (day.pots ?? []).map(
      (p) =>
        `${clock(p.at)} ${p.times > 1 ? `${p.times} \u00d7 ` : ''}${Math.ceil(p.ml)} ml, ${p.hardener}: ${shared(p.for)}`,
    ),
  )
  list(
    doc,
    'Tubes',
    (day.tubes ?? []).map((t) => `${t.lot ?? 'to be bought'}, ${t.chemistry}: ${shared(t.for)}`),
  )
  list(
    doc,
    'Cures meanwhile',
    day.cures.map(
      (c) => `${c.fitting}: ${c.text.split(/[:.;]/)[0]}, until ${dayjs(c.until).format('ddd D MMM, HH:mm')}`,
    ),
  )
  list(
    doc,
    'Held',
    held.map((h) => `${h.fitting}: ${h.why}${h.until ? `, until ${dayjs(h.until).format('D MMM')}` : ''}`),
  )
  numberPages(doc, `${title}, ${boats.join(', ')}`, printedAt, { x: MARGIN, fromBottom: 28 })
  doc.end()
  return doc
}

import PDFDocument from 'pdfkit'
import { TONE_FILL, TONE_TITLES, PATTERNS, INK, cautionsOf, estimateSaid, formatForce, formatLength, formatQuantity, formatTorque, judgeWhole, partsOf, sayIn, stepsOf, type Check, type Design, type Units, type Verdict, type YardValue } from '@north-tide/core'
import { MONO, drawOnPage } from './draw'
import { withFonts } from './fonts'

const MARGIN = 42
const SOFT = '#3a4a57'
const WORD: Record<Verdict, string> = { holds: 'Holds', tight: 'Tight', short: 'Short', unproven: 'Unproven' }

/** The spec sheet of one fitting: section as vectors, checks, parts, steps, cautions. A4. */
export function specSheet(p: { design: Design; boatName: string; units: Units; version: number; printedAt: Date; holes: string[]; yard?: YardValue[] }): PDFKit.PDFDocument {
  const { design, units } = p
  const { judgement: j, section, pattern } = judgeWhole(design, units, p.yard)
  const doc = new PDFDocument({ size: 'A4', margin: MARGIN, bufferPages: true, info: { Title: `${design.name}, ${p.boatName}`, Author: 'North Tide', Subject: 'Spec sheet of a fitting' } })
  withFonts(doc)
  const width = doc.page.width - 2 * MARGIN
  const bottom = () => doc.page.height - MARGIN - 18
  const room = (h: number) => {
    if (doc.y + h > bottom()) doc.addPage()
  }
  const heading = (words: string) => {
    room(46)
    doc.moveDown(0.7).font('strong').fontSize(12).fillColor(INK).text(words, MARGIN)
    doc.moveTo(MARGIN, doc.y + 1).lineTo(MARGIN + width, doc.y + 1).lineWidth(0.6).stroke('#b9af96')
    doc.moveDown(0.35)
  }

  doc.font('strong').fontSize(19).fillColor(INK).text(design.name)
  doc.font('body').fontSize(10).fillColor(SOFT).text(`${p.boatName} \u00b7 ${design.place.zone ?? 'no zone'}, x ${formatLength(design.place.xMm, units)}, ${design.place.yMm >= 0 ? 'starboard' : 'port'} ${formatLength(Math.abs(design.place.yMm), units)} \u00b7 ${design.catalogueId ?? 'own hardware'} \u00b7 duty ${design.duty}${design.dutyReason ? ` (${design.dutyReason})` : ''} \u00b7 version ${p.version}`)
  if (p.holes.length) doc.text(`Holes in the register: ${p.holes.join(', ')}`)
  doc.moveDown(0.3).font('strong').fontSize(12).fillColor(INK).text(`${WORD[j.verdict]}: ${sayIn(j.checks.find((c) => c.id === j.governing)?.because ?? '', units)}`)
  doc.moveDown(0.5)

  const top = doc.y
  const drawn = drawOnPage(doc, section, { x: MARGIN, y: top, width, height: 250 })
  doc.y = top + drawn.height + 6
  const bar = section.scaleBarMm * drawn.scale
  doc.moveTo(MARGIN, doc.y + 5).lineTo(MARGIN + bar, doc.y + 5).lineWidth(1).stroke(INK)
  for (const x of [0, bar]) doc.moveTo(MARGIN + x, doc.y + 2).lineTo(MARGIN + x, doc.y + 8).stroke(INK)
  doc.font(MONO).fontSize(8).fillColor(INK).text(formatLength(section.scaleBarMm, units), MARGIN + bar + 5, doc.y + 1, { lineBreak: false })
  let lx = MARGIN + bar + 60
  for (const tone of section.legend) {
    doc.rect(lx, doc.y - 1, 12, 8).lineWidth(0.5).fillAndStroke(TONE_FILL[tone], INK)
    const pat = PATTERNS[tone]
    if (pat) {
      doc.save().rect(lx, doc.y - 1, 12, 8).clip()
      const side = pat.tile * 11
      for (let x = lx; x < lx + 12; x += side) for (let y = doc.y - 1; y < doc.y + 8; y += side) for (const s of pat.strokes) s.forEach(([a, b], i) => (i ? doc.lineTo(x + a * side, y + b * side) : doc.moveTo(x + a * side, y + b * side)))
      doc.lineWidth(0.4).strokeOpacity(0.6).stroke(tone === 'bedding' ? '#ffffff' : INK).restore()
    }
    doc.font('body').fontSize(8).fillColor(INK).text(TONE_TITLES[tone], lx + 15, doc.y, { lineBreak: false })
    lx += 24 + doc.widthOfString(TONE_TITLES[tone])
  }
  doc.y += 14
  doc.x = MARGIN

  heading('What it carries')
  doc.font('body').fontSize(9.5).fillColor(INK).text(`${formatForce(j.load.loadN, units)}, ${formatLength(j.load.heightMm, units)} above the base, judged in ${j.directions} direction${j.directions > 1 ? 's' : ''}${j.swept ? ' (it may come from anywhere)' : ''}. Snug torque ${formatTorque(j.preload.torqueNm, units)}${j.preload.limitedByDeck ? ', limited by what deck and plate can bear' : ''}.${j.caseSaid ? ` ${j.cases.length} load cases: ${sayIn(j.caseSaid, units)}` : ''}${j.worst.contact ? ` The base tips on the deck: greatest pull ${formatForce(j.worst.maxTensionN, units)}, by the hand check ${formatForce(j.worst.handMaxTensionN, units)}.` : ''}`)
  if (j.assumed.length) doc.fillColor(SOFT).text(`Estimates it leans on: ${j.assumed.map(estimateSaid).join(', ')}.`)
  const py = doc.y + 4
  room(110)
  const patternTop = Math.max(py, doc.y)
  const pd = drawOnPage(doc, pattern, { x: MARGIN, y: patternTop, width: 190, height: 100 })
  doc.font(MONO).fontSize(8).fillColor(INK)
  j.worst.bolts.slice(0, 10).forEach((b, i) => doc.text(`bolt ${i + 1}   ${formatForce(b.tensionN, units).padStart(10)} pull  ${formatForce(b.shearN, units).padStart(10)} shear  used ${b.utilisation.toFixed(2)}`, MARGIN + 210, patternTop + 4 + i * 11, { lineBreak: false }))
  doc.x = MARGIN
  doc.y = patternTop + Math.max(pd.height, Math.min(10, j.worst.bolts.length) * 11) + 6

  heading(`Checks: ${(['short', 'unproven', 'tight', 'holds'] as const).filter((v) => j.counts[v]).map((v) => `${j.counts[v]} ${v}`).join(', ')}`)
  for (const c of j.checks) checkRow(doc, c, width, units, room)
  heading('Parts')
  for (const part of partsOf(design, j, units)) line(doc, width, room, part.what, [part.size, part.count && `\u00d7 ${part.count}`].filter(Boolean).join('  '), part.note)
  heading('Steps')
  stepsOf(design, j, units).forEach((s, i) => line(doc, width, room, `${i + 1}. ${s.text}`, '', [s.hands === 2 ? 'two people' : '', s.gate ? 'recorded before going on' : ''].filter(Boolean).join(' \u00b7 ')))
  heading('Cautions')
  for (const c of cautionsOf(design)) line(doc, width, room, c.text, '', '')

  const pages = doc.bufferedPageRange()
  for (let i = 0; i < pages.count; i++) {
    doc.switchToPage(i)
    doc.page.margins.bottom = 0
    doc.font('body').fontSize(8).fillColor(SOFT).text(`North Tide \u00b7 ${design.name} \u00b7 printed ${p.printedAt.toISOString().slice(0, 10)} \u00b7 page ${i + 1} of ${pages.count}`, MARGIN, doc.page.height - MARGIN, { lineBreak: false, width })
  }
  doc.end()
  return doc
}

type Room = (h: number) => void
function checkRow(doc: PDFKit.PDFDocument, c: Check, width: number, units: Units, room: Room) {
  const because = sayIn(c.because, units) + (c.assumed.length ? ` Leans on an estimate: ${c.assumed.map(estimateSaid).join(', ')}.` : '')
  doc.font('body').fontSize(9)
  room(doc.heightOfString(because, { width: width - 90 }) + 18)
  const y = doc.y
  doc.font('strong').fontSize(9.5).fillColor(INK).text(`${WORD[c.verdict]}: ${c.title}`, MARGIN, y, { width: width - 90 })
  doc.font('body').fontSize(9).fillColor(SOFT).text(because, { width: width - 90 })
  const end = doc.y
  doc.font(MONO).fontSize(9).fillColor(INK).text(c.utilisation === null ? '\u2013' : c.utilisation.toFixed(2), MARGIN + width - 80, y, { width: 80, align: 'right' })
  if (c.demand !== null && c.capacity !== null && c.unit) doc.fontSize(7.5).fillColor(SOFT).text(`${formatQuantity(c.demand, c.unit, units)} of ${formatQuantity(c.capacity, c.unit, units)}`, MARGIN + width - 150, doc.y, { width: 150, align: 'right' })
  doc.x = MARGIN
  doc.y = Math.max(end, doc.y) + 4
}
function line(doc: PDFKit.PDFDocument, width: number, room: Room, left: string, right: string, note: string) {
  const w = right ? width - 190 : width
  doc.font('body').fontSize(9.5)
  room(doc.heightOfString(left, { width: w }) + 14)
  const y = doc.y
  doc.fillColor(INK).text(left, MARGIN, y, { width: w })
  let end = doc.y
  if (right) {
    doc.font(MONO).fontSize(8.5).text(right, MARGIN + width - 185, y, { width: 185, align: 'right' })
    end = Math.max(end, doc.y)
  }
  doc.y = end
  doc.x = MARGIN
  if (note) doc.font('body').fontSize(8.5).fillColor(SOFT).text(note, MARGIN, doc.y, { width })
  doc.y += 3
}

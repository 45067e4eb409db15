import { INK, cautionsOf, estimateSaid, formatForce, formatLength, formatTorque, judgeWhole, partsOf, sayIn, stepsOf, type Design, type Units, type YardValue } from '@north-tide/core'
import { MONO, drawOnPage } from './draw'
import { MARGIN, SOFT, sheetOf } from './sheet'

/** The spec sheet of one fitting: section as vectors, checks, parts, steps, cautions. A4. */
export function specSheet(p: { design: Design; boatName: string; units: Units; version: number; printedAt: Date; holes: string[]; yard?: YardValue[] }): PDFKit.PDFDocument {
  const { design, units } = p
  const { judgement: j, section, pattern } = judgeWhole(design, units, p.yard)
  const s = sheetOf({ name: design.name, boatName: p.boatName, units, subject: 'Spec sheet of a fitting' })
  const { doc } = s
  s.top(
    `${design.place.zone ?? 'no zone'}, x ${formatLength(design.place.xMm, units)}, ${design.place.yMm >= 0 ? 'starboard' : 'port'} ${formatLength(Math.abs(design.place.yMm), units)} \u00b7 ${design.catalogueId ?? 'own hardware'} \u00b7 duty ${design.duty}${design.dutyReason ? ` (${design.dutyReason})` : ''} \u00b7 version ${p.version}`,
    p.holes, j.verdict, j.checks.find((c) => c.id === j.governing)?.because ?? '',
  )
  s.section(section, 250)

  s.heading('What it carries')
  s.words(`${formatForce(j.load.loadN, units)}, ${formatLength(j.load.heightMm, units)} above the base, judged in ${j.directions} direction${j.directions > 1 ? 's' : ''}${j.swept ? ' (it may come from anywhere)' : ''}. Snug torque ${formatTorque(j.preload.torqueNm, units)}${j.preload.limitedByDeck ? ', limited by what deck and plate can bear' : ''}.${j.caseSaid ? ` ${j.cases.length} load cases: ${sayIn(j.caseSaid, units)}` : ''}${j.worst.contact ? ` The base tips on the deck: greatest pull ${formatForce(j.worst.maxTensionN, units)}, by the hand check ${formatForce(j.worst.handMaxTensionN, units)}.` : ''}`)
  if (j.assumed.length) s.words(`Estimates it leans on: ${j.assumed.map(estimateSaid).join(', ')}.`, SOFT)
  const py = doc.y + 4
  s.room(110)
  const patternTop = Math.max(py, doc.y)
  const pd = drawOnPage(doc, pattern, { x: MARGIN, y: patternTop, width: 190, height: 100 })
  doc.font(MONO).fontSize(8).fillColor(INK)
  j.worst.bolts.slice(0, 10).forEach((b, i) => doc.text(`bolt ${i + 1}   ${formatForce(b.tensionN, units).padStart(10)} pull  ${formatForce(b.shearN, units).padStart(10)} shear  used ${b.utilisation.toFixed(2)}`, MARGIN + 210, patternTop + 4 + i * 11, { lineBreak: false }))
  doc.x = MARGIN
  doc.y = patternTop + Math.max(pd.height, Math.min(10, j.worst.bolts.length) * 11) + 6

  s.checks(j.checks, j.counts)
  s.heading('Parts')
  for (const part of partsOf(design, j, units)) s.line(part.what, [part.size, part.count && `\u00d7 ${part.count}`].filter(Boolean).join('  '), part.note)
  s.heading('Steps')
  stepsOf(design, j, units).forEach((q, i) => s.line(`${i + 1}. ${q.text}`, '', [q.hands === 2 ? 'two people' : '', q.gate ? 'recorded before going on' : ''].filter(Boolean).join(' \u00b7 ')))
  s.heading('Cautions')
  for (const c of cautionsOf(design)) s.line(c.text)
  return s.finish(p.printedAt)
}

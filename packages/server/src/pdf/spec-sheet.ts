import {
  INK,
  cautionsOf,
  drawPattern,
  drawSection,
  estimateSaid,
  formatForce,
  formatLength,
  formatTorque,
  partsOf,
  sayIn,
  stepsOf,
  type Design,
  type Flag,
  type Judgement,
  type Units,
} from '@north-tide/core'
import { MONO, drawOnPage } from './draw'
import { MARGIN, SHORT, SOFT, sheetOf } from './sheet'

/** The spec sheet of one fitting: section as vectors, checks, parts, steps, cautions. A4. */
export interface Sheet {
  design: Design
  /** the one that is stored, plate solver included: paper says what the bench says */
  judgement: Judgement
  solverDue: boolean
  /** what the design believed of its deck that the zone no longer says */
  stale: string[] | null
  /** what the place warns of: a wet core, no reach, a beam */
  flags: Flag[]
  zone: string
  boatName: string
  units: Units
  version: number
  printedAt: Date
  holes: string[]
}
export function specSheet(p: Sheet): PDFKit.PDFDocument {
  const { design, judgement: j, units, zone } = p
  const section = drawSection(design, j, units)
  const pattern = drawPattern(design, j, units)
  const s = sheetOf({ name: design.name, boatName: p.boatName, units, subject: 'Spec sheet of a fitting' })
  const { doc } = s
  s.top(
    `${zone}, x ${formatLength(design.place.xMm, units)}, ${design.place.yMm >= 0 ? 'starboard' : 'port'} ${formatLength(Math.abs(design.place.yMm), units)} \u00b7 ${design.catalogueId ?? 'own hardware'} \u00b7 duty ${design.duty}${design.dutyReason ? ` (${design.dutyReason})` : ''} \u00b7 version ${p.version}`,
    p.holes,
    j.verdict,
    j.checks.find((c) => c.id === j.governing)?.because ?? '',
  )
  if (p.solverDue)
    s.words('The plate solver has not judged it yet: the verdict is by the hand checks alone.', SHORT)
  if (p.stale)
    s.words(
      `The deck has been measured again: ${p.stale.join('; ')}. It is judged on the deck as it is now.`,
      SHORT,
    )
  s.section(section, 250)
  if (p.flags.length) {
    s.heading('Before drilling here')
    for (const f of p.flags) s.line(sayIn(f.text, units))
  }

  s.heading('What it carries')
  s.words(
    `${formatForce(j.load.loadN, units)}, ${formatLength(j.load.heightMm, units)} above the base, judged in ${j.directions} direction${j.directions > 1 ? 's' : ''}${j.swept ? ' (it may come from anywhere)' : ''}. Snug torque ${formatTorque(j.preload.torqueNm, units)}${j.preload.limitedByDeck ? ', limited by what deck and plate can bear' : ''}.${j.caseSaid ? ` ${j.cases.length} load cases: ${sayIn(j.caseSaid, units)}` : ''}${j.worst.contact ? ` The base tips on the deck: greatest pull ${formatForce(j.worst.maxTensionN, units)}, by the hand check ${formatForce(j.worst.handMaxTensionN, units)}.` : ''}`,
  )
  if (j.assumed.length) s.words(`Estimates it leans on: ${j.assumed.map(estimateSaid).join(', ')}.`, SOFT)
  const py = doc.y + 4
  s.room(110)
  const patternTop = Math.max(py, doc.y)
  const pd = drawOnPage(doc, pattern, { x: MARGIN, y: patternTop, width: 190, height: 100 })
  doc.font(MONO).fontSize(8).fillColor(INK)
  j.worst.bolts
    .slice(0, 10)
    .forEach((b, i) =>
      doc.text(
        `bolt ${i + 1}   ${formatForce(b.tensionN, units).padStart(10)} pull  ${formatForce(b.shearN, units).padStart(10)} shear  used ${b.utilisation.toFixed(2)}`,
        MARGIN + 210,
        patternTop + 4 + i * 11,
        { lineBreak: false },
      ),
    )
  doc.x = MARGIN
  doc.y = patternTop + Math.max(pd.height, Math.min(10, j.worst.bolts.length) * 11) + 6

  s.checks(j.checks, j.counts)
  s.heading('Parts')
  for (const part of partsOf(design, j, units))
    s.line(part.what, [part.size, part.count && `\u00d7 ${part.count}`].filter(Boolean).join('  '), part.note)
  s.heading('Steps')
  stepsOf(design, j, units).forEach((q, i) =>
    s.line(
      `${i + 1}. ${q.text}`,
      '',
      [q.hands === 2 ? 'two people' : '', q.gate ? 'recorded before going on' : '']
        .filter(Boolean)
        .join(' \u00b7 '),
    ),
  )
  s.heading('Cautions')
  for (const c of cautionsOf(design)) s.line(c.text)
  return s.finish(p.printedAt)
}

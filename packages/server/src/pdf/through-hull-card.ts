import { formatLength, sayIn, type Units } from '@north-tide/core'
import {
  THROUGH_HULL_FAMILY,
  USE_TITLES,
  throughHullCautions,
  throughHullOrientation,
  throughHullParts,
  throughHullSection,
  throughHullSteps,
  clockDial,
  logSaid,
  turnSaid,
  type ThroughHullDesign,
  type ThroughHullJudgement,
  type ThroughHullLog,
} from '@north-tide/core/through-hull'
import { drawOnPage } from './draw'
import { MARGIN, SOFT, sheetOf } from './sheet'

/**
 * The card of one fitting through the hull, for the wall beside the work: cut, what to cut, which way the
 * handle stands, checks, parts, steps with their ticks, cautions. A4.
 */
export function throughHullCard(p: {
  design: ThroughHullDesign
  judgement: ThroughHullJudgement
  log: ThroughHullLog[]
  zone: string
  boatName: string
  units: Units
  version: number
  printedAt: Date
  holes: string[]
}): PDFKit.PDFDocument {
  const { design: d, judgement: j, units, zone } = p
  const mm = (v: number) => formatLength(Number(v.toFixed(1)), units)
  const s = sheetOf({
    name: d.name,
    boatName: p.boatName,
    units,
    subject: 'Card of a fitting through the hull',
  })
  s.top(
    `${THROUGH_HULL_FAMILY[d.family].title} for ${USE_TITLES[d.use]} \u00b7 ${zone}, x ${formatLength(d.place.xMm, units)}, ${d.place.yMm >= 0 ? 'starboard' : 'port'} ${formatLength(Math.abs(d.place.yMm), units)}, ${formatLength(Math.abs(d.place.zMm), units)} ${d.place.zMm < 0 ? 'under water' : 'above water'} \u00b7 duty ${d.duty}${d.dutyReason ? ` (${d.dutyReason})` : ''} \u00b7 version ${p.version}`,
    p.holes,
    j.verdict,
    j.checks.find((c) => c.id === j.governing)?.because ?? '',
  )
  s.section(throughHullSection(d, j, units), 300)

  s.heading('To cut')
  if (j.stack)
    s.line(
      'Hole',
      mm(j.stack.holeMm),
      j.stack.trimMm > 0
        ? `tail: trim ${mm(j.stack.trimMm)}, leave ${mm(j.stack.cutLengthMm)}; check stick ${mm(j.stack.stickMm[0]!)} to ${mm(j.stack.stickMm[1]!)}`
        : `no trim; check stick ${mm(j.stack.stickMm[0]!)} to ${mm(j.stack.stickMm[1]!)}`,
    )
  else s.line('Hole', mm(d.boredMm ?? d.skin.holeMm))
  for (const side of ['outside', 'inside'] as const) {
    const w = j.wedges[side]
    if (w)
      s.line(
        `Wedge block, ${side}`,
        `${mm(w.thinMm)} to ${mm(w.thickMm)}`,
        `saw ${w.saw.angleDeg.toFixed(1)}\u00b0, ${mm(w.saw.outlineMm[0]!)} across, stock ${mm(w.saw.stockMm)}; thick side at ${Math.round((side === 'outside' ? w.outsideThickAtDeg : w.insideThickAtDeg) ?? 0)}\u00b0, 0 straight outboard and 90 aft`,
      )
  }
  if (d.pad) s.line('Pad', `${mm(d.pad.diameterMm)} by ${mm(d.pad.thicknessMm)}`)
  s.words(`How it stands: ${throughHullOrientation(d, j)}.`, SOFT)

  const dial = clockDial(d, j, units)
  if (dial) {
    s.heading('Which way the handle stands')
    s.words(sayIn(turnSaid(d, j, units), units))
    s.room(170)
    const from = s.doc.y + 4
    const drawn = drawOnPage(s.doc, dial, { x: MARGIN, y: from, width: 260, height: 160 })
    s.doc.y = from + drawn.height + 4
    s.words(`${dial.title}.`, SOFT)
  }

  s.checks(j.checks, j.counts)
  s.heading('Parts')
  for (const part of throughHullParts(d, j, units))
    s.line(part.what, [part.size, part.count && `\u00d7 ${part.count}`].filter(Boolean).join('  '), part.note)
  s.heading('Steps')
  throughHullSteps(d, j, units).forEach((q, i) => {
    const tick = d.ticks[q.id]
    s.line(
      `${i + 1}. ${sayIn(q.text, units)}`,
      tick ? `done ${tick.at.slice(0, 10)}` : q.gate ? '[   ]' : '',
      [q.hands === 2 ? 'two people' : '', q.alone && `alone: ${q.alone}`, q.caution]
        .filter(Boolean)
        .join(' \u00b7 '),
    )
  })
  if (p.log.length) {
    s.heading('What happened')
    for (const l of p.log) s.line(logSaid(l, units), '', `${l.at.slice(0, 10)}, ${l.who}`)
  }
  s.heading('Cautions')
  for (const c of throughHullCautions(d)) s.line(c.text)
  return s.finish(p.printedAt)
}

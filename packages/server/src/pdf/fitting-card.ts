import {
  estimateSaid,
  formatLength,
  logSaid,
  partSaid,
  sayIn,
  stepTakes,
  workState,
  type Units,
  daySaid,
} from '@north-tide/core'
import type { FittingSheet } from '../services/opened'
import { drawOnPage } from './draw'
import { SOFT } from './page-numbers'
import { MARGIN, SHORT, Sheet } from './sheet'
import type { Paper } from './paper'

/** The card of one fitting, of whatever kind, for the wall beside the work and the surveyor's folder. A4. */
export type Card = FittingSheet & { units: Units; printedAt: Date; paper: Paper }

function placeSaid({ design: d, kind, zone, units, f }: Card): string {
  const mm = (v: number) => formatLength(v, units)
  const side = d.place.yMm >= 0 ? 'starboard' : 'port'
  const height = d.place.zMm < 0 ? `${mm(-d.place.zMm)} under water` : `${mm(d.place.zMm)} above water`
  const reason = (d as { dutyReason?: string | null }).dutyReason
  return [
    kind.families[d.family] ?? d.family,
    `${zone}, x ${mm(d.place.xMm)}, ${side} ${mm(Math.abs(d.place.yMm))}, ${height}`,
    d.catalogueId ?? 'own hardware',
    `duty ${d.duty}${reason ? ` (${reason})` : ''}`,
    `version ${f.version}`,
  ].join(' \u00b7 ')
}

function warnings(s: Sheet, p: Card) {
  if (p.solverDue)
    s.words('The plate solver has not judged it yet: the verdict is by the hand checks alone.', SHORT)
  if (p.stale)
    s.words(`The boat has been measured again: ${p.stale.join('; ')}. It is judged as it is now.`, SHORT)
}
function drawings(s: Sheet, p: Card) {
  const [first, ...others] = p.kind.drawings(p.design, p.judgement, p.units)
  if (first) s.section(first.drawing, 260)
  if (p.flags.length) {
    s.heading('Before drilling here')
    for (const f of p.flags) s.line(sayIn(f.text, p.units))
  }
  for (const block of p.kind.card(p.design, p.judgement, { ...p.around, units: p.units })) {
    if (!block.lines.length) continue
    s.heading(block.title)
    for (const l of block.lines) s.words(sayIn(l, p.units))
  }
  const assumed = [...new Set(p.judgement.checks.flatMap((c) => c.assumed))]
  if (assumed.length) s.words(`Estimates it leans on: ${assumed.map(estimateSaid).join(', ')}.`, SOFT)
  for (const { title, drawing } of others) {
    s.heading(title)
    s.room(150)
    const from = s.doc.y + 4
    const drawn = drawOnPage(s.doc, drawing, { x: MARGIN, y: from, width: 260, height: 140 })
    s.doc.x = MARGIN
    s.doc.y = from + drawn.height + 4
    s.words(`${drawing.title}.`, SOFT)
  }
}

function work(s: Sheet, p: Card) {
  s.heading('Parts')
  for (const part of p.kind.parts(p.design, p.judgement)) {
    const said = partSaid(part, p.units)
    s.line(said.what, [said.size, said.count && `\u00d7 ${said.count}`].filter(Boolean).join('  '), said.note)
  }
  s.heading('Steps')
  const state = workState(p.log)
  p.kind.steps(p.design, p.judgement, p.units, state).forEach((q, i) => {
    const tick = state.ticks[q.id]
    s.line(
      `${i + 1}. ${sayIn(q.text, p.units)}`,
      tick ? `done ${daySaid(tick.at)}` : q.gate ? '[   ]' : '',
      [q.hands === 2 ? 'two people' : '', stepTakes(q), q.alone && `alone: ${q.alone}`, q.caution]
        .filter(Boolean)
        .join(' \u00b7 '),
    )
  })
  if (!p.log.length) return
  s.heading('What happened')
  for (const l of p.log) s.line(logSaid(l, p.units), '', `${daySaid(l.at)}, ${l.who}`)
}

export function fittingCard(p: Card): PDFKit.PDFDocument {
  const { judgement: j, design: d } = p
  const subject = `Card of a fitting: ${p.kind.title.toLowerCase()}`
  const s = new Sheet({ name: d.name, boatName: p.boat.name, units: p.units, subject, paper: p.paper })
  const because = j.checks.find((c) => c.id === j.governing)?.because ?? ''
  s.top(placeSaid(p), p.holes, j.verdict, because)
  warnings(s, p)
  drawings(s, p)
  s.checks(j.checks, j.counts)
  work(s, p)
  s.heading('Cautions')
  for (const c of p.kind.cautions(d)) s.line(c.text)
  return s.finish(p.printedAt)
}

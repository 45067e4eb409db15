import dayjs from 'dayjs'
import PDFDocument from 'pdfkit'
import {
  INK,
  factSaid,
  formatLength,
  lifeSaid,
  sealant,
  type Drawing,
  type PassportAnswer,
  type PassportHole,
  type SealantId,
  type Units,
} from '@north-tide/core'
import { drawOnPage } from './draw'
import { withFonts } from './fonts'
import { numberPages, SOFT } from './page-numbers'
import type { Paper } from './paper'

/** The boat's passport, A4: what a surveyor asks first, the plan, every hole, a page for each that counts. */
const MARGIN = 44
const CAUTION = '#9f2410'
interface Event {
  at: string
  state: string
  note: string
  sizeMm: number | null
  lot: string | null
  evidence: string
  gateReason: string | null
  who: string
}
export interface PassportSheet {
  facts: PassportAnswer
  holes: (PassportHole & { events: Event[] })[]
  boat: string
  units: Units
  map: Drawing
  seal: string
  printedAt: Date
}
type Doc = InstanceType<typeof PDFDocument>
type Hole = PassportSheet['holes'][number]
const day = (d: string | null) => (d ? dayjs(d).format('D MMM YYYY') : 'not known')
class Pages {
  readonly doc: Doc
  readonly width: number
  constructor(
    title: string,
    readonly paper: Paper,
  ) {
    this.doc = withFonts(
      new PDFDocument({
        size: paper,
        margin: MARGIN,
        bufferPages: true,
        info: { Title: title, Author: 'North Tide', Subject: 'Passport of a boat' },
      }),
    )
    this.width = this.doc.page.width - 2 * MARGIN
  }
  heading(words: string, size = 15) {
    this.room(70)
    this.doc.moveDown(0.5).font('strong').fontSize(size).fillColor(INK).text(words, MARGIN)
    this.doc.moveDown(0.2)
  }
  room(high: number) {
    if (this.doc.y + high > this.doc.page.height - MARGIN - 20) this.doc.addPage()
  }
  say(words: string, colour = INK, size = 10.5) {
    this.doc.font('body').fontSize(size)
    this.room(this.doc.heightOfString(words, { width: this.width }) + 3)
    this.doc.fillColor(colour).text(words, MARGIN, this.doc.y, { width: this.width })
  }
  list(title: string, lines: string[], none: string) {
    this.heading(title)
    if (!lines.length) this.say(none, SOFT)
    for (const l of lines) this.say(`\u2022 ${l}`)
  }
  row(cells: [string, number][], font = 'body') {
    const { doc } = this
    doc.font(font).fontSize(9)
    const high = Math.max(...cells.map(([c, w]) => doc.heightOfString(c, { width: w - 6 })))
    this.room(high + 4)
    const top = doc.y
    let x = MARGIN
    for (const [c, w] of cells) {
      doc
        .font(font)
        .fontSize(9)
        .fillColor(INK)
        .text(c, x, top, { width: w - 6 })
      x += w
    }
    doc.y = top + high + 3
  }
}
function cover(p: Pages, s: PassportSheet) {
  const { facts } = s
  p.doc.font('strong').fontSize(26).fillColor(INK).text(s.boat, MARGIN)
  p.say(`Passport of her holes, ${day(s.printedAt.toISOString())}.`, SOFT, 12)
  p.say(`Seal ${s.seal.slice(0, 16)}. The file that goes with it says whether it is as it was made.`, SOFT)
  const made = facts.byState.filter((b) => b.count)
  p.heading(facts.score === null ? 'Nothing is on record' : `${Math.round(facts.score)} of 100 known`)
  p.say(
    `${facts.rows} holes: ${made.map((b) => `${b.count} ${lifeSaid(b.state as Hole['state'])}`).join(', ')}. ` +
      `${facts.below.length} below the waterline, ${(facts.belowAreaMm2 / 100).toFixed(1)} cm\u00b2 of hole in all${facts.belowUnknown ? `; ${facts.belowUnknown} of no known size` : ''}.`,
  )
  p.list(
    'Suspect',
    facts.suspects.map((x) => `${x.id}, ${x.zone}${x.place === 'below' ? ', below the waterline' : ''}`),
    'None is suspect.',
  )
  p.list(
    'What would raise it most',
    facts.raise.map(
      (r) =>
        `${r.id}: ${factSaid(r.fact)} is ${r.now === 'missing' ? 'not known' : 'an estimate'} (${r.points.toFixed(1)} points)`,
    ),
    'Nothing: all that is asked is known.',
  )
  p.list(
    'Bedding by its life',
    facts.bedding.map(
      (b) =>
        `${b.chemistry === 'unknown' ? 'chemistry not known' : sealant(b.chemistry as SealantId).title}: ${b.count}${
          b.usedShare === null
            ? ', none with a date'
            : `, the oldest of ${day(b.bedded)} has used ${Math.round(100 * b.usedShare)} % of its life`
        }${b.undated ? `, ${b.undated} without a date` : ''}`,
    ),
    'Nothing is bedded.',
  )
  p.list(
    'Estimates that were never measured',
    facts.neverMeasured.map((n) => `${n.id}: ${n.facts.map(factSaid).join(', ')}`),
    'None.',
  )
  p.list(
    'Gates that were passed over, with the reason',
    facts.gates.map((g) => `${g.id}, ${g.gate.replaceAll('-', ' ')}: ${g.reason}`),
    'None.',
  )
}
function plan(p: Pages, s: PassportSheet) {
  p.doc.addPage({ size: p.paper, layout: 'landscape', margin: MARGIN })
  const { doc } = p
  doc.font('strong').fontSize(15).fillColor(INK).text('Where they are', MARGIN)
  const top = doc.y + 6
  drawOnPage(doc, s.map, {
    x: MARGIN,
    y: top,
    width: doc.page.width - 2 * MARGIN,
    height: doc.page.height - top - MARGIN - 10,
  })
}
function table(p: Pages, s: PassportSheet) {
  p.doc.addPage({ size: p.paper, margin: MARGIN })
  p.heading('Every hole')
  const w = [46, 150, 66, 92, 92, 62]
  const cells = (c: string[]) => c.map((x, i): [string, number] => [x, w[i]!])
  p.row(cells(['No.', 'What for', 'State', 'Zone', 'x, y', 'Size']), 'strong')
  const mm = (v: number) => formatLength(Math.round(v), s.units)
  for (const h of s.holes)
    p.row(
      cells([
        h.label,
        h.whatFor,
        lifeSaid(h.state),
        h.zone,
        `${mm(h.xMm)}, ${mm(h.yMm)}`,
        formatLength(h.diameterMm, s.units),
      ]),
    )
}
function one(p: Pages, h: Hole, units: Units) {
  p.doc.addPage({ size: p.paper, margin: MARGIN })
  p.heading(`${h.label}: ${h.whatFor}`, 18)
  if (h.state === 'suspect') p.say('Suspect.', CAUTION, 12)
  const mm = (v: number) => formatLength(Math.round(v), units)
  const facts: [string, string][] = [
    ['State', `${lifeSaid(h.state)} since ${day(h.since)}`],
    [
      'Where',
      `${h.zone}; x ${mm(h.xMm)}, y ${mm(h.yMm)}, z ${mm(h.zMm)}${h.measuredFrom ? `, ${h.measuredFrom}` : ''}`,
    ],
    ['Size', formatLength(h.diameterMm, units)],
    ['Through', h.through || 'not known'],
    ['In it', h.fastener || 'not known'],
    ['Behind it', h.plate || 'nothing on record'],
    [
      'Bedded',
      `${h.sealant ? sealant(h.sealant as SealantId).title : 'chemistry not known'}, ${day(h.bedded)}`,
    ],
    ['Looked at', day(h.lastLook)],
    ['By', h.who],
  ]
  for (const [k, v] of facts)
    p.row([
      [k, 90],
      [v, p.width - 90],
    ])
  p.heading('Its life', 13)
  for (const e of h.events)
    p.row([
      [day(e.at), 90],
      [lifeSaid(e.state as Hole['state']), 90],
      [
        [
          e.note,
          e.sizeMm === null ? '' : formatLength(e.sizeMm, units),
          e.lot ? `lot ${e.lot}` : '',
          e.evidence,
          e.gateReason ? `passed over: ${e.gateReason}` : '',
          e.who,
        ]
          .filter(Boolean)
          .join('; '),
        p.width - 180,
      ],
    ])
}
export function passportSheet(s: PassportSheet, paper: Paper): Doc {
  const p = new Pages(`${s.boat}: passport`, paper)
  cover(p, s)
  plan(p, s)
  table(p, s)
  for (const h of s.holes.filter((x) => x.state === 'suspect' || (x.belowWaterline && x.state !== 'closed')))
    one(p, h, s.units)
  numberPages(p.doc, `${s.boat}, passport ${s.seal.slice(0, 8)}`, s.printedAt, { x: MARGIN, fromBottom: 26 })
  p.doc.end()
  return p.doc
}

import PDFDocument from 'pdfkit'
import QRCode from 'qrcode'
import { INK } from '@north-tide/core'
import { MONO } from './draw'
import { withFonts } from './fonts'
import { SOFT } from './page-numbers'
import type { Paper } from './paper'

/** Labels to cut out or to print on sheets of them, 3 by 8, each with a code that a phone opens. */
const ACROSS = 3
const DOWN = 8
const MARGIN = 20
const PAD = 8
export interface Label {
  code: string
  lines: string[]
  /** what a phone opens */
  url: string
}
type Doc = InstanceType<typeof PDFDocument>
function squares(doc: Doc, url: string, x: number, y: number, size: number) {
  const { modules } = QRCode.create(url, { errorCorrectionLevel: 'M' })
  const n = modules.size
  const one = size / n
  for (let r = 0; r < n; r++)
    for (let c = 0; c < n; c++) if (modules.get(r, c)) doc.rect(x + c * one, y + r * one, one, one)
  doc.fill(INK)
}
export function labelSheet(title: string, labels: Label[], paper: Paper): Doc {
  const doc = new PDFDocument({
    size: paper,
    margin: MARGIN,
    info: { Title: title, Author: 'North Tide', Subject: 'Labels' },
  })
  withFonts(doc)
  const w = (doc.page.width - 2 * MARGIN) / ACROSS
  const h = (doc.page.height - 2 * MARGIN) / DOWN
  labels.forEach((l, i) => {
    const at = i % (ACROSS * DOWN)
    if (i && !at) doc.addPage()
    const x = MARGIN + (at % ACROSS) * w
    const y = MARGIN + Math.floor(at / ACROSS) * h
    doc.rect(x, y, w, h).lineWidth(0.3).stroke('#b9af96')
    const qr = h - 2 * PAD
    squares(doc, l.url, x + PAD, y + PAD, qr)
    const left = x + PAD + qr + PAD
    const width = w - qr - 3 * PAD
    doc
      .font(MONO)
      .fontSize(11)
      .fillColor(INK)
      .text(l.code, left, y + PAD, { width, height: 28, ellipsis: true })
    for (const line of l.lines)
      doc.font('body').fontSize(8).fillColor(SOFT).text(line, { width, height: 22, ellipsis: true })
  })
  doc.end()
  return doc
}

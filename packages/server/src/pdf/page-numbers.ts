import dayjs from 'dayjs'

export const SOFT = '#3a4a57'
/** Numbers every page of a document, with what it is of and the day it was printed; nothing comes after. */
export function numberPages(
  doc: PDFKit.PDFDocument,
  of: string,
  printedAt: Date,
  at: { x: number; fromBottom: number },
) {
  const pages = doc.bufferedPageRange()
  const day = dayjs(printedAt).format('D MMM YYYY')
  for (let i = 0; i < pages.count; i++) {
    doc.switchToPage(i)
    doc.page.margins.bottom = 0
    doc
      .font('body')
      .fontSize(8)
      .fillColor(SOFT)
      .text(
        `${of} \u00b7 printed ${day} \u00b7 page ${i + 1} of ${pages.count}`,
        at.x,
        doc.page.height - at.fromBottom,
        { lineBreak: false, width: doc.page.width - 2 * at.x },
      )
  }
}

import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

/** The words of a PDF, page after page. */
export async function pdfWords(bytes: Uint8Array): Promise<string> {
  const doc = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise
  const pages: string[] = []
  for (let i = 1; i <= doc.numPages; i++) {
    const { items } = await (await doc.getPage(i)).getTextContent()
    pages.push(items.map((t) => ('str' in t ? t.str : '')).join(' '))
  }
  await doc.destroy()
  return pages.join('\n').replace(/\s+/g, ' ')
}

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

/** The sizes of its pages in points, width by height. */
export async function pdfPages(bytes: Uint8Array): Promise<string[]> {
  const doc = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise
  const sizes: string[] = []
  for (let i = 1; i <= doc.numPages; i++) {
    const { width, height } = (await doc.getPage(i)).getViewport({ scale: 1 })
    sizes.push(`${Math.round(width)} by ${Math.round(height)}`)
  }
  await doc.destroy()
  return sizes
}

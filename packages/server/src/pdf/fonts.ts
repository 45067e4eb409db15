import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { printable as onOneLine, printableText } from '@north-tide/core'
import { MONO } from './draw'
import { sfntOf } from './sfnt'

const require = createRequire(import.meta.url)
export const faceFile = (family: string, weight: number) =>
  require.resolve(
    `@fontsource/atkinson-hyperlegible-${family}/files/atkinson-hyperlegible-${family}-latin-${weight}-normal.woff`,
  )
const faces = new Map<string, Buffer>()
/** Read and unpacked once, when the first sheet is set. */
function font(family: string, weight: number): Buffer {
  const file = faceFile(family, weight)
  let face = faces.get(file)
  if (!face) faces.set(file, (face = sfntOf(readFileSync(file))))
  return face
}

/**
 * Signs that the product's faces have no shape for; the screen borrows them from another face, paper would
 * show an empty box.
 */
const IN_WORDS: Record<string, string> = {
  '\u202f': '\u00a0',
  '\u2009': '\u00a0',
  '\u03a9': 'ohm',
  '\u00b5': 'u',
  '\u2265': '>=',
  '\u2264': '<=',
  '\u221a': 'sqrt ',
  '\u2192': 'to',
  '\u2713': 'x',
  '\u0394': 'd',
  '\u03b8': 'theta',
  '\u03c6': 'phi',
  '\u03c0': 'pi',
  '\u03c3': 'sigma',
  '\u03c4': 'tau',
  '\u03c9': 'omega',
  '\u03c8': 'psi',
  '\u03b4': 'delta',
  '\u2211': 'sum ',
}
const SIGNS = new RegExp(`[${Object.keys(IN_WORDS).join('')}]`, 'g')
export const printable = (text: string) =>
  printableText(text)
    .replace(/\t/g, ' ')
    .replace(SIGNS, (c) => IN_WORDS[c]!)

/**
 * The product's own faces, as "body", "strong" and the one for figures; whatever is written, and whatever
 * the file says of itself, goes through `printable` first.
 */
export function withFonts(doc: PDFKit.PDFDocument): PDFKit.PDFDocument {
  doc
    .registerFont('body', font('next', 400))
    .registerFont('strong', font('next', 700))
    .registerFont(MONO, font('mono', 400))
  for (const name of ['text', 'widthOfString', 'heightOfString'] as const) {
    const plain = (doc[name] as (text: string, ...rest: unknown[]) => unknown).bind(doc)
    Object.assign(doc, {
      [name]: (text: string, ...rest: unknown[]) => plain(printable(String(text)), ...rest),
    })
  }
  const told = doc.info as Record<string, unknown>
  for (const [k, v] of Object.entries(told)) if (typeof v === 'string') told[k] = onOneLine(v)
  return doc
}

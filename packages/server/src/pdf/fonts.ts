import { createRequire } from 'node:module'
import { MONO } from './draw'

const require = createRequire(import.meta.url)
const font = (family: string, weight: number) => require.resolve(`@fontsource/atkinson-hyperlegible-${family}/files/atkinson-hyperlegible-${family}-latin-${weight}-normal.woff`)
/** The product's own faces, as "body", "strong" and the one for figures. */
export const withFonts = (doc: PDFKit.PDFDocument) => doc.registerFont('body', font('next', 400)).registerFont('strong', font('next', 700)).registerFont(MONO, font('mono', 400))

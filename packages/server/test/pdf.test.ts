import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { afterAll, describe, expect, it } from 'vitest'
import PDFDocument from 'pdfkit'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { CATALOGUE, SCHOOLS, formatLength, partSaid } from '@north-tide/core'
import {
  THROUGH_HULL_CATALOGUE,
  throughHullCautions,
  throughHullEntry,
  throughHullParts,
  throughHullSteps,
  judgeThroughHull,
  startThroughHull,
} from '@north-tide/core/through-hull'
import { faceFile, printable, withFonts } from '../src/pdf/fonts'
import { closePaper, printed } from '../src/pdf/pool'
import { sfntOf } from '../src/pdf/sfnt'
import { pdfPages, pdfWords } from './pdf-words'

const require = createRequire(import.meta.url)
interface Face {
  numGlyphs: number
  hasGlyphForCodePoint: (code: number) => boolean
  getGlyph: (id: number) => { advanceWidth: number; path: { toSVG: () => string } }
}
const fontkit = require('fontkit') as {
  openSync: (path: string) => Face
  create: (file: Buffer) => Face
}
const files = [faceFile('next', 400), faceFile('next', 700), faceFile('mono', 400)]
const faces = files.map((file) => fontkit.openSync(file))
const missing = (text: string) =>
  [...printable(text)].filter(
    (c) => c !== '\n' && faces.some((f) => !f.hasGlyphForCodePoint(c.codePointAt(0)!)),
  )

describe('a face out of its compressed file', () => {
  it.each(files.map((_, i) => i))('has every letter as it was in it: face %i', (i) => {
    const shapes = (face: Face) =>
      Array.from({ length: face.numGlyphs }, (_, id) => {
        const { advanceWidth, path } = face.getGlyph(id)
        return [advanceWidth, path.toSVG()]
      })
    const there = shapes(fontkit.create(sfntOf(readFileSync(files[i]!))))
    expect(there.length).toBeGreaterThan(200)
    expect(there).toEqual(shapes(faces[i]!))
  })
  it('is none where the file is another, or cut short', () => {
    expect(() => sfntOf(Buffer.from('%PDF-1.7'))).toThrow('not a WOFF face')
    const whole = readFileSync(files[0]!)
    expect(() => sfntOf(whole.subarray(0, 60))).toThrow()
    expect(() => sfntOf(whole.subarray(0, whole.length - 900))).toThrow()
  })
})

describe('what is printed has a shape for every sign', () => {
  it.each(['7\u202f190 mm', '0.1 \u03a9 or less', 'grip \u2265 d', 'a \u2192 b', '1\u00bd in', '\u221a2'])(
    '%s',
    (text) => expect(missing(text)).toEqual([]),
  )
  it('every fitting through the hull: checks, parts, steps and cautions', () => {
    for (const e of THROUGH_HULL_CATALOGUE) {
      const d = startThroughHull(
        throughHullEntry(e.id)!,
        {
          place: { zone: 'bottom', xMm: 5000, yMm: 400, zMm: -420, measuredFrom: [] },
          hull: {
            kind: 'solid',
            thicknessMm: 14,
            measured: true,
            how: '',
            deadriseDeg: 17,
            slopeDeg: 0,
            angleMeasured: true,
            solidMm: null,
          },
          duty: 'coastal',
        },
        e.title,
      )
      const j = judgeThroughHull(d, { zones: [], parts: [], holes: [], others: [] })
      const all = [
        e.title,
        ...j.checks.flatMap((c) => [c.title, c.because]),
        ...throughHullParts(d, j)
          .map((p) => partSaid(p, 'inch'))
          .flatMap((p) => [p.what, p.size, p.note]),
        ...throughHullSteps(d, j, 'metric').flatMap((s) => [s.text, s.alone, s.caution, ...s.looks]),
        ...throughHullCautions(d).map((c) => c.text),
      ].join('\n')
      expect([e.id, missing(all)]).toEqual([e.id, []])
    }
  })
  it('catalogue and schools', () => {
    expect(
      missing(
        [
          ...CATALOGUE.map((c) => c.title),
          ...SCHOOLS.flatMap((s) => [s.choice, s.reason, s.costs, s.notWhen]),
          formatLength(12345, 'metric'),
        ].join('\n'),
      ),
    ).toEqual([])
  })
  it('is measured as it is printed', () => {
    const doc = withFonts(new PDFDocument())
    doc.font('body').fontSize(10)
    expect(doc.widthOfString('0.1 \u03a9')).toBe(doc.widthOfString('0.1 ohm'))
    expect(doc.text('7\u202f190 mm')).toBe(doc)
    doc.end()
  })
  it('control characters come neither onto the page nor into what the file says of itself', async () => {
    const chunks: Buffer[] = []
    const name = 'Cleat\u0000 \u001b[31mred\u0007\u0085\tend'
    const doc = withFonts(new PDFDocument({ info: { Title: name } }))
    doc.on('data', (c: Buffer) => chunks.push(c))
    const ended = new Promise((done) => doc.once('end', done))
    doc.font('body').text(name)
    doc.end()
    await ended
    const bytes = new Uint8Array(Buffer.concat(chunks))
    const read = await getDocument({ data: bytes.slice(), verbosity: 0 }).promise
    const said = ((await read.getMetadata()).info as { Title: string }).Title
    // eslint-disable-next-line no-control-regex -- they are what is looked for
    const control = /[\u0000-\u001f\u007f-\u009f]/
    for (const words of [said, await pdfWords(bytes)]) expect(words).not.toMatch(control)
    expect(await pdfWords(bytes)).toBe('Cleat [31mred end')
    expect(said.replace(/ +/g, ' ')).toBe('Cleat [31mred end')
  })
})

describe('a long sheet', () => {
  afterAll(closePaper)
  const labels = (n: number) =>
    Array.from({ length: n }, (_, i) => ({
      code: `P-${i + 1}`,
      lines: ['Boat of many holes', 'stanchion, bolt 2'],
      url: `http://yard.example/register/${i + 1}?boat=many`,
    }))
  it('is set beside the server, which has its turns meanwhile', async () => {
    let turns = 0
    const turning = setInterval(() => turns++, 1)
    const sheet = await printed('labels', 'Labels', labels(240), 'A4')
    clearInterval(turning)
    expect(turns).toBeGreaterThan(20)
    expect((await pdfPages(sheet)).length).toBe(10)
    expect(await pdfWords(sheet)).toMatch(/P-1 .* P-240 /)
  })
  it('two at once are both whole, each its own', async () => {
    const both = await Promise.all([1, 2].map((n) => printed('labels', `Labels ${n}`, labels(n), 'LETTER')))
    expect(await Promise.all(both.map(pdfPages))).toEqual([['612 by 792'], ['612 by 792']])
    expect((await pdfWords(both[0]!)).includes('P-2')).toBe(false)
    expect((await pdfWords(both[1]!)).includes('P-2')).toBe(true)
  })
})

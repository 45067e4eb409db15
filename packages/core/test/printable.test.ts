import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { printable, printableText } from '../src'
import { toDxf } from '../src/drawing/dxf'
import { toSvg } from '../src/drawing/svg'
import type { Drawing } from '../src/drawing/shapes'

/** Names with control characters in them: a file stays the file that it was meant to be. */
const word = (text: string): Drawing => ({
  title: text,
  description: '',
  legend: [],
  scaleBarMm: 10,
  bounds: { minX: 0, maxX: 100, minY: 0, maxY: 100 },
  textMm: 5,
  shapes: [{ kind: 'text', at: { x: 10, y: 10 }, size: 5, text, anchor: 'start' }],
})
// eslint-disable-next-line no-control-regex -- what XML cannot hold
const UNREADABLE = /[\u0000-\u0008\u000b\u000c\u000e-\u001f]/
const dxf = (text: string) => toDxf(word(text), ['Words'], () => 'Words')

describe('control characters', () => {
  it.each([
    ['a line end', 'bolt\n0\nCIRCLE', 'bolt 0 CIRCLE'],
    ['a carriage return', 'bolt\r\nEND:VEVENT', 'bolt  END:VEVENT'],
    ['a bell and a NUL', 'a\u0007b\u0000c', 'a b c'],
    ['a line separator', 'a\u2028b', 'a b'],
    ['none', 'Ösfass, 12 mm', 'Ösfass, 12 mm'],
  ])('%s', (_w, text, said) => expect(printable(text)).toBe(said))
  it('a text of several lines keeps its lines', () => expect(printableText('a\n\tb\u0001c')).toBe('a\n\tb c'))
  it('begin no group of a drawing: a name is one line of it, whatever is in it', () => {
    const lines = (s: string) => s.split(/\r?\n/).length
    const plain = lines(dxf('bolt'))
    fc.assert(fc.property(fc.string({ maxLength: 30 }), (t) => lines(dxf(`b${t}`)) === plain))
    expect(lines(dxf('bolt\n0\nCIRCLE\n8\nHoles'))).toBe(plain)
  })
  it('leave an SVG that can be read', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 30 }), (t) => !UNREADABLE.test(toSvg(word(t)))),
    )
  })
})

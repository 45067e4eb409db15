import { describe, expect, it } from 'vitest'
import { z } from 'zod'
import { choiceWords, fieldWords, hasWords, pathWords } from '../src/base/schema/field-words'
import { CALCULATORS } from '../src/chapters/registry'
import { designSchema as deck } from '../src/kinds/deck-hardware/design'
import { closureSchema as closing } from '../src/kinds/closure/design'
import { openingSchema as opening } from '../src/kinds/opening/design'
import { rigSchema as rig } from '../src/kinds/rig/design'
import { throughHullSchema as hull } from '../src/kinds/through-hull/design'

/** Names that are said and written so by the trade. */
const PLAIN = /^[\p{L}\p{N} ()/,.\u2019\u00d7\u00b2\u00b3-]+$/u
interface Shape {
  properties?: Record<string, Shape>
  enum?: unknown[]
  const?: unknown
  [more: string]: unknown
}
/** Every field and every choice in a schema, however deep. */
function walk(s: unknown, fields: Set<string>, choices: Set<string>): void {
  if (Array.isArray(s)) return s.forEach((x) => walk(x, fields, choices))
  if (s === null || typeof s !== 'object') return
  const shape = s as Shape
  for (const c of [...(shape.enum ?? []), shape.const]) if (typeof c === 'string') choices.add(c)
  for (const [k, p] of Object.entries(shape.properties ?? {})) {
    fields.add(k)
    walk(p, fields, choices)
  }
  for (const k of ['oneOf', 'anyOf', 'allOf', 'items', 'additionalProperties'])
    walk(shape[k], fields, choices)
  for (const d of Object.values((shape.$defs as object | undefined) ?? {})) walk(d, fields, choices)
}
const inputs = new Set<string>()
const outputs = new Set<string>()
const choices = new Set<string>()
for (const c of CALCULATORS) {
  walk(z.toJSONSchema(c.input, { unrepresentable: 'any', io: 'input' }), inputs, choices)
  if (c.output) walk(z.toJSONSchema(c.output, { unrepresentable: 'any' }), outputs, choices)
}

describe('words for every field of every calculator', () => {
  it('there are hundreds of them', () => {
    expect(inputs.size).toBeGreaterThan(500)
    expect(choices.size).toBeGreaterThan(300)
  })
  it('every field that is filled in has words of its own', () => {
    expect([...inputs].filter((k) => !hasWords(k))).toEqual([])
  })
  it('every field of the designs of all kinds has words of its own', () => {
    const fields = new Set<string>()
    for (const kind of [deck, hull, opening, closing, rig])
      walk(z.toJSONSchema(kind, { unrepresentable: 'any', io: 'input' }), fields, new Set())
    expect(fields.size).toBeGreaterThan(200)
    expect([...fields].filter((k) => !hasWords(k))).toEqual([])
  })
  it('no title is a name out of the code', () => {
    const odd = [...inputs, ...outputs].filter((k) => {
      const { label } = fieldWords(k)
      return !label || !PLAIN.test(label) || /[a-z][A-Z]/.test(label.replace(/\b(kN|kPa|mA)\b/g, ''))
    })
    expect(odd).toEqual([])
  })
  it('every choice is a word', () => {
    const odd = [...choices].filter((c) => {
      const w = choiceWords(c, [...choices])
      return /_|[a-z][A-Z]/.test(w) || (/^[a-z]+(-[a-z]+)+$/.test(c) && w === c)
    })
    expect(odd).toEqual([])
  })
  it.each([
    ['edgeMm', 'to the nearest edge', 'mm', 'length'],
    ['loadN', 'load', 'N', 'force'],
    ['stiffnessNPerMm2', 'stiffness', 'N/mm\u00b2', 'number'],
    ['densityKgM3', 'density', 'kg/m\u00b3', 'number'],
    ['humidityPct', 'humidity', '%', 'number'],
    ['alphaPerK', 'growth with heat', '/K', 'number'],
    ['deltaK', 'change of temperature', 'K', 'number'],
    ['energyKWh', 'energy', 'kWh', 'number'],
    ['resinGPerMl', 'resin, g for each ml', 'g/ml', 'number'],
    ['beforeArcSec', 'tilt before', 'arc-seconds', 'number'],
    ['windMs', 'wind', 'm/s', 'number'],
    ['horizonDays', 'looks ahead', 'days', 'number'],
    ['volumeL', 'volume', 'l', 'number'],
  ])('%s is %s in %s', (key, label, unit, kind) => {
    expect(fieldWords(key)).toMatchObject({ label, unit, kind })
  })
  it('a place in a design is said by its parts, rows counted from one', () => {
    expect(pathWords('plate.thicknessMm')).toBe('plate, thickness')
    expect(pathWords('bolts.2.xMm')).toBe('bolts 3, x')
    expect(pathWords('')).toBe('')
  })
  it('the days of a week are days, and the sun the sun', () => {
    expect(choiceWords('sun', ['mon', 'sun'])).toBe('Sunday')
    expect(choiceWords('sun', ['rain', 'sun'])).toBe('sun')
    expect(choiceWords('ss-316')).toBe('stainless 316')
    expect(choiceWords('seal-wall')).toBe('seal wall')
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  formatInches,
  formatLength,
  lengthText,
  parseAngle,
  parseForce,
  parseLength,
  parseNumber,
  parseTemperature,
  sayIn,
} from '../src'

const value = (r: ReturnType<typeof parseLength>) => (r.ok ? r.value : r.message)

describe('a dimension field takes what a hand writes', () => {
  it.each([
    ['9.5', 'metric', 9.5],
    ['9,5', 'metric', 9.5],
    ['9.5mm', 'inch', 9.5],
    ['3/8', 'metric', 9.525],
    ['3/8', 'inch', 9.525],
    ['3/8"', 'metric', 9.525],
    ['1 7/8in', 'metric', 47.625],
    ['1-7/8"', 'metric', 47.625],
    ['5\' 4"', 'metric', 1625.6],
    ["5' 4", 'inch', 1625.6],
    ["5'", 'metric', 1524],
    ['0.4m', 'metric', 400],
    ['40 cm', 'inch', 400],
    ['2', 'inch', 50.8],
    ['-640', 'metric', -640],
    ['\u00bd"', 'metric', 12.7],
    ['5\u2032 4\u2033', 'metric', 1625.6],
  ] as const)('%s on a boat in %s', (text, units, mm) => {
    expect(value(parseLength(text, units))).toBeCloseTo(mm, 9)
  })
  it.each(['', 'abc', '3/0', '12 mmm', '1/2/3', '--5', '4 feet and a bit', '1e3', 'NaN', 'Infinity'])(
    'refuses "%s" and says what would be read',
    (text) => {
      const r = parseLength(text)
      expect(r.ok).toBe(false)
      expect(value(r)).toContain('would be')
    },
  )
  it.each([
    ['18', 'metric', 18],
    ['18C', 'inch', 18],
    ['65F', 'metric', 18.3333333333],
    ['65', 'inch', 18.3333333333],
    ['-5\u00b0C', 'metric', -5],
  ] as const)('temperature %s in %s', (t, u, c) => expect(value(parseTemperature(t, u))).toBeCloseTo(c, 8))
  it.each([
    ['22.5', 22.5],
    ['22.5\u00b0', 22.5],
    ["22\u00b030'", 22.5],
    ["-22\u00b030'", -22.5],
  ])('angle %s', (t, deg) => expect(value(parseAngle(t))).toBeCloseTo(deg, 9))
  it('refuses 70 minutes of angle', () => expect(parseAngle("22\u00b070'").ok).toBe(false))
  it.each([
    ['2kN', 2000],
    ['450 lbf', 2001.69972687],
    ['120kgf', 1176.798],
    ['3', 3000],
    ['800 N', 800],
  ])('load %s', (t, n) => expect(value(parseForce(t, 'metric'))).toBeCloseTo(n, 6))
  it('reads plain numbers and nothing else', () => {
    expect(value(parseNumber('0.5'))).toBe(0.5)
    expect(parseNumber('5 mm').ok).toBe(false)
  })
})

describe('round trips', () => {
  it('metric: what is shown reads back to the same length, to a thousandth', () => {
    fc.assert(
      fc.property(fc.double({ min: -20000, max: 20000, noNaN: true }), (mm) => {
        const r = parseLength(lengthText(mm, 'metric'), 'metric')
        return r.ok && Math.abs(r.value - mm) <= 0.0005 + 1e-9
      }),
    )
  })
  it('inch: every 64th reads back exactly, everything else to a thousandth of an inch', () => {
    fc.assert(
      fc.property(fc.integer({ min: -6400, max: 6400 }), (n) => {
        const r = parseLength(formatInches((n / 64) * 25.4), 'inch')
        return r.ok && Math.abs(r.value - (n / 64) * 25.4) < 1e-9
      }),
    )
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5000, noNaN: true }), (mm) => {
        const r = parseLength(lengthText(mm, 'inch'), 'inch')
        return r.ok && Math.abs(r.value - mm) <= 0.0005 * 25.4 + 1e-9
      }),
    )
  })
})

it('writes lengths as a drawing does', () => {
  expect(formatLength(47.625, 'inch')).toBe('1 7/8 in')
  expect(formatLength(12.5, 'metric')).toBe('12.5 mm')
  expect(formatLength(10940, 'metric')).toBe('10\u202f940 mm')
})
it('turns the figures of a sentence into inches and leaves bolt sizes alone', () => {
  expect(sayIn('4900 N press sideways on 9.525 \u00d7 12.7 mm; take an M10 \u00d7 60.', 'inch')).toBe(
    '1\u202f102 lbf press sideways on 3/8 \u00d7 1/2 in; take an M10 \u00d7 60.',
  )
  expect(sayIn('12 mm', 'metric')).toBe('12 mm')
  expect(sayIn('3 \u00d7 M8 \u00d7 38.1 mm; grade A4-70 at 25.4 mm; \u22122 to -12.7 mm', 'inch')).toBe(
    '3 \u00d7 M8 \u00d7 1 1/2 in; grade A4-70 at 1 in; \u22122 to -1/2 in',
  )
})

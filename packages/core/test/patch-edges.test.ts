import { describe, expect, it } from 'vitest'
import { deckPatchInput, deckPatchOf } from '../src/chapters/plate/deck-patch'

/**
 * The greatest skin stress of a thin square under pressure, whatever its edges, against series that converge:
 * Lévy's, where two opposite edges are simple, and tabled values of thin plates for the rest.
 */
const A = 600
const T = 6
const Q = 0.004
const NU = 0.3
type Edge = 'simple' | 'clamped' | 'free'
const SANDWICH = {
  kind: 'sandwich',
  outerMm: 3,
  coreMm: 15,
  innerMm: 2.5,
  eMPa: 12270,
  nu: NU,
  coreGMPa: 50,
}
const solved = (x0: Edge, x1: Edge, y0: Edge, y1: Edge, more: object = {}) =>
  deckPatchOf(
    deckPatchInput.parse({
      panel: { aMm: A, bMm: A },
      edges: { x0, x1, y0, y1 },
      layup: { kind: 'solid', tMm: T, eMPa: 12270, nu: NU },
      pressureMPa: Q,
      ...more,
    }),
  )
/** Four equations by elimination with the greatest pivot. */
function solve4(rows: number[][]): number[] {
  const m = rows.map((r) => r.slice())
  for (let k = 0; k < 4; k++) {
    const best = m.reduce((b, r, i) => (i >= k && Math.abs(r[k]!) > Math.abs(m[b]![k]!) ? i : b), k)
    ;[m[k], m[best]] = [m[best]!, m[k]!]
    for (let i = k + 1; i < 4; i++) {
      const f = m[i]![k]! / m[k]![k]!
      for (let j = k; j < 5; j++) m[i]![j] = m[i]![j]! - f * m[k]![j]!
    }
  }
  const x = [0, 0, 0, 0]
  for (let k = 3; k >= 0; k--)
    x[k] = (m[k]![4]! - [0, 1, 2, 3].reduce((s, j) => (j > k ? s + m[k]![j]! * x[j]! : s), 0)) / m[k]![k]!
  return x
}
/**
 * Moment at the middle of a clamped x edge, as a part of q·a², y edges simple: four exponentials a term, each
 * with its value, slope and curvature at both ends (in units of its own wave number).
 */
function levy(x0: 'simple' | 'clamped', x1: 'simple' | 'clamped'): number {
  let sum = 0
  for (let m = 1; m < 40; m += 2) {
    const n = m * Math.PI
    const e = Math.exp(-n)
    // e^-s, s·e^-s and the same from the other end, s from 0 to n.
    const at = {
      value: [
        [1, 0, e, n * e],
        [e, n * e, 1, 0],
      ],
      slope: [
        [-1, 1, e, n * e - e],
        [-e, e - n * e, 1, -1],
      ],
      curve: [
        [1, -2, e, n * e - 2 * e],
        [e, n * e - 2 * e, 1, -2],
      ],
    }
    const even = 4 / (m * Math.PI) / n ** 4
    const ends = [x0, x1].flatMap((kind, i) => [
      [...at.value[i]!, -even],
      kind === 'clamped' ? [...at.slope[i]!, 0] : [...at.curve[i]!, 0],
    ])
    const c = solve4(ends)
    const i = x0 === 'clamped' ? 0 : 1
    const bend = at.curve[i]!.reduce((s, v, k) => s + v * c[k]!, 0)
    sum += n * n * bend * (m % 4 === 1 ? 1 : -1)
  }
  return -sum
}
/** Moment of a unit of strip from the stress at its face. */
const momentOf = (stressMPa: number) => (stressMPa * T * T) / 6 / (Q * A * A)

describe('greatest skin stress, to one in a hundred of theory', () => {
  it('the series is the tabled one: both clamped 0.0697, one clamped 0.084 of q·a²', () => {
    expect(levy('clamped', 'clamped')).toBeCloseTo(-0.0697, 3)
    expect(levy('clamped', 'simple')).toBeCloseTo(-0.0839, 3)
  })
  it.each<[string, Edge, Edge, Edge, Edge, number]>([
    ['simple all round', 'simple', 'simple', 'simple', 'simple', 0.0479],
    ['clamped all round', 'clamped', 'clamped', 'clamped', 'clamped', -0.0513],
    ['two opposite clamped', 'clamped', 'clamped', 'simple', 'simple', levy('clamped', 'clamped')],
    ['the other two', 'simple', 'simple', 'clamped', 'clamped', levy('clamped', 'clamped')],
    ['one clamped', 'clamped', 'simple', 'simple', 'simple', levy('clamped', 'simple')],
    ['the one opposite', 'simple', 'clamped', 'simple', 'simple', levy('clamped', 'simple')],
  ])('%s', (_w, x0, x1, y0, y1, moment) => {
    const d = solved(x0, x1, y0, y1)
    expect(Math.abs(momentOf(d.outerSkin.stressMPa) / moment - 1)).toBeLessThan(0.01)
    expect(d.innerSkin.stressMPa).toBeCloseTo(-d.outerSkin.stressMPa, 6)
  })
  it.each<[string, Edge, Edge, Edge, Edge]>([
    ['three clamped', 'clamped', 'clamped', 'clamped', 'simple'],
    ['two at a corner clamped', 'clamped', 'simple', 'clamped', 'simple'],
    ['one free, opposite to a clamped one', 'clamped', 'free', 'simple', 'simple'],
    ['three clamped and one free', 'clamped', 'free', 'clamped', 'clamped'],
    ['two opposite clamped, two free', 'clamped', 'clamped', 'free', 'free'],
    ['two opposite clamped, one free', 'simple', 'free', 'clamped', 'clamped'],
  ])('%s: as with a mesh twice as fine', (_w, ...edges) => {
    const [d, fine] = [solved(...edges), solved(...edges, { mesh: { nx: 112, ny: 112 } })]
    expect(Math.abs(d.outerSkin.stressMPa / fine.outerSkin.stressMPa - 1)).toBeLessThan(0.01)
  })
  // Where a free edge of a sandwich ends at a clamped one there is no limit, and the answer says so.
  it.each<[string, Edge, Edge, Edge, Edge]>([
    ['clamped all round', 'clamped', 'clamped', 'clamped', 'clamped'],
    ['two opposite clamped', 'clamped', 'clamped', 'simple', 'simple'],
    ['one clamped', 'clamped', 'simple', 'simple', 'simple'],
    ['simple all round', 'simple', 'simple', 'simple', 'simple'],
  ])('a sandwich, %s: as with a mesh far finer', (_w, ...edges) => {
    const [d, fine] = [
      solved(...edges, { layup: SANDWICH }),
      solved(...edges, { layup: SANDWICH, mesh: { nx: 96, ny: 96 } }),
    ]
    expect(Math.abs(d.outerSkin.stressMPa / fine.outerSkin.stressMPa - 1)).toBeLessThan(0.01)
    expect(Math.abs(d.innerSkin.stressMPa / fine.innerSkin.stressMPa - 1)).toBeLessThan(0.01)
  })
})

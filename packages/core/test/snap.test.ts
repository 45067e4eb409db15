import { describe, expect, it } from 'vitest'
import { snap, type SnapTo } from '../src/boat/snap'

const STATIONS = [
  { xMm: 0, halfBreadthMm: 0 },
  { xMm: 2000, halfBreadthMm: 1000 },
  { xMm: 8000, halfBreadthMm: 1600 },
]
const around = (more: Partial<SnapTo> = {}): SnapTo => ({
  marks: [{ xMm: 3000, yMm: 500, name: 'corner of the foredeck' }],
  stations: STATIONS,
  beside: [{ xMm: 4000, yMm: -700 }],
  withinMm: 60,
  roundMm: 10,
  ...more,
})

describe('a corner that is dragged', () => {
  it.each([
    ['onto a corner that is there', [3031, 466], [3000, 500, 'corner of the foredeck']],
    ['onto the edge of the deck', [1004, 478], [1000, 500, 'the edge of the deck']],
    ['onto the edge to port', [1004, -529], [1000, -500, 'the edge of the deck']],
    ['onto the middle line', [5213, -31], [5210, 0, 'the middle line']],
    ['in line with its neighbour, along', [4021, 301], [4000, 300, 'in line with a corner']],
    ['in line with its neighbour, across', [5213, -671], [5210, -700, 'in line with a corner']],
    ['nowhere near anything: a round figure', [5213, 304], [5210, 300, null]],
  ] as const)('comes to rest %s', (_what, [xMm, yMm], [x, y, to]) => {
    const s = snap({ xMm, yMm }, around())
    expect([s.xMm, s.to]).toEqual([x, to])
    expect(s.yMm).toBeCloseTo(y, 6)
  })
  it('takes the nearest of two marks, and none that is too far', () => {
    const marks = [
      { xMm: 3000, yMm: 500, name: 'a' },
      { xMm: 3030, yMm: 500, name: 'b' },
    ]
    expect(snap({ xMm: 3020, yMm: 500 }, around({ marks })).to).toBe('b')
    expect(snap({ xMm: 3100, yMm: 500 }, around({ marks, beside: [] })).to).toBeNull()
  })
  it('has no edge of the deck in a picture that is no plan', () => {
    const { stations: _stations, ...rest } = around({ marks: [], beside: [] })
    expect(snap({ xMm: 1004, yMm: 478 }, rest)).toEqual({ xMm: 1000, yMm: 480, to: null })
  })
})

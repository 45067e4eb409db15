import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { placeLabels, type Wanted } from '../src/places/boat/map-labels'

const label = (id: string, ...at: [number, number][]): Wanted => ({
  id,
  text: id,
  at: at.map(([x, y]) => ({ x, y })),
  anchor: 'start',
})
const width = (text: string, k: number) => (text.length * 6.9) / k
describe('labels of the map', () => {
  it('the first keeps its place, the next goes to where it covers nothing', () => {
    const got = placeLabels([label('foredeck', [0, 0]), label('tank under', [10, 2], [10, 60])], [])
    expect(got.map((p) => [p.id, p.y])).toEqual([
      ['foredeck', 0],
      ['tank under', 60],
    ])
  })
  it('one with no place free is left out', () => {
    expect(placeLabels([label('foredeck', [0, 0]), label('tank', [10, 2])], []).map((p) => p.id)).toEqual([
      'foredeck',
    ])
  })
  it('it keeps off a fitting where it can, and stands over it where it must', () => {
    const cleat = { x0: -5, y0: -20, x1: 80, y1: 20 }
    expect(placeLabels([label('foredeck', [0, 0], [0, 90])], [cleat])[0]!.y).toBe(90)
    expect(placeLabels([label('foredeck', [0, 0])], [cleat])[0]!.y).toBe(0)
  })
  it('drawn larger, what collided fits', () => {
    const two = [label('foredeck', [0, 0]), label('side deck', [30, 0])]
    expect(placeLabels(two, [])).toHaveLength(1)
    expect(placeLabels(two, [], 4)).toHaveLength(2)
  })
  it('no two ever cover one another', () => {
    const at = fc.tuple(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 0, max: 200 }))
    fc.assert(
      fc.property(fc.array(fc.array(at, { minLength: 1, maxLength: 4 }), { maxLength: 14 }), (all) => {
        const got = placeLabels(
          all.map((spots, i) => label(`label ${i}`, ...spots)),
          [],
        )
        for (const [i, a] of got.entries())
          for (const b of got.slice(i + 1))
            expect(
              a.x + width(a.text, 1) <= b.x ||
                b.x + width(b.text, 1) <= a.x ||
                a.y + 4 <= b.y - 11 ||
                b.y + 4 <= a.y - 11,
            ).toBe(true)
      }),
    )
  })
})

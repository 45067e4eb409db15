import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fromColumns, toColumns } from '../src/base/columns'

/** What is said column by column is the same rows. */
const overTheLine = (rows: object[]) => fromColumns(JSON.parse(JSON.stringify(toColumns(rows))))

describe('rows in columns', () => {
  it('come back as they were, in their order', () => {
    const value = fc.oneof(fc.string(), fc.integer(), fc.boolean(), fc.constant(null))
    fc.assert(
      fc.property(
        fc.array(fc.record({ a: value, b: value, c: fc.constant('alike'), d: fc.array(fc.integer()) })),
        (rows) => {
          expect(overTheLine(rows)).toEqual(rows.map((r) => ({ ...r })))
        },
      ),
    )
  })
  it('say once what is alike, and share nothing that somebody could change', () => {
    const said = toColumns([
      { x: 1, zone: 'deck', at: [1] },
      { x: 2, zone: 'deck', at: [1] },
    ])
    expect(said).toEqual({
      count: 2,
      columns: { x: { each: [1, 2] }, zone: { all: 'deck' }, at: { each: [[1], [1]] } },
    })
    const [one, other] = fromColumns<{ zone: string; at: number[] }>(JSON.parse(JSON.stringify(said)))
    one!.zone = 'hull'
    one!.at.push(2)
    expect(other).toMatchObject({ zone: 'deck', at: [1] })
  })
  it('of none are none', () => expect(overTheLine([])).toEqual([]))
  it.each([
    ['one has a key less', [{ a: 1, b: 2 }, { a: 1 }]],
    ['one has another key', [{ a: 1 }, { b: 1 }]],
    ['one has nothing to say', [{ a: 1 }, { a: undefined }]],
  ])('are refused where %s', (_why, rows) => expect(() => toColumns(rows)).toThrow(/shape|has no/))
})

import { describe, expect, it } from 'vitest'
import { fittingFromFile, fittingFile, kindNamed, kinds } from '../src/kinds/registry'
import { ALONE } from '../src/kinds/kind'
import closureFirst from './kept/closure-v1.json'
import closure from './kept/closure-v2.json'
import openingFirst from './kept/opening-v1.json'
import openingSecond from './kept/opening-v2.json'
import opening from './kept/opening-v3.json'
import rigFirst from './kept/rig-v1.json'
import rigSecond from './kept/rig-v2.json'
import rig from './kept/rig-v3.json'
import row from './kept/row-v1.json'

/** Files as they were written once: what was stored yesterday opens tomorrow. */
const KEPT: Record<string, { file: unknown }> = {
  closure: { file: closure },
  opening: { file: opening },
  rig: { file: rig },
  row: { file: row },
}
describe('a file that was kept opens', () => {
  it.each(Object.entries(KEPT))('%s', (id, { file }) => {
    const kind = kindNamed(id)
    const d = fittingFromFile(kind, file)
    expect(d.name).toBe(`Kept ${id}`)
    expect(fittingFile(kind, d).version).toBe(kind.version)
    const j = kind.judge(d, { ...ALONE, today: '2031-05-01' })
    expect(j.checks.length).toBeGreaterThan(3)
    // a file of this version is written back as it was read
    expect(fittingFile(kind, d)).toEqual(file)
  })
  it('an opening of version 1 or 2 comes out as the one of version 3', () => {
    const kind = kindNamed('opening')
    for (const earlier of [openingFirst, openingSecond])
      expect(fittingFromFile(kind, earlier)).toEqual(fittingFromFile(kind, opening))
    const gland = { ...openingFirst.design, gland: { glands: [], behind: { lengthMm: 900 } } }
    expect(kind.upgrade(gland, 1)).toMatchObject({
      schemaVersion: 3,
      gland: { behind: { lengthMm: 900, side: 'forward', pumpLpm: null } },
    })
  })
  it('a job of closing of version 1 comes out as the one of version 2', () => {
    const kind = kindNamed('closure')
    expect(fittingFromFile(kind, closureFirst)).toEqual(fittingFromFile(kind, closure))
  })
  it('a chainplate of version 1 or 2 comes out as the one of version 3', () => {
    const kind = kindNamed('rig')
    for (const earlier of [rigFirst, rigSecond])
      expect(fittingFromFile(kind, earlier)).toEqual(fittingFromFile(kind, rig))
  })
  it('every kind that has a version has one', () => {
    const elsewhere = ['deck-hardware', 'through-hull']
    expect(
      kinds()
        .map((k) => k.id)
        .sort(),
    ).toEqual([...elsewhere, ...Object.keys(KEPT)].sort())
  })
})

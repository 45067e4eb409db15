import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE, judge, judgeSeen, parseDesign, Told, withChange, type Design } from '../src'
import { deckFit } from './deck-hands'

/** What a hand changes on the bench, and what comes with it from the boat. */
const KEYS: fc.Arbitrary<Record<string, unknown>> = fc.oneof(
  ...[
    fc.integer({ min: 2, max: 14 }).map((v) => ({ 'plate.thicknessMm': v })),
    fc.integer({ min: 2, max: 30 }).map((v) => ({ 'bolt.torqueNm': v })),
    fc.constantFrom('A2-70', 'A4-70', 'A4-80').map((v) => ({ 'bolt.grade': v })),
    fc.constantFrom('M6', 'M8', 'M10').map((v) => ({ 'bolt.size': v })),
    fc.integer({ min: 0, max: 400 }).map((v) => ({ 'load.heightMm': v })),
    fc.integer({ min: -180, max: 180 }).map((v) => ({ headingDeg: v })),
    fc.integer({ min: 1, max: 6 }).map((v) => ({ 'structure.outerMm': v, 'structure.innerMm': 7 - v })),
    fc.constantFrom('Usual load', 'A gale').map((v) => ({ caseName: v })),
    fc.boolean().map((v) => ({ 'place.belowWaterline': v })),
    fc.constantFrom('butyl', 'polysulfide', null).map((v) => ({ 'bedding.sealant': v })),
    fc.integer({ min: 0, max: 6 }).map((v) => ({ 'bedding.beadMm': v || null })),
    fc.constantFrom('solid-ring', 'crush-tube', 'insert').map((v) => ({ 'core.school': v })),
  ].map((weight) => weight as fc.Arbitrary<Record<string, unknown>>),
)
function turned(d: Design, change: Record<string, unknown>): Design {
  const next = withChange(d, change)
  try {
    parseDesign(next)
    return next
  } catch {
    return d
  }
}
const tried = (run: () => unknown) => {
  try {
    return run()
  } catch (error) {
    return { refused: (error as { code?: string }).code }
  }
}

describe('what a bench was told at the keys before', () => {
  it('is let go when the load or the pattern is another, or is turned', () => {
    const told = new Told()
    const d = deckFit(CATALOGUE.find((c) => c.family === 'handrail')!.id)
    const seen = (at: Design) => void judgeSeen(at, 'metric', undefined, false, undefined, told)
    seen(d)
    const before = told.hands
    expect(before.get(d.load)?.get(d.bolts)?.all.length).toBeGreaterThan(10)
    seen(withChange(d, { 'bolt.torqueNm': 7 }))
    expect(told.hands).toBe(before)
    for (const change of [{ 'load.heightMm': 90 }, { headingDeg: 30 }, { bolts: [...d.bolts] }]) {
      seen(d)
      const { hands } = told
      seen(withChange(d, change))
      expect(told.hands).not.toBe(hands)
    }
  })
  it('is kept from one key to the next, and changes no judgement', () => {
    let kept = 0
    fc.assert(
      fc.property(
        fc.constantFrom(...CATALOGUE),
        fc.array(KEYS, { minLength: 4, maxLength: 12 }),
        (entry, keys) => {
          const told = new Told()
          let d = deckFit(entry.id)
          for (const key of keys) {
            const before = told.hands.get(d.load)?.get(d.bolts)
            d = turned(d, key)
            const asked = tried(() => judgeSeen(d, 'metric', undefined, false, undefined, told).judgement)
            if (before && told.hands.get(d.load)?.get(d.bolts) === before) kept++
            expect(asked).toEqual(tried(() => judge(structuredClone(d))))
          }
        },
      ),
      { numRuns: 60 },
    )
    expect(kept).toBeGreaterThan(60)
  })
})

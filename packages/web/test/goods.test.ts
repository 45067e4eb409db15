import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@north-tide/core'
import { foundAmong, goodsFor, WAYS, type Way } from '../src/places/boat/place/goods'

/** What can go at a place, and how it is found. */
const ways = Object.keys(WAYS) as Way[]
const all = (way: Way) => goodsFor(way, 'metric', CATALOGUE)

describe('what can go there', () => {
  it.each(ways)('has for %s numbers of its own, and finds each by its number', (way) => {
    const list = all(way)
    expect(list.length).toBeGreaterThan(2)
    expect(new Set(list.map((c) => c.id)).size).toBe(list.length)
    for (const c of list) expect(foundAmong(list, c.id, 'metric').map((f) => f.id)).toContain(c.id)
  })
  it.each(ways)('what is to be tried for %s is there', (way) => {
    for (const word of WAYS[way].tries.split(/, ?/)) {
      const [first] = word.split(' ')
      expect([word, foundAmong(all(way), first!, 'metric').length > 0]).toEqual([word, true])
    }
  })
  it('is said in the units of whoever looks', () => {
    const held = (units: 'metric' | 'inch') => goodsFor('opening', units, []).map((c) => c.held)
    expect(held('metric').every((h) => h.includes('mm'))).toBe(true)
    expect(held('inch').some((h) => h.includes('mm'))).toBe(false)
  })
  it('every word counts, in any order and case; more words never find more', () => {
    const words = fc.array(fc.constantFrom('cleat', 'FOUR', 'bolts', 'base', 'hg', '250', 'nothing'), {
      maxLength: 4,
    })
    fc.assert(
      fc.property(words, fc.constantFrom(...ways), (asked, way) => {
        const found = foundAmong(all(way), asked.join(' '), 'metric')
        const turned = foundAmong(all(way), asked.toReversed().join('  ').toLowerCase(), 'metric')
        expect(turned).toEqual(found)
        expect(foundAmong(all(way), [...asked, 'cleat'].join(' '), 'metric').length).toBeLessThanOrEqual(
          found.length,
        )
      }),
    )
  })
  it.each(['metric', 'inch'] as const)(
    'what is made in %s units stands first on a boat of those',
    (units) => {
      const found = foundAmong(all('deck'), '', units)
      const own = found.findIndex((c) => c.units !== units)
      expect(own).toBeGreaterThan(0)
      expect(found.slice(own).every((c) => c.units !== units)).toBe(true)
    },
  )
})

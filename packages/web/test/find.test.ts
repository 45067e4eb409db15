import { beforeEach, describe, expect, it } from 'vitest'
import { finder } from '../src/state/find'
import { useBoats } from '../src/state/boats'
import { aboard } from './deck-hands'

/** What a fitter types, and what comes first. */
const HOLES = [
  { id: 7, label: 'P-007', whatFor: 'old rail, hole 1', state: 'closed', zone: 'Side deck' },
  { id: 12, label: 'P-012', whatFor: 'engine intake', state: 'suspect', zone: 'Bottom' },
]
const FITTINGS = [
  {
    id: 'c',
    kind: 'deck-hardware',
    name: 'Mooring cleat, starboard quarter',
    verdict: 'holds',
    zone: 'Deck',
  },
  { id: 's', kind: 'deck-hardware', name: 'Stanchion 4', verdict: 'short', zone: 'Side deck' },
]
const THROUGH = [{ id: 'h', kind: 'through-hull', name: 'Galley seacock', verdict: 'tight', zone: 'Bottom' }]
const look = async () => {
  const boats = useBoats()
  return finder({ picture: boats.picture, list: [], goods: [] })
}
beforeEach(() =>
  aboard({ '/lots': () => [] }, { holes: HOLES, fittings: FITTINGS, throughHulls: THROUGH, others: [] }),
)

describe('find anything', () => {
  it.each([
    ['P-012', 'P-012 engine intake'],
    ['p012', undefined],
    ['012', 'P-012 engine intake'],
    ['quarter cleat', 'Mooring cleat, starboard quarter'],
    ['bollard', 'Mooring cleat, starboard quarter'],
    ['mooring claet', 'Mooring cleat, starboard quarter'],
    ['stanchoin', 'Stanchion 4'],
    ['galley valve', 'Galley seacock'],
    ['suspect', 'P-012 engine intake'],
    ['dew point', 'What the weather lets one do'],
    ['ballroom dancing', undefined],
  ])('%s finds %s first', async (asked, first) => {
    const found = (await look())(asked)
    expect(found[0]?.title).toBe(first)
  })
  it('a number is never forgiven a slip: P-013 is another hole', async () => {
    expect((await look())('P-013')).toEqual([])
  })
})

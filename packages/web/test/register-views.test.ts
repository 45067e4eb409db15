import { flushPromises } from '@vue/test-utils'
import { ref } from 'vue'
import { beforeEach, describe, expect, it } from 'vitest'
import { useGroups, type GroupBy } from '../src/places/register/groups'
import { useBoats } from '../src/state/boats'
import SavedViews from '../src/pieces/SavedViews.vue'
import { aboard, shown } from './deck-hands'

/** The register under heads, and views of it that somebody gave a name. */
const hole = (id: number, state: string, zone: string, fittingId: string | null) => ({
  id,
  state,
  zone,
  fittingId,
})
const HOLES = [
  hole(1, 'suspect', 'Foredeck', null),
  hole(2, 'bedded', 'Bottom', 'a'),
  hole(3, 'suspect', 'Foredeck', 'a'),
]
describe('the register in groups', () => {
  beforeEach(() => {
    aboard()
    Object.assign(useBoats().picture!, {
      fittings: [{ id: 'a', name: 'Cleat, port', kind: 'deck-hardware' }],
      throughHulls: [],
      others: [],
    })
  })
  const cases: [GroupBy, string[]][] = [
    ['', []],
    [
      'fitting',
      ['Found, and nothing stands in it: 1 hole, 1 suspect', 'Cleat, port: 2 holes, 1 bedded, 1 suspect'],
    ],
    ['zone', ['Foredeck: 2 holes, 2 suspect', 'Bottom: 1 hole, 1 bedded']],
    ['state', ['Suspect: 2 holes, ', 'Bedded: 1 hole, ']],
  ]
  it.each(cases)(
    'by "%s" each hole stands once, under a head that says how many in which states',
    (by, said) => {
      const { listed, heads, isHead } = useGroups(ref(HOLES) as never, ref(by))
      const rows = listed.value
      expect(
        rows
          .filter((r) => !isHead(r))
          .map((r) => r.id)
          .sort(),
      ).toEqual([1, 2, 3])
      expect(
        rows.filter(isHead).map((r) => {
          const h = heads.get(r.id)!
          return `${h.title}: ${h.count}, ${h.states}`
        }),
      ).toEqual(said)
    },
  )
})

describe('views that are kept', () => {
  it('are of whoever keeps them: his own are let go, another’s only taken', async () => {
    const mine = { id: 1, name: 'Suspect', query: { state: 'suspect' }, shared: false, mine: true, by: 'Tam' }
    const other = { id: 2, name: 'By zone', query: { group: 'zone' }, shared: true, mine: false, by: 'Isa' }
    aboard({ '/views': () => ({ views: [mine, other] }) })
    const { w } = await shown(SavedViews, { place: 'register' })
    await flushPromises()
    await w.find('button').trigger('click')
    await flushPromises()
    const box = document.querySelector('[aria-label="Views that are kept"]')!
    expect(box.textContent).toContain('of Isa')
    const names = [...box.querySelectorAll('button')].map(
      (b) => b.getAttribute('aria-label') ?? b.textContent?.trim(),
    )
    expect(names).toContain('Let Suspect go')
    expect(names).not.toContain('Let By zone go')
  })
})

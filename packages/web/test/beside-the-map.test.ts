import { describe, expect, it } from 'vitest'
import SettleFirst from '../src/places/boat/SettleFirst.vue'
import UnderThePointer from '../src/places/boat/UnderThePointer.vue'
import { useLit } from '../src/places/boat/map-lit'
import type { BoatPicture } from '../src/types'
import { BOAT, FOREDECK, aboard, shown } from './deck-hands'

/** What stands beside the map: what is under the pointer, what has to be settled, what is lit. */
const hole = (id: number, more: object = {}) => ({
  id,
  label: `P-${id}`,
  whatFor: 'cleat, bolt 1',
  zone: 'Foredeck',
  fastener: 'M8 316 stainless A4-70',
  foundKind: null,
  state: 'in-service',
  xMm: 1000,
  yMm: 0,
  ...more,
})
const fitting = (id: string, more: object = {}) => ({
  id,
  name: `Fitting ${id}`,
  family: 'cleat',
  verdict: 'holds',
  zone: 'foredeck',
  governing: null,
  stale: false,
  solverDue: false,
  ...more,
})
const boat = (more: object = {}) =>
  ({ ...BOAT, wet: {}, others: [], throughHulls: [], note: '', ...more }) as unknown as BoatPicture

describe('what is lit', () => {
  const b = boat({
    holes: [
      hole(1),
      hole(2, { whatFor: 'old speed log', state: 'suspect', fastener: '' }),
      hole(3, { foundKind: 'old fastener', whatFor: '', state: 'closed' }),
    ],
    fittings: [fitting('a', { name: 'Mooring cleat' }), fitting('b', { name: 'Winch', verdict: 'short' })],
  })
  it.each<[string, string, number[] | null, string[] | null]>([
    ['', '', null, null],
    ['cleat', '', [1], ['a', 'b']],
    ['mooring', '', [], ['a']],
    ['  P-2 ', '', [2], []],
    ['old fastener', '', [3], []],
    ['short', '', [], ['b']],
    ['', 'suspect', [2], []],
    ['old fast', 'closed', [3], []],
    ['CLEAT m8', '', [1], []],
  ])('words “%s”, state “%s”', (words, state, holes, fittings) => {
    const lit = useLit(() => b)
    lit.words.value = words
    lit.state.value = state
    expect(lit.litHoles.value && [...lit.litHoles.value]).toEqual(holes)
    expect(lit.litFittings.value && [...lit.litFittings.value]).toEqual(fittings)
    lit.all()
    expect([lit.litHoles.value, lit.litFittings.value]).toEqual([null, null])
  })
})

describe('what is under the pointer', () => {
  const at = (x: number, y: number) => ({ xMm: x, yMm: y })
  async function said(p: object) {
    aboard()
    const props = { boat: boat({ holes: [hole(7)] }), units: 'metric', side: null, pointed: true }
    return (await shown(UnderThePointer, { ...props, at: at(1120, -40), ...p })).w.text()
  }
  it('its place, its layers and the nearest hole with the way to it', async () => {
    const text = await said({})
    expect(text).toContain('x 1\u202f120 mm')
    expect(text).toContain('Foredeck.')
    expect(text).toMatch(/120 mm aft, 40 mm to port of P-7/)
  })
  it.each([
    [at(900, 30), /100 mm forward, 30 mm to starboard of P-7/],
    [at(1000, 0), /centreline/],
  ])('%o', async (p, words) => expect(await said({ at: p })).toMatch(words))
  it('of a boat without a hole it says so', async () => {
    expect(await said({ boat: boat() })).toContain('no hole yet')
  })
  it('on her side it tells the height over water, and of no nearest hole, for that is asked in the plan', async () => {
    const zone = { ...FOREDECK, code: 'bottom', title: 'Bottom', face: 'bottom' }
    const text = await said({ side: { zone, spot: { xMm: 2000, zMm: -350 } } })
    expect(text).toContain('350 mm under water')
    expect(text).not.toMatch(/nearest|no hole/)
  })
})

describe('what has to be settled first', () => {
  const props = { units: 'metric', lit: null, litFittings: null }
  it('stands the worst first; what holds and what was replaced is not among it', async () => {
    aboard()
    const b = boat({
      fittings: [fitting('tight', { verdict: 'tight' }), fitting('good'), fitting('stale', { stale: true })],
      others: [fitting('bad', { verdict: 'short', governing: 'bolt' })],
      throughHulls: [fitting('old', { verdict: 'short' }), fitting('new', { replacesId: 'old' })],
      holes: [hole(1, { state: 'suspect' })],
    })
    const { w } = await shown(SettleFirst, { ...props, boat: b })
    expect(w.findAll('.list strong').map((s) => s.text())).toEqual([
      'Fitting bad',
      'Fitting tight',
      'Fitting stale',
      '1 suspect hole',
    ])
  })
  it('where all holds it says so; where nothing stands, how to begin', async () => {
    aboard()
    const all = await shown(SettleFirst, { ...props, boat: boat({ fittings: [fitting('a')] }) })
    expect(all.w.text()).toContain('Every fitting holds.')
    const none = await shown(SettleFirst, { ...props, boat: boat() })
    expect(none.w.text()).toContain('Click the deck where one goes')
  })
  it('tells how many are lit, and lets them all be shown again', async () => {
    aboard()
    const b = boat({ holes: [hole(1), hole(2)] })
    const { w, button } = await shown(SettleFirst, { ...props, boat: b, lit: new Set([2]) })
    expect(w.text()).toContain('1 of 2 holes lit')
    await button('Show all').trigger('click')
    expect(w.emitted('all')).toHaveLength(1)
  })
})

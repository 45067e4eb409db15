import { flushPromises } from '@vue/test-utils'
import { beforeEach, describe, expect, it } from 'vitest'
import FittingList from '../src/places/bench/FittingList.vue'
import { useBoats } from '../src/state/boats'
import { aboard, shown } from './deck-hands'

/** All fittings of the boat in one list, the worst first. */
const row = (id: string, name: string, verdict: string, more: object = {}) => ({
  id,
  kind: 'deck-hardware',
  name,
  verdict,
  governing: 'punching-core',
  stale: null,
  solverDue: false,
  recorded: false,
  version: 1,
  family: 'cleat',
  replacesId: null,
  ordered: false,
  xMm: 0,
  yMm: 0,
  zMm: 0,
  outline: [],
  zone: 'Foredeck',
  zoneCode: 'foredeck',
  ...more,
})
beforeEach(() => {
  aboard()
  const boats = useBoats()
  Object.assign(boats.picture!, {
    fittings: [
      row('a', 'Cleat, port', 'holds', { recorded: true }),
      row('b', 'Bitt', 'short', { family: 'bitt' }),
    ],
    throughHulls: [
      row('c', 'Intake', 'unproven', { kind: 'through-hull', governing: 'handle-swing', zone: null }),
    ],
    others: [],
  })
})
const open = async () => {
  const { w } = await shown(FittingList)
  await flushPromises()
  return w
}

describe('the list of fittings', () => {
  it('holds every kind, the worst first, with what governs by its name', async () => {
    const w = await open()
    const names = w.findAll('tbody tr').map((r) => r.find('a').text())
    expect(names).toEqual(['Bitt', 'Intake', 'Cleat, port'])
    expect(w.text()).toContain('Core shear round the pull')
    expect(w.text()).toContain('Handle swings free')
    expect(w.text()).toContain('in the register')
    expect(w.text()).toContain('on no known surface')
    expect(w.find('tbody tr:nth-child(2) a').attributes('href')).toBe('/through-hulls/c')
  })
  it('is searched by name and kind, and says so when nothing is like that', async () => {
    const w = await open()
    await w.find('input[aria-label="Search these"]').setValue('bitt')
    await flushPromises()
    expect(w.findAll('tbody tr').map((r) => r.find('a').text())).toEqual(['Bitt'])
    await w.find('input[aria-label="Search these"]').setValue('mast')
    await flushPromises()
    expect(w.text()).toContain('No fitting is like that.')
  })
})

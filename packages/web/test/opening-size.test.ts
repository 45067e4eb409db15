import { flushPromises } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { opening, OPENING_CATALOGUE, sizeOpening, type OpeningDesign } from '@north-tide/core/opening'
import { withChange, type BoatPart, type BoatZone } from '@north-tide/core'
import OpeningSize from '../src/kinds/opening/OpeningSize.vue'
import { useOpening } from '../src/state/opening'
import { aboard, FOREDECK, shown } from './deck-hands'

/** The worker is played by what runs in it. */
vi.mock('comlink', () => ({
  wrap: () => ({
    sizeIt: async (d: OpeningDesign, zones: BoatZone[], parts: BoatPart[]) =>
      sizeOpening(d, { zones, parts }),
  }),
}))
vi.stubGlobal(
  'Worker',
  class {
    terminate() {}
  },
)
const made = (id: string, change: Record<string, unknown> = {}): OpeningDesign => {
  const spot = {
    zone: 'foredeck',
    xMm: 1500,
    yMm: 0,
    zMm: 1600,
    structure: { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 3 },
    measured: ['thicknessMm'],
    edgeMm: null,
    belowWaterline: false,
    duty: 'coastal',
    zones: [FOREDECK],
  }
  const entry = OPENING_CATALOGUE.find((e) => e.id === id)!
  return withChange(opening.start(entry, spot as never, 'Sized'), change)
}
async function sized(design: OpeningDesign) {
  const open = { id: 'o1', kind: 'opening', boatId: 'b', name: 'Sized', version: 1, design }
  const rest = { log: [], flags: [], stale: null, holes: [], others: [], replacedBy: null }
  aboard({ '/fittings/o1': () => ({ ...open, ...rest }) })
  const bench = useOpening()
  await bench.open('o1')
  const closed = vi.fn()
  await shown(OpeningSize, { onClose: closed })
  await flushPromises()
  const box = document.querySelector('.el-dialog')!
  const press = async (text: string) => {
    const button = [...box.querySelectorAll('button')].find((b) => b.textContent!.includes(text))
    button!.click()
    await flushPromises()
  }
  return { bench, box, press, closed }
}
beforeEach(() => {
  vi.useRealTimers()
  document.body.innerHTML = ''
})

describe('an opening is sized', () => {
  it('the first of the best few goes on the bench, and undo brings back what lay there', async () => {
    const before = made('CL-V10', { ring: null })
    const { bench, box, press, closed } = await sized(before)
    expect(box.textContent).toContain('a ring of plywood')
    await press('Use this design')
    expect(bench.design!.ring).toMatchObject({ material: 'plywood', thicknessMm: 12 })
    expect(closed).toHaveBeenCalledOnce()
    bench.undo()
    expect(bench.design!.ring).toBeNull()
  })
  it('where nothing holds it says what has to give, and leaves the design alone', async () => {
    const before = made('CL-C70')
    const { bench, box, press, closed } = await sized(before)
    expect(box.textContent).toContain('Nothing holds')
    expect(box.textContent).toContain('What stays short')
    expect(box.textContent).not.toContain('Use this design')
    await press('Leave it as it is')
    expect([bench.design, closed.mock.calls.length]).toEqual([before, 1])
  })
})

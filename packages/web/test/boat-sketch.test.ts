import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { useBoats } from '../src/state/boats'
import BoatSketch from '../src/places/boat/BoatSketch.vue'
import { aboard } from './deck-hands'

/** The boat beside a form: corners are moved by hand and by key, and what is entered is seen. */
const CORNERS = [
  { xMm: 500, yMm: 300 },
  { xMm: 1500, yMm: 300 },
  { xMm: 1500, yMm: -300 },
]
function sketch(props: Record<string, unknown> = {}) {
  aboard({}, {})
  const boat = useBoats().picture!
  return mount(BoatSketch, {
    props: { boat, units: 'metric', corners: CORNERS, edit: true, label: 'Drag a corner', ...props } as never,
    attachTo: document.body,
  })
}

describe('a sketch of the boat', () => {
  it('a corner is moved by the arrow keys, ten times as far with Shift, and says where it is', async () => {
    const w = sketch()
    const second = w.find('[aria-label^="Corner 2:"]')
    expect(second.attributes('aria-label')).toMatch(/1.500 mm, 300 mm/)
    await second.trigger('keydown', { key: 'ArrowRight' })
    await second.trigger('keydown', { key: 'ArrowDown', shiftKey: true })
    expect(w.emitted('move')).toEqual([
      [1, { xMm: 1510, yMm: 300 }],
      [1, { xMm: 1500, yMm: 200 }],
    ])
    expect(w.find('[role=status]').text()).toMatch(/^1.500 mm, 200 mm/)
  })
  it('a press between two corners makes a new one there', async () => {
    const w = sketch()
    await w.find('[aria-label="A new corner between 1 and 2"]').trigger('keydown', { key: 'Enter' })
    expect(w.emitted('add')).toEqual([[0, { xMm: 1000, yMm: 300 }]])
  })
  it('who only reads drags nothing', () => {
    const w = sketch({ edit: false })
    expect(w.findAll('[role=button]')).toHaveLength(0)
    expect(w.find('polygon.own').exists()).toBe(true)
  })
  it('in inches a key moves by a quarter of an inch', async () => {
    const w = sketch({ units: 'inch' })
    await w.find('[aria-label^="Corner 1:"]').trigger('keydown', { key: 'ArrowUp' })
    expect((w.emitted('move')![0] as [number, { yMm: number }])[1].yMm).toBeCloseTo(306.35, 6)
  })
  it('what is being entered is marked where it would lie', () => {
    const w = sketch({ corners: [], edit: false, spot: { xMm: 900, yMm: -200 }, spotSaid: 'x 900 mm' })
    expect(w.find('.spot circle').attributes()).toMatchObject({ cx: '900', cy: '200' })
    expect(w.find('figcaption span').text()).toBe('x 900 mm')
  })
})

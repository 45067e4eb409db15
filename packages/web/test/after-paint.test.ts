import { mount } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h, reactive } from 'vue'
import { keysFirst } from '../src/pieces/after-paint'
import DimensionField from '../src/pieces/DimensionField.vue'
import { soon } from './soon'

/** A figure on a bench: the key is seen first, and what is done to what was typed has it in at once. */
function onBench() {
  const taken: (number | null)[] = []
  const state = reactive({ there: true, value: 10 as number | null })
  const Field = () =>
    h(DimensionField, {
      label: 'Plate thickness',
      units: 'metric',
      modelValue: state.value,
      'onUpdate:modelValue': (v: number | null) => {
        taken.push(v)
        state.value = v
      },
    })
  const w = mount(
    defineComponent({
      setup() {
        keysFirst()
        return () => (state.there ? h(Field) : null)
      },
    }),
    { attachTo: document.body },
  )
  const input = w.find('input')
  input.element.focus()
  return { w, state, taken, input, type: (text: string) => input.setValue(text) }
}
afterEach(() => vi.useRealTimers())

describe('a key on a bench', () => {
  it('is not followed at once, and of several the last is', async () => {
    const f = onBench()
    await f.type('1')
    await f.type('12')
    expect([f.taken, f.input.element.value]).toEqual([[], '12'])
    await soon(() => expect(f.taken).toEqual([12]))
  })
  it('is followed soon where nothing is painted', async () => {
    vi.useFakeTimers()
    vi.stubGlobal('requestAnimationFrame', () => 0)
    const f = onBench()
    await f.type('12')
    vi.advanceTimersByTime(99)
    expect(f.taken).toEqual([])
    vi.advanceTimersByTime(1)
    expect(f.taken).toEqual([12])
    vi.unstubAllGlobals()
  })
  it.each<[string, (f: ReturnType<typeof onBench>) => unknown]>([
    ['Enter', (f) => f.input.trigger('keydown', { key: 'Enter' })],
    ['a key with Ctrl', (f) => f.input.trigger('keydown', { key: 's', ctrlKey: true })],
    ['leaving the field', (f) => f.input.trigger('blur')],
    ['the field going away', (f) => (f.state.there = false)],
    ['the page going away', () => window.dispatchEvent(new Event('pagehide'))],
  ])('%s has it in at once, and once', async (_, act) => {
    vi.useFakeTimers()
    const f = onBench()
    await f.type('12')
    expect(f.taken).toEqual([])
    await act(f)
    await Promise.resolve()
    expect(f.taken).toEqual([12])
    vi.advanceTimersByTime(500)
    expect(f.taken).toEqual([12])
  })
  it('that makes no sense changes nothing, and is said when it is left', async () => {
    const f = onBench()
    await f.type('abc')
    await f.input.trigger('blur')
    expect([f.taken, f.input.element.value]).toEqual([[], 'abc'])
    expect(f.w.find('[role=alert]').text()).toMatch(/abc/)
  })
})

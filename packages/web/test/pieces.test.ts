import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h, nextTick, reactive } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import type { Check, Verdict } from '@north-tide/core'
import DimensionField from '../src/pieces/DimensionField.vue'
import HeldText from '../src/pieces/HeldText.vue'
import SavedWord from '../src/pieces/SavedWord.vue'
import TakeReading from '../src/pieces/TakeReading.vue'
import VerdictList from '../src/pieces/VerdictList.vue'
import { useBenchKeys } from '../src/pieces/bench-keys'

describe('a field for a dimension', () => {
  const field = (props: Partial<InstanceType<typeof DimensionField>['$props']> = {}) => {
    const state = reactive({
      label: 'Bore',
      modelValue: 10 as number | null,
      units: 'metric' as const,
      ...props,
    })
    const w = mount(
      defineComponent({
        setup: () => () =>
          h(DimensionField, {
            ...state,
            'onUpdate:modelValue': (v: number | null) => (state.modelValue = v),
          }),
      }),
      { attachTo: document.body },
    )
    const input = w.find('input')
    const type = async (text: string) => {
      input.element.focus()
      await input.setValue(text)
    }
    return { w, input, state, type, leave: () => input.trigger('blur'), said: () => w.find('[role=alert]') }
  }
  it.each([
    ['12,5', 'metric', 12.5],
    ['3/8"', 'metric', 9.525],
    ['1 1/4', 'inch', 31.75],
    ['1.2m', 'metric', 1200],
    ['12 mm', 'inch', 12],
  ] as const)('reads %s in a %s yard as %f mm', async (text, units, mm) => {
    const f = field({ units })
    await f.type(text)
    expect(f.state.modelValue).toBeCloseTo(mm, 6)
  })
  it('what makes no sense is said when it is left, keeps its text, and changes nothing', async () => {
    const f = field()
    await f.type('ten')
    expect(f.said().exists()).toBe(false)
    await f.leave()
    expect(f.said().text()).toMatch(/ten/)
    expect([f.state.modelValue, f.input.element.value, f.input.attributes('aria-invalid')]).toEqual([
      10,
      'ten',
      'true',
    ])
    await f.type('11')
    await f.leave()
    expect([f.said().exists(), f.state.modelValue]).toEqual([false, 11])
  })
  it.each([
    [{ above: true }, '0', 'too small'],
    [{ least: 5 }, '4', 'at least 5'],
    [{ most: 60, kind: 'temperature' as const }, '61', 'up to 60'],
  ])('with %j, %s is refused with what is accepted', async (props, text, words) => {
    const f = field(props)
    await f.type(text)
    await f.leave()
    expect(f.said().text()).toContain(words)
    expect(f.state.modelValue).toBe(10)
  })
  it.each([
    ['what cannot be read', { optional: true }, 'abc', false],
    ['what is too small', { optional: true, least: 5 }, '4', false],
    ['what may not be empty and was', {}, '', false],
    ['what is read', { optional: true }, '11', true],
    ['what may be left out', { optional: true }, '', true],
    ['what the server found wrong before', { problem: 'No hole is that wide' }, '11', true],
  ])('a form with %s (%j, %s) is sent: %s', async (_what, props, text, sent) => {
    const f = field(props)
    const form = document.createElement('form')
    const send = document.createElement('button')
    const asked = vi.fn((e: Event) => e.preventDefault())
    form.addEventListener('submit', asked)
    f.w.element.replaceWith(form)
    form.append(f.w.element, send)
    await f.type(text)
    await f.leave()
    send.click()
    expect(asked).toHaveBeenCalledTimes(sent ? 1 : 0)
    await f.type('12')
    send.click()
    expect(asked).toHaveBeenCalledTimes(sent ? 2 : 1)
  })
  it.each([
    [12, 'inch', 'length'],
    [14.2875, 'metric', 'length'],
    [1234.5678, 'inch', 'force'],
    [13.333333, 'inch', 'temperature'],
  ] as const)(
    'going through a field that holds %f in a %s yard changes nothing of it',
    async (mm, units, kind) => {
      const f = field({ modelValue: mm, units, kind })
      await f.input.trigger('focus')
      await f.leave()
      await f.input.trigger('focus')
      await f.leave()
      expect(f.state.modelValue).toBe(mm)
    },
  )
  it('an optional one may be emptied, another may not', async () => {
    const may = field({ optional: true })
    await may.type('')
    expect(may.state.modelValue).toBeNull()
    const not = field()
    await not.type('')
    await not.leave()
    expect(not.said().exists()).toBe(true)
    expect(not.state.modelValue).toBe(10)
  })
  it('a figure from elsewhere does not run over what is being typed', async () => {
    const f = field()
    await f.type('12')
    f.state.modelValue = 40
    await nextTick()
    expect(f.input.element.value).toBe('12')
  })
  it('the same length in the other units, on the spot', async () => {
    const f = field({ modelValue: 25.4 })
    f.state.units = 'inch' as never
    await nextTick()
    expect(f.input.element.value).toMatch(/^1$|^1"$/)
    expect(f.w.text()).toContain('in')
  })
  it('arrows step it, and not past its limit', async () => {
    const f = field({ most: 11 })
    await f.input.trigger('focus')
    for (let i = 0; i < 5; i++) await f.input.trigger('keydown', { key: 'ArrowUp' })
    expect(f.state.modelValue).toBe(11)
    await f.input.trigger('keydown', { key: 'ArrowDown', shiftKey: true })
    expect(f.state.modelValue).toBe(6)
  })
  it('temperatures are in the yard\u2019s units on the screen and in degrees C behind it', async () => {
    const f = field({ kind: 'temperature', units: 'inch', modelValue: 20 })
    expect(f.input.element.value).toBe('68')
    await f.type('50')
    expect(f.state.modelValue).toBeCloseTo(10, 9)
  })
})

describe('a name that is held', () => {
  it('is taken when it is left or Enter is pressed, and goes back when it was not accepted', async () => {
    const taken: string[] = []
    const w = mount(HeldText, {
      props: { modelValue: 'Old', 'onUpdate:modelValue': (v: string) => void taken.push(v) },
      attachTo: document.body,
    })
    const input = w.find('input')
    input.element.focus()
    await input.setValue('New')
    await w.setProps({ modelValue: 'Drawn anew' })
    expect(input.element.value).toBe('New')
    await input.trigger('keydown', { key: 'Enter' })
    expect(taken).toEqual(['New'])
    await input.setValue('')
    await input.trigger('blur')
    await nextTick()
    expect(input.element.value).toBe('Drawn anew')
  })
})

describe('verdicts in a row', () => {
  const check = (
    id: string,
    verdict: Verdict,
    utilisation: number | null,
    more: Partial<Check> = {},
  ): Check => ({
    id,
    title: id,
    demand: null,
    capacity: null,
    factor: 1,
    unit: '',
    utilisation,
    verdict,
    because: '',
    working: [],
    assumed: [],
    source: 'chapter 1',
    remedies: [],
    ...more,
  })
  const list = (checks: Check[], props: object = {}) =>
    mount(VerdictList, {
      props: {
        judged: { checks, counts: { short: 1, unproven: 0, tight: 0, holds: 2 } },
        problem: null,
        units: 'metric',
        readOnly: false,
        picked: null,
        ...props,
      },
    })
  const some = [
    check('easy', 'holds', 0.2),
    check('near', 'holds', 0.89),
    check('broken', 'short', 1.4, {
      remedies: [{ id: 'r', text: 'a thicker plate', change: { a: 1 }, utilisation: 0.8, verdict: 'holds' }],
    }),
    check('unsure', 'unproven', null),
  ]
  it('the worst is first, and the harder used before the easier', () => {
    expect(
      list(some)
        .findAll('[data-check]')
        .map((l) => l.attributes('data-check')),
    ).toEqual(['broken', 'unsure', 'near', 'easy'])
    expect(
      list(some, { first: (id: string) => (id === 'easy' ? 1 : 0) })
        .findAll('[data-check]')
        .map((l) => l.attributes('data-check')),
    ).toEqual(['broken', 'unsure', 'easy', 'near'])
  })
  it('the word stands beside the sign: colour alone says nothing', () => {
    expect(list(some).find('[data-check=broken]').text()).toMatch(/^Short: broken/)
    expect(list(some).find('[data-test=counts]').text()).toBe('1 short · 2 hold')
  })
  it('a remedy is applied with one press, and an owner sees none', async () => {
    const w = list(some)
    await w.find('.remedy').trigger('click')
    expect(w.emitted('apply')![0]).toEqual([expect.objectContaining({ id: 'r' })])
    expect(list(some, { readOnly: true }).find('.remedy').exists()).toBe(false)
  })
  it('a check that does not hold says which estimates it leans on, three by name', () => {
    const w = list([
      check('c', 'short', 1.2, { assumed: ['a', 'b', 'c', 'd', 'e'] }),
      check('h', 'holds', 0.1, { assumed: ['a'] }),
    ])
    expect(w.find('[data-check=c]').text()).toContain('and 2 more')
    expect(w.find('[data-check=h]').text()).not.toContain('estimate')
  })
})

describe('keys of a bench', () => {
  const keys = () => {
    const did: string[] = []
    const router = createRouter({
      history: createMemoryHistory(),
      routes: [{ path: '/:p(.*)*', component: {} }],
    })
    const w = mount(
      defineComponent({
        setup() {
          useBenchKeys({
            undo: () => did.push('undo'),
            redo: () => did.push('redo'),
            step: (by) => did.push(`step ${by}`),
            more: { s: () => did.push('size') },
          })
          return () => h('div', [h('input', { type: 'text' }), h('input', { type: 'checkbox' })])
        },
      }),
      { global: { plugins: [router] }, attachTo: document.body },
    )
    const press = (key: string, on: Element = document.body, more: KeyboardEventInit = {}) => {
      const e = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more })
      on.dispatchEvent(e)
      return e.defaultPrevented
    }
    return { did, press, w }
  }
  it('do their work outside of fields', () => {
    const { did, press, w } = keys()
    for (const k of ['z', 'Z', '[', ']', 's', 'q']) press(k)
    press('z', document.body, { ctrlKey: true })
    press('Z', document.body, { metaKey: true, shiftKey: true })
    expect(did).toEqual(['undo', 'redo', 'step -1', 'step 1', 'size', 'undo', 'redo'])
    w.unmount()
  })
  it('are letters while somebody types, and never steal from the browser', () => {
    const { did, press, w } = keys()
    const [text, tick] = w.findAll('input').map((i) => i.element)
    expect(press('z', text)).toBe(false)
    expect(press('z', text, { ctrlKey: true })).toBe(false)
    expect(press('s', document.body, { ctrlKey: true })).toBe(false)
    expect(did).toEqual([])
    press('z', tick)
    expect(did).toEqual(['undo'])
    w.unmount()
    press('z')
    expect(did).toEqual(['undo'])
  })
})

describe('a reading from a simulated instrument', () => {
  class Stream {
    static CLOSED = 2
    static all: Stream[] = []
    readyState = 1
    onmessage: ((e: { data: string }) => void) | null = null
    onopen: (() => void) | null = null
    onerror: (() => void) | null = null
    constructor(readonly url: string) {
      Stream.all.push(this)
    }
    close() {
      this.readyState = Stream.CLOSED
    }
  }
  beforeEach(() => {
    Stream.all = []
    vi.stubGlobal('EventSource', Stream)
    vi.useFakeTimers()
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })
  const reading = {
    instrument: 'Hygrometer 2, simulated',
    value: 0,
    unit: '',
    at: '2026-05-04T08:00:00Z',
    airC: 14,
    humidityPct: 61,
    surfaceC: 12.5,
  }
  it('is taken as it stands when the button is pressed; a lost stream says so, takes nothing, and is tried again', async () => {
    const w = mount(TakeReading, { props: { kind: 'hygrometer' } })
    expect(w.text()).toContain('simulated')
    await w.find('button').trigger('click')
    expect(w.findAll('button')[0]!.attributes('disabled')).toBeDefined()
    Stream.all[0]!.onmessage!({ data: JSON.stringify(reading) })
    await nextTick()
    expect(w.find('.now').text()).toBe('air 14 °C, 61 %, surface 12.5 °C')
    await w.findAll('button')[0]!.trigger('click')
    expect(w.emitted('take')).toEqual([[reading]])
    Stream.all[0]!.readyState = Stream.CLOSED
    Stream.all[0]!.onerror!()
    await nextTick()
    expect(w.find('.now').text()).toContain('stream lost')
    expect(w.findAll('button')[0]!.attributes('disabled')).toBeDefined()
    await vi.advanceTimersByTimeAsync(2000)
    expect(Stream.all).toHaveLength(2)
    Stream.all[1]!.onopen!()
    await nextTick()
    expect(w.find('.now').text()).toContain('61 %')
    w.unmount()
    expect(Stream.all[1]!.readyState).toBe(Stream.CLOSED)
  })
})

describe('whether it is saved', () => {
  it.each([
    ['saved', 'saved', false],
    ['offline', 'draft kept here', true],
    ['refused', 'not saved: too thin', true],
    ['conflict', 'two versions', true],
  ] as const)('%s reads %s', (saving, words, alarm) => {
    const w = mount(SavedWord, { props: { saving, refusal: saving === 'refused' ? 'too thin' : null } })
    expect(w.text()).toContain(words)
    expect(w.classes('alarm')).toBe(alarm)
  })
})

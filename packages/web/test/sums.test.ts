import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { EXAMPLES } from '@north-tide/core'
import { CALCULATORS, describeCalculators, runNamed } from '@north-tide/core/registry'
import AnswerView from '../src/places/reference/sums/AnswerView.vue'
import QuickSum from '../src/places/reference/sums/QuickSum.vue'
import SchemaField from '../src/places/reference/sums/SchemaField.vue'
import { blankOf, branchOf, branchesOf, fieldWords, type Schema } from '../src/places/reference/sums/words'
import { useBoats } from '../src/state/boats'
import { BOAT, aboard } from './deck-hands'
import { fieldOf, firstList } from './pick'
import { soon } from './soon'

vi.mock('comlink', () => ({
  proxy: (f: unknown) => f,
  wrap: () => ({ run: async (name: string, input: unknown) => ({ answer: runNamed(name, input) }) }),
}))
vi.stubGlobal(
  'Worker',
  class {
    terminate() {}
  },
)
beforeEach(() => {
  aboard()
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
})
afterEach(() => {
  vi.useRealTimers()
  vi.clearAllMocks()
})
async function sum(name: string, query = '') {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [
      { path: '/reference/sums/:sum?', name: 'sums', component: QuickSum },
      { path: '/:all(.*)*', component: { template: '<i/>' } },
    ],
  })
  await router.push(`/reference/sums/${name}${query}`)
  const w = mount(QuickSum, { attachTo: document.body, global: { plugins: [router] } })
  // a part of the sums is fetched when one of it is asked for
  await soon(async () => {
    await flushPromises()
    expect(w.find('.answer, .refused').exists()).toBe(true)
  })
  const by = (label: string) => {
    const l = w.findAll('.fields label').find((x) => x.text().startsWith(label))!
    const inner = l.find('input')
    return fieldOf(w, inner.exists() ? inner : w.find(`[id="${l.attributes('for')}"]`))
  }
  const settle = async () => {
    vi.advanceTimersByTime(600)
    await flushPromises()
  }
  return { w, router, by, settle }
}

describe('every calculator as a quick sum', () => {
  const light = CALCULATORS.filter((c) => !['deck-patch', 'plan', 'spacing'].includes(c.name)).map(
    (c) => c.name,
  )
  it.each(light)(
    '%s comes up with an example and an answer in words, without a figure that is none',
    async (name) => {
      const s = await sum(name)
      expect(s.w.find('.refused').exists()).toBe(false)
      expect(s.w.find('.answer').exists()).toBe(true)
      expect(s.w.text()).not.toMatch(/NaN|undefined|Infinity|\[object/)
      s.w.unmount()
    },
  )
})

describe('a sum', () => {
  it('what is typed is answered anew, and the address says it, so that a link brings it back', async () => {
    const s = await sum('wedge-block')
    const before = s.w.find('.answer').text()
    await s.by('deadrise').setValue('24')
    await s.settle()
    expect(s.w.find('.answer').text()).not.toBe(before)
    const link = String(s.router.currentRoute.value.query.in)
    const again = await sum('wedge-block', `?in=${link}`)
    expect((again.by('deadrise').element as HTMLInputElement).value).toBe('24')
    expect(again.w.find('.answer').text()).toBe(s.w.find('.answer').text())
  })
  it('a refusal stands at its field, and the last answer below it', async () => {
    const s = await sum('wedge-block')
    await s.by('deadrise').setValue('85')
    await s.settle()
    expect(s.w.find('.refused').text()).toContain('deadrise:')
    expect(s.w.find('.refused').text()).toContain('Below stands the last answer')
    expect(s.w.find('.answer').exists()).toBe(true)
    await s.by('deadrise').setValue('20')
    await s.settle()
    expect(s.w.find('.refused').exists()).toBe(false)
  })
  it('a link that is broken brings the example, not an error', async () => {
    const s = await sum('thread-fit', '?in=***')
    expect(s.w.find('.answer').exists()).toBe(true)
    expect(s.w.find('.refused').exists()).toBe(false)
  })
  it('is found by the words that a fitter has for it', async () => {
    const s = await sum('thread-fit')
    await s.w.find('#sum-find').setValue('how long')
    expect(s.w.find('.pick').text()).toContain('If it lets go')
    await s.w.find('#sum-find').setValue('ballroom dancing')
    expect(s.w.find('.pick').text()).toContain('No sum speaks of')
  })
})

describe('what was worked out goes to the bench', () => {
  it('only where it is something that a fitting decides, and with what was typed', async () => {
    useBoats().picture = { ...BOAT, fittings: [{ id: 'f1', name: 'Bow cleat' }] } as never
    const s = await sum('fastener')
    const pick = fieldOf(s.w, s.w.find('.use input'))
    expect(pick.titles()).toEqual(['Bow cleat'])
    await pick.setValue('f1')
    await flushPromises()
    expect(s.router.currentRoute.value.path).toBe('/bench/f1')
    expect((await sum('surface-window')).w.find('.use').exists()).toBe(false)
  })
})

describe('fields made from a schema', () => {
  const schemaOf = (name: string) => describeCalculators().find((c) => c.name === name)!.input as Schema
  it('choosing another branch keeps what both have and drops the rest', async () => {
    const schema = schemaOf('seacock-load')
    const input = EXAMPLES['seacock-load'] as Record<string, unknown>
    const w = mount(SchemaField, {
      props: {
        schema: { ...schema, type: 'object' },
        modelValue: input,
        name: '',
        path: '',
        units: 'metric',
        required: true,
        error: null,
      },
    })
    const choice = fieldOf(w, w.find('.pick input'))
    expect(choice.titles()).toContain('nut')
    const nut = firstList(w).find((o) => o.title === 'nut')!
    await choice.setValue(nut.value)
    const sent = w.emitted('update:modelValue')!.at(-1)![0] as Record<string, unknown>
    expect(sent).toMatchObject({ method: 'nut', heightMm: input.heightMm })
    expect(sent).not.toHaveProperty('boltCircleMm')
    expect(sent).toHaveProperty('tail')
  })
  it('rows are added as copies of the last and taken away by number', async () => {
    const w = mount(SchemaField, {
      props: {
        schema: {
          type: 'array',
          items: { type: 'object', properties: { xMm: { type: 'number' } }, required: ['xMm'] },
        },
        modelValue: [{ xMm: 4 }, { xMm: 9 }],
        name: 'bolts',
        path: 'bolts',
        units: 'metric',
        required: true,
        error: null,
      },
    })
    await w.find('button.add').trigger('click')
    expect(w.emitted('update:modelValue')!.at(-1)![0]).toEqual([{ xMm: 4 }, { xMm: 9 }, { xMm: 9 }])
    await w.find('[aria-label="Remove row 1 of bolts"]').trigger('click')
    expect(w.emitted('update:modelValue')!.at(-1)![0]).toEqual([{ xMm: 9 }])
  })
  it('an optional field that is emptied is left out, not sent as nothing', async () => {
    const w = mount(SchemaField, {
      props: {
        schema: { type: 'object', properties: { holeMm: { type: 'number' } } },
        modelValue: { holeMm: 44 },
        name: '',
        path: '',
        units: 'metric',
        required: true,
        error: null,
      },
    })
    await w.find('input').setValue('')
    expect(w.emitted('update:modelValue')!.at(-1)![0]).toEqual({})
  })
  it.each([
    ['diameterMm', 'diameter', 'mm', 'length'],
    ['loadN', 'load', 'N', 'force'],
    ['deadriseDeg', 'deadrise', '\u00b0', 'angle'],
    ['tempC', 'temperature', '\u00b0C', 'temperature'],
    ['flowLpm', 'flow', 'l/min', 'number'],
    ['beddingMm', 'bedding', 'mm', 'length'],
  ])('%s is said as %s, %s', (key, label, unit, kind) => {
    expect(fieldWords(key)).toMatchObject({ label, unit, kind })
  })
  it('every example lies in a branch that takes it, and every schema has a first value', () => {
    for (const c of describeCalculators()) {
      const s = c.input as Schema
      const branches = branchesOf(s)
      if (branches) expect([c.name, branchOf(branches, EXAMPLES[c.name]) >= 0]).toEqual([c.name, true])
      expect([c.name, blankOf(s) !== undefined]).toEqual([c.name, true])
    }
  })
})

it('an estimate is called by the words of the trade, never by the name of its field', () => {
  for (const [name, input] of Object.entries(EXAMPLES)) {
    if (['deck-patch', 'plan'].includes(name)) continue
    const answer = runNamed(name, input) as Record<string, unknown>
    if (!Array.isArray(answer.assumed) || !answer.assumed.length) continue
    const text = mount(AnswerView, { props: { answer: { assumed: answer.assumed }, units: 'metric' } }).text()
    expect(text, name).not.toMatch(/[a-z]+(MPa|Mm|N|Deg)\b/)
  }
})
it('an answer shows verdict and reason first, its checks, its codes in words, and its tables', () => {
  const answer = runNamed('thread-fit', {
    external: { family: 'bspp', size: '1' },
    internal: { family: 'bspt', size: '1', depthMm: 10 },
  }) as Record<string, unknown>
  const w = mount(AnswerView, { props: { answer, units: 'metric' } })
  expect(w.find('[data-test=sum-verdict]').text()).toMatch(/^Short G 1 in Rc 1/)
  expect(w.find('.codes').text()).toContain('a parallel thread binds in a taper')
  const flood = mount(AnswerView, {
    props: { answer: runNamed('flooding', EXAMPLES.flooding) as Record<string, unknown>, units: 'inch' },
  })
  expect(flood.text()).not.toMatch(/NaN|\bnull\b/)
})

import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { benchOf, kindOnScreen } from '../src/kinds/registry'
import FindAnything from '../src/pieces/FindAnything.vue'
import AnyBench from '../src/places/bench/AnyBench.vue'
import { aboard, refusal } from './deck-hands'
import { soon } from './soon'
import './name-plate'

/** A kind is one folder in the web application: search and bench know it without being told. */
const PLATE = { id: 'p1', kind: 'name-plate', name: 'Builder\u2019s plate', verdict: 'holds' }
async function at(path: string, view: object) {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/bench/:id?', component: view }],
  })
  await router.push(path)
  const w = mount(view as never, { attachTo: document.body, global: { plugins: [router] } })
  await flushPromises()
  return { w, router }
}
beforeEach(() => aboard({}, { others: [PLATE] }))

describe('a third kind', () => {
  it('is found by its name and by what it is, and leads to the bench', async () => {
    const { w, router } = await at('/bench', FindAnything)
    w.find('input').element.focus()
    await w.find('input').setValue('name plate')
    await soon(() => expect(w.text()).toContain('Builder\u2019s plate'))
    await w.find('input').trigger('keydown', { key: 'Enter' })
    await soon(() => expect(router.currentRoute.value.fullPath).toBe('/bench/p1'))
  })
  it('lies on a bench of its own', async () => {
    const { w } = await at('/bench/p1', AnyBench)
    await soon(() => expect(w.text()).toBe('Builder\u2019s plate: two screws and no load'))
  })
  it('one of another boat is asked for before a bench is chosen: the wrong bench cannot read it', async () => {
    aboard({ '/fittings/p2': () => ({ ...PLATE, id: 'p2' }) }, { others: [] })
    const { w } = await at('/bench/p2', AnyBench)
    await soon(() => expect(w.text()).toContain('two screws and no load'))
  })
  it('one that is nowhere says so', async () => {
    aboard({ '/fittings/p3': () => refusal(404, { code: 'not-found', message: 'No such fitting' }) })
    const { w } = await at('/bench/p3', AnyBench)
    await soon(() => expect(w.find('[role=alert]').text()).toBe('No such fitting'))
  })
  it('one of a kind that this version does not know yet is opened on the bench, not lost', () => {
    expect([kindOnScreen('sail'), benchOf({ kind: 'sail', id: 's1' })]).toEqual([null, '/bench/s1'])
  })
})

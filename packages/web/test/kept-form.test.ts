import { createPinia, setActivePinia } from 'pinia'
import { effectScope, nextTick } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Offline } from '../src/api'
import { useAttempt } from '../src/pieces/attempt'
import { keptForm } from '../src/pieces/kept-form'
import { useSession } from '../src/state/session'

const first = () => ({ size: 6 as number | null, note: '', layers: [1, 2] })
beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  useSession().account = { id: 7, name: 'Isa' } as never
})
const open = () => keptForm('found:b', first)

describe('a form that keeps what is typed', () => {
  it('stands again after the page was closed, and says so', async () => {
    const one = open()
    expect(one.again.value).toBe(false)
    one.form.note = 'rusty'
    one.form.layers[1] = 5
    await nextTick()
    const again = open()
    expect(again.form).toEqual({ size: 6, note: 'rusty', layers: [1, 5] })
    expect(again.again.value).toBe(true)
  })
  it('is gone once it was kept by the server, or begun afresh', () => {
    const one = open()
    one.form.note = 'rusty'
    one.done()
    expect(open().again.value).toBe(false)
    const two = open()
    two.form.note = 'once more'
    two.afresh()
    expect(two.form).toEqual(first())
    expect(open().again.value).toBe(false)
  })
  it('typed back to what it was, nothing is left', () => {
    const one = open()
    one.form.note = 'x'
    one.form.note = ''
    expect(open().again.value).toBe(false)
  })
  it('another account, another boat and what an older page left are kept apart', () => {
    open().form.note = 'mine'
    expect(keptForm('found:c', first).form.note).toBe('')
    useSession().account = { id: 8, name: 'Per' } as never
    expect(open().form.note).toBe('')
    localStorage.setItem('north-tide:form:8:found:b', '{"note":"mine","gone":3}')
    expect(open().form).toEqual({ ...first(), note: 'mine' })
    localStorage.setItem('north-tide:form:8:found:b', '{broken')
    expect(open().form).toEqual(first())
  })
})

describe('what gets no answer', () => {
  beforeEach(() => {
    vi.useFakeTimers()
  })
  afterEach(() => {
    vi.useRealTimers()
  })
  const scoped = () => {
    const scope = effectScope()
    return { ...scope.run(useAttempt)!, scope }
  }
  it('is sent again by itself under the same key until it is kept', async () => {
    const { attempt, said, busy } = scoped()
    const keys: string[] = []
    const sent = attempt(async (key) => {
      keys.push(key)
      if (keys.length < 3) throw new Offline('no answer')
    })
    await vi.advanceTimersByTimeAsync(10)
    expect(said.value).toContain('sent again by itself')
    expect(busy.value).toBe(true)
    await vi.advanceTimersByTimeAsync(7000)
    expect(await sent).toBe(true)
    expect(keys).toHaveLength(3)
    expect(new Set(keys).size).toBe(1)
    expect([said.value, busy.value]).toEqual(['', false])
  })
  it('without a key it is not: the first may have arrived', async () => {
    const { attempt, said } = scoped()
    const what = vi.fn(() => Promise.reject(new Offline('no answer')))
    expect(await attempt(() => what())).toBe(false)
    await vi.advanceTimersByTimeAsync(20_000)
    expect(what).toHaveBeenCalledTimes(1)
    expect(said.value).toBe('no answer')
  })
  it('it ends with the page', async () => {
    const { attempt, scope } = scoped()
    const what = vi.fn(() => Promise.reject(new Offline('no answer')))
    const sent = attempt((key) => (void key, what()))
    await vi.advanceTimersByTimeAsync(10)
    scope.stop()
    expect(await sent).toBe(false)
    expect(what).toHaveBeenCalledTimes(1)
  })
})

import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import { reactive } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

/** What is written without a line: kept in order, sent once, refused with words, of one account alone. */
interface Answer {
  status?: number
  body?: object
}
let answers: (Answer | 'no line')[] = []
let sent: { path: string; key: string | null; madeAt: string | null; body: unknown }[] = []
let api: typeof import('../src/api')
let waiting: typeof import('../src/state/waiting')
beforeEach(async () => {
  vi.stubGlobal('indexedDB', new IDBFactory())
  answers = []
  sent = []
  vi.stubGlobal('fetch', (url: string, init: RequestInit) => {
    const a = answers.shift() ?? {}
    if (a === 'no line') return Promise.reject(new TypeError('no line'))
    const headers = new Headers(init.headers)
    const body =
      init.body instanceof FormData ? [...init.body.keys()] : JSON.parse(String(init.body ?? 'null'))
    sent.push({ path: url, key: headers.get('Idempotency-Key'), madeAt: headers.get('Made-At'), body })
    return Promise.resolve(new Response(JSON.stringify(a.body ?? {}), { status: a.status ?? 200 }))
  })
  vi.resetModules()
  api = await import('../src/api')
  waiting = await import('../src/state/waiting')
  waiting.keepFor(7)
})
// What one of them left waiting is not sent into the next.
afterEach(() => waiting.keepFor(null))
const look = (fitting: string, note = 'dry') =>
  api.api('POST', `/fittings/${fitting}/log`, { kind: 'look', note }).then(
    () => 'sent',
    (e: unknown) => (e instanceof api.Waits ? 'waits' : e instanceof api.Offline ? 'no line' : String(e)),
  )
const kept = () => waiting.useWaiting().entries.value

describe('without a line', () => {
  it('what may wait does, in its order, and goes out once under its first key when there is one', async () => {
    answers = ['no line', 'no line']
    expect([await look('a'), await look('b')]).toEqual(['waits', 'waits'])
    expect(kept().map((e) => e.path)).toEqual(['/fittings/a/log', '/fittings/b/log'])
    const keys = kept().map((e) => e.key)
    await waiting.useWaiting().flush()
    expect(sent.map((s) => [s.path, s.key])).toEqual([
      ['/api/fittings/a/log', keys[0]],
      ['/api/fittings/b/log', keys[1]],
    ])
    expect(sent.every((s) => s.madeAt !== null)).toBe(true)
    expect(kept()).toEqual([])
  })
  it('what comes after something that waits waits behind it, though the line is there for a moment', async () => {
    answers = ['no line', 'no line']
    await look('a')
    expect(await look('b')).toBe('waits')
    expect(sent).toEqual([])
  })
  it('the same pressed again waits once, another one beside it', async () => {
    answers = ['no line', 'no line', 'no line', 'no line']
    await look('a')
    await look('a')
    await look('a', 'weeps')
    expect(kept().map((e) => e.what)).toEqual(['Look or reading: dry', 'Look or reading: weeps'])
  })
  it('a picture waits with its fields and its bytes', async () => {
    answers = ['no line']
    const form = new FormData()
    form.set('caption', 'bolt, port')
    form.set('file', new File(['bytes'], 'bolt.jpg', { type: 'image/jpeg' }))
    await api.api('POST', '/boats/pipit/photos', form).catch(() => undefined)
    expect(kept()[0]!.what).toBe('Photo: bolt, port')
    await waiting.useWaiting().flush()
    expect(sent[0]!.body).toEqual(['caption', 'file'])
  })
  it('what a form watches over is kept as it would be sent', async () => {
    answers = ['no line']
    const measures = reactive([{ from: 'stem', mm: 3180 }])
    await api.api('POST', '/boats/pipit/penetrations', { diameterMm: 8, measures }).catch(() => undefined)
    expect(kept()[0]!.body).toEqual({ diameterMm: 8, measures: [{ from: 'stem', mm: 3180 }] })
  })
  it.each([
    ['a design', 'PUT', '/fittings/a'],
    ['an order', 'POST', '/orders'],
  ] as const)('%s does not wait: its page keeps it', async (_w, method, path) => {
    answers = ['no line']
    await expect(api.api(method, path, {})).rejects.toBeInstanceOf(api.Offline)
    expect(kept()).toEqual([])
  })
})

describe('at the thing itself', () => {
  const life = (path: string, body: object) => api.api('POST', path, body).catch(() => undefined)
  it('what waits is found by where it goes and what it says; of another thing, step or account it is not', async () => {
    answers = ['no line', 'no line', 'no line']
    await life('/fittings/a/tick', { step: 'drill' })
    const form = new FormData()
    form.set('subject', 'hole')
    form.set('subjectId', '7')
    form.set('file', new File(['b'], 'b.png'))
    await life('/boats/pipit/photos', form)
    const { of } = waiting.useWaiting()
    expect(of('/fittings/a/tick', { step: 'drill' }).length).toBe(1)
    expect(of('/fittings/a/tick', { step: 'bed' })).toEqual([])
    expect(of('/fittings/b/tick')).toEqual([])
    expect(of('/boats/pipit/photos', { subject: 'hole', subjectId: '7' }).length).toBe(1)
    expect(of('/boats/pipit/photos', { subject: 'hole', subjectId: '8' })).toEqual([])
    waiting.keepFor(8)
    expect(of('/fittings/a/tick')).toEqual([])
  })
  it('holes whose life waits are known, one by one and many at once', async () => {
    answers = ['no line', 'no line']
    await life('/penetrations/12/events', { state: 'drilled' })
    await life('/boats/pipit/penetrations/events', { ids: [3, 4], event: { state: 'bedded' } })
    expect([...waiting.useWaiting().holesWaiting.value].sort((a, b) => a - b)).toEqual([3, 4, 12])
    expect([...waiting.useWaiting().holesRefused.value]).toEqual([])
    answers = [{ status: 409, body: { error: { code: 'gate', message: 'Not before it is bored' } } }, {}]
    await waiting.useWaiting().flush()
    expect([...waiting.useWaiting().holesRefused.value]).toEqual([12])
    expect([...waiting.useWaiting().holesWaiting.value]).toEqual([12])
  })
  it('what was refused says so beside it with its ways out; thrown away, it is gone and the page is told', async () => {
    const { mount } = await import('@vue/test-utils')
    const WaitsHere = (await import('../src/pieces/WaitsHere.vue')).default
    answers = ['no line']
    await life('/fittings/a/tick', { step: 'drill' })
    const w = mount(WaitsHere, { props: { path: '/fittings/a/tick', has: { step: 'drill' } } })
    expect(w.text()).toContain('waits on this device')
    answers = [{ status: 409, body: { error: { code: 'ticked', message: 'Ticked by the yard at 10:02' } } }]
    await waiting.useWaiting().flush()
    await w.vm.$nextTick()
    expect(w.get('[role=alert]').text()).toBe('Not taken: Ticked by the yard at 10:02')
    expect(w.findAll('button').map((b) => b.text())).toEqual(['Send it again', 'Throw it away'])
    await waiting.useWaiting().drop(kept()[0]!)
    await w.vm.$nextTick()
    expect([w.emitted('fewer')?.length, w.text()]).toEqual([1, ''])
  })
})

describe('when there is a line again', () => {
  it('what is refused stays with its words, and what comes after it goes out', async () => {
    answers = ['no line', 'no line']
    await look('a')
    await look('b')
    answers = [{ status: 409, body: { error: { code: 'ticked', message: 'Ticked already' } } }, {}]
    await waiting.useWaiting().flush()
    expect(kept().map((e) => [e.path, e.state, e.said])).toEqual([
      ['/fittings/a/log', 'refused', 'Ticked already'],
    ])
    await waiting.useWaiting().again(kept()[0]!)
    expect(kept()).toEqual([])
  })
  it.each([
    ['signed out', { status: 401, body: { error: { code: 'signed-out', message: '' } } }],
    ['asked too often', { status: 429, body: { error: { code: 'too-many', message: '' } } }],
    ['the database away', { status: 503 }],
  ])('%s: it goes on waiting, nothing is passed over', async (_w, answer) => {
    answers = ['no line', 'no line']
    await look('a')
    await look('b')
    answers = [answer]
    await waiting.useWaiting().flush()
    expect(kept().map((e) => e.state)).toEqual(['waiting', 'waiting'])
    expect(sent.length).toBe(1)
  })
  it('what one wrote is not sent by another, and is when he is back', async () => {
    answers = ['no line']
    await look('a')
    waiting.keepFor(8)
    await waiting.useWaiting().flush()
    expect([sent.length, waiting.useWaiting().others.value.length]).toEqual([0, 1])
    waiting.keepFor(7)
    await waiting.useWaiting().flush()
    expect([sent.length, kept().length]).toEqual([1, 0])
  })
})

it('a device that keeps no more says so, and what was typed is not taken for kept', async () => {
  const add = vi.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError')
  })
  answers = ['no line']
  expect(await look('a')).toBe('no line')
  add.mockRestore()
  expect(kept()).toEqual([])
})

import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import { reactive } from 'vue'
import { beforeEach, describe, expect, it, vi } from 'vitest'

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

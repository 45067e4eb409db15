import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { ApiRefusal, Offline } from '../src/api'
import { drafted, flushAll, merged } from '../src/state/drafted'
import { useSession } from '../src/state/session'

/**
 * A design that saves itself: nothing that was typed may be lost, whatever the line, the other tab or the
 * clock does.
 */
interface D {
  name: string
  a: number
  ordered?: string
}
interface S {
  id: string
  version: number
  design: D
  updatedBy: string
}
type Body = { version: number; design: D }
const saved = (version: number, design: D): S => ({ id: 'x', version, design, updatedBy: 'Isa' })
/** A server that is answered by hand, so that a test decides what is on its way when. */
function line() {
  const calls: { body: Body; answer: (s: S) => void; fail: (e: unknown) => void }[] = []
  const put = vi.fn(
    (_id: string, body: Body) => new Promise<S>((answer, fail) => calls.push({ body, answer, fail })),
  )
  return { calls, put }
}
const settled = async () => {
  await vi.advanceTimersByTimeAsync(0)
}
const fresh = { name: 'n', a: 1 }
let t: ReturnType<typeof line>
let d: ReturnType<typeof drafted<D, S>>
const begin = () => {
  t = line()
  d = drafted<D, S>('t', t.put)
  d.take(saved(1, fresh))
}
/** how many drafts lie here; other things are kept here too */
const drafts = () => Object.keys(localStorage).filter((k) => k.startsWith('north-tide:t:')).length
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance', 'Date'] })
  localStorage.clear()
  sessionStorage.clear()
  setActivePinia(createPinia())
  begin()
})

describe('saving', () => {
  it('before another boat comes up, every bench that is open sends what waits on it, a closed one nothing', async () => {
    const [deck, hull, scope] = [line(), line(), effectScope()]
    const benches = scope.run(() => [drafted<D, S>('deck', deck.put), drafted<D, S>('hull', hull.put)])!
    for (const bench of benches) {
      bench.take(saved(1, fresh))
      bench.change({ a: 7 })
    }
    void flushAll()
    expect([deck, hull].map((l) => l.calls.map((c) => c.body.design.a))).toEqual([[7], [7]])
    for (const l of [deck, hull]) l.calls[0]!.answer(saved(2, { name: 'n', a: 7 }))
    await settled()
    scope.stop()
    for (const bench of benches) bench.change({ a: 8 })
    void flushAll()
    expect([deck.put.mock.calls.length, hull.put.mock.calls.length]).toEqual([1, 1])
  })
  it('waits for the hand to rest, then sends once, under the version that it started from', async () => {
    d.change({ a: 2 })
    await vi.advanceTimersByTimeAsync(300)
    d.change({ a: 3 })
    expect(d.saving.value).toBe('waiting')
    await vi.advanceTimersByTimeAsync(499)
    expect(t.put).not.toHaveBeenCalled()
    await vi.advanceTimersByTimeAsync(1)
    expect(t.calls.map((c) => c.body)).toEqual([{ version: 1, design: { name: 'n', a: 3 } }])
    t.calls[0]!.answer(saved(2, { name: 'n', a: 3 }))
    await settled()
    expect([d.saving.value, d.version.value, drafts()]).toEqual(['saved', 2, 0])
  })
  it('what is typed while a save is on its way goes after it, under the new version', async () => {
    d.change({ a: 2 })
    await vi.advanceTimersByTimeAsync(500)
    d.change({ a: 5 })
    await vi.advanceTimersByTimeAsync(2000)
    expect(t.calls).toHaveLength(1)
    t.calls[0]!.answer(saved(2, { name: 'n', a: 2 }))
    await vi.advanceTimersByTimeAsync(600)
    expect(t.calls[1]!.body).toEqual({ version: 2, design: { name: 'n', a: 5 } })
    expect(d.design.value!.a).toBe(5)
  })
  it('a lost line keeps the draft here and tries again until it is through', async () => {
    d.change({ a: 2 })
    await vi.advanceTimersByTimeAsync(500)
    t.calls[0]!.fail(new Offline('gone'))
    await settled()
    expect(d.saving.value).toBe('offline')
    expect(JSON.parse(localStorage.getItem('north-tide:t:x')!)).toMatchObject({
      version: 1,
      design: { a: 2 },
    })
    await vi.advanceTimersByTimeAsync(3000)
    t.calls[1]!.answer(saved(2, { name: 'n', a: 2 }))
    await settled()
    expect([d.saving.value, drafts()]).toEqual(['saved', 0])
  })
  it('a refusal says why, keeps what was typed, and a mended figure is sent by itself', async () => {
    d.change({ a: -2 })
    await vi.advanceTimersByTimeAsync(500)
    t.calls[0]!.fail(
      new ApiRefusal(400, {
        code: 'invalid-input',
        path: 'design.a',
        message: '-2 was given; more than 0 is accepted',
      }),
    )
    await settled()
    expect([d.saving.value, d.refusal.value, d.design.value!.a]).toEqual([
      'refused',
      '-2 was given; more than 0 is accepted',
      -2,
    ])
    d.change({ a: 4 })
    await vi.advanceTimersByTimeAsync(500)
    t.calls[1]!.answer(saved(2, { name: 'n', a: 4 }))
    await settled()
    expect([d.saving.value, d.refusal.value]).toEqual(['saved', null])
  })
  it('a reload takes no step of undo away; a design that somebody else changed meanwhile does', async () => {
    d.change({ a: 2 })
    d.change({ name: 'm' })
    d.undo()
    window.dispatchEvent(new Event('pagehide'))
    const again = drafted<D, S>('t', t.put)
    again.take(saved(1, fresh))
    expect(again.design.value).toEqual({ name: 'n', a: 2 })
    again.redo()
    expect(again.design.value).toEqual({ name: 'm', a: 2 })
    again.undo()
    again.undo()
    expect(again.design.value).toEqual(fresh)
    const other = drafted<D, S>('t', t.put)
    localStorage.clear()
    other.take(saved(7, { name: 'theirs', a: 9 }))
    expect(other.past.value).toEqual([])
  })
  it('what waits through an ended session is sent when it is back', async () => {
    d.change({ a: 2 })
    await vi.advanceTimersByTimeAsync(500)
    t.calls[0]!.fail(new ApiRefusal(401, { code: 'signed-out', message: 'Sign in' }))
    await settled()
    expect(d.saving.value).toBe('offline')
    await vi.advanceTimersByTimeAsync(3000)
    t.calls[1]!.answer(saved(2, { name: 'n', a: 2 }))
    await settled()
    expect(d.saving.value).toBe('saved')
  })
  it('a session that has ended is no refusal of the design', async () => {
    d.change({ a: 2 })
    await vi.advanceTimersByTimeAsync(500)
    t.calls[0]!.fail(new ApiRefusal(401, { code: 'signed-out', message: 'Sign in' }))
    await settled()
    expect(d.refusal.value).toBeNull()
    expect(localStorage.getItem('north-tide:t:x')).not.toBeNull()
  })
  it('flush sends what waits at once and waits for what is under way', async () => {
    d.change({ a: 2 })
    const done = vi.fn()
    void d.flush().then(done)
    await settled()
    expect(t.calls).toHaveLength(1)
    expect(done).not.toHaveBeenCalled()
    t.calls[0]!.answer(saved(2, { name: 'n', a: 2 }))
    await settled()
    expect(done).toHaveBeenCalled()
  })
  it('an owner changes nothing', () => {
    useSession().account = { role: 'owner', boats: {} } as never
    d.change({ a: 9 })
    d.replace({ name: 'z', a: 9 })
    expect([d.readOnly.value, d.design.value]).toEqual([true, fresh])
  })
})

describe('undo', () => {
  it('keystrokes in one field are one step, another field or a pause begins the next', async () => {
    d.change({ a: 2 })
    d.change({ a: 23 })
    d.change({ name: 'm' })
    await vi.advanceTimersByTimeAsync(1300)
    d.change({ name: 'mm' })
    const seen = []
    while (d.past.value.length) {
      d.undo()
      seen.push([d.design.value!.name, d.design.value!.a])
    }
    expect(seen).toEqual([
      ['m', 23],
      ['n', 23],
      ['n', 1],
    ])
    d.undo()
    expect(d.design.value).toEqual(fresh)
  })
  it('redo goes forward again, and a new change forgets what was ahead', () => {
    d.change({ a: 2 })
    d.undo()
    d.redo()
    expect(d.design.value!.a).toBe(2)
    d.undo()
    d.change({ name: 'other' })
    d.redo()
    expect(d.design.value).toEqual({ name: 'other', a: 1 })
  })
  it('what is undone is saved too', async () => {
    d.change({ a: 2 })
    d.undo()
    await vi.advanceTimersByTimeAsync(500)
    expect(t.calls.at(-1)!.body.design.a).toBe(1)
  })
})

describe('two versions', () => {
  const clash = async () => {
    d.change({ a: 2 })
    await vi.advanceTimersByTimeAsync(500)
    t.calls[0]!.fail(
      new ApiRefusal(409, { code: 'stale', message: 'changed', current: saved(4, { name: 'theirs', a: 7 }) }),
    )
    await settled()
  }
  it('stand beside each other until somebody chooses, and nothing is sent meanwhile', async () => {
    await clash()
    d.change({ a: 3 })
    await vi.advanceTimersByTimeAsync(5000)
    expect([d.saving.value, t.calls.length, d.conflict.value!.design.a]).toEqual(['conflict', 1, 7])
  })
  it('mine goes over theirs, under their version', async () => {
    await clash()
    d.settle(true)
    await vi.advanceTimersByTimeAsync(1)
    expect(t.calls[1]!.body).toEqual({ version: 4, design: { name: 'n', a: 2 } })
  })
  it('theirs is taken, and mine is one undo away', async () => {
    await clash()
    d.settle(false)
    expect([d.design.value!.name, d.saving.value, drafts()]).toEqual(['theirs', 'saved', 0])
    d.undo()
    expect(d.design.value!.a).toBe(2)
  })
})

describe('a draft that was left here', () => {
  const leave = (version: number) =>
    localStorage.setItem(
      'north-tide:t:x',
      JSON.stringify({ version, design: { name: 'left', a: 6 }, at: '' }),
    )
  it('of the same version goes on being saved', async () => {
    leave(3)
    d.take(saved(3, fresh))
    await vi.advanceTimersByTimeAsync(1)
    expect(t.calls[0]!.body).toEqual({ version: 3, design: { name: 'left', a: 6 } })
  })
  it('of an older version is a question, not an overwrite', async () => {
    leave(2)
    d.take(saved(3, fresh))
    await vi.advanceTimersByTimeAsync(5000)
    expect([d.saving.value, t.calls.length, d.design.value!.name, d.conflict.value!.version]).toEqual([
      'conflict',
      0,
      'left',
      3,
    ])
  })
  it('that says the same is forgotten', () => {
    localStorage.setItem('north-tide:t:x', JSON.stringify({ version: 1, design: fresh, at: '' }))
    d.take(saved(3, fresh))
    expect([d.saving.value, drafts()]).toEqual(['saved', 0])
  })
  it('an answer to another fitting\u2019s save does not touch the one that is open', async () => {
    d.change({ a: 2 })
    await vi.advanceTimersByTimeAsync(500)
    d.take({ id: 'y', version: 9, design: { name: 'y', a: 0 }, updatedBy: '' })
    t.calls[0]!.answer(saved(2, { name: 'n', a: 2 }))
    await settled()
    expect([d.version.value, d.design.value!.name]).toEqual([9, 'y'])
  })
})

describe('what the server keeps by other doors', () => {
  it('what was typed while it was on its way stays', () => {
    const since = d.design.value
    d.change({ a: 8 })
    d.follow(saved(5, { name: 'n', a: 1, ordered: 'today' }), since)
    expect(d.design.value).toEqual({ name: 'n', a: 8, ordered: 'today' })
    expect(d.version.value).toBe(5)
  })
  it('field by field: what was measured comes in, what was typed stays, a list counts as a whole', () => {
    const base = { hull: { mm: 14, measured: false }, asks: ['a'], gone: 1, note: 'x' }
    const theirs = { hull: { mm: 13, measured: true }, asks: ['a'], gone: 1, note: 'x' }
    const mine = { hull: { mm: 14, measured: false }, asks: ['a', 'b'], note: 'y' } as typeof base
    expect(merged(theirs, base, mine)).toEqual({
      hull: { mm: 13, measured: true },
      asks: ['a', 'b'],
      note: 'y',
    })
  })
})

import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useThroughHull } from '../src/state/through-hull'
import { useSession } from '../src/state/session'
import { atTheBench, fit, opened } from './hull-hands'
import { NoWorker, remediesHere } from './remedies-hands'

/** The worker of the remedies is played by what runs in it. */
vi.mock('comlink', () => ({ proxy: (f: unknown) => f, wrap: () => ({ ...remediesHere }) }))
vi.stubGlobal('Worker', NoWorker)

/** What the server keeps by doors of its own, beside a design that saves itself. */
beforeEach(() => {
  atTheBench()
  vi.useFakeTimers()
})
afterEach(() => {
  vi.useRealTimers()
  vi.clearAllMocks()
})
const TICK = {
  kind: 'tick',
  step: 'must',
  value: null,
  note: '',
  who: 'Tam',
  at: '2026-03-01T08:00:00.000Z',
}
/** The server saves what it is sent, keeps ticks and orders of its own, and answers a tick. */
function server(design: ReturnType<typeof fit>, over: { put?: () => Response } = {}) {
  let [version, now] = [1, design]
  const log: object[] = []
  const calls: string[] = []
  vi.mocked(fetch).mockImplementation(async (url, o) => {
    const method = o?.method ?? 'GET'
    calls.push(`${method} ${String(url)}`)
    const answer = () =>
      new Response(
        JSON.stringify({
          id: 'f',
          boatId: 'b',
          version,
          design: now,
          updatedBy: 'Tam',
          others: [],
          log,
          holes: [],
          heelDeg: null,
          stale: null,
          replacedBy: null,
          recorded: false,
        }),
      )
    if (method === 'PUT') {
      if (over.put) return over.put()
      const sent = JSON.parse(o!.body as string) as { design: typeof design }
      now = sent.design
      version++
      return answer()
    }
    if (String(url).endsWith('/tick')) {
      log.push(TICK)
      version++
    }
    return String(url).split('?')[0]!.endsWith('/boats/b')
      ? new Response(
          JSON.stringify({
            id: 'b',
            name: 'Boat',
            units: 'metric',
            zones: [],
            parts: [],
            holes: [],
            fittings: [],
          }),
        )
      : answer()
  })
  return { calls }
}

describe('a tick beside what is being typed', () => {
  it('what waits is saved first, and the tick comes with the design as it stands', async () => {
    const throughHull = await opened(fit())
    const s = server(fit())
    throughHull.change({ 'hose.clips': 3 })
    await throughHull.act('POST', 'tick', { step: 'must' })
    expect(s.calls.filter((c) => !c.startsWith('GET'))).toEqual([
      'PUT /api/fittings/f',
      'POST /api/fittings/f/tick',
    ])
    expect(throughHull.design).toMatchObject({ hose: { clips: 3 } })
    expect(throughHull.work.ticks.must).toMatchObject({ by: 'Tam' })
    expect(throughHull.saving).toBe('saved')
  })
  it('undo takes the change back and leaves the tick', async () => {
    const throughHull = await opened(fit())
    server(fit())
    throughHull.change({ 'hose.clips': 3 })
    await throughHull.act('POST', 'tick', { step: 'must' })
    throughHull.undo()
    await vi.advanceTimersByTimeAsync(700)
    expect(throughHull.design).toMatchObject({ hose: { clips: 2 } })
    expect(throughHull.work.ticks.must).toMatchObject({ by: 'Tam' })
  })
  it('what the server refuses to save is not lost by a tick: the tick waits', async () => {
    const throughHull = await opened(fit())
    const s = server(fit(), {
      put: () =>
        new Response(
          JSON.stringify({
            error: {
              code: 'invalid-input',
              path: 'design.hose.clips',
              message: '9 was given; up to 4 is accepted',
            },
          }),
          { status: 400 },
        ),
    })
    throughHull.change({ 'hose.clips': 9 })
    await expect(throughHull.act('POST', 'tick', { step: 'must' })).rejects.toThrow(
      /9 was given; up to 4 is accepted.*mend that first/,
    )
    expect(s.calls.some((c) => c.startsWith('POST'))).toBe(false)
    expect(throughHull.design!.hose!.clips).toBe(9)
  })
  it('with two versions side by side nothing is ticked until it is said which counts', async () => {
    const throughHull = await opened(fit())
    const s = server(fit(), {
      put: () =>
        new Response(
          JSON.stringify({
            error: {
              code: 'stale',
              message: 'x',
              current: { id: 'f', version: 7, design: fit({ 'hose.clips': 4 }), updatedBy: 'Isa' },
            },
          }),
          { status: 409 },
        ),
    })
    throughHull.change({ 'hose.clips': 3 })
    await expect(throughHull.act('POST', 'tick', { step: 'must' })).rejects.toThrow(/which of the two counts/)
    expect(s.calls.some((c) => c.startsWith('POST'))).toBe(false)
    expect(throughHull.conflict).toMatchObject({ version: 7 })
    throughHull.settle(false)
    expect(throughHull.design!.hose!.clips).toBe(4)
  })
  it('without a line it says so, and what was typed stays', async () => {
    const throughHull = await opened(fit())
    vi.mocked(fetch).mockRejectedValue(new TypeError('no line'))
    throughHull.change({ 'hose.clips': 3 })
    await expect(throughHull.act('POST', 'tick', { step: 'must' })).rejects.toThrow(/kept here/)
    expect(throughHull.design!.hose!.clips).toBe(3)
    expect(localStorage.getItem('north-tide:through-hull:f')).toContain('"clips":3')
  })
})

describe('a plug that was decided', () => {
  const taperPlug = { pitMm: 0.4, wallMm: 5, contactPct: 80 }
  it('stays decided while it measures the same, and is open again when it does not', async () => {
    const decision = {
      kind: 'decision' as const,
      value: null,
      note: '',
      who: 'Tam',
      at: '2026-03-01T08:00:00.000Z',
      data: { about: 'taper-plug', decision: 'recondition', reason: '', on: taperPlug },
    }
    const throughHull = await opened(fit({ taperPlug }, 'MV-P114'), { log: [decision] })
    const said = () => throughHull.judgement!.checks.find((c) => c.id === 'taper-plug')!.because
    throughHull.change({ 'hose.clips': 3 })
    expect(said()).toContain('Decided: recondition')
    throughHull.change({ 'taperPlug.pitMm': 2 })
    expect(said()).toContain('Not decided yet')
  })
})

describe('remedies', () => {
  it('follow when the hand rests, and are not made for one who may not take them', async () => {
    const throughHull = await opened(fit({ 'hose.clips': 1 }))
    const of = () =>
      throughHull.judgement!.checks.find((c) => c.id === 'joint-tail-hose')!.remedies.map((r) => r.text)
    expect(of()).toEqual([])
    await vi.advanceTimersByTimeAsync(300)
    expect(of()).toContain('two clips')
    atTheBench()
    useSession().account = { role: 'owner', boats: {} } as never
    const read = await opened(fit({ 'hose.clips': 1 }))
    await vi.advanceTimersByTimeAsync(300)
    expect(read.judgement!.checks.find((c) => c.id === 'joint-tail-hose')!.remedies).toEqual([])
  })
  it('while a figure makes no sense the last judgement that did stays in view', async () => {
    const throughHull = await opened(fit())
    const last = throughHull.judgement
    throughHull.change({ 'hull.thicknessMm': -3 })
    expect(throughHull.problem?.path).toBeTruthy()
    expect(throughHull.judgement).toBe(last)
    expect(useThroughHull().design!.hull.thicknessMm).toBe(-3)
  })
})

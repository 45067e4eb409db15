import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useThroughHull } from '../src/state/through-hull'
import { useSession } from '../src/state/session'
import { atTheBench, fit, opened } from './hull-hands'

/** What the server keeps by doors of its own, beside a design that saves itself. */
beforeEach(() => {
  atTheBench()
  vi.useFakeTimers()
})
afterEach(() => {
  vi.useRealTimers()
  vi.clearAllMocks()
})
const TICK = { must: { at: '2026-03-01T08:00:00.000Z', by: 'Tam', note: '' } }
/** The server saves what it is sent, keeps ticks and orders of its own, and answers a tick. */
function server(design: ReturnType<typeof fit>, over: { put?: () => Response } = {}) {
  let [version, now] = [1, design]
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
          log: [],
          holes: [],
          heelDeg: null,
          hullNow: null,
          replacedBy: null,
          recorded: false,
        }),
      )
    if (method === 'PUT') {
      if (over.put) return over.put()
      const sent = JSON.parse(o!.body as string) as { design: typeof design }
      now = { ...sent.design, ticks: now.ticks, ordered: now.ordered }
      version++
      return answer()
    }
    if (String(url).endsWith('/tick')) {
      now = { ...now, ticks: { ...now.ticks, ...TICK } }
      version++
    }
    return String(url).endsWith('/boats/b')
      ? new Response(
          JSON.stringify({
            id: 'b',
            name: 'Boat',
            units: 'metric',
            zones: [],
            parts: [],
            holes: [],
            throughHulls: [],
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
      'PUT /api/through-hulls/f',
      'POST /api/through-hulls/f/tick',
    ])
    expect(throughHull.design).toMatchObject({ hose: { clips: 3 }, ticks: TICK })
    expect(throughHull.saving).toBe('saved')
  })
  it('undo takes the change back and leaves the tick', async () => {
    const throughHull = await opened(fit())
    server(fit())
    throughHull.change({ 'hose.clips': 3 })
    await throughHull.act('POST', 'tick', { step: 'must' })
    throughHull.undo()
    await vi.advanceTimersByTimeAsync(700)
    expect(throughHull.design).toMatchObject({ hose: { clips: 2 }, ticks: TICK })
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
  const decided = { pitMm: 0.4, wallMm: 5, contactPct: 80, decision: 'recondition', reason: '' }
  it('stays decided while it measures the same, and is open again when it does not', async () => {
    const throughHull = await opened(fit({ taperPlug: decided }, 'MV-P114'))
    let kept = fit({ taperPlug: decided }, 'MV-P114')
    vi.mocked(fetch).mockImplementation(async (_url, o) => {
      const sent = JSON.parse(o!.body as string) as { design: typeof kept }
      const same = sent.design.taperPlug!.pitMm === kept.taperPlug!.pitMm
      kept = {
        ...sent.design,
        taperPlug: { ...sent.design.taperPlug!, decision: same ? kept.taperPlug!.decision : null },
      }
      return new Response(JSON.stringify({ id: 'f', version: 2, design: kept, updatedBy: 'Tam' }))
    })
    throughHull.change({ 'hose.clips': 3 })
    await vi.advanceTimersByTimeAsync(700)
    expect(throughHull.design!.taperPlug!.decision).toBe('recondition')
    throughHull.change({ 'taperPlug.pitMm': 2 })
    await vi.advanceTimersByTimeAsync(700)
    expect(throughHull.design!.taperPlug!.decision).toBeNull()
    expect(throughHull.judgement!.checks.find((c) => c.id === 'taper-plug')!.because).toContain(
      'Not decided yet',
    )
  })
})

describe('remedies', () => {
  it('follow when the hand rests, and are not made for one who may not take them', async () => {
    const throughHull = await opened(fit({ 'hose.clips': 1 }))
    const of = () =>
      throughHull.judgement!.checks.find((c) => c.id === 'joint-tail-hose')!.remedies.map((r) => r.text)
    expect(of()).toEqual([])
    await vi.advanceTimersByTimeAsync(200)
    expect(of()).toContain('two clips')
    atTheBench()
    useSession().account = { role: 'owner' } as never
    const read = await opened(fit({ 'hose.clips': 1 }))
    await vi.advanceTimersByTimeAsync(200)
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

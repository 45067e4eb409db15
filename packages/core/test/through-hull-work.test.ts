import { describe, expect, it } from 'vitest'
import {
  gatesFor,
  hasReached,
  nextStates,
  progress,
  standing,
  type LifeFacts,
  stepGates,
  logSaid,
  partSaid,
} from '../src'
import {
  THROUGH_HULL_CATALOGUE,
  VALVES,
  throughHullParts,
  throughHullSteps,
  throughHullWithRemedies,
} from '../src/kinds/through-hull'
import { NOBODY, fit, judge } from './through-hull-hands'

describe('what goes on the threads', () => {
  const on = (id: string, change: Record<string, unknown>) => {
    const d = fit(id, change)
    return judge(d).checks.find((c) => c.id === 'sealant-thread')
  }
  it.each([
    // A taper tail in a parallel-inlet valve: tape or paste fills the taper pair; nothing leaves the helix
    // open.
    ['MV-S1', 'ptfe', 'holds'],
    ['MV-S1', 'paste', 'holds'],
    ['MV-S1', 'hemp', 'holds'],
    ['MV-S1', 'none', 'short'],
    // A screwed valve hangs on a parallel pair besides: tape does not seal that.
    ['MV-B34', 'ptfe', 'tight'],
    ['MV-B34', 'paste', 'holds'],
    ['MV-B34', 'none', 'short'],
    // Moulded threads are split by hemp.
    ['MV-K1', 'paste', 'holds'],
    ['MV-K1', 'hemp', 'short'],
  ])('%s with %s: %s', (id, way, verdict) => expect(on(id, { 'bedding.thread': way })?.verdict).toBe(verdict))
  it('is offered its remedy, and nothing is said where nothing is screwed', () => {
    const d = fit('MV-S1', { 'bedding.thread': 'none' })
    const c = throughHullWithRemedies(d, judge(d), NOBODY).checks.find((x) => x.id === 'sealant-thread')!
    expect(c.remedies.map((r) => r.id)).toContain('thread-paste')
    expect(c.remedies.every((r) => r.verdict === 'holds')).toBe(true)
    expect(on('MV-E55', {})).toBeUndefined()
    expect(
      throughHullParts(
        fit('MV-S1', { 'bedding.thread': 'ptfe' }),
        judge(fit('MV-S1', { 'bedding.thread': 'ptfe' })),
      )
        .map((p) => partSaid(p, 'metric'))
        .find((p) => p.what === 'Thread tape')!.size,
    ).toMatch(/mm$/)
  })
  it('a pair that does not fit is short by itself and is not sealed into fitting', () => {
    const d = fit('MV-B34', { valve: VALVES.find((v) => v.id === 'MV-BN34') })
    expect(judge(d).threads.map((t) => t.joint)).not.toContain('skin-valve')
  })
})

describe('ticking a step', () => {
  const d = fit('MV-S1', {
    'bedding.pad': 'epoxy-filled',
    'bedding.flange': 'epoxy-filled',
    'skin.material': 'composite',
    'hold.method': 'through',
  })
  const steps = throughHullSteps(d, judge(d), 'metric')
  const t0 = Date.parse('2026-05-04T08:00:00Z')
  const tickedBefore = (id: string, at = t0) =>
    Object.fromEntries(
      steps
        .slice(
          0,
          steps.findIndex((s) => s.id === id),
        )
        .map((s) => [s.id, { at: new Date(at).toISOString(), by: 'x', note: '' }]),
    )
  const lot = (over: object = {}) => ({
    code: 'E1',
    title: 'Epoxy',
    chemistry: 'epoxy',
    kind: 'epoxy' as const,
    expiresOn: '2031-01-01',
    storedHot: false,
    testedOn: null,
    ...over,
  })
  const blank = { at: t0, lot: null, tempC: null, airC: null, humidityPct: null }
  const ids = (step: string, facts: object = {}, at = t0) =>
    stepGates(steps, step, tickedBefore(step, at), { ...blank, ...facts }).map((g) => g.id)
  it('every family has its hole drilled, and what is written comes in the order of a life', () => {
    for (const e of THROUGH_HULL_CATALOGUE) {
      const f = fit(e.id)
      const states = throughHullSteps(f, judge(f), 'metric').flatMap((s) => s.records.bore ?? [])
      const order = ['drilled', 'core-sealed', 'dry-fitted', 'bedded', 'cured', 'proved', 'in-service']
      expect([e.id, states[0], states.at(-1)]).toEqual([e.id, 'drilled', 'in-service'])
      expect([e.id, ...states.map((s) => order.indexOf(s))]).toEqual([
        e.id,
        ...states.map((s) => order.indexOf(s)).sort((a, b) => a - b),
      ])
    }
  })
  it('bolts through the hull have holes of their own, bolts into the pad have none', () => {
    expect(steps.find((s) => s.id === 'bolt-holes')!.records.bolt).toEqual(['drilled', 'dry-fitted'])
    const into = fit('MV-S1', { 'hold.method': 'insert' })
    expect(throughHullSteps(into, judge(into), 'metric').some((s) => s.id === 'bolt-holes')).toBe(false)
  })
  it.each([
    ['pad-bond', { lot: lot() }, []],
    ['pad-bond', { lot: lot({ expiresOn: '2026-01-01' }) }, ['lot-expired']],
    ['pad-bond', { lot: lot({ kind: 'sealant', chemistry: 'hybrid' }) }, ['wrong-lot']],
    ['pad-bond', {}, ['no-lot']],
    ['dew', { at: t0 + 4 * 86_400_000, tempC: 18, airC: 18, humidityPct: 50 }, []],
    ['dew', { at: t0 + 4 * 86_400_000, tempC: 8, airC: 16, humidityPct: 90 }, ['dew-point']],
    ['dew', { at: t0 + 4 * 86_400_000, tempC: 18, airC: 18 }, ['no-reading']],
    ['dew', { at: t0 + 60_000, tempC: 18, airC: 18, humidityPct: 50 }, ['too-early']],
    ['gel', { at: t0 + 60_000 }, ['too-early']],
    ['gel', { at: t0 + 4 * 3_600_000 }, []],
    ['watch-week', { at: t0 + 6 * 86_400_000 }, ['too-early']],
    ['watch-week', { at: t0 + 7 * 86_400_000 }, []],
    // A life event asks for its lot by itself.
    ['bed', {}, []],
  ])('%s with %j stands behind %j', (step, facts, wanted) => expect(ids(step, facts)).toEqual(wanted))
  it('says which gate comes before', () => {
    expect(stepGates(steps, 'launch', {}, blank)[0]).toMatchObject({ id: 'must' })
    expect(stepGates(steps, 'no-such', {}, blank)).toEqual([])
  })
})

describe('a life that was corrected, or begun again', () => {
  const t0 = Date.parse('2026-04-01T08:00:00Z')
  const hole = { coreSchool: 'none', sealant: 'hybrid', diameterMm: 43 }
  const life = (...events: [LifeFacts['state'], Partial<LifeFacts>?][]): LifeFacts[] =>
    events.map(([state, more], i) => ({ state, seq: i + 1, at: t0 + i * 86_400_000, ...more }))
  it.each([
    ['as it was written', life(['marked'], ['drilled'], ['dry-fitted']), 'dry-fitted'],
    [
      'one step too many, taken back',
      life(['marked'], ['drilled'], ['dry-fitted'], ['drilled', { corrects: 3 }]),
      'drilled',
    ],
    ['drilled by mistake', life(['marked'], ['drilled'], ['marked', { corrects: 2 }]), 'marked'],
    ['suspect in between', life(['marked'], ['drilled'], ['suspect']), 'drilled'],
    [
      'replaced after years',
      life(
        ['marked'],
        ['drilled'],
        ['dry-fitted'],
        ['bedded'],
        ['cured'],
        ['proved'],
        ['in-service'],
        ['marked'],
      ),
      'marked',
    ],
    ['replaced and bored', life(['marked'], ['in-service'], ['marked'], ['drilled']), 'drilled'],
    ['found in service', life(['in-service']), 'in-service'],
  ] as const)('%s has come to %s', (_name, events, far) => {
    expect(progress([...events])).toBe(far)
    expect(hasReached([...events], far)).toBe(!events.some((e) => e.state === 'suspect'))
  })
  it('what was corrected is no evidence any more: neither its lot nor its day', () => {
    const wrong = life(
      ['marked'],
      ['drilled'],
      ['dry-fitted'],
      ['bedded', { tempC: 20, humidityPct: 60 }],
      ['dry-fitted', { corrects: 4 }],
    )
    expect(standing(wrong).map((e) => e.state)).toEqual(['marked', 'drilled', 'dry-fitted', 'dry-fitted'])
    expect(gatesFor(hole, wrong, { state: 'cured', at: t0 + 60 * 86_400_000 }).map((g) => g.id)).toContain(
      'not-bedded',
    )
    expect(nextStates(hole, wrong)[0]).toBe('bedded')
  })
  it('a correction passes no gate that the step itself would not pass, and goes back freely', () => {
    const now = life(['marked'], ['drilled', { sizeMm: 43 }], ['dry-fitted'])
    const ids = (e: Partial<LifeFacts> & Pick<LifeFacts, 'state'>) =>
      gatesFor(hole, now, { at: t0 + 9 * 86_400_000, ...e }).map((g) => g.id)
    expect(ids({ state: 'in-service', corrects: 3 })).toEqual(
      expect.arrayContaining(['not-bedded', 'no-cure', 'no-proof']),
    )
    expect(ids({ state: 'drilled', corrects: 3 })).toEqual([])
    expect(ids({ state: 'drilled', corrects: 2 })).toEqual(['no-size'])
    expect(ids({ state: 'drilled', corrects: 2, sizeMm: 34 })).toEqual([])
  })
  it('what is welded needs no lot and no cure, but its proof', () => {
    const welded = { ...hole, sealant: 'welded' }
    const now = life(['marked'], ['drilled'], ['dry-fitted'], ['bedded'])
    expect(gatesFor(welded, now.slice(0, 3), { state: 'bedded', at: t0 + 9e8 })).toEqual([])
    expect(gatesFor(welded, now, { state: 'proved', at: t0 + 9e8 }).map((g) => g.id)).toEqual([
      'no-leak-test',
    ])
    expect(nextStates(welded, now)[0]).toBe('proved')
  })
  it('a line of the log says what went in, in the yard\u2019s units', () => {
    const l = {
      kind: 'tick' as const,
      step: 'bed',
      value: null,
      lot: 'TC-1',
      tempC: 20,
      humidityPct: 55,
      sizeMm: null,
      note: 'even all round',
      who: 'x',
      at: '',
    }
    expect(logSaid(l, 'metric')).toBe('bedded, lot TC-1, 20.0 \u00b0C, 55 %: even all round')
    expect(logSaid(l, 'inch')).toContain('68')
    expect(
      logSaid(
        { ...l, kind: 'bond', value: 0.06, lot: null, tempC: null, humidityPct: null, note: '' },
        'metric',
      ),
    ).toBe('bond path 0.06 \u03a9')
  })
})

import { describe, expect, it } from 'vitest'
import {
  ALONE,
  applyTick,
  historyOf,
  lastReading,
  logSaid,
  saidAt,
  standingDecision,
  stepList,
  tickSaid,
  versionOf,
  withoutHistory,
  workState,
  type Bench,
  type LifeFacts,
  type LogLine,
  type LotFacts,
  type Step,
  type Tick,
  type TickedHole,
} from '../src'
import { throughHull } from '../src/kinds/through-hull/kind'
import { fit } from './through-hull-hands'
import keptOldPlug from './kept/through-hull-v1.json'

/** A tick is worked out by the core alone; whoever keeps the record writes exactly what comes out. */
const T0 = Date.parse('2026-05-04T08:00:00Z')
const DAY = 86_400_000
const LOT: LotFacts = {
  code: 'S-14',
  title: 'polysulfide',
  chemistry: 'polysulfide',
  kind: 'sealant',
  expiresOn: '2027-01-01',
  storedHot: false,
  testedOn: null,
}
const tick = (step: string, more: Partial<Tick> = {}): Tick => ({
  step,
  at: T0,
  note: '',
  reason: '',
  lot: null,
  lotId: null,
  ohm: null,
  looked: [],
  proof: '',
  wet: false,
  holes: [],
  sizeMm: null,
  tempC: null,
  airC: null,
  humidityPct: null,
  hullMm: null,
  shownDeg: null,
  stopsDeg: null,
  torqueNm: null,
  runDownNm: null,
  ...more,
})
const hole = (label: string, part: string, states: LifeFacts['state'][] = ['marked']): TickedHole => ({
  label,
  part,
  hole: { coreSchool: 'none', sealant: 'polysulfide', diameterMm: part === 'bore' ? 44 : 9, fitting: null },
  facts: states.map((state, i) => ({ state, seq: i + 1, at: T0 - DAY + i, sizeMm: 9, tempC: 16, note: '' })),
})
const STEPS: Step[] = (() => {
  const { add, done } = stepList()
  add('survey', 'Look inside and out.', { gate: true, asks: ['hull'] })
  add('bore', 'Bore it.')
  add('bore-record', 'Record the hole as drilled.', {
    gate: true,
    asks: ['size'],
    sizeOf: 'bore',
    records: { bore: ['drilled'], bolt: ['drilled'] },
  })
  add('ready', 'Last look.', { gate: true, asks: ['looks'], looks: ['batteries off', 'nobody behind'] })
  add('bed', 'Bed it.', {
    gate: true,
    asks: ['lot', 'air'],
    lot: 'polysulfide',
    records: { bore: ['bedded'], bolt: ['bedded'] },
  })
  add('snug', 'Snug the nuts.', { gate: true, asks: ['torque'], torqueNm: 8, from: 'bed' })
  add('bond', 'Bonding wire on.', { gate: true, asks: ['ohm'] })
  add('prove', 'Hose it.', { gate: true, asks: ['proof'], records: { bore: ['proved'] } })
  add('watch', 'At once: look and feel round it.', { gate: true, asks: ['seen'] })
  return done()
})()
const bench = (more: Partial<Bench<ReturnType<typeof fit>>> = {}): Bench<ReturnType<typeof fit>> => ({
  design: fit('MV-S1'),
  steps: STEPS,
  state: workState(more.log ?? []),
  log: [],
  holes: [hole('P-001', 'bore'), hole('P-002', 'bolt 1'), hole('P-003', 'bolt 2')],
  heelDeg: null,
  units: 'metric',
  measured: throughHull.measured!,
  ...more,
})
const line = (step: string, more: Partial<LogLine> = {}): LogLine => ({
  kind: 'tick',
  step,
  value: null,
  note: '',
  who: 'Ada',
  at: new Date(T0 - DAY).toISOString(),
  ...more,
})

describe('what cannot be ticked', () => {
  it.each([
    ['no step of this fitting', tick('dance'), 'invalid-input', 'step'],
    ['a hole of another fitting', tick('bore', { holes: ['P-9'] }), 'invalid-input', 'holes'],
    ['a look without a word', tick('watch'), 'invalid-input', 'note'],
    ['wet at a step that looks at nothing', tick('bore', { wet: true }), 'invalid-input', 'wet'],
    ['holes kept apart without a reason', tick('bore', { holes: ['P-001'] }), 'invalid-input', 'note'],
  ])('%s', (_, t, code, path) => {
    expect(() => applyTick(bench(), t)).toThrow(expect.objectContaining({ code, path }))
  })
  it('a step that is ticked already', () => {
    expect(() => applyTick(bench({ log: [line('bore')] }), tick('bore'))).toThrow(
      expect.objectContaining({ code: 'ticked', path: 'step' }),
    )
  })
})

describe('what a tick writes', () => {
  it('a hull measured through the pilot goes into the design, and into the words of the log', () => {
    const r = applyTick(bench(), tick('survey', { hullMm: 13.2, note: 'sound' }))
    expect(r.design.hull).toMatchObject({ thicknessMm: 13.2, measured: true, how: 'drilled pilot' })
    expect(r.lines).toMatchObject([{ kind: 'tick', step: 'survey', note: 'hull 13.2 mm; sound' }])
    expect(r.gates).toEqual([])
  })
  it('without a reading it stops at a gate, and passing it says which and why', () => {
    const r = applyTick(bench(), tick('survey', { reason: 'measured last year' }))
    expect(r.gates.map((g) => g.id)).toEqual(['not-measured'])
    expect(r.lines[0]!.note).toBe('not-measured passed over: measured last year')
    expect(r.design).toEqual(bench().design)
  })
  it('the size of the bore goes to the bore; the bolts keep the size that they were drawn with', () => {
    const log = [line('survey')]
    const r = applyTick(bench({ log }), tick('bore-record', { sizeMm: 45.5 }))
    expect(r.events.map((e) => [e.label, e.state, e.sizeMm])).toEqual([
      ['P-001', 'drilled', 45.5],
      ['P-002', 'drilled', 9],
      ['P-003', 'drilled', 9],
    ])
    expect(r.sizes).toEqual([{ label: 'P-001', sizeMm: 45.5 }])
    expect(r.design.boredMm).toBe(45.5)
    expect(r.gates).toEqual([])
  })
  it('what is on record of a hole already is not written twice', () => {
    const holes = [hole('P-001', 'bore', ['marked', 'drilled']), hole('P-002', 'bolt 1')]
    const r = applyTick(bench({ holes, log: [line('survey')] }), tick('bore-record', { sizeMm: 44 }))
    expect(r.events.map((e) => e.label)).toEqual(['P-002'])
  })
  it('one hole kept apart is named, and follows later without asking the gates again', () => {
    const most = tick('bore-record', { sizeMm: 44, holes: ['P-001', 'P-002'], note: 'P-003 hit a bracket' })
    const first = applyTick(bench({ log: [line('survey')] }), most)
    expect(first.lines[0]!.data).toEqual({ holes: ['P-001', 'P-002'] })
    const log = [line('survey'), { ...line('bore-record'), ...first.lines[0]! } as LogLine]
    const then = applyTick(bench({ log }), tick('bore-record', { sizeMm: 44, holes: ['P-003'] }))
    expect(then.events.map((e) => e.label)).toEqual(['P-003'])
    expect(then.gates).toEqual([])
  })
  it('a last look that was not seen to is a gate; what was seen stands in the log', () => {
    const log = ['survey', 'bore-record'].map((s) => line(s))
    const half = applyTick(bench({ log }), tick('ready', { looked: ['batteries off'], reason: 'alone' }))
    expect(half.gates.map((g) => g.text)).toEqual(['Not seen to yet: nobody behind.'])
    expect(half.lines[0]!.note).toBe('seen: batteries off; not-looked passed over: alone')
  })
  it('bedding names its lot and its day; the step after takes them from there', () => {
    const log = ['survey', 'bore-record', 'ready'].map((s) => line(s))
    const drilled = bench().holes.map((h) => hole(h.label, h.part, ['marked', 'drilled', 'dry-fitted']))
    const b = bench({ log, holes: drilled })
    const air = { tempC: 16, airC: 17, humidityPct: 60 }
    const r = applyTick(b, tick('bed', { ...air, lot: LOT, lotId: 7 }))
    expect(r.events.map((e) => [e.state, e.lotId, e.tempC])).toEqual([
      ['bedded', 7, 16],
      ['bedded', 7, 16],
      ['bedded', 7, 16],
    ])
    expect(r.design.bedding).toMatchObject({ surfaceC: 16, airC: 17, humidityPct: 60 })
    expect(applyTick(b, tick('bed', { ...air })).gates.map((g) => g.id)).toContain('no-lot')

    const after = [...log, { ...line('bed'), ...r.lines[0]! } as LogLine]
    const snug = applyTick(bench({ log: after, holes: drilled }), tick('snug', { torqueNm: 8, lot: LOT }))
    expect(snug.lines[0]).toMatchObject({ tempC: 16, humidityPct: 60, data: { torqueNm: 8 } })
    const off = applyTick(bench({ log: after, holes: drilled }), tick('snug', { torqueNm: 12 }))
    expect(off.gates.map((g) => g.id)).toEqual(['torque-off'])
    expect(
      saidAt(
        STEPS.find((s) => s.id === 'snug')!,
        after,
      )?.step,
    ).toBe('bed')
    expect(
      saidAt(
        STEPS.find((s) => s.id === 'snug')!,
        [],
      ),
    ).toBeNull()
  })
  it('a meter writes its reading beside the tick, or the last one counts', () => {
    const log = ['survey', 'bore-record', 'ready', 'bed', 'snug'].map((s) => line(s))
    const r = applyTick(bench({ log }), tick('bond', { ohm: 0.05 }))
    expect(r.lines.map((l) => [l.kind, l.value])).toEqual([
      ['bond', 0.05],
      ['tick', null],
    ])
    const before = [...log, line('', { kind: 'bond', value: 0.4 })]
    expect(applyTick(bench({ log: before }), tick('bond')).gates.map((g) => g.id)).toEqual(['bond-high'])
    expect(applyTick(bench({ log }), tick('bond')).gates.map((g) => g.id)).toEqual(['no-meter'])
  })
  it('a proof is evidence in the life of the hole, and words in the log', () => {
    const log = ['survey', 'bore-record', 'ready', 'bed', 'snug', 'bond'].map((s) => line(s))
    const r = applyTick(bench({ log }), tick('prove', { proof: 'hose, ten minutes, dry' }))
    expect(r.events).toMatchObject([{ label: 'P-001', state: 'proved', evidence: 'hose, ten minutes, dry' }])
    expect(r.lines[0]!.note).toContain('hose, ten minutes, dry')
  })
  it('found wet it is not ticked: the bore is suspect, the bolts are not, and nothing else changes', () => {
    const r = applyTick(bench(), tick('watch', { wet: true, note: 'a drip aft' }))
    expect(r.events.map((e) => [e.label, e.state, e.note])).toEqual([['P-001', 'suspect', 'Wet: a drip aft']])
    expect(r.lines).toMatchObject([{ kind: 'look', step: 'watch', note: 'wet: a drip aft' }])
    expect(r.gates).toEqual([])
  })
})

describe('the log', () => {
  const at = (n: number) => new Date(T0 + n * DAY).toISOString()
  it('is folded into where the work stands: the last order counts, what was taken back does not', () => {
    const log: LogLine[] = [
      line('bore', { at: at(0) }),
      line('bore', { at: at(1), note: 'for the odd one' }),
      line('dry', { at: at(1) }),
      line('dry', { at: at(2), undoes: true }),
      { ...line('', { kind: 'order', at: at(2), note: '8 bolts' }) },
      { ...line('', { kind: 'order', at: at(3), data: { what: '6 bolts', reason: 'two in stock' } }) },
      { ...line('', { kind: 'purchase', at: at(4), data: { what: '6 bolts' } }) },
      { ...line('', { kind: 'purchase', at: at(5), undoes: true }) },
      { ...line('', { kind: 'decision', data: { about: 'taper-plug', decision: 'replace', on: { a: 1 } } }) },
      { ...line('', { kind: 'decision', data: { about: 'nothing' } }) },
    ]
    const s = workState(log)
    expect(Object.keys(s.ticks)).toEqual(['bore'])
    expect(s.ticks.bore).toEqual({ at: at(0), by: 'Ada', note: '' })
    expect(s.order).toEqual({ at: at(3), by: 'Ada', what: '6 bolts', reason: 'two in stock' })
    expect(s.bought).toBeNull()
    expect(standingDecision(s, 'taper-plug', { a: 1 })?.decision).toBe('replace')
    expect(standingDecision(s, 'taper-plug', { a: 2 })).toBeNull()
    expect(standingDecision(s, 'mast', {})).toBeNull()
    expect(workState([...log, line('', { kind: 'order', undoes: true })]).order).toBeNull()
  })
  it('the last reading is the last that was read, not the last written down', () => {
    const log = [
      line('', { kind: 'bond', value: 0.2, at: at(5) }),
      line('', { kind: 'bond', value: 0.05, at: at(3) }),
      line('', { kind: 'bond', at: at(9) }),
    ]
    expect(lastReading(log, 'bond')?.value).toBe(0.2)
    expect(lastReading(log, 'anode')).toBeNull()
  })
  it.each([
    [line('bore-record', { sizeMm: 44, note: 'clean' }), 'hole recorded as bored, 44 mm: clean'],
    [line('', { kind: 'bond', value: 0.05 }), 'bond path 0.05 \u03a9'],
    [line('', { kind: 'anode', value: 60 }), 'anode 60 % left'],
    [line('watch-10', { kind: 'look', note: 'dry' }), 'looked at after 10 minutes: dry'],
    [line('', { kind: 'decision', note: 'lapped in' }), 'decided: lapped in'],
    [line('', { kind: 'order', undoes: true }), 'order, taken back'],
    [
      line('bed', { lot: 'S-14', tempC: 16, humidityPct: 60, data: { torqueNm: 8, holes: ['P-1'] } }),
      'bedded, 8.0 N\u00b7m, lot S-14, 16.0 \u00b0C, 60 %, only P-1',
    ],
  ])('is said in words: %#', (l, words) => {
    const { step, ...rest } = l
    expect(logSaid(step ? l : rest, 'metric')).toBe(words)
  })
  it('a tick is said with all that was given', () => {
    const l = line('bed', { sizeMm: 9, lot: 'S-14', tempC: 16, humidityPct: 60, note: 'calm' })
    expect(tickSaid({ ...l, data: { torqueNm: 8, holes: ['P-1'] } }, 'metric')).toBe(
      '9 mm; 8.0 N\u00b7m; lot S-14; 16.0 \u00b0C; 60 %; only P-1; calm',
    )
    expect(tickSaid(line('bed'), 'metric')).toBe('')
  })
})

describe('a design of version 1, in which the past stood', () => {
  const v1 = {
    schemaVersion: 1,
    name: 'old',
    ticks: { bore: { at: '2026-02-02', by: 'Ada', note: 'clean' }, odd: 'nonsense' },
    ordered: { at: '2026-01-05', by: 'Bo', what: '8 bolts', reason: '' },
    bought: { at: '2026-01-20', by: 'Bo', what: '8 bolts' },
    taperPlug: { pitMm: 0.4, wallMm: 4, contactPct: 80, decision: 'recondition', reason: 'sound' },
  }
  it('loses what happened, and tells it as lines of a log, oldest first', () => {
    expect(withoutHistory(v1)).toEqual({
      schemaVersion: 2,
      name: 'old',
      taperPlug: { pitMm: 0.4, wallMm: 4, contactPct: 80 },
    })
    expect(historyOf(v1).map((l) => [l.kind, l.at, l.who])).toEqual([
      ['decision', '', ''],
      ['order', '2026-01-05', 'Bo'],
      ['purchase', '2026-01-20', 'Bo'],
      ['tick', '2026-02-02', 'Ada'],
    ])
    expect(historyOf(v1)[0]!.data).toEqual({
      about: 'taper-plug',
      decision: 'recondition',
      reason: 'sound',
      on: { pitMm: 0.4, wallMm: 4, contactPct: 80 },
    })
  })
  it.each([[null], ['text'], [[1]], [{ schemaVersion: 2, ticks: {} }]])('leaves %j as it is', (raw) => {
    expect(withoutHistory(raw)).toBe(raw)
    expect(historyOf(raw)).toEqual([])
  })
  it('knows its version, or nought', () => {
    expect([v1, { schemaVersion: '1' }, null, 7].map(versionOf)).toEqual([1, 0, 0, 0])
  })
  it('the kept seacock opens, is judged, and its past is told once', () => {
    const d = throughHull.schema.parse(throughHull.upgrade(keptOldPlug.design, 1))
    expect(throughHull.judge(d, ALONE).checks.length).toBeGreaterThan(10)
    expect(throughHull.history!(keptOldPlug.design).length).toBe(
      historyOf(keptOldPlug.design as unknown).length,
    )
    expect(throughHull.history!(throughHull.upgrade(keptOldPlug.design, 1))).toEqual([])
  })
})

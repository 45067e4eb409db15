import { describe, expect, it } from 'vitest'
import {
  applyTick,
  judge,
  progress,
  stepsOf,
  thisRound,
  withChange,
  workState,
  type Bench,
  type Design,
  type LifeFacts,
  type LogLine,
  type Tick,
} from '../src'
import { deckFit } from './deck-hands'

/** Bedded again after years: the holes keep their numbers and all that was, and begin a new life. */
const T0 = Date.parse('2027-03-01T08:00:00Z')
const OLD: LifeFacts['state'][] = [
  'marked',
  'drilled',
  'core-sealed',
  'dry-fitted',
  'bedded',
  'cured',
  'proved',
  'in-service',
]
const d: Design = withChange(deckFit('HG-C250'), { job: 'rebed', existing: true })
const steps = stepsOf(d, judge(d), 'metric')
const line = (step: string, at: number, more: Partial<LogLine> = {}): LogLine => ({
  kind: 'tick',
  step,
  at: new Date(at).toISOString(),
  who: 'fitter',
  value: null,
  note: '',
  ...more,
})
const YEARS = 10 * 365 * 86_400_000
const before: LogLine[] = [
  line('survey', T0 - YEARS),
  line('bed', T0 - YEARS + 1000),
  { ...line('', T0 - YEARS), kind: 'order', data: { what: 'bolts' } },
]
const lives = (states: LifeFacts['state'][]): LifeFacts[] =>
  states.map((state, i) => ({ state, seq: i + 1, at: T0 - YEARS + i, sizeMm: 11, tempC: 16, note: '' }))
const bench = (log: LogLine[], facts: LifeFacts[] = lives(OLD)): Bench<Design> => ({
  design: d,
  steps,
  state: workState(log),
  log,
  units: 'metric',
  heelDeg: null,
  holes: d.bolts.map((_, i) => ({
    label: `P-00${i + 1}`,
    part: `bolt ${i + 1}`,
    hole: { coreSchool: 'bore-fill', sealant: 'hybrid', diameterMm: 11, fitting: null },
    facts,
  })),
})
const tick = (step: string): Tick => ({
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
})
const begun = applyTick(bench(before), tick('old-out'))
const log = [...before, { ...begun.lines[0]!, at: new Date(T0).toISOString(), who: 'fitter' } as LogLine]

describe('a fitting bedded anew', () => {
  it('taken off, each of its holes is marked again; nothing of its old life is touched', () => {
    expect(begun.gates).toEqual([])
    expect(begun.events.map((e) => [e.label, e.state])).toEqual(
      d.bolts.map((_, i) => [`P-00${i + 1}`, 'marked']),
    )
    const facts = [...lives(OLD), { ...begun.events[0]!, seq: 9 } as LifeFacts]
    expect(progress(facts)).toBe('marked')
    expect(facts.slice(0, 8)).toEqual(lives(OLD))
  })
  it('what was ticked and ordered ten years ago is of another round', () => {
    expect(Object.keys(workState(before).ticks)).toEqual(['survey', 'bed'])
    const now = workState(log)
    expect(Object.keys(now.ticks)).toEqual(['old-out'])
    expect(now.order).toBeNull()
    expect(thisRound(log)).toHaveLength(1)
  })
  it('its holes are looked at and are drilled already, at the size that they have', () => {
    const facts = [...lives(OLD), { ...begun.events[0]!, seq: 9 } as LifeFacts]
    const looked = applyTick(bench(log, facts), tick('old-look'))
    expect(looked.events.map((e) => [e.state, e.sizeMm])).toEqual(d.bolts.map(() => ['drilled', 11]))
  })
  it('taken back, the old round stands again', () => {
    const back = [...log, line('old-out', T0 + 1000, { undoes: true })]
    expect(Object.keys(workState(back).ticks)).toEqual(['survey', 'bed'])
    expect(workState(back).order).not.toBeNull()
  })
  it('a hole that was only marked is not marked twice', () => {
    expect(applyTick(bench([], lives(['marked'])), tick('old-out')).events).toEqual([])
  })
  it('a decision outlasts the round, for it stands on what was measured', () => {
    const decided: LogLine = {
      ...line('', T0 - YEARS),
      kind: 'decision',
      data: { about: 'wet', decision: 'insert', on: { mm: 3 } },
    }
    expect(workState([decided, ...log]).decisions.wet!.decision).toBe('insert')
  })
})

import { describe, expect, it } from 'vitest'
import type { StepAsk } from '@north-tide/core'
import { blankEntry, tickBody, type TickEntry } from '../src/pieces/ticking'

/** What is sent of a tick: what its step asks for and was said, and nothing else. */
const USUAL = {
  sizeMm: 12,
  sizeIsCatalogues: true,
  tempC: 11,
  airC: 13,
  humidityPct: 70,
  hullMm: null,
  deadriseDeg: null,
  place: { xMm: 0, yMm: 0 },
}
const sent = (asks: StepAsk[], typed: Partial<TickEntry> = {}, more = {}) =>
  tickBody(
    { ...blankEntry((what) => asks.includes(what), USUAL), ...typed },
    { id: 'bore', asks, looks: ['fibres cut', 'dust out'] },
    { gated: false, wet: false, holes: [], ...more },
  )
const BARE = { step: 'bore', note: '', reason: '', wet: false }

describe('what is sent of a tick', () => {
  it('of a step that asks for nothing is its name', () => {
    expect(sent([])).toEqual(BARE)
  })
  it.each<[StepAsk, Partial<TickEntry>, Record<string, unknown>]>([
    ['size', {}, { sizeMm: 12 }],
    ['size', { sizeMm: 11.5 }, { sizeMm: 11.5 }],
    ['lot', { lotId: '31' }, { lotId: 31 }],
    ['air', {}, { tempC: 11, airC: 13, humidityPct: 70 }],
    ['ohm', { ohm: 0 }, { ohm: 0 }],
    ['hull', { hullMm: 14.2 }, { hullMm: 14.2 }],
    ['angle', { shownDeg: -3 }, { shownDeg: -3 }],
    ['stops', { stopsDeg: 270 }, { stopsDeg: 270 }],
    ['torque', { torqueNm: 9.5 }, { torqueNm: 9.5 }],
    ['run-down', { runDownNm: 1.2 }, { runDownNm: 1.2 }],
    ['proof', { proof: ' hose, 10 min ' }, { proof: 'hose, 10 min' }],
  ])('what %s asks for goes with it', (asks, typed, goes) => {
    expect(sent([asks], typed)).toEqual({ ...BARE, ...goes })
    // A step that does not ask for it never sends it, whatever is left in the form.
    expect(sent([], typed)).toEqual(BARE)
  })
  it.each<StepAsk>(['lot', 'ohm', 'hull', 'angle', 'stops', 'torque', 'run-down'])(
    'where %s was not read there is no figure, not a guess',
    (asks) => {
      expect(sent([asks])).toEqual(BARE)
    },
  )
  it('a look counts only where the step has it', () => {
    expect(sent(['looks'], { looked: ['dust out', 'of another step'] })).toMatchObject({
      looked: ['dust out'],
    })
  })
  it('a reason is sent only where something is passed over', () => {
    expect(sent([], { reason: ' launch is today ' })).toMatchObject({ reason: '' })
    expect(sent([], { reason: ' launch is today ' }, { gated: true })).toMatchObject({
      reason: 'launch is today',
    })
  })
  it('holes are named where some are kept apart; minutes are whole', () => {
    expect(sent([], { minutes: 17.4 }, { holes: ['P-003'] })).toMatchObject({ minutes: 17, holes: ['P-003'] })
    expect(sent([], { minutes: null })).not.toHaveProperty('minutes')
  })
  it('the moment goes as one moment everywhere', () => {
    const { at } = sent([], { at: '2026-03-04T09:30' })
    expect(new Date(at as string).getTime()).toBe(new Date(2026, 2, 4, 9, 30).getTime())
  })
})

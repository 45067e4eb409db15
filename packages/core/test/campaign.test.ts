import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { campaignOf, mayFloat, type LifeState, type SurveyThing } from '../src'

/** A survey of the whole boat: every thing once, the way short, and what may be launched. */
const thing = (id: string, more: Partial<SurveyThing> = {}): SurveyThing => ({
  id,
  kind: 'deck-hardware',
  name: id,
  zone: 'Foredeck',
  level: 'deck',
  xMm: 0,
  yMm: 0,
  state: 'in-service',
  below: false,
  photos: 1,
  alarm: '',
  minutes: 0,
  ...more,
})
describe('what may be launched', () => {
  it.each<[LifeState, boolean, string]>([
    ['in-service', true, 'yes'],
    ['proved', true, 'yes'],
    ['suspect', true, 'no'],
    ['drilled', true, 'no'],
    ['bedded', true, 'no'],
    ['suspect', false, 'wait'],
    ['drilled', false, 'wait'],
    ['cured', false, 'wait'],
    ['closed', true, 'yes'],
  ])('%s, below %s: %s', (state, below, launch) => {
    const l = mayFloat(thing('a', { state, below }))
    expect(l.launch).toBe(launch)
    expect(l.why === '').toBe(launch === 'yes')
  })
  it('what its own design says stops her, wherever it stands', () => {
    expect(mayFloat(thing('a', { alarm: 'do not sail on it' }))).toEqual({
      launch: 'no',
      why: 'do not sail on it',
    })
  })
})
describe('the way', () => {
  it('goes below first, room by room, and nobody comes back to a room', () => {
    const c = campaignOf([
      thing('a', { xMm: 100 }),
      thing('b', { xMm: 9000, zone: 'Aft deck' }),
      thing('c', { xMm: 300 }),
      thing('d', { xMm: 2000, zone: 'Bottom', level: 'below' }),
    ])
    expect(c.rooms.map((r) => r.zone)).toEqual(['Bottom', 'Foredeck', 'Aft deck'])
    expect(c.rooms[1]!.things.map((t) => t.id)).toEqual(['c', 'a'])
  })
  it('sums hours and photos by what may be launched', () => {
    const c = campaignOf([
      thing('a', { state: 'suspect', below: true, minutes: 90, photos: 0 }),
      thing('b', { state: 'suspect', minutes: 30 }),
      thing('c'),
    ])
    expect(c.counts).toEqual({ no: 1, wait: 1, yes: 1 })
    expect(c.hours).toEqual({ no: 1.5, wait: 0.5, yes: 0 })
    expect(c.withoutPhoto).toBe(1)
  })
  it('property: everything once, and in one room never longer than by the numbers', () => {
    const spots = fc.array(
      fc.tuple(fc.integer({ min: 0, max: 12_000 }), fc.integer({ min: -2000, max: 2000 })),
      {
        minLength: 1,
        maxLength: 25,
      },
    )
    fc.assert(
      fc.property(spots, (xy) => {
        const all = xy.map(([xMm, yMm], i) => thing(`t${i}`, { xMm, yMm }))
        const c = campaignOf(all)
        expect(c.rooms.flatMap((r) => r.things.map((t) => t.id)).sort()).toEqual(all.map((t) => t.id).sort())
        // From the stem; the same start is given to the way by the numbers.
        const whole = (w: { xMm: number; yMm: number }[]) =>
          w.reduce((s, p, i) => s + Math.hypot(p.xMm - (w[i - 1]?.xMm ?? 0), p.yMm - (w[i - 1]?.yMm ?? 0)), 0)
        const nearest = whole(c.rooms.flatMap((r) => r.things))
        expect(nearest).toBeLessThanOrEqual(whole(all) * 1.3 + 1e-6)
      }),
    )
  })
})

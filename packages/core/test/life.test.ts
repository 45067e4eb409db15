import { describe, expect, it } from 'vitest'
import { beddingCure, gatesFor, nextStates, type HoleFacts, type LifeFacts } from '../src/boat/life'

/** What stands in the way of each step of a hole's life, where a record is thin or the work went wrong. */
const HOUR = 3_600_000
const T0 = Date.parse('2031-04-01T08:00:00Z')
const HOLE: HoleFacts = { coreSchool: 'bore-fill', sealant: 'pu-medium', diameterMm: 9 } as HoleFacts
const EPOXY = {
  code: 'E1',
  title: 'Epoxy',
  chemistry: 'epoxy',
  kind: 'epoxy' as const,
  expiresOn: '2045-01-01',
  storedHot: false,
  testedOn: null,
}
const PU = { ...EPOXY, code: 'S1', title: 'Polyurethane', chemistry: 'pu-medium', kind: 'sealant' as const }
const life = (...steps: [LifeFacts['state'], Partial<LifeFacts>?][]): LifeFacts[] =>
  steps.map(([state, more], i) => ({ state, at: T0 + i * HOUR, seq: i + 1, ...more }) as LifeFacts)
const gates = (events: LifeFacts[], event: Partial<LifeFacts> & Pick<LifeFacts, 'state'>, hole = HOLE) =>
  gatesFor(hole, events, { at: T0 + 10_000 * HOUR, ...event } as LifeFacts)
const ids = (...a: Parameters<typeof gates>) => gates(...a).map((g) => g.id)

describe('a step that is skipped', () => {
  it.each([
    [life(['marked'], ['drilled']), 'bedded', ['no-core-seal', 'not-dry-fitted', 'no-lot', 'no-temperature']],
    [life(['marked']), 'core-sealed', ['not-drilled', 'no-lot', 'no-temperature']],
    [
      life(
        ['marked'],
        ['drilled'],
        ['core-sealed'],
        ['dry-fitted'],
        ['bedded', { tempC: 15, humidityPct: 60 }],
      ),
      'in-service',
      ['no-cure', 'no-proof'],
    ],
  ] as [LifeFacts[], LifeFacts['state'], string[]][])('%# %s', (events, state, wanted) =>
    expect(ids(events, { state })).toEqual(wanted),
  )
  it('proved before it has cured meets the cure too', () => {
    const bedded = life(
      ['marked'],
      ['drilled'],
      ['core-sealed'],
      ['dry-fitted'],
      ['bedded', { tempC: 15, humidityPct: 60 }],
    )
    expect(ids(bedded, { state: 'proved', at: T0 + 5 * HOUR, evidence: 'hose' })).toEqual([
      'no-cure',
      'cure-bedding',
    ])
    expect(ids(bedded, { state: 'proved', evidence: '  ' })).toContain('no-leak-test')
  })
})

describe('a cure that cannot be told', () => {
  const sealed = (air: Partial<LifeFacts> = {}) =>
    life(['marked'], ['drilled'], ['core-sealed', { lot: EPOXY, ...air }])
  it('no temperature with the epoxy, or one at which none cures', () => {
    expect(gates(sealed(), { state: 'dry-fitted' })[0]).toMatchObject({ id: 'cure-unknown' })
    expect(gates(sealed({ tempC: null }), { state: 'dry-fitted' })[0]!.text).toContain(
      'when the core was sealed',
    )
    expect(gates(sealed({ tempC: -4 }), { state: 'dry-fitted' })[0]!.text).toContain(
      'no hardener cures: the plugs are not hard',
    )
  })
  it('drilled through what had cured before: both are one act, and nothing waits', () => {
    const at = T0 + 2 * HOUR
    const events = life(['marked'], ['drilled', { at }], ['core-sealed', { at, tempC: 15, lot: EPOXY }])
    expect(ids(events, { state: 'dry-fitted', at: at + HOUR })).toEqual([])
  })
  const set = { ...HOLE, coreSchool: 'none', sealant: 'epoxy-filled' }
  const fitted = life(['marked'], ['drilled'], ['dry-fitted'])
  it('set in epoxy: traced by its epoxy, and hard by the clock of its day', () => {
    expect(ids(fitted, { state: 'bedded', lot: PU, tempC: 15, humidityPct: 50 }, set)).toEqual(['wrong-lot'])
    const bedded = (more: object) => [
      ...fitted,
      { state: 'bedded', at: T0 + 3 * HOUR, seq: 4, ...more } as LifeFacts,
    ]
    expect(
      gates(bedded({ tempC: 20, humidityPct: 50 }), { state: 'cured', at: T0 + 4 * HOUR }, set)[0]!.text,
    ).toMatch(/^The epoxy it is set in needs .* hours at 20/)
    expect(ids(bedded({ tempC: 20, humidityPct: 50 }), { state: 'cured' }, set)).toEqual([])
    expect(gates(bedded({}), { state: 'cured' }, set)[0]!.text).toContain('when it was bedded')
    expect(gates(bedded({ tempC: 1, humidityPct: 50 }), { state: 'cured' }, set)[0]!.text).toContain(
      'is not hard',
    )
  })
  it('no air on record when it was bedded: how far it has cured nobody knows', () => {
    const bedded = { state: 'bedded', at: T0, humidityPct: 0, tempC: 15 } as LifeFacts
    expect(beddingCure(HOLE, bedded)).toMatchObject({ days: null })
    expect(beddingCure(HOLE, undefined)).toBeNull()
    expect(beddingCure({ ...HOLE, sealant: 'tar' }, bedded)).toBeNull()
    expect(beddingCure({ ...HOLE, sealant: null }, bedded)).toBeNull()
    const events = [...life(['marked'], ['drilled'], ['core-sealed'], ['dry-fitted']), { ...bedded, seq: 5 }]
    expect(ids(events, { state: 'cured' })).toEqual(['cure-unknown'])
  })
})

describe('lots', () => {
  const drilled = life(['marked'], ['drilled'])
  const sealing = (lot: object) =>
    ids(drilled, {
      state: 'core-sealed',
      tempC: 15,
      at: T0 + HOUR,
      lot: { ...EPOXY, ...lot } as typeof EPOXY,
    })
  it.each([
    [{}, []],
    [{ storedHot: true }, ['lot-stored-hot']],
    [{ storedHot: true, testedOn: '2031-03-01' }, []],
    [{ expiresOn: '2030-01-01' }, ['lot-expired']],
    [{ kind: 'sealant' }, ['wrong-lot']],
  ])('%j meets %j', (lot, wanted) => expect(sealing(lot)).toEqual(wanted))
  it('a chemistry that no table knows is named as it was written', () => {
    const hole = { ...HOLE, coreSchool: 'none', sealant: 'tar' }
    const [g] = gates(
      life(['marked'], ['drilled'], ['dry-fitted']),
      { state: 'bedded', lot: PU, tempC: 15, humidityPct: 50 },
      hole,
    )
    expect(g).toMatchObject({
      id: 'wrong-lot',
      text: 'Lot S1 is Polyurethane; tar was chosen for this hole.',
    })
  })
})

describe('corrections, suspicion, closing', () => {
  const done = life(
    ['marked'],
    ['drilled', { sizeMm: 9 }],
    ['core-sealed', { tempC: 15, lot: EPOXY }],
    ['dry-fitted'],
  )
  it('one that takes a hole back is let through; one that goes on is judged without what it corrects', () => {
    expect(ids(done, { state: 'drilled', corrects: 4 })).toEqual([])
    expect(ids(done, { state: 'core-sealed', corrects: 3 })).toEqual(['no-lot', 'no-temperature'])
  })
  it('a suspicion says what looks wrong, a closing how it was closed', () => {
    expect(ids(done, { state: 'suspect' })).toEqual(['no-note'])
    expect(ids(done, { state: 'suspect', note: 'brown drip' })).toEqual([])
    expect(ids(done, { state: 'closed' })).toEqual(['no-repair'])
    expect(ids(done, { state: 'closed', evidence: '12:1, four plies' })).toEqual([])
  })
  it('what may come next stands first; a closed hole can only be doubted', () => {
    expect(nextStates(HOLE, done)[0]).toBe('bedded')
    expect(nextStates(HOLE, [...done, ...life(['closed'])])).toEqual(['suspect'])
    const doubted = [...done, { state: 'suspect', at: T0 + 9 * HOUR, seq: 9 } as LifeFacts]
    expect(nextStates(HOLE, doubted)).not.toContain('suspect')
    // A weld beds nothing and butyl never cures: there is nothing to record as cured.
    expect(nextStates({ ...HOLE, sealant: 'welded' }, done)).not.toContain('cured')
  })
})

import { describe, expect, it } from 'vitest'
import { rank, withChange, type BoatPart, type BoatZone } from '../src'
import {
  THROUGH_HULL_CATALOGUE,
  TAILS,
  VALVES,
  aheadOf,
  throughHullSteps,
  throughHullWithRemedies,
  hullAt,
  judgeThroughHull,
  kickSchools,
  parseThroughHull,
  placingOf,
  unanswered,
  type ThroughHullAround,
  type ThroughHullDesign,
} from '../src/kinds/through-hull'
import { NOBODY, fit, judge, neighbour, verdict } from './through-hull-hands'

describe('kick, pad and schools', () => {
  it('a bare nut on a long train fails where a flange on a pad does not', () => {
    expect(verdict(fit('MV-B34'), 'kick-tail-bending')).toBe('short')
    const d = fit('MV-S34')
    const schools = kickSchools(d, judge(d).kick)
    expect(schools.map((s) => s.method)).toEqual(['through', 'insert', 'nut'])
    expect(schools.find((s) => s.method === 'nut')!.verdict).toBe('short')
    expect(schools.find((s) => s.method === 'through')!.verdict).toBe('holds')
  })
  it('the pad that a design starts with is the least whose bond holds', () => {
    const d = fit('MV-S34', { 'wedge.blocks': 'none' })
    expect(verdict(d, 'kick-bond-peel')).toBe('holds')
    expect(
      rank(verdict(withChange(d, { 'pad.diameterMm': d.pad!.diameterMm - 20 }), 'kick-bond-peel')!),
    ).toBeLessThan(rank('holds'))
  })
  it('a whole offers no remedy of a part\u2019s own: what is offered is judged on the design', () => {
    for (const e of THROUGH_HULL_CATALOGUE)
      expect([
        e.id,
        judge(fit(e.id, { 'wedge.thinMm': 3, flowLpm: 400, duty: 'ocean' })).checks.flatMap(
          (c) => c.remedies,
        ),
      ]).toEqual([e.id, []])
  })
  it('every remedy that is offered does what it says', () => {
    for (const [id, change] of [
      ['MV-B34', {}],
      ['MV-S34', { 'pad.diameterMm': 110 }],
      ['MV-K1', { valve: VALVES.find((v) => v.id === 'MV-BN34') }],
      ['MV-E90', {}],
      ['MV-S1', { 'hose.clips': 1, 'pad.material': 'plywood' }],
      ['MV-O34', { tail: TAILS.find((t) => t.id === 'MV-T34') }],
      ['MV-G25', { 'plug.throughBolted': false }],
    ] as const) {
      const d = fit(id, { ...change })
      const j = throughHullWithRemedies(d, judge(d), NOBODY)
      const offered = j.checks.flatMap((c) => c.remedies.map((r) => ({ c, r })))
      expect(offered.length).toBeGreaterThan(0)
      for (const { c, r } of offered) {
        const after = judge(parseThroughHull(withChange(d, r.change))).checks.find((x) => x.id === c.id)
        if (after) expect([c.id, r.id, after.verdict]).toEqual([c.id, r.id, r.verdict])
      }
    }
  })
})

describe('materials', () => {
  it.each([
    ['brass', 'school-brass', 'short'],
    ['plastic', 'school-plastic', 'short'],
    ['stainless', 'school-stainless', 'tight'],
  ] as const)('%s below the waterline: %s %s', (material, id, v) => {
    expect(verdict(fit('MV-S1', { 'skin.material': material }), id)).toBe(v)
  })
  it('copper alloy on aluminium is refused whatever the insulation; a stub with composite is not', () => {
    expect(verdict(fit('MV-S1', { 'metals.isolated': true }, { kind: 'aluminium' }), 'hull-metal')).toBe(
      'short',
    )
    expect(verdict(fit('MV-W114', {}, { kind: 'aluminium', thicknessMm: 6 }), 'hull-metal')).toBe('holds')
  })
  it('bronze is never set in epoxy; composite may be, abraded', () => {
    expect(verdict(fit('MV-S1', { 'bedding.flange': 'epoxy-filled' }), 'sealant-flange')).toBe('short')
    const d = fit('MV-K1', { 'bedding.flange': 'epoxy-filled' })
    expect(verdict(d, 'sealant-flange')).toBe('tight')
    expect(throughHullSteps(d, judge(d), 'metric').find((s) => s.id === 'gel')!.waitH).toBeCloseTo(
      judge(d).pots.set!.gelMin! / 60,
      9,
    )
  })
  it('one hull keeps to one metal', () => {
    const d = fit('MV-S1')
    expect(
      verdict(d, 'one-metal', {
        others: [neighbour(fit('MV-S1', { 'skin.material': 'stainless' }), { xMm: 2000 })],
      }),
    ).toBe('tight')
    expect(verdict(d, 'one-metal', { others: [neighbour(d, { xMm: 2000 })] })).toBeUndefined()
    expect(
      verdict(d, 'one-metal', {
        others: [neighbour(fit('MV-S1', { 'skin.material': 'stainless' }), { xMm: 2000, zMm: 500 })],
      }),
    ).toBeUndefined()
  })
  it('the last reading of a meter decides the bond path', () => {
    const at = (values: number[]) =>
      judgeThroughHull(
        fit('MV-S1'),
        NOBODY,
        values.map((value, i) => ({
          kind: 'bond' as const,
          value,
          note: '',
          who: '',
          at: `2026-01-0${i + 1}`,
        })),
      ).checks.find((c) => c.id === 'bond-path')!.verdict
    expect([at([]), at([0.1]), at([0.05, 0.2]), at([0.2, 0.05])]).toEqual([
      'unproven',
      'holds',
      'short',
      'holds',
    ])
    expect(verdict(fit('MV-S1', { 'metals.school': 'isolate-each' }), 'bond-path')).toBeUndefined()
  })
  it('a cold, damp surface stops the bonding', () => {
    expect(
      verdict(
        fit('MV-S1', { 'bedding.airC': 14, 'bedding.surfaceC': 11, 'bedding.humidityPct': 90 }),
        'dew-point',
      ),
    ).toBe('short')
    expect(
      verdict(
        fit('MV-S1', { 'bedding.airC': 14, 'bedding.surfaceC': 14, 'bedding.humidityPct': 55 }),
        'dew-point',
      ),
    ).toBe('holds')
  })
})

describe('placing', () => {
  const ask = (d: ThroughHullDesign, around: Partial<ThroughHullAround> = {}) =>
    Object.fromEntries(placingOf(d, { ...NOBODY, ...around }, true, 'metric').map((q) => [q.id, q]))
  const intake = () => fit('MV-S1', { use: 'lab-intake' })
  it('two intakes near each other might share', () => {
    expect(ask(intake(), { others: [neighbour(intake(), { xMm: 5600 })] }).share!.state).toBe('look')
    expect(ask(intake(), { others: [neighbour(intake(), { xMm: 9000 })] }).share!.state).toBe('fine')
  })
  it('structure, slings and flow come from the map', () => {
    const parts: BoatPart[] = [
      { kind: 'longitudinal', title: 'Longitudinal', x0Mm: 300, y0Mm: 450, x1Mm: 11000, y1Mm: 450 },
      { kind: 'sling', title: 'Sling', x0Mm: 5020, y0Mm: -1, x1Mm: 5020, y1Mm: 1 },
    ]
    const q = ask(intake(), { parts })
    expect([q.structure!.state, q.slings!.state]).toEqual(['look', 'look'])
    expect(ask(intake()).slings!.state).toBe('ask')
    const wheel = neighbour(fit('MV-E42'), { xMm: 5080, yMm: 420 })
    expect(ask(intake(), { others: [wheel] }).flow!.state).toBe('look')
    expect(aheadOf(fit('MV-E42'), { others: [neighbour(intake(), { xMm: 4900 })] })).toEqual([
      { name: 'Neighbour', distanceMm: 100, heightMm: 7 },
    ])
    expect(
      verdict(fit('MV-E42', { 'wedge.blocks': 'both' }), 'beam-clear-run', {
        others: [neighbour(intake(), { xMm: 4900 })],
      }),
    ).toBe('short')
  })
  it('heel brings an intake near the surface out, and an outlet under', () => {
    expect(ask(fit('MV-S1', { use: 'lab-intake', 'place.zMm': -100, 'place.yMm': 900 })).depth!.state).toBe(
      'look',
    )
    expect(ask(fit('MV-O34', { 'place.zMm': 150, 'place.yMm': 1500 })).depth!.state).toBe('look')
    expect(ask(fit('MV-O34', { 'place.zMm': 900, 'place.yMm': 1500 })).depth!.state).toBe('fine')
  })
  it('how far she heels is the boat\u2019s own, and decides what comes out and what goes under', () => {
    const near = { use: 'lab-intake', 'place.zMm': -100, 'place.yMm': 900 }
    expect([0, 3, 10, 20].map((heeledDeg) => ask(fit('MV-S1', { ...near, heeledDeg })).depth!.state)).toEqual(
      ['fine', 'fine', 'look', 'look'],
    )
    expect(ask(fit('MV-S1', { ...near, heeledDeg: 3 })).depth!.found).toContain('heeled 3\u00b0 to starboard')
  })
  it('a toilet lets out aft of what drinks', () => {
    const out = fit('MV-S112', { use: 'toilet-discharge' })
    expect(ask(out, { others: [neighbour(intake(), { xMm: 7000 })] }).discharge!.state).toBe('look')
    expect(ask(out, { others: [neighbour(intake(), { xMm: 2000 })] }).discharge!.state).toBe('fine')
    expect(ask(intake(), { others: [neighbour(out, { xMm: 2000 })] }).discharge!.state).toBe('look')
  })
  it('an answer settles a question, and the check holds when all are settled', () => {
    const d = intake()
    const open = unanswered(Object.values(ask(d)))
    expect(open.length).toBeGreaterThan(0)
    expect(verdict(d, 'placing')).toBe('unproven')
    expect(
      verdict(withChange(d, { asks: Object.fromEntries(open.map((q) => [q.id, 'seen to'])) }), 'placing'),
    ).toBe('holds')
  })
  it('the hull is read from its zone, its deadrise by station as an estimate, and said to be unknown where it has none', () => {
    const zone: BoatZone = {
      code: 'bottom',
      title: 'Bottom',
      face: 'bottom',
      kind: 'solid',
      zMm: -400,
      stacking: 0,
      reach: '',
      state: 'deadrise 40\u00b0 in words, which nobody reads',
      deadrise: [
        { xMm: 4000, deg: 17 },
        { xMm: 8000, deg: 12 },
      ],
      outline: [
        { xMm: 0, yMm: -600 },
        { xMm: 9000, yMm: -600 },
        { xMm: 9000, yMm: 0 },
      ],
      layers: [{ material: 'woven', thicknessMm: 14, measured: true, measuredBy: 'plug' }],
    }
    for (const [xMm, deg] of [
      [1, 17],
      [4000, 17],
      [6000, 14.5],
      [8000, 12],
      [9000, 12],
    ] as const)
      expect(hullAt([zone], { xMm, yMm: 1, zMm: -300, zone: null })).toMatchObject({
        zone: 'bottom',
        hull: {
          thicknessMm: 14,
          deadriseDeg: deg,
          angleMeasured: false,
          angleUnknown: false,
          measured: true,
        },
      })
    const untold = hullAt([{ ...zone, deadrise: [] }], { xMm: 1, yMm: 1, zMm: -300 }).hull
    expect(untold).toMatchObject({ deadriseDeg: 0, angleUnknown: true })
    const d = fit('MV-B1', { hull: untold })
    expect(verdict(d, 'slope')).toBe('unproven')
    expect(judge(withChange(d, { 'hull.deadriseDeg': 9 })).checks.some((c) => c.id === 'slope')).toBe(false)
    expect(judge(withChange(d, { 'hull.angleMeasured': true })).checks.some((c) => c.id === 'slope')).toBe(
      false,
    )
    const deck: BoatZone = {
      ...zone,
      code: 'deck',
      title: 'Deck',
      face: 'deck',
      kind: 'sandwich',
      outline: [
        { xMm: -9e3, yMm: -9e3 },
        { xMm: 9e3, yMm: -9e3 },
        { xMm: 9e3, yMm: 9e3 },
        { xMm: -9e3, yMm: 9e3 },
      ],
    }
    expect(hullAt([deck, zone], { xMm: 1, yMm: 1, zMm: -300 }).zone).toBe('bottom')
    expect(hullAt([], { xMm: 1, yMm: 1, zMm: -300 }).hull.measured).toBe(false)
  })
})

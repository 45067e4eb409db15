import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import {
  calculate,
  rank,
  toSvg,
  withChange,
  type BoatPart,
  type BoatZone,
  gateBefore,
  partSaid,
  type LogLine,
  wrongHole,
  SIZES,
  boltInHole,
  catalogueEntry,
  startDesign,
} from '../src'
import {
  tailInHole,
  THROUGH_HULL_CATALOGUE,
  THROUGH_HULL_FAMILIES,
  FINDINGS,
  SKINS,
  TAILS,
  VALVES,
  WATCH_STEPS,
  aheadOf,
  throughHullBolts,
  throughHullCautions,
  throughHullDrill,
  throughHullFromFile,
  throughHullOrientation,
  throughHullParts,
  throughHullSection,
  throughHullSteps,
  throughHullTemplate,
  throughHullTemplates,
  throughHullToFile,
  throughHullWithRemedies,
  chainOf,
  clockDial,
  compartmentAt,
  findingsFor,
  floodAll,
  hullAt,
  judgeThroughHull,
  kickSchools,
  orderBlocked,
  orderList,
  parseThroughHull,
  parseFloodPlan,
  placingOf,
  seenInFigures,
  taperPlugOf,
  turnSaid,
  unanswered,
  type ThroughHullAround,
  type ThroughHullDesign,
  type FloodRun,
} from '../src/kinds/through-hull'
import { flooding } from '../src/chapters/hull/flooding'
import { toDxf } from '../src/drawing/dxf'
import { NOBODY, finite, fit, judge, neighbour, verdict } from './through-hull-hands'

describe('families', () => {
  it('every one is in the catalogue, and starts as a design that can be drawn, cut and worked', () => {
    expect(new Set(THROUGH_HULL_CATALOGUE.map((e) => e.family))).toEqual(new Set(THROUGH_HULL_FAMILIES))
    expect(new Set(THROUGH_HULL_CATALOGUE.map((e) => e.id)).size).toBe(THROUGH_HULL_CATALOGUE.length)
  })
  it.each(THROUGH_HULL_CATALOGUE.map((e) => [e.id, e.family] as const))('%s, %s', (id, family) => {
    const metal = family === 'welded-stub'
    const d = fit(id, {}, metal ? { kind: 'aluminium', thicknessMm: 6 } : {})
    const j = judge(d)
    expect(finite(j)).toBe(true)
    expect(j.checks.length).toBeGreaterThan(3)
    expect(new Set(j.checks.map((c) => c.id)).size).toBe(j.checks.length)
    // What the trade starts with holds in its stack and its chain.
    for (const c of j.checks.filter((q) =>
      /^(total|tail-length|hole-clearance|joint|wedge|sealant)/.test(q.id),
    ))
      expect([c.id, c.verdict]).toEqual([c.id, 'holds'])
    const section = throughHullSection(d, j, 'metric')
    expect(finite(section)).toBe(true)
    expect(toSvg(section)).not.toMatch(/NaN|undefined/)
    const b = section.bounds
    for (const s of section.shapes)
      for (const p of s.kind === 'area' || s.kind === 'path' ? s.points : [])
        expect(
          p.x >= b.minX - 1e-6 && p.x <= b.maxX + 1e-6 && p.y >= b.minY - 1e-6 && p.y <= b.maxY + 1e-6,
        ).toBe(true)
    for (const t of throughHullTemplates(d, j))
      expect(toSvg(throughHullTemplate(d, j, t, 'inch'))).not.toMatch(/NaN/)
    const steps = throughHullSteps(d, j, 'metric')
    expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length)
    expect(steps[0]!.id).toBe('must')
    for (const w of WATCH_STEPS) expect(steps.some((s) => s.id === w)).toBe(true)
    expect(
      throughHullParts(d, j)
        .map((p) => partSaid(p, 'metric'))
        .every((p) => !/NaN|undefined/.test(`${p.what}${p.size}${p.count}${p.note}`)),
    ).toBe(true)
    expect(throughHullOrientation(d, j)).not.toMatch(/NaN|undefined/)
    expect(throughHullFromFile(JSON.parse(JSON.stringify(throughHullToFile(d))))).toEqual(d)
  })
  it('order of the trade: dry fit and clocking before the pad\u2019s bond, bond before bedding, bedding before hose, proving before the watch', () => {
    const d = fit('MV-S1')
    const ids = throughHullSteps(d, judge(d), 'metric').map((s) => s.id)
    const order = [
      'must',
      'survey',
      'bore',
      'dry',
      'clock',
      'pad-bond',
      'dew',
      'bed',
      'cure',
      'hose',
      'swing',
      'record',
      'launch',
      'watch-now',
      'watch-10',
      'watch-60',
      'watch-day',
      'watch-week',
    ]
    expect(ids.filter((i) => order.includes(i))).toEqual(order)
    expect(throughHullCautions(d).map((c) => c.id)).toContain('hole-ashore')
  })
  it('a gate that is open is the first that is not ticked before the step', () => {
    const d = fit('MV-S1')
    const steps = throughHullSteps(d, judge(d), 'metric')
    expect(gateBefore(steps, 'must', {})).toBeNull()
    expect(gateBefore(steps, 'launch', {})!.id).toBe('must')
    const ticks = Object.fromEntries(
      steps.filter((s) => s.gate && s.id !== 'bed').map((s) => [s.id, { at: '', by: '', note: '' }]),
    )
    expect(gateBefore(steps, 'launch', ticks)!.id).toBe('bed')
  })
})

describe('the stack on a sloped hull', () => {
  it('wedges add their mean thickness to the bore, and the tail is cut for it', () => {
    const [plumb, square] = [judge(fit('MV-S114')), judge(fit('MV-S114', { 'wedge.blocks': 'none' }))]
    const { outside, inside } = plumb.wedges
    const added =
      (outside!.thinMm + outside!.thickMm + inside!.thinMm + inside!.thickMm) / 2 +
      plumb.wedge!.hullBoreMm -
      14
    expect(plumb.stack!.totalMm - square.stack!.totalMm).toBeCloseTo(added, 6)
    expect(plumb.stack!.cutLengthMm - square.stack!.cutLengthMm).toBeCloseTo(added, 6)
    expect(outside!.saw.outlineMm[0]).toBeLessThan(inside!.saw.outlineMm[0]!)
    expect(plumb.stack!.stickMm).toEqual(square.stack!.stickMm)
  })
  it('with one wedge only a face bears on its edge', () => {
    expect(verdict(fit('MV-S114', { 'wedge.blocks': 'inside' }), 'seat')).toBe('short')
    expect(verdict(fit('MV-S114', { 'wedge.blocks': 'inside' }, { deadriseDeg: 2 }), 'seat')).toBeUndefined()
    expect(verdict(fit('MV-S114'), 'seat')).toBeUndefined()
    // A drain has no tail, and its flange bears on its edge all the same.
    expect(verdict(fit('MV-G25', { 'wedge.blocks': 'inside' }), 'seat')).toBe('short')
  })
  it('dragging the deadrise by one unit along its handle turns the hull by what it says', () => {
    for (const [blocks, slopeDeg] of [
      ['both', 0],
      ['none', 0],
      ['both', 8],
      ['none', -6],
    ] as const) {
      const at = (deg: number) => {
        const d = fit('MV-S114', { 'wedge.blocks': blocks }, { deadriseDeg: deg, slopeDeg })
        return throughHullSection(d, judge(d), 'metric').handles!.find((h) => h.path === 'hull.deadriseDeg')!
      }
      const h = at(17)
      // One millimetre of hand is one millimetre of drawing.
      expect(at(17 + h.per).at.y - h.at.y).toBeCloseTo(1, 1)
    }
  })
  it('a cored bottom is short until it is solid over one and a half flanges', () => {
    expect(verdict(fit('MV-S1', {}, { kind: 'cored' }), 'solid-core')).toBe('short')
    expect(verdict(fit('MV-S1', {}, { kind: 'cored', solidMm: 81 }), 'solid-core')).toBe('holds')
    expect(
      throughHullSteps(
        fit('MV-S1', {}, { kind: 'cored' }),
        judge(fit('MV-S1', {}, { kind: 'cored' })),
        'metric',
      ).map((s) => s.id),
    ).toContain('solid')
  })
  it('what is not measured is marked as leant on', () => {
    const j = judge(fit('MV-S1', {}, { measured: false, angleMeasured: false }))
    expect(j.checks.find((c) => c.id === 'total-least')!.assumed).toEqual(['hull thickness', 'deadrise'])
  })
  it('property: deeper pads never make the standing tail longer, and the pack is thicker by as much', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 40 }),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 0, max: 24 }),
        (pad, more, deg) => {
          const at = (t: number) =>
            judge(
              fit(
                'MV-S1',
                { 'pad.thicknessMm': t, 'wedge.blocks': deg ? 'both' : 'none' },
                { deadriseDeg: deg },
              ),
            ).stack!
          const [a, b] = [at(pad), at(pad + more)]
          expect(b.standingMm).toBeCloseTo(a.standingMm - more, 6)
          expect(b.totalMm).toBeCloseTo(a.totalMm + more, 6)
        },
      ),
      { numRuns: 40 },
    )
  })
})

describe('the chain', () => {
  const chain = (d: ThroughHullDesign) => chainOf(d, judge(d).stack!.standingMm - judge(d).stack!.trimMm)
  const blocked = (d: ThroughHullDesign) => orderBlocked(judge(d))
  it('a whole train of one thread family holds and may be ordered', () => {
    const joints = chain(fit('MV-S114'))
    expect(joints.map((x) => [x.id, x.verdict])).toEqual([
      ['skin-valve', 'holds'],
      ['valve-tail', 'holds'],
      ['tail-hose', 'holds'],
    ])
    expect(blocked(fit('MV-S114'))).toEqual([])
    expect(orderList(fit('MV-S114'))).toContain('MV-S114')
  })
  it.each([
    ['an American taper valve', { valve: VALVES.find((v) => v.id === 'MV-BN34') }, 'skin-valve', ['system']],
    [
      'a pipe-taper valve',
      { valve: VALVES.find((v) => v.id === 'MV-BT114') },
      'skin-valve',
      ['binds-in-taper', 'size'],
    ],
    ['a hose of the wrong bore', { 'hose.boreMm': 25 }, 'tail-hose', ['bore']],
    ['one clip below the waterline', { 'hose.clips': 1 }, 'tail-hose', ['clips']],
    ['no clip', { 'hose.clips': 0 }, 'tail-hose', ['clips']],
    ['hose of the wrong kind', { 'hose.belowRated': false }, 'tail-hose', ['hose-kind']],
    [
      'a barb too short for two',
      { tail: TAILS.find((t) => t.id === 'MV-T114S'), 'hose.boreMm': 32 },
      'tail-hose',
      ['short-barb'],
    ],
  ] as const)('%s is short', (what, change, joint, codes) => {
    const base = what.includes('barb') || what.includes('pipe-taper') ? 'MV-B114' : 'MV-B34'
    const d = fit(base, { ...change })
    const bad = blocked(d).find((x) => x.id === joint)!
    expect(bad.codes.filter((c) => (codes as readonly string[]).includes(c)).length).toBeGreaterThan(0)
    expect(judge(d).verdict).toBe('short')
  })
  it('a tail that does not reach, or a pack that is too thin, is found before it is ordered', () => {
    expect(blocked(fit('MV-S114', { 'skin.tailMm': 60 })).map((b) => b.id)).toContain('tail-length')
    expect(blocked(fit('MV-B34', { pad: null, 'skin.leastTotalMm': 20 })).map((b) => b.id)).toContain(
      'total-least',
    )
    expect(blocked(fit('MV-B34', { 'skin.greatestTotalMm': 20 })).map((b) => b.id)).toContain('total-most')
    // Bolts that are to be cut to length are no reason to hold the order.
    expect(blocked(fit('MV-S114')).map((b) => b.id)).not.toContain('bolt-length')
  })
  it('above the water one clip is enough', () => {
    expect(verdict(fit('MV-O34', { 'place.zMm': 400, 'hose.clips': 1 }), 'joint-tail-hose')).toBe('holds')
  })
  it('a tail that barely reaches the valve has too few turns', () => {
    const d = fit('MV-B1', { 'skin.tailMm': 44, 'wedge.blocks': 'none' })
    expect(chain(d)[0]!.codes).toContain('few-turns')
  })
})

describe('the dial', () => {
  const wall = [{ x1Mm: -300, y1Mm: 60, x2Mm: 300, y2Mm: 60, what: 'stringer' }]
  it('an obstacle in the sweep is short, the remedy turns it free', () => {
    const d = fit('MV-S1', { 'clock.obstacles': wall })
    expect(verdict(d, 'handle-swing')).toBe('short')
    const r = throughHullWithRemedies(d, judge(d), NOBODY).checks.find((c) => c.id === 'handle-swing')!
      .remedies[0]!
    expect(verdict(withChange(d, r.change), 'handle-swing')).toBe('holds')
  })
  it('a neighbour\u2019s handle, open and shut, stands in the way like a wall', () => {
    const d = fit('MV-S1')
    expect(verdict(d, 'handle-swing')).toBe('holds')
    const n = neighbour(d, { xMm: d.place.xMm + 110, yMm: d.place.yMm + 40 })
    expect(verdict(d, 'handle-swing', { others: [n] })).toBe('short')
    expect(verdict(d, 'handle-swing', { others: [neighbour(d, { xMm: d.place.xMm + 900 })] })).toBe('holds')
  })
  it('never says there is nothing to turn, or to turn it there, where the handle does not swing free', () => {
    const stopped = (change: Record<string, unknown>) => {
      const d = fit('MV-B1', {
        'clock.obstacles': wall,
        'clock.wantedDeg': 0,
        'wedge.blocks': 'none',
        ...change,
      })
      return turnSaid(d, judge(d), 'metric')
    }
    expect(stopped({ 'clock.measuredDeg': 2 })).toMatch(
      /^It stops within 5\u00b0 of where it is wanted\. The handle does not swing free where it is wanted: choose a free direction first\.$/,
    )
    expect(stopped({ 'clock.measuredDeg': 40 })).toMatch(
      /^Turn the skin fitting .* choose a free direction first\.$/,
    )
    expect(stopped({ 'clock.measuredDeg': 2, 'clock.obstacles': [] })).toMatch(/nothing to turn\.$/)
  })
  it.each([
    ['MV-B1', 'Screw the valve home dry', 'Turn the skin fitting'],
    ['MV-S1', 'Set the seacock dry on its bolt holes', 'goes on in three positions'],
  ])('the step at %s says what is really turned', (id, dry, turn) => {
    const text = (measuredDeg: number | null) => {
      const d = fit(id, {
        'clock.measuredDeg': measuredDeg,
        'clock.wantedDeg': 290,
        'wedge.blocks': 'none',
        existing: true,
      })
      return throughHullSteps(d, judge(d), 'metric').find((s) => s.id === 'clock')!.text
    }
    expect(text(null)).toBe(`${dry} and read where the handle points.`)
    expect(text(250)).toMatch(new RegExp(`^${dry} and read where the handle points: 250\u00b0\\. .*${turn}`))
    expect(text(290)).toContain('nothing to turn')
  })
  it('says what to turn, as an arc on the rim, each way round', () => {
    const d = fit('MV-B1', { 'clock.measuredDeg': 250, 'clock.wantedDeg': 290, 'wedge.blocks': 'none' })
    const j = judge(d)
    expect(j.clock).toMatchObject({ directionInside: 'ccw', directionOutside: 'cw' })
    expect(turnSaid(d, j, 'metric')).toContain(
      '40\u00b0 counter-clockwise seen from inside, clockwise seen from outside',
    )
    expect(j.clock!.rimArcMm).toBeCloseTo((Math.PI * d.skin.flangeMm * 40) / 360, 6)
    expect(verdict(d, 'clocked')).toBe('tight')
    expect(verdict(fit('MV-B1'), 'clocked')).toBe('unproven')
    expect(toSvg(clockDial(d, j, 'metric')!)).not.toMatch(/NaN/)
  })
})

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

describe('survey and wrong holes', () => {
  it('findings belong to their families, each with what it costs and what settles it', () => {
    for (const f of THROUGH_HULL_FAMILIES) expect(findingsFor(f).length).toBeGreaterThan(4)
    expect(FINDINGS.every((f) => f.costs.length > 15 && f.settle.length > 5)).toBe(true)
    expect(findingsFor('transducer').some((f) => f.id === 'seized')).toBe(false)
  })
  it.each(FINDINGS.map((f) => [f.id, f.risk] as const))('%s counts as %s', (id, risk) => {
    expect(verdict(fit('MV-S1', { existing: true, findings: [id] }), `found-${id}`)).toBe(
      risk === 'sinks' ? 'short' : 'tight',
    )
  })
  it('figures point at what is to be ticked, and at nothing where all is well', () => {
    const seen = (d: ThroughHullDesign, around: Partial<ThroughHullAround> = {}, log: LogLine[] = []) =>
      seenInFigures(d, judgeThroughHull(d, { ...NOBODY, ...around }, log)).sort()
    const d = fit('MV-B114', { valve: VALVES.find((v) => v.id === 'MV-BT114'), 'hose.clips': 1 })
    expect(seen(d)).toEqual(expect.arrayContaining(['mixed-threads', 'one-clip', 'yellow-brass']))
    expect(seen(fit('MV-S1'))).toEqual([])
    expect(seen(fit('MV-B34'))).toEqual(['no-load-path'])
    expect(seen(fit('MV-S1', { 'hose.belowRated': false }))).toEqual(['hose-hard'])
    expect(seen(fit('MV-G25', { 'plug.throughBolted': false }))).toEqual(['short-screws'])
    expect(seen(fit('MV-S1'), {}, [{ kind: 'bond', value: 3, note: '', who: '', at: '2026-01-01' }])).toEqual(
      ['wire-open'],
    )
    const buried: BoatZone = {
      code: 'bottom',
      title: 'Bottom',
      face: 'bottom',
      kind: 'solid',
      zMm: -400,
      stacking: 0,
      reach: '',
      reachKind: 'none',
      state: '',
      outline: [],
      layers: [],
    }
    expect(seen(fit('MV-S1'), { zones: [buried] })).toEqual(['unreachable'])
    // What is offered is among what can be ticked for its family.
    for (const e of THROUGH_HULL_CATALOGUE)
      for (const id of seen(fit(e.id, e.hose ? { 'hose.clips': 0 } : {})))
        expect([e.id, findingsFor(e.family).some((f) => f.id === id)]).toEqual([e.id, true])
  })
  it.each([
    [0.5, 5, 80, 'recondition'],
    [1, 5, 60, 'recondition'],
    [1.1, 5, 80, 'replace'],
    [0.2, 5, 59, 'replace'],
  ] as const)('taper plug: pits %s of %s, band %s %%: %s', (pitMm, wallMm, contactPct, advised) => {
    expect(taperPlugOf({ pitMm, wallMm, contactPct }).advised).toBe(advised)
  })
  it('lapping in against the advice needs a word', () => {
    const taperPlug = { pitMm: 2, wallMm: 5, contactPct: 80 }
    const decided = (reason: string, on = taperPlug): LogLine => ({
      kind: 'decision',
      value: null,
      note: '',
      who: 'x',
      at: '2026-05-01T08:00:00Z',
      data: { about: 'taper-plug', decision: 'recondition', reason, on },
    })
    const d = fit('MV-P114', { taperPlug })
    const plug = (log: LogLine[]) =>
      judgeThroughHull(d, NOBODY, log).checks.find((c) => c.id === 'taper-plug')!.verdict
    expect(plug([])).toBe('short')
    expect(plug([decided('')])).toBe('short')
    expect(plug([decided('until haul-out in May')])).toBe('tight')
    // What was decided on other pits says nothing of these.
    expect(plug([decided('until haul-out in May', { ...taperPlug, pitMm: 1.5 })])).toBe('short')
  })
  it('a bolt\u2019s hole: bedding takes a little, then it is filled, or goes up a size that passes the casting', () => {
    const d = startDesign(
      catalogueEntry('HG-C250')!,
      { ...DECK_SPOT, structure: { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 12 } },
      'cleat',
    )
    const ask = (holeMm: number) =>
      wrongHole({ what: 'too-big', holeMm, thicknessMm: 12, place: 'above' }, boltInHole(d, holeMm))
    const clear = SIZES[d.bolt.size]!.clearanceMm
    expect(ask(clear).best).toBe('use')
    expect(ask(clear + 1).ways.map((w) => w.id)).toContain('use')
    expect(ask(clear + 3).ways.map((w) => w.id)).not.toContain('use')
    expect(ask(clear + 3).best).toBe('refill')
    expect(ask(clear + 3).ways.at(-1)!.id).toBe('close')
  })
  it('a hole a little too big is used, one much too big is filled or goes up a size, an old one is closed', () => {
    const d = fit('MV-S1')
    const ask = (what: 'too-big' | 'old', holeMm: number) =>
      wrongHole({ what, holeMm, thicknessMm: 14, place: 'below' }, tailInHole(d, holeMm))
    expect(ask('too-big', 36).best).toBe('use')
    expect(ask('too-big', 40).ways.map((w) => w.id)).toEqual(['refill', 'larger', 'close'])
    expect(ask('too-big', 40).ways.find((w) => w.id === 'larger')!.title).toContain('1 1/4')
    expect(ask('old', 40).best).toBe('close')
    expect(ask('old', 40).closure.groundMm).toBeCloseTo(40 + 2 * 12 * 7, 6)
    expect(() => wrongHole({ what: 'old', holeMm: -1, thicknessMm: 14, place: 'below' }, null)).toThrow()
  })
})

const DECK_SPOT = {
  zone: 'deck',
  xMm: 900,
  yMm: 300,
  zMm: 900,
  edgeMm: 200,
  belowWaterline: false,
  measured: [],
  duty: 'coastal' as const,
}

describe('drains, plugs, studs, flow', () => {
  it('a drain plug is through-bolted to a block, and flush where she grounds', () => {
    expect(verdict(fit('MV-G25', { 'plug.throughBolted': false }), 'plug-held')).toBe('short')
    expect(verdict(fit('MV-G25', { 'plug.grounds': true, 'plug.flush': false }), 'plug-flush')).toBe('short')
    expect(verdict(fit('MV-G25'), 'plug-held')).toBe('holds')
  })
  it('a stud that is not wired protects nothing', () => {
    expect(verdict(fit('MV-A10', { 'stud.wired': false }), 'stud')).toBe('short')
    expect(verdict(fit('MV-A10', { 'stud.clearOfBilge': true, 'stud.spannerRoom': true }), 'stud')).toBe(
      'holds',
    )
  })
  it('magnesium in salt water is refused', () => {
    const anode = { alloy: 'magnesium', wettedM2: 0.3, finish: 'bare-bronze', years: 1, pieceKg: 1 }
    expect(verdict(fit('MV-A10', { 'metals.anode': anode }), 'anode')).toBe('short')
    expect(judge(fit('MV-A10', { 'metals.anode': { ...anode, alloy: 'zinc' } })).anode!.pieces).toBe(2)
  })
  it('the narrowest bore of the train decides the flow, slower on suction', () => {
    expect(verdict(fit('MV-S1', { flowLpm: 25 }), 'bore')).toBe('holds')
    expect(verdict(fit('MV-S1', { flowLpm: 60 }), 'bore')).toBe('short')
    expect(verdict(fit('MV-S1', { flowLpm: 45, use: 'bilge' }), 'bore')).toBe('holds')
  })
  it('a sea chest feeds all its users through bore and half a strainer', () => {
    expect(verdict(fit('MV-X2'), 'chest-bore')).toBe('holds')
    const many = fit('MV-X2', {
      chest: {
        openMm2: 6500,
        users: [
          { name: 'engine', flowLpm: 60 },
          { name: 'fire pump', flowLpm: 180 },
        ],
      },
    })
    expect([verdict(many, 'chest-bore'), verdict(many, 'chest-strainer')]).toEqual(['short', 'short'])
  })
  it('the beam of a transducer square to its hull leans with it, and stands plumb on wedges', () => {
    expect(judge(fit('MV-E55')).tiltElement).toMatchObject({ tiltDeg: 20, residualDeg: -3 })
    // A paddle wheel sends no beam; a flat sounder’s has to be plumb.
    expect(verdict(fit('MV-E42'), 'beam-tilt')).toBeUndefined()
    expect(verdict(fit('MV-E90'), 'beam-tilt')).toBe('short')
    expect(judge(fit('MV-E42', { 'wedge.blocks': 'both' })).tiltElement!.residualDeg).toBe(0)
  })
  it('the drill schedule goes through where the bolts do', () => {
    const through = fit('MV-S1', { 'hold.method': 'through' })
    expect(
      throughHullDrill(through, judge(through))
        .slice(1)
        .every((r) => r.order.includes('through pad and hull')),
    ).toBe(true)
    expect(throughHullBolts(through)).toHaveLength(3)
    expect(throughHullBolts(fit('MV-B1'))).toEqual([])
    const dxf = toDxf(
      throughHullTemplate(through, judge(through), 'pad', 'metric'),
      ['CUT', 'DRILL', 'MARK', 'TEXT'],
      (s) => s.role ?? 'MARK',
    )
    expect(dxf.match(/CIRCLE/g)!.length).toBeGreaterThanOrEqual(4)
  })
  it('the thick side of a wedge stands where the hull says: outboard is up to starboard and down to port, seen from inside', () => {
    const thick = (yMm: number, slope: number) => {
      const d = fit('MV-S1', { 'place.yMm': yMm }, { slopeDeg: slope })
      const t = throughHullTemplate(d, judge(d), 'wedge-outside', 'metric').shapes.find(
        (s) => s.kind === 'text' && s.text === 'THICK',
      )!
      return 'at' in t ? t.at : { x: 0, y: 0 }
    }
    expect(thick(400, 0).y).toBeGreaterThan(20)
    expect(thick(-400, 0).y).toBeLessThan(-20)
    expect(thick(400, 10).x).toBeGreaterThan(5)
    expect(Math.abs(thick(400, 0).x)).toBeLessThan(1)
  })
  it('bolts through the hull get their own clearance, inserts theirs', () => {
    const finish = (method: string) => {
      const d = fit('MV-S1', { 'hold.method': method })
      return throughHullDrill(d, judge(d))[1]!.finishMm
    }
    expect([finish('insert'), finish('through')]).toEqual([12, 9])
  })
  it('has no two skins, valves or tails of one id', () => {
    for (const list of [SKINS, VALVES, TAILS]) expect(new Set(list.map((x) => x.id)).size).toBe(list.length)
  })
})

describe('flooding of several compartments', () => {
  const one = (over: Partial<FloodRun> = {}): FloodRun => ({
    compartments: [{ id: 'c', title: 'C', fromXMm: 0, toXMm: 9000, areaM2: 6, floorZMm: -500 }],
    doors: [],
    pumps: [],
    marks: [{ compartment: 'c', name: 'sole', zMm: -250 }],
    holes: [{ compartment: 'c', name: 'h', diameterMm: 38, zMm: -450, cd: 0.6 }],
    hours: 6,
    pumpsOn: true,
    ...over,
  })
  const single = (pumps: { ratedLpm: number; startMm: number }[] = []) =>
    calculate(flooding, {
      holeMm: 38,
      depthMm: 450,
      areaM2: 6,
      floorMm: -50,
      pumps,
      marks: [{ name: 'sole', levelMm: 200 }],
      hours: 6,
    })
  it.each([[[]], [[{ ratedLpm: 100, startMm: 50 }]], [[{ ratedLpm: 400, startMm: 100 }]]])(
    'one compartment and one hole agree with the exact answer, pumps %j',
    (pumps) => {
      const exact = single(pumps)
      const mine = floodAll(
        one({
          pumps: pumps.map((p) => ({
            compartment: 'c',
            title: '',
            ratedLpm: p.ratedLpm,
            derate: 0.5,
            startZMm: p.startMm - 450,
          })),
        }),
      )
      for (let i = 0; i < 61; i += 5)
        expect(Math.abs(mine.series[i]!.levels[0]! - (exact.series[i]!.levelMm - 450))).toBeLessThan(3)
      if (exact.marks[0]!.atMin === null) expect(mine.marks[0]!.atMin).toBeNull()
      else expect(mine.marks[0]!.atMin!).toBeCloseTo(exact.marks[0]!.atMin, 0)
      expect(mine.initialLpm).toBeCloseTo(exact.initialLpm, 6)
      expect(mine.chokeMm).toBeCloseTo(exact.chokeMm, 6)
    },
  )
  const two = (open: boolean): FloodRun => ({
    compartments: [
      { id: 'a', title: 'A', fromXMm: 0, toXMm: 4000, areaM2: 3, floorZMm: -450 },
      { id: 'b', title: 'B', fromXMm: 4000, toXMm: 9000, areaM2: 8, floorZMm: -450 },
    ],
    doors: [{ a: 'a', b: 'b', title: '', open, sillZMm: -440, areaCm2: 60 }],
    pumps: [],
    marks: [{ compartment: 'a', name: 'm', zMm: -200 }],
    holes: [{ compartment: 'a', name: '', diameterMm: 32, zMm: -400, cd: 0.6 }],
    hours: 24,
    pumpsOn: true,
  })
  it('a pump in another compartment is not counted where the hole is', () => {
    const pump = (compartment: string, ratedLpm: number) => ({
      compartment,
      title: '',
      ratedLpm,
      derate: 0.5,
      startZMm: -400,
    })
    const far = floodAll({ ...two(false), pumps: [pump('b', 400)] })
    expect(far).toMatchObject({ pumpLpm: 200, holedPumpLpm: 0, chokeMm: 0 })
    expect(far.marks[0]!.atMin).toBeCloseTo(floodAll(two(false)).marks[0]!.atMin!, 6)
    const run = two(false)
    const both = floodAll({
      ...run,
      pumps: [pump('a', 60), pump('b', 400)],
      holes: [...run.holes, { compartment: 'b', name: '', diameterMm: 20, zMm: -300, cd: 0.6 }],
    })
    expect(both).toMatchObject({ pumpLpm: 230, holedPumpLpm: 230 })
  })
  it('a bulkhead that is shut keeps the other side dry, open both fill, and slower', () => {
    const [shut, open] = [floodAll(two(false)), floodAll(two(true))]
    expect(shut.endZMm[1]).toBe(-450)
    expect(shut.endZMm[0]).toBeGreaterThan(-5)
    expect(open.endZMm[1]).toBeGreaterThan(-30)
    expect(open.marks[0]!.atMin!).toBeGreaterThan(shut.marks[0]!.atMin!)
  })
  it('water is neither made nor lost, and never stands over the sea', () => {
    const r = floodAll(two(true))
    const volume = (s: (typeof r.series)[number]) => 3 * (s.levels[0]! + 450) + 8 * (s.levels[1]! + 450)
    let inL = 0
    for (let i = 1; i < r.series.length; i++) {
      const [p, q] = [r.series[i - 1]!, r.series[i]!]
      inL += ((p.inLpm + q.inLpm) / 2) * (q.tMin - p.tMin)
      expect(Math.max(...q.levels)).toBeLessThanOrEqual(1e-6)
      expect(volume(q)).toBeGreaterThanOrEqual(volume(p) - 1e-6)
    }
    expect(Math.abs(volume(r.series.at(-1)!) / inL - 1)).toBeLessThan(0.06)
  })
  it('property: a larger hole never fills it later', () => {
    fc.assert(
      fc.property(fc.integer({ min: 8, max: 80 }), fc.integer({ min: 1, max: 30 }), (d, more) => {
        const at = (mm: number) =>
          floodAll(one({ holes: [{ compartment: 'c', diameterMm: mm, zMm: -450 }], hours: 3 }))
        const [a, b] = [at(d), at(d + more)]
        expect(b.endZMm[0]!).toBeGreaterThanOrEqual(a.endZMm[0]! - 1e-6)
        if (a.marks[0]!.atMin !== null) expect(b.marks[0]!.atMin!).toBeLessThanOrEqual(a.marks[0]!.atMin)
      }),
      { numRuns: 25 },
    )
  })
  it.each([
    [{ holes: [{ compartment: 'x', diameterMm: 10, zMm: -1 }] }, 'holes.0.compartment'],
    [
      { compartments: [{ id: 'c', title: 'C', fromXMm: 0, toXMm: 1, areaM2: 1, floorZMm: 10 }] },
      'compartments.0.floorZMm',
    ],
    [{ pumps: [{ compartment: 'zz', ratedLpm: 1, startZMm: -1 }] }, 'pumps.0.compartment'],
  ])('refuses %j at %s', (over, path) => {
    expect(() => floodAll(one(over as Partial<FloodRun>))).toThrow(expect.objectContaining({ path }))
  })
  it('a place lies in its compartment, and a plan goes through its schema', () => {
    const plan = parseFloodPlan({ compartments: two(true).compartments })
    expect([compartmentAt(plan, 1000).id, compartmentAt(plan, 5000).id]).toEqual(['a', 'b'])
  })
})

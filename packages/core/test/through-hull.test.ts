import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { toSvg, withChange, gateBefore, partSaid } from '../src'
import {
  THROUGH_HULL_CATALOGUE,
  THROUGH_HULL_FAMILIES,
  TAILS,
  VALVES,
  WATCH_STEPS,
  throughHullCautions,
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
  orderBlocked,
  orderList,
  turnSaid,
  type ThroughHullDesign,
} from '../src/kinds/through-hull'
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

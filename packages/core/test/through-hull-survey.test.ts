import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import {
  calculate,
  type BoatZone,
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
  throughHullBolts,
  throughHullDrill,
  throughHullTemplate,
  compartmentAt,
  findingsFor,
  floodAll,
  judgeThroughHull,
  parseFloodPlan,
  seenInFigures,
  taperPlugOf,
  type ThroughHullAround,
  type ThroughHullDesign,
  type FloodRun,
} from '../src/kinds/through-hull'
import { flooding } from '../src/chapters/hull/flooding'
import { toDxf } from '../src/drawing/dxf'
import { NOBODY, fit, judge, verdict } from './through-hull-hands'

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

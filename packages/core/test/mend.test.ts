import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import {
  CATALOGUE,
  CAUTIONS,
  EXAMPLES,
  MOST_DEPTH,
  QUESTIONS,
  SIZE_IDS,
  SIZES,
  catalogueEntry,
  cautionsFor,
  judge,
  judgeWhole,
  offBoat,
  parseDesign,
  shifted,
  startDesign,
  withChange,
  zoneCodeOf,
  zoneOfPlace,
  zoneTitle,
  type BoatZone,
  type Design,
} from '../src'
import { CALCULATORS, runNamed } from '../src/chapters/registry'

const box = (x0: number, x1: number, y0: number, y1: number) =>
  [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! }))
const cored = (code: string, title: string, outer: number, outline: BoatZone['outline']): BoatZone => ({
  code,
  title,
  face: 'deck',
  kind: 'sandwich',
  zMm: 1500,
  stacking: 0,
  reach: '',
  state: '',
  outline,
  layers: [
    { material: 'mat', thicknessMm: outer, measured: true, measuredBy: 'plug' },
    { material: 'balsa-150', thicknessMm: 12, measured: true, measuredBy: 'plug' },
    { material: 'mat', thicknessMm: 3, measured: true, measuredBy: 'plug' },
  ],
})
const fore = cored('fore', 'Foredeck', 4, box(0, 3000, -1500, 1500))
const aft: BoatZone = {
  ...cored('aft', 'Afterdeck', 4, box(3000, 6000, -1500, 1500)),
  kind: 'solid',
  zMm: 1300,
  layers: [{ material: 'woven', thicknessMm: 9, measured: true, measuredBy: 'plug' }],
}
const zones = [fore, aft]
const cleat = (change: Record<string, unknown> = {}): Design =>
  withChange(
    startDesign(
      catalogueEntry('HG-C250')!,
      {
        zone: 'fore',
        xMm: 1500,
        yMm: 0,
        zMm: 1500,
        edgeMm: 700,
        belowWaterline: false,
        structure: {
          kind: 'sandwich',
          skin: { laminate: 'mat' },
          outerMm: 4,
          innerMm: 3,
          core: { material: 'balsa-150', thicknessMm: 12 },
        },
        measured: ['outerMm', 'coreMm', 'innerMm'],
        duty: 'coastal',
      },
      'Cleat',
    ),
    change,
  )
const refusal = (run: () => unknown): { code: string; path: string } => {
  try {
    run()
  } catch (error) {
    return { code: (error as { code: string }).code, path: (error as { path: string }).path }
  }
  throw new Error('it was not refused')
}

describe('what no boat has is refused where it stands, before anything computes with it', () => {
  const row = {
    path: [
      { xMm: 0, yMm: 0, zMm: 0 },
      { xMm: 9000, yMm: 0, zMm: 0 },
    ],
    fromMm: 0,
    toMm: 9000,
    footprintMm: 100,
    pitch: { leastMm: 300, wantedMm: 900, mostMm: 1200 },
  }
  it.each([
    [
      'spacing',
      { ...row, keepouts: [{ fromMm: 100, toMm: 200, name: 'knee', marginMm: 2147483648 }] },
      'keepouts.0.marginMm',
    ],
    ['spacing', { ...row, count: 1e6 }, 'count'],
    [
      'backing-plate',
      {
        plate: { lengthMm: 300, widthMm: 200, material: 'g10', thicknessMm: 8 },
        bolts: Array.from({ length: 20_000 }, () => ({ xMm: 0, yMm: 0, tensionN: 1 })),
        bolt: { size: 'M8' },
      },
      'bolts',
    ],
    ['line-strength', { line: 'nylon-3', diameterMm: 1e-300 }, 'diameterMm'],
    ['line-strength', { line: 'nylon-3', diameterMm: 1e9 }, 'diameterMm'],
  ])('%s', (name, input, path) =>
    expect(refusal(() => runNamed(name, input))).toEqual({ code: 'invalid-input', path }),
  )
  it('nesting without end is refused and not fallen over', () => {
    let deep: unknown = 1
    for (let i = 0; i < 20_000; i++) deep = { a: deep }
    expect(refusal(() => runNamed('line-strength', { line: 'nylon-3', diameterMm: 12, deep })).code).toBe(
      'invalid-input',
    )
    expect(MOST_DEPTH).toBeLessThan(100)
  })
  it('a pitch of anything between one and a whole million places is refused, not fallen over', () => {
    const long = { ...row, path: [row.path[0], { xMm: 900_000, yMm: 0, zMm: 0 }], toMm: 900_000 }
    const pitch = { leastMm: 1, wantedMm: 50, mostMm: 900_000 }
    expect(refusal(() => runNamed('spacing', { ...long, footprintMm: 1, pitch }))).toEqual({
      code: 'invalid-input',
      path: 'pitch',
    })
  })
  it('a keep-out that a margin makes endless still has an answer', () => {
    const blocked = runNamed('spacing', {
      ...row,
      keepouts: [{ fromMm: 0, toMm: 9000, name: 'bulwark', marginMm: 900_000 }],
    }) as { count: number; blocked: { reason: string } }
    expect([blocked.count, blocked.blocked.reason]).toEqual([0, 'keepout'])
  })
  it('property: a number anywhere past its bound is refused at its own path, in every calculator', () => {
    const numbers = (v: unknown, path: string[]): string[][] =>
      typeof v === 'number'
        ? [path]
        : v !== null && typeof v === 'object'
          ? Object.entries(v).flatMap(([k, x]) => numbers(x, [...path, k]))
          : []
    const cases = CALCULATORS.flatMap((c) => {
      const first = EXAMPLES[c.name]
      return first ? numbers(first, []).map((path) => ({ name: c.name, first, path })) : []
    })
    expect(cases.length).toBeGreaterThan(100)
    fc.assert(
      fc.property(
        fc.constantFrom(...cases),
        fc.constantFrom(1e16, -1e16, 1e300),
        ({ name, first, path }, value) => {
          expect(refusal(() => runNamed(name, withChange(first, { [path.join('.')]: value })))).toMatchObject(
            { code: 'invalid-input', path: path.join('.') },
          )
        },
      ),
      { numRuns: 300 },
    )
  })
})

describe('a torque that yields the bolt or crushes the deck is short, with the torque that does not', () => {
  it('100 N·m on M10 does not hold', () => {
    const d = cleat({ 'bolt.size': 'M10', 'bolt.torqueNm': 100 })
    const checks = judgeWhole(d, 'metric').judgement.checks
    const yields = checks.find((c) => c.id === 'tightening')!
    // 100 N·m over K 0.16 and 10 mm pull 62.5 kN; M10 A4-70 yields at 26.1 kN.
    expect(yields).toMatchObject({ verdict: 'short', factor: 1.25 })
    expect(yields.demand).toBeCloseTo(62_500, 0)
    expect(checks.find((c) => c.id === 'deck')!.verdict).toBe('short')
    const remedy = yields.remedies.find((r) => r.id === 'torque-most')!
    expect(remedy.text).toMatch(/^tighten to \d+(\.\d)? N·m$/)
    const after = judge(withChange(d, remedy.change))
    for (const id of ['tightening', 'deck'])
      expect(['holds', 'tight']).toContain(after.checks.find((c) => c.id === id)!.verdict)
  })
  it('the snug torque is never short by itself, whatever the bolt', () => {
    for (const size of ['M6', 'M8', 'M10', 'M12'])
      expect(
        judge(cleat({ 'bolt.size': size, sizes: [] })).checks.filter(
          (c) => c.id === 'tightening' || c.id === 'deck',
        ),
      ).toEqual([])
  })
})

describe('the plate of the rule of thumb', () => {
  const rule = (size: string, material: string) => {
    const d = cleat({ 'bolt.size': size, sizes: [], 'plate.material': material })
    return withChange(d, QUESTIONS.find((q) => q.id === 'plate')!.take('rule', d)).plate!
  }
  it.each([
    ['M16', 'g10', 32],
    ['5/8-11', 'g10', 31.75],
    ['3/4-10', 'g10', 38.1],
    ['7/16-14', 'g10', 22.225],
    ['5/8-11', 'al-6061', 15.875],
    ['M8', 'g10', 16],
  ])('%s in %s is at least %f thick, as many sheets as that takes', (size, material, least) => {
    const p = rule(size, material)
    expect(p.thicknessMm).toBeGreaterThanOrEqual(least)
    expect(p.thicknessMm).toBeLessThan(least + 5)
    expect(p.thicknessMm / p.sheets).toBeLessThanOrEqual(25)
  })
  it('reaches five diameters past the bolts for every size', () => {
    for (const size of SIZE_IDS) {
      const p = rule(size, 'g10')
      const far = Math.max(...cleat().bolts.map((b) => Math.abs(b.xMm)))
      expect(p.lengthMm / 2 - far).toBeGreaterThanOrEqual(5 * SIZES[size]!.diameterMm - 1e-9)
    }
  })
})

describe('a zone is known by its code', () => {
  const bottom: BoatZone = { ...aft, code: 'bottom', title: 'Bottom', face: 'bottom' }
  it('renaming one changes nothing, and another that takes its name gets nothing', () => {
    const renamed = [
      { ...bottom, title: 'Under water' },
      { ...bottom, code: 'other', title: 'Bottom', layers: [{ ...bottom.layers[0]!, thicknessMm: 4 }] },
    ]
    expect(zoneOfPlace(renamed, { xMm: 1, yMm: 1, zone: 'bottom' })!.title).toBe('Under water')
    expect(zoneTitle(renamed, 'bottom')).toBe('Under water')
  })
  it('a file that gives a title is understood where it comes in, and nowhere else', () => {
    expect([
      zoneCodeOf(zones, 'Afterdeck'),
      zoneCodeOf(zones, 'aft'),
      zoneCodeOf(zones, 'Cockpit'),
      zoneCodeOf(zones, null),
    ]).toEqual(['aft', 'aft', null, null])
  })
})

describe('moving a fitting takes with it what the place decides', () => {
  it('zone, layup, height and edge distance are the new place\u2019s, and it says so', () => {
    const d = cleat({
      'place.measuredFrom': [{ axis: 'along', from: 'stem', fromMm: 0, mm: 1500, inside: null }],
    })
    const { design, said } = shifted(d, zones, { xMm: 4500, yMm: 300 })
    expect(design.place).toMatchObject({ zone: 'aft', xMm: 4500, yMm: 300, zMm: 1300, measuredFrom: [] })
    expect(design.structure).toMatchObject({ kind: 'solid', thicknessMm: 9 })
    expect(design.core.school).toBe('none')
    expect(design.place.edgeMm).not.toBe(700)
    expect(said.join(' ')).toMatch(
      /Afterdeck now and takes its layup.*edge distance.*no longer a measured place/,
    )
    expect(() => parseDesign(design)).not.toThrow()
  })
  it('a deck of its own with a reason stays', () => {
    const { design, said } = shifted(cleat({ structureReason: 'doubled here' }), zones, {
      xMm: 4500,
      yMm: 300,
    })
    expect([design.structure.kind, design.place.zone]).toEqual(['sandwich', 'aft'])
    expect(said[0]).toContain('keeps the deck of its own')
  })
  it('property: there and back it stands on its own deck again, and it never keeps another\u2019s layup', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 5900 }), fc.integer({ min: -1400, max: 1400 }), (xMm, yMm) => {
        const there = shifted(cleat(), zones, { xMm, yMm }).design
        expect(there.structure.kind).toBe(
          xMm < 3000 ? 'sandwich' : xMm > 3000 ? 'solid' : there.structure.kind,
        )
        const back = shifted(there, zones, { xMm: 1500, yMm: 0 }).design
        expect([back.place.zone, back.structure]).toEqual(['fore', cleat().structure])
      }),
    )
  })
  const stations = [
    { xMm: 0, halfBreadthMm: 20 },
    { xMm: 6000, halfBreadthMm: 1500 },
  ]
  it.each([
    [99_999, 0, 'xMm'],
    [-2000, 0, 'xMm'],
    [3000, 9000, 'yMm'],
    [3000, 0, undefined],
    [-300, 0, undefined],
  ])('x %i, y %i: %s', (xMm, yMm, path) => expect(offBoat(stations, { xMm, yMm })?.path).toBe(path))
})

describe('judging keeps nothing to itself', () => {
  it('says the same whoever asked before, and however', () => {
    const d = cleat({ 'bedding.sunlight': true, 'bedding.movementMm': 3 })
    const loud = JSON.stringify(judge(d).checks)
    judgeWhole(d, 'metric')
    judge(d, true)
    expect(JSON.stringify(judge(d).checks)).toBe(loud)
    expect(loud).not.toMatch(/ {2}(mm|N|MPa)/)
  })
  it('of every fitting of the catalogue no sentence has a hole where a figure should stand', () => {
    for (const e of CATALOGUE) {
      const d = startDesign(
        e,
        {
          zone: 'fore',
          xMm: 1500,
          yMm: 0,
          zMm: 1500,
          edgeMm: 300,
          belowWaterline: false,
          structure: cleat().structure,
          measured: [],
          duty: 'coastal',
        },
        e.title,
      )
      for (const c of judgeWhole(d, 'metric').judgement.checks)
        expect([e.id, c.id, / {2}| ,|undefined|NaN/.exec(c.because)?.[0]]).toEqual([e.id, c.id, undefined])
    }
  })
})

describe('cautions', () => {
  it('are called as the reference calls them', () => {
    expect(CAUTIONS.map((c) => c.id)).toEqual([
      'general',
      'drilling',
      'dust',
      'resins',
      'solvents',
      'under-the-waterline',
      'aloft-and-rig',
      'lifting-eyes',
      'shore-power',
      'working-alone',
      'hole-ashore',
      'water-at-skins',
    ])
  })
  it.each([
    [[], ['general']],
    [['drill'], ['general', 'drilling', 'dust']],
    [['below'], ['general', 'under-the-waterline', 'hole-ashore']],
    [
      ['bonding', 'rig'],
      ['general', 'aloft-and-rig', 'shore-power'],
    ],
  ])('of %j', (tags, ids) => {
    expect(cautionsFor(tags).map((c) => c.id)).toEqual(ids)
  })
})

import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import {
  boatMap,
  catalogueEntry,
  excessAt,
  flagsAt,
  halfBreadthOf,
  layerFrom,
  measureSaid,
  outsideOf,
  placeFrom,
  readMeasures,
  spotFor,
  staleAgainst,
  startDesign,
  toSvg,
  wetAdvice,
  wetMap,
  wetnessAt,
  withChange,
  type BoatPart,
  type BoatZone,
  type Design,
  type Measure,
  type WetSpot,
} from '../src'
import { toDxf } from '../src/drawing/dxf'

const square = (a: number) => [
  { xMm: 0, yMm: -a },
  { xMm: 2 * a, yMm: -a },
  { xMm: 2 * a, yMm: a },
  { xMm: 0, yMm: a },
]
const zone = (more: Partial<BoatZone> = {}): BoatZone => ({
  code: 'deck',
  title: 'Deck',
  face: 'deck',
  kind: 'sandwich',
  zMm: 0,
  outline: square(1000),
  stacking: 0,
  reach: '',
  state: '',
  layers: [
    { material: 'mat', thicknessMm: 4, measured: true, measuredBy: '' },
    { material: 'balsa-150', thicknessMm: 12, measured: false, measuredBy: '' },
    { material: 'mat', thicknessMm: 3, measured: false, measuredBy: '' },
  ],
  ...more,
})
const design = (z = zone()): Design =>
  startDesign(
    catalogueEntry('HG-C250')!,
    spotFor(z, { xMm: 900, yMm: 0 }, catalogueEntry('HG-C250')!.bolts, 'coastal'),
    'cleat',
  )
const thinner = (seq: number, thicknessMm: number, measured = true) =>
  zone({ layers: zone().layers.map((l, i) => (i === seq ? { ...l, thicknessMm, measured } : l)) })

describe('thickness from readings', () => {
  it.each([
    [[], null],
    [[4], { thicknessMm: 4, spreadMm: 0, count: 1 }],
    [[4, 4.4], { thicknessMm: 4.2, count: 2 }],
    [[4, 9, 4.1], { thicknessMm: 4.1, spreadMm: 5, count: 3 }],
  ] as const)('%j', (readings, m) => {
    const got = layerFrom([...readings])
    if (m === null) expect(got).toBeNull()
    else expect(got).toMatchObject(m)
  })
  it('one bad reading among many does not move the median past its neighbours', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 3.8, max: 4.2, noNaN: true }), { minLength: 3, maxLength: 9 }),
        fc.double({ min: 10, max: 90, noNaN: true }),
        (good, bad) => {
          const m = layerFrom([...good, bad])!
          expect(m.thicknessMm).toBeLessThanOrEqual(4.2)
          expect(m.spreadMm).toBeGreaterThan(5)
        },
      ),
    )
  })
})

describe('a design against the zone it stands on', () => {
  it('agrees with the zone that it was started from', () => expect(staleAgainst(design(), zone())).toBeNull())
  it('is stale when a thickness was measured otherwise, and says from what to what', () => {
    const s = staleAgainst(design(), thinner(0, 3.2))!
    expect(s.changes).toEqual(['outer skin 4 mm is 3.2 mm now, measured'])
    expect(s.structure).toMatchObject({ outerMm: 3.2, innerMm: 3 })
  })
  it('is stale when an estimate was proven, even at the same figure', () =>
    expect(staleAgainst(design(), thinner(2, 3))!.changes).toEqual(['inner skin 3 mm is measured now']))
  it('keeps what was measured at the spot against a zone\u2019s estimate', () => {
    const own = withChange(design(), { 'structure.innerMm': 2.6, measured: ['outerMm', 'innerMm'] })
    expect(staleAgainst(own, zone())).toBeNull()
  })
  it('keeps a deck of its own where a reason is given', () =>
    expect(
      staleAgainst(withChange(design(), { structureReason: 'solid pad moulded in here' }), thinner(0, 3.2)),
    ).toBeNull())
  it('keeps the strengths that the fitter gave of the same material', () => {
    const own = withChange(design(), { 'structure.skin.bearingMPa': 111 })
    expect(staleAgainst(own, thinner(0, 3.2))!.structure).toMatchObject({
      skin: { bearingMPa: 111 },
      outerMm: 3.2,
    })
  })
  it('says so when the deck turns out to be of something else', () => {
    const foam = zone({
      layers: [
        { material: 'mat', thicknessMm: 4, measured: true, measuredBy: '' },
        { material: 'pvc-80', thicknessMm: 12, measured: true, measuredBy: '' },
        { material: 'mat', thicknessMm: 3, measured: false, measuredBy: '' },
      ],
    })
    expect(staleAgainst(design(), foam)!.changes[0]).toBe('mat over balsa 150 is mat over pvc 80 now')
  })
})

const spots: WetSpot[] = [
  { xMm: 200, yMm: 0, excess: 0 },
  { xMm: 600, yMm: 0, excess: 20 },
  { xMm: 1000, yMm: 0, excess: 2 },
]
describe('wet map', () => {
  it('is exact at a reading and stays between the least and the most everywhere', () => {
    for (const s of spots) expect(excessAt(spots, s)).toBe(s.excess)
    fc.assert(
      fc.property(
        fc.double({ min: -2000, max: 3000, noNaN: true }),
        fc.double({ min: -2000, max: 2000, noNaN: true }),
        (xMm, yMm) => {
          const e = excessAt(spots, { xMm, yMm })
          expect(e).toBeGreaterThanOrEqual(-1e-9)
          expect(e).toBeLessThanOrEqual(20 + 1e-9)
        },
      ),
    )
  })
  it('is mirrored by a mirrored survey', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -500, max: 500, noNaN: true }),
        fc.double({ min: -500, max: 500, noNaN: true }),
        (xMm, yMm) => {
          const s = [
            { xMm: 100, yMm: 50, excess: 4 },
            { xMm: -80, yMm: 20, excess: 17 },
          ]
          expect(
            excessAt(
              s.map((q) => ({ ...q, yMm: -q.yMm })),
              { xMm, yMm: -yMm },
            ),
          ).toBeCloseTo(excessAt(s, { xMm, yMm }), 9)
        },
      ),
    )
  })
  it('says where it is only a guess, and counts no guess as wet', () => {
    expect(wetnessAt(spots, { xMm: 600, yMm: 40 })).toMatchObject({ wetness: 'wet', guess: false })
    expect(wetnessAt(spots, { xMm: 1900, yMm: 900 })).toMatchObject({ guess: true })
    expect(wetnessAt([], { xMm: 0, yMm: 0 })).toBeNull()
    const m = wetMap(square(1000), [{ xMm: 1000, yMm: 0, excess: 30 }], 25)!
    expect(m.wetMm2).toBeGreaterThan(0)
    expect(m.wetMm2 / (Math.PI * m.reachMm ** 2)).toBeCloseTo(1, 1)
    expect(m.wetMm2 + m.dampMm2 + m.guessMm2).toBeLessThanOrEqual(m.areaMm2 + 1e-6)
  })
  it('finer cells change the wet area little', () => {
    const [coarse, fine] = [wetMap(square(1000), spots, 60)!, wetMap(square(1000), spots, 20)!]
    expect(coarse.wetMm2 / fine.wetMm2).toBeCloseTo(1, 1)
  })
  it('stops when it is told to, and reports its progress upwards to 1', () => {
    const parts: number[] = []
    expect(wetMap(square(1000), spots, 50, (p) => void parts.push(p))).not.toBeNull()
    expect(parts.at(-1)).toBe(1)
    expect(parts).toEqual([...parts].sort((a, b) => a - b))
    expect(wetMap(square(1000), spots, 50, () => false)).toBeNull()
  })
  it.each([
    ['balsa-150', 60_000, 'wet', 'dull', 'wet-insert', 'possible'],
    ['balsa-150', 900_000, 'rotten', 'crackling', 'wet-recore', 'refused'],
    ['balsa-150', 60_000, 'rotten', 'dull', 'wet-insert', 'refused'],
    ['pvc-130', 60_000, 'wet', 'sound', 'wet-dry-out', 'usual'],
    ['pvc-130', 900_000, 'wet', 'crackling', 'wet-recore', 'refused'],
  ] as const)('%s, %d mm\u00b2, %s, %s: %s first, drying %s', (core, wetMm2, sample, tap, first, drying) => {
    const advice = wetAdvice({ core, wetMm2, sample, tap })
    expect(advice[0]!.id).toBe(first)
    expect(advice.find((a) => a.id === 'wet-dry-out')!.stance).toBe(drying)
    expect(advice.map((a) => a.id).sort()).toEqual(['wet-dry-out', 'wet-insert', 'wet-recore'])
  })
})

const hull = halfBreadthOf([
  { xMm: 0, halfBreadthMm: 0 },
  { xMm: 4000, halfBreadthMm: 1600 },
  { xMm: 8000, halfBreadthMm: 1600 },
])
const references = [
  { name: 'P-012', xMm: 4300, yMm: -1500 },
  { name: 'P-013', xMm: 5000, yMm: 900 },
  { name: 'Collision bulkhead', xMm: 1900, yMm: null },
]
const read = (t: string, units: 'metric' | 'inch' = 'metric') => {
  const r = readMeasures(t, references, units)
  if (!r.ok) throw new Error(r.message)
  return r.measures
}
describe('where exactly', () => {
  it.each([
    ['412 aft of hole P-012, 95 mm in from the edge', 4712, -1505],
    ['412 aft of P-012, 95 from the port edge', 4712, -1505],
    ['412 aft of P-012, 95 inboard of the starboard edge', 4712, 1505],
    ['412 aft of P-012, 2 in from the port edge', 4712, -1549.2],
    ['412 aft of P-012, 3 3/4 in in from the starboard edge', 4712, 1504.75],
    ['412 aft of P-012, 95 mm in from the starboard edge', 4712, 1505],
    ['300 forward of P-013, 40 to port of P-013', 4700, 860],
    ['1.2m aft of the collision bulkhead, 640 to port', 3100, -640],
    ['2 m aft of the stem, 10 cm in from the port edge', 2000, -700],
    ['0 aft of P-013, 12 to starboard of the centreline', 5000, 12],
  ])('%s', (text, x, y) => {
    const p = placeFrom(read(text), hull)
    expect(p.xMm).toBeCloseTo(x, 6)
    expect(p.yMm).toBeCloseTo(y, 6)
    expect(p.conflicts).toEqual([])
  })
  it('reads inches as the boat does', () =>
    expect(placeFrom(read('16 1/4 aft of P-013, 2in to port of P-013', 'inch'), hull)).toMatchObject({
      xMm: 5000 + 412.75,
      yMm: 900 - 50.8,
    }))
  it.each([
    ['nonsense', 'cannot be read'],
    ['412 aft of P-099, 3 to port', 'not known'],
    ['412 aft of P-012', 'How far across'],
    ['95 mm in from the port edge', 'How far along'],
    ['40 aft of stem, 95 mm in from the edge', 'Which edge'],
    ['412 aft of P-012, 95 in from the port edge', '"95 in" is 2413 mm'],
    ['12 aft of stem, 4 to port of collision bulkhead', 'runs across'],
    ['12 aft of P-012, 3 to port, inside', 'add the hull'],
    ['', 'Nothing is measured'],
  ])('"%s" is refused: %s', (t, why) => {
    const r = readMeasures(t, references, 'metric')
    expect(r.ok).toBe(false)
    if (!r.ok) expect(r.message).toContain(why)
  })
  it('takes the mean of two that agree within 5 mm and asks about two that do not', () => {
    const near = read('412 aft of P-012, 2809 aft of collision bulkhead, 700 to port')
    expect(placeFrom(near, hull).xMm).toBeCloseTo(4710.5, 6)
    const far = read('412 aft of P-012, 2790 aft of collision bulkhead, 700 to port')
    const asked = placeFrom(far, hull)
    expect(asked).toMatchObject({ xMm: null, conflicts: [{ axis: 'x', apartMm: 22 }] })
    expect(placeFrom(far, hull, { x: 1 })).toMatchObject({ xMm: 4690, yMm: -700, conflicts: [] })
    expect(placeFrom(far, hull, { x: 1 }).working.join()).toContain('not believed')
  })
  it('a hole bridges inside and outside: hull thickness and flare move it outboard, and back', () => {
    expect(outsideOf(-1400, 9, 45)).toBeCloseTo(-1409, 9)
    expect(outsideOf(1400, 9, 45)).toBeCloseTo(1409, 9)
    expect(
      placeFrom(read('0 aft of P-012, 20 to starboard of P-012, inside, hull 9, flare 45'), hull).yMm,
    ).toBeCloseTo(-1489, 9)
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 2000, noNaN: true }),
        fc.double({ min: 1, max: 40, noNaN: true }),
        fc.double({ min: -60, max: 60, noNaN: true }),
        (y, t, f) => {
          expect(outsideOf(outsideOf(y, t, f), t, -f)).toBeCloseTo(y, 6)
        },
      ),
      { numRuns: 50 },
    )
  })
  it('says again what was measured, and reads it back to the same place', () => {
    for (const text of [
      '412 aft of P-012, 95 mm in from the port edge',
      '30 forward of P-013, 40 to port of P-013',
    ]) {
      const m = read(text)
      const again = read(m.map((q: Measure) => measureSaid(q, 'metric')).join(', '))
      expect(again).toEqual(m)
    }
  })
})

describe('flags before drilling', () => {
  const at = { xMm: 900, yMm: 0 }
  const bolt = [{ xMm: 0, yMm: 0 }]
  const of = (
    parts: BoatPart[],
    z = zone(),
    holes: Parameters<typeof flagsAt>[0]['holes'] = [],
    wet: WetSpot[] = [],
  ) => flagsAt({ zones: [z], parts, holes, wet: { deck: wet } }, at, bolt)
  it.each([
    ['beam', { kind: 'beam', title: 'deck beam', x0Mm: 930, y0Mm: -1, x1Mm: 930, y1Mm: 1 }],
    ['knee', { kind: 'knee', title: 'Knee', x0Mm: 930, y0Mm: -100, x1Mm: 930, y1Mm: 100 }],
    ['longitudinal', { kind: 'longitudinal', title: 'Stringer', x0Mm: 0, y0Mm: 25, x1Mm: 2000, y1Mm: 25 }],
    ['cable', { kind: 'cable', title: 'Cable', x0Mm: 800, y0Mm: -200, x1Mm: 1000, y1Mm: 200 }],
    ['tank', { kind: 'tank', title: 'Tank', x0Mm: 500, y0Mm: -300, x1Mm: 1500, y1Mm: 300, belowMm: 620 }],
    ['lining', { kind: 'headliner', title: 'Headliner', x0Mm: 500, y0Mm: -300, x1Mm: 1500, y1Mm: 300 }],
    ['wet-core', { kind: 'wet', title: 'seen wet', x0Mm: 800, y0Mm: -100, x1Mm: 1000, y1Mm: 100 }],
  ] as [string, BoatPart][])('%s, and what to do', (id, part) => {
    const f = of([part])
    expect(f.map((x) => x.id)).toEqual([id])
    expect(f[0]!.text).toMatch(/: .+\./)
    expect(of([{ ...part, x0Mm: part.x0Mm + 4000, x1Mm: part.x1Mm + 4000 }])).toEqual([])
  })
  it('a knee elsewhere across the boat is not in the way', () =>
    expect(of([{ kind: 'knee', title: 'Knee', x0Mm: 930, y0Mm: 300, x1Mm: 930, y1Mm: 600 }])).toEqual([]))
  it('no reach, panel edge, off the deck', () => {
    expect(of([], zone({ reachKind: 'none' })).map((f) => f.id)).toEqual(['no-reach'])
    expect(
      flagsAt({ zones: [zone()], parts: [], holes: [] }, { xMm: 1970, yMm: 0 }, bolt).map((f) => f.id),
    ).toEqual(['panel-edge'])
    expect(
      flagsAt({ zones: [zone()], parts: [], holes: [] }, { xMm: 9000, yMm: 0 }, bolt).map((f) => f.id),
    ).toEqual(['off-deck'])
  })
  it('a neighbour within 50 mm, and one whose bevel would reach, but not a closed one', () => {
    const hole = (xMm: number, state: string) => [{ label: 'P-001', xMm, yMm: 0, diameterMm: 12, state }]
    expect(of([], zone(), hole(930, 'closed')).map((f) => f.id)).toEqual(['neighbour'])
    expect(of([], zone(), hole(953, 'suspect')).map((f) => f.id)).toEqual(['bevel'])
    expect(of([], zone(), hole(953, 'closed'))).toEqual([])
    expect(of([], zone(), hole(955, 'suspect'))).toEqual([])
  })
  it('wet and damp readings, and none near enough', () => {
    const spot = (xMm: number, excess: number) => [{ xMm, yMm: 0, excess }]
    expect(of([], zone(), [], spot(900, 17)).map((f) => f.text)[0]).toContain('reads wet')
    expect(of([], zone(), [], spot(900, 6)).map((f) => f.text)[0]).toContain('reads damp')
    expect(of([], zone(), [], spot(900, 1))).toEqual([])
    expect(of([], zone(), [], spot(1800, 1)).map((f) => f.id)).toEqual(['wet-unread'])
  })
})

describe('the map as a file', () => {
  const map = boatMap({
    name: 'Test',
    lengthMm: 8000,
    beamMm: 3200,
    stations: [
      { xMm: 0, halfBreadthMm: 20, sheerMm: 1200, keelMm: 800 },
      { xMm: 4000, halfBreadthMm: 1600, sheerMm: 1000, keelMm: -400 },
      { xMm: 8000, halfBreadthMm: 1500, sheerMm: 1000, keelMm: -300 },
    ],
    zones: [zone()],
    parts: [{ kind: 'beam', title: 'beam', x0Mm: 900, y0Mm: -1, x1Mm: 900, y1Mm: 1 }],
    fittings: [
      {
        name: 'cleat',
        xMm: 900,
        yMm: 0,
        outline: [
          { xMm: 775, yMm: -30 },
          { xMm: 1025, yMm: -30 },
          { xMm: 1025, yMm: 30 },
          { xMm: 775, yMm: 30 },
        ],
      },
    ],
    holes: [
      { label: 'P-001', xMm: 900, yMm: 20, zMm: 900, diameterMm: 9, state: 'suspect', zoneCode: 'Deck' },
      { label: 'P-002', xMm: 905, yMm: 22, zMm: 900, diameterMm: 9, state: 'proved', zoneCode: 'Deck' },
      { label: 'P-003', xMm: 3000, yMm: 0, zMm: -300, diameterMm: 42, state: 'marked', zoneCode: 'Bottom' },
    ],
    wet: {},
    units: 'metric',
  })
  it('holds every number once, none on another', () => {
    const texts = map.shapes.filter((s) => s.kind === 'text')
    for (const n of ['P-001', 'P-002', 'P-003']) expect(texts.filter((t) => t.text === n)).toHaveLength(1)
    const [a, b] = ['P-001', 'P-002'].map((n) => texts.find((t) => t.text === n)!.at)
    expect(Math.hypot(a!.x - b!.x, a!.y - b!.y)).toBeGreaterThan(map.textMm * 0.7)
  })
  it('draws a hole below the waterline in profile', () => {
    const hole = map.shapes.find((s) => s.kind === 'ring' && s.r === 21)!
    expect(hole.kind === 'ring' && hole.at.y).toBeLessThan(-1600)
  })
  it('goes out as SVG and as DXF with true holes on their own layer', () => {
    expect(toSvg(map)).toContain('P-003')
    const dxf = toDxf(map, ['HOLES', 'REST'], (s) => (s.role === 'HOLES' ? 'HOLES' : 'REST'))
    expect(dxf.match(/\nCIRCLE\n/g)!.length).toBeGreaterThanOrEqual(3)
    expect(dxf).toMatch(/HOLES[\s\S]*21/)
    expect(dxf).not.toContain('NaN')
  })
})

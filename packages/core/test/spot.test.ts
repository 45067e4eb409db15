import { describe, expect, it } from 'vitest'
import {
  deadriseAt,
  flagsAt,
  layupSaid,
  offBoat,
  spotFor,
  structureOf,
  underPointer,
  underSide,
  zoneAt,
  zoneCodeAt,
  zoneCodeOf,
  zoneOfPlace,
  zoneTitle,
  type BoatPart,
  type BoatZone,
} from '../src'

/** What lies at a place, said before anybody drills there. */
const square = (a: number) => [
  { xMm: 0, yMm: -a },
  { xMm: 2 * a, yMm: -a },
  { xMm: 2 * a, yMm: a },
  { xMm: 0, yMm: a },
]
const layer = (material: string, thicknessMm: number, measured = true, spreadMm?: number) => ({
  material,
  thicknessMm,
  measured,
  measuredBy: '',
  ...(spreadMm === undefined ? {} : { spreadMm }),
})
const zone = (more: Partial<BoatZone> = {}): BoatZone => ({
  code: 'deck',
  title: 'Side deck',
  face: 'deck',
  kind: 'sandwich',
  zMm: 1000,
  outline: square(1000),
  stacking: 0,
  reach: 'open from the saloon',
  state: '',
  layers: [layer('mat', 4, true, 1), layer('balsa-150', 12, false), layer('mat', 3)],
  ...more,
})
const side = (more: Partial<BoatZone> = {}) =>
  zone({
    code: 'topside',
    title: 'Topside',
    face: 'topsides',
    kind: 'solid',
    layers: [layer('woven', 9)],
    outline: [
      { xMm: 0, yMm: -500 },
      { xMm: 2000, yMm: -500 },
      { xMm: 2000, yMm: 900 },
      { xMm: 0, yMm: 900 },
    ],
    ...more,
  })
const part = (
  kind: BoatPart['kind'],
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  more = {},
): BoatPart => ({
  kind,
  title: kind[0]!.toUpperCase() + kind.slice(1),
  x0Mm: x0,
  y0Mm: y0,
  x1Mm: x1,
  y1Mm: y1,
  ...more,
})
const AT = { xMm: 1000, yMm: 0 }
const ids = (
  around: Partial<Parameters<typeof flagsAt>[0]>,
  at: Parameters<typeof flagsAt>[1] = AT,
  bolts = [{ xMm: 0, yMm: 0 }],
) => flagsAt({ zones: [zone()], parts: [], holes: [], ...around }, at, bolts).map((f) => f.id)

describe('what a zone is made of', () => {
  it.each([
    ['sandwich', [layer('woven', 4), layer('pvc-80', 15), layer('woven', 3)], 'sandwich'],
    ['solid', [layer('mat', 12)], 'solid'],
    ['metal', [layer('mild-steel', 5)], 'metal'],
    ['metal', [layer('aluminium-5083', 4, false)], 'metal'],
    ['timber', [layer('softwood', 30)], 'timber'],
    ['timber', [layer('plywood', 18, false)], 'timber'],
    ['sandwich', [], 'sandwich'],
  ] as const)('%s of %j', (kind, layers, is) => {
    const { structure, measured } = structureOf(zone({ kind, layers: [...layers] }))
    expect(structure.kind).toBe(is)
    expect(measured.length).toBe(layers.filter((l) => l.measured).length)
    expect(JSON.stringify(structure)).toContain(String(layers[0]?.thicknessMm ?? 1))
    if (kind !== 'sandwich') expect(JSON.stringify(structure)).toContain(layers[0]!.material)
  })
  it('is said with what is guessed and how far readings differ', () => {
    expect(layupSaid(zone(), 'metric')).toBe(
      '4 mm (\u00b10.5 mm) laminate, ~12 mm end-grain balsa 150, 3 mm laminate',
    )
    expect(layupSaid(zone({ layers: [layer('something', 2)] }), 'metric')).toBe('2 mm something')
  })
})

describe('which zone a place is on', () => {
  const roof = zone({ code: 'roof', title: 'Roof', stacking: 2, outline: square(300) })
  const zones = [zone(), roof, side()]
  it('the topmost from above; another face by its code alone', () => {
    expect(zoneAt(zones, { xMm: 100, yMm: 0 })?.code).toBe('roof')
    expect(zoneAt(zones, { xMm: 1500, yMm: 0 })?.code).toBe('deck')
    expect(zoneAt(zones, { xMm: 9000, yMm: 0 })).toBeNull()
    expect(zoneOfPlace(zones, { xMm: 100, yMm: 0, zone: 'topside' })?.code).toBe('topside')
    expect(zoneCodeAt(zones, { xMm: 9000, yMm: 0 })).toBe('not in a zone')
  })
  it('a file of another boat names it by title; what nobody knows is said as it stands', () => {
    expect(zoneCodeOf(zones, 'Roof')).toBe('roof')
    expect(zoneCodeOf(zones, 'topside')).toBe('topside')
    expect(zoneCodeOf(zones, 'Moon')).toBeNull()
    expect(zoneCodeOf(zones, null)).toBeNull()
    expect([null, 'roof', 'gone'].map((c) => zoneTitle(zones, c))).toEqual(['no zone', 'Roof', 'gone'])
  })
})

describe('deadrise along the boat', () => {
  const bottom = zone({
    deadrise: [
      { xMm: 6000, deg: 10 },
      { xMm: 2000, deg: 30 },
      { xMm: 6000, deg: 12 },
    ],
  })
  it.each([
    [0, 30],
    [2000, 30],
    [4000, 20],
    [6000, 10],
    [9000, 12],
  ])('at %i mm it is %f degrees', (xMm, deg) => expect(deadriseAt(bottom, xMm)).toBeCloseTo(deg, 9))
  it('is unknown where nobody has said', () => {
    expect(deadriseAt(zone(), 100)).toBeNull()
    expect(deadriseAt(null, 100)).toBeNull()
  })
})

describe('a place that can be on no boat', () => {
  const stations = [
    { xMm: 0, halfBreadthMm: 100 },
    { xMm: 9000, halfBreadthMm: 1500 },
  ]
  it.each([
    [{ xMm: 10_500, yMm: 0 }, 'xMm'],
    [{ xMm: -1200, yMm: 0 }, 'xMm'],
    [{ xMm: 500, yMm: 2600 }, 'yMm'],
    [{ xMm: 500, yMm: 2400 }, undefined],
  ])('%j', (at, path) => expect(offBoat(stations, at)?.path).toBe(path))
  it('asks nothing of a boat without lines', () => expect(offBoat([], { xMm: 1e6, yMm: 0 })).toBeNull())
})

describe('a spot to start from', () => {
  it('takes layup, height and edge from its zone; off every zone it is a guess without an edge', () => {
    const s = spotFor(zone(), AT, [{ xMm: 200, yMm: 0 }], 'coastal')
    expect(s).toMatchObject({
      zone: 'deck',
      zMm: 1000,
      edgeMm: 800,
      belowWaterline: false,
      measured: ['outerMm', 'innerMm'],
    })
    const off = spotFor(null, { ...AT, zMm: -50 }, [], 'coastal')
    expect(off).toMatchObject({ zone: null, edgeMm: null, belowWaterline: true, measured: [] })
    expect(spotFor(side({ face: 'bottom' }), { ...AT, zMm: 10 }, [], 'coastal').belowWaterline).toBe(true)
  })
})

describe('flags before drilling', () => {
  it.each<[string, string[], Partial<Parameters<typeof flagsAt>[0]>]>([
    ['nothing in the way', [], { zones: [zone({ kind: 'solid', layers: [layer('mat', 9)] })] }],
    ['no surface known', ['off-deck'], { zones: [] }],
    ['a wet part', ['wet-core'], { parts: [part('wet', 800, -200, 1200, 200)] }],
    ['a beam', ['beam'], { parts: [part('beam', 1030, -1, 1030, 1)] }],
    ['a bulkhead', ['bulkhead'], { parts: [part('bulkhead', 980, -400, 980, 400, { widthMm: 20 })] }],
    ['a beam that ends before', [], { parts: [part('beam', 1030, 300, 1030, 900)] }],
    ['a longitudinal', ['longitudinal'], { parts: [part('longitudinal', 0, 30, 2000, 30)] }],
    ['a cable', ['cable'], { parts: [part('cable', 0, 20, 2000, 20)] }],
    ['a tank', ['tank'], { parts: [part('tank', 500, -500, 1500, 500)] }],
    ['a headliner', ['lining'], { parts: [part('headliner', 0, -900, 1900, 900)] }],
    ['no reach', ['no-reach'], { zones: [zone({ reachKind: 'none' })] }],
    ['a neighbour', ['neighbour'], { holes: [{ label: 'P-7', xMm: 1030, yMm: 0 }] }],
    ['itself is no neighbour', [], { holes: [{ label: 'P-7', xMm: 1000, yMm: 0 }] }],
    [
      'a hole that will be closed with a bevel',
      ['bevel'],
      { holes: [{ label: 'P-8', xMm: 1080, yMm: 0, diameterMm: 80, state: 'suspect' }] },
    ],
  ])('%s: %j', (_, expected, around) =>
    expect(ids(around).filter((i) => i !== 'wet-unread')).toEqual(expected),
  )

  it('says how deep a tank lies, or that nobody knows', () => {
    const tank = (belowMm?: number) =>
      flagsAt(
        { zones: [zone()], parts: [part('tank', 500, -500, 1500, 500, { belowMm })], holes: [] },
        AT,
        [],
      ).find((f) => f.id === 'tank')!.text
    expect(tank(120)).toBe('Tank lies below, 120 mm down: set a stop on the drill.')
    expect(tank()).toContain('find out how far down it is')
  })
  it.each([
    ['wet', 40, 'dry it out, recore'],
    ['damp', 8, 'find the way in'],
  ])('a core that reads %s says what to do', (_, excess, words) => {
    const wet = { deck: [{ xMm: 1000, yMm: 0, excess }] }
    const f = flagsAt({ zones: [zone()], parts: [], holes: [], wet } as never, AT, [])
    expect(f.find((x) => x.id === 'wet-core')!.text).toContain(words)
  })
  it('a reading far away makes no core dry', () => {
    const wet = { deck: [{ xMm: 1900, yMm: 900, excess: 0 }] }
    const f = flagsAt({ zones: [zone()], parts: [], holes: [], wet } as never, AT, [])
    expect(f.map((x) => x.id)).toEqual(['wet-unread'])
  })
  it('near the edge of its panel another build-up begins', () => {
    expect(ids({}, { xMm: 30, yMm: 0 })).toContain('panel-edge')
  })
  it('on a side the plan of the deck says nothing', () => {
    const around = { zones: [zone(), side({ reachKind: 'none' })], parts: [part('beam', 1000, -1, 1000, 1)] }
    expect(ids(around, { ...AT, zone: 'topside', zMm: -100 })).toEqual(['no-reach', 'below-water'])
    expect(ids({ zones: [side()] }, { ...AT, zone: 'topside', zMm: 2000 })).toEqual(['off-deck'])
    expect(ids({ zones: [side()] }, { xMm: 20, yMm: 0, zone: 'topside', zMm: 400 })).toEqual(['panel-edge'])
  })
})

describe('under the pointer', () => {
  const under = (around: Partial<Parameters<typeof underPointer>[0]>, at = AT) =>
    underPointer({ zones: [zone()], parts: [], holes: [], ...around }, at, 'metric')
  it('off the boat there is nothing', () => expect(under({ zones: [] }).title).toBe('Off the deck'))
  it('says layup, what is near, below and how it is reached', () => {
    const { title, words } = under({
      parts: [
        part('beam', 1200, -1, 1200, 1),
        part('longitudinal', 0, 100, 2000, 100),
        part('tank', 500, -500, 1500, 500, { belowMm: 300 }),
        part('liner', 0, -900, 1900, 900),
        part('cable', 0, 90, 2000, 90),
        part('wet', 800, -200, 1200, 200),
      ],
      holes: [
        { label: 'P-1', xMm: 1300, yMm: 0 },
        { label: 'P-2', xMm: 1150, yMm: 0 },
      ],
    })
    expect(title).toBe('Side deck, wet')
    for (const said of [
      'Wet.',
      'Beam 200 mm aft.',
      'Longitudinal 100 mm off.',
      'Tank 300 mm below.',
      'Liner below.',
      'Cable near.',
      'Reach from inside: open from the saloon.',
      'P-2 150 mm away.',
    ])
      expect(words).toContain(said)
  })
  it('a bulkhead ahead is named, one far off is not', () => {
    const near = under({ parts: [part('bulkhead', 700, -1, 700, 1)] }).words
    expect(near).toContain('Bulkhead 300 mm forward.')
    expect(under({ parts: [part('bulkhead', 100, -1, 100, 1)] }).words).not.toContain('Bulkhead')
  })
  it.each([
    [{ xMm: 1000, yMm: 0, excess: 40 }, 'Core wet, 40 over dry.', 'Side deck, wet'],
    [{ xMm: 1000, yMm: 0, excess: 0 }, 'Core dry.', 'Side deck'],
    [{ xMm: 1900, yMm: 900, excess: 0 }, 'Core not read within', 'Side deck'],
  ])('a moisture reading %j', (spot, words, title) => {
    const said = under({ wet: { deck: [spot] } } as never)
    expect(said.words).toContain(words)
    expect(said.title).toBe(title)
  })
})
describe('under the pointer on the side of the hull', () => {
  const bottom = side({ title: 'Bottom', kind: 'solid', state: 'blistered' })
  const spot = (excess: number) => [{ xMm: 4000, yMm: -300, excess }]
  it.each([
    [14, -310, 'Bottom, wet', ['Blistered.', 'Laminate wet, 14 over dry.', '310 mm under the waterline.']],
    [6, 240, 'Bottom', ['Laminate not read within', '240 mm over the waterline.']],
    [0, -300, 'Bottom', ['Laminate dry.']],
  ])('a reading of %s over dry, asked at %s', (excess, zMm, title, words) => {
    const said = underSide(bottom, spot(excess), { xMm: 4000, zMm }, 'metric')
    expect(said.title).toBe(title)
    for (const w of words) expect(said.words).toContain(w)
  })
  it('where nobody read, nothing is said of wetness', () =>
    expect(underSide(bottom, [], { xMm: 1, zMm: -1 }, 'metric').words).not.toMatch(/wet|dry|damp/))
})

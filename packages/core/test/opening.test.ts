import { describe, expect, it } from 'vitest'
import {
  ALONE,
  CalcError,
  withChange,
  type Around,
  type BoatPart,
  type BoatZone,
  type Structure,
} from '../src'
import { judgedWithRemedies } from '../src/kinds/registry'
import {
  opening,
  openingMoved,
  OPENING_CATALOGUE,
  parseOpening,
  type OpeningDesign,
} from '../src/kinds/opening'
import { cornerSaws } from '../src/kinds/opening/template'
import { BALSA } from './deck-hands'

/** The big holes, in the words of those who cut them. */
const THIN: Structure = { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 3 }
const SOLID: Structure = { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 9 }
const FORE: BoatZone = {
  code: 'foredeck',
  title: 'Foredeck',
  face: 'deck',
  kind: 'sandwich',
  zMm: 1600,
  outline: [
    { xMm: 500, yMm: -900 },
    { xMm: 3000, yMm: -1300 },
    { xMm: 3000, yMm: 1300 },
    { xMm: 500, yMm: 900 },
  ],
  stacking: 1,
  reach: '',
  state: '',
  layers: [
    { material: 'mat', thicknessMm: 4, measured: true, measuredBy: '' },
    { material: 'balsa-150', thicknessMm: 12, measured: true, measuredBy: '' },
    { material: 'mat', thicknessMm: 3, measured: true, measuredBy: '' },
  ],
}
const beam = (x: number): BoatPart => ({
  id: x,
  kind: 'beam',
  title: 'Deck beam',
  x0Mm: x,
  x1Mm: x,
  y0Mm: -1,
  y1Mm: 1,
  widthMm: 40,
})
const made = (
  id: string,
  structure: Structure = BALSA,
  more: Record<string, unknown> = {},
): OpeningDesign => {
  const spot = {
    zone: 'foredeck',
    xMm: 1800,
    yMm: 0,
    zMm: 1600,
    structure,
    measured: ['outerMm', 'coreMm', 'innerMm'],
    edgeMm: null,
    belowWaterline: false,
    duty: 'coastal' as const,
    zones: [FORE],
  }
  const entry = OPENING_CATALOGUE.find((e) => e.id === id)!
  return withChange(opening.start(entry, spot as never, `${entry.title}, tried`), more)
}
const round = (parts: BoatPart[] = []): Around => ({ ...ALONE, zones: [FORE], parts })
const checked = (d: OpeningDesign, id: string, a: Around = round()) =>
  opening.judge(d, a).checks.find((c) => c.id === id)

describe('where it is cut', () => {
  it('between two beams the free room is said by the side that it lies on', () => {
    const c = checked(made('CL-H52'), 'room-member', round([beam(1500), beam(2118)]))!
    // the cut-out ends at 1540 and at 2060; the beams' faces stand at 1520 and at 2098
    expect(c.because).toContain('20 mm forward clears the deck beam')
    expect(c.because).toContain('38 mm aft clears the deck beam')
    expect(c.verdict).toBe('short')
  })
  it('a little further aft it clears both, and that is offered', () => {
    const a = round([beam(1500), beam(2128)])
    const d = made('CL-H52')
    const c = judgedWithRemedies(opening as never, d as never, a).checks.find((x) => x.id === 'room-member')!
    expect(c.remedies[0]!.text).toBe('10 mm aft')
    expect(c.remedies[0]!.verdict).toBe('holds')
  })
  it('through a beam it is short until a ring gives back what was cut', () => {
    const a = round([beam(1800)])
    expect(checked(made('CL-H52'), 'room-member', a)!.verdict).toBe('short')
    const ring = { material: 'timber', widthMm: 40, thicknessMm: 30 }
    const d = made('CL-H52', BALSA, { cutMemberMm2: 1100, ring, carlin: { widthMm: 30, depthMm: 50 } })
    expect(checked(d, 'room-member', a)!.verdict).toBe('tight')
    expect(checked(d, 'ring-area', a)!.verdict).toBe('holds')
    const less = made('CL-H52', BALSA, { cutMemberMm2: 1300, ring })
    expect(checked(less, 'ring-area', a)!.verdict).toBe('short')
  })
  it('50 mm to the edge of the panel is the least, and off every panel nobody knows', () => {
    expect(checked(made('CL-H52'), 'room-edge')!.verdict).toBe('holds')
    expect(checked(made('CL-H52', BALSA, { 'place.xMm': 790 }), 'room-edge')!.verdict).toBe('short')
    expect(checked(made('CL-H52'), 'room-edge', ALONE)!.verdict).toBe('unproven')
  })
  it('over the edge of the panel it is short, and past it nobody knows: no distance makes that good', () => {
    const c = checked(made('CL-H52', BALSA, { 'place.yMm': 900 }), 'room-edge')!
    expect([c.verdict, c.because.includes('runs over the edge')]).toEqual(['short', true])
    expect(checked(made('CL-H52', BALSA, { 'place.yMm': 2600 }), 'room-edge')!.verdict).toBe('unproven')
  })
  it('moved on to another deck it takes the zone and the layup that are there, and says so', () => {
    const aft: BoatZone = {
      ...FORE,
      code: 'aft',
      title: 'After deck',
      kind: 'solid',
      layers: [{ material: 'woven', thicknessMm: 11, measured: true, measuredBy: '' }],
      outline: FORE.outline.map((p) => ({ ...p, xMm: p.xMm + 5000 })),
    }
    const d = made('CL-H52')
    const near = openingMoved(d, [FORE, aft], { xMm: 1900 })
    expect([near.said, Object.keys(near.change)]).toEqual(['', ['place']])
    const far = openingMoved(d, [FORE, aft], { xMm: 7000 })
    expect(far.said).toBe('Moved: it stands on After deck now and takes its layup.')
    expect(withChange(d, far.change)).toMatchObject({
      place: { zone: 'aft', xMm: 7000 },
      structure: { kind: 'solid', thicknessMm: 11 },
    })
    const own = openingMoved(withChange(d, { structureReason: 'a pad' }), [FORE, aft], { xMm: 7000 })
    expect(own.change).not.toHaveProperty('structure')
    expect(openingMoved(d, [FORE], { xMm: 9000 }).said).toContain('whose layup nobody has given')
  })
  it('square corners crack', () => {
    expect(checked(made('CL-H52', BALSA, { 'outline.cornerMm': 10 }), 'corner-radius')!.verdict).toBe('short')
  })
})

describe('the edge that is left', () => {
  it('an open core is short, and closing it is offered', () => {
    const d = made('CL-H52', BALSA, { 'core.filled': false })
    const j = judgedWithRemedies(opening as never, d as never, round())
    const c = j.checks.find((x) => x.id === 'edge-core')!
    expect(c.verdict).toBe('short')
    expect(c.remedies.map((r) => r.text)).toContain('rake the core back and fill it')
  })
  it('a thin skin holds no screw: the lid in 3 mm laminate starts with its ring, and without it is short', () => {
    const d = made('CL-F45', THIN)
    expect(d.ring).not.toBeNull()
    expect([checked(d, 'ring')!.verdict, checked(d, 'screw-bite')!.verdict]).toEqual(['holds', 'holds'])
    const bare = withChange(d, { ring: null })
    expect([checked(bare, 'ring')!.verdict, checked(bare, 'screw-bite')!.verdict]).toEqual(['short', 'short'])
    expect(checked(withChange(bare, { 'frame.hold': 'bolts' }), 'screw-bite')!.verdict).toBe('holds')
  })
  it('screws past the fill bite the skin alone', () => {
    const d = made('CL-H52', BALSA, { 'core.rakeMm': 12 })
    expect(checked(d, 'screw-bite')!.because).toContain('past the fill')
    expect(checked(d, 'screw-bite')!.verdict).toBe('short')
    expect(checked(made('CL-H52'), 'screw-bite')!.verdict).toBe('holds')
  })
  it('the cut-out that is kept proves the thickness', () => {
    const d = made('CL-I15', SOLID, { measured: [] })
    expect(checked(d, 'offcut')!.verdict).toBe('unproven')
    expect(checked(withChange(d, { offcutMm: 9.2 }), 'offcut')!.verdict).toBe('holds')
  })
  it('a pitch that no screw could have is refused at its field', () => {
    expect(() => opening.judge(made('CL-H52', BALSA, { 'frame.pitchMm': 20 }), round())).toThrow(CalcError)
    try {
      opening.judge(made('CL-H52', BALSA, { 'frame.pitchMm': 20 }), round())
    } catch (e) {
      expect((e as CalcError).path).toBe('frame.pitchMm')
    }
  })
})

describe('what closes it', () => {
  it('a pane that is thin for its place is short, and the next of the stock that holds is offered', () => {
    const d = made('CL-P60F', SOLID, { 'pane.thicknessMm': 5, sea: 'topside' })
    const j = judgedWithRemedies(opening as never, d as never, round())
    const c = j.checks.find((x) => x.id === 'pane-bending')!
    expect(c.verdict).toBe('short')
    expect(c.remedies[0]!.text).toMatch(/^(8|10|12) mm thick/)
  })
  it('an acrylic pane grows: its bead is as thick as it needs, its holes larger than its screws', () => {
    const d = made('CL-P60F', SOLID)
    expect(checked(d, 'pane-bead')!.demand).toBeGreaterThan(1)
    expect(checked(withChange(d, { 'pane.beadMm': 1 }), 'pane-bead')!.verdict).toBe('short')
    const text = opening.steps(d, opening.judge(d, round()), 'metric', {} as never).map((s) => s.text)
    expect(text.join(' ')).toMatch(/Drill the pane: holes 5\.\d+ mm for screws of 4 mm/)
  })
  it('a sealant that crazes acrylic is refused on the pane', () => {
    const c = checked(made('CL-P60F', SOLID, { 'pane.sealant': 'polysulfide' }), 'sealant-pane')!
    expect(c.verdict).toBe('short')
  })
  it('a lid without a gasket is not weathertight; pressed between enough latches it is', () => {
    const d = made('CL-L60', BALSA)
    expect(checked(withChange(d, { 'lid.gasket': null }), 'keeps-out')!.verdict).toBe('short')
    expect(checked(withChange(d, { 'lid.latches': 8, 'pane.thicknessMm': 20 }), 'lid-gasket')!.verdict).toBe(
      'holds',
    )
  })
  it('a latch of no known kind proves nothing', () =>
    expect(checked(made('CL-F45', THIN, { 'lid.latch': null }), 'lid-inverted')!.verdict).toBe('unproven'))
  it('a step over 10 mm in a loose cover is a trip', () => {
    expect(checked(made('CL-C70', BALSA), 'lid-trip')!.verdict).toBe('tight')
    expect(checked(made('CL-C70', BALSA, { 'lid.stepMm': 8 }), 'lid-trip')!.verdict).toBe('holds')
  })
})

describe('making it', () => {
  it('the core is raked before it is filled, the ring bonded before the dry fit, the bead before the screws', () => {
    const d = made('CL-F45', BALSA, { ring: { material: 'plywood', widthMm: 30, thicknessMm: 12 } })
    const ids = opening.steps(d, opening.judge(d, round()), 'metric', {} as never).map((s) => s.id)
    const order = [
      'cut-opening',
      'edge-rake',
      'core-fill',
      'edge-sand',
      'ring-bond',
      'dry-fit',
      'bed',
      'screw-down',
    ]
    expect(ids.filter((x) => order.includes(x))).toEqual(order)
  })
  it('nothing with alcohol comes near a plastic pane', () => {
    const said = (id: string) =>
      opening
        .steps(made(id), opening.judge(made(id), round()), 'metric', {} as never)
        .find((s) => s.id === 'bed')!.text
    expect(said('CL-H52')).toContain('Nothing with alcohol')
    expect(said('CL-V10')).not.toContain('alcohol')
  })
  it('four corner saws stand where the radius is tangent to both sides', () => {
    const [p] = cornerSaws(made('CL-H52'))
    expect([Math.abs(p!.x), Math.abs(p!.y)]).toEqual([200, 200])
    expect(cornerSaws(made('CL-I15'))).toEqual([])
  })
  it('it is one hole on record, with its screws as a group', () => {
    const d = made('CL-H52')
    const j = opening.judge(d, round())
    const [h, ...rest] = opening.penetrations(d, j, 'metric')
    expect(rest).toEqual([])
    expect(h).toMatchObject({ part: 'opening', diameterMm: 520, coreSchool: 'rake-fill' })
    expect(h!.fastener).toBe(`${j.edge.screwCount} screws of 5 mm`)
  })
  it('a design of a later version is refused, a strange field named', () => {
    const d = made('CL-H52')
    expect(() => parseOpening({ ...d, schemaVersion: 4 })).toThrow(/newest read here/)
    expect(() => parseOpening({ ...d, outline: { ...d.outline, cornerMm: 400 } })).toThrow(
      /half the short side/,
    )
  })
})

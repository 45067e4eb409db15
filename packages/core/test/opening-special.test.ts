import { describe, expect, it } from 'vitest'
import { ALONE, CalcError, NO_WORK, withChange, type Around, type BoatZone, type Structure } from '../src'
import { OWN_RING } from '../src/boat/life'
import { judgedWithRemedies } from '../src/kinds/registry'
import { opening, OPENING_CATALOGUE, parseOpening, type OpeningDesign } from '../src/kinds/opening'
import { BALSA } from './deck-hands'

/** Openings that no frame closes: a glass set flush, a bin that hangs, cables through a bulkhead. */
const PLY: Structure = { kind: 'timber', timber: 'plywood', thicknessMm: 18 }
const SOLID: Structure = { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 9 }
const BULKHEAD: BoatZone = {
  code: 'collision',
  title: 'Collision bulkhead',
  face: 'bulkhead',
  kind: 'timber',
  zMm: 600,
  outline: [
    { xMm: -1200, yMm: -300 },
    { xMm: 1200, yMm: -300 },
    { xMm: 1200, yMm: 1500 },
    { xMm: -1200, yMm: 1500 },
  ],
  stacking: 0,
  reach: '',
  state: '',
  layers: [{ material: 'plywood', thicknessMm: 18, measured: true, measuredBy: 'edge' }],
}
const made = (id: string, structure: Structure, more: Record<string, unknown> = {}): OpeningDesign => {
  const entry = OPENING_CATALOGUE.find((e) => e.id === id)!
  const spot = {
    zone: id.startsWith('BS') ? 'collision' : 'foredeck',
    xMm: 1900,
    yMm: 0,
    zMm: id.startsWith('BS') ? 700 : 1600,
    structure,
    measured: ['outerMm', 'thicknessMm'],
    edgeMm: null,
    belowWaterline: false,
    duty: 'coastal' as const,
    zones: [BULKHEAD],
  }
  return withChange(opening.start(entry, spot as never, entry.title), more)
}
const around: Around = { ...ALONE, zones: [BULKHEAD] }
const judged = (d: OpeningDesign) => opening.judge(d, around)
const checked = (d: OpeningDesign, id: string) => judged(d).checks.find((c) => c.id === id)
const cable = (name: string, odMm: number) => ({ name, odMm })
const FIRST = {
  size: null,
  yMm: 0,
  zMm: 0,
  edgeMm: 120,
  threadMm: 40,
  boreMm: null,
}

describe('a prism flush with the deck', () => {
  it('starts on the bed that brings it flush: 4 + 12 over 4.8 of base and its glue leave 10.9', () => {
    const d = made('CL-D25', BALSA)
    const { pocket } = judged(d)
    expect(pocket!.base.sheetsMm).toEqual([4.8])
    expect(pocket!.pocketMm).toBeCloseTo(10.9, 9)
    expect([d.bedding.beadMm, pocket!.rim]).toEqual([1.9, 'flush'])
    expect(checked(d, 'prism-flush')!.verdict).toBe('holds')
  })
  it('low it ponds, and the bed that mends it is offered', () => {
    const d = made('CL-D25', BALSA, { 'bedding.beadMm': 1.5 })
    expect(checked(d, 'prism-flush')).toMatchObject({ verdict: 'short' })
    expect(checked(d, 'prism-flush')!.because).toContain('9 ml of water')
    const whole = judgedWithRemedies(opening as never, d as never, around)
    expect(whole.checks.find((c) => c.id === 'prism-flush')!.remedies[0]).toMatchObject({
      text: 'bedding 1.9 mm thick',
      verdict: 'holds',
    })
  })
  it('a deck without a core has nothing to let a solid into', () => {
    const d = made('CL-D25', SOLID)
    expect(checked(d, 'prism-flush')).toMatchObject({ verdict: 'short' })
    expect(opening.drawings(d, judged(d), 'metric').map((x) => x.id)).toEqual(['plan', 'inside', 'edge'])
  })
  it('its solid is cut from sheets, its glass bought by its flange', () => {
    const d = made('CL-D25', BALSA)
    const parts = opening.parts(d, judged(d))
    expect(parts.find((p) => p.key === 'frame')!.dimensions).toMatchObject({ lengthMm: 250, widthMm: 90 })
    expect(parts.filter((p) => p.key.startsWith('solid')).map((p) => p.dimensions)).toEqual([
      { lengthMm: 304, widthMm: 144, thicknessMm: 4.8 },
      ...[304, 94, 304, 94].map((lengthMm) => ({ lengthMm, widthMm: 25, thicknessMm: 4.8 })),
    ])
  })
  it('the pocket is routed before the solid is set, and the glass tried before it is bedded', () => {
    const d = made('CL-D12', BALSA)
    const ids = opening.steps(d, judged(d), 'metric', NO_WORK).map((s) => s.id)
    const order = ['cut-pocket', 'solid-bond', 'cut-opening', 'flush-try', 'bed', 'leak-test']
    expect(ids.filter((i) => order.includes(i))).toEqual(order)
    expect(ids).not.toContain('edge-rake')
  })
})

describe('a bin that hangs', () => {
  it('bond and screws each carry it; full of water it pulls harder', () => {
    const d = made('CL-B40', BALSA)
    const light = judged(d).hung!
    const wet = judged(withChange(d, { 'bin.contents': { kind: 'water', fill: 1 } })).hung!
    expect(light.hungKg).toBe(24.5)
    // 400 by 300 by 300: 36 litres of sea water and the bin's own 4.5 kg
    expect(wet.hungKg).toBeCloseTo(36 * 1.025 + 4.5, 9)
    expect(wet.loadN).toBeCloseTo(wet.hungKg * 9.80665 * 2, 6)
    expect(light.alone).toEqual({ bond: true, screws: true })
  })
  it('on its bond alone it is only tight, and screws are offered', () => {
    const d = made('CL-B40', BALSA, { 'frame.hold': 'bond' })
    expect(checked(d, 'bin-bond')!.verdict).toBe('tight')
    const whole = judgedWithRemedies(opening as never, d as never, around)
    const texts = whole.checks.find((c) => c.id === 'bin-bond')!.remedies.map((r) => r.text)
    expect(texts).toContain('screws as well as the bond')
  })
  it('one that skins before the screws are in is short', () => {
    const d = made('CL-B40', BALSA, { 'bedding.sealant': 'silicone-neutral', 'bin.minutesPerScrew': 2 })
    expect(checked(d, 'bin-time')!.verdict).toBe('short')
  })
  it('its screws come up into the inner skin', () => {
    const d = made('CL-B40', BALSA, { 'core.filled': false, 'core.rakeMm': null })
    // pi times 5 times 3 mm of laminate at 30 MPa
    expect(judged(d).hung!.pullOutN).toBeCloseTo(Math.PI * 5 * 3 * 30, 6)
    expect(checked(d, 'screw-bite')).toBeUndefined()
  })
})

describe('cables through a bulkhead', () => {
  const four = made('BS-G32', PLY, {
    'gland.floodZMm': 200,
    'gland.behind': { lengthMm: 2000, widthMm: 1000, heightMm: 1000 },
    'gland.glands': [
      { ...FIRST, cables: [cable('lights', 7), cable('camera', 8)] },
      { ...FIRST, yMm: 90, cables: [cable('windlass', 11)] },
    ],
  })
  it('each gland is the smallest that takes its cables, its hole lined where plywood drinks', () => {
    const { glanded } = judged(four)
    expect(glanded!.glands.map((g) => [g.size, g.holeMm, g.boreMm])).toEqual([
      ['M32', 32.5, 44],
      ['M20', 20.5, 30],
    ])
  })
  it('the height over the flood is said with the water behind it', () => {
    const c = checked(four, 'gland-height')!
    expect(c.verdict).toBe('holds')
    // 2 m3 of box, nineteen parts of twenty water
    expect(c.because).toContain('1948 kg of water')
    expect(checked(withChange(four, { 'gland.floodZMm': null }), 'gland-height')!.verdict).toBe('unproven')
    const low = withChange(four, { 'gland.floodZMm': 600 })
    expect(checked(low, 'gland-height')!.verdict).toBe('short')
    const whole = judgedWithRemedies(opening as never, low as never, around)
    expect(whole.checks.find((x) => x.id === 'gland-height')!.remedies[0]!.text).toBe('20 mm higher')
  })
  it('nut to nut a wrench goes in between', () => {
    expect(checked(four, 'gland-spacing')!.verdict).toBe('holds')
    const close = withChange(four, { 'gland.glands.1.yMm': 40 })
    expect(checked(close, 'gland-spacing')!.verdict).toBe('short')
  })
  it('a hole of its own for each gland is on record, with its cables by name', () => {
    const holes = opening.penetrations(four, judged(four), 'metric')
    expect(holes.map((h) => [h.part, h.yMm, h.diameterMm, h.sealant])).toEqual([
      ['gland 1', 0, 32.5, OWN_RING],
      ['gland 2', 90, 20.5, OWN_RING],
    ])
    expect(holes[0]!.fastener).toBe('gland M32: lights 7 mm, camera 8 mm')
  })
  it('boring asks no size: every hole goes on record at its own gland\u2019s', () => {
    const steps = opening.steps(four, judged(four), 'metric', NO_WORK)
    const bore = steps.find((s) => s.id === 'bore')!
    expect([bore.asks, bore.sizeOf, bore.records]).toEqual([[], null, { gland: ['drilled'] }])
  })
  it('a spare way gets its blank', () => {
    const one = withChange(four, {
      'gland.glands': [{ ...FIRST, size: 'M32', cables: [cable('lights', 7)] }],
    })
    const two = withChange(one, { 'gland.glands.0.cables': [cable('lights', 4), cable('camera', 5)] })
    const spare = judged(two).glanded!.spareWays
    expect(spare).toBe(2)
    expect(opening.parts(two, judged(two)).find((p) => p.key === 'blank')!.quantity).toBe(2)
    expect(checked(two, 'keeps-out')!.because).toContain('2 spare ways')
  })
  it('cables that no one gland takes are refused at their gland', () => {
    const d = withChange(four, { 'gland.glands.1.cables': [cable('a', 3), cable('b', 25)] })
    let at: unknown
    try {
      judged(d)
    } catch (error) {
      at = error instanceof CalcError ? [error.code, error.path] : error
    }
    expect(at).toEqual(['no-gland', 'gland.glands.1.cables'])
  })
  it('a template shows the bores from aft, and mirrored from the other side', () => {
    const xs = (inside: boolean) =>
      opening
        .template(four, judged(four), 'cut-out', 'metric', inside)
        .shapes.flatMap((s) => (s.kind === 'ring' ? [Math.round(s.at.x)] : []))
    expect(xs(false)).toContain(90)
    expect(xs(true)).toContain(-90)
    expect(opening.drill(four, judged(four)).map((r) => r.boreMm)).toEqual([44, 30])
  })
})

it.each([
  [19.4, 'holds'],
  [20, 'holds'],
  [20.1, 'short'],
  [16, 'short'],
])('a cut-out %d mm thick of a deck reckoned at 19: %s', (offcutMm, verdict) => {
  const c = checked(made('CL-H52', BALSA, { offcutMm }), 'offcut')!
  expect([c.verdict, c.because.includes('put its layers into the survey')]).toEqual([
    verdict,
    verdict === 'short',
  ])
})

it('a design stored before there were prisms, bins and glands opens as it was', () => {
  const { prism: _p, bin: _b, gland: _g, ...old } = made('CL-H52', BALSA)
  expect(parseOpening(old)).toEqual({ ...old, prism: null, bin: null, gland: null })
})

describe('boards and doors that water finds', () => {
  const sill = (d: OpeningDesign) => judged(d).checks.find((c) => c.id === 'sill')
  it.each(['CL-W56', 'CL-D13'])('%s asks how high its sill stands', (id) => {
    expect(sill(made(id, PLY))!.verdict).toBe('unproven')
    expect(sill(made(id, PLY, { sillMm: 100 }))!.verdict).toBe('holds')
    expect(sill(made(id, PLY, { sillMm: 99 }))!.verdict).toBe('short')
  })
  it.each([
    ['sheltered', 50],
    ['coastal', 100],
    ['ocean', 150],
  ])('%s: %s mm, and the remedy says so', (duty, least) => {
    const d = made('CL-W56', PLY, { sillMm: least - 1, duty })
    const remedies = judgedWithRemedies(opening, d, around).checks.find((c) => c.id === 'sill')!.remedies
    expect(remedies.map((r) => [r.text, r.verdict])).toEqual([[`a sill of ${least} mm`, 'holds']])
    expect(sill(withChange(d, { sillMm: least }))!.verdict).toBe('holds')
  })
  it('a hatch in the deck has none unless somebody gives one', () => {
    expect(sill(made('CL-H52', BALSA))).toBeUndefined()
    expect(sill(made('CL-H52', BALSA, { sillMm: 20 }))!.verdict).toBe('short')
  })
  it('a board lifts out and may not fall out upside down; a door is watertight as its maker proves it', () => {
    expect(made('CL-W56', PLY).lid).toMatchObject({ back: 'ledge', windKn: 60 })
    expect(judged(made('CL-W56', PLY)).checks.map((c) => c.id)).toContain('lid-inverted')
    const keeps = judged(made('CL-D13', PLY, { sillMm: 200 })).checks.find((c) => c.id === 'keeps-out')!
    expect([keeps.title, keeps.verdict]).not.toEqual(['Watertight', 'holds'])
  })
})

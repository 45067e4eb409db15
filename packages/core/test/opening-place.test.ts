import { describe, expect, it } from 'vitest'
import { ALONE, withChange } from '../src'
import { turnedOver } from '../src/drawing/mirror'
import { opening } from '../src/kinds/opening'
import { box, zone, part, on, check, other, openingFit as made } from './opening-hands'

/** What stands round an opening, in the words of those who lie under it with a lamp. */
describe('under the cut', () => {
  it.each([
    ['nothing is drawn there', [], 'holds', 'Nothing is drawn under the cut'],
    [
      'a cable',
      [
        part({
          kind: 'cable',
          title: 'Bow light cable',
          x0Mm: 300,
          x1Mm: 6000,
          y0Mm: 90,
          y1Mm: 90,
          belowMm: 30,
        }),
      ],
      'tight',
      'bow light cable 30 mm under it: moved aside or guarded before the saw',
    ],
    [
      'a headliner',
      [part({ kind: 'headliner', title: 'Headliner', x0Mm: 1000, x1Mm: 3000, y0Mm: -500, y1Mm: 500 })],
      'holds',
      'headliner: cut with it, or taken down first',
    ],
    [
      'a tank beside it',
      [part({ kind: 'tank', title: 'Water tank', x0Mm: 2600, x1Mm: 3200, y0Mm: -300, y1Mm: 300 })],
      'holds',
      'Nothing is drawn',
    ],
  ])('%s', (_, parts, verdict, words) => {
    const c = check(made('CL-H52'), 'room-below', on({ parts }))!
    expect([c.verdict, c.because]).toEqual([verdict, expect.stringContaining(words)])
    expect(c.because).toContain('Reach from below: lying on the port bunk, one arm.')
  })
})
describe('beside it and over it', () => {
  it('its flange is not laid over another fitting; one on the deck below is not in its way', () => {
    const a = on({ others: [other('Bitt', 2200, 0), other('Keel bolt', 2000, 0, -300)] })
    expect(check(made('CL-H52'), 'room-neighbours', a)).toMatchObject({
      verdict: 'short',
      because: 'Its flange lies where Bitt stands: another place for one of them.',
    })
    expect(check(made('CL-H52'), 'room-neighbours', on({ others: [other('Bitt', 2700, 0)] }))).toBeUndefined()
  })
  it.each([
    ['forward', 'tight', 'Bitt'],
    ['aft', 'tight', 'lifts a lid that is hinged aft'],
    ['port', 'holds', 'over free deck'],
    ['starboard', 'tight', 'Cleat'],
  ])('hinged %s', (hingeSide, verdict, words) => {
    const a = on({ others: [other('Bitt', 1500, 0), other('Cleat', 2000, 480)] })
    const c = check(made('CL-H52', { 'lid.hingeSide': hingeSide, sea: 'foredeck' }), 'room-swing', a)!
    expect([c.verdict, c.because]).toEqual([verdict, expect.stringContaining(words)])
  })
  it('what is not hinged does not swing', () => {
    expect(check(made('CL-C70'), 'room-swing', on({}))).toBeUndefined()
  })
})
describe('a member that is cut', () => {
  const a = on({ parts: [part({ depthMm: 70 })] })
  const ring = { material: 'timber', widthMm: 40, thicknessMm: 30 }
  it.each([
    ['no carlin', null, 'short', 'There is no carlin'],
    ['carlins that are too slight', { widthMm: 15, depthMm: 70 }, 'short', '1050 mm² for 1100'],
    ['carlins that are shallower than it', { widthMm: 40, depthMm: 50 }, 'short', 'is 70 mm deep'],
    ['carlins as strong as it', { widthMm: 20, depthMm: 70 }, 'holds', 'Let into the next members'],
  ])('%s', (_, carlin, verdict, words) => {
    const d = made('CL-H52', { cutMemberMm2: 1100, ring, carlin })
    const c = check(d, 'carlin', a)!
    expect([
      c.verdict,
      c.because.replace(/(\d) (\d{3})/g, '$1$2').replace(', 1050 mm²,', ', 1050 mm²'),
    ]).toEqual([verdict, expect.stringContaining(words)])
    expect(check(d, 'room-member', a)!.verdict).toBe(carlin ? 'tight' : 'short')
    expect(
      opening
        .steps(d, opening.judge(d, a), 'metric', { ticks: [] } as never)
        .some((s) => s.id === 'carlin-fit'),
    ).toBe(carlin !== null)
  })
  it('carlins are fitted before the saw, and stand in the parts', () => {
    const d = made('CL-H52', { cutMemberMm2: 1100, ring, carlin: { widthMm: 20, depthMm: 70 } })
    const j = opening.judge(d, a)
    const ids = opening.steps(d, j, 'metric', { ticks: [] } as never).map((s) => s.id)
    expect(ids.indexOf('carlin-fit')).toBeLessThan(ids.indexOf('cut-opening'))
    expect(opening.parts(d, j).find((p) => p.key.startsWith('carlin'))).toMatchObject({ quantity: 2 })
  })
})
describe('a watertight bulkhead', () => {
  const BULKHEAD = zone('bulkhead', {
    title: 'Collision bulkhead',
    atXMm: 2000,
    outline: box(-900, 900, -200, 1400),
  })
  const hole = (label: string, state: string, zMm: number) => ({
    label,
    state,
    zMm,
    xMm: 2000,
    yMm: 0,
    zone: 'here',
  })
  const gland = (more: Record<string, unknown> = {}) =>
    made('BS-G32', { 'gland.floodZMm': 300, ...more }, {
      kind: 'timber',
      timber: 'plywood',
      thicknessMm: 18,
    } as never)
  it.each([
    ['nothing else', [], 'holds', 'Nothing else is on record'],
    ['a shut one', [hole('P-1', 'in-service', 100)], 'holds', '1 more on record'],
    [
      'one that is only drilled',
      [hole('P-2', 'drilled', 100)],
      'short',
      'Open below where it floods to: P-2 (drilled)',
    ],
    ['one drilled above the flood', [hole('P-3', 'drilled', 900)], 'tight', 'Open above it: P-3'],
    ['one in doubt', [hole('P-4', 'suspect', 100)], 'tight', 'not proved tight: P-4 (suspect)'],
  ])('%s', (_, holes, verdict, words) => {
    const c = check(gland(), 'bulkhead-open', { ...ALONE, zones: [BULKHEAD], holes })!
    expect([c.verdict, c.because]).toEqual([verdict, expect.stringContaining(words)])
  })
  it('is asked of no deck', () => {
    expect(
      check(made('CL-H52'), 'bulkhead-open', on({ holes: [hole('P-2', 'drilled', 100)] })),
    ).toBeUndefined()
  })
  it('flooded behind, the boat trims by so much, and its pump takes its time', () => {
    const behind = { lengthMm: 1900, widthMm: 1600, heightMm: 900, side: 'forward', pumpLpm: 60 }
    const boat = { lengthMm: 11800, beamMm: 3800, displacementKg: 9000 }
    const a = { ...ALONE, zones: [BULKHEAD], boat }
    const j = opening.judge(gland({ 'gland.behind': behind }), a)
    // 1.9 · 1.6 · 0.9 m³, 0.95 of it, at 1025 kg/m³; 2736 l at half of 60 l/min
    expect(j.behind!.waterKg).toBeCloseTo(2736 * 0.95 * 1.025, 0)
    expect(j.behind!.pumpMinutes).toBeCloseTo((2736 * 0.95) / 30, 3)
    expect(j.behind!.bowMm).toBeGreaterThan(100)
    expect(j.behind!.sternMm).toBeLessThan(0)
    expect(j.checks.find((c) => c.id === 'gland-height')!.because).toMatch(
      /her bow \d+ mm lower and her stern \d+ mm higher/,
    )
    const aft = opening.judge(gland({ 'gland.behind': { ...behind, side: 'aft', pumpLpm: null } }), a)
    expect(aft.behind!.bowMm).toBeLessThan(j.behind!.bowMm!)
    expect(aft.behind!.pumpMinutes).toBeNull()
    expect(
      opening.judge(gland({ 'gland.behind': behind }), { ...a, boat: undefined }).behind!.bowMm,
    ).toBeNull()
  })
})
describe('its picture', () => {
  it('from inside is the same turned over, and has nothing to grab', () => {
    const d = made('CL-H52')
    const [plan, inside] = opening.drawings(d, opening.judge(d, on({})), 'metric').map((x) => x.drawing)
    expect(inside!.handles).toEqual([])
    expect(inside!.shapes).toHaveLength(plan!.shapes.length)
    expect(turnedOver(inside!, plan!.title, false).shapes).toEqual(plan!.shapes)
    const side = made('CL-P60F', { sea: 'topside' })
    const [from, back] = opening.drawings(side, opening.judge(side, on({})), 'metric').map((x) => x.drawing)
    expect(back!.bounds).toMatchObject({ minX: -from!.bounds.maxX, minY: from!.bounds.minY })
    expect(back!.title).toContain('bow right')
  })
  it('each edge can be grabbed, and a member that is near moves the opening the other way', () => {
    const d = made('CL-H52', { ring: { material: 'plywood', widthMm: 40, thicknessMm: 12 } })
    const a = on({ parts: [part({ x0Mm: 2300, x1Mm: 2300 })] })
    const handles = opening.drawings(d, opening.judge(d, a), 'metric')[0]!.drawing.handles!
    expect(handles.map((h) => h.path)).toEqual([
      'outline.lengthMm',
      'outline.widthMm',
      'outline.cornerMm',
      'frame.flangeMm',
      'frame.insetMm',
      'core.rakeMm',
      'ring.widthMm',
      'place.xMm',
    ])
    for (const h of handles.slice(0, -1)) {
      const grown = withChange(d, { [h.path]: h.value + h.per })
      const again = opening.drawings(grown, opening.judge(grown, a), 'metric')[0]!.drawing.handles!
      const now = again.find((x) => x.path === h.path)!
      // a millimetre of the hand is a millimetre of the edge
      expect([h.path, now.at[h.axis] - h.at[h.axis]]).toEqual([h.path, expect.closeTo(1, 6)])
    }
    expect(handles.at(-1)).toMatchObject({ label: 'room to the deck beam, aft', value: 2000, per: -1 })
  })
})

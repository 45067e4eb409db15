import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { areaRound } from '../src/kinds/closure/patches'
import { closure } from '../src/kinds/closure/kind'
import { holeClosure } from '../src/chapters/repair/hole-closure'
import { calculate } from '../src/base/calculator/calculator'
import { hullOf, roundAt } from '../src/base/geometry/hull'
import { withChange } from '../src/base/change'
import { judgedWithRemedies } from '../src/kinds/registry'
import { ALONE, type Around, type KindSpot, type Kind } from '../src/kinds/kind'
import { holeDecisions, nextSizeMm } from '../src/kinds/closure/choices'
import type { ClosureDesign } from '../src/kinds/closure/design'

const SPOT: KindSpot = {
  zone: 'bottom',
  xMm: 4000,
  yMm: 300,
  zMm: -300,
  structure: { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 6 },
  measured: ['thicknessMm'],
  edgeMm: null,
  belowWaterline: true,
  duty: 'coastal',
  zones: [],
}
const start = (more: Record<string, unknown> = {}, spot: Partial<KindSpot> = {}): ClosureDesign =>
  closure.schema.parse(
    withChange(closure.start(closure.catalogue[0]!, { ...SPOT, ...spot }, 'Old hole'), more),
  )
const judge = (d: ClosureDesign, a: Partial<Around> = {}) => closure.judge(d, { ...ALONE, ...a })
const of = (d: ClosureDesign, id: string, a: Partial<Around> = {}) =>
  judge(d, a).checks.find((c) => c.id === id)
const hole = (dxMm: number, holeMm = 10, label: string | null = null) => ({ label, dxMm, dyMm: 0, holeMm })
const CORED: KindSpot['structure'] = {
  kind: 'sandwich',
  skin: { laminate: 'mat' },
  outerMm: 3,
  innerMm: 2,
  core: { material: 'balsa-150', thicknessMm: 12 },
}

describe('one hole is closed as the calculator says', () => {
  it.each([
    ['one', 30, 12],
    ['both', 30, 12],
    ['one', 62, 20],
  ] as const)('%s side, %d mm, %d to one', (sides, holeMm, ratio) => {
    const d = start({ sides, ratio, 'holes.0.holeMm': holeMm })
    const out = calculate(holeClosure, { holeMm, thicknessMm: 6, ratio, sides, place: 'below' }) as {
      groundMm: number
      clothG: number
      resinG: number
      plies: unknown[]
    }
    const j = judge(d)
    expect(j.patches).toHaveLength(1)
    const s = j.patches[0]!.skins[0]!
    expect(s.groundMm).toBeCloseTo(out.groundMm, 9)
    expect(s.plies).toEqual(out.plies)
    expect(j.clothG).toBeCloseTo(out.clothG, 9)
    expect(j.resinG).toBeCloseTo(out.resinG, 9)
  })
  it('the place asks for the bevel: 12 below, 8 above, 20 where much is carried', () => {
    expect(judge(start()).ratio).toBe(12)
    expect(judge(start({ 'place.belowWaterline': false })).ratio).toBe(8)
    expect(judge(start({ highlyLoaded: true })).ratio).toBe(20)
  })
  it('from one side a backing disc goes in first, and is counted', () => {
    const open = judge(start())
    const shut = judge(start({ access: 'outside', sides: 'one' }))
    expect(shut.patches[0]!.skins[0]!.backingDiscMm).toBe(62)
    expect(shut.clothG).toBeGreaterThan(open.clothG)
    expect(
      closure.steps(start({ access: 'outside' }), shut, 'metric', { ticks: {} } as never).map((s) => s.id),
    ).toContain('backing')
  })
})

describe('holes whose bevels meet are one patch', () => {
  // reach 12 · 6 = 72 mm; two of 10 mm meet under a gap of 144, or 154 between middles
  it.each([
    [153.9, 1],
    [154.1, 2],
  ])('%d mm between middles: %d', (apart, patches) => {
    expect(judge(start({ holes: [hole(0), hole(apart)] })).patches).toHaveLength(patches)
  })
  it('a chain of neighbours is one patch, however far its ends', () => {
    const j = judge(start({ holes: [0, 100, 200, 300, 400].map((x) => hole(x)) }))
    expect(j.patches).toHaveLength(1)
    expect(j.patches[0]!.groundMm).toBeCloseTo(400 + 10 + 144, 9)
    // a strip, not a circle over it all
    expect(j.clothG).toBeLessThan(judge(start({ 'holes.0.holeMm': 410 })).clothG / 2)
  })
  it('never takes more cloth than the holes closed one by one, where they touch', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 8 }), fc.integer({ min: 12, max: 30 }), (n, pitch) => {
        const many = judge(start({ holes: Array.from({ length: n }, (_, i) => hole(i * pitch)) }))
        expect(many.clothG).toBeLessThan(n * judge(start({ 'holes.0.holeMm': 10 })).clothG)
      }),
      { numRuns: 30 },
    )
  })
  it('the area round its corners is the area of the line drawn', () => {
    const corners = hullOf(
      [hole(0), hole(80), { ...hole(40), dyMm: 60 }].map((h) => ({ xMm: h.dxMm, yMm: h.dyMm })),
    )
    const drawn = roundAt(corners, 25, 720)
    const shoelace = drawn.reduce((s, p, i) => {
      const q = drawn[(i + 1) % drawn.length]!
      return s + (p.x * q.y - q.x * p.y) / 2
    }, 0)
    expect(Math.abs(shoelace)).toBeCloseTo(areaRound(corners, 25), -1)
  })
})

describe('a cored panel is closed skin by skin', () => {
  it('both reached: each skin at its own bevel, solid between', () => {
    const j = judge(start({ structure: CORED, coreState: 'dry' }))
    const [outer, inner] = j.patches[0]!.skins
    expect(outer).toMatchObject({ id: 'outer', groundMm: 12 + 2 * 36 })
    expect(inner).toMatchObject({ id: 'inner', groundMm: 12 + 2 * 24 })
    expect(j.plugMl).toBeCloseTo(((Math.PI / 4) * 144 * 12) / 1000, 9)
  })
  it('from outside alone the outer skin is cut back to the inner one\u2019s bevel', () => {
    const j = judge(start({ structure: CORED, access: 'outside' }))
    const [outer, inner] = j.patches[0]!.skins
    expect(inner!.groundMm).toBe(60)
    expect(inner!.backingDiscMm).toBe(62)
    expect(outer!.holeMm).toBe(60)
    expect(outer!.groundMm).toBe(132)
    expect(outer!.backingDiscMm).toBeNull()
  })
  it.each([
    ['dry', 'holds'],
    ['wet', 'short'],
    ['unknown', 'unproven'],
  ])('core %s: %s', (coreState, verdict) => {
    expect(of(start({ structure: CORED, coreState }), 'core-state')!.verdict).toBe(verdict)
  })
})

describe('advice a fitter would give', () => {
  it.each([
    ['filled below the waterline', { way: 'fill' }, 'fill-only', 'short'],
    [
      'filled above, small',
      { way: 'fill', 'place.belowWaterline': false, 'holes.0.holeMm': 8 },
      'fill-only',
      'holds',
    ],
    [
      'filled above, wide',
      { way: 'fill', 'place.belowWaterline': false, 'holes.0.holeMm': 16 },
      'fill-only',
      'short',
    ],
    ['steep below', { ratio: 10 }, 'bevel', 'tight'],
    ['far too steep', { ratio: 5 }, 'bevel', 'short'],
    ['polyester below', { resin: 'polyester' }, 'resin', 'short'],
    ['epoxy', {}, 'resin', 'holds'],
    ['wide', { 'holes.0.holeMm': 180 }, 'surveyor', 'tight'],
    ['metal', { structure: { kind: 'metal', metal: 'mild-steel', thicknessMm: 5 } }, 'metal', 'unproven'],
    ['both sides, one reached', { sides: 'both', access: 'outside' }, 'access', 'short'],
    ['too cold', { tempC: -15 }, 'cures-here', 'short'],
  ])('%s', (_, change, id, verdict) => {
    expect(of(start(change), id)!.verdict).toBe(verdict)
  })
  const beside = {
    label: 'P-009',
    xMm: 4060,
    yMm: 300,
    diameterMm: 12,
    state: 'marked',
    zone: 'bottom',
    taken: false,
  }
  it('another hole within the bevel is short, and taking it into the job mends that', () => {
    const a = { ...ALONE, holes: [beside] }
    const d = start()
    expect(of(d, 'gap', a)).toMatchObject({ verdict: 'short' })
    const j = judgedWithRemedies(closure as unknown as Kind, d, a)
    const offered = j.checks.find((c) => c.id === 'gap')!.remedies
    const taken = offered.find((r) => r.id === 'take-in')!
    expect(taken.verdict).toBe('holds')
    const both = closure.schema.parse(withChange(d, taken.change))
    expect(both.holes[1]).toMatchObject({ label: 'P-009', dxMm: 60, holeMm: 12 })
    expect(judge(both, a).patches).toHaveLength(1)
  })
  it.each([
    ['closed already', { state: 'closed' }],
    ['on another face', { zone: 'foredeck' }],
    ['of the job itself', { label: 'P-001' }],
  ])('a hole that is %s has no say', (_, more) => {
    const d = start({ 'holes.0.label': 'P-001' })
    expect(of(d, 'gap', { holes: [{ ...beside, ...more }] })!.verdict).toBe('holds')
  })
  it('one that a fitting stands in is not offered', () => {
    const a = { ...ALONE, holes: [{ ...beside, taken: true }] }
    const j = judgedWithRemedies(closure as unknown as Kind, start(), a)
    expect(j.checks.find((c) => c.id === 'gap')!.remedies.map((r) => r.id)).not.toContain('take-in')
  })
  it('closes what is on record, and says so', () => {
    const d = start({ holes: [hole(0, 10, 'P-004'), hole(50)] })
    expect(closure.closes!(d)).toEqual(['P-004'])
    expect(closure.placed!(start(), { holeMm: 38, holeLabel: 'P-011' }).holes[0]).toMatchObject({
      label: 'P-011',
      holeMm: 38,
    })
  })
})

describe('what becomes of an old hole', () => {
  const dry = { structure: CORED, belowWaterline: false }
  const decided = (more: Record<string, unknown>, spot: Partial<KindSpot> = dry) =>
    holeDecisions(start(more, spot), 'metric')[0]!
  it.each([
    ['small and dry above the water', { coreState: 'dry', holes: [hole(0, 8)] }, dry, 'leave-filled', []],
    ['as wide as a plug may be', { coreState: 'dry', holes: [hole(0, 10)] }, dry, 'leave-filled', []],
    ['wider', { coreState: 'dry', holes: [hole(0, 10.1)] }, dry, 'close', ['leave-filled']],
    ['nobody has read the core', { coreState: 'unknown', holes: [hole(0, 8)] }, dry, 'close', []],
    ['wet', { coreState: 'wet', holes: [hole(0, 8)] }, dry, 'close', ['leave-filled', 'reuse', 'next-size']],
    ['below the water', { holes: [hole(0, 8)] }, {}, 'close', ['leave-filled']],
    [
      'much is carried',
      { highlyLoaded: true, coreState: 'dry', holes: [hole(0, 8)] },
      dry,
      'close',
      ['leave-filled'],
    ],
    [
      'torn',
      { family: 'torn', coreState: 'dry', holes: [hole(0, 8)] },
      dry,
      'close',
      ['leave-filled', 'reuse', 'next-size'],
    ],
    [
      'wider than any bolt',
      { coreState: 'dry', holes: [hole(0, 43)] },
      dry,
      'close',
      ['leave-filled', 'next-size'],
    ],
  ])('%s', (_, more, spot, advised, against) => {
    const q = decided(more, spot)
    expect([q.advised, [...q.against].sort()]).toEqual([advised, [...against].sort()])
    expect(q.because).toMatch(/^[A-Z].*\.$/)
    expect(q.against).not.toContain(q.advised)
  })
  it('what it was decided on is what would change the advice', () => {
    const on = (more: Record<string, unknown>) =>
      decided({ coreState: 'dry', holes: [hole(0, 8)], ...more }).on
    expect(on({})).not.toEqual(on({ coreState: 'wet' }))
    expect(on({})).not.toEqual(on({ highlyLoaded: true }))
    expect(on({})).not.toEqual(on({ holes: [hole(0, 9)] }))
  })
  it.each([
    [5, 5.5],
    // A clearance hole of M6 that has worn by a tenth is cut clean by the next but one.
    [6.5, 9],
    [9, 11],
    [21.6, 22],
    [21.7, null],
  ])('%d mm is bored to %s', (from, to) => expect(nextSizeMm(from)).toBe(to))
  it('each hole by its own label, or its place in the list', () => {
    const d = start({ holes: [hole(0, 8, 'P-009'), hole(900, 8)], family: 'holes' })
    expect(holeDecisions(d, 'metric').map((q) => q.about)).toEqual(['P-009', 'hole 2'])
  })
})

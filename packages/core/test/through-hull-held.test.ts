import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { calculate, toSvg, withChange, wrongHole, type WrongHole } from '../src'
import {
  tailInHole,
  throughHullWithRemedies,
  clockDial,
  kickPicture,
  offDeg,
  turnSaid,
} from '../src/kinds/through-hull'
import { seacockLoad } from '../src/chapters/hull/seacock-load'
import { NOBODY, finite, fit, judge, verdict } from './through-hull-hands'

describe('the worst way to be kicked', () => {
  const base = {
    heightMm: 120,
    method: 'through' as const,
    flangeMm: 110,
    boltCircleMm: 86,
    bolts: 4,
    size: 'M8',
    grade: 'A4-70',
    padMm: 20,
    hullMm: 14,
  }
  const load = (over: object = {}) => calculate(seacockLoad, { ...base, ...over } as never).bolts!

  it.each([3, 4, 5, 6, 12])(
    'of %i bolts the most pulled is the one in the list, and stands away from the kick',
    (bolts) => {
      const b = load({ bolts })
      expect(Math.max(...b.tensionsN)).toBe(b.maxTensionN)
      expect(b.tensionsN).toHaveLength(bolts)
      const most = (360 * b.tensionsN.indexOf(b.maxTensionN)) / bolts
      // The flange tips towards the kick, so what pulls most lies on the far side.
      expect(offDeg(most, b.worstAzimuthDeg)).toBeGreaterThanOrEqual(120)
      // What lies the way of the kick is pressed, not pulled.
      b.tensionsN.forEach((T, i) => offDeg((360 * i) / bolts, b.worstAzimuthDeg) < 30 && expect(T).toBe(0))
    },
  )
  it('property: more height or more load never pulls less, and pulls grow with them in proportion', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 300 }),
        fc.integer({ min: 3, max: 8 }),
        fc.double({ min: 1.1, max: 4, noNaN: true }),
        (heightMm, bolts, k) => {
          const [a, b] = [load({ heightMm, bolts }), load({ heightMm: heightMm * k, bolts })]
          expect(b.maxTensionN).toBeCloseTo(a.maxTensionN * k, 0)
          expect(load({ heightMm, bolts, loadN: 2224 * k }).shearN).toBeCloseTo(a.shearN * k, 6)
        },
      ),
      { numRuns: 25 },
    )
  })
  it('is drawn with each bolt\u2019s pull and an arrow that way; a bare nut has no bolts to draw', () => {
    const d = fit('MV-S114', { 'hold.method': 'through', 'hold.bolts': 4 })
    const j = judge(d)
    const p = kickPicture(d, j, 'metric')!
    expect(finite(p)).toBe(true)
    expect(toSvg(p)).not.toMatch(/NaN|undefined/)
    const b = j.kick!.bolts!
    expect(p.shapes.filter((s) => s.kind === 'disc')).toHaveLength(4)
    expect(p.shapes.filter((s) => s.kind === 'ring' && s.weight === 'load')).toHaveLength(
      b.tensionsN.filter((T) => T > 0).length,
    )
    const arrow = p.shapes.find((s) => s.kind === 'path' && s.role === 'kick')!
    const [from, to] = 'points' in arrow ? arrow.points : []
    expect(((Math.atan2(to!.y - from!.y, to!.x - from!.x) * 180) / Math.PI + 360) % 360).toBeCloseTo(
      b.worstAzimuthDeg,
      6,
    )
    for (const s of p.shapes)
      for (const q of s.kind === 'area' || s.kind === 'path' ? s.points : [])
        expect(
          q.x >= p.bounds.minX && q.x <= p.bounds.maxX && q.y >= p.bounds.minY && q.y <= p.bounds.maxY,
        ).toBe(true)
    expect(kickPicture(fit('MV-B1'), judge(fit('MV-B1')), 'metric')).toBeNull()
    expect(kickPicture(fit('MV-G25'), judge(fit('MV-G25')), 'inch')).toBeNull()
  })
  it('a bond that nobody has pulled is said to be an estimate, one that was measured is not', () => {
    const leans = (bondMPa: number) =>
      judge(fit('MV-S1', { 'hold.method': 'insert', 'pad.bondMPa': bondMPa })).checks.find(
        (c) => c.id === 'kick-bond-peel',
      )!.assumed
    expect(leans(12)).toEqual(['strength of the pad\u2019s bond'])
    expect(leans(9.5)).toEqual([])
  })
})

describe('a flange and its positions, as many as it has bolts', () => {
  const at = (measured: number, wanted: number, more: object = {}) =>
    fit('MV-S1', {
      'hold.bolts': 4,
      'clock.measuredDeg': measured,
      'clock.wantedDeg': wanted,
      'wedge.blocks': 'none',
      // Its pad is drilled: before, it goes on at any angle.
      existing: true,
      ...more,
    })
  it.each([
    [0, 0, 'holds'],
    [0, 90, 'holds'],
    [3, 270, 'holds'],
    [182, 270, 'holds'],
    [0, 45, 'tight'],
    [10, 90, 'tight'],
    [350, 85, 'holds'],
  ] as const)('stops at %i, wanted at %i: %s', (measured, wanted, v) => {
    expect(verdict(at(measured, wanted), 'clocked')).toBe(v)
  })
  it.each([
    [3, 120, 'holds', 'three'],
    [3, 90, 'tight', 'three'],
    [4, 90, 'holds', 'four'],
    [6, 60, 'holds', 'six'],
  ] as const)('%i bolts, stopped at 0 and wanted at %i: %s', (bolts, wanted, v, word) => {
    const d = at(0, wanted, { 'hold.bolts': bolts })
    expect(verdict(d, 'clocked')).toBe(v)
    expect(judge(d).clock!.positions.map((p) => p.azimuthDeg)).toEqual(
      Array.from({ length: bolts }, (_, k) => (360 * k) / bolts),
    )
    expect(turnSaid(d, judge(d), 'metric')).toContain(`in ${word} positions`)
  })
  it('one that is off takes the nearest of its positions as a remedy; a screwed valve is turned in its hole instead', () => {
    const remedies = (d: ReturnType<typeof fit>) =>
      throughHullWithRemedies(d, judge(d), NOBODY).checks.find((c) => c.id === 'clocked')!.remedies
    const flange = at(10, 60)
    expect(remedies(flange).map((r) => [r.text, r.verdict])).toEqual([
      ['the handle open at 100\u00b0', 'holds'],
    ])
    expect(verdict(withChange(flange, remedies(flange)[0]!.change), 'clocked')).toBe('holds')
    expect(
      remedies(fit('MV-B1', { 'clock.measuredDeg': 10, 'clock.wantedDeg': 60, 'wedge.blocks': 'none' })),
    ).toEqual([])
  })
  it('the same of a screwed valve is to be turned', () => {
    expect(
      verdict(
        fit('MV-B1', { 'clock.measuredDeg': 0, 'clock.wantedDeg': 90, 'wedge.blocks': 'none' }),
        'clocked',
      ),
    ).toBe('tight')
  })
  it('where a wall leaves no position free it says so', () => {
    const box = [
      [-60, -60, 60, -60],
      [60, -60, 60, 60],
      [60, 60, -60, 60],
      [-60, 60, -60, -60],
    ].map(([x1Mm, y1Mm, x2Mm, y2Mm]) => ({ x1Mm, y1Mm, x2Mm, y2Mm, what: 'box' }))
    const d = at(0, 45, { 'clock.obstacles': box })
    const j = judge(d)
    expect(j.clock!.bestDeg).toBeNull()
    expect(j.checks.find((c) => c.id === 'clocked')!.because).toContain('in none of them')
    expect(verdict(d, 'clocked')).toBe('short')
    expect(turnSaid(d, j, 'metric')).toContain('None is free')
    expect(toSvg(clockDial(d, j, 'inch')!)).not.toMatch(/NaN/)
  })
  it('property: azimuths a whole turn apart are the same', () => {
    fc.assert(
      fc.property(fc.integer({ min: -360, max: 720 }), fc.integer({ min: -360, max: 720 }), (a, b) => {
        expect(offDeg(a, b)).toBeCloseTo(offDeg(b, a), 9)
        expect(offDeg(a + 360, b)).toBeCloseTo(offDeg(a, b), 9)
        expect(offDeg(a, b)).toBeLessThanOrEqual(180)
        expect(offDeg(a, a)).toBe(0)
      }),
    )
  })
})

describe('the ways out of a wrong hole', () => {
  const d = fit('MV-S1')
  const ask = (over: Partial<WrongHole> = {}) =>
    wrongHole({ what: 'old', holeMm: 40, thicknessMm: 14, place: 'below', ...over }, tailInHole(d, 40))
  it.each([
    [{ place: 'above' as const }, 8],
    [{}, 12],
    [{ highlyLoaded: true }, 20],
    [{ ratio: 16 }, 16],
  ])('with %j the bevel is %i to one', (over, n) => {
    const a = ask(over)
    expect(a.closure.reachMm).toBeCloseTo(n * 7, 9)
    expect(a.ways[0]!.because).toContain(`Bevel ${n}:1`)
  })
  it('a bevel steeper than the place asks for is done, said, and never as good', () => {
    const a = ask({ ratio: 6 })
    expect(a.ways.find((w) => w.id === 'close')!.verdict).toBe('tight')
    expect(a.closure.cautions.map((c) => c.id)).toContain('steep-bevel')
    expect(
      wrongHole(
        { what: 'too-big', holeMm: 45, thicknessMm: 14, place: 'below', ratio: 6 },
        tailInHole(d, 45),
      ).ways.find((w) => w.id === 'refill')!.verdict,
    ).toBe('tight')
  })
  it('cloth and order are the fitter\u2019s, and go on record', () => {
    const [thin, thick] = [ask({ cloth: 'woven-200' }), ask({ cloth: 'mat-450', order: 'small-first' })]
    expect(thin.closure.pliesPerSide).toBeGreaterThan(thick.closure.pliesPerSide)
    expect(thin.closure.plies[0]!.diameterMm).toBeGreaterThan(thin.closure.plies[1]!.diameterMm)
    expect(thick.closure.plies[0]!.diameterMm).toBeLessThan(thick.closure.plies[1]!.diameterMm)
    expect(thick.ways[0]!.record).toMatch(/chopped mat 450.*smallest first/)
  })
  it('a thin skin, and one that is reached from one side, is ground from one side', () => {
    const sides = (over: Partial<WrongHole>) => new Set(ask(over).closure.plies.map((p) => p.side)).size
    expect([
      sides({}),
      sides({ thicknessMm: 6 }),
      sides({ singleAccess: true }),
      sides({ sides: 'one' }),
      sides({ thicknessMm: 6, sides: 'both' }),
      sides({ singleAccess: true, sides: 'both' }),
    ]).toEqual([2, 1, 1, 1, 2, 1])
    expect(ask({ singleAccess: true }).ways[0]!.steps[0]).toContain('backing disc')
  })
  it('two bevels that meet are one patch', () => {
    const a = ask({ gapToNextMm: 100, nextReachMm: 40 })
    expect(a.closure.fits).toBe(false)
    expect(a.closure.cautions.map((c) => c.id)).toContain('one-patch')
    expect(ask({ gapToNextMm: 200, nextReachMm: 40 }).closure.fits).toBe(true)
  })
  it('property: the ground ring never shrinks with the hole, the laminate or the bevel, and its largest disc reaches it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 140 }),
        fc.integer({ min: 3, max: 30 }),
        fc.integer({ min: 8, max: 30 }),
        (holeMm, thicknessMm, ratio) => {
          const a = ask({ holeMm, thicknessMm, ratio, sides: 'one' }).closure
          for (const more of [{ holeMm: holeMm + 1 }, { thicknessMm: thicknessMm + 1 }, { ratio: ratio + 1 }])
            expect(
              ask({ holeMm, thicknessMm, ratio, sides: 'one', ...more }).closure.groundMm,
            ).toBeGreaterThan(a.groundMm)
          expect(Math.max(...a.plies.map((p) => p.diameterMm))).toBeCloseTo(a.groundMm, 6)
        },
      ),
      { numRuns: 40 },
    )
  })
  it('a cored bottom filled is made solid in the same go', () => {
    const refill = wrongHole(
      { what: 'too-big', holeMm: 45, thicknessMm: 14, place: 'below', cored: true },
      tailInHole(d, 45),
    ).ways.find((w) => w.id === 'refill')!
    expect(refill.steps.join(' ')).toContain('1.5 flanges')
  })
})

import { describe, expect, it } from 'vitest'
import {
  catalogueEntry,
  goodForHere,
  goodForRose,
  goodForSaid,
  judge,
  startDesign,
  withChange,
  type Design,
} from '../src'

import { deckHardware as kind } from '../src/kinds/deck-hardware/kind'

/** One that is in the boat, with what nobody has seen of it (18.7). */
const start = startDesign(
  catalogueEntry('HG-C200')!,
  {
    zone: 'side deck',
    xMm: 4000,
    yMm: 900,
    zMm: 1000,
    edgeMm: 200,
    structure: {
      kind: 'sandwich',
      skin: { laminate: 'mat' },
      outerMm: 4,
      innerMm: 3,
      core: { material: 'balsa-150', thicknessMm: 12 },
    },
    measured: [],
    duty: 'coastal',
    belowWaterline: false,
  },
  'Old cleat',
)
const found = (unseen: Design['unseen']): Design => withChange(start, { existing: true, unseen })
const good = (d: Design) => goodForHere(d, judge(d))

describe('one that nobody has looked behind', () => {
  it('proves nothing, whatever is drawn behind it', () => {
    const c = judge(found(['plate', 'washer'])).checks.find((k) => k.id === 'unseen')!
    expect(c.verdict).toBe('unproven')
    expect(c.because).toContain('the backing plate, the washers')
    expect(judge(found([])).checks.map((k) => k.id)).not.toContain('unseen')
  })
  it('put on a hole that is there, everything behind it is unseen', () => {
    expect(kind.placed!(start, { holeMm: 9 })).toMatchObject({
      existing: true,
      unseen: ['plate', 'plug', 'washer'],
    })
    expect(kind.placed!(start, {})).toBe(start)
  })
  it('is good for something between the worst and the best, and each look narrows it', () => {
    const all = good(found(['plate', 'plug', 'washer']))
    const { worst, best } = all.out.least
    expect(worst!.loadN).toBeGreaterThan(0)
    expect(best!.loadN).toBeGreaterThan(worst!.loadN)
    for (const q of all.out.directions) expect(q.best.loadN!).toBeGreaterThanOrEqual(q.worst.loadN! - 1e-6)
    const gap = (u: Design['unseen']) => {
      const { least } = good(found(u)).out
      return least.best!.loadN - least.worst!.loadN
    }
    expect(gap([])).toBe(0)
    expect(all.look!.gapN).toBeCloseTo(
      Math.min(
        ...(['plate', 'plug', 'washer'] as const).map((u) =>
          gap((['plate', 'plug', 'washer'] as const).filter((x) => x !== u)),
        ),
      ),
      6,
    )
    expect(all.look!.gapN).toBeLessThanOrEqual(best!.loadN - worst!.loadN + 1e-6)
  })
  it('says whether it holds whatever lies behind, never, or hangs on a look', () => {
    const asked = (ratedN: number) =>
      good(
        withChange(found(['plate', 'plug', 'washer']), {
          load: { basis: 'rated', ratedN, elevationDeg: 0, azimuthDeg: 0 },
        }),
      )
    const at = (ratedN: number) => asked(ratedN).verdict
    const { directions } = asked(1000).out
    const aft = directions.find((q) => q.azimuthDeg === 0)!
    expect(at(0.5 * aft.worst.loadN!)).toBe('holds')
    expect(at(0.5 * (aft.worst.loadN! + aft.best.loadN!))).toBe('unproven')
    expect(at(3 * aft.best.loadN!)).toBe('short')
  })
  it('is drawn with aft below and starboard to the right, and said without a figure that is none', () => {
    const g = good(found(['plate']))
    const rose = goodForRose(g, 'inch')
    const path = rose.shapes.find((s) => s.kind === 'path' && s.role === 'worst')!
    if (path.kind !== 'path') throw new Error('no rose')
    const i = (deg: number) => g.out.directions.findIndex((q) => q.azimuthDeg === deg)
    expect(path.points[i(0)]!.y).toBeLessThan(0)
    expect(path.points[i(90)]!.x).toBeGreaterThan(0)
    expect(path.points).toHaveLength(g.out.directions.length + 1)
    expect(goodForSaid(g, 'inch')).toBe(goodForSaid(g, 'inch').replace(/NaN|undefined|null/g, ''))
    expect(goodForSaid(g, 'inch')).toMatch(
      /^Good for at least .+ lbf and at most .+ lbf, weakest towards \d+/,
    )
  })
})

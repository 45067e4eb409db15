import { describe, expect, it } from 'vitest'
import {
  goodForHere,
  goodForRose,
  goodForSaid,
  judge,
  oldHolesNear,
  oldHolesSaid,
  overOld,
  overOldDrawing,
  overOldSaid,
  partsOf,
  stepsOf,
  withChange,
  type Design,
} from '../src'

import { deckFit } from './deck-hands'
import { deckHardware as kind } from '../src/kinds/deck-hardware/kind'

/** One that is in the boat, with what nobody has seen of it (18.7). */
const start = deckFit('HG-C200')
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
  it('is drawn with bow to the left and starboard up, as the pattern is, and said without a figure that is none', () => {
    const g = good(found(['plate']))
    const rose = goodForRose(g, 'inch')
    const path = rose.shapes.find((s) => s.kind === 'path' && s.role === 'worst')!
    if (path.kind !== 'path') throw new Error('no rose')
    const i = (deg: number) => g.out.directions.findIndex((q) => q.azimuthDeg === deg)
    expect(path.points[i(0)]!.x).toBeGreaterThan(0)
    expect(path.points[i(90)]!.y).toBeGreaterThan(0)
    expect(path.points).toHaveLength(g.out.directions.length + 1)
    expect(goodForSaid(g, 'inch')).toBe(goodForSaid(g, 'inch').replace(/NaN|undefined|null/g, ''))
    expect(goodForSaid(g, 'inch')).toMatch(
      /^Good for at least .+ lbf and at most .+ lbf, weakest towards (forward|aft|port|starboard)/,
    )
  })
})

describe('a new pattern over what stood there', () => {
  const d = withChange(start, { 'place.zone': 'side deck' })
  const bolt = d.bolts[0]!
  const row = (label: string, dx: number, dy: number, more: object = {}) => ({
    label,
    xMm: d.place.xMm + bolt.xMm + dx,
    yMm: d.place.yMm + bolt.yMm + dy,
    diameterMm: 8,
    acrossMm: null,
    directionDeg: null,
    state: 'in-service' as const,
    zoneCode: 'side deck',
    withdrawnWhy: null,
    ...more,
  })
  const j = judge(d)
  it('knows only holes of the same surface, near the base, that count', () => {
    const all = [
      row('P-001', 12, 0),
      row('P-002', 500, 0),
      row('P-003', 12, 0, { zoneCode: 'roof' }),
      row('P-004', 12, 0, { withdrawnWhy: 'twice' }),
    ]
    expect(oldHolesNear(d, all).map((h) => h.label)).toEqual(['P-001'])
    expect(overOld(d, j, all.slice(1))).toBeNull()
  })
  it('an open hole in the way is closed first, drilled beside by a guide, and a move clears it', () => {
    const o = overOld(d, j, [row('P-001', 14, 0)])!
    expect(o.out.allClear).toBe(false)
    expect(oldHolesSaid(o, 'metric')[0]).toMatchObject({
      label: 'P-001',
      wrong: true,
      close: 'close it first',
    })
    expect(overOldSaid(o, 'metric')).toMatch(/^Close P-001 first.*least move that clears them all\.$/)
    const { xMm, yMm, turnDeg } = o.out.suggestion!
    expect(turnDeg).toBe(0)
    const there = withChange(d, { 'place.xMm': d.place.xMm + xMm, 'place.yMm': d.place.yMm + yMm })
    expect(overOld(there, judge(there), [row('P-001', 14, 0)])!.out.allClear).toBe(true)
  })
  it('one filled, and an oval one along the boat, are taken as they are', () => {
    const o = overOld(d, j, [row('P-001', 0, 0, { diameterMm: 14, acrossMm: 8, directionDeg: 0 })])!
    expect(o.out.old[0]!.status).toBe('swallowed')
    const shapes = overOldDrawing(d, j, o, 'metric').shapes
    expect(shapes.some((s) => s.kind === 'text' && s.text === 'P-001')).toBe(true)
  })
})
describe('bedding it anew', () => {
  it('keeps the pattern: nothing is set out, the holes are bored over, bolts are new', () => {
    const d = withChange(start, { existing: true, job: 'rebed' })
    const ids = stepsOf(d, judge(d), 'metric').map((s) => s.id)
    expect(ids.slice(0, 4)).toEqual(['old-out', 'old-look', 'survey', 'ready-drill'])
    expect(ids).toEqual(
      expect.arrayContaining(['core-bore', 'core-fill', 'core-redrill', 'bed', 'leak-test']),
    )
    expect(ids).not.toContain('template')
    expect(ids).not.toContain('pilot')
    expect(partsOf(d, judge(d)).map((p) => p.key)).toContain('bolt')
  })
})

import { describe, expect, it } from 'vitest'
import { clearanceTo } from '../src/kinds/through-hull/lean'
import { fit, judge } from './through-hull-hands'

/** A fitting square to a sloped hull leans, and may foul what stands beside it (5.5). */
const wall = (atMm: number, what = 'bulkhead') => ({ what, x1Mm: -200, y1Mm: -atMm, x2Mm: 200, y2Mm: -atMm })
const at = (obstacles: object[], change: object = {}) =>
  judge(
    fit('MV-S1', { 'wedge.blocks': 'none', 'clock.obstacles': obstacles, ...change }, { deadriseDeg: 17 }),
  ).checks.find((c) => c.id === 'lean')

describe('room on the side to which it leans', () => {
  it('is measured along the lean, in a path as wide as what has to pass', () => {
    const inboard = { x: 0, y: -1 }
    expect(clearanceTo([wall(90)], inboard, 30)).toBeCloseTo(90, 9)
    expect(clearanceTo([wall(90), wall(60)], inboard, 30)).toBeCloseTo(60, 9)
    // Behind it, or beside the path, nothing is in the way.
    expect(clearanceTo([wall(-90)], inboard, 30)).toBeNull()
    expect(clearanceTo([{ x1Mm: 40, y1Mm: -90, x2Mm: 200, y2Mm: -90 }], inboard, 30)).toBeNull()
    // Of one that stands askew the near part within the path counts.
    expect(clearanceTo([{ x1Mm: -30, y1Mm: -120, x2Mm: 30, y2Mm: -60 }], inboard, 30)).toBeCloseTo(60, 9)
  })
  it('close by it is tight and wedges are offered; far off it holds; plumb nothing is asked', () => {
    expect(at([wall(60)])).toMatchObject({ verdict: 'tight' })
    expect(at([wall(60)])!.because).toContain('Wedges would make it plumb')
    expect(at([wall(600)])).toMatchObject({ verdict: 'holds' })
    expect(at([wall(60)], { 'wedge.blocks': 'both' })).toBeUndefined()
    expect(at([])).toBeUndefined()
  })
})

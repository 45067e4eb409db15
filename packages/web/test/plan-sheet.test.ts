import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ref } from 'vue'
import type { Units } from '@north-tide/core'
import { usePlanSheet } from '../src/places/boat/plan/sheet'
import { BOAT } from './plan-boat'

/** The boat on the sheet: what is pointed at there is what was drawn there. */
const sheetOf = (boat = BOAT, units: Units = 'metric', w = 900, h = 600) =>
  usePlanSheet(
    () => boat,
    () => units,
    ref(w),
    ref(h),
  )
const numbers = (path: string) => (path.match(/-?[\d.]+/g) ?? []).map(Number)

describe('the boat on the sheet', () => {
  it('a point goes there and back, whatever the size of the window', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 320, max: 2400 }),
        fc.integer({ min: 200, max: 1400 }),
        fc.integer({ min: 0, max: 9000 }),
        fc.integer({ min: -1500, max: 1500 }),
        (w, h, x, yz) => {
          const s = sheetOf(BOAT, 'metric', w, h)
          expect(s.back([s.X(x), s.Y(yz)]).xMm).toBeCloseTo(x, 6)
          expect(s.back([s.X(x), s.Y(yz)]).yMm).toBeCloseTo(yz, 6)
          expect(s.back([s.X(x), s.Z(yz)]).zMm).toBeCloseTo(yz, 6)
        },
      ),
    )
  })
  it('plan and profile stand apart, within the window, to one scale', () => {
    const s = sheetOf()
    expect(s.X(9000)).toBeLessThan(900)
    expect(s.Y(-1500)).toBeLessThan(s.Z(2400))
    expect(s.Z(-600)).toBeLessThan(600)
    expect((s.X(1000) - s.X(0)) / 1000).toBeCloseTo(s.scale.value)
    expect((s.Z(0) - s.Z(1000)) / 1000).toBeCloseTo(s.scale.value)
  })
  it.each([
    [0, 0],
    [1500, 750],
    [3000, 1500],
    [6000, 1400],
    [9000, 1300],
  ])('at %d mm she is half %d mm wide', (x, half) => expect(sheetOf().halfAt(x)).toBeCloseTo(half))
  it('past the last station her side goes on as it ended', () => {
    expect(sheetOf().halfAt(9600)).toBeCloseTo(1280)
  })
  it.each([
    ['under water', 4500, -300, { zone: 'bottom', yMm: 725, zMm: -300 }],
    ['above it', 4500, 400, { zone: 'topsides', yMm: 1450, zMm: 400 }],
  ])('a point of her side %s is known with how far out it lies', (_, x, z, spot) => {
    const s = sheetOf()
    const side = s.sideAt([s.X(x), s.Z(z)])!
    expect(side.spot).toEqual({ xMm: x, ...spot })
    expect(side.zone.code).toBe(spot.zone)
  })
  it.each([
    ['over the sheer', 4500, 1300],
    ['under the keel', 4500, -700],
    ['ahead of the stem', -100, 0],
    ['astern', 9100, 0],
  ])('%s there is no side', (_, x, z) => {
    const s = sheetOf()
    expect(s.sideAt([s.X(x), s.Z(z)])).toBeNull()
  })
  it('her lines begin at the stem, close, and hold no figure that is none', () => {
    const s = sheetOf()
    for (const line of [s.deckEdge.value, s.hull.value]) {
      expect(line).toMatch(/^M.*Z$/)
      expect(numbers(line).slice(0, 1)).toEqual([Number(s.X(0).toFixed(1))])
      expect(line).not.toMatch(/NaN|Infinity|undefined/)
    }
    expect(numbers(s.cabinPath.value)).toHaveLength(8)
    expect(sheetOf({ ...BOAT, zones: [] } as never).cabinPath.value).toBe('')
  })
  it.each<[Units, number, string[]]>([
    ['metric', 9000, ['0', '2', '4', '6', '8']],
    ['metric', 3200, ['0', '1', '2', '3']],
  ])('its ruler has round figures: %s, %d mm', (units, lengthMm, said) => {
    expect(sheetOf({ ...BOAT, lengthMm }, units).ruler.value.map((r) => r.text)).toEqual(said)
  })
  it('in inches the ruler goes by feet', () => {
    const { value } = sheetOf(BOAT, 'inch').ruler
    expect(value.map((r) => Math.round(r.x / 304.8))).toEqual([0, 4, 8, 12, 16, 20, 24, 28])
  })
})

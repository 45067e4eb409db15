import { beforeEach, describe, expect, it, vi } from 'vitest'
import { ref, shallowRef } from 'vue'
import { zoomIdentity } from 'd3-zoom'
import type { Sign } from '../src/places/boat/HoleLayer.vue'
import { usePointing } from '../src/places/boat/plan/pointing'
import { usePlanSheet } from '../src/places/boat/plan/sheet'
import type { BoatPicture } from '../src/types'
import { BOAT } from './plan-boat'

/** What is meant by a press or a key on the map. */
const HOLES = [
  { id: 7, xMm: 4000, yMm: 500 },
  { id: 8, xMm: 8000, yMm: -900 },
] as BoatPicture['holes']
const boat: BoatPicture = { ...BOAT, holes: HOLES }
const sheet = usePlanSheet(
  () => boat,
  () => 'metric',
  ref(900),
  ref(600),
)
const tell = { point: vi.fn(), side: vi.fn(), move: vi.fn(), place: vi.fn(), hole: vi.fn() }
const [zoomBy, reset] = [vi.fn(), vi.fn()]
beforeEach(() => vi.clearAllMocks())

function map(zoomed = zoomIdentity, cursor = { xMm: 4100, yMm: 400 }) {
  const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg')
  svg.getBoundingClientRect = () => ({ left: 100, top: 50 }) as DOMRect
  const signs = HOLES.map((h) => ({ id: h.id, x: sheet.X(h.xMm), y: sheet.Y(h.yMm) }) as Sign)
  const on = usePointing({
    boat: () => boat,
    cursor: () => cursor,
    svg: ref(svg),
    transform: shallowRef(zoomed),
    signs: ref(signs),
    sheet,
    zoomBy,
    reset,
    tell,
  })
  /** the page's own point over a place of the boat, so many pixels beside it */
  const over = (xMm: number, yMm: number, beside = 0) => {
    const [x, y] = zoomed.apply([sheet.X(xMm), sheet.Y(yMm)])
    return { clientX: x + 100 + beside, clientY: y + 50 } as MouseEvent
  }
  const press = (key: string, more = {}) => {
    const e = { key, target: svg, preventDefault: vi.fn(), ...more }
    on.key(e as unknown as KeyboardEvent)
    return e
  }
  return { ...on, over, press, svg }
}

describe('a press on the map', () => {
  it.each([
    ['as the whole boat lies there', zoomIdentity],
    ['moved and zoomed', zoomIdentity.translate(-300, 40).scale(3)],
  ])('opens the hole that it is near enough to, %s', (_what, zoomed) => {
    const m = map(zoomed)
    m.click(m.over(4000, 500, 13))
    expect(tell.hole).toHaveBeenCalledWith(7)
    expect(tell.place).not.toHaveBeenCalled()
  })
  it('past the aim of a thumb it is the place on the deck, to a whole millimetre', () => {
    const m = map()
    m.click(m.over(4000, 500, 15))
    expect(tell.hole).not.toHaveBeenCalled()
    const [p] = tell.place.mock.calls[0]!
    expect(Number.isInteger(p.xMm) && Number.isInteger(p.yMm)).toBe(true)
    expect(p.xMm).toBeGreaterThan(4000)
    expect(Math.abs(p.yMm - 500)).toBeLessThanOrEqual(1)
  })
  it('in the profile it is the side of the hull, under water the bottom', () => {
    const m = map()
    m.click({ clientX: sheet.X(5000) + 100, clientY: sheet.Z(-150) + 50 } as MouseEvent)
    expect(tell.place.mock.calls[0]![0]).toMatchObject({ zone: 'bottom' })
  })
})

describe('the keys of the map', () => {
  it.each([
    ['ArrowRight', {}, { xMm: 4150, yMm: 400 }],
    ['ArrowLeft', { shiftKey: true }, { xMm: 3600, yMm: 400 }],
    ['ArrowUp', {}, { xMm: 4100, yMm: 450 }],
    ['ArrowDown', { shiftKey: true }, { xMm: 4100, yMm: -100 }],
  ])('%s moves the cursor', (key, more, to) => {
    expect(map().press(key, more).preventDefault).toHaveBeenCalled()
    expect(tell.move).toHaveBeenCalledWith(to)
  })
  it('it never leaves the boat', () => {
    const m = map(zoomIdentity, { xMm: 8900, yMm: 1480 })
    m.press('ArrowRight', { shiftKey: true })
    m.press('ArrowUp', { shiftKey: true })
    expect(tell.move.mock.calls.map(([p]) => p)).toEqual([
      { xMm: 9000, yMm: 1480 },
      { xMm: 8900, yMm: 1500 },
    ])
  })
  it.each([
    ['+', 1.5],
    ['=', 1.5],
    ['-', 1 / 1.5],
  ])('%s zooms', (key, by) => {
    map().press(key)
    expect(zoomBy).toHaveBeenCalledWith(by)
  })
  it('0 shows the whole boat, o opens the nearest hole, Enter places', () => {
    const m = map()
    m.press('0')
    expect(reset).toHaveBeenCalledOnce()
    m.press('o')
    expect(tell.hole).toHaveBeenCalledWith(7)
    m.press('Enter')
    expect(tell.place).toHaveBeenCalledWith({ xMm: 4100, yMm: 400 })
  })
  it('Enter on a fitting is the fitting\u2019s, and another key is nobody\u2019s', () => {
    const m = map()
    expect(m.press('Enter', { target: document.body }).preventDefault).not.toHaveBeenCalled()
    expect(m.press('x').preventDefault).not.toHaveBeenCalled()
    expect(tell.place).not.toHaveBeenCalled()
  })
})

import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { zoomIdentity } from 'd3-zoom'
import HoleLayer, { type Sign } from '../src/places/boat/HoleLayer.vue'

/** Thousands of holes on the map: what a drag costs is how often they are drawn, so that is counted. */
const HOLES: Sign[] = Array.from({ length: 50 }, (_, i) => ({
  id: i,
  x: 10 * i,
  y: 5 * i,
  state: 'bedded',
  label: `P-${i}`,
}))
let drawn: [number, number][] = []
beforeEach(() => {
  drawn = []
  vi.useFakeTimers()
  vi.stubGlobal('requestAnimationFrame', (f: () => void) => setTimeout(f, 16))
  vi.stubGlobal('cancelAnimationFrame', (id: number) => clearTimeout(id))
  const context = new Proxy({} as Record<string, unknown>, {
    get: (of, name) =>
      name === 'drawImage'
        ? (_: unknown, x: number, y: number) => drawn.push([x, y])
        : (of[name as string] ?? vi.fn()),
    set: (of, name, v) => ((of[name as string] = v), true),
  })
  vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(context as never)
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})
async function layer() {
  const props = { signs: HOLES, size: 1, width: 800, height: 500, lit: null, labels: false }
  const w = mount(HoleLayer, { props: { ...props, transform: zoomIdentity } })
  vi.advanceTimersByTime(20)
  const first = drawn
  drawn = []
  const to = async (x: number, y: number, k = 1) => {
    await w.setProps({ transform: zoomIdentity.translate(x, y).scale(k) })
    vi.advanceTimersByTime(20)
    return { drawn: drawn.splice(0).length, moved: w.find('canvas').element.style.transform }
  }
  return { w, to, first }
}

describe('holes on the map', () => {
  it('are drawn once, also those a little beyond the edge', async () => {
    const l = await layer()
    expect(l.first.length).toBe(HOLES.length)
  })
  it('go along with a drag without being drawn again', async () => {
    const l = await layer()
    expect(await l.to(30, -12)).toEqual({ drawn: 0, moved: 'translate(30px, -12px)' })
    expect(await l.to(200, 90)).toEqual({ drawn: 0, moved: 'translate(200px, 90px)' })
  })
  it('are drawn anew where what was drawn ends, at another scale, and when the drag has come to rest', async () => {
    const l = await layer()
    expect(await l.to(241, 0)).toEqual({ drawn: HOLES.length, moved: '' })
    expect((await l.to(241, 0, 2)).drawn).toBeGreaterThan(0)
    expect((await l.to(250, 0, 2)).drawn).toBe(0)
    vi.advanceTimersByTime(300)
    expect([drawn.length > 0, l.w.find('canvas').element.style.transform]).toEqual([true, ''])
  })
  it('stand where the map came to rest', async () => {
    const l = await layer()
    const [x, y] = l.first[1]!
    await l.to(100, 40)
    vi.advanceTimersByTime(300)
    expect(drawn[1]).toEqual([x + 100, y + 40])
  })
  it('a layer that is gone draws nothing more', async () => {
    const l = await layer()
    await l.to(100, 40)
    l.w.unmount()
    vi.advanceTimersByTime(1000)
    expect([drawn, vi.getTimerCount()]).toEqual([[], 0])
  })
})

import { mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { useTurns } from '../src/pieces/turns'

/** A place of three parts, in a page whose frames are painted when the test says so. */
let frames: ((() => void) | undefined)[] = []
function paint() {
  const due = frames
  frames = []
  for (const f of due) f?.()
  vi.advanceTimersByTime(0)
}
const place = (last = 2) =>
  mount(
    defineComponent({
      setup() {
        const turn = useTurns(last)
        return () => h('p', String(turn.value))
      },
    }),
  )
beforeEach(() => {
  frames = []
  vi.useFakeTimers()
  vi.stubGlobal('requestAnimationFrame', (f: () => void) => frames.push(f))
  vi.stubGlobal('cancelAnimationFrame', (id: number) => delete frames[id - 1])
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('a place in turns', () => {
  it('shows its first part at once, and one more after each frame', async () => {
    const w = place()
    const seen = [w.text()]
    for (let i = 0; i < 4; i++) {
      paint()
      await w.vm.$nextTick()
      seen.push(w.text())
    }
    expect(seen).toEqual(['0', '1', '2', '2', '2'])
  })
  it('is whole also where nothing is painted', async () => {
    const w = place(3)
    vi.advanceTimersByTime(59)
    await w.vm.$nextTick()
    expect(w.text()).toBe('0')
    vi.advanceTimersByTime(180)
    await w.vm.$nextTick()
    expect(w.text()).toBe('3')
  })
  it('asks for nothing more when it has gone', () => {
    const w = place()
    w.unmount()
    paint()
    expect([frames.filter(Boolean).length, vi.getTimerCount()]).toEqual([0, 0])
  })
})

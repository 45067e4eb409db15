import { describe, expect, it, vi } from 'vitest'
import { nextTick, shallowRef } from 'vue'
import { typedAhead } from '../src/pieces/typed-ahead'

describe('what is typed before its field is there', () => {
  const page = () => {
    const field = shallowRef<{ focus: (words?: string) => void }>()
    const ahead = typedAhead(field)
    const key = (key: string, how: KeyboardEventInit = {}) => {
      const e = new KeyboardEvent('keydown', { key, cancelable: true, ...how })
      return { taken: ahead.takes(e), prevented: e.defaultPrevented }
    }
    const comes = async () => {
      const focus = vi.fn()
      field.value = { focus }
      await nextTick()
      return focus
    }
    return { ahead, key, comes }
  }
  it('goes into it when it comes, as it was corrected, and not to the page', async () => {
    const p = page()
    p.ahead.begin()
    for (const k of ['q', 'u', 'x', 'Backspace', ' ', 'n'])
      expect(p.key(k)).toEqual({ taken: true, prevented: true })
    expect(await p.comes()).toHaveBeenCalledExactlyOnceWith('qu n')
    expect(p.key('u')).toEqual({ taken: false, prevented: false })
  })
  it('is the page\u2019s where nobody asked for the field, or has left it again', async () => {
    const p = page()
    expect(p.key('u').taken).toBe(false)
    p.ahead.begin()
    p.key('q')
    p.key('Escape')
    expect(p.key('u').taken).toBe(false)
    expect(await p.comes()).not.toHaveBeenCalled()
  })
  it('leaves a chord and a key that types nothing to whoever has them', () => {
    const p = page()
    p.ahead.begin()
    expect([p.key('z', { ctrlKey: true }).taken, p.key('Tab').taken]).toEqual([false, false])
  })
  it('a field that is there is gone to at once', async () => {
    const p = page()
    const focus = await p.comes()
    p.ahead.begin()
    expect(focus).toHaveBeenCalledExactlyOnceWith()
  })
})

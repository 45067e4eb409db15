import { createPinia, setActivePinia } from 'pinia'
import { shallowRef } from 'vue'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { aroundOf } from '../src/state/kind-bench'

beforeEach(() => setActivePinia(createPinia()))
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllEnvs()
})

it.each([
  ['Pacific/Auckland', '2026-07-01T20:30:00Z', '2026-07-02'],
  ['America/Halifax', '2026-07-02T01:30:00Z', '2026-07-01'],
])('a bench judges by the day that it is where it is used: %s', (tz, now, day) => {
  vi.stubEnv('TZ', tz)
  vi.useFakeTimers({ toFake: ['Date'], now: new Date(now) })
  expect(aroundOf(shallowRef(null)).value.today).toBe(day)
})

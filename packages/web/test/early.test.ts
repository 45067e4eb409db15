import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { LAST_BOAT, LAST_IN, begin, wantedBoat } from '../src/state/early'

const place = vi.fn(async () => ({ template: '<p />' }))
const router = createRouter({
  history: createMemoryHistory(),
  routes: [
    { path: '/boat/:id?', name: 'boat', component: place },
    { path: '/register/:hole?', name: 'register', component: place },
    { path: '/bench/:id?', name: 'bench', component: place },
  ],
})
const at = (path: string) => router.resolve(path)
const frame = vi.fn(async () => ({}))
const paths = () => vi.mocked(fetch).mock.calls.map(([address]) => String(address))
beforeEach(() => {
  localStorage.clear()
  vi.clearAllMocks()
  // Nobody takes what is asked here: refused, it is not kept for the next.
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => new Response('{}', { status: 401 })),
  )
})
afterEach(() => vi.unstubAllGlobals())

describe('the boat that is wanted first', () => {
  it.each([
    ['/boat/tarn-runner', 'tarn-runner'],
    ['/register/16?boat=tarn-runner', 'tarn-runner'],
    ['/register/16', 'fulmars-reach'],
    // The number of a fitting is no boat.
    ['/bench/abc', 'fulmars-reach'],
    ['/boat', 'fulmars-reach'],
  ])('at %s is %s', (path, boat) => {
    localStorage.setItem(LAST_BOAT, 'fulmars-reach')
    expect(wantedBoat(at(path))).toBe(boat)
  })
  it('is none where none was open and the address names none', () => {
    expect(wantedBoat(at('/register'))).toBe('')
  })
})
describe('what is begun before it is known who asks', () => {
  it.each([[null], ['null']])('is nothing where nobody was in last (%s)', (last) => {
    if (last) localStorage.setItem(LAST_IN, last)
    begin(at('/boat/tarn-runner'), frame)
    expect([paths(), frame, place].map((x) => (Array.isArray(x) ? x.length : x.mock.calls.length))).toEqual([
      0, 0, 0,
    ])
  })
  it('is the frame, the place, the yard and the boat where somebody was', () => {
    localStorage.setItem(LAST_IN, '2')
    begin(at('/boat/tarn-runner'), frame)
    expect(frame).toHaveBeenCalledOnce()
    expect(place).toHaveBeenCalledOnce()
    // What the map is drawn from goes first.
    expect(paths()[0]).toBe('/api/boats/tarn-runner?holes=columns')
    expect(paths()).toContain('/api/yard-values')
    expect(new Set(paths()).size).toBe(paths().length)
  })
})

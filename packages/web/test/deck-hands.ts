import { createPinia, setActivePinia } from 'pinia'
import { flushPromises, mount } from '@vue/test-utils'
import { expect, vi } from 'vitest'
import type { Component } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import {
  CATALOGUE,
  catalogueEntry,
  spotFor,
  startDesign,
  withChange,
  type BoatZone,
  type Design,
} from '@north-tide/core'
import { useBench } from '../src/state/bench'
import { useBoats } from '../src/state/boats'
import { useSession } from '../src/state/session'
import { fieldOf } from './pick'
import { soon } from './soon'

export const FOREDECK: BoatZone = {
  code: 'foredeck',
  title: 'Foredeck',
  face: 'deck',
  kind: 'sandwich',
  zMm: 1600,
  stacking: 0,
  reach: '',
  state: '',
  outline: [
    { xMm: 300, yMm: -1200 },
    { xMm: 3100, yMm: -1200 },
    { xMm: 3100, yMm: 1200 },
    { xMm: 300, yMm: 1200 },
  ],
  layers: [
    { material: 'mat', thicknessMm: 4, measured: true, measuredBy: '' },
    { material: 'balsa-150', thicknessMm: 12, measured: true, measuredBy: '' },
    { material: 'mat', thicknessMm: 3, measured: false, measuredBy: '' },
  ],
} as never
export const BOAT = {
  id: 'b',
  name: 'Boat',
  duty: 'coastal',
  lengthMm: 9000,
  units: 'metric',
  zones: [FOREDECK],
  parts: [],
  holes: [] as object[],
  fittings: [],
  throughHulls: [],
  others: [],
  wet: {},
  stations: [],
}
/** A deck fitting of the catalogue on a cored foredeck. */
export const deck = (change: Record<string, unknown> = {}, id = CATALOGUE[0]!.id): Design => {
  const e = catalogueEntry(id)!
  return withChange(
    startDesign(e, spotFor(FOREDECK, { xMm: 1500, yMm: -500 }, e.bolts, 'coastal'), 'Fitting'),
    change,
  )
}
/** What the server answers, by the end of the address; the last that fits. */
export type Server = Record<string, unknown | ((body: unknown) => unknown)>
export function aboard(server: Server = {}, boat: object = {}) {
  localStorage.clear()
  setActivePinia(createPinia())
  const all: Server = {
    '/boats/b': { ...BOAT, ...boat },
    '/lots': [],
    '/readings': [],
    '/angles': { rows: [], answer: null, problem: null },
    '/photos': [],
    '/trends': { series: [] },
    ...server,
  }
  const calls: { method: string; url: string; body: unknown }[] = []
  vi.stubGlobal(
    'fetch',
    vi.fn(async (url: string, o?: RequestInit) => {
      const body: unknown = typeof o?.body === 'string' ? JSON.parse(o.body) : undefined
      calls.push({ method: o?.method ?? 'GET', url: String(url), body })
      const key = Object.keys(all)
        .filter((k) => String(url).split('?')[0]!.endsWith(k))
        .at(-1)
      const answer = key === undefined ? {} : all[key]
      const got = typeof answer === 'function' ? (answer as (b: unknown) => unknown)(body) : answer
      return got instanceof Response ? got : new Response(JSON.stringify(got))
    }),
  )
  useSession().account = { role: 'fitter', name: 'Tam', boats: {} } as never
  useBoats().picture = { ...BOAT, ...boat } as never
  return {
    calls,
    sent: (method: string, end: string) =>
      calls.filter((c) => c.method === method && c.url.endsWith(end)).at(-1)?.body as
        Record<string, unknown> | undefined,
  }
}
export const refusal = (status: number, error: object) => new Response(JSON.stringify({ error }), { status })

/** Any view, on the page, with hands to use it by its words. */
export async function shown(view: Component, props: Record<string, unknown> = {}) {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:all(.*)*', component: { template: '<i/>' } }],
  })
  const w = mount(view, { props, attachTo: document.body, global: { plugins: [router] } })
  await flushPromises()
  // Long columns come in pieces.
  await soon(() => expect(w.find('.given[aria-busy="true"]').exists()).toBe(false))
  const by = (label: string | RegExp) => {
    const l = w
      .findAll('label')
      .find((x) => (typeof label === 'string' ? x.text().startsWith(label) : label.test(x.text())))
    if (!l)
      throw new Error(
        `no label ${String(label)} among ${w
          .findAll('label')
          .map((x) => x.text())
          .join(' | ')}`,
      )
    const inner = l.find('input')
    return fieldOf(w, inner.exists() ? inner : w.find(`[id="${l.attributes('for')}"]`))
  }
  const button = (name: string | RegExp) => {
    const b = w
      .findAll('button')
      .find((x) =>
        typeof name === 'string'
          ? x.text() === name || x.attributes('aria-label') === name
          : name.test(x.text()),
      )
    if (!b)
      throw new Error(
        `no button ${String(name)} among ${w
          .findAll('button')
          .map((x) => x.text())
          .join(' | ')}`,
      )
    return b
  }
  return { w, by, button, router }
}
export async function onBench(
  view: Component,
  design: Design,
  props: Record<string, unknown> = {},
  more: object = {},
) {
  const bench = useBench()
  vi.mocked(fetch).mockImplementationOnce(
    async () =>
      new Response(
        JSON.stringify({
          id: 'f',
          boatId: 'b',
          version: 1,
          design,
          updatedBy: '',
          flags: [],
          stale: null,
          holes: [],
          recorded: false,
          planEdgeMm: null,
          ...more,
        }),
      ),
  )
  await bench.open('f')
  return { bench, ...(await shown(view, props)) }
}

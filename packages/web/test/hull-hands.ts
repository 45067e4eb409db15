import { createPinia, setActivePinia } from 'pinia'
import { flushPromises, mount } from '@vue/test-utils'
import { expect, vi } from 'vitest'
import type { Component } from 'vue'
import { createMemoryHistory, createRouter } from 'vue-router'
import { withChange, type LogLine, type Other } from '@north-tide/core'
import {
  throughHullEntry,
  parseThroughHull,
  startThroughHull,
  tailInHole,
  type ThroughHullDesign,
} from '@north-tide/core/through-hull'
import { useThroughHull } from '../src/state/through-hull'
import { useBoats } from '../src/state/boats'
import { useSession } from '../src/state/session'
import { fieldOf } from './pick'
import { soon } from './soon'

export const AROUND = { zones: [], parts: [], holes: [], others: [] }
/** A fitting through a hull of 14 mm at 17°, starboard, 420 mm under. */
export const fit = (change: Record<string, unknown> = {}, id = 'MV-S1'): ThroughHullDesign =>
  parseThroughHull(
    withChange(
      startThroughHull(
        throughHullEntry(id)!,
        {
          place: { zone: 'bottom', xMm: 5000, yMm: 400, zMm: -420, measuredFrom: [] },
          hull: {
            kind: 'solid',
            thicknessMm: 14,
            measured: true,
            how: 'plug',
            deadriseDeg: 17,
            slopeDeg: 0,
            angleMeasured: true,
            solidMm: null,
          },
          duty: 'coastal',
        },
        'Intake',
      ),
      change,
    ),
  )
export const LOTS = [
  {
    id: 3,
    code: 'E-1',
    title: 'Epoxy',
    chemistry: 'epoxy',
    kind: 'epoxy',
    openedOn: null,
    expiresOn: '2031-01-01',
    storedHot: false,
    quantity: null,
    unit: '',
    testedOn: null,
    testNote: '',
  },
  {
    id: 4,
    code: 'E-0',
    title: 'Epoxy, old',
    chemistry: 'epoxy',
    kind: 'epoxy',
    openedOn: null,
    expiresOn: '2020-01-01',
    storedHot: false,
    quantity: null,
    unit: '',
    testedOn: null,
    testNote: '',
  },
  {
    id: 5,
    code: 'S-1',
    title: 'Polysulfide',
    chemistry: 'polysulfide',
    kind: 'sealant',
    openedOn: null,
    expiresOn: '2031-01-01',
    storedHot: false,
    quantity: null,
    unit: '',
    testedOn: null,
    testNote: '',
  },
]
/** Stores of their own, a fitter at the bench, a server that knows lots and nothing else. */
export function atTheBench() {
  localStorage.clear()
  setActivePinia(createPinia())
  served = {}
  vi.stubGlobal(
    'fetch',
    vi.fn(
      async (url: string) =>
        new Response(
          JSON.stringify(
            String(url).endsWith('/lots')
              ? LOTS
              : String(url).endsWith('/photos')
                ? PHOTOS
                : String(url).split('?')[0]!.endsWith('/boats/b')
                  ? BOAT
                  : String(url).endsWith('/fittings/f')
                    ? served
                    : String(url).split('?')[0]!.endsWith('/trends')
                      ? { series: [] }
                      : {},
          ),
        ),
    ),
  )
  useSession().account = { role: 'fitter', name: 'Tam', boats: {} } as never
  useBoats().picture = BOAT as never
}
const PHOTOS = [
  {
    id: 4,
    subject: 'hole',
    subjectId: '7',
    caption: 'squeeze-out aft',
    who: 'Tam',
    takenAt: '2026-03-01T09:00:00Z',
  },
]
const BOAT = {
  id: 'b',
  name: 'Boat',
  duty: 'coastal',
  lengthMm: 9000,
  units: 'metric',
  zones: [],
  parts: [],
  holes: [],
  fittings: [],
  throughHulls: [],
  others: [],
}
/** What the server has of the one fitting. */
let served: object = {}
export interface Opening {
  log?: LogLine[]
  others?: Other[]
  holes?: { id: number; label: string }[]
  heelDeg?: number | null
  replacedBy?: string | null
}
/** A fitting as the store holds it once it is open. */
export async function opened(design: ThroughHullDesign, more: Opening = {}) {
  const throughHull = useThroughHull()
  served = {
    id: 'f',
    boatId: 'b',
    version: 1,
    design,
    updatedBy: '',
    others: [],
    log: [],
    holes: [],
    heelDeg: null,
    stale: null,
    replacedBy: null,
    recorded: false,
    ...more,
  }
  await throughHull.open('f')
  return throughHull
}
/** A page of the bench's tray, as it stands for a fitting. */
export async function page(view: Component, design: ThroughHullDesign, more: Opening = {}) {
  const throughHull = await opened(design, more)
  const act = vi.spyOn(throughHull, 'act').mockResolvedValue({} as never)
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:all(.*)*', component: { template: '<i/>' } }],
  })
  const takesBench = 'bench' in ((view as { props?: object }).props ?? {})
  const w = mount(view, {
    props: takesBench
      ? {
          bench: throughHull,
          // what the tray gives of this kind to the page about a wrong hole
          ...('fits' in (view as { props: object }).props
            ? {
                holeMm: design.boredMm,
                thicknessMm: design.hull.thicknessMm,
                cored: design.hull.kind === 'cored',
                below: design.place.zMm < 0,
                fits: (mm: number) => tailInHole(design, mm),
              }
            : {}),
        }
      : {},
    attachTo: document.body,
    global: { plugins: [router] },
  })
  await flushPromises()
  // Long columns come in pieces.
  await soon(() => expect(w.find('.given[aria-busy="true"]').exists()).toBe(false))
  const by = (label: string | RegExp) => {
    const l = w
      .findAll('label')
      .find((x) => (typeof label === 'string' ? x.text().startsWith(label) : label.test(x.text())))
    if (!l)
      throw new Error(
        `no label ${label} among ${w
          .findAll('label')
          .map((x) => x.text())
          .join(' | ')}`,
      )
    const inner = l.find('input')
    return fieldOf(w, inner.exists() ? inner : w.find(`[id="${l.attributes('for')}"]`))
  }
  const button = (name: string | RegExp) =>
    w
      .findAll('button')
      .find((b) =>
        typeof name === 'string'
          ? b.text() === name || b.attributes('aria-label') === name
          : name.test(b.text()),
      )!
  return { w, throughHull, act, by, button, router }
}

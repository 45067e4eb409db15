import type { Component } from 'vue'

/** What a kind of work adds to the screen: its bench, loaded when it is opened, and where it is found. */
export interface KindOnScreen {
  id: string
  /** one of it, in a list */
  title: string
  bench: () => Promise<{ default: Component }>
  /** where one of them is opened */
  to: (id: string) => string
}
const KINDS = new Map<string, KindOnScreen>()
export const showKind = (kind: KindOnScreen): void => void KINDS.set(kind.id, kind)
export const kindOnScreen = (id: string): KindOnScreen | null => KINDS.get(id) ?? null

showKind({
  id: 'deck-hardware',
  title: 'fitting',
  bench: () => import('./deck-hardware/BenchPlace.vue'),
  to: (id) => `/bench/${id}`,
})
showKind({
  id: 'through-hull',
  title: 'through the hull',
  bench: () => import('./through-hull/ThroughHullPlace.vue'),
  to: (id) => `/through-hulls/${id}`,
})
showKind({
  id: 'opening',
  title: 'opening',
  bench: () => import('./opening/OpeningPlace.vue'),
  to: (id) => `/bench/${id}`,
})

showKind({
  id: 'rig',
  title: 'chainplate',
  bench: () => import('./rig/RigPlace.vue'),
  to: (id) => `/bench/${id}`,
})
showKind({
  id: 'row',
  title: 'row',
  bench: () => import('./row/RowPlace.vue'),
  to: (id) => `/bench/${id}`,
})
showKind({
  id: 'closure',
  title: 'closing of holes',
  bench: () => import('./closure/ClosurePlace.vue'),
  to: (id) => `/bench/${id}`,
})

/** Where a fitting is opened, of whatever kind; a kind that is not known lies on the bench. */
export const benchOf = (f: { kind: string; id: string }): string =>
  kindOnScreen(f.kind)?.to(f.id) ?? `/bench/${f.id}`

import type { Component } from 'vue'
import type { WorkBench } from '../state/acts'

/** What a step is ticked on, away from its bench. */
export type WorkStore = WorkBench & { open: (id: string) => Promise<void> }

/** What a kind of work adds to the screen: its bench, loaded when it is opened, and where it is found. */
export interface KindOnScreen {
  id: string
  /** one of it, in a list */
  title: string
  bench: () => Promise<{ default: Component }>
  /** its work without its bench: for a tick in the plan */
  work?: () => Promise<WorkStore>
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
  work: async () => (await import('../state/bench')).useBench() as unknown as WorkStore,
  to: (id) => `/bench/${id}`,
})
showKind({
  id: 'through-hull',
  title: 'through the hull',
  bench: () => import('./through-hull/ThroughHullPlace.vue'),
  work: async () => (await import('../state/through-hull')).useThroughHull() as unknown as WorkStore,
  to: (id) => `/through-hulls/${id}`,
})
showKind({
  id: 'opening',
  title: 'opening',
  bench: () => import('./opening/OpeningPlace.vue'),
  work: async () => (await import('../state/opening')).useOpening() as unknown as WorkStore,
  to: (id) => `/bench/${id}`,
})

showKind({
  id: 'rig',
  title: 'chainplate',
  bench: () => import('./rig/RigPlace.vue'),
  work: async () => (await import('../state/rig')).useRig() as unknown as WorkStore,
  to: (id) => `/bench/${id}`,
})
showKind({
  id: 'row',
  title: 'row',
  bench: () => import('./row/RowPlace.vue'),
  work: async () => (await import('../state/row')).useRow() as unknown as WorkStore,
  to: (id) => `/bench/${id}`,
})
showKind({
  id: 'closure',
  title: 'closing of holes',
  bench: () => import('./closure/ClosurePlace.vue'),
  work: async () => (await import('../state/closure')).useClosure() as unknown as WorkStore,
  to: (id) => `/bench/${id}`,
})

/** Where a fitting is opened, of whatever kind; a kind that is not known lies on the bench. */
export const benchOf = (f: { kind: string; id: string }): string =>
  kindOnScreen(f.kind)?.to(f.id) ?? `/bench/${f.id}`

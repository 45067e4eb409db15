import type { RouteLocationResolved } from 'vue-router'
import { askEarly } from '../api'

/** who was in last on this device; `null` where he has signed out */
export const LAST_IN = 'north-tide:account'
export const LAST_BOAT = 'north-tide:boat'
/** The boat that an address is about, or else the one that was open last. */
export function wantedBoat(at: Pick<RouteLocationResolved, 'name' | 'params' | 'query'>): string {
  const { id } = at.params
  if (typeof id === 'string' && id && (at.name === 'boat' || at.name === 'survey')) return id
  // A label in the boat says which boat it stands in.
  if (typeof at.query.boat === 'string') return at.query.boat
  return localStorage.getItem(LAST_BOAT) ?? ''
}
/** Her picture, its holes column by column. */
export const boatPath = (id: string) => `/boats/${encodeURIComponent(id)}?holes=columns`
const OF_THE_YARD = ['/boats', '/today', '/yard-values', '/catalogue', '/habits', '/goods']

/** Where somebody was in last, all of it is begun before it is known whether he still is. */
export function begin(to: RouteLocationResolved, frame: () => Promise<unknown>): void {
  if ((localStorage.getItem(LAST_IN) ?? 'null') === 'null') return
  const programs = [frame, ...to.matched.map((r) => r.components?.default)]
  for (const load of programs)
    if (typeof load === 'function') void (load as () => Promise<unknown>)().catch(() => undefined)
  const boat = wantedBoat(to)
  // What the map is drawn from goes first: a browser asks some at a time.
  for (const path of [...(boat ? [boatPath(boat)] : []), ...OF_THE_YARD]) askEarly(path)
}

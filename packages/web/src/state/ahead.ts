import dayjs from 'dayjs'
import type { RouteRecordNormalized } from 'vue-router'
import type { BoatPicture } from '../types'

/**
 * What a fitter will want in the bilge, fetched while there is a line: today's steps with the cards of their
 * fittings, the looks that are due, holes that are suspect, photos small. The service worker keeps what is
 * fetched; here it is only asked for, one after the other, when nobody waits for anything else.
 */
const EVERY_MS = 60 * 60_000
const MOST_CARDS = 40
const MOST_HOLES = 60
const MOST_PHOTOS = 80
const fetched = new Map<string, number>()

interface Planned {
  plan: { days: { day: string; steps: { boatId?: string; fittingId: string }[] }[] }
}
const idle = () =>
  new Promise<void>((go) =>
    'requestIdleCallback' in window
      ? requestIdleCallback(() => go(), { timeout: 2000 })
      : setTimeout(go, 200),
  )
/** Beside the page's own asks: where it fails nothing is told, for nobody waits for it. */
async function ask<T>(path: string): Promise<T | null> {
  const r = await fetch(`/api${path}`, { credentials: 'same-origin' }).catch(() => null)
  return r?.ok && r.headers.get('Content-Type')?.includes('json') ? ((await r.json()) as T) : null
}

async function todaysFittings(): Promise<string[]> {
  const now = await ask<{ kept: Planned | null }>('/plan')
  const today = dayjs().format('YYYY-MM-DD')
  // The next day on which anybody works, where nobody does today.
  const day = now?.kept?.plan.days.find((d) => d.day >= today)
  return (day?.steps ?? []).map((s) => s.fittingId)
}
async function pathsOf(b: BoatPicture): Promise<string[]> {
  const here = new Set(b.fittings.map((f) => f.id))
  const today = (await todaysFittings()).filter((id) => here.has(id))
  const worst = b.fittings.filter((f) => f.verdict === 'short').map((f) => f.id)
  const suspect = b.holes.filter((h) => h.state === 'suspect').map((h) => h.id)
  const photos = (await ask<{ id: number }[]>(`/boats/${b.id}/photos`)) ?? []
  return [
    `/boats/${b.id}/watch`,
    ...[...new Set([...today, ...worst])].slice(0, MOST_CARDS).map((id) => `/fittings/${id}`),
    ...suspect.slice(0, MOST_HOLES).map((id) => `/penetrations/${id}`),
    ...photos.slice(-MOST_PHOTOS).map((p) => `/photos/${p.id}/small`),
  ]
}
export async function fetchAhead(b: BoatPicture): Promise<void> {
  // Without whoever keeps it, it would be asked for in vain.
  if (!navigator.serviceWorker?.controller) return
  if (Date.now() - (fetched.get(b.id) ?? 0) < EVERY_MS) return
  fetched.set(b.id, Date.now())
  await idle()
  for (const path of await pathsOf(b)) {
    await idle()
    if (!navigator.onLine) return
    await ask(path)
  }
}
/** The programs of the other places, so that the first press on one waits for none. */
export async function loadPlaces(
  routes: RouteRecordNormalized[],
  besides: (() => Promise<unknown>)[],
): Promise<void> {
  for (const load of [...besides, ...routes.map((r): unknown => r.components?.default)]) {
    await idle()
    // One that was gone to is no promise any more, but the place itself.
    if (typeof load === 'function') await (load as () => Promise<unknown>)().catch(() => null)
  }
}

/// <reference lib="webworker" />
import { createHandlerBoundToURL, cleanupOutdatedCaches, precacheAndRoute } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'

/**
 * The product without a line: its own pages and programs are kept whole; of the yard what was last seen, and
 * nothing that nobody looked at. What is written waits in the page's own keeping, not here.
 */
declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: { url: string; revision: string | null }[] }

/** `seen`: the page empties it when somebody else signs in, or whoever was in signs out. */
const SEEN = 'seen'
const SEEN_AT = 'X-Seen-At'
const MOST_KEPT = 600
/** A line that does not answer for so long is none, where there is something to show instead. */
const PATIENCE_MS = 8000
/** What changes as one looks, and what is a file to take away. */
const NOT_KEPT = /^\/api\/(tasks|backups|health|ready|feeds|instruments|session\/(join|link))|\.[a-z]{3,4}$/

cleanupOutdatedCaches()
precacheAndRoute(self.__WB_MANIFEST)
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/api\//] }))

const kept = (r: Response) =>
  r.status === 200 &&
  !r.headers.has('Content-Disposition') &&
  /^(application\/json|image\/)/.test(r.headers.get('Content-Type') ?? '')
/** The answer with the time at which it was one. */
async function stamped(r: Response): Promise<Response> {
  const headers = new Headers(r.headers)
  headers.set(SEEN_AT, new Date().toISOString())
  return new Response(await r.blob(), { status: r.status, headers })
}
async function keep(request: Request, answer: Response): Promise<void> {
  const cache = await caches.open(SEEN)
  // Taken out first: what was seen last stands last, and the oldest goes when it is too much.
  await cache.delete(request)
  await cache.put(request, await stamped(answer))
  const all = await cache.keys()
  await Promise.all(all.slice(0, Math.max(0, all.length - MOST_KEPT)).map((old) => cache.delete(old)))
}
const late = () => new Promise<null>((done) => setTimeout(() => done(null), PATIENCE_MS))

async function lineFirst(request: Request, wait: (p: Promise<unknown>) => void): Promise<Response> {
  const asked = fetch(request).then(
    (answer) => {
      // A full device keeps no more; what was asked for is shown all the same.
      if (kept(answer)) wait(keep(request, answer.clone()).catch(() => undefined))
      return answer
    },
    () => null,
  )
  const before = await caches.match(request, { cacheName: SEEN })
  if (!before) return (await asked) ?? Response.error()
  const answer = await Promise.race([asked, late()])
  return answer && ![502, 503, 504].includes(answer.status) ? answer : before
}
registerRoute(
  ({ url, request }) =>
    url.origin === self.location.origin &&
    url.pathname.startsWith('/api/') &&
    request.method === 'GET' &&
    !NOT_KEPT.test(url.pathname),
  ({ request, event }) => lineFirst(request, (p) => (event as ExtendableEvent).waitUntil(p)),
)

self.addEventListener('message', (e) => {
  if ((e.data as { type?: string } | null)?.type === 'SKIP_WAITING') void self.skipWaiting()
})

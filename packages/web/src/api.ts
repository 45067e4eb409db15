/** Answers of the server, and its refusals as they were said. */
export interface Refusal {
  code: string
  message: string
  path?: string
  gates?: { id: string; text: string }[]
  current?: unknown
}
export class ApiRefusal extends Error {
  constructor(
    readonly status: number,
    readonly refusal: Refusal,
  ) {
    super(refusal.message)
  }
}
/** The connection is gone: nothing was refused, and it is worth trying again. */
export class Offline extends Error {}

/** There is no line, and what was written waits on this device: it is done as far as its writer is asked. */
export class Waits extends Error {}

/** Something sent: `key` makes what arrives twice be done once. */
export interface Written {
  method: 'GET' | 'POST' | 'PUT' | 'DELETE'
  path: string
  body?: unknown
  key?: string | undefined
  /** when it was done, where that is not now */
  madeAt?: string
}
/** Who keeps what is written without a line. */
interface Keeper {
  /** whether it may wait */
  takes: (w: Written) => boolean
  /** keeps it, and throws, where others wait before it */
  before: (w: Written) => Promise<void>
  /** no answer came: keeps it, and throws */
  after: (w: Written) => Promise<never>
  /** whether the server answered, and when what it says was seen where that is not now */
  heard: (answered: boolean, seenAt: string | null) => void
}
let keeper: Keeper | null = null
export const keepWith = (k: Keeper) => void (keeper = k)

let signedOut = () => {}
/** Told whenever the server no longer knows who asks: the session has ended, wherever one happens to be. */
export const whenSignedOut = (told: () => void) => void (signedOut = told)

/** Past this a browser sends nothing of a page that is gone; what others send at the same time counts too. */
const MOST_KEPT_ALIVE = 12_000
/** What is written is on its way also when its page is reloaded or closed in that moment. */
const outlives = (method: Written['method'], body: RequestInit['body']) =>
  method !== 'GET' && (body == null || (typeof body === 'string' && body.length < MOST_KEPT_ALIVE))

/** JSON as a rule; a drawing's text and a form with files go as they are. */
function sent(body: unknown, key: string | undefined): RequestInit {
  const once: Record<string, string> = key === undefined ? {} : { 'Idempotency-Key': key }
  if (body === undefined) return { headers: once }
  if (body instanceof FormData) return { headers: once, body }
  if (body instanceof Blob) return { headers: { 'Content-Type': 'application/zip', ...once }, body }
  if (typeof body === 'string') return { headers: { 'Content-Type': 'text/plain', ...once }, body }
  return { headers: { 'Content-Type': 'application/json', ...once }, body: JSON.stringify(body) }
}

/** The first is still under way, so this one has no answer yet. */
const STILL_AT_IT = 'still-at-it'

/**
 * What the page will ask for first, asked while its programs are still on their way: neither waits for the
 * other. It is good for the first who asks within some seconds, and for nobody else.
 */
const EARLY_FOR_MS = 10_000
const early = new Map<string, { at: number; answer: Promise<unknown> }>()
export function askEarly(path: string): void {
  if (early.has(path)) return
  const answer = sendNow({ method: 'GET', path })
  early.set(path, { at: Date.now(), answer })
  // What is refused, or has no line, is asked for anew by whoever wants it.
  answer.catch(() => early.delete(path))
}
function takeEarly<T>(path: string): Promise<T> | null {
  const there = early.get(path)
  early.delete(path)
  return there && Date.now() - there.at < EARLY_FOR_MS ? (there.answer as Promise<T>) : null
}

/** With a key, what is sent again because no answer came is done once. What may wait does, without a line. */
export async function api<T>(
  method: Written['method'],
  path: string,
  body?: unknown,
  key?: string,
): Promise<T> {
  const w: Written = { method, path, body, key }
  const asked = method === 'GET' ? takeEarly<T>(path) : null
  if (asked) return asked
  if (!keeper?.takes(w)) return sendNow<T>(w)
  w.key ??= crypto.randomUUID()
  await keeper.before(w)
  try {
    return await sendNow<T>(w)
  } catch (error) {
    if (error instanceof Offline && !(error instanceof StillAtIt)) return keeper.after(w)
    throw error
  }
}
/** The first is under way; it is asked after again, and not kept. */
class StillAtIt extends Offline {}
export async function sendNow<T>({ method, path, body, key, madeAt }: Written): Promise<T> {
  let response: Response
  try {
    const asked = sent(body, key)
    if (madeAt) asked.headers = { ...(asked.headers as object), 'Made-At': madeAt }
    if (outlives(method, asked.body)) asked.keepalive = true
    response = await fetch(`/api${path}`, { method, credentials: 'same-origin', ...asked })
  } catch {
    keeper?.heard(false, null)
    throw new Offline('The server does not answer; what you typed is kept here')
  }
  const seen = response.headers.get('X-Seen-At')
  keeper?.heard(seen === null, seen)
  if (response.status === 204) return undefined as T
  const text = await response.text()
  let parsed: unknown = null
  try {
    parsed = text ? JSON.parse(text) : null
  } catch {
    parsed = null
  }
  if (response.ok) return parsed as T
  if (response.status === 503)
    throw new Offline('The database does not answer just now; what you typed is kept here')
  const refusal = (parsed as { error?: Refusal } | null)?.error ?? {
    code: 'unexpected',
    message: `The server answered ${response.status}`,
  }
  if (refusal.code === STILL_AT_IT) throw new StillAtIt(refusal.message)
  if (response.status === 401 && path !== '/session') signedOut()
  throw new ApiRefusal(response.status, refusal)
}

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

let signedOut = () => {}
/** Told whenever the server no longer knows who asks: the session has ended, wherever one happens to be. */
export const whenSignedOut = (told: () => void) => void (signedOut = told)

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

/** With a key, what is sent again because no answer came is done once. */
export async function api<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
  key?: string,
): Promise<T> {
  let response: Response
  try {
    response = await fetch(`/api${path}`, { method, credentials: 'same-origin', ...sent(body, key) })
  } catch {
    throw new Offline('The server does not answer; what you typed is kept here')
  }
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
  if (refusal.code === STILL_AT_IT) throw new Offline(refusal.message)
  if (response.status === 401 && path !== '/session') signedOut()
  throw new ApiRefusal(response.status, refusal)
}

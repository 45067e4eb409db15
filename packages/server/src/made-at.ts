import type { RequestHandler } from 'express'
import { ApiError } from './errors'

/** What says when it was done, and by which field. */
const TIMED: [RegExp, 'at' | 'takenAt'][] = [
  [/^\/fittings\/[^/]+\/(tick|log)$/, 'at'],
  [/^\/penetrations\/\d+\/events$/, 'at'],
  [/^\/boats\/[^/]+\/readings$/, 'takenAt'],
]
/**
 * `Made-At`: when something was done that was sent later, as its writer had no line. It stands where the body
 * says no time of its own; a clock that goes fast does not put it into the future. Not part of the body, so
 * that what is sent again is still the same thing.
 */
export const madeAt: RequestHandler = (req, _res, next) => {
  const said = req.get('Made-At')
  if (said === undefined || req.method !== 'POST') return next()
  const at = Date.parse(said)
  if (!Number.isFinite(at)) throw new ApiError(400, 'invalid-input', 'Made-At is a time, ISO 8601')
  const field = TIMED.find(([path]) => path.test(req.path))?.[1]
  const body = req.body as Record<string, unknown> | null | undefined
  if (field && body !== null && typeof body === 'object' && body[field] == null)
    body[field] = new Date(Math.min(at, Date.now())).toISOString()
  next()
}

import type { RequestHandler } from 'express'
import { everyValue, pathOf, type Met } from '@north-tide/core'
import { ApiError } from './errors'

// eslint-disable-next-line no-control-regex -- NUL is what is looked for
const UNKEEPABLE = /\u0000|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/
const sound = (text: string) => !UNKEEPABLE.test(text)
const refuse = (s: Met, message: string) => new ApiError(400, 'invalid-input', message, pathOf(s, 6))

/**
 * Refuses what no database keeps and no reader expects: NUL, half of a surrogate pair, nesting without
 * end. Whatever lies below is read by its schema.
 */
export function refuseUnsound(body: unknown): void {
  everyValue(body, (s) => {
    if (!sound(s.key)) throw refuse(s, 'A field is named with a character that cannot be kept')
    if (typeof s.value === 'string' && !sound(s.value))
      throw refuse(s, 'This text holds a character that cannot be kept (NUL, or half of a pair); take it out')
  })
}
export const soundBody: RequestHandler = (req, _res, next) => {
  // Of a box its words are looked at when it is open.
  if (req.body !== undefined && !Buffer.isBuffer(req.body)) refuseUnsound(req.body)
  next()
}
export const soundAddress: RequestHandler = (req, _res, next) => {
  let plain: string | null
  try {
    plain = decodeURIComponent(req.url)
  } catch {
    plain = null
  }
  next(
    plain === null || !sound(plain)
      ? new ApiError(404, 'not-found', 'There is nothing at this address')
      : undefined,
  )
}

import { z } from 'zod'
import { CalcError } from '@north-tide/core'
import { ApiError } from '../errors'

/** no boat that is kept here has a record from before */
const FIRST_RECORD = Date.UTC(1900, 0)
/** A time as it is sent: with its offset, and one that can be. */
export const moment = z.iso.datetime({ offset: true }).refine((t) => Date.parse(t) >= FIRST_RECORD, {
  message: 'That time lies before any record; one from 1900 on is accepted',
})
/** past this a version cannot be counted on any more; no record is changed so often */
export const MOST_VERSION = 2 ** 31 - 2
/** A design that is saved, with the version that it began from. */
export const savingDesign = z.strictObject({
  version: z.number().int().positive().max(MOST_VERSION),
  design: z.unknown(),
})

/** Reads what lies inside a body; what is wrong with it is named at its place in that body. */
export function within<T>(path: string, read: () => T): T {
  try {
    return read()
  } catch (error) {
    if (error instanceof CalcError)
      throw new CalcError(error.code, error.path ? `${path}.${error.path}` : path, error.message)
    throw error
  }
}
/** Somebody else was faster: both versions are shown, and nothing is lost. */
export const stale = (
  what: string,
  now: { version: number; updatedBy?: string | null },
  from: number,
  current: unknown,
) =>
  new ApiError(
    409,
    'stale',
    `${now.updatedBy ? `${now.updatedBy} changed ${what}` : `${what.charAt(0).toUpperCase()}${what.slice(1)} was changed`} meanwhile (version ${now.version}); yours started from version ${from}`,
    'version',
    { current },
  )

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i
/** Whether an id can be one of a fitting at all; the database takes no other. */
export const isUuid = (id: string) => UUID.test(id)

import { ApiError } from './errors'

const FULL = 'The disk of the database is full: nothing was saved. Make room, then send it once more'
/** What the database says, as far as it is somebody's mistake or will pass: one place for all doors (https://www.postgresql.org/docs/15/errcodes-appendix.html). */
const SAID: [code: RegExp, status: number, name: string, message: string][] = [
  [/^NT001$/, 409, 'archived', 'This boat was put away: she is read, and nothing is written in her any more'],
  [
    /^23505$/,
    409,
    'taken',
    'The same was made here at this moment by somebody else; look again, and send it once more if it is still wanted',
  ],
  [
    /^23503$/,
    409,
    'gone',
    'Something that this belongs to has been taken away meanwhile, or still hangs on it; look again',
  ],
  [/^23/, 400, 'invalid-input', 'This breaks a rule of the register; check the figures'],
  [
    /^22/,
    400,
    'invalid-input',
    'Something in it cannot be kept: a number or a time past what is possible, or a character that is none',
  ],
  [/^(40001|40P01|55P03)$/, 409, 'at-once', 'Two changed the same at this moment; send it once more'],
  [/^(53100|58030)$/, 507, 'full', FULL],
  [
    /^(53|57|08)/,
    503,
    'no-database',
    'The database does not answer just now; what you typed is kept here, and it is tried again',
  ],
]

interface Failed {
  name?: string
  message?: string
  code?: unknown
  original?: { code?: unknown }
  parent?: { code?: unknown }
}
const codeOf = (e: Failed): string => {
  const code = e.original?.code ?? e.parent?.code ?? e.code
  return typeof code === 'string' ? code : ''
}

/**
 * The refusal that an error of the database amounts to; null where it is no such error, or one that is our
 * own.
 */
export function refusalOf(error: unknown): ApiError | null {
  if (error === null || typeof error !== 'object') return null
  const code = codeOf(error)
  if (code === 'ENOSPC') return new ApiError(507, 'full', FULL)
  const said = /^[0-9A-Z]{5}$/.test(code) ? SAID.find(([c]) => c.test(code)) : undefined
  if (said) return new ApiError(said[1], said[2], said[3])
  const e = error as Failed
  if (/Connection|ECONN|terminat|shutting down|starting up/i.test(`${e.name} ${code} ${e.message}`))
    return new ApiError(503, 'no-database', SAID[6]![3])
  return null
}

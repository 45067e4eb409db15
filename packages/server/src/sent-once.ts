import { createHash } from 'node:crypto'
import type { RequestHandler, Response } from 'express'
import { QueryTypes, type Sequelize } from 'sequelize'
import { ApiError } from './errors'

/** Longer than this nobody still waits for an answer. */
const KEPT_DAYS = 7
/** The first has had time enough; if it has not answered by now, the server stopped under it. */
const STOPPED_S = 60
const KEY = /^[\w-]{8,80}$/

interface Kept {
  asked: string
  status: number | null
  body: unknown
  seconds: number
}

/** Makes the row that says this is under way; false where it is there already. */
async function begun(db: Sequelize, user: number, key: string, asked: string): Promise<boolean> {
  await db.query(`DELETE FROM sent_once WHERE at < now() - interval '${KEPT_DAYS} days'`)
  const rows = await db.query(
    `INSERT INTO sent_once (user_id, key, asked) VALUES (:user, :key, :asked)
     ON CONFLICT DO NOTHING RETURNING key`,
    { replacements: { user, key, asked }, type: QueryTypes.SELECT },
  )
  return rows.length > 0
}

/** The answer of the first, if it is the same and has one. */
async function answerOfFirst(db: Sequelize, user: number, key: string, asked: string) {
  const [first] = await db.query<Kept>(
    `SELECT asked, status, body, extract(epoch FROM now() - at)::float AS seconds FROM sent_once
     WHERE user_id = :user AND key = :key`,
    { replacements: { user, key }, type: QueryTypes.SELECT },
  )
  if (!first) throw new ApiError(409, 'still-at-it', 'This was just refused; send it again')
  if (first.asked !== asked)
    throw new ApiError(400, 'invalid-input', 'This key was given to something else before')
  if (first.status === null)
    throw first.seconds < STOPPED_S
      ? new ApiError(409, 'still-at-it', 'This is being kept already; wait a moment')
      : new ApiError(
          409,
          'unknown-outcome',
          'This was sent before and the server stopped in the middle. Look whether it was kept, and type it anew if not',
        )
  return { status: first.status, body: first.body }
}

/**
 * Keeps what is answered, also where nobody is left to hear it; a refusal is forgotten, so that what was
 * mended can be sent. Kept before it is said: whoever has heard the answer may send again at once.
 */
function keepAnswer(db: Sequelize, res: Response, user: number, key: string) {
  let body: unknown = null
  const json = res.json.bind(res)
  res.json = (b: unknown) => {
    body = b
    return json(b)
  }
  const end = res.end.bind(res) as (...a: unknown[]) => Response
  res.end = ((...a: unknown[]) => {
    const sql =
      res.statusCode < 400
        ? 'UPDATE sent_once SET status = :status, body = :body WHERE user_id = :user AND key = :key'
        : 'DELETE FROM sent_once WHERE user_id = :user AND key = :key'
    const replacements = { user, key, status: res.statusCode, body: JSON.stringify(body) }
    // Where it cannot be kept it is said all the same: the thing itself is done.
    db.query(sql, { replacements }).then(
      () => end(...a),
      () => end(...a),
    )
    return res
  }) as typeof res.end
}

/**
 * A POST with an Idempotency-Key is done once, however often it arrives: what comes again gets the first
 * one's answer. The key is the browser's own, of one account.
 */
export const sentOnce =
  (db: Sequelize): RequestHandler =>
  async (req, res, next) => {
    const key = req.get('Idempotency-Key')
    if (req.method !== 'POST' || key === undefined || !req.account) return next()
    if (!KEY.test(key))
      throw new ApiError(400, 'invalid-input', 'An Idempotency-Key has 8 to 80 letters, digits and dashes')
    const user = req.account.id
    const asked = createHash('sha256')
      .update(`${req.path} ${JSON.stringify(req.body ?? null)}`)
      .digest('hex')
    if (await begun(db, user, key, asked)) {
      keepAnswer(db, res, user, key)
      return next()
    }
    const first = await answerOfFirst(db, user, key, asked)
    res.status(first.status)
    if (first.body === null) res.end()
    else res.json(first.body)
  }

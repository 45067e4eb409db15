import connectPgSimple from 'connect-pg-simple'
import type { Request } from 'express'
import session, { type SessionData } from 'express-session'
import type { Logger } from 'pino'
import type pg from 'pg'
import { boatRoles } from './models'
import { present, type Account, type Person } from './services/access'

const SESSION_DAYS = 14
/** sessions past their end are taken away this often */
const PRUNE_SESSIONS_S = 15 * 60
/** a session's end is put off at most this often: not with every call */
const TOUCH_MS = 60 * 60_000
const MOST_TOUCHED = 10_000
/** A session that is not over, with whose it is; those of an earlier version kept the whole account. */
const WITH_PERSON = `
  SELECT s.sess, "User".id, "User".login, "User".name, "User".role, "User".left_on::text AS "leftOn", ${String(boatRoles.val)} AS boats
    FROM session s LEFT JOIN users "User" ON "User".id = COALESCE(s.sess->>'userId', s.sess->'account'->>'id')::int
   WHERE s.sid = $1 AND s.expire >= now()`

const readWith = new WeakMap<Request, Account | null>()
/** Who asks, as the accounts said when this very request read its session; null for nobody. */
export const whoAsked = (req: Request) => readWith.get(req) ?? null

type Row = { sess: SessionData } & (Person | { id: null })
/** Who is signed in stays so for a fortnight, in the database. */
export function sessions(secret: string, pool: pg.Pool, logger: Logger) {
  const PgStore = connectPgSimple(session)
  const store = new PgStore({
    pool,
    tableName: 'session',
    pruneSessionInterval: PRUNE_SESSIONS_S,
    errorLog: (...a: unknown[]) => logger.error(a),
  })
  const touch = store.touch.bind(store)
  const touched = new Map<string, number>()
  store.touch = (sid, of, done) => {
    const now = Date.now()
    if (now - (touched.get(sid) ?? 0) < TOUCH_MS) return done?.()
    if (touched.size > MOST_TOUCHED) touched.clear()
    touched.set(sid, now)
    touch(sid, of, done)
  }
  withPerson(store, pool)
  return session({
    name: 'north-tide',
    secret,
    resave: false,
    saveUninitialized: false,
    rolling: false,
    store,
    cookie: { httpOnly: true, sameSite: 'strict', secure: 'auto', maxAge: SESSION_DAYS * 86_400_000 },
  })
}
/** Every call asks for the session and for whose it is: both in one question. */
function withPerson(store: session.Store, pool: pg.Pool) {
  const person = new WeakMap<SessionData, Person>()
  store.get = (sid, done) => {
    pool.query<Row>(WITH_PERSON, [sid]).then(({ rows: [row] }) => {
      if (!row) return done(null)
      if (row.id !== null) person.set(row.sess, row)
      done(null, row.sess)
    }, done)
  }
  const create = store.createSession.bind(store)
  store.createSession = (req, sess) => {
    const of = person.get(sess as SessionData)
    if (of) readWith.set(req as Request, present(of))
    return create(req, sess)
  }
}

import { Router, type RequestHandler } from 'express'
import { rateLimit } from 'express-rate-limit'
import type { Sequelize } from 'sequelize'
import { CalcError } from '@north-tide/core'
import { describeCalculators } from '@north-tide/core/registry'
import { ask } from '../calc/pool'
import { ApiError } from '../errors'
import { DatabaseRateStore } from '../rate-store'

const WINDOW_MS = 60_000
export const ANONYMOUS_A_MINUTE = 30

/**
 * Every calculator over HTTP, without a boat. Whoever is signed in asks as often as he likes; anybody else
 * so many times a minute.
 */
export function calcRoutes(db: Sequelize, mostMs?: number): Router {
  const r = Router()
  const few: RequestHandler = rateLimit({
    windowMs: WINDOW_MS,
    limit: ANONYMOUS_A_MINUTE,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    store: new DatabaseRateStore(db, 'calc '),
    skip: (req) => req.account !== null,
    handler: (_req, _res, next) =>
      next(
        new ApiError(
          429,
          'too-many',
          `Without signing in ${ANONYMOUS_A_MINUTE} sums a minute are answered; wait a minute, or sign in`,
        ),
      ),
  })
  let described: string | null = null
  r.get('/calc', (_req, res) => {
    described ??= JSON.stringify({ calculators: describeCalculators() })
    res.type('json').send(described)
  })
  r.post('/calc/:name', few, async (req, res) => {
    const gone = new AbortController()
    res.on('close', () => gone.abort())
    const answer = await ask({ name: String(req.params.name), input: req.body }, gone.signal, mostMs)
    if (answer.ok) return void res.type('json').send(answer.json)
    const refused = new CalcError(answer.code, answer.path, answer.message)
    res.status(answer.code === 'unknown-calculator' ? 404 : 400).json(refused.toJSON())
  })
  return r
}

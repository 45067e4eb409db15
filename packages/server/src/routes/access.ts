import { Router, type Request, type RequestHandler } from 'express'
import type { Sequelize } from 'sequelize'
import { ApiError } from '../errors'
import { accountNamed, accountNow, signIn, type Account } from '../services/access'
import { DEMO_FITTER, isLoopback } from '../demo/accounts'
import { isEmpty, makeManager } from '../services/first'
import { today } from '../instruments/day'

declare module 'express-session' {
  interface SessionData {
    userId: number
    /** sessions of an earlier version kept the whole account; only who it was is read of it */
    account: Account
  }
}
declare module 'express-serve-static-core' {
  interface Request {
    /** who asks, as the accounts say now; null for nobody */
    account: Account | null
  }
}

/** Reads who asks anew for every request; a session of an account that is gone ends. */
export const whoAsks: RequestHandler = async (req, _res, next) => {
  const id = req.session.userId ?? req.session.account?.id
  req.account = id === undefined ? null : await accountNow(id)
  next()
}

/** From this machine itself, and through no proxy that stands before it. */
const fromHere = (req: Request) =>
  isLoopback(req.socket.remoteAddress ?? '') && req.headers['x-forwarded-for'] === undefined

export function accessRoutes(db: Sequelize, demo: boolean, limiter: RequestHandler): Router {
  const r = Router()
  const enter = (req: Parameters<RequestHandler>[0], account: Account) =>
    new Promise<void>((done, fail) =>
      req.session.regenerate((error) => {
        if (error) return fail(error as Error)
        req.session.userId = account.id
        req.session.save((e) => (e ? fail(e as Error) : done()))
      }),
    )
  r.get('/session', async (req, res) => {
    // A yard with nobody in it is opened once, by whoever sits at its machine.
    const first = req.account === null && fromHere(req) && (await isEmpty())
    res.json({ account: req.account, demo, ...(first ? { first } : {}) })
  })
  r.post('/session/first', limiter, async (req, res) => {
    if (!fromHere(req))
      throw new ApiError(403, 'forbidden', 'The first manager is made at the machine itself, or by a command')
    const made = await makeManager(db, req.body, true)
    const account = await accountNow(made.id)
    await enter(req, account!)
    res.status(201).json({ account, demo })
  })
  r.post('/session', limiter, async (req, res) => {
    const account = await signIn(req.body)
    await enter(req, account)
    res.json({ account, demo })
  })
  r.post('/session/demo', async (req, res) => {
    if (!demo) throw new ApiError(404, 'not-found', 'This is no demo')
    const account = await accountNamed(DEMO_FITTER.login, DEMO_FITTER.name)
    await enter(req, account)
    res.json({ account, demo })
  })
  r.delete('/session', (req, res, next) => {
    req.session.destroy((error) =>
      error ? next(error) : void res.clearCookie('north-tide').status(204).end(),
    )
  })
  r.get('/today', (_req, res) => {
    res.json(today(new Date()))
  })
  return r
}

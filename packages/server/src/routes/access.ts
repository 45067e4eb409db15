import { Router, type RequestHandler } from 'express'
import { ApiError } from '../errors'
import { accountNow, demoFitter, signIn, type Account } from '../services/access'
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

export function accessRoutes(demo: boolean, limiter: RequestHandler): Router {
  const r = Router()
  const enter = (req: Parameters<RequestHandler>[0], account: Account) =>
    new Promise<void>((done, fail) =>
      req.session.regenerate((error) => {
        if (error) return fail(error as Error)
        req.session.userId = account.id
        req.session.save((e) => (e ? fail(e as Error) : done()))
      }),
    )
  r.get('/session', (req, res) => {
    res.json({ account: req.account, demo })
  })
  r.post('/session', limiter, async (req, res) => {
    const account = await signIn(req.body)
    await enter(req, account)
    res.json({ account, demo })
  })
  r.post('/session/demo', async (req, res) => {
    if (!demo) throw new ApiError(404, 'not-found', 'This is no demo')
    const account = await demoFitter()
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

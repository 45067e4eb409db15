import { Router, type RequestHandler } from 'express'
import { ApiError } from '../errors'
import { demoFitter, signIn, type Account } from '../services/access'
import { today } from '../instruments/day'

declare module 'express-session' {
  interface SessionData {
    account: Account
  }
}

export function accessRoutes(demo: boolean, limiter: RequestHandler): Router {
  const r = Router()
  const enter = (req: Parameters<RequestHandler>[0], account: Account) =>
    new Promise<void>((done, fail) =>
      req.session.regenerate((error) => {
        if (error) return fail(error as Error)
        req.session.account = account
        req.session.save((e) => (e ? fail(e as Error) : done()))
      }),
    )
  r.get('/session', (req, res) => {
    res.json({ account: req.session.account ?? null, demo })
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
    req.session.destroy((error) => (error ? next(error) : void res.clearCookie('north-tide').status(204).end()))
  })
  r.get('/today', (_req, res) => {
    res.json(today(new Date()))
  })
  return r
}

import { Router, type Request, type RequestHandler } from 'express'
import type { Sequelize } from 'sequelize'
import { ApiError } from '../errors'
import { whoAsked } from '../session-store'
import { accountNamed, accountNow, signIn, type Account } from '../services/access'
import { DEMO_FITTER, isLoopback } from '../demo/accounts'
import {
  changePassword,
  invite,
  join,
  listPeople,
  resetLink,
  settlePerson,
  signOutEverywhere,
  wasHere,
  whoJoins,
} from '../services/accounts'
import { enterByLink, whatOpens } from '../services/boat-links'
import { isEmpty, makeManager } from '../services/first'
import { today } from '../instruments/day'
import { waysOfYard } from '../services/settings'

declare module 'express-session' {
  interface SessionData {
    userId: number
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
  req.account = whoAsked(req)
  if (req.account) await wasHere(req.account.id)
  next()
}

/** From this machine itself, and through no proxy that stands before it. */
const fromHere = (req: Request) =>
  isLoopback(req.socket.remoteAddress ?? '') && req.headers['x-forwarded-for'] === undefined

/** Who is in, and how his yard writes. */
const whoIsIn = async (account: Account | null, demo: boolean) => ({
  account,
  demo,
  ...(account ? { ways: await waysOfYard() } : {}),
})

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
    res.json({ ...(await whoIsIn(req.account, demo)), ...(first ? { first } : {}) })
  })
  r.post('/session/first', limiter, async (req, res) => {
    if (!fromHere(req))
      throw new ApiError(403, 'forbidden', 'The first manager is made at the machine itself, or by a command')
    const made = await makeManager(db, req.body, true)
    const account = await accountNow(made.id)
    await enter(req, account!)
    res.status(201).json(await whoIsIn(account, demo))
  })
  r.post('/session', limiter, async (req, res) => {
    const account = await signIn(req.body)
    await enter(req, account)
    res.json(await whoIsIn(account, demo))
  })
  r.post('/session/demo', async (req, res) => {
    if (!demo) throw new ApiError(404, 'not-found', 'This is no demo')
    const account = await accountNamed(DEMO_FITTER.login, DEMO_FITTER.name)
    await enter(req, account)
    res.json(await whoIsIn(account, demo))
  })
  r.get('/session/join/:secret', limiter, async (req, res) => {
    res.json(await whoJoins(String(req.params.secret)))
  })
  r.post('/session/join', limiter, async (req, res) => {
    const account = await join(req.body)
    await enter(req, account)
    res.status(201).json(await whoIsIn(account, demo))
  })
  r.get('/session/link/:secret', limiter, async (req, res) => {
    res.json(await whatOpens(String(req.params.secret)))
  })
  r.post('/session/link', limiter, async (req, res) => {
    const { account, boatId } = await enterByLink(req.body)
    await enter(req, account)
    res.status(201).json({ ...(await whoIsIn(account, demo)), boatId })
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

/** What somebody does with his own account, and the manager with everybody's. */
export function accountRoutes(limiter: RequestHandler): Router {
  const r = Router()
  r.put('/session/password', limiter, async (req, res) => {
    await changePassword(req.account!, req.body, req.sessionID)
    res.status(204).end()
  })
  r.delete('/sessions', async (req, res) => {
    await signOutEverywhere(req.account!)
    res.clearCookie('north-tide').status(204).end()
  })
  r.get('/people', async (req, res) => void res.json({ people: await listPeople(req.account!) }))
  r.post('/people', async (req, res) => void res.status(201).json(await invite(req.account!, req.body)))
  r.put(
    '/people/:person',
    async (req, res) =>
      void res.json({ people: await settlePerson(req.account!, Number(req.params.person), req.body) }),
  )
  r.post(
    '/people/:person/link',
    async (req, res) => void res.status(201).json(await resetLink(req.account!, Number(req.params.person))),
  )
  return r
}
/**
 * A write that a page of elsewhere sends with somebody's cookie is none of his. A browser says where it comes
 * from; what says nothing is no browser.
 */
export const sameOrigin: RequestHandler = (req, _res, next) => {
  if (['GET', 'HEAD', 'OPTIONS'].includes(req.method)) return next()
  const site = req.get('sec-fetch-site')
  const origin = req.get('origin')
  const elsewhere =
    (site !== undefined && site !== 'same-origin' && site !== 'none') ||
    (origin !== undefined && hostOf(origin) !== req.host)
  next(
    elsewhere ? new ApiError(403, 'elsewhere', 'A page of elsewhere sent this; nothing was done') : undefined,
  )
}
function hostOf(origin: string): string {
  try {
    return new URL(origin).host
  } catch {
    return ''
  }
}

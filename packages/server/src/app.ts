import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { randomBytes, randomUUID } from 'node:crypto'
import compression from 'compression'
import express, { type ErrorRequestHandler, type RequestHandler } from 'express'
import packedStatic from 'express-static-gzip'
import { rateLimit } from 'express-rate-limit'
import helmet from 'helmet'
import pg from 'pg'
import type { Logger } from 'pino'
import { pinoHttp, startTime } from 'pino-http'
import { QueryTypes, type Sequelize } from 'sequelize'
import { CalcError } from '@north-tide/core'
import { refusalInWords } from '@north-tide/core/refusal-words'
import { waitsHere } from './breath'
import { ApiError } from './errors'
import { DatabaseRateStore } from './rate-store'
import { PACKING } from './packed'
import { healthRoutes } from './routes/health'
import { accessRoutes, accountRoutes, sameOrigin, whoAsks } from './routes/access'
import { boatRoutes } from './routes/boats'
import { calcRoutes } from './routes/calc'
import { fittingRoutes } from './routes/fittings'
import { instrumentRoutes } from './routes/instruments'
import { feedRoutes, planRoutes } from './routes/plan'
import { registerRoutes } from './routes/register'
import { storeRoutes } from './routes/stores'
import { taskRoutes } from './routes/tasks'
import { watchRoutes } from './routes/watch'
import { surveyRoutes } from './routes/survey'
import { goodsRoutes } from './routes/goods'
import { closePaper } from './pdf/pool'
import { closeSolver } from './solver/pool'
import { closeCalc } from './calc/pool'
import { refusalOf } from './database-errors'
import { startWork } from './jobs/all'
import { madeAt } from './made-at'
import { sentOnce } from './sent-once'
import { sessions } from './session-store'
import { tookLong } from './slow'
import { soundAddress, soundBody } from './sound'

export interface AppOptions {
  db: Sequelize
  databaseUrl: string
  logger: Logger
  demo: boolean
  webFolder?: string | undefined
  signInLimit?: number
  /** how many proxies stand before it, whose word on address and TLS is taken; 0: none */
  trustProxy?: number
  /** whether its clock asks for backups and reminders; left out: it does */
  nights?: boolean
  /** how long one calculation may take */
  calcMs?: number
}

/** One secret for all servers on this database. */
async function sessionSecret(db: Sequelize): Promise<string> {
  await db.query(
    `INSERT INTO settings (key, value) VALUES ('session-secret', :v) ON CONFLICT (key) DO NOTHING`,
    { replacements: { v: randomBytes(32).toString('hex') } },
  )
  const [row] = await db.query<{ value: string }>(`SELECT value FROM settings WHERE key = 'session-secret'`, {
    type: QueryTypes.SELECT,
  })
  return row!.value
}

/** Addresses that the version before this had, answered for one version more. */
const OLD: [RegExp, string][] = [
  [/^\/below-catalogue(?=$|\?)/, '/through-hull-catalogue'],
  [/^\/(below|through-hulls)(?=\/)/, '/fittings'],
  [/^(\/boats\/[^/?]+)\/(below|through-hulls)\/import(?=$|\?)/, '$1/fittings/import?kind=through-hull'],
  [/^(\/boats\/[^/?]+)\/(below|through-hulls)(?=$|[/?])/, '$1/fittings'],
  [/^\/hull-goods(?=$|[/.?])/, '/goods'],
]
const oldAddress: RequestHandler = (req, _res, next) => {
  for (const [was, is] of OLD) req.url = req.url.replace(was, is)
  next()
}

/** Nothing is loaded from elsewhere, and nobody frames the product. */
const securityHeaders = () =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        // What is compiled ahead, as the plate solver's kernel, and nothing that a page makes up.
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        styleSrc: ["'self'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'self'"],
        frameAncestors: ["'none'"],
        formAction: ["'self'"],
      },
    },
    strictTransportSecurity: false,
  })

/** A dozen wrong passwords in five minutes are enough. */
const signInLimit = (o: AppOptions) =>
  rateLimit({
    windowMs: 5 * 60_000,
    limit: o.signInLimit ?? 12,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    store: new DatabaseRateStore(o.db),
    skipSuccessfulRequests: true,
    handler: (_req, _res, next) =>
      next(new ApiError(429, 'too-many', 'Too many tries; wait five minutes and try again', 'password')),
  })

/**
 * What the pages are made of never changes under its name. It was packed when it was built: to pack it for
 * each who asks would take longer than to read it.
 */
const assets = (webFolder: string) =>
  packedStatic(join(webFolder, 'assets'), {
    enableBrotli: true,
    orderPreference: ['br'],
    serveStatic: { immutable: true, maxAge: '1y', fallthrough: false },
  })
/** The built interface: its pages are one. */
function pages(app: express.Express, webFolder: string) {
  const page = join(webFolder, 'index.html')
  app.use(express.static(webFolder, { index: false }))
  app.get(/^(?!\/api).*/, (_req, res) => res.set('Cache-Control', 'no-cache').sendFile(page))
}

/** The address of a feed is its secret, and so is a link by which somebody comes in: no log holds them. */
const withoutSecret = (req: { url?: string }) => ({
  ...req,
  url: req.url
    ?.replace(/\/feeds\/[^/?]+\.ics/, '/feeds/[secret].ics')
    .replace(/\/(join|link|look)\/[\w-]{20,}/, '/$1/[secret]'),
})

const requestLog = (logger: Logger) =>
  pinoHttp({
    logger,
    redact: SECRETS,
    genReqId: () => randomUUID(),
    serializers: { req: withoutSecret },
    customLogLevel: (req, res, err) => {
      const ms = Date.now() - (res as unknown as Record<symbol, number>)[startTime]!
      tookLong('request', `${req.method} ${(req as express.Request).originalUrl}`, ms, String(req.id))
      return err || res.statusCode >= 500 ? 'error' : 'debug'
    },
  })

const json = express.json({ limit: '1mb', strict: false })
const LARGE = /^\/boats\/(import|[^/]+\/(outline|line)\.dxf)$|^\/(hardware\/outline\.dxf|passports\/check)$/
/** A whole boat and a drawing are larger than a form, and their routes read them themselves. */
const jsonBody: RequestHandler = (req, res, next) => (LARGE.test(req.path) ? next() : json(req, res, next))

/** What is answered is of whoever asks, and no proxy or browser keeps it for another. */
const privately: RequestHandler = (_req, res, next) => {
  res.set('Cache-Control', 'no-store')
  next()
}

export async function createApp(o: AppOptions) {
  const app = express()
  const webFolder = o.webFolder && existsSync(o.webFolder) ? o.webFolder : null
  app.disable('x-powered-by')
  if (o.trustProxy) app.set('trust proxy', o.trustProxy)
  app.use(securityHeaders())
  app.use(requestLog(o.logger))
  app.use(soundAddress)
  if (webFolder) app.use('/assets', assets(webFolder))
  app.use(compression(PACKING))
  app.use('/api', waitsHere, privately, jsonBody)
  app.use('/api', sameOrigin)
  app.use('/api', healthRoutes(o.db))
  app.use('/api', soundBody)
  app.use('/api', oldAddress)
  const pool = new pg.Pool({ connectionString: o.databaseUrl, max: 4 })
  pool.on('error', (error) => o.logger.error(error, 'session store'))
  app.use('/api', sessions(await sessionSecret(o.db), pool, o.logger))
  app.use('/api', whoAsks)
  const signedIn: RequestHandler = (req, _res, next) =>
    next(req.account ? undefined : new ApiError(401, 'signed-out', 'Sign in first'))
  const limiter = signInLimit(o)
  app.use('/api', accessRoutes(o.db, o.demo, limiter))
  app.use('/api', calcRoutes(o.db, o.calcMs))
  app.use('/api', feedRoutes())
  app.use(
    '/api',
    signedIn,
    sentOnce(o.db),
    madeAt,
    accountRoutes(limiter),
    boatRoutes(),
    surveyRoutes(),
    fittingRoutes(),
    goodsRoutes(),
    registerRoutes(),
    instrumentRoutes(),
    planRoutes(),
    storeRoutes(),
    watchRoutes(),
    taskRoutes(),
  )
  app.use('/api', (req, _res, next) =>
    next(new ApiError(404, 'not-found', `There is nothing at ${req.method} /api${req.path}`)),
  )

  if (webFolder) pages(app, webFolder)
  app.use(onError)
  const stopJobs = await startWork(o.databaseUrl, o.logger, o.nights)
  return {
    app,
    close: async () => {
      await stopJobs()
      await closePaper()
      await closeSolver()
      await closeCalc()
      await pool.end()
    },
  }
}

/** what a log must never hold: with it anybody could go on in somebody's session */
const SECRETS = ['req.headers.cookie', 'req.headers.authorization', 'res.headers["set-cookie"]']

const onError: ErrorRequestHandler = (error, req, res, next) => {
  if (res.headersSent) return next(error)
  const send = (
    status: number,
    code: string,
    message: string,
    path?: string,
    extra: Record<string, unknown> = {},
  ) => res.status(status).json({ error: { code, message, ...(path ? { path } : {}), ...extra } })
  if (error instanceof CalcError) return void res.status(400).json(refusalInWords(error).toJSON())
  if (error instanceof ApiError)
    return void send(error.status, error.code, error.message, error.path, error.extra)
  const http = error as { status?: number; type?: string }
  if (http.type === 'entity.parse.failed') return void send(400, 'invalid-input', 'This is no JSON')
  if (http.type === 'entity.too.large') return void send(413, 'too-large', 'More was sent than is read here')
  if (typeof http.status === 'number' && http.status >= 400 && http.status < 500)
    return void send(
      http.status,
      http.status === 404 ? 'not-found' : 'invalid-input',
      http.status === 404 ? 'There is nothing here' : 'This request cannot be read',
    )
  const refusal = refusalOf(error)
  if (refusal) {
    if (refusal.status >= 500) req.log.error({ err: error }, refusal.code)
    return void send(refusal.status, refusal.code, refusal.message)
  }
  req.log.error({ err: error }, 'unexpected')
  send(500, 'unexpected', `Something went wrong here (${String(req.id)}); nothing was saved`)
}

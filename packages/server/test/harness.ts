import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { pino, type Logger } from 'pino'
import { inject } from 'vitest'
import { createApp } from '../src/app'
import { connect } from '../src/db'
import { prepare, type Databases } from '../src/start'

const named = (url: string, database: string) => {
  const u = new URL(url)
  u.pathname = `/${database}`
  return u.toString()
}
/**
 * A fresh database on the tests' server, owned by the owner's role as npm start leaves it: with the demo
 * in it, or empty.
 */
export async function freshDatabase(
  name: string,
  from: 'demo' | 'nothing' = 'demo',
): Promise<Databases & { superUrl: string }> {
  const { url, ownerUrl, superUrl } = inject('databases')
  const admin = connect(superUrl)
  await admin.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`)
  await admin.query(`CREATE DATABASE ${name}${from === 'demo' ? ' TEMPLATE demo_yard' : ''}`)
  await admin.close()
  const own = { url: named(url, name), ownerUrl: named(ownerUrl, name), superUrl: named(superUrl, name) }
  // @ts-expect-error a plain script without types
  const { ensureDatabase } = await import('../../../bin/lib/roles.mjs')
  await ensureDatabase(own.superUrl)
  return own
}

/** What is started and killed is what is served: the compiled server, built from these sources. */
export async function compiledServer(): Promise<string> {
  // @ts-expect-error a plain script without types
  const { serverEntry } = await import('../../../bin/lib/build.mjs')
  return serverEntry('index') as string
}

interface Layer {
  route?: { path: string; methods: Record<string, boolean> }
  handle?: { stack?: Layer[] }
}
/** Every route that the application answers, as `GET /boats/:id`; so that no test forgets one. */
function routesOf(app: { router: unknown }): string[] {
  const walk = (stack: Layer[]): string[] =>
    stack.flatMap((l) =>
      l.route
        ? Object.keys(l.route.methods).map((m) => `${m.toUpperCase()} ${l.route!.path}`)
        : walk(l.handle?.stack ?? []),
    )
  return [...new Set(walk((app.router as { stack: Layer[] }).stack))]
}

/** The real application on a real database with the demo data, listening on a free port. */
export async function startApp(
  name: string,
  options: {
    signInLimit?: number
    calcMs?: number
    databases?: Databases
    logger?: Logger
    trustProxy?: number
    webFolder?: string
  } = {},
) {
  const databases = options.databases ?? (await freshDatabase(name))
  const { url } = databases
  const db = await prepare(databases, options.databases === undefined)
  const { app, close } = await createApp({
    db,
    databaseUrl: url,
    nights: false,
    logger: options.logger ?? pino({ level: 'silent' }),
    demo: true,
    signInLimit: options.signInLimit ?? 1000,
    ...(options.trustProxy === undefined ? {} : { trustProxy: options.trustProxy }),
    ...(options.webFolder === undefined ? {} : { webFolder: options.webFolder }),
    ...(options.calcMs === undefined ? {} : { calcMs: options.calcMs }),
  })
  const server: Server = createServer(app)
  // A connection that is given up in the moment in which somebody asks by it is no fault of what is tested.
  server.keepAliveTimeout = 0
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  return {
    base,
    db,
    url,
    databases,
    routes: routesOf(app),
    async stop() {
      server.closeAllConnections()
      await new Promise((done) => server.close(done))
      await close()
      await db.close()
    },
  }
}

export interface Answer<T = object> {
  status: number
  body: T & {
    error: {
      code: string
      path?: string
      message: string
      gates?: { id: string }[]
      current?: { version: number }
    }
  }
  headers: Headers
  text: string
}

/** Someone at a browser: keeps the cookie. */
export class Someone {
  cookie = ''
  constructor(private readonly base: string) {}
  async ask<T = object>(
    method: string,
    path: string,
    body?: unknown,
    raw?: string,
    key?: string,
  ): Promise<Answer<T>> {
    const r = await fetch(`${this.base}${path}`, {
      method,
      headers: {
        ...(this.cookie ? { cookie: this.cookie } : {}),
        ...(key === undefined ? {} : { 'Idempotency-Key': key }),
        ...(body !== undefined || raw !== undefined ? { 'content-type': 'application/json' } : {}),
      },
      ...(raw !== undefined ? { body: raw } : body !== undefined ? { body: JSON.stringify(body) } : {}),
    })
    const set = r.headers.get('set-cookie')
    if (set) this.cookie = set.split(';')[0]!
    const text = await r.text()
    let parsed: unknown = null
    try {
      parsed = JSON.parse(text)
    } catch {
      parsed = null
    }
    return { status: r.status, body: parsed as Answer<T>['body'], headers: r.headers, text }
  }
  async signIn(role: 'manager' | 'fitter' | 'apprentice' | 'owner' | 'surveyor') {
    const a = await this.ask('POST', '/api/session', { login: role, password: `tide-${role}` })
    if (a.status !== 200) throw new Error(`sign-in as ${role}: ${a.text}`)
    return this
  }
}

/** A running yard of its own for one file of tests, with its people at their browsers. */
export async function startYard(name: string) {
  const app = await startApp(name)
  const [fitter, apprentice, owner] = await Promise.all(
    (['fitter', 'apprentice', 'owner'] as const).map((role) => new Someone(app.base).signIn(role)),
  )
  return { app, fitter: fitter!, apprentice: apprentice!, owner: owner! }
}
export type Yard = Awaited<ReturnType<typeof startYard>>

/** Of a boat's fittings those of one kind. */
const ofKind = <F>(boat: { fittings: F[] }, kind: string): F[] =>
  boat.fittings.filter((f) => (f as { kind?: string }).kind === kind)
export const hullsOf = <F>(boat: { fittings: F[] }): F[] => ofKind(boat, 'through-hull')
export const deckOf = <F>(boat: { fittings: F[] }): F[] => ofKind(boat, 'deck-hardware')

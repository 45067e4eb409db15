#!/usr/bin/env node
// npm run two-of-each: two servers and two workers on one database behind a proxy, under load, one of each
// killed every ten seconds for five minutes (FOR_S). Nothing that was answered may be lost. Long; by hand.
import { spawn } from 'node:child_process'
import { request, createServer } from 'node:http'
import { serverEntry } from './lib/build.mjs'
import { at } from './lib/bench-yard.mjs'
import { ensurePackages, root } from './lib/packages.mjs'
import { startPostgres } from './lib/postgres.mjs'
import { freePort } from './lib/serve.mjs'

const FOR_S = Number(process.env.FOR_S ?? 300)
const EVERY_MS = 10_000
const SAVERS = 6
const FINDERS = 2
const sleep = (ms) => new Promise((next) => setTimeout(next, ms))

await ensurePackages()
const database = await startPostgres('two-postgres', { fresh: true })
const env = {
  ...process.env,
  DATABASE_URL: database.url,
  OWNER_DATABASE_URL: database.ownerUrl,
  SIGN_IN_LIMIT: '1000',
  TRUST_PROXY: '1',
  NIGHTS: '0',
}
/** One process that is started again as soon as it is gone, until all is over. */
let over = false
let ended = false
async function kept(file, said, more = {}) {
  const one = { up: false, kills: 0 }
  const begin = () =>
    new Promise((done) => {
      const child = spawn(process.execPath, [serverEntry(file)], {
        cwd: root,
        env: { ...env, ...more },
        stdio: ['ignore', 'pipe', 'ignore'],
      })
      one.child = child
      child.stdout.on('data', (d) => d.toString().includes(said) && done((one.up = true)))
      child.once('exit', () => {
        one.up = false
        if (!ended) void begin()
      })
    })
  await begin()
  one.kill = () => {
    one.kills++
    one.up = false
    one.child.kill('SIGKILL')
  }
  return one
}
const server = async () => {
  const port = await freePort()
  return Object.assign(await kept('index', 'North Tide is at', { PORT: String(port) }), { port })
}
const servers = [await server(), await server()]
const workers = [await kept('worker', 'works here'), await kept('worker', 'works here')]

/** The proxy: in turn to a server that is up; what breaks on the way is told as it is, and not sent twice. */
let turn = 0
const proxy = createServer((req, res) => {
  const up = servers.filter((s) => s.up)
  const to = up[turn++ % Math.max(1, up.length)] ?? servers[0]
  const headers = { ...req.headers, 'x-forwarded-for': req.socket.remoteAddress }
  const on = request({ port: to.port, method: req.method, path: req.url, headers, agent: false }, (r) => {
    res.writeHead(r.statusCode, r.headers)
    r.pipe(res)
    r.on('error', () => res.destroy())
  })
  on.on('error', () => (res.headersSent ? res.destroy() : res.writeHead(502).end()))
  req.pipe(on)
})
const port = await freePort()
await new Promise((done) => proxy.listen(port, '127.0.0.1', done))
const base = `http://127.0.0.1:${port}/api`

/** One ask; status 0 where nobody answered. */
async function asked(cookie, method, path, body, key) {
  try {
    const r = await fetch(`${base}${path}`, {
      method,
      headers: {
        'content-type': 'application/json',
        cookie,
        ...(key ? { 'Idempotency-Key': key } : {}),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      signal: AbortSignal.timeout(30_000),
    })
    const text = await r.text()
    return { status: r.status, body: text ? JSON.parse(text) : null }
  } catch {
    return { status: 0, body: null }
  }
}
async function signedIn() {
  for (;;) {
    const r = await fetch(`${base}/session/demo`, { method: 'POST' }).catch(() => null)
    if (r?.ok) return r.headers.getSetCookie()[0].split(';')[0]
    await sleep(200)
  }
}
const seen = { saved: 0, found: 0, broken: 0, lost: [], refused: {} }
const took = []
const sure = async (cookie, path) => {
  for (;;) {
    const r = await asked(cookie, 'GET', path)
    if (r.status === 200) return r.body
    await sleep(100)
  }
}
const refused = (r) => {
  const code = r.body?.error?.code ?? r.status
  seen.refused[code] = (seen.refused[code] ?? 0) + 1
}
/** Saves one fitting over and over; what was answered has to stand there at the next look. */
async function saves(cookie, id, me) {
  let { version, design } = await sure(cookie, `/fittings/${id}`)
  for (let n = 0; !over; n++) {
    const name = `by ${me}, ${n}`
    const t0 = performance.now()
    const r = await asked(cookie, 'PUT', `/fittings/${id}`, { version, design: { ...design, name } })
    if (r.status === 200) {
      took.push(performance.now() - t0)
      seen.saved++
      version = r.body.version
      if (n % 5 === 0) {
        const there = await sure(cookie, `/fittings/${id}`)
        if (there.design.name !== name) seen.lost.push(`${id}: ${name}, there is ${there.design.name}`)
      }
      continue
    }
    // Nobody answered: it was written or it was not, and both are right.
    if (r.status === 0 || r.status >= 500) seen.broken++
    else refused(r)
    version = (await sure(cookie, `/fittings/${id}`)).version
  }
  return { id, version }
}
/** Holes found, each under its own key, sent again until they are answered. */
async function finds(cookie, me) {
  const acknowledged = []
  for (let n = 0; !over; n++) {
    const note = `two of each ${me} ${n}`
    const body = { foundKind: 'open hole', xMm: 4000 + ((n * 37) % 4000), yMm: 100, diameterMm: 8, note }
    const key = `two-${me}-${n}-${'x'.repeat(8)}`
    for (let tries = 0; tries < 40; tries++) {
      const r = await asked(cookie, 'POST', '/boats/fulmars-reach/penetrations', body, key)
      if (r.status === 201) {
        acknowledged.push(note)
        seen.found++
        break
      }
      if (r.status === 0 || r.status >= 500) seen.broken++
      else {
        refused(r)
        if (r.body?.error?.code !== 'still-at-it') break
      }
      await sleep(300)
    }
  }
  return acknowledged
}

const cookies = await Promise.all(Array.from({ length: SAVERS + FINDERS }, signedIn))
const boat = await sure(cookies[0], '/boats/fulmars-reach')
const begun = Date.now()
const saving = boat.fittings
  .filter((f) => f.kind === 'deck-hardware')
  .slice(0, SAVERS)
  .map((f, i) => saves(cookies[i], f.id, i))
const finding = cookies.slice(SAVERS).map((c, i) => finds(c, i))
for (let round = 0; Date.now() - begun < FOR_S * 1000; round++) {
  await sleep(EVERY_MS)
  for (const all of [servers, workers]) {
    const one = all[round % 2]
    // The other is up: a yard has at least one of each, or nobody could be answered at all.
    if (all[(round + 1) % 2].up) one.kill()
  }
}
over = true
await Promise.all(saving)
const acknowledged = (await Promise.all(finding)).flat()
for (const s of [...servers, ...workers]) while (!s.up) await sleep(100)
const now = await sure(cookies[0], '/boats/fulmars-reach')
const notes = []
for (const h of now.holes.filter((h) => h.found))
  notes.push(
    ...JSON.stringify(await sure(cookies[0], `/penetrations/${h.id}`)).matchAll(/two of each \d+ \d+/g),
  )
const times = new Map()
for (const [n] of notes) times.set(n, (times.get(n) ?? 0) + 1)
const missing = acknowledged.filter((n) => !times.has(n))
ended = true
proxy.close()
for (const s of [...servers, ...workers]) s.child.kill('SIGTERM')
database.stop()
const sum = (of) => of.reduce((n, s) => n + s.kills, 0)
process.stdout.write(
  [
    `${FOR_S} s; servers killed ${sum(servers)} times, workers ${sum(workers)} times`,
    `${seen.saved} saves and ${seen.found} holes answered; ${seen.broken} asks broke off, refused: ${JSON.stringify(seen.refused)}`,
    `saves p50 ${Math.round(at(took, 0.5))} ms, p95 ${Math.round(at(took, 0.95))} ms`,
    `answered and lost: ${seen.lost.length + missing.length}`,
    ...seen.lost.slice(0, 5),
    ...missing.slice(0, 5),
    '',
  ].join('\n'),
)
process.exit(seen.lost.length + missing.length ? 1 : 0)

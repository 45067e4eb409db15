import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import pg from 'pg'
import { afterAll, describe, expect, it } from 'vitest'
import type { Databases } from '../src/start'
import { Someone, compiledServer, freshDatabase } from './harness'

/**
 * Killed in the middle of its work, by chance and again and again, nothing acknowledged is lost and
 * nothing is left half done.
 */
const KILLS_OF_NODE = Number(process.env.KILLS_OF_NODE ?? 4)
const KILLS_OF_POSTGRES = Number(process.env.KILLS_OF_POSTGRES ?? 1)
const KILLS_OF_FIRST_START = Number(process.env.KILLS_OF_FIRST_START ?? 1)
const root = fileURLToPath(new URL('../../..', import.meta.url))
const running: ChildProcess[] = []
afterAll(() => running.forEach((c) => c.kill('SIGKILL')))

const freePort = () =>
  new Promise<number>((done) => {
    const s = createServer()
    s.listen(0, '127.0.0.1', () => {
      const { port } = s.address() as { port: number }
      s.close(() => done(port))
    })
  })
interface Running {
  child: ChildProcess
  base: string
  gone: Promise<void>
}
function launch(args: string[], env: Record<string, string>): ChildProcess {
  const child = spawn(process.execPath, args, {
    cwd: root,
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  running.push(child)
  return child
}
async function serve({ url, ownerUrl }: Databases, more: Record<string, string> = {}): Promise<Running> {
  const port = await freePort()
  const child = launch([await compiledServer()], {
    DATABASE_URL: url,
    OWNER_DATABASE_URL: ownerUrl,
    PORT: String(port),
    SIGN_IN_LIMIT: '10000',
    ...more,
  })
  const gone = new Promise<void>((done) => child.once('exit', () => done()))
  await up(child)
  return { child, base: `http://127.0.0.1:${port}`, gone }
}
const up = (child: ChildProcess) =>
  new Promise<void>((done, no) => {
    let errors = ''
    child.stdout!.on('data', (d: Buffer) => d.toString().includes('North Tide is at') && done())
    child.stderr!.on('data', (d: Buffer) => {
      errors += d.toString()
      if (process.env.SHOW_ERRORS) process.stderr.write(d)
    })
    child.once('exit', (code) => no(new Error(`ended with ${code}: ${errors.slice(-600)}`)))
  })
async function query<T extends object>(url: string, sql: string): Promise<T[]> {
  const c = new pg.Client({ connectionString: url })
  await c.connect()
  try {
    return (await c.query(sql)).rows as T[]
  } finally {
    await c.end()
  }
}
const later = (ms: number) => new Promise((done) => setTimeout(done, ms))

interface Saved {
  id: string
  version: number
  design: { name: string }
}
/** What was acknowledged while it lasted. */
interface Acknowledged {
  version: number
  name: string
  placed: string[]
  tasks: string[]
  photos: number[]
}
const nothingYet = (): Acknowledged => ({ version: 0, name: '', placed: [], tasks: [], photos: [] })
const DOT = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)
/**
 * Work at once, until nobody answers any more: saves, fittings placed in found holes, zones measured anew,
 * pictures that the queue makes small, passports that it packs.
 */
async function hammer(base: string, said: Acknowledged): Promise<void> {
  const who = await new Someone(base).signIn('fitter').catch(() => null)
  if (!who) return
  const F = '/api/boats/fulmars-reach'
  const ask = <T>(method: string, path: string, body?: unknown) =>
    who.ask<T & object>(method, path, body).catch(() => null)
  const picture = await ask<{
    fittings: { id: string }[]
    zones: ({ id: number; code: string; version: number } & Record<string, unknown>)[]
  }>('GET', F)
  if (picture?.status !== 200) return
  const saving = async () => {
    let f = (await ask<Saved>('GET', `/api/fittings/${picture.body.fittings[0]!.id}`))?.body
    for (let n = 0; f?.id; n++) {
      const name = `save ${Date.now()} ${n}`
      const a: Awaited<ReturnType<typeof ask<Saved>>> = await ask<Saved>('PUT', `/api/fittings/${f.id}`, {
        version: f.version,
        design: { ...f.design, name },
      })
      if (a?.status !== 200) return
      said.version = a.body.version
      said.name = name
      f = a.body
    }
  }
  const placing = async () => {
    for (let n = 0; ; n++) {
      const hole = await ask<{ id: number }>('POST', `${F}/penetrations`, {
        foundKind: 'open hole',
        diameterMm: 43,
        xMm: 3000 + ((n * 37) % 6000),
        yMm: 300,
        zMm: -300,
      })
      if (hole?.status !== 201) return
      const a = await ask<Saved>('POST', `${F}/fittings`, {
        catalogueId: 'MV-B114',
        holeId: hole.body.id,
      })
      if (a?.status !== 201) return
      said.placed.push(a.body.id)
    }
  }
  const measuring = async () => {
    const z = picture.body.zones.find((q) => q.code === 'foredeck')!
    for (let version = z.version, n = 0; ; version++, n++) {
      const keys = [
        'title',
        'face',
        'kind',
        'zMm',
        'atXMm',
        'stacking',
        'reach',
        'reachKind',
        'state',
        'outline',
        'deadrise',
      ]
      const layers = (z.layers as { material: string; thicknessMm: number }[]).map(
        ({ material, thicknessMm }, i) => ({
          material,
          thicknessMm: i ? thicknessMm : 3 + (n % 5) / 5,
          measured: true,
        }),
      )
      const a = await ask('PUT', `${F}/zones/${z.id}`, {
        ...Object.fromEntries(keys.map((k) => [k, z[k]])),
        layers,
        version,
      })
      if (a?.status !== 200) return
      await later(20)
    }
  }
  const photographing = async () => {
    for (;;) {
      const body = new FormData()
      body.set('subject', 'boat')
      body.set('subjectId', 'fulmars-reach')
      body.set('file', new Blob([new Uint8Array(DOT)], { type: 'image/png' }), 'dot.png')
      const headers = { cookie: who.cookie }
      const r = await fetch(`${base}${F}/photos`, { method: 'POST', headers, body }).catch(() => null)
      if (r?.status !== 201) return
      const made = (await r.json().catch(() => null)) as { id: number } | null
      if (made) said.photos.push(made.id)
      await later(100)
    }
  }
  const packing = async () => {
    const t = await ask<{ id: string }>('POST', `${F}/passport/tasks`, {})
    if (t?.status === 202) said.tasks.push(t.body.id)
  }
  await Promise.all([saving(), placing(), measuring(), photographing(), packing()])
}
/**
 * Whatever the queue was asked for is done once somebody is there to do it, and every picture is small. A
 * task that had the bad luck to be killed three times lies with the manager, and says so: it is not lost.
 */
async function workedOff(superUrl: string, said: Acknowledged): Promise<void> {
  await expect
    .poll(
      async () => {
        const [n] = await query<{ tasks: number; open: number; photos: number; large: number }>(
          superUrl,
          `SELECT (SELECT count(*)::int FROM tasks WHERE id::text = ANY('{${said.tasks.join(',')}}')) AS tasks,
            (SELECT count(*)::int FROM tasks WHERE state IN ('waiting', 'working')
              OR (state = 'failed' AND said NOT LIKE 'it was begun three times%')) AS open,
            (SELECT count(*)::int FROM photos WHERE id = ANY('{${said.photos.join(',')}}')) AS photos,
            (SELECT count(*)::int FROM photos WHERE small IS NULL) AS large`,
        )
        return n
      },
      // One after another, and a passport takes some seconds.
      { timeout: 120_000 + said.tasks.length * 10_000, interval: 500 },
    )
    .toEqual({ tasks: said.tasks.length, open: 0, photos: said.photos.length, large: 0 })
}
/** What must be true whenever it was killed. */
async function whole(superUrl: string, said: Acknowledged): Promise<void> {
  const [half] = await query<{ n: number }>(
    superUrl,
    `SELECT count(*)::int AS n FROM fittings f WHERE f.kind = 'through-hull' AND (f.design->>'existing')::boolean AND ((SELECT count(*) FROM penetrations p WHERE p.fitting_id = f.id) <> 1 OR f.recorded_at IS NULL)`,
  )
  const [bare] = await query<{ n: number }>(
    superUrl,
    'SELECT count(*)::int AS n FROM penetrations p WHERE NOT EXISTS (SELECT 1 FROM life_events e WHERE e.penetration_id = p.id)',
  )
  const [layers] = await query<{ n: number }>(
    superUrl,
    'SELECT count(*)::int AS n FROM zones z WHERE NOT EXISTS (SELECT 1 FROM zone_layers l WHERE l.zone_id = z.id)',
  )
  expect({ half: half!.n, bare: bare!.n, layers: layers!.n }).toEqual({ half: 0, bare: 0, layers: 0 })
  const there = new Set(
    (await query<{ id: string }>(superUrl, `SELECT id FROM fittings WHERE kind = 'through-hull'`)).map(
      (f) => f.id,
    ),
  )
  expect(said.placed.filter((id) => !there.has(id))).toEqual([])
  if (!said.version) return
  const [saved] = await query<{ version: number; name: string }>(
    superUrl,
    `SELECT version, name FROM fittings WHERE name LIKE 'save %' ORDER BY version DESC LIMIT 1`,
  )
  expect(saved!.version).toBeGreaterThanOrEqual(said.version)
  if (saved!.version === said.version) expect(saved!.name).toBe(said.name)
}
/** Whatever was asked to be judged anew is judged, by whoever is there. */
async function judged(superUrl: string): Promise<void> {
  const until = Date.now() + 180_000
  for (;;) {
    const [left] = await query<{ jobs: number; due: number }>(
      superUrl,
      'SELECT (SELECT count(*)::int FROM rejudge_jobs WHERE finished_at IS NULL) AS jobs, (SELECT count(*)::int FROM fittings WHERE solver_due) AS due',
    )
    if (!left!.jobs && !left!.due) return
    if (Date.now() > until)
      throw new Error(`${left!.jobs} asks and ${left!.due} solver questions are still open`)
    await later(100)
  }
}
/** When all of it is under way: something more of each was acknowledged. */
async function begun(said: Acknowledged): Promise<void> {
  const [placed, version] = [said.placed.length, said.version]
  for (let i = 0; i < 400 && (said.placed.length === placed || said.version === version); i++) await later(25)
}
const chance = (n: number) => 150 + ((n * 7919) % 1300)

describe('the server is killed', () => {
  it(
    `${KILLS_OF_NODE} times in the middle of its work`,
    async () => {
      const databases = await freshDatabase('kills_of_node')
      const said = nothingYet()
      for (let n = 0; n < KILLS_OF_NODE; n++) {
        const one = await serve(databases)
        const work = hammer(one.base, said)
        await begun(said)
        await later(chance(n))
        one.child.kill('SIGKILL')
        await Promise.all([work, one.gone])
        await whole(databases.superUrl, said)
      }
      expect(said.placed.length).toBeGreaterThan(0)
      expect(said.version).toBeGreaterThan(0)
      const last = await serve(databases)
      await judged(databases.superUrl)
      expect([said.tasks.length > 0, said.photos.length > 0]).toEqual([true, true])
      await workedOff(databases.superUrl, said)
      last.child.kill('SIGTERM')
      await last.gone
    },
    360_000 + KILLS_OF_NODE * 45_000,
  )
})

describe('PostgreSQL is killed', () => {
  it(
    `${KILLS_OF_POSTGRES} times, and the server goes on when it is back`,
    async () => {
      // @ts-expect-error a plain script without types
      const { startPostgres } = await import('../../../bin/lib/postgres.mjs')
      const database = await startPostgres('kills-postgres', { fresh: true })
      try {
        const one = await serve(database)
        const said = nothingYet()
        for (let n = 0; n < KILLS_OF_POSTGRES; n++) {
          const work = hammer(one.base, said)
          await begun(said)
          await later(chance(n + 3))
          database.crash()
          await work
          expect(database.restart().ok).toBe(true)
          await whole(database.superUrl, said)
          const back = new Someone(one.base)
          for (let i = 0; i < 100 && (await back.ask('POST', '/api/session/demo')).status !== 200; i++)
            await later(50)
          expect((await back.ask('GET', '/api/boats')).status).toBe(200)
        }
        await judged(database.superUrl)
        one.child.kill('SIGTERM')
        await one.gone
      } finally {
        database.stop()
      }
    },
    240_000 + KILLS_OF_POSTGRES * 30_000,
  )
})

describe('the first start', () => {
  it('two servers on one empty database both come up, and the demo is there once', async () => {
    const databases = await freshDatabase('two_at_once', 'nothing')
    const both = await Promise.all([serve(databases), serve(databases)])
    const [n] = await query<{ boats: number; users: number }>(
      databases.superUrl,
      'SELECT (SELECT count(*)::int FROM boats) AS boats, (SELECT count(*)::int FROM users) AS users',
    )
    expect(n).toEqual({ boats: 3, users: 5 })
    for (const s of both) {
      expect(
        (await (await new Someone(s.base).signIn('fitter')).ask('GET', '/api/boats/fulmars-reach')).status,
      ).toBe(200)
      s.child.kill('SIGTERM')
      await s.gone
    }
  }, 360_000)
  it('killed while it migrates or loads the demo: the next start mends it, the demo whole', async () => {
    const databases = await freshDatabase('half_a_demo', 'nothing')
    for (const ms of [900, 1800, 2600, 3600, 5000].slice(0, Math.max(3, KILLS_OF_FIRST_START))) {
      const child = launch([await compiledServer()], {
        DATABASE_URL: databases.url,
        OWNER_DATABASE_URL: databases.ownerUrl,
        PORT: String(await freePort()),
      })
      const gone = new Promise<void>((done) => child.once('exit', () => done()))
      await later(ms)
      child.kill('SIGKILL')
      await gone
    }
    const one = await serve(databases)
    const [n] = await query<{ fittings: number; hull: number; mark: string }>(
      databases.superUrl,
      `SELECT (SELECT count(*)::int FROM fittings WHERE kind = 'deck-hardware') AS fittings, (SELECT count(*)::int FROM fittings WHERE kind = 'through-hull') AS hull, (SELECT value FROM settings WHERE key = 'demo') AS mark`,
    )
    expect(n).toEqual({ fittings: 20, hull: 10, mark: 'loaded' })
    await judged(databases.superUrl)
    one.child.kill('SIGTERM')
    await one.gone
  }, 360_000)
  it(`npm start killed ${KILLS_OF_FIRST_START} times from the first moment on leaves nothing that the next does not mend`, async () => {
    const data = mkdtempSync(join(tmpdir(), 'north-tide-first-'))
    const start = async () =>
      launch([join(root, 'bin/start.mjs')], {
        NORTH_TIDE_DATA: data,
        PORT: String(await freePort()),
        DATABASE_URL: '',
      })
    try {
      for (let n = 0; n < KILLS_OF_FIRST_START; n++) {
        const child = await start()
        const gone = new Promise<void>((done) => child.once('exit', () => done()))
        await later(500 + ((n * 1300) % 6000))
        child.kill('SIGKILL')
        await gone
        // Its server stops by itself when it is left alone.
        await later(300)
      }
      const last = await start()
      const gone = new Promise<void>((done) => last.once('exit', () => done()))
      await up(last)
      last.kill('SIGTERM')
      await gone
    } finally {
      // @ts-expect-error a plain script without types
      const { stopCluster } = await import('../../../bin/lib/postgres.mjs')
      stopCluster(data)
      rmSync(data, { recursive: true, force: true })
    }
  }, 300_000)
})

import { workState, type LogLine } from '@north-tide/core'
import { readFileSync } from 'node:fs'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { GRANTS } from '../src/grants'
import { settled } from '../src/services/rejudge'
import { Someone, freshDatabase, startApp, hullsOf, deckOf } from './harness'

/**
 * What was stored yesterday opens today: a yard's database and boats' files as earlier versions left them.
 */
const kept = (name: string) => readFileSync(new URL(`./kept/${name}`, import.meta.url), 'utf8')
type App = Awaited<ReturnType<typeof startApp>>
interface Picture {
  zones: { code: string; title: string; deadrise: { xMm: number; deg: number }[] }[]
  fittings: { id: string; name: string; verdict: string; zone: string | null; zoneCode: string | null }[]
  holes: { label: string; zone: string; zoneCode: string | null; state: string }[]
}
let app: App
let fitter: Someone
let superUrl: string
const rows = async <T extends object>(url: string, sql: string): Promise<T[]> => {
  const c = new pg.Client({ connectionString: url })
  await c.connect()
  try {
    return (await c.query(sql)).rows as T[]
  } finally {
    await c.end()
  }
}
beforeAll(async () => {
  const databases = await freshDatabase('kept_yard', 'nothing')
  superUrl = databases.superUrl
  await rows(databases.ownerUrl, kept('yard-010.sql'))
  app = await startApp('kept_yard', { databases })
  fitter = await new Someone(app.base).signIn('fitter')
}, 360_000)
afterAll(() => app.stop())

const picture = async (id = 'fulmars-reach') => (await fitter.ask<Picture>('GET', `/api/boats/${id}`)).body

describe('a yard as the version before this one stored it', () => {
  it('has all its boats, fittings, holes and lives', async () => {
    const boat = await picture()
    expect([deckOf(boat).length, hullsOf(boat).length, boat.holes.length]).toEqual([9, 9, 44])
    await settled()
    expect((await fitter.ask('GET', '/api/boats/fulmars-reach/register.csv')).text.split('\n').length).toBe(
      44 + 2,
    )
  })
  it('its fittings and holes refer to zones by code and show their titles', async () => {
    const boat = await picture()
    const titles = new Map(boat.zones.map((z) => [z.code, z.title]))
    for (const f of boat.fittings) expect(f.zone).toBe(titles.get(f.zoneCode!))
    for (const h of boat.holes) expect(h.zone).toBe(titles.get(h.zoneCode!))
    expect(boat.fittings.find((f) => f.name === 'Wet-lab intake')!.zone).toBe('Bottom')
  })
  it('deadrise that stood in words is a figure by station', async () => {
    const bottom = (await picture()).zones.find((z) => z.code === 'bottom')!
    expect(bottom.deadrise).toEqual([
      { xMm: 6500, deg: 17 },
      { xMm: 11800, deg: 12 },
    ])
  })
  it('passwords hashed as they were sign in, and are hashed anew when they do', async () => {
    await new Someone(app.base).signIn('owner')
    const hashes = Object.fromEntries(
      (
        await rows<{ login: string; password_hash: string }>(
          superUrl,
          'SELECT login, password_hash FROM users',
        )
      ).map((u) => [u.login, u.password_hash.slice(0, 7)]),
    )
    expect(hashes).toEqual({ fitter: 'scrypt$', owner: 'scrypt$', manager: '$argon2', apprentice: '$argon2' })
    await new Someone(app.base).signIn('owner')
    expect(
      (await new Someone(app.base).ask('POST', '/api/session', { login: 'manager', password: 'tide-owner' }))
        .status,
    ).toBe(401)
  })
  it('every kind of fitting is in one table by its old id, with its holes and its log', async () => {
    const dump = kept('yard-010.sql')
    const ids = [...dump.matchAll(/INTO public\.hull_fittings VALUES \('([0-9a-f-]{36})'/g)].map((m) => m[1])
    expect(ids.length).toBeGreaterThan(10)
    expect(
      (await rows<{ id: string }>(superUrl, `SELECT id FROM fittings WHERE kind = 'through-hull'`))
        .map((f) => f.id)
        .sort(),
    ).toEqual(ids.sort())
    const logged = [
      ...dump.matchAll(/INTO public\.hull_log VALUES \((\d+), '([0-9a-f-]{36})', '(\w+)'/g),
    ].map((m) => m.slice(1, 4).join(' '))
    expect(
      (
        await rows<{ id: string; fitting_id: string; kind: string }>(
          superUrl,
          'SELECT id, fitting_id, kind FROM work_log ORDER BY id',
        )
      ).map((w) => `${w.id} ${w.fitting_id} ${w.kind}`),
    ).toEqual(logged)
    const parts = await rows<{ kind: string; part: string }>(
      superUrl,
      `SELECT DISTINCT f.kind, regexp_replace(p.part, '[0-9]+', 'n') AS part FROM penetrations p JOIN fittings f ON f.id = p.fitting_id`,
    )
    expect(parts.filter((p) => p.kind === 'deck-hardware').map((p) => p.part)).toEqual(['bolt n'])
    expect(parts.some((p) => p.part === 'bore')).toBe(true)
  })
  it('every version of a fitting and of a zone with its layers is kept from here on', async () => {
    const { fittings, zones } = await picture()
    const at = `/api/fittings/${fittings[0]!.id}`
    const was = (await fitter.ask<{ version: number; design: { name: string } }>('GET', at)).body
    await fitter.ask('PUT', at, { version: was.version, design: { ...was.design, name: 'Renamed once' } })
    const of = (what: string, key: string) =>
      rows<{ version: number; was: { name: string; design: { name: string }; layers: unknown[] } }>(
        superUrl,
        `SELECT version, was FROM revisions WHERE what = '${what}' AND row_key = '${key}' ORDER BY id`,
      )
    const kept = await of('fittings', fittings[0]!.id)
    expect(kept.slice(-2).map((k) => [k.version, k.was.design.name])).toEqual([
      [was.version, was.design.name],
      [was.version + 1, 'Renamed once'],
    ])
    const [zone] = await rows<{ id: string; layers: number }>(
      superUrl,
      `SELECT z.id::text, (SELECT count(*)::int FROM zone_layers l WHERE l.zone_id = z.id) AS layers FROM zones z WHERE boat_id = 'fulmars-reach' AND code = '${zones[0]!.code}'`,
    )
    expect((await of('zones', zone!.id))[0]!.was.layers).toHaveLength(zone!.layers)
  })
  it('verdicts are made anew and agree with what a fresh look says', async () => {
    await settled()
    const boat = await picture()
    for (const f of boat.fittings.slice(0, 3)) {
      const open = (await fitter.ask<{ version: number; design: object }>('GET', `/api/fittings/${f.id}`))
        .body
      expect(
        (
          await fitter.ask<{ verdict: string }>('PUT', `/api/fittings/${f.id}`, {
            version: open.version,
            design: open.design,
          })
        ).body.verdict,
      ).toBe(f.verdict)
    }
  })
})

describe('a boat\u2019s file of version 1', () => {
  it.each(['fulmars-reach', 'pipit', 'tarn-runner'])(
    '%s is read whole, its zones by their codes',
    async (name) => {
      const file = JSON.parse(kept(`boat-v1-${name}.json`)) as {
        holes: { zone: string }[]
        zones: { code: string; title: string }[]
        fittings: { design: { place: { zone: string } } }[]
        hull?: { design: { place: { zone: string } } }[]
      }
      const designs = [...file.fittings, ...(file.hull ?? [])]
      const made = await fitter.ask<{ id: string; holes: number; fittings: number }>(
        'POST',
        '/api/boats/import',
        file,
      )
      expect([made.status, made.body.holes, made.body.fittings]).toEqual([
        201,
        file.holes.length,
        designs.length,
      ])
      const out = JSON.parse(
        (await fitter.ask('GET', `/api/boats/${made.body.id}/boat.json`)).text,
      ) as typeof file & { version: number }
      expect(out.version).toBe(4)
      const code = new Map(file.zones.map((z) => [z.title, z.code]))
      expect(out.holes.map((h) => h.zone)).toEqual(file.holes.map((h) => code.get(h.zone) ?? h.zone))
      expect(out.fittings.map((f) => String(f.design.place.zone)).sort()).toEqual(
        designs.map((f) => String(code.get(f.design.place.zone) ?? null)).sort(),
      )
      const again = await fitter.ask<{ id: string }>('POST', '/api/boats/import', out)
      expect(JSON.parse((await fitter.ask('GET', `/api/boats/${again.body.id}/boat.json`)).text)).toEqual(out)
    },
  )
})

describe('a boat\u2019s file of version 2', () => {
  interface V2 {
    fittings: { key: string; design: Record<string, unknown> }[]
    hull: { key: string; design: Record<string, unknown>; log: { kind: string; note: string }[] }[]
    holes: { number: number; events: { state: string }[] }[]
  }
  interface V3 {
    version: number
    fittings: {
      kind: string
      design: { name: string; schemaVersion: number }
      log: LogLine[]
    }[]
    holes: { number: number; part: string | null; events: { state: string }[] }[]
  }
  it('is read exactly: every line of its logs, every state of its holes, nothing of its past left in a design', async () => {
    const file = JSON.parse(kept('boat-v2-fulmars-reach.json')) as V2
    const made = await fitter.ask<{ id: string }>('POST', '/api/boats/import', file)
    expect(made.status).toBe(201)
    const out = JSON.parse((await fitter.ask('GET', `/api/boats/${made.body.id}/boat.json`)).text) as V3
    expect(out.version).toBe(4)
    expect(out.fittings.map((f) => f.design.name)).toEqual(
      [...file.fittings, ...file.hull].map((f) => f.design.name),
    )
    expect(JSON.stringify(out.fittings.map((f) => f.design))).not.toMatch(/"(ticks|ordered|bought)"/)
    for (const h of file.hull) {
      const now = out.fittings.find((f) => f.design.name === h.design.name)!
      expect([h.design.name, ...now.log.map((l) => [l.kind, l.note])]).toEqual([
        h.design.name,
        ...h.log.map((l) => [l.kind, l.note]),
      ])
      // What the design of version 2 said of its past is what the log says now.
      const state = workState(now.log)
      expect(Object.keys(state.ticks).sort()).toEqual(Object.keys(h.design.ticks as object).sort())
      const ordered = h.design.ordered as { what: string; reason: string } | null
      expect(state.order && [state.order.what, state.order.reason]).toEqual(
        ordered && [ordered.what, ordered.reason],
      )
    }
    const plug = out.fittings.find((f) => f.design.name === 'Old plug')!
    expect(workState(plug.log).decisions['taper-plug']).toMatchObject({
      decision: 'recondition',
      reason: 'one season',
      on: { pitMm: 2, wallMm: 5, contactPct: 40 },
    })
    const bought = file.fittings.filter((f) => f.design.bought !== null)
    expect(bought).toHaveLength(1)
    expect(
      workState(out.fittings.find((f) => f.design.name === bought[0]!.design.name)!.log).bought,
    ).toMatchObject({ what: '4 Bolt x', by: 'Tam Corrigall', at: '2026-11-20T10:00:00.000Z' })
    expect(out.holes.map((h) => h.events.map((e) => e.state))).toEqual(
      file.holes.map((h) => h.events.map((e) => e.state.replace(' ', '-'))),
    )
    const again = await fitter.ask<{ id: string }>('POST', '/api/boats/import', out)
    expect(JSON.parse((await fitter.ask('GET', `/api/boats/${again.body.id}/boat.json`)).text)).toEqual(out)
  })
})

describe('a boat\u2019s file of version 3', () => {
  it('is read exactly, with nothing on record of what version 3 could not say', async () => {
    const file = JSON.parse(kept('boat-v3-pipit.json')) as Record<string, unknown>
    const made = await fitter.ask<{ id: string }>('POST', '/api/boats/import', file)
    expect(made.status, JSON.stringify(made.body)).toBe(201)
    const out = JSON.parse((await fitter.ask('GET', `/api/boats/${made.body.id}/boat.json`)).text) as object
    expect(out).toEqual({ ...file, version: 4, leaks: [], floods: [], proofs: [], notes: [], launches: [] })
  })
})

describe('the application\u2019s role', () => {
  const asApp = (sql: string) => rows(app.databases.url, sql)
  it('every table is named with its rights, so that a new one cannot be forgotten', async () => {
    const tables = await rows<{ name: string }>(
      superUrl,
      `SELECT relname AS name FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relkind = 'r'`,
    )
    expect(tables.map((t) => t.name).sort()).toEqual(Object.keys(GRANTS).sort())
  })
  it.each([
    'SET session_replication_role = replica',
    'ALTER TABLE life_events DISABLE TRIGGER ALL',
    'DROP TRIGGER life_events_insert_only ON life_events',
    "COPY (SELECT 1) TO PROGRAM 'true'",
    "COPY life_events FROM PROGRAM 'true'",
    "COPY (SELECT 1) TO '/tmp/north-tide-out'",
    'UPDATE life_events SET note = $$x$$',
    'DELETE FROM life_events',
    'TRUNCATE life_events',
    'UPDATE work_log SET note = $$x$$',
    'DELETE FROM work_log',
    'TRUNCATE work_log CASCADE',
    'UPDATE revisions SET version = 1',
    'DELETE FROM revisions',
    'DELETE FROM penetrations',
    'DELETE FROM photos',
    'UPDATE settings SET value = $$x$$',
    'DELETE FROM users',
    'CREATE TABLE mine (id int)',
    'DROP TABLE life_events',
    'ALTER TABLE boats ADD COLUMN x int',
    'CREATE FUNCTION f() RETURNS int LANGUAGE sql AS $$SELECT 1$$',
    "SELECT pg_read_file('/etc/passwd')",
    'SET ROLE north_tide_owner',
    'SET ROLE north_tide',
    'ALTER ROLE north_tide_app SUPERUSER',
    'CREATE ROLE more',
    "INSERT INTO migrations (name) VALUES ('x')",
    'BEGIN; LOCK TABLE life_events IN ACCESS EXCLUSIVE MODE',
    'CREATE EXTENSION dblink',
  ])('cannot: %s', async (sql) => {
    await expect(asApp(sql)).rejects.toThrow(/permission denied|must be (owner|superuser|able)|must have/i)
  })
  it('adds to the record all the same', async () => {
    await expect(asApp('SELECT count(*) FROM life_events')).resolves.toHaveLength(1)
  })
  it('a trigger refuses even the owner', async () => {
    for (const sql of [
      'UPDATE life_events SET note = $$x$$',
      'DELETE FROM work_log',
      'UPDATE revisions SET version = 1',
      'TRUNCATE revisions',
    ])
      await expect(rows(app.databases.ownerUrl, sql)).rejects.toThrow(/never edited or removed/)
  })
})

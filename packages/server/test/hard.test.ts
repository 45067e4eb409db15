import { Writable } from 'node:stream'
import { pino } from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { EXAMPLES } from '@north-tide/core'
import { CALCULATORS } from '@north-tide/core/registry'
import { refusalOf } from '../src/database-errors'
import { ANONYMOUS_A_MINUTE } from '../src/routes/calc'
import { settled } from '../src/services/rejudge'
import { Someone, startApp } from './harness'

/** Nothing that a user sends hangs the server, makes others wait, or makes it fall. */
let app: Awaited<ReturnType<typeof startApp>>
let fitter: Someone
const logged: string[] = []
const CALC_MS = 1500
beforeAll(async () => {
  const logger = pino(
    { level: 'debug' },
    new Writable({ write: (chunk: Buffer, _e, done) => (logged.push(chunk.toString()), done()) }),
  )
  app = await startApp('hard', { calcMs: CALC_MS, logger })
  fitter = await new Someone(app.base).signIn('fitter')
}, 240_000)
afterAll(() => app.stop())
const F = '/api/boats/fulmars-reach'

/**
 * How long anybody else would have waited at most while something ran, ms: the server runs in this
 * process. A turn of the loop counts for no more than the processor was at work in it, for the machine has
 * other work too; the least of several, as the collector comes when it likes. What blocks does so each time.
 */
async function held<T>(run: () => Promise<T>): Promise<{ answer: T; worstMs: number }> {
  let best: { answer: T; worstMs: number } | null = null
  for (let i = 0; i < TRIES && (best?.worstMs ?? Infinity) >= OTHERS_WAIT_MS; i++) {
    let worstMs = 0
    let [at, used] = [performance.now(), process.cpuUsage()]
    const turn = () => {
      const [now, spent] = [performance.now(), process.cpuUsage(used)]
      worstMs = Math.max(worstMs, Math.min(now - at, (spent.user + spent.system) / 1000))
      ;[at, used] = [now, process.cpuUsage()]
    }
    const clock = setInterval(turn, 5)
    const answer = await run()
    turn()
    clearInterval(clock)
    if (!best || worstMs < best.worstMs) best = { answer, worstMs }
  }
  return best!
}
const OTHERS_WAIT_MS = 100
/** Another file of tests runs beside this one: what it takes is not the server's own. */
const TRIES = 8

describe('the worst of each calculator', () => {
  const row = {
    path: [
      { xMm: 0, yMm: 0, zMm: 0 },
      { xMm: 900_000, yMm: 0, zMm: 0 },
    ],
    fromMm: 0,
    toMm: 900_000,
    footprintMm: 1,
    pitch: { leastMm: 1, wantedMm: 50, mostMm: 900_000 },
    keepouts: Array.from({ length: 900 }, (_, i) => ({
      fromMm: i * 1000,
      toMm: i * 1000 + 999,
      name: 'x',
      marginMm: 999_999,
    })),
  }
  const week = Object.fromEntries(
    ['mon', 'tue', 'wed', 'thu', 'fri'].map((d) => [
      d,
      [
        ['08:00', '12:00'],
        ['13:00', '17:00'],
      ],
    ]),
  )
  const many = <T>(n: number, of: (i: number) => T) => Array.from({ length: n }, (_, i) => of(i))
  const WORST: [string, object][] = [
    ['spacing', row],
    ['spacing', { ...row, keepouts: [{ fromMm: 0, toMm: 10, name: 'x', marginMm: 2147483648 }] }],
    ['spacing', { ...row, count: 1e6 }],
    ['deck-patch', { ...EXAMPLES['deck-patch'], mesh: { nx: 200, ny: 200 } }],
    [
      'backing-plate',
      { ...EXAMPLES['backing-plate'], bolts: many(20_000, (i) => ({ xMm: i % 100, yMm: 0, tensionN: 1 })) },
    ],
    [
      'backing-plate',
      {
        ...EXAMPLES['backing-plate'],
        bolts: many(1000, (i) => ({ xMm: (i % 40) - 20, yMm: Math.floor(i / 40) - 12, tensionN: 1 })),
      },
    ],
    [
      'plan',
      {
        start: '2031-04-14T08:00',
        steps: many(5000, (i) => ({ id: `s${i}`, minutes: 20, after: i ? [`s${i - 1}`] : [] })),
        fitters: [{ id: 'a', hoursByDay: week }],
      },
    ],
    [
      'design-load',
      { basis: 'rated', ratedN: 1000, sweep: { azimuthDeg: { from: 0, to: 360, step: 1e-9 } } },
    ],
    [
      'flooding',
      { ...EXAMPLES.flooding, hours: 72, pumps: many(1000, (i) => ({ ratedLpm: 1, startMm: i })) },
    ],
    [
      'joint-check',
      {
        ...EXAMPLES['joint-check'],
        bolts: many(1000, (i) => ({ xMm: i * 20, yMm: 0, tensionN: 10, shearN: 10 })),
      },
    ],
    [
      'base-contact',
      {
        ...EXAMPLES['base-contact'],
        bolts: many(1000, (i) => ({ xMm: (i % 40) - 20, yMm: Math.floor(i / 40) - 12 })),
      },
    ],
    ...CALCULATORS.map((c): [string, object] => [c.name, grown(EXAMPLES[c.name]) as object]),
  ]
  /** Every list of an example as long as it may be; lists within lists stay as they are. */
  function grown(v: unknown): unknown {
    if (Array.isArray(v)) return v.length ? many(1000, (i) => v[i % v.length] as unknown) : v
    return v !== null && typeof v === 'object'
      ? Object.fromEntries(Object.entries(v).map(([k, x]) => [k, grown(x)]))
      : v
  }
  it.each(WORST.map(([name, input], i) => [`${i} ${name}`, name, input] as const))(
    '%s: answered or refused, and nobody else waits',
    async (_, name, input) => {
      const { answer, worstMs } = await held(() => fitter.ask('POST', `/api/calc/${name}`, input))
      expect([200, 400, 413, 422]).toContain(answer.status)
      if (answer.status !== 200) expect(answer.body.error.message.length).toBeGreaterThan(8)
      expect(worstMs).toBeLessThan(OTHERS_WAIT_MS)
    },
    60_000,
  )
  it('what takes too long is given up and says so, and the next sum is answered', async () => {
    const a = await fitter.ask('POST', '/api/calc/deck-patch', {
      ...EXAMPLES['deck-patch'],
      mesh: { nx: 200, ny: 200 },
    })
    expect([a.status, a.body.error.code]).toEqual([422, 'too-long'])
    expect(
      (
        await fitter.ask<{ breakingN: number }>('POST', '/api/calc/line-strength', {
          line: 'nylon-3',
          diameterMm: 12,
        })
      ).body.breakingN,
    ).toBeGreaterThan(10_000)
  }, 240_000)
  it('without signing in so many a minute are answered', async () => {
    const nobody = new Someone(app.base)
    const asked = []
    for (let i = 0; i <= ANONYMOUS_A_MINUTE; i++)
      asked.push(
        (await nobody.ask('POST', '/api/calc/line-strength', { line: 'nylon-3', diameterMm: 12 })).status,
      )
    expect(asked.filter((s) => s === 200)).toHaveLength(ANONYMOUS_A_MINUTE)
    expect(asked.at(-1)).toBe(429)
    expect(
      (await fitter.ask('POST', '/api/calc/line-strength', { line: 'nylon-3', diameterMm: 12 })).status,
    ).toBe(200)
  })
})

describe('a user\u2019s mistake is never the server\u2019s fall', () => {
  const refused = (
    a: { status: number; body: { error: { code: string; path?: string } } },
    status: number,
    path?: string,
  ) => expect([a.status, a.body.error.path]).toEqual([status, path])
  const DASHES = '-'.repeat(36)
  it.each([
    ['GET', `/api/fittings/${DASHES}`],
    ['PUT', `/api/fittings/${DASHES}`],
    ['DELETE', `/api/fittings/${DASHES}`],
    ['GET', `/api/fittings/${DASHES}`],
    ['POST', `/api/fittings/${DASHES}/tick`],
    ['POST', `/api/fittings/${DASHES}/record`],
    ['POST', `/api/fittings/${DASHES}/copy`],
  ])('thirty-six dashes as an id: %s %s', async (method, path) => {
    const a = await fitter.ask(
      method,
      path,
      method === 'GET' || method === 'DELETE'
        ? undefined
        : path.endsWith('tick')
          ? { step: 'must' }
          : { version: 1, design: {} },
    )
    expect(a.status).toBeGreaterThanOrEqual(400)
    expect(a.status).toBeLessThan(405)
  })
  it('nesting twenty thousand deep', async () => {
    for (const path of [
      '/api/calc/spacing',
      `${F}/fittings`,
      '/api/boats',
      '/api/hardware',
      '/api/boats/import',
    ]) {
      const a = await fitter.ask(
        path === '/api/hardware' ? 'PUT' : 'POST',
        path,
        undefined,
        `${'{"a":'.repeat(20_000)}1${'}'.repeat(20_000)}`,
      )
      expect([path, a.status, a.body.error.code]).toEqual([path, 400, 'invalid-input'])
    }
  })
  it('a version that cannot be counted on', async () => {
    const f = (await fitter.ask<{ fittings: { id: string }[] }>('GET', F)).body.fittings[0]!
    const open = (await fitter.ask<{ design: object }>('GET', `/api/fittings/${f.id}`)).body
    for (const version of [2147483647, 1e300, 1.5, -1])
      refused(
        await fitter.ask('PUT', `/api/fittings/${f.id}`, { version, design: open.design }),
        400,
        'version',
      )
  })
  it('NUL and half a surrogate pair in names, notes and addresses', async () => {
    for (const bad of ['a\u0000b', 'half \ud800', '\udc00 half']) {
      refused(
        await fitter.ask('POST', '/api/boats', {
          name: bad,
          lengthMm: 1,
          beamMm: 1,
          displacementKg: 1,
          duty: 'coastal',
          units: 'metric',
          hullKind: 'steel',
        }),
        400,
        'name',
      )
      refused(
        await fitter.ask('POST', `${F}/penetrations`, {
          foundKind: 'open hole',
          diameterMm: 8,
          xMm: 10,
          yMm: 0,
          note: bad,
        }),
        400,
        'note',
      )
    }
    expect((await fitter.ask('GET', '/api/boats/a%00b')).status).toBe(404)
    expect((await fitter.ask('GET', '/api/boats/%F0%9F')).status).toBe(404)
  })
  it('the year nought, and lengths of nothing', async () => {
    const hole = (await fitter.ask<{ holes: { id: number }[] }>('GET', F)).body.holes[0]!
    refused(
      await fitter.ask('POST', `/api/penetrations/${hole.id}/events`, {
        state: 'suspect',
        note: 'x',
        at: '0000-01-01T00:00:00Z',
      }),
      400,
      'at',
    )
    refused(
      await fitter.ask('POST', `${F}/readings`, {
        kind: 'tap',
        zone: 'foredeck',
        xMm: 1,
        yMm: 1,
        finding: 'sound',
        takenAt: '0000-01-01T00:00:00Z',
      }),
      400,
      'takenAt',
    )
    refused(
      await fitter.ask('POST', '/api/boats', {
        name: 'Nothing',
        lengthMm: 1e-300,
        beamMm: 1,
        displacementKg: 1,
        duty: 'coastal',
        units: 'metric',
        hullKind: 'steel',
      }),
      400,
      'lengthMm',
    )
  })
  it('a drawing of 150 000 points', async () => {
    const points = Array.from({ length: 150_000 }, (_, i) => `10\n${i / 10}\n20\n${500 + (i % 7)}\n`).join('')
    const dxf = `0\nSECTION\n2\nENTITIES\n0\nLWPOLYLINE\n90\n150000\n70\n0\n${points}0\nENDSEC\n0\nEOF\n`
    for (const path of [`${F}/outline.dxf`, '/api/hardware/outline.dxf'])
      refused(await fitter.ask('POST', path, undefined, dxf), 400, 'file')
  })
  it('two boats and two zones of one name at once both come to be', async () => {
    const boat = {
      name: 'Twin',
      lengthMm: 7000,
      beamMm: 2500,
      displacementKg: 1900,
      duty: 'coastal',
      units: 'metric',
      hullKind: 'laminate',
    }
    const made = await Promise.all(
      Array.from({ length: 6 }, () => fitter.ask<{ id: string }>('POST', '/api/boats', boat)),
    )
    expect(made.map((a) => a.status)).toEqual(Array(6).fill(201))
    expect(new Set(made.map((a) => a.body.id)).size).toBe(6)
    const zone = {
      title: 'Deck',
      face: 'deck',
      kind: 'solid',
      zMm: 900,
      outline: [
        [0, -1],
        [5000, -1],
        [5000, 900],
      ].map(([xMm, yMm]) => ({ xMm, yMm })),
      layers: [{ material: 'mat', thicknessMm: 8, measured: false }],
    }
    const zones = await Promise.all(
      Array.from({ length: 6 }, () =>
        fitter.ask<{ zones: { code: string }[] }>('POST', `/api/boats/${made[0]!.body.id}/zones`, zone),
      ),
    )
    expect(zones.map((a) => a.status)).toEqual(Array(6).fill(201))
    expect(
      new Set(
        (
          await fitter.ask<{ zones: { code: string }[] }>('GET', `/api/boats/${made[0]!.body.id}`)
        ).body.zones.map((z) => z.code),
      ).size,
    ).toBe(6)
  })
  it('recorded or ticked and taken away at one moment: one of the two wins', async () => {
    for (let i = 0; i < 6; i++) {
      const f = (
        await fitter.ask<{ id: string }>('POST', `${F}/fittings`, {
          catalogueId: 'HG-C250',
          xMm: 1500 + 20 * i,
          yMm: 0,
        })
      ).body
      const deck = await Promise.all([
        fitter.ask('POST', `/api/fittings/${f.id}/record`),
        fitter.ask('DELETE', `/api/fittings/${f.id}`),
      ])
      expect(deck.map((a) => a.status).sort()).toEqual(deck[0].status === 201 ? [201, 409] : [204, 404])
      const t = (
        await fitter.ask<{ id: string }>('POST', `${F}/fittings`, {
          catalogueId: 'MV-S1',
          xMm: 5000 + 20 * i,
          yMm: 300,
          zMm: -300,
          zone: 'bottom',
        })
      ).body
      const hull = await Promise.all([
        fitter.ask('POST', `/api/fittings/${t.id}/tick`, { step: 'must' }),
        fitter.ask('DELETE', `/api/fittings/${t.id}`),
      ])
      expect(hull.map((a) => a.status).sort()).toEqual(hull[0].status === 200 ? [200, 409] : [204, 404])
    }
  })
  it.each([
    ['23505', 409],
    ['23503', 409],
    ['22P02', 400],
    ['22021', 400],
    ['22008', 400],
    ['40P01', 409],
    ['53100', 507],
    ['57P01', 503],
  ])('the database\u2019s own words have one meaning: %s is %i', (code, status) => {
    expect(refusalOf({ name: 'SequelizeDatabaseError', original: { code } })).toMatchObject({ status })
    expect(refusalOf(new Error('a mistake of our own'))).toBeNull()
  })
  it('a full disk says so', () =>
    expect(refusalOf(Object.assign(new Error('write'), { code: 'ENOSPC' }))).toMatchObject({
      status: 507,
      message: expect.stringContaining('disk'),
    }))
})

describe('a large boat makes nobody wait', () => {
  const HOLES = 5000
  const EVENTS = 5
  it('five thousand holes of five events go out in all three ways while others are served', async () => {
    const boat = (
      await fitter.ask<{ id: string }>('POST', '/api/boats', {
        name: 'Large',
        lengthMm: 20000,
        beamMm: 5000,
        displacementKg: 20000,
        duty: 'coastal',
        units: 'metric',
        hullKind: 'laminate',
      })
    ).body.id
    await app.db.query(
      `INSERT INTO penetrations (boat_id, number, what_for, zone, x_mm, y_mm, z_mm, diameter_mm, through, found) SELECT '${boat}', n, 'old hole ' || n, 'not in a zone', n, 0, 900, 8, 'as found', true FROM generate_series(1, ${HOLES}) n`,
    )
    await app.db.query(
      `INSERT INTO life_events (penetration_id, seq, state, who, happened_at, note) SELECT p.id, s, 'suspect', 'Isa Rendall', now(), 'look ' || s FROM penetrations p, generate_series(1, ${EVENTS}) s WHERE p.boat_id = '${boat}'`,
    )
    for (const [what, lines] of [
      ['register.csv', HOLES + 1],
      ['register-events.csv', HOLES * EVENTS + 1],
      ['register.json', HOLES + 3],
    ] as const) {
      // Taken as text: reading so much JSON here would count as waiting.
      const { answer, worstMs } = await held(async () => {
        const r = await fetch(`${app.base}/api/boats/${boat}/${what}`, { headers: { cookie: fitter.cookie } })
        return { status: r.status, text: await r.text() }
      })
      expect([what, answer.status, answer.text.trim().split('\n').length]).toEqual([what, 200, lines])
      expect(worstMs).toBeLessThan(OTHERS_WAIT_MS)
    }
    const json = JSON.parse((await fitter.ask('GET', `/api/boats/${boat}/register.json`)).text) as {
      format: string
      holes: { events: { seq: number }[] }[]
    }
    expect(json.format).toBe('north-tide-register')
    expect(json.holes.every((h) => h.events.map((e) => e.seq).join() === '1,2,3,4,5')).toBe(true)
    const picture = await fetch(`${app.base}/api/boats/${boat}`, { headers: { cookie: fitter.cookie } })
    expect(picture.headers.get('content-encoding')).toBe('gzip')
  }, 240_000)

  it('a log entry on a boat of 150 through-hulls is answered at once; its neighbours follow by the queue', async () => {
    const boat = (
      await fitter.ask<{ id: string }>('POST', '/api/boats', {
        name: 'Many holes',
        lengthMm: 40_000,
        beamMm: 9000,
        displacementKg: 90_000,
        duty: 'coastal',
        units: 'metric',
        hullKind: 'laminate',
      })
    ).body.id
    const one = (
      await fitter.ask<{ id: string; design: object }>('POST', `/api/boats/${boat}/through-hulls`, {
        catalogueId: 'MV-S114',
        xMm: 9000,
        yMm: 400,
        zMm: -400,
        deadriseDeg: 12,
      })
    ).body
    await app.db.query(
      `INSERT INTO fittings (boat_id, kind, solver_due, name, design, verdict, updated_by) SELECT boat_id, kind, false, name || ' ' || n, jsonb_set(jsonb_set(design, '{place,xMm}', to_jsonb(1000 + n * 220)), '{name}', to_jsonb(name || ' ' || n)), 'unproven', 'x' FROM fittings, generate_series(1, 149) n WHERE id = '${one.id}'`,
    )
    await settled()
    const { answer, worstMs } = await held(() =>
      fitter.ask('POST', `/api/fittings/${one.id}/log`, { kind: 'bond', value: 0.05, note: 'meter' }),
    )
    expect(answer.status).toBe(201)
    expect(worstMs).toBeLessThan(OTHERS_WAIT_MS)
    await settled()
    const fittings = (
      await fitter.ask<{ fittings: { kind: string; governing: string | null }[] }>(
        'GET',
        `/api/boats/${boat}`,
      )
    ).body.fittings.filter((f) => f.kind === 'through-hull')
    expect(fittings.filter((f) => f.governing !== null)).toHaveLength(150)
  }, 240_000)
})

describe('what the log tells', () => {
  it('no cookie and no password stands in it, whatever went wrong', async () => {
    logged.length = 0
    await fitter.ask('GET', '/api/boats/nothing')
    await fitter.ask('POST', '/api/session', { login: 'fitter', password: 'a wrong one' })
    await new Promise((done) => setImmediate(done))
    const text = logged.join('')
    expect(text).toContain('"url":"/api/boats/nothing"')
    expect(text).toContain('[Redacted]')
    expect(text).not.toContain('a wrong one')
    expect(text).not.toContain(fitter.cookie.split('=')[1]!.slice(0, 20))
  })
})

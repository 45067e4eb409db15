import { createHash } from 'node:crypto'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { withChange, type Design } from '@north-tide/core'
import { LifeEvent, Photo, User } from '../src/models'
import { settled } from '../src/services/rejudge'
import { Someone, startApp } from './harness'
import { pdfWords } from './pdf-words'

/** No door goes round the gates, nothing that was kept is lost, and of two at one moment one is told. */
let app: Awaited<ReturnType<typeof startApp>>
let manager: Someone
let fitter: Someone
let apprentice: Someone
beforeAll(async () => {
  app = await startApp('doors')
  ;[manager, fitter, apprentice] = (await Promise.all(
    (['manager', 'fitter', 'apprentice'] as const).map((r) => new Someone(app.base).signIn(r)),
  )) as [Someone, Someone, Someone]
}, 240_000)
afterAll(() => app.stop())
const F = '/api/boats/fulmars-reach'
interface Hole {
  id: number
  label: string
  state: string
  whatFor: string
  withdrawnWhy: string | null
  events: {
    seq: number
    state: string
    evidence: string
    sizeMm: number | null
    tempC: number | null
    lot: string | null
    gatesPassed: string[]
    note: string
  }[]
}
const found = (over: object = {}, by = fitter) =>
  by.ask<Hole>('POST', `${F}/penetrations`, {
    foundKind: 'open hole',
    whatFor: 'old rail',
    diameterMm: 8,
    xMm: 5000,
    yMm: -1500,
    ...over,
  })
const holes = async () => (await fitter.ask<{ holes: Hole[] }>('GET', F)).body.holes

describe('gates are weighed on every door', () => {
  it('a found hole that is closed already says how, or a fitter takes it on himself', async () => {
    const silent = await found({ state: 'closed' }, apprentice)
    expect([silent.status, silent.body.error.gates?.map((g) => g.id)]).toEqual([409, ['no-repair']])
    expect((await found({ state: 'closed', gateReason: 'looks it' }, apprentice)).status).toBe(403)
    const passed = (await found({ state: 'closed', gateReason: 'faired and painted over, no way to see' }))
      .body
    const kept = (await fitter.ask<Hole>('GET', `/api/penetrations/${passed.id}`)).body
    expect(kept.events[0]).toMatchObject({ state: 'closed', evidence: '', gatesPassed: ['no-repair'] })
    const told = (await found({ state: 'closed', note: 'bevel 12:1, six plies' }, apprentice)).body
    expect((await fitter.ask<Hole>('GET', `/api/penetrations/${told.id}`)).body.events[0]).toMatchObject({
      evidence: 'bevel 12:1, six plies',
      gatesPassed: [],
    })
  })
  it('a hole says in whose work it was closed, of this boat and only once it is closed', async () => {
    const { id } = (await found({ note: 'stray' })).body
    const at = `/api/penetrations/${id}`
    const [one] = (await fitter.ask<{ fittings: { id: string; name: string; kind: string }[] }>('GET', F))
      .body.fittings
    const event = (more: object) => fitter.ask<Hole & { closedIn: object[] }>('POST', `${at}/events`, more)
    const early = await event({ state: 'suspect', note: 'odd', closedBy: one!.id })
    expect([early.status, early.body.error.path]).toEqual([400, 'closedBy'])
    const nobody = await event({
      state: 'closed',
      evidence: 'faired',
      closedBy: '00000000-0000-4000-8000-000000000000',
    })
    expect([nobody.status, nobody.body.error.path]).toEqual([400, 'closedBy'])
    const told = await event({ state: 'closed', evidence: 'bevel 12:1, six plies', closedBy: one!.id })
    expect(told.body).toMatchObject({ state: 'closed' })
    expect(told.body.closedIn).toEqual([{ id: one!.id, kind: one!.kind, name: one!.name }])
  })
  it('a list that says "in service" is a gate like any other', async () => {
    const csv = 'whatFor,xMm,yMm,diameterMm,state\nfrom a list,5000,-900,8,in service\n'
    const a = await apprentice.ask('POST', `${F}/penetrations/import`, { csv, write: true })
    expect([a.status, a.body.error.code]).toEqual([409, 'gate'])
    expect(
      (await apprentice.ask('POST', `${F}/penetrations/import`, { csv, write: true, gateReason: 'x' }))
        .status,
    ).toBe(403)
    expect(
      (
        await fitter.ask<{ written: number }>('POST', `${F}/penetrations/import`, {
          csv,
          write: true,
          gateReason: 'the last yard\u2019s own list',
        })
      ).body.written,
    ).toBe(1)
    const row = (await holes()).find((h) => h.whatFor === 'from a list')!
    expect(
      (await fitter.ask<Hole>('GET', `/api/penetrations/${row.id}`)).body.events[0]!.gatesPassed,
    ).toContain('no-proof')
  })
  it('a gate opens as soon as its evidence is given, without a reason', async () => {
    const h = (await found()).body
    const to = (more: object) =>
      apprentice.ask<Hole>('POST', `/api/penetrations/${h.id}/events`, { state: 'closed', ...more })
    expect((await to({})).status).toBe(409)
    expect((await to({ evidence: 'bevel, cloth, lot' })).status).toBe(201)
  })
  it('a correction keeps what it does not change', async () => {
    const f = (
      await fitter.ask<{ id: string }>('POST', `${F}/fittings`, {
        catalogueId: 'HG-C200',
        xMm: 9300,
        yMm: -300,
      })
    ).body
    await fitter.ask('POST', `/api/fittings/${f.id}/record`)
    const { holes: mine } = (await fitter.ask<{ holes: Hole[] }>('GET', `/api/fittings/${f.id}`)).body
    const lots = (
      await fitter.ask<{ id: number; code: string; kind: string; expiresOn: string }[]>('GET', '/api/lots')
    ).body
    const epoxy = lots.find((l) => l.kind === 'epoxy' && l.expiresOn > new Date().toISOString())!
    const event = (body: object) => fitter.ask<Hole>('POST', `/api/penetrations/${mine[0]!.id}/events`, body)
    await event({ state: 'drilled', sizeMm: 11 })
    await event({ state: 'core-sealed', tempC: 17, lotId: epoxy.id })
    const last = (
      await event({ state: 'core-sealed', corrects: 3, note: 'written for the wrong temperature', tempC: 12 })
    ).body.events.at(-1)!
    expect(last).toMatchObject({ state: 'core-sealed', tempC: 12, lot: epoxy.code })
    const size = (
      await event({ state: 'drilled', corrects: 2, note: 'the wrong rule', sizeMm: 11.5 })
    ).body.events.at(-1)!
    expect(size).toMatchObject({ sizeMm: 11.5, tempC: null })
  })
})

describe('what was kept is withdrawn, not removed', () => {
  it('a hole kept by mistake leaves map and register with its reason, and is still there for who asks', async () => {
    const h = (await found({ whatFor: 'kept twice' }, apprentice)).body
    const n = (await holes()).length
    expect(
      (await fitter.ask('POST', `/api/penetrations/${h.id}/withdraw`, { why: ' ' })).body.error.path,
    ).toBe('why')
    expect(
      (await apprentice.ask<Hole>('POST', `/api/penetrations/${h.id}/withdraw`, { why: 'kept twice' })).body
        .withdrawnWhy,
    ).toBe('kept twice')
    expect((await holes()).length).toBe(n - 1)
    expect((await fitter.ask('GET', `${F}/register.csv`)).text).toContain('kept twice')
    expect(
      (await fitter.ask('POST', `/api/penetrations/${h.id}/events`, { state: 'suspect', note: 'x' })).body
        .error.code,
    ).toBe('withdrawn')
    expect(
      (await fitter.ask('POST', `${F}/fittings`, { catalogueId: 'MV-B34', holeId: h.id })).body.error.code,
    ).toBe('withdrawn')
    const next = (await found()).body
    expect(Number(next.label.slice(2))).toBeGreaterThan(Number(h.label.slice(2)))
  })
  it('an apprentice takes back only his own; a hole that something stands in stays', async () => {
    const h = (await found()).body
    expect((await apprentice.ask('POST', `/api/penetrations/${h.id}/withdraw`, { why: 'x' })).status).toBe(
      403,
    )
    const used = (await holes()).find((q) => q.whatFor.startsWith('Mooring cleat'))!
    expect(
      (await fitter.ask('POST', `/api/penetrations/${used.id}/withdraw`, { why: 'x' })).body.error.code,
    ).toBe('in-use')
  })
  it('a photo loses where it was taken on the way in, stands as it was held, and is withdrawn and not deleted', async () => {
    const plain = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#886' } })
      .jpeg()
      .toBuffer()
    const bytes = await sharp(plain)
      .withExif({ IFD0: { Make: 'Some camera' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '59/1 8/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer()
    expect((await sharp(bytes).metadata()).exif).toBeDefined()
    const form = new FormData()
    form.set('subject', 'boat')
    form.set('subjectId', 'fulmars-reach')
    form.set('file', new Blob([new Uint8Array(bytes)], { type: 'image/jpeg' }), 'a.jpg')
    const made = (await (
      await fetch(`${app.base}${F}/photos`, {
        method: 'POST',
        headers: { cookie: fitter.cookie },
        body: form,
      })
    ).json()) as { id: number; width: number; height: number }
    expect([made.width, made.height]).toEqual([40, 60])
    // Looked at as soon as it is in, whether or not the queue has come to it.
    const sides = await Promise.all(
      ['small', 'large', 'original'].map(async (size) => {
        const r = await fetch(`${app.base}/api/photos/${made.id}/${size}`, {
          headers: { cookie: fitter.cookie },
        })
        const m = await sharp(Buffer.from(await r.arrayBuffer())).metadata()
        return [r.status, m.exif, m.width, m.height]
      }),
    )
    expect(sides).toEqual([...Array(3)].map(() => [200, undefined, 40, 60]))
    const row = (await Photo.findByPk(String(made.id)))!
    expect(row.small).not.toBeNull()
    expect(row.sha256).toBe(createHash('sha256').update(row.original).digest('hex'))
    expect((await apprentice.ask('POST', `/api/photos/${made.id}/withdraw`, { why: 'x' })).status).toBe(403)
    expect((await fitter.ask('DELETE', `/api/photos/${made.id}`)).status).toBe(404)
    expect(
      (await fitter.ask('POST', `/api/photos/${made.id}/withdraw`, { why: 'the wrong boat' })).status,
    ).toBe(204)
    expect(
      (await fitter.ask<{ id: number }[]>('GET', `${F}/photos`)).body.some((p) => p.id === made.id),
    ).toBe(false)
    expect((await Photo.findByPk(String(made.id)))!.withdrawnWhy).toBe('the wrong boat')
  })
})

describe('a boat with any record stays', () => {
  const boat = {
    name: 'Begun by mistake',
    lengthMm: 7000,
    beamMm: 2500,
    displacementKg: 1900,
    duty: 'coastal',
    units: 'metric',
    hullKind: 'laminate',
  }
  const begun = async () => (await manager.ask<{ id: string }>('POST', '/api/boats', boat)).body.id
  const RECORDS: [string, (id: string) => Promise<{ status: number }>][] = [
    [
      'a through-hull',
      (id) =>
        manager.ask('POST', `/api/boats/${id}/through-hulls`, {
          catalogueId: 'MV-B34',
          xMm: 3000,
          yMm: 200,
          zMm: -200,
        }),
    ],
    [
      'a fitting',
      (id) => manager.ask('POST', `/api/boats/${id}/fittings`, { catalogueId: 'HG-C250', xMm: 3000, yMm: 0 }),
    ],
    [
      'a found hole',
      (id) =>
        manager.ask('POST', `/api/boats/${id}/penetrations`, {
          foundKind: 'open hole',
          diameterMm: 8,
          xMm: 3000,
          yMm: 0,
        }),
    ],
    ['an angle', (id) => manager.ask('POST', `/api/boats/${id}/angles`, { role: 'reference', degrees: 0.4 })],
    [
      'a flooding plan',
      (id) =>
        manager.ask('PUT', `/api/boats/${id}/flooding`, {
          version: 0,
          plan: {
            compartments: [{ id: 'a', title: 'All', fromXMm: 0, toXMm: 7000, areaM2: 5, floorZMm: -300 }],
            doors: [],
            pumps: [],
            marks: [],
          },
        }),
    ],
  ]
  it.each(RECORDS)('with %s it is not removed', async (_, record) => {
    const id = await begun()
    expect((await record(id)).status).toBeLessThan(300)
    const a = await manager.ask('DELETE', `/api/boats/${id}`)
    expect([a.status, a.body.error.code]).toEqual([409, 'not-empty'])
    expect((await manager.ask('GET', `/api/boats/${id}`)).status).toBe(200)
  })
  it('an empty one goes', async () => {
    expect((await manager.ask('DELETE', `/api/boats/${await begun()}`)).status).toBe(204)
  })
})

describe('two at one moment', () => {
  const both = <T>(run: () => Promise<T>) => Promise.all([run(), run(), run(), run()])
  it('one through-hull stands in a found hole, whole or not at all', async () => {
    for (let i = 0; i < 5; i++) {
      const h = (await found({ xMm: 5000 + 40 * i, yMm: -300, zMm: -300, diameterMm: 43 })).body
      const tries = await both(() =>
        fitter.ask<{ id: string; recorded: boolean }>('POST', `${F}/fittings`, {
          catalogueId: 'MV-B114',
          holeId: h.id,
        }),
      )
      expect(tries.map((t) => t.status).sort()).toEqual([201, 409, 409, 409])
      const won = tries.find((t) => t.status === 201)!.body
      expect(won.recorded).toBe(true)
      expect(
        (await fitter.ask<{ holes: Hole[] }>('GET', `/api/fittings/${won.id}`)).body.holes.map((q) => q.id),
      ).toEqual([h.id])
    }
  })
  it('it is ordered once, taken back once, and replaced once', async () => {
    const f = (
      await fitter.ask<{ id: string }>('POST', `${F}/fittings`, {
        catalogueId: 'MV-B114',
        xMm: 4000,
        yMm: 500,
        zMm: -300,
        zone: 'bottom',
      })
    ).body
    const kinds = async () =>
      (await fitter.ask<{ log: { kind: string }[] }>('GET', `/api/fittings/${f.id}`)).body.log.map(
        (l) => l.kind,
      )
    expect(
      (await both(() => fitter.ask('POST', `/api/fittings/${f.id}/order`, { reason: 'in the shop' })))
        .map((t) => t.status)
        .sort(),
    ).toEqual([200, 409, 409, 409])
    expect(await kinds()).toEqual(['order'])
    expect(
      (await both(() => fitter.ask('DELETE', `/api/fittings/${f.id}/order`))).map((t) => t.status).sort(),
    ).toEqual([200, 409, 409, 409])
    expect(await kinds()).toEqual(['order', 'order'])
    expect(
      (await both(() => fitter.ask('POST', `/api/fittings/${f.id}/replace`, { catalogueId: 'MV-B114' })))
        .map((t) => t.status)
        .sort(),
    ).toEqual([201, 409, 409, 409])
  })
  it('structure, hardware, parts and values of the yard are saved under the version that was read', async () => {
    const part = { kind: 'knee', title: 'Knee', x0Mm: 900, y0Mm: -100, x1Mm: 900, y1Mm: 100 }
    const { parts } = (
      await fitter.ask<{ parts: { id: number; title: string; version: number }[] }>(
        'POST',
        `${F}/structure`,
        part,
      )
    ).body
    const mine = parts.at(-1)!
    expect(
      (
        await both(() =>
          fitter.ask('PUT', `${F}/structure/${mine.id}`, {
            ...part,
            title: 'Knee, port',
            version: mine.version,
          }),
        )
      )
        .map((t) => t.status)
        .sort(),
    ).toEqual([200, 409, 409, 409])
    expect(
      (await fitter.ask('PUT', `${F}/structure/${mine.id}`, { ...part, version: mine.version })).body.error,
    ).toMatchObject({ code: 'stale', current: { title: 'Knee, port', version: 2 } })
    const own = {
      id: 'OWN-9',
      title: 'Own pad',
      family: 'bracket',
      face: 'stainless',
      base: { lengthMm: 100, widthMm: 60, thicknessMm: 6, bodyHeightMm: 40 },
      bolts: [{ xMm: -30, yMm: 0 }],
      sizes: ['M8'],
      head: 'hex',
      units: 'metric',
    }
    expect((await both(() => fitter.ask('PUT', '/api/hardware', own))).map((t) => t.status).sort()).toEqual([
      200, 409, 409, 409,
    ])
    expect([
      (await fitter.ask('PUT', '/api/hardware', own)).status,
      (await fitter.ask('PUT', '/api/hardware', { ...own, version: 1 })).status,
    ]).toEqual([409, 200])
    const value = { kind: 'core', material: 'pvc-80', field: 'shearMPa', value: 0.9, reason: 'pulled' }
    expect(
      (await both(() => fitter.ask('PUT', '/api/yard-values', value))).map((t) => t.status).sort(),
    ).toEqual([200, 409, 409, 409])
  })
})

describe('judging anew', () => {
  const open = async () =>
    (
      await app.db.query<{ n: number }>('SELECT count(*)::int AS n FROM rejudge_jobs', {
        type: 'SELECT' as never,
      })
    )[0] as unknown as { n: number }
  it('a value that is not there is taken away, and nothing is judged again', async () => {
    await settled()
    const before = await open()
    expect(
      (
        await fitter.ask('DELETE', '/api/yard-values', {
          kind: 'core',
          material: 'san-85',
          field: 'shearMPa',
        })
      ).status,
    ).toBe(200)
    expect(await open()).toEqual(before)
  })
  it('a change of a zone and its judging stand or fall together', async () => {
    const zone = (
      await fitter.ask<{ zones: { id: number; code: string; version: number }[] }>('GET', F)
    ).body.zones.find((z) => z.code === 'roof')! as { id: number; version: number } & Record<string, unknown>
    const body = Object.fromEntries(
      Object.entries(zone).filter(([k]) =>
        [
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
          'version',
        ].includes(k),
      ),
    )
    const layers = (
      zone.layers as { material: string; thicknessMm: number; measured: boolean; measuredBy: string }[]
    ).map(({ material, thicknessMm, measured, measuredBy }) => ({
      material,
      thicknessMm,
      measured,
      measuredBy,
    }))
    const before = await open()
    // A stale save changes nothing and asks for nothing.
    expect((await fitter.ask('PUT', `${F}/zones/${zone.id}`, { ...body, layers, version: 999 })).status).toBe(
      409,
    )
    expect(await open()).toEqual(before)
    const saved = await fitter.ask<{ job: { id: number } }>('PUT', `${F}/zones/${zone.id}`, {
      ...body,
      layers,
    })
    expect([saved.status, (await open()).n]).toEqual([200, before.n + 1])
    await settled()
    expect(
      (
        await fitter.ask<{ finished: boolean; done: number; total: number }>(
          'GET',
          `${F}/rejudge/${saved.body.job.id}`,
        )
      ).body,
    ).toMatchObject({ finished: true })
  })
})

describe('paper says what the bench says', () => {
  it(
    'the mast step that the plate solver calls worst is short on its sheet, with what the place warns of',
    { timeout: 300_000 },
    async () => {
      await settled()
      const { fittings } = (
        await fitter.ask<{ fittings: { id: string; name: string; verdict: string; governing: string }[] }>(
          'GET',
          F,
        )
      ).body
      for (const f of fittings) {
        const r = await fetch(`${app.base}/api/fittings/${f.id}/spec.pdf`, {
          headers: { cookie: fitter.cookie },
        })
        const words = await pdfWords(new Uint8Array(await r.arrayBuffer()))
        expect([f.name, r.status]).toEqual([f.name, 200])
        expect(words).toContain(`${f.verdict.charAt(0).toUpperCase()}${f.verdict.slice(1)}: `)
        expect(words).not.toContain('has not judged it yet')
        const flags = (await fitter.ask<{ flags: { text: string }[] }>('GET', `/api/fittings/${f.id}`)).body
          .flags
        expect([f.name, words.includes('Before drilling here')]).toEqual([f.name, flags.length > 0])
      }
      const step = fittings.find((f) => f.name === 'Steadying mast step')!
      expect([step.verdict, step.governing]).toEqual(['short', 'spread-skin-inner'])
    },
  )
})

describe('who asks is read anew', () => {
  it('a role that was changed, and an account that is gone, count at the next request', async () => {
    const somebody = await new Someone(app.base).signIn('apprentice')
    const probe = () => somebody.ask('POST', '/api/lots/1/test', { note: 'a bead' })
    expect((await probe()).status).toBe(403)
    await User.update({ role: 'fitter' }, { where: { login: 'apprentice' } })
    expect((await probe()).status).toBe(200)
    await User.update({ role: 'apprentice' }, { where: { login: 'apprentice' } })
    expect((await probe()).status).toBe(403)
  })
  it('a login that is not known takes as long to refuse as one that is', async () => {
    const time = async (login: string) => {
      const t0 = performance.now()
      await new Someone(app.base).ask('POST', '/api/session', { login, password: 'not it' })
      return performance.now() - t0
    }
    const [known, unknown]: [number[], number[]] = [[], []]
    for (let i = 0; i < 6; i++) {
      known.push(await time('manager'))
      unknown.push(await time('nobody-at-all'))
    }
    const middle = (v: number[]) => v.sort((a, b) => a - b)[3]!
    expect(middle(unknown) / middle(known)).toBeGreaterThan(0.5)
    expect(middle(unknown) / middle(known)).toBeLessThan(2)
  })
})

describe('a place that is on no boat', () => {
  it.each([
    [99_999, 0, 'xMm'],
    [4000, 9000, 'yMm'],
  ])('x %i, y %i is refused beside the figure', async (xMm, yMm, path) => {
    expect(
      (await fitter.ask('POST', `${F}/fittings`, { catalogueId: 'HG-C250', xMm, yMm })).body.error,
    ).toMatchObject({ code: 'off-boat', path })
    expect((await found({ xMm, yMm })).body.error).toMatchObject({ code: 'off-boat', path })
    const f = (await fitter.ask<{ fittings: { id: string }[] }>('GET', F)).body.fittings[0]!
    const now = (await fitter.ask<{ version: number; design: Design }>('GET', `/api/fittings/${f.id}`)).body
    expect(
      (
        await fitter.ask('PUT', `/api/fittings/${f.id}`, {
          version: now.version,
          design: withChange(now.design, { 'place.xMm': xMm, 'place.yMm': yMm }),
        })
      ).body.error,
    ).toMatchObject({ code: 'off-boat', path: `design.place.${path}` })
  })
  it('nothing of a life was written that nobody wrote', async () => {
    expect(await LifeEvent.count({ where: { evidence: 'as the list says' } })).toBe(0)
  })
})

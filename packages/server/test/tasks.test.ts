import { unzipSync, strFromU8 } from 'fflate'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { kept } from '../src/services/nightly'
import { askOnce, taskKind, type TaskShown } from '../src/services/tasks'
import { Mail, Photo, Task } from '../src/models'
import { Someone, startYard, type Yard } from './harness'

/** Work that nobody waits for with the page open: done, stopped, tried again, taken up after a kill. */
let app: Yard['app']
let fitter: Someone
let owner: Someone
let apprentice: Someone
let manager: Someone
const F = '/api/boats/fulmars-reach'
let broken = true
beforeAll(async () => {
  taskKind('breaks', async () => {
    if (broken) throw new Error('the disk is full')
    return null
  })
  ;({ app, fitter, owner, apprentice } = await startYard('the_tasks'))
  manager = await new Someone(app.base).signIn('manager')
}, 240_000)
afterAll(() => app.stop())
const one = async (id: string, who = manager) => (await who.ask<TaskShown>('GET', `/api/tasks/${id}`)).body
const ends = (id: string, timeout = 30_000) =>
  expect.poll(async () => (await one(id)).state, { timeout, interval: 100 }).not.toMatch(/waiting|working/)

describe('a passport as a task', () => {
  it('is packed behind the page, and is for whoever asked for it', async () => {
    const asked = await owner.ask<TaskShown>('POST', `${F}/passport/tasks`, {})
    expect(asked.status).toBe(202)
    await ends(asked.body.id)
    expect(await one(asked.body.id, owner)).toMatchObject({
      state: 'done',
      file: expect.stringContaining('.zip'),
    })
    const r = await fetch(`${app.base}/api/tasks/${asked.body.id}/file`, {
      headers: { cookie: owner.cookie },
    })
    const files = unzipSync(new Uint8Array(await r.arrayBuffer()))
    expect(Object.keys(files)).toEqual(expect.arrayContaining(['passport.json', 'passport.pdf', 'holes.csv']))
    expect(JSON.parse(strFromU8(files['passport.json']!))).toHaveProperty('seal')
    expect((await apprentice.ask('GET', `/api/tasks/${asked.body.id}/file`)).status).toBe(403)
  })
  it('of a boat that he does not read is none', async () => {
    expect((await owner.ask('POST', '/api/boats/pipit/passport/tasks', {})).status).toBe(403)
    expect((await fitter.ask('POST', '/api/boats/nowhere/passport/tasks', {})).status).toBe(404)
  })
})

describe('the yard as open files', () => {
  it('is packed for the manager alone: each boat with her register, map and pictures, stores, people; no password', async () => {
    expect((await fitter.ask('POST', '/api/yard/tasks', {})).status).toBe(403)
    const asked = await manager.ask<TaskShown>('POST', '/api/yard/tasks', {})
    await ends(asked.body.id, 60_000)
    expect(await one(asked.body.id)).toMatchObject({ state: 'done', file: 'the yard.zip' })
    const r = await fetch(`${app.base}/api/tasks/${asked.body.id}/file`, {
      headers: { cookie: manager.cookie },
    })
    const files = unzipSync(new Uint8Array(await r.arrayBuffer()))
    const boats = (await manager.ask<{ id: string }[]>('GET', '/api/boats')).body.map((b) => b.id)
    for (const id of boats)
      for (const f of ['boat.json', 'register.csv', 'events.csv', 'map.svg'])
        expect(Object.keys(files)).toContain(`boats/${id}/${f}`)
    const text = (name: string) => strFromU8(files[name]!)
    expect(text('people.csv')).toContain('Tam Corrigall')
    expect(Object.keys(files).map(text).join('')).not.toMatch(/argon2|scrypt\$/)
    expect(text('stores/lots.csv').split('\n').length).toBeGreaterThan(3)
    expect(text('boats/fulmars-reach/register.csv')).toContain('P-001')
    // A boat of it is read as what it is.
    const again = await fitter.ask<{ id: string }>(
      'POST',
      '/api/boats/import',
      JSON.parse(text('boats/pipit/boat.json')),
    )
    expect(again.status).toBe(201)
  }, 240_000)
})

describe('pictures', () => {
  it('are kept as they come in, and made small by the queue', async () => {
    const picture = await sharp({ create: { width: 2400, height: 1200, channels: 3, background: '#446' } })
      .jpeg()
      .toBuffer()
    const ids = await Promise.all(
      [0, 1, 2].map(async () => {
        const form = new FormData()
        form.set('subject', 'boat')
        form.set('subjectId', 'fulmars-reach')
        form.set('file', new Blob([new Uint8Array(picture)], { type: 'image/jpeg' }), 'a.jpg')
        const headers = { cookie: fitter.cookie }
        const r = await fetch(`${app.base}${F}/photos`, { method: 'POST', headers, body: form })
        expect(r.status).toBe(201)
        return ((await r.json()) as { id: number }).id
      }),
    )
    const rows = () => Photo.findAll({ where: { id: ids.map(String) } })
    await expect
      .poll(async () => (await rows()).every((p) => p.small && p.large), { timeout: 120_000 })
      .toBe(true)
    for (const p of await rows()) {
      const sizes = await Promise.all([p.small!, p.large!].map((b) => sharp(b).metadata()))
      expect(sizes.map((m) => [m.width, m.height])).toEqual([
        [320, 160],
        [1600, 800],
      ])
    }
  })
})

describe('what fails', () => {
  it('is tried three times, lies with the manager, and is tried again or let go', async () => {
    await askOnce('breaks', '2031-01-01')
    const id = (await Task.findOne({ where: { kind: 'breaks' } }))!.id
    await ends(id, 60_000)
    expect(await one(id)).toMatchObject({ state: 'failed', said: 'the disk is full', tries: 3 })
    expect((await fitter.ask('GET', '/api/tasks')).status).toBe(403)
    const all = (await manager.ask<{ tasks: TaskShown[] }>('GET', '/api/tasks')).body.tasks
    expect(all.find((t) => t.id === id)!.state).toBe('failed')
    broken = false
    expect((await manager.ask('POST', `/api/tasks/${id}/again`, {})).status).toBe(200)
    await ends(id)
    expect((await one(id)).state).toBe('done')
    expect((await manager.ask('POST', `/api/tasks/${id}/again`, {})).status).toBe(409)
  }, 240_000)
  it('the clock asks once a day, whoever’s clock it is', async () => {
    await Promise.all([1, 2, 3].map(() => askOnce('breaks', '2031-01-02')))
    expect(await Task.count({ where: { kind: 'breaks' } })).toBe(2)
  })
  it('one whose process was killed is taken up again', async () => {
    const long = new Date(Date.now() - 60_000)
    const t = await Task.create({
      id: '5f0e2a52-7c1b-4c86-9d4e-0a2b6a2f9b11',
      kind: 'breaks',
      ask: {},
      state: 'working',
      beatAt: long,
      tries: 1,
      askedBy: 'x',
      askedLogin: 'manager',
    })
    await ends(t.id)
    expect(await one(t.id)).toMatchObject({ state: 'done', tries: 2 })
  }, 240_000)
  it('one that nobody knows how to do says so at once', async () => {
    await askOnce('unheard-of', '2031-01-01')
    const id = (await Task.findOne({ where: { kind: 'unheard-of' } }))!.id
    await ends(id)
    expect((await one(id)).said).toContain('unheard-of')
    expect((await manager.ask<TaskShown>('DELETE', `/api/tasks/${id}`)).body.state).toBe('cancelled')
  })
})

describe('the post box', () => {
  it('has one letter a week of what is due, for each of his own boats, and marks it read', async () => {
    await askOnce('remind', '2031-01-06')
    await expect.poll(() => Mail.count(), { timeout: 120_000, interval: 200 }).toBeGreaterThan(3)
    const id = (await Task.findOne({ where: { kind: 'remind', ask: { day: '2031-01-06' } } }))!.id
    await ends(id, 60_000)
    const n = await Mail.count()
    await askOnce('remind', '2031-01-07')
    await ends((await Task.findOne({ where: { kind: 'remind', ask: { day: '2031-01-07' } } }))!.id, 60_000)
    expect(await Mail.count()).toBe(n)
    interface Box {
      mails: { id: number; subject: string; body: string; readAt: string | null }[]
      smtp: boolean
    }
    const his = (await owner.ask<Box>('GET', '/api/post')).body
    expect(his.smtp).toBe(false)
    expect(his.mails).toHaveLength(1)
    expect(his.mails[0]!.body).toContain('Fulmar')
    expect(his.mails[0]!.body).not.toContain('Pipit')
    const letter = his.mails[0]!.id
    expect((await fitter.ask('POST', `/api/post/${letter}/read`, {})).status).toBe(404)
    const read = (await owner.ask<Box['mails'][number]>('POST', `/api/post/${letter}/read`, {})).body
    expect(read.readAt).not.toBeNull()
    const bad = await owner.ask<{ error: { path: string } }>('PUT', '/api/post/address', {
      address: 'nobody',
    })
    expect([bad.status, bad.body.error.path]).toEqual([400, 'address'])
  }, 360_000)
})

describe('backups of the night', () => {
  it('keeps a week of days and the first of each of two months of weeks', () => {
    const days = Array.from({ length: 120 }, (_, i) =>
      new Date(Date.UTC(2031, 3, 30) - i * 86_400_000).toISOString().slice(0, 10),
    )
    const stays = kept(days)
    for (const d of days.slice(0, 7)) expect(stays).toContain(d)
    expect(stays.size).toBeLessThanOrEqual(15)
    const mondays = days.filter((d) => new Date(d).getUTCDay() === 1).slice(0, 8)
    for (const d of mondays) expect(stays).toContain(d)
    expect(kept([])).toEqual(new Set())
    expect(kept(['2031-04-30'])).toEqual(new Set(['2031-04-30']))
  })
  it('without a place to keep it none is made, and the manager is told', async () => {
    const b = (await manager.ask<{ files: object[] | null }>('GET', '/api/backups')).body
    expect(b.files).toBeNull()
    expect((await fitter.ask('GET', '/api/backups')).status).toBe(403)
  })
})

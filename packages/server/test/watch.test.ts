import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { WatchList } from '@north-tide/core'
import { startYard, type Someone, type Yard } from './harness'

/** The looks of a boat, from what stands in her and what was looked at. */
let app: Yard['app']
let fitter: Someone
let owner: Someone
type Listed = WatchList & { today: string }
const F = '/api/boats/fulmars-reach'
beforeAll(async () => {
  ;({ app, fitter, owner } = await startYard('the_watch'))
}, 240_000)
afterAll(() => app.stop())
const list = async (query = '') => (await fitter.ask<Listed>('GET', `${F}/watch${query}`)).body

describe('the watch of a boat', () => {
  it('says what is suspect first, and keeps her ashore for it', async () => {
    const w = await list()
    expect(w.rows.length).toBeGreaterThan(5)
    expect(w.rows.filter((r) => r.severity === 'stop').length).toBeGreaterThan(0)
    for (const r of w.rows) {
      expect(r.name, r.id).toMatch(/\S/)
      expect(r.title, r.task).not.toMatch(/^[a-z-]+$/)
      expect(r.why).toMatch(/\S/)
      expect(r.overdueDays).toBeGreaterThanOrEqual(0)
    }
    expect(w.notLaunchable.map((n) => n.reason)).toContain('suspect')
    const named = w.visits.flatMap((v) => v.tasks.map((t) => `${t.name} ${t.title}`))
    expect(named).toHaveLength(new Set(named).size)
  })
  it('a look that is recorded is due no more, and due again after its interval', async () => {
    const before = (await list('?days=400')).rows.find((r) => r.task === 'look' && r.kind === 'through-hull')!
    const r = await fitter.ask('POST', `/api/fittings/${before.id}/log`, {
      kind: 'look',
      task: 'look',
      note: 'dry all round',
    })
    expect(r.status).toBe(201)
    const after = (await list('?days=400')).rows.find((x) => x.id === before.id && x.task === 'look')!
    expect(after.known).toBe(true)
    expect(after.due > before.due).toBe(true)
    expect((await list()).rows.some((x) => x.id === before.id && x.task === 'look')).toBe(false)
  })
  it('a farther horizon shows as much or more', async () => {
    const [near, far] = await Promise.all([list('?days=7'), list('?days=800')])
    expect(far.rows.length).toBeGreaterThanOrEqual(near.rows.length)
    expect(near.rows.every((r) => far.rows.some((f) => f.id === r.id && f.task === r.task))).toBe(true)
  })
  it.each([
    ['?days=-1', 400, 'days'],
    ['?days=soon', 400, 'days'],
  ])('%s is refused', async (query, status, path) => {
    const r = await fitter.ask<{ error: { path: string } }>('GET', `${F}/watch${query}`)
    expect(r.status).toBe(status)
    expect(r.body.error.path).toBe(path)
  })
  it('an owner reads it, and another boat is not there', async () => {
    expect((await owner.ask('GET', `${F}/watch`)).status).toBe(200)
    expect((await fitter.ask('GET', '/api/boats/nowhere/watch')).status).toBe(404)
  })
})

describe('valves, and all boats at once', () => {
  it('a valve is put down as shut or open by hand, and its switch says so too, simulated', async () => {
    const { leaving } = await list()
    const v = leaving.shut.find((x) => x.said === null)!
    const put = (valve: string) =>
      fitter.ask<{ error: { path: string } }>('POST', `/api/fittings/${v.id}/log`, {
        kind: 'look',
        task: 'exercise',
        note: `left ${valve}`,
        valve,
      })
    expect((await put('ajar')).body.error.path).toBe('valve')
    expect((await put('shut')).status).toBe(201)
    const after = (await list()).leaving
    expect(after.shut.some((x) => x.id === v.id)).toBe(false)
    expect(after.isShut.find((x) => x.id === v.id)!.said).toMatchObject({ state: 'shut', sensor: false })
    expect((await owner.ask('POST', `${F}/valves/read`, {})).status).toBe(403)
    const read = (await fitter.ask<Listed>('POST', `${F}/valves/read`, {})).body.leaving
    const all = [...read.shut, ...read.leaveOpen, ...read.isShut]
    expect(all.length).toBe(leaving.shut.length + leaving.leaveOpen.length + leaving.isShut.length)
    for (const x of all) if (x.kind !== null) expect(x.said).toMatchObject({ sensor: true })
    for (const x of read.isShut) expect(x.said!.state).toBe('shut')
  })
  it('the yard: each boat that somebody reads, and the days on which one goes', async () => {
    interface YardWatch {
      boats: { id: string; due: number; overdue: number; next: string | null }[]
      visits: { date: string; boats: { id: string; looks: number }[] }[]
    }
    const yard = (await fitter.ask<YardWatch>('GET', '/api/watch')).body
    const w = await list()
    const one = yard.boats.find((b) => b.id === 'fulmars-reach')!
    expect(one).toMatchObject({ due: w.rows.length, next: w.visits[0]!.date })
    expect(yard.boats.length).toBeGreaterThan(1)
    const looks = yard.visits.flatMap((v) => v.boats).filter((b) => b.id === one.id)
    expect(looks.map((b) => b.looks)).toEqual(w.visits.map((v) => v.tasks.length))
    const his = (await owner.ask<YardWatch>('GET', '/api/watch')).body
    expect(his.boats.length).toBeLessThan(yard.boats.length)
  })
})

describe('a look that found it not in order', () => {
  it('turns its holes suspect with what was seen, and stands first in the list', async () => {
    const row = (await list('?days=400')).rows.find(
      (r) => r.kind === 'through-hull' && r.severity !== 'stop',
    )!
    const ask = (body: object, who = fitter) => who.ask('POST', `/api/fittings/${row.id}/suspect`, body)
    expect((await ask({ why: ' ' })).status).toBe(400)
    expect((await ask({ why: 'weeps' }, owner)).status).toBe(403)
    expect((await ask({ why: 'weeps at the after bolt', task: row.task })).status).toBeLessThan(300)
    const f = (
      await fitter.ask<{ holes: { state: string }[]; log: { note: string }[] }>(
        'GET',
        `/api/fittings/${row.id}`,
      )
    ).body
    expect(f.holes.every((h) => h.state === 'suspect')).toBe(true)
    expect(f.log.at(-1)!.note).toContain('not in order: weeps at the after bolt')
    expect((await list()).rows.find((r) => r.id === row.id && r.task === 'suspect')).toMatchObject({
      severity: 'stop',
    })
  })
})

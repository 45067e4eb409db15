import dayjs from 'dayjs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ManyDone } from '../src/services/many-holes'
import { startYard, type Someone, type Yard } from './harness'

/** The same step of the life of many holes, the odd one out left and named. */
let app: Yard['app']
let fitter: Someone
let owner: Someone
let apprentice: Someone
const F = '/api/boats/fulmars-reach'
interface Hole {
  id: number
  label: string
  state: string
}
beforeAll(async () => {
  ;({ app, fitter, owner, apprentice } = await startYard('the_many'))
}, 240_000)
afterAll(() => app.stop())
const holes = async () => (await fitter.ask<Hole[]>('GET', `${F}/penetrations`)).body
const send = (ids: number[], event: object, who = fitter) =>
  who.ask<ManyDone & { error: { code: string; path: string } }>('POST', `${F}/penetrations/events`, {
    ids,
    event,
  })

describe('many holes at once', () => {
  it('each by its own rules: what stands before a gate is left, with its reason, and the rest is written', async () => {
    const all = await holes()
    const [a, b] = all.filter((h) => h.state === 'in-service')
    const odd = all.find((h) => h.state === 'marked')!
    const r = await send([a!.id, b!.id, odd.id], { state: 'proved', note: 'hosed together' })
    expect(r.status).toBe(200)
    const left = r.body.left.map((l) => l.label)
    expect(left).toContain(odd.label)
    expect(r.body.left.find((l) => l.id === odd.id)!.why).toMatch(/\S/)
    const now = new Map((await holes()).map((h) => [h.id, h.state]))
    for (const d of r.body.done) expect(now.get(d.id)).toBe('proved')
    expect(now.get(odd.id)).toBe('marked')
    expect(r.body.done.length + r.body.left.length).toBe(3)
  })
  it('suspect is anybody’s word; a hole of another boat, or none, is named and changes nothing', async () => {
    const all = (await holes()).filter((h) => h.state === 'in-service').slice(0, 2)
    const r = await send([...all.map((h) => h.id), 999_999], {
      state: 'suspect',
      note: 'wet under the liner',
    })
    expect(r.body.done.map((d) => d.id)).toEqual(all.map((h) => h.id))
    expect(r.body.left).toEqual([
      { id: 999_999, label: 'hole 999999', why: 'There is no such hole in this boat', path: null },
    ])
    const now = await holes()
    for (const h of all) expect(now.find((x) => x.id === h.id)!.state).toBe('suspect')
  })
  it.each([
    [[], { state: 'proved' }, 'ids'],
    [[1], { state: 'proved', corrects: 2 }, 'event.corrects'],
  ])('%j with %j is refused at %s', async (ids, event, path) => {
    const r = await send(ids, event)
    expect([r.status, r.body.error.path]).toEqual([400, path])
  })
  it('an owner writes nothing; an apprentice’s gate is left for a fitter', async () => {
    const one = (await holes()).find((h) => h.state === 'marked')!
    expect((await send([one.id], { state: 'suspect', note: 'x' }, owner)).status).toBe(403)
    const r = await send([one.id], { state: 'bedded', note: 'x', gateReason: 'because' }, apprentice)
    expect(r.body.left.map((l) => l.id)).toEqual([one.id])
  })
  it('the last survey is the last day of a reading or of what was found, before this one', async () => {
    const { day } = (await fitter.ask<{ day: string | null }>('GET', `${F}/last-survey`)).body
    expect(day).toMatch(/^\d{4}-\d\d-\d\d$/)
    expect(day! < dayjs().format('YYYY-MM-DD')).toBe(true)
  })
})

import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import dayjs from 'dayjs'
import type { BoatWatch } from '../src/services/watch'
import { Someone, startYard, type Yard } from './harness'

/** The day on which a boat goes into the water, and what is looked at from then on. */
let yard: Yard
beforeAll(async () => (yard = await startYard('launches')), 60_000)
afterAll(() => yard.app.stop())

const BOAT = '/api/boats/fulmars-reach'
const watch = async (boat = BOAT) => (await yard.fitter.ask<BoatWatch>('GET', `${boat}/watch`)).body
const launch = (body: object, boat = BOAT, by: Someone = yard.fitter) =>
  by.ask<BoatWatch>('POST', `${boat}/launches`, body)
const afterLaunch = (w: BoatWatch) => w.rows.filter((r) => r.task.startsWith('launch-'))

describe('a launch', () => {
  it('with things that keep her ashore wants a reason, which stays with them', async () => {
    const { notLaunchable } = await watch()
    expect(notLaunchable.length).toBeGreaterThan(0)
    const bare = await launch({})
    expect([bare.status, bare.body.error.code, bare.body.error.path]).toEqual([
      409,
      'not-launchable',
      'reason',
    ])
    const done = await launch({
      at: dayjs().subtract(1, 'day').toISOString(),
      reason: 'towed to the other slip, pumps manned',
    })
    expect(done.status).toBe(201)
    const [last] = done.body.launches
    expect([last!.reason, last!.who, last!.against.length]).toEqual([
      'towed to the other slip, pumps manned',
      'Tam Corrigall',
      notLaunchable.length,
    ])
  })
  it('counts the looks at what is new below the waterline from its minute', async () => {
    const at = dayjs().subtract(30, 'minute')
    const { holes } = (
      await yard.fitter.ask<{ holes: { id: number; belowWaterline: boolean; fittingId: string | null }[] }>(
        'GET',
        BOAT,
      )
    ).body
    const below = holes.filter((h) => h.belowWaterline && h.fittingId !== null)
    expect(below.length).toBeGreaterThan(0)
    for (const h of below)
      for (const state of ['bedded', 'cured', 'proved']) {
        const event = { state, gateReason: 'as it stands in the yard\u2019s old book' }
        const a = await yard.fitter.ask('POST', `/api/penetrations/${h.id}/events`, event)
        expect(a.status).toBe(201)
      }
    await launch({ at: at.toISOString(), reason: 'as above' })
    const looks = afterLaunch(await watch())
    expect(looks.length).toBeGreaterThan(4)
    // At once and after ten minutes are over; the hour is to come.
    const of = (n: number) => looks.filter((r) => r.task === `launch-${n}`)
    expect(of(1).every((r) => r.due === at.format('YYYY-MM-DD'))).toBe(true)
    const after = looks.find((r) => r.kind !== null)!
    const look = { kind: 'look', task: 'launch-3', note: 'After launch, an hour: dry' }
    expect((await yard.fitter.ask('POST', `/api/fittings/${after.id}/log`, look)).status).toBe(201)
    const left = afterLaunch(await watch()).filter((r) => r.id === after.id)
    expect(left.map((r) => r.task)).toEqual(['launch-4', 'launch-5'])
  })
  it.each([
    ['tomorrow', { at: dayjs().add(1, 'day').toISOString(), reason: 'x' }, 400, 'at'],
    ['at no time', { at: 'noon', reason: 'x' }, 400, 'at'],
  ])('is not put down for %s', async (_w, body, status, path) => {
    const a = await launch(body)
    expect([a.status, a.body.error.path]).toEqual([status, path])
  })
  it('is put down by the yard alone', async () => {
    expect((await launch({ reason: 'x' }, BOAT, yard.owner)).status).toBe(403)
  })
  it('goes along in the file of the boat and comes in with it', async () => {
    const file = (await yard.fitter.ask<{ launches: unknown[] }>('GET', `${BOAT}/boat.json?photos=no`)).body
    expect(file.launches.length).toBe(2)
    const made = await yard.fitter.ask<{ id: string }>('POST', '/api/boats/import', file)
    expect(made.status).toBe(201)
    const again = await yard.fitter.ask<{ launches: unknown[] }>(
      'GET',
      `/api/boats/${made.body.id}/boat.json`,
    )
    expect(again.body.launches).toEqual(file.launches)
  })
})

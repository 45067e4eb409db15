import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { QueryTypes } from 'sequelize'
import { newDay } from '../src/services/rejudge'
import { startYard, type Someone, type Yard } from './harness'

/** What goes by the day is judged anew on a new day, on boats without a launch, too. */
let app: Yard['app']
let fitter: Someone
interface Rig {
  id: string
  version: number
  verdict: string
  design: object
}
beforeAll(async () => {
  ;({ app, fitter } = await startYard('calendar'))
}, 240_000)
afterAll(() => app.stop())

const jobs = () =>
  app.db.query<{ boatId: string; why: string }>(
    `SELECT boat_id AS "boatId", why FROM rejudge_jobs WHERE beat_at >= current_date ORDER BY id`,
    { type: QueryTypes.SELECT },
  )

describe('a new day', () => {
  it('a temporary repair that ended yesterday is short without anybody opening it', async () => {
    const boat = await fitter.ask<{ fittings: { id: string; name: string }[] }>('GET', '/api/boats/pipit')
    expect(boat.status).toBe(200)
    const made = await fitter.ask<Rig>('POST', '/api/boats/pipit/fittings', {
      catalogueId: 'BS-K6',
      name: 'Shroud',
      xMm: 2600,
      yMm: -700,
    })
    expect(made.status).toBe(201)
    const temporary = {
      what: 'strop',
      goodFor: 'motoring',
      until: '2020-01-01',
      then: 'it is rebuilt',
      notMeanwhile: '',
    }
    // As it was stored while the repair still held: only the day has gone on since.
    await app.db.query(
      `UPDATE fittings SET verdict = 'holds', governing = NULL, design = jsonb_set(design, '{temporary}', $2::jsonb) WHERE id = $1`,
      { bind: [made.body.id, JSON.stringify(temporary)] },
    )
    await vi.waitFor(
      async () =>
        expect(
          await app.db.query(`SELECT 1 FROM rejudge_jobs WHERE finished_at IS NULL`, {
            type: QueryTypes.SELECT,
          }),
        ).toEqual([]),
      { timeout: 120_000 },
    )
    await app.db.query(`UPDATE fittings SET verdict = 'holds', governing = NULL WHERE id = $1`, {
      bind: [made.body.id],
    })
    await app.db.query(`UPDATE rejudge_jobs SET beat_at = now() - interval '2 days'`)
    await newDay()
    expect((await jobs()).map((j) => j.boatId)).toContain('pipit')
    await vi.waitFor(
      async () =>
        expect((await fitter.ask<Rig>('GET', `/api/fittings/${made.body.id}`)).body.verdict).toBe('short'),
      { timeout: 120_000 },
    )
  })
  it('once a day is enough', async () => {
    const before = (await jobs()).length
    await newDay()
    expect((await jobs()).length).toBe(before)
  })
})

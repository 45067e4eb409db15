import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { LogLine, Step } from '@north-tide/core'
import { kindNamed } from '@north-tide/core/kinds'
import { ALONE, workState } from '@north-tide/core'
import { startYard, type Someone, type Yard } from './harness'

/** A hole that is there is closed by its own work, and its life says so under its own number. */
let app: Yard['app']
let fitter: Someone
let owner: Someone
interface Hole {
  id: number
  label: string
  state: string
  whatFor: string
  closedIn: { id: string; name: string }[]
  events: { state: string; evidence: string; who: string; corrects: number | null }[]
}
interface Open {
  id: string
  version: number
  verdict: string
  name: string
  design: { holes: { label: string | null; holeMm: number }[]; coreState: string }
  recorded: boolean
  holes: { id: number; label: string; state: string }[]
  log: LogLine[]
}
interface Picture {
  holes: { id: number; label: string; state: string }[]
}
let picture: Picture
const F = '/api/boats/fulmars-reach'
const idOf = (label: string) => picture.holes.find((h) => h.label === label)!.id
const holeNow = async (label: string) =>
  (await fitter.ask<Hole>('GET', `/api/penetrations/${idOf(label)}`)).body
const closing = (label: string, more: object = {}) =>
  fitter.ask<Open>('POST', `${F}/fittings`, { catalogueId: 'CX-1', holeId: idOf(label), ...more })

beforeAll(async () => {
  ;({ app, fitter, owner } = await startYard('closures'))
  picture = (await fitter.ask<Picture>('GET', F)).body
}, 240_000)
afterAll(() => app.stop())

const kind = kindNamed('closure')
const stepsOf = (f: Open): Step[] => {
  const d = kind.schema.parse(f.design)
  return kind.steps(d, kind.judge(d, ALONE), 'metric', workState(f.log))
}
const tick = (id: string, step: string, more: object = {}) =>
  fitter.ask<Open>('POST', `/api/fittings/${id}/tick`, { step, note: '', ...more })

describe('closing a hole that was found', () => {
  it('begins with the hole, its size and where it is, and takes nothing away from it', async () => {
    const { status, body } = await closing('P-012')
    expect(status).toBe(201)
    expect(body.name).toBe('Closing P-012, Engine intake')
    expect(body.design.holes).toMatchObject([{ label: 'P-012', holeMm: 43 }])
    expect(body.recorded).toBe(false)
    expect(await holeNow('P-012')).toMatchObject({ state: 'suspect', whatFor: 'Engine intake', closedIn: [] })
  })
  it('its work, ticked to the end, closes the hole with what was said, once', async () => {
    let { body: f } = await closing('P-003')
    const saved = await fitter.ask<Open>('PUT', `/api/fittings/${f.id}`, {
      version: f.version,
      design: { ...f.design, coreState: 'dry' },
    })
    expect(saved.status).toBe(200)
    f = (await fitter.ask<Open>('GET', `/api/fittings/${f.id}`)).body
    const proof = 'bevel 8:1, 7 plies of biaxial 400, lot E-2; tapped all over'
    for (const s of stepsOf(f)) {
      const r = await tick(f.id, s.id, {
        looked: s.looks,
        reason: 'in the test the day is not asked about',
        ...(s.asks.includes('proof') ? { proof } : {}),
      })
      expect(r.status, `${s.id}: ${JSON.stringify(r.body).slice(0, 200)}`).toBe(200)
    }
    const done = await holeNow('P-003')
    expect(done.state).toBe('closed')
    expect(done.closedIn).toMatchObject([
      { name: 'Closing P-003, Old net-hauler, hole 3' },
      { name: 'Closing the old net-hauler' },
    ])
    expect(done.events.filter((e) => e.state === 'closed')).toMatchObject([{ evidence: proof }])
    // taken back, the hole is what it was
    const back = await fitter.ask('POST', `/api/fittings/${f.id}/tick/record/back`, { reason: 'wrong hole' })
    expect(back.status).toBe(200)
    expect((await holeNow('P-003')).state).toBe('suspect')
  })
  it('without a word of how, the last step is not ticked', async () => {
    const { body: f } = await closing('P-004')
    for (const s of stepsOf({ ...f, log: [] }).slice(0, -1))
      await tick(f.id, s.id, { looked: s.looks, reason: 'in the test' })
    const r = await tick(f.id, 'record', { reason: '' })
    expect(r.status).toBe(409)
    expect(JSON.stringify(r.body)).toContain('bevel, cloth, plies, lot')
    expect((await holeNow('P-004')).state).toBe('suspect')
  })
  it('several are linked as one job, and shown with it', async () => {
    const list = (await fitter.ask<{ fittings: { id: string; name: string }[] }>('GET', F)).body.fittings
    const job = list.find((o) => o.name === 'Closing the old net-hauler')!
    const { body } = await fitter.ask<Open>('GET', `/api/fittings/${job.id}`)
    expect(body.recorded).toBe(true)
    expect(body.holes.map((h) => h.label)).toEqual(['P-001', 'P-002', 'P-003', 'P-004', 'P-005'])
  })
  it.each([
    ['a hole of another boat', { holeId: 999_999 }, 400, 'holeId'],
    ['no holes', { holes: [] }, 400, 'holes'],
  ])('%s is refused where it is wrong', async (_, more, status, path) => {
    const r =
      'holeId' in more
        ? await closing('P-005', more)
        : await fitter.ask<{ error: { path: string } }>(
            'PUT',
            `/api/fittings/${(await closing('P-005')).body.id}`,
            {
              version: 1,
              design: { ...(await closing('P-005')).body.design, ...more },
            },
          )
    expect(r.status).toBe(status)
    expect((r.body as unknown as { error: { path: string } }).error.path).toContain(path)
  })
  it('an owner begins none', async () => {
    const r = await owner.ask('POST', `${F}/fittings`, { catalogueId: 'CX-1', holeId: idOf('P-005') })
    expect(r.status).toBe(403)
  })
})

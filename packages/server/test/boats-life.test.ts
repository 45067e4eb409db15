import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ShownNote } from '../src/services/notes'
import type { ShownProof } from '../src/services/proofs'
import { Someone, startYard, type Yard } from './harness'

/** What goes with a boat for life: proofs, notes, what an owner approves, pinned photos, put away. */
let app: Yard['app']
let fitter: Someone
let owner: Someone
let apprentice: Someone
let manager: Someone
const F = '/api/boats/fulmars-reach'
const P = '/api/boats/tarn-runner'
type Refused = { error: { code: string; path: string; message: string } }
interface Hole {
  id: number
  fittingId: string | null
  state: string
}
beforeAll(async () => {
  ;({ app, fitter, owner, apprentice } = await startYard('the_life'))
  manager = await new Someone(app.base).signIn('manager')
}, 240_000)
afterAll(() => app.stop())
const holes = async (boat = F) => (await fitter.ask<Hole[]>('GET', `${boat}/penetrations`)).body
const standing = async () => [
  ...new Set(
    (await holes())
      .filter((h) => h.fittingId && !['marked', 'closed', 'suspect'].includes(h.state))
      .map((h) => h.fittingId!),
  ),
]

describe('a run of proofs', () => {
  it('by hose: dry is ruled out, wet turns suspect at once, and the run ends with its last', async () => {
    const two = (await standing()).slice(0, 2)
    const begun = await fitter.ask<ShownProof>('POST', `${F}/proofs`, { kind: 'hose', fittings: two })
    expect(begun.status).toBe(201)
    let run = begun.body
    expect(run.things[0]!.zMm).toBeLessThanOrEqual(run.things[1]!.zMm)
    const tell = async (i: number, result: string, who = fitter) =>
      who.ask<ShownProof & Refused>('PUT', `/api/proofs/${run.id}`, {
        what: 'result',
        version: run.version,
        thing: run.things[i]!.id,
        result,
        note: 'by the lamp',
      })
    expect((await tell(0, 'bubbles')).body.error.path).toBe('result')
    expect((await tell(0, 'dry', owner)).status).toBe(403)
    run = (await tell(0, 'dry')).body
    expect(run.said).toContain('ruled out')
    expect((await tell(0, 'wet')).body.error.code).toBe('told')
    const wet = run.things[1]!.id
    run = (await tell(1, 'wet')).body
    expect(run.endedAt).not.toBeNull()
    const own = (await holes()).filter((h) => h.fittingId === wet)
    expect(own.every((h) => ['suspect', 'closed', 'marked'].includes(h.state))).toBe(true)
    const kept = (await fitter.ask<{ proofs: ShownProof[] }>('GET', `${F}/proofs`)).body.proofs
    expect(kept[0]).toEqual(run)
    expect((await tell(0, 'dry')).status).toBe(409)
  })
  it.each([
    [{ kind: 'soap' }, 'pressurePa'],
    [{ kind: 'soap', pressurePa: 2500 }, 'pressurePa'],
    [{ kind: 'pull' }, 'loadN'],
    [{ kind: 'lick' }, 'kind'],
  ])('%j is refused at %s', async (more, path) => {
    const [id] = await standing()
    const r = await fitter.ask<Refused>('POST', `${F}/proofs`, { fittings: [id], ...more })
    expect([r.status, r.body.error.path]).toEqual([400, path])
  })
  it('a pull says what it was pulled with, and is ended by hand', async () => {
    const [id] = await standing()
    const made = await fitter.ask<ShownProof>('POST', `${F}/proofs`, {
      kind: 'pull',
      fittings: [id],
      loadN: 12_000,
    })
    const end = { what: 'end', version: made.body.version }
    const ended = (await fitter.ask<ShownProof>('PUT', `/api/proofs/${made.body.id}`, end)).body
    expect([ended.loadN, ended.said, ended.endedAt === null]).toEqual([12_000, '1 left.', false])
  })
})

describe('notes and what an owner approves', () => {
  const write = (body: object, who = fitter) => who.ask<ShownNote & Refused>('POST', `${F}/notes`, body)
  const answer = (id: number, body: object, who: Someone) =>
    who.ask<ShownNote & Refused>('PUT', `/api/notes/${id}`, body)
  it('a hand-over is read by another of the yard; an owner does not see it', async () => {
    const n = (await write({ kind: 'hand-over', body: 'Port cleat: second coat tomorrow' })).body
    expect(n.answer).toBeNull()
    const his = (await owner.ask<{ notes: ShownNote[] }>('GET', `${F}/notes`)).body.notes
    expect(his.some((x) => x.id === n.id)).toBe(false)
    expect((await answer(n.id, { answer: 'yes' }, apprentice)).body.error.path).toBe('answer')
    expect((await answer(n.id, { answer: 'read' }, apprentice)).body.answeredBy).toBeTruthy()
    expect((await answer(n.id, { answer: 'read' }, fitter)).body.error.code).toBe('answered')
  })
  it('what an owner is asked is his to answer, no wants a reason, and it stays as it was said', async () => {
    const [id] = await standing()
    const n = (await write({ kind: 'approval', body: 'Backing plate of glass?', fittingId: id })).body
    expect(n.fitting!.id).toBe(id)
    expect((await answer(n.id, { answer: 'yes' }, fitter)).status).toBe(403)
    expect((await answer(n.id, { answer: 'no' }, owner)).body.error.path).toBe('note')
    const said = (await answer(n.id, { answer: 'no', note: 'rather aluminium' }, owner)).body
    expect(said).toMatchObject({ answer: 'no', answerNote: 'rather aluminium' })
    expect((await answer(n.id, { answer: 'yes' }, manager)).status).toBe(409)
  })
  it('a fitting of another boat is none of it', async () => {
    const other = (await fitter.ask<{ fittings: { id: string }[] }>('GET', P)).body.fittings[0]!.id
    expect((await write({ kind: 'approval', body: 'x', fittingId: other })).body.error.path).toBe('fittingId')
  })
})

it('a photo of what a liner hides is pinned where it belongs, on the boat', async () => {
  const png = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#808080' } })
    .png()
    .toBuffer()
  const send = async (pin: Record<string, string>) => {
    const form = new FormData()
    form.set('subject', 'boat')
    form.set('subjectId', 'fulmars-reach')
    form.set('caption', 'behind the port liner')
    for (const [k, v] of Object.entries(pin)) form.set(k, v)
    form.set('file', new Blob([new Uint8Array(png)], { type: 'image/png' }), 'liner.png')
    const r = await fetch(`${app.base}${F}/photos`, {
      method: 'POST',
      headers: { cookie: fitter.cookie, origin: app.base },
      body: form,
    })
    return { status: r.status, body: (await r.json()) as Refused & { pin: object | null } }
  }
  expect((await send({ pinXMm: '3000', pinYMm: '-400' })).body.pin).toEqual({ xMm: 3000, yMm: -400 })
  expect((await send({})).body.pin).toBeNull()
  // It goes along with the boat.
  type Out = { photos: { caption: string; pin?: object }[] }
  const { photos } = (await fitter.ask<Out>('GET', `${F}/boat.json`)).body
  const mine = photos.filter((p) => p.caption === 'behind the port liner')
  expect(mine.map((p) => p.pin)).toEqual([{ xMm: 3000, yMm: -400 }, undefined])
  expect((await send({ pinXMm: '3000' })).body.error.path).toBe('pinYMm')
  expect((await send({ pinXMm: '90000', pinYMm: '0' })).status).toBe(400)
})

describe('a boat put away', () => {
  it('is read and written in no more, whichever way, and comes back as she was', async () => {
    const put = (body: object, who = manager) => who.ask<Refused>('PUT', `${P}/archive`, body)
    expect((await put({ archived: true, why: 'sold' }, fitter)).status).toBe(403)
    expect((await put({ archived: true })).body.error.path).toBe('why')
    expect((await put({ archived: true, why: 'sold south' })).status).toBe(200)
    expect((await put({ archived: true, why: 'again' })).status).toBe(409)
    const { fittings } = (await fitter.ask<{ fittings: { id: string }[] }>('GET', P)).body
    const [hole] = await holes(P)
    const log = `/api/fittings/${fittings[0]!.id}/log`
    const tries = await Promise.all([
      fitter.ask<Refused>('POST', `/api/penetrations/${hole!.id}/events`, { state: 'suspect', note: 'x' }),
      fitter.ask<Refused>('POST', log, { kind: 'look', note: 'x' }),
      fitter.ask<Refused>('DELETE', `/api/fittings/${fittings[0]!.id}`),
      fitter.ask<Refused>('POST', `${P}/notes`, { kind: 'hand-over', body: 'x' }),
    ])
    for (const t of tries) expect([t.status, t.body.error.code]).toEqual([409, 'archived'])
    const watched = (await fitter.ask<{ boats: { id: string }[] }>('GET', '/api/watch')).body.boats
    expect(watched.some((b) => b.id === 'tarn-runner')).toBe(false)
    const listed = (await fitter.ask<{ id: string; archived: object | null }[]>('GET', '/api/boats')).body
    expect(listed.find((b) => b.id === 'tarn-runner')!.archived).toMatchObject({ why: 'sold south' })
    expect((await put({ archived: false })).status).toBe(200)
    const n = await fitter.ask('POST', log, { kind: 'look', note: 'back' })
    expect(n.status).toBe(201)
  })
})

describe('the same work on a sister boat', () => {
  it('goes to the same place of her, with no hole made, and is judged on what was measured there', async () => {
    const from = (await fitter.ask<{ fittings: { id: string; name: string }[] }>('GET', '/api/boats/pipit'))
      .body
    const f = from.fittings[0]!
    const copy = (body: object) =>
      fitter.ask<{ id: string } & Refused>('POST', `/api/fittings/${f.id}/copy`, body)
    expect((await copy({ boat: 'pipit' })).body.error.path).toBe('boat')
    expect((await copy({ boat: 'nowhere' })).status).toBe(404)
    const made = await copy({ boat: 'tarn-runner' })
    expect(made.status).toBe(201)
    type Opened = { boatId: string; name: string; design: { place: object }; holes: object[] }
    const [was, now] = await Promise.all(
      [f.id, made.body.id].map(async (id) => (await fitter.ask<Opened>('GET', `/api/fittings/${id}`)).body),
    )
    expect(now).toMatchObject({ boatId: 'tarn-runner', name: was!.name, holes: [] })
    const { xMm, yMm } = was!.design.place as { xMm: number; yMm: number }
    expect(now!.design.place).toMatchObject({ xMm, yMm })
  })
})

import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ALONE, workState } from '@north-tide/core'
import { kindNamed } from '@north-tide/core/kinds'
import { startYard, type Someone, type Yard } from './harness'

/** A row and its members: one design for all, one change for all, one tick for many, one odd one out. */
let app: Yard['app']
let fitter: Someone
let owner: Someone
interface Member {
  id: string
  name: string
  groupId: string | null
  design: {
    place: { xMm: number; yMm: number }
    bolt: { size: string }
    plate: { thicknessMm: number } | null
  }
}
interface Row {
  id: string
  version: number
  verdict: string
  design: { toMm: number; keepouts: object[] }
  others: Member[]
}
interface Each {
  fitting: Row
  made: number
  moved: number
  stay: string[]
  spare: string[]
  changed: number
  done: { id: string; name: string; refused: string }[]
}
const F = '/api/boats/fulmars-reach'
let row: Row
const at = (path: string) => `/api/fittings/${row.id}/${path}`
const act = (path: string, body: object = {}) => fitter.ask<Each>('POST', at(path), body)
const membersOf = (r: Row) =>
  r.others.filter((o) => o.groupId === r.id).sort((p, q) => p.design.place.xMm - q.design.place.xMm)
const now = async () => (await fitter.ask<Row>('GET', `/api/fittings/${row.id}`)).body
async function save(change: object) {
  const r = await now()
  const saved = await fitter.ask<Row>('PUT', `/api/fittings/${row.id}`, {
    version: r.version,
    design: { ...r.design, ...change },
  })
  expect(saved.status).toBe(200)
}

beforeAll(async () => {
  ;({ app, fitter, owner } = await startYard('rows'))
  const made = await fitter.ask<Row>('POST', `${F}/fittings`, {
    catalogueId: 'HG-ROW-HR22',
    name: 'Grab rail',
    xMm: 4000,
    yMm: -500,
  })
  expect(made.status).toBe(201)
  row = made.body
  await save({ mapMarginMm: null })
}, 240_000)
afterAll(() => app.stop())

describe('a row', () => {
  it('sets its members out, each a fitting of its own in its place', async () => {
    const { status, body } = await act('members')
    expect([status, body.made, body.moved]).toEqual([200, 4, 0])
    const members = membersOf(body.fitting)
    expect(members.map((m) => m.name)).toEqual(['Grab rail 1', 'Grab rail 2', 'Grab rail 3', 'Grab rail 4'])
    expect(members.map((m) => m.design.place.xMm)).toEqual([4000, 4700, 5400, 6100])
    expect((await act('members')).body).toMatchObject({ made: 0, moved: 0 })
  })
  it('goes out as a schedule, a line a place with the fitting that stands there; another kind has none', async () => {
    const csv = (await fitter.ask('GET', at('schedule.csv'))).text.trim().split('\n')
    const members = membersOf(await now())
    expect(csv[0]).toBe('number,fromFirstEndMm,fromPreviousMm,xMm,yMm,zMm,insideOffsetMm,bendDeg,fitting')
    expect(csv).toHaveLength(1 + members.length)
    members.forEach((m, i) => expect(csv[i + 1]).toContain(m.name))
    const none = await fitter.ask('GET', `/api/fittings/${members[0]!.id}/schedule.csv`)
    expect([none.status, none.body.error.code]).toEqual([409, 'no-schedule'])
  })
  it('a keep-out moves them; where the row grows, it asks for one more of the same design', async () => {
    await act('members/change', { change: { 'bolt.size': 'M5' } })
    await save({ keepouts: [{ name: 'Hatch garage', fromMm: 680, toMm: 720, marginMm: 0 }] })
    const moved = (await act('members')).body
    expect(moved.moved).toBeGreaterThan(0)
    expect(moved.made).toBe(0)
    await save({
      toMm: 2800,
      keepouts: [],
      path: [0, 3500].map((s) => ({ xMm: 4000 + s, yMm: -500, zMm: 2200 })),
    })
    const grown = (await act('members')).body
    expect(grown.made).toBe(1)
    expect(membersOf(grown.fitting).map((m) => m.design.bolt.size)).toEqual(Array(5).fill('M5'))
  })
  it('one change goes to all but the odd one; what is each one\u2019s own is refused', async () => {
    const all = membersOf(await now())
    const changed = await act('members/change', { change: { 'bolt.size': 'M6' }, but: [all[2]!.id] })
    expect(changed.body.changed).toBe(4)
    expect(membersOf(changed.body.fitting).map((m) => m.design.bolt.size)).toEqual([
      'M6',
      'M6',
      'M5',
      'M6',
      'M6',
    ])
    for (const [change, path] of [
      [{ 'place.xMm': 1 }, 'change.place.xMm'],
      [{ name: 'all alike' }, 'change.name'],
    ] as const) {
      const no = await act('members/change', { change })
      expect([no.status, (no.body as unknown as { error: { path: string } }).error.path]).toEqual([400, path])
    }
    const wrong = await act('members/change', { change: { 'bolt.size': 'M99' } })
    expect(wrong.status).toBe(400)
    expect(membersOf(await now())[0]!.design.bolt.size).toBe('M6')
  })
  it('records the holes of those that are named; the others stay open', async () => {
    const all = membersOf(await now())
    const { body } = await act('members/record', { only: all.slice(0, 2).map((m) => m.id) })
    expect(body.done).toEqual(all.slice(0, 2).map((m) => ({ id: m.id, name: m.name, refused: '' })))
    const boat = await fitter.ask<{ holes: { fittingId: string | null }[] }>('GET', F)
    const theirs = boat.body.holes.filter((h) => all.some((m) => m.id === h.fittingId))
    expect(theirs).toHaveLength(6)
  })
  it('one that is on record stays where it stands, and is named', async () => {
    await save({ keepouts: [{ name: 'Ladder', fromMm: 0, toMm: 40, marginMm: 0 }], ends: 'free' })
    const { body } = await act('members')
    expect(body.stay).toContain('Grab rail 1')
    expect(membersOf(body.fitting)[0]!.design.place.xMm).toBe(4000)
  })
  it('one tick serves many, and the one that refuses says why', async () => {
    const all = membersOf(await now())
    const kind = kindNamed('deck-hardware')
    const d = kind.schema.parse(all[0]!.design)
    const steps = kind.steps(d, kind.judge(d, ALONE), 'metric', workState([]))
    const step = steps.find((x) => !x.needs.length && !x.asks.length)!.id
    const one = await fitter.ask('POST', `/api/fittings/${all[0]!.id}/tick`, { step, note: '' })
    expect(one.status).toBe(200)
    const { body } = await act('members/tick', {
      step,
      note: '',
      only: all.slice(0, 3).map((m) => m.id),
    })
    expect(body.done).toHaveLength(3)
    expect(body.done[0]!.refused).toMatch(/\S/)
    expect(body.done.slice(1).map((d) => d.refused)).toEqual(['', ''])
  })
  it('its own holes it has none, it cannot be taken away under them, and an owner changes nothing', async () => {
    expect((await fitter.ask('POST', at('record'))).body.error.code).toBe('has-members')
    expect((await fitter.ask('DELETE', `/api/fittings/${row.id}`)).body.error.code).toBe('has-members')
    for (const path of ['members', 'members/record', 'members/tick'])
      expect((await owner.ask('POST', at(path), { step: 'template', note: '' })).status, path).toBe(403)
    const cleat = (
      await fitter.ask<{ fittings: { id: string; kind: string }[] }>('GET', F)
    ).body.fittings.find((f) => f.kind === 'deck-hardware')!
    const no = await fitter.ask('POST', `/api/fittings/${cleat.id}/members`)
    expect([no.status, no.body.error.code]).toEqual([409, 'no-members'])
  })
  it('a boat\u2019s file keeps who is of which row', async () => {
    const file = await fitter.ask<{ fittings: { key: string; group: string | null; kind: string }[] }>(
      'GET',
      `${F}/boat.json?photos=no`,
    )
    const rows = file.body.fittings.filter((f) => f.kind === 'row').map((f) => f.key)
    const grouped = file.body.fittings.filter((f) => f.group !== null)
    expect(grouped.length).toBeGreaterThanOrEqual(9)
    expect(grouped.every((f) => rows.includes(f.group!))).toBe(true)
  })
})

describe('a line from a drawing', () => {
  const dxf = (points: [number, number][], unit = 4) =>
    `0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n${unit}\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n0\nLWPOLYLINE\n90\n${points.length}\n70\n0\n${points.map(([x, y]) => `10\n${x}\n20\n${y}\n`).join('')}0\nENDSEC\n0\nEOF\n`
  const read = (body: string, who = fitter) =>
    who.ask<{ path: { xMm: number; yMm: number }[]; drawn: number; assumedUnit: boolean }>(
      'POST',
      `${F}/line.dxf`,
      undefined,
      body,
    )
  it('is given back in mm on the boat, whatever unit it was drawn in', async () => {
    const { status, body } = await read(
      dxf(
        [
          [1, 2],
          [3, 2.5],
        ],
        6,
      ),
    )
    expect(status).toBe(200)
    expect(body).toEqual({
      path: [
        { xMm: 1000, yMm: 2000 },
        { xMm: 3000, yMm: 2500 },
      ],
      drawn: 2,
      assumedUnit: false,
    })
  })
  it('of a thousand points four hundred are kept, and both ends', async () => {
    const many = Array.from({ length: 1000 }, (_, i): [number, number] => [i, 10])
    const { body } = await read(dxf(many))
    expect(body.path).toHaveLength(400)
    expect([body.path[0]!.xMm, body.path.at(-1)!.xMm]).toEqual([0, 999])
  })
  it('what is no drawing is refused beside the file, and an owner draws nothing', async () => {
    expect((await read('no drawing')).status).toBe(400)
    expect(
      (
        await read(
          dxf([
            [0, 0],
            [1, 1],
          ]),
          owner,
        )
      ).status,
    ).toBe(403)
  })
})

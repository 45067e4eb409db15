import dayjs from 'dayjs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { GoesBack, OrderDraft, Spare } from '@north-tide/core'
import type { ShownOrder } from '../src/services/orders'
import type { Offered, Shelved } from '../src/services/shelf'
import { Someone, startYard, type Yard } from './harness'
import { pdfWords } from './pdf-words'

/** The whole order: placed as it was seen, late, arrived, taken back; what lies on the shelf. */
let app: Yard['app']
let fitter: Someone
let owner: Someone
let apprentice: Someone
let manager: Someone
beforeAll(async () => {
  ;({ app, fitter, owner, apprentice } = await startYard('the_orders'))
  manager = await new Someone(app.base).signIn('manager')
}, 240_000)
afterAll(() => app.stop())
async function words(path: string) {
  const r = await fetch(`${app.base}${path}`, { headers: { cookie: fitter.cookie } })
  return pdfWords(new Uint8Array(await r.arrayBuffer()))
}
const BOAT = 'fulmars-reach'
const day = (n: number) => dayjs().add(n, 'day').format('YYYY-MM-DD')
interface Checked {
  draft: OrderDraft
  seen: string
}
const check = async (body: object = {}) =>
  (await fitter.ask<Checked>('POST', '/api/orders/check', { boats: [BOAT], ...body })).body
const shelf = async () => (await fitter.ask<{ shelf: Shelved[] }>('GET', '/api/shelf')).body.shelf
const orders = async () => (await fitter.ask<{ orders: ShownOrder[] }>('GET', '/api/orders')).body.orders
const work = async (id: string) =>
  (
    await fitter.ask<{ work: { order: { reason: string } | null; bought: object | null } }>(
      'GET',
      `/api/fittings/${id}`,
    )
  ).body.work
const dates = (d: OrderDraft, n: number) => Object.fromEntries(d.lines.map((l) => [l.maker, day(n)]))
async function place(c: Checked, more: object = {}, who = fitter) {
  return who.ask<{ orders: ShownOrder[] }>('POST', '/api/orders', {
    boats: [BOAT],
    seen: c.seen,
    expected: dates(c.draft, 5),
    ...more,
  })
}
const named = async (name: RegExp) => (await check()).draft.fittings.find((f) => name.test(f.name))!.fittingId
const holds = async () =>
  (
    await fitter.ask<{
      holds: { fittingId: string | null; until: string | null; what: string; endedAt: string | null }[]
    }>('GET', '/api/plan')
  ).body.holds

describe('the shelf', () => {
  it('is counted by hand: the same thing by somebody who saw an earlier count is refused', async () => {
    const item = { kind: 'bolt', size: 'M8', grade: 'A4-70', head: 'hex', lengthMm: 45 }
    const added = await apprentice.ask<{ shelf: Shelved[] }>('POST', '/api/shelf', {
      kind: 'fastener',
      item,
      count: 7,
    })
    expect(added.status).toBe(201)
    const row = added.body.shelf.find((s) => s.text === 'bolt M8x45 hex A4-70')!
    const put = { version: row.version, count: 5 }
    expect((await fitter.ask('PUT', `/api/shelf/${row.id}`, put)).status).toBe(200)
    expect((await fitter.ask('PUT', `/api/shelf/${row.id}`, put)).status).toBe(409)
    expect((await shelf()).find((s) => s.id === row.id)!.count).toBe(5)
  })
  it.each([
    [{ kind: 'fastener', count: 1 }, 'item', 'missing'],
    [
      { kind: 'fastener', count: 1, item: { kind: 'nut', type: 'wing', size: 'M8', grade: 'A4-70' } },
      'item.type',
      'invalid-input',
    ],
    [
      {
        kind: 'fastener',
        count: 1,
        item: { kind: 'bolt', size: 'M8', grade: 'A4-70', head: 'hex', lengthMm: 51 },
      },
      'item.lengthMm',
      'no-stock-length',
    ],
    [{ kind: 'part', count: 1 }, 'text', 'missing'],
    [{ kind: 'tool', text: 'drill', count: -1 }, 'count', 'invalid-input'],
    [{ kind: 'part', text: 'pin', count: 1, item: {} }, 'item', 'invalid-input'],
  ])('%j is refused at %s', async (body, path, code) => {
    const r = await fitter.ask('POST', '/api/shelf', body)
    expect([r.status, r.body.error.path, r.body.error.code]).toEqual([400, path, code])
  })
  it('goes out as a list and is read again, row by row', async () => {
    const csv = (await fitter.ask<string>('GET', '/api/shelf.csv')).text
    const before = await shelf()
    const read = await fitter.ask<{ shelf: Shelved[] }>('POST', '/api/shelf/import', { csv })
    expect(read.status).toBe(200)
    const texts = (rows: Shelved[]) =>
      rows.map((s) => `${s.text} ${s.count} ${s.state} ${s.whereItIs}`).sort()
    expect(texts(read.body.shelf)).toEqual([...texts(before), ...texts(before)].sort())
    for (const s of read.body.shelf.filter((x) => !before.some((b) => b.id === x.id)))
      await fitter.ask('PUT', `/api/shelf/${s.id}`, { version: s.version, count: 0 })
    const bad = await fitter.ask('POST', '/api/shelf/import', { csv: 'kind,what,count\npart,pin,1\npart,,2' })
    expect([bad.status, bad.body.error.path]).toEqual([400, 'csv'])
    expect(bad.body.error.message).toMatch(/line 3/)
  })
  it('has labels, with what each drawer holds', async () => {
    expect(await words('/api/shelf/labels.pdf')).toContain('S-1')
  })
  it('an offer is put down once a maker; changed by its version, dropped', async () => {
    const o = {
      maker: 'Stack & Holm',
      kind: 'part',
      text: 'Clevis pin, 12.7 mm',
      packs: [{ n: 1, priceCents: 900 }],
    }
    const made = await fitter.ask<{ offers: Offered[] }>('PUT', '/api/offers', o)
    const row = made.body.offers.find((x) => x.maker === o.maker)!
    expect(row).toMatchObject({ leadDays: null, packs: o.packs })
    expect((await fitter.ask('PUT', '/api/offers', o)).status).toBe(409)
    expect((await apprentice.ask('PUT', '/api/offers', { ...o, version: 1 })).status).toBe(403)
    const twice = { ...o, version: 1, packs: [...o.packs, ...o.packs] }
    expect((await fitter.ask('PUT', '/api/offers', twice)).body.error.path).toBe('packs')
    expect((await fitter.ask('DELETE', `/api/offers/${row.id}`)).status).toBe(200)
    expect((await fitter.ask('DELETE', `/api/offers/${row.id}`)).status).toBe(404)
  })
})

describe('the whole order', () => {
  it('names what is short, wants a reason and a day, and is placed only as it was seen', async () => {
    const id = await named(/Deck-wash intake/)
    const c = await check({ fittings: [id] })
    expect(c.draft.fittings[0]!.stops.map((s) => s.title)).toContain('Skin fitting into valve')
    const fittings = [id]
    const none = await place(c, { fittings })
    expect([none.status, none.body.error.code, none.body.error.path]).toEqual([409, 'chain', `reasons.${id}`])
    const reasons = { [id]: 'adapter made up in the shop' }
    const early = await place(c, { fittings, reasons, expected: {} })
    expect([early.status, early.body.error.path]).toEqual([400, 'expected.'])
    const past = await place(c, { fittings, reasons, expected: dates(c.draft, -1) })
    expect([past.status, past.body.error.code]).toEqual([400, 'range'])
    const other = await place({ ...c, seen: '0'.repeat(16) }, { fittings, reasons })
    expect([other.status, other.body.error.code]).toEqual([409, 'stale'])
    const young = await place(c, { fittings, reasons }, apprentice)
    expect(young.status).toBe(403)
    const ok = await place(c, { fittings, reasons })
    expect(ok.status).toBe(201)
    expect((await work(id)).order?.reason).toBe('adapter made up in the shop')
    const back = await fitter.ask<{ back: GoesBack[] }>('GET', `/api/boats/${BOAT}/fits`)
    expect(back.body.back.map((b) => b.what)).toContain('Skin fitting into valve')
  })
  it('holds the dry fit until it comes; comes later, comes; what is over lies on the shelf', async () => {
    const id = await named(/Gallows foot/)
    const c = await check({ fittings: [id] })
    const placed = await place(c, { fittings: [id] })
    const made = placed.body.orders.filter((o) => o.kind === 'order')
    expect(made.map((o) => o.maker).sort()).toEqual(['Brough Chandlers', 'Skerry Fastenings'])
    const mine = async () => (await holds()).filter((h) => h.fittingId === id && !h.endedAt)
    expect((await mine()).map((h) => h.until)).toEqual([day(5), day(5)])
    const [first, second] = made
    const later = await fitter.ask<ShownOrder>('PUT', `/api/orders/${first!.id}`, {
      what: 'date',
      version: first!.version,
      expected: day(9),
    })
    expect((await mine()).map((h) => h.until).sort()).toEqual([day(5), day(9)])
    const spare = made.flatMap((o) => o.lines).find((l) => l.leftover > 0)!
    const onShelf = async () =>
      (await shelf())
        .filter((s) => s.text === spare.text && s.state === 'new')
        .reduce((t, s) => t + s.count, 0)
    const before = await onShelf()
    for (const o of [later.body, second!]) {
      const got = await fitter.ask<ShownOrder>('PUT', `/api/orders/${o.id}`, {
        what: 'arrived',
        version: o.version,
      })
      expect(got.body.state).toBe('arrived')
      expect((await work(id)).bought === null).toBe(o !== second)
      expect(
        (await fitter.ask('PUT', `/api/orders/${o.id}`, { what: 'arrived', version: got.body.version })).body
          .error.code,
      ).toBe('over')
    }
    expect(await onShelf()).toBe(before + spare.leftover)
    expect(await mine()).toEqual([])
  })
  it('takes from the shelf once, and gives it back when the order is taken back', async () => {
    const id = await named(/quarter/)
    const c = await check({ fittings: [id] })
    const [t] = c.draft.taken
    const count = async () => (await shelf()).find((s) => s.id === t!.shelfId)!.count
    const before = await count()
    const both = await Promise.all([place(c, { fittings: [id] }), place(c, { fittings: [id] })])
    expect(both.map((b) => b.status).sort()).toEqual([201, 409])
    const taken = c.draft.taken.filter((x) => x.shelfId === t!.shelfId).reduce((s, x) => s + x.count, 0)
    expect(await count()).toBe(before - taken)
    const [o] = (await orders()).filter((x) => x.kind === 'order' && x.fittings.some((f) => f.id === id))
    await fitter.ask('PUT', `/api/orders/${o!.id}`, { what: 'take-back', version: o!.version })
    expect(await count()).toBe(before)
    expect((await work(id)).order).toBeNull()
    expect((await check({ fittings: [id] })).draft.fittings).toHaveLength(1)
  })
  it('of two makers one is taken back: what the other brings is for nobody, and lies on the shelf', async () => {
    const draft = (await check()).draft
    const makers = (id: string) =>
      new Set(draft.lines.filter((l) => l.for.some((f) => f.fittingId === id)).map((l) => l.maker))
    const { fittingId: id } = draft.fittings.find((f) => makers(f.fittingId).size > 1)!
    const c = await check({ fittings: [id] })
    const reasons = { [id]: 'asked with the owner' }
    const placed = await place(c, { fittings: [id], reasons })
    const [one, other] = placed.body.orders.filter((o) => o.kind === 'order')
    await fitter.ask('PUT', `/api/orders/${one!.id}`, { what: 'take-back', version: one!.version })
    const left = (await orders()).find((o) => o.id === other!.id)!
    expect([left.state, left.fittings]).toEqual(['ordered', []])
    expect(
      (await holds()).filter((h) => h.fittingId === id && !h.endedAt && /on order/.test(h.what)),
    ).toEqual([])
    const line = left.lines.find((l) => !l.lot)!
    const lay = async () =>
      (await shelf()).filter((s) => s.text === line.text).reduce((n, s) => n + s.count, 0)
    const before = await lay()
    await fitter.ask('PUT', `/api/orders/${left.id}`, { what: 'arrived', version: left.version })
    expect(await lay()).toBe(before + line.pieces)
    expect((await work(id)).order).toBeNull()
  })
  it('what is late is said late, on the list of parts too', async () => {
    const id = await named(/quarter/)
    const c = await check({ fittings: [id] })
    const placed = await place(c, { fittings: [id] })
    const o = placed.body.orders.find((x) => x.kind === 'order')!
    const past = { what: 'date', version: o.version, expected: day(-2) }
    expect((await fitter.ask('PUT', `/api/orders/${o.id}`, past)).body.error.path).toBe('expected')
    // Two days go by.
    await app.db.query('UPDATE orders SET expected = $1 WHERE id = $2', { bind: [day(-2), o.id] })
    expect((await orders()).find((x) => x.id === o.id)!.state).toBe('late')
    const parts = await fitter.ask<{ lines: { state: string; for: { id: string }[] }[] }>(
      'GET',
      `/api/boats/${BOAT}/parts`,
    )
    expect(
      parts.body.lines.filter((l) => l.for.some((f) => f.id === id)).every((l) => l.state === 'late'),
    ).toBe(true)
  })
  it('pieces that became too many find whoever wants them, by way of the shelf', async () => {
    const id = await named(/winch base/)
    const c = await check({ fittings: [id] })
    await place(c, { fittings: [id] })
    const f = (
      await fitter.ask<{ version: number; design: { plate: { thicknessMm: number } } }>(
        'GET',
        `/api/fittings/${id}`,
      )
    ).body
    // A thicker plate: the bolts that lie in its bag are too short now.
    const design = { ...f.design, plate: { ...f.design.plate, thicknessMm: f.design.plate.thicknessMm + 10 } }
    expect((await fitter.ask('PUT', `/api/fittings/${id}`, { version: f.version, design })).status).toBe(200)
    const fits = async () =>
      (await fitter.ask<{ spare: Spare[] }>('GET', `/api/boats/${BOAT}/fits`)).body.spare
    const spare = (await fits()).find((s) => s.fittingId === id && s.text.startsWith('bolt'))!
    expect(spare.count).toBeGreaterThan(0)
    const put = { fittingId: id, text: spare.text, count: spare.count }
    expect((await fitter.ask('POST', '/api/orders/put-back', { ...put, count: 999 })).status).toBe(409)
    expect((await fitter.ask('POST', '/api/orders/put-back', put)).status).toBe(204)
    expect((await fits()).some((s) => s.fittingId === id && s.text === spare.text)).toBe(false)
  })
  it('goes to its maker as PDF and CSV, without the boats that it is for', async () => {
    const o = (await orders()).find((x) => x.maker === 'Skerry Fastenings' && x.fittings.length)!
    const said = await words(`/api/orders/${o.id}.pdf`)
    expect(said).toContain(`Order ${o.id}: Skerry Fastenings`)
    for (const l of o.lines) expect(said).toContain(l.text)
    expect(said).not.toContain(o.fittings[0]!.name)
    const csv = (await fitter.ask<string>('GET', `/api/orders/${o.id}.csv`)).text
    expect(csv.split('\n')[0]).toBe('what,pieces,packs,price')
    expect((await fitter.ask('GET', '/api/orders/99999.csv')).status).toBe(404)
  })
  it('nothing is ordered twice: what is ordered is on no second list', async () => {
    const open = (await check()).draft.fittings.map((f) => f.fittingId)
    for (const o of (await orders()).filter((x) => x.state === 'ordered' || x.state === 'late'))
      for (const f of o.fittings) if ((await work(f.id)).order) expect(open).not.toContain(f.id)
  })
})

describe('what it costs', () => {
  it('is the yard’s to know, and the owner’s where the manager says so', async () => {
    const c = await fitter.ask<{
      totalCents: number
      fittings: { totalCents: number }[]
      estimated: boolean
    }>('GET', `/api/boats/${BOAT}/costs`)
    expect(c.body.totalCents).toBe(c.body.fittings.reduce((s, f) => s + f.totalCents, 0))
    expect(c.body.estimated).toBe(true)
    expect((await owner.ask('GET', `/api/boats/${BOAT}/costs`)).status).toBe(403)
    const prices = { currency: '€', hourCents: null, ownersSee: true }
    expect((await fitter.ask('PUT', '/api/yard/prices', { ...prices, version: 1 })).status).toBe(403)
    expect((await manager.ask('PUT', '/api/yard/prices', { ...prices, version: 7 })).status).toBe(409)
    expect((await manager.ask('PUT', '/api/yard/prices', { ...prices, version: 1 })).status).toBe(200)
    const seen = await owner.ask<{ hourCents: null; totalCents: number }>('GET', `/api/boats/${BOAT}/costs`)
    expect(seen.status).toBe(200)
    expect(seen.body.totalCents).toBeLessThan(c.body.totalCents)
  })
})

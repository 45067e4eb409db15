import { createHash } from 'node:crypto'
import { strFromU8, unzipSync, zipSync } from 'fflate'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { PassportAnswer } from '@north-tide/core'
import type { Sealed } from '../src/services/passport'
import { Someone, startYard, type Yard } from './harness'
import { pdfWords } from './pdf-words'

/** What goes along with a boat: her passport with its seal, the sheet by the companionway. */
let app: Yard['app']
let fitter: Someone
let owner: Someone
const B = '/api/boats/fulmars-reach'
beforeAll(async () => {
  ;({ app, fitter, owner } = await startYard('the_passport'))
  const { holes } = (await fitter.ask<{ holes: { id: number }[] }>('GET', B)).body
  for (const [i, h] of holes.slice(0, 3).entries()) {
    const picture = await sharp({
      create: { width: 8, height: 6, channels: 3, background: { r: 40 * i, g: 90, b: 120 } },
    })
      .png()
      .toBuffer()
    const form = new FormData()
    form.set('subject', 'hole')
    form.set('subjectId', String(h.id))
    form.set('file', new Blob([new Uint8Array(picture)], { type: 'image/png' }), 'as-found.png')
    const r = await fetch(`${app.base}${B}/photos`, {
      method: 'POST',
      headers: { cookie: fitter.cookie },
      body: form,
    })
    expect(r.status).toBe(201)
    // One that was withdrawn stays in evidence, and goes along as what it is.
    if (i === 2) {
      const { id } = (await r.json()) as { id: number }
      await fitter.ask('POST', `/api/photos/${id}/withdraw`, { why: 'another hole' })
    }
  }
}, 240_000)
afterAll(() => app.stop())
async function bytes(path: string, who = fitter) {
  const r = await fetch(`${app.base}${path}`, { headers: { cookie: who.cookie } })
  expect(r.status).toBe(200)
  return new Uint8Array(await r.arrayBuffer())
}
interface Papers {
  code: string
  through: number
  hangs: { code: string; stale: boolean } | null
}

describe('the passport', () => {
  it('says how much is known and what would raise it most', async () => {
    const { facts } = (await owner.ask<{ facts: PassportAnswer }>('GET', `${B}/passport`)).body
    expect(facts.rows).toBeGreaterThan(30)
    expect(facts.score).toBeGreaterThan(0)
    expect(facts.score).toBeLessThan(100)
    expect(facts.raise).toHaveLength(10)
    expect(facts.byState.reduce((s, b) => s + b.count, 0)).toBe(facts.rows)
  })
  it('is sealed: checked as it was made and by whom, and refused where a figure was changed', async () => {
    const p = (await owner.ask<Sealed>('GET', `${B}/passport.json?photos=no`)).body
    const good = await fitter.ask<{ whole: boolean; here: { who: string } | null }>(
      'POST',
      '/api/passports/check',
      p,
    )
    expect(good.body.whole).toBe(true)
    expect(good.body.here!.who).toBe(p.madeBy)
    const bent = structuredClone(p) as Sealed
    bent.boat.holes[0]!.diameterMm += 1
    const bad = await fitter.ask<{ whole: boolean; here: null }>('POST', '/api/passports/check', bent)
    expect(bad.body).toEqual({ whole: false, here: null })
    const read = await fitter.ask('POST', '/api/boats/import', bent)
    expect([read.status, read.body.error.path]).toEqual([400, 'seal'])
    expect((await fitter.ask('POST', '/api/passports/check', { format: 'other' })).status).toBe(400)
  })
  it('is read by another yard with its history: the boat goes in and out exactly', async () => {
    const p = (await fitter.ask<Sealed>('GET', `${B}/passport.json`)).body
    const made = await fitter.ask<{ id: string; holes: number }>('POST', '/api/boats/import', p)
    expect(made.status).toBe(201)
    expect(made.body.holes).toBe(p.boat.holes.length)
    const again = (await fitter.ask<Sealed>('GET', `/api/boats/${made.body.id}/passport.json`)).body
    expect(again.boat.holes.map((h) => h.events)).toEqual(p.boat.holes.map((h) => h.events))
    expect(again.facts.score).toBeCloseTo(p.facts.score!, 9)
    expect(again.facts.byState).toEqual(p.facts.byState)
  }, 240_000)
  it('on paper has its seal, a page a suspect or below-waterline hole, and the gates passed', async () => {
    const words = await pdfWords(await bytes(`${B}/passport.pdf`, owner))
    expect(words).toContain('Passport of her holes')
    expect(words).toContain('What would raise it most')
    const { facts } = (await owner.ask<{ facts: PassportAnswer }>('GET', `${B}/passport`)).body
    for (const s of facts.suspects) expect(words).toContain(`${s.id}: `)
    for (const g of facts.gates) expect(words).toContain(g.reason)
    const pages = Number(/page 1 of (\d+)/.exec(words)![1])
    expect(pages).toBeGreaterThan(2 + facts.suspects.length)
  })
  it('goes as one box: the sealed file, the paper, a table, every picture', async () => {
    const files = unzipSync(await bytes(`${B}/passport.zip`))
    const p = JSON.parse(strFromU8(files['passport.json']!)) as Sealed
    expect(p.boat.photos.every((f) => f.base64 === undefined && f.file && files[f.file])).toBe(true)
    expect((await fitter.ask<{ whole: boolean }>('POST', '/api/passports/check', p)).body.whole).toBe(true)
    expect(Object.keys(files).filter((f) => f.startsWith('photos/'))).toHaveLength(3)
    expect(p.boat.photos.map((f) => f.file!.startsWith('photos/withdrawn/'))).toEqual([false, false, true])
    expect(strFromU8(files['holes.csv']!).split('\n').length).toBe(
      p.boat.holes.filter((h) => !h.withdrawn).length + 1,
    )
    expect(strFromU8(files['passport.pdf']!.slice(0, 5))).toBe('%PDF-')
  })
  const send = async (bytes: Uint8Array, who = fitter) => {
    const r = await fetch(`${app.base}/api/boats/import`, {
      method: 'POST',
      headers: { cookie: who.cookie, 'content-type': 'application/zip' },
      body: new Blob([new Uint8Array(bytes)]),
    })
    return {
      status: r.status,
      body: (await r.json()) as { id: string; error: { path?: string; message: string } },
    }
  }
  it('is read from its box, with each picture as it was put in; a changed one, a bare file and a stranger are refused', async () => {
    const box = await bytes(`${B}/passport.zip`)
    const files = unzipSync(box)
    const p = JSON.parse(strFromU8(files['passport.json']!)) as Sealed
    const made = await send(box)
    expect([made.status, made.body]).toEqual([201, expect.anything()])
    const again = (await fitter.ask<Sealed>('GET', `/api/boats/${made.body.id}/passport.json`)).body
    const sums = again.boat.photos.map((f) =>
      createHash('sha256').update(Buffer.from(f.base64!, 'base64')).digest('hex'),
    )
    expect(sums).toEqual(p.boat.photos.map((f) => f.sha256))
    expect(again.boat.holes.map((h) => h.events)).toEqual(p.boat.holes.map((h) => h.events))
    const name = p.boat.photos[0]!.file!
    const bent = await send(zipSync({ ...files, [name]: files[name]!.slice(0, -1) }))
    expect([bent.status, bent.body.error.path]).toEqual([400, 'photos.0.sha256'])
    const bare = await fitter.ask('POST', '/api/boats/import', p)
    expect([bare.status, bare.body.error.path]).toEqual([400, 'photos.0.file'])
    expect((await send(box, owner)).status).toBe(403)
    const none = await send(new Uint8Array([80, 75, 3, 4, 1]))
    expect([none.status, none.body.error.message]).toEqual([400, expect.stringContaining('damaged')])
    expect((await send(zipSync({ 'x.txt': new Uint8Array(3) }))).status).toBe(400)
  }, 240_000)
})

describe('the sheet by the companionway', () => {
  it('names every through-hull, what to reach first on top, with plug and way to shut', async () => {
    const words = await pdfWords(await bytes(`${B}/companionway.pdf`, owner))
    const { through, code } = (await owner.ask<Papers>('GET', `${B}/papers`)).body
    expect(through).toBeGreaterThan(0)
    expect(words).toContain(code)
    expect(words).toMatch(/turns \d+° (anti)?clockwise/)
    expect(words).toMatch(/\d+ litres/)
  })
  it('hangs there by its code, and says when a through-hull has changed since', async () => {
    const { code } = (await fitter.ask<Papers>('GET', `${B}/papers`)).body
    expect((await owner.ask('POST', `${B}/papers`, { code })).status).toBe(403)
    expect((await fitter.ask('POST', `${B}/papers`, { code: '000000' })).status).toBe(409)
    const hung = await fitter.ask<Papers>('POST', `${B}/papers`, { code })
    expect(hung.body.hangs).toMatchObject({ code, stale: false })
    const boat = await fitter.ask<{ fittings: { id: string; kind: string; name: string }[] }>('GET', B)
    const { id } = boat.body.fittings.find((f) => f.kind === 'through-hull' && f.name === 'Engine intake')!
    const f = (await fitter.ask<{ version: number; design: { name: string } }>('GET', `/api/fittings/${id}`))
      .body
    const design = { ...f.design, name: 'Engine intake, port' }
    expect((await fitter.ask('PUT', `/api/fittings/${id}`, { version: f.version, design })).status).toBe(200)
    expect((await fitter.ask<Papers>('GET', `${B}/papers`)).body.hangs).toMatchObject({ code, stale: true })
  })
})

import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { everyHole } from '../src/services/every-hole'
import { startYard, type Someone, type Yard } from './harness'

/** The holes that are kept between two reads: never those of before a change. */
interface Hole {
  id: number
  label: string
  state: string
  zone: string
  zoneCode: string
}
let app: Yard['app']
let fitter: Someone
const B = '/api/boats/fulmars-reach'
beforeAll(async () => {
  ;({ app, fitter } = await startYard('every_hole'))
}, 240_000)
afterAll(() => app.stop())
type Zone = { id: number; code: string; version: number } & Record<string, unknown>
const picture = async () => (await fitter.ask<{ holes: Hole[]; zones: Zone[] }>('GET', B)).body
const found = async () =>
  (
    await fitter.ask<Hole>('POST', `${B}/penetrations`, {
      foundKind: 'open hole',
      diameterMm: 8,
      xMm: 4000,
      yMm: 300,
    })
  ).body
const ZONE_FIELDS = ['face', 'kind', 'zMm', 'atXMm', 'stacking', 'reach', 'reachKind', 'outline', 'deadrise']

describe('every hole of a boat', () => {
  it('stands as it is read one by one, in the picture and in the register', async () => {
    const { holes } = await picture()
    expect((await fitter.ask<Hole[]>('GET', `${B}/penetrations`)).body).toEqual(holes)
    expect(JSON.parse((await everyHole('fulmars-reach')).text)).toEqual(holes)
    const one = (await fitter.ask<Hole>('GET', `/api/penetrations/${holes[0]!.id}`)).body
    expect(one).toMatchObject(holes[0]!)
  })
  it('is the same list while nothing changes', async () => {
    expect(await everyHole('fulmars-reach')).toBe(await everyHole('fulmars-reach'))
  })
  it.each<[string, () => Promise<(holes: Hole[]) => unknown>, unknown]>([
    [
      'a hole that was found',
      async () => {
        const h = await found()
        return (holes) => holes.some((x) => x.id === h.id)
      },
      true,
    ],
    [
      'a step of its life',
      async () => {
        const h = await found()
        await picture()
        const body = { state: 'closed', note: 'filled', evidence: 'sounded', gateReason: 'years ago' }
        const r = await fitter.ask('POST', `/api/penetrations/${h.id}/events`, body)
        expect([r.status, r.text]).toEqual([201, expect.anything()])
        return (holes) => holes.find((x) => x.id === h.id)!.state
      },
      'closed',
    ],
    [
      'one taken out of use',
      async () => {
        const h = await found()
        await picture()
        await fitter.ask('POST', `/api/penetrations/${h.id}/withdraw`, { why: 'seen twice' })
        return (holes) => holes.some((x) => x.id === h.id)
      },
      false,
    ],
    [
      'its surface under another name',
      async () => {
        const { zones, holes } = await picture()
        const z = zones.find((q) => q.code === holes[0]!.zoneCode)!
        const kept = Object.fromEntries(ZONE_FIELDS.filter((k) => k in z).map((k) => [k, z[k]]))
        const layers = (z.layers as object[]).map((l) => {
          const { material, thicknessMm, measured } = l as Record<string, unknown>
          return { material, thicknessMm, measured }
        })
        const body = { ...kept, state: z.state, layers, version: z.version, title: 'Deck, renamed' }
        expect((await fitter.ask('PUT', `${B}/zones/${z.id}`, body)).status).toBe(200)
        return (now) => now[0]!.zone
      },
      'Deck, renamed',
    ],
  ])('%s is seen at the next read', async (_w, change, is) => {
    await picture()
    const look = await change()
    expect(look((await picture()).holes)).toEqual(is)
  })
})

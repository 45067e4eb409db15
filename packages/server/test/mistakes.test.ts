import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { startYard, type Someone, type Yard, hullsOf, deckOf } from './harness'

/**
 * Whatever is sent, a user's mistake is a clear 4xx with code and message, never a 500, and never a stack.
 */
let app: Yard['app']
let fitter: Someone
let ids: { fitting: string; throughHull: string; hole: number; zone: string }
beforeAll(async () => {
  ;({ app, fitter } = await startYard('mistakes'))
  const boat = (
    await fitter.ask<{
      fittings: { id: string }[]
      holes: { id: number }[]
      zones: { id: number; code: string }[]
    }>('GET', '/api/boats/fulmars-reach')
  ).body
  ids = {
    fitting: deckOf(boat)[0]!.id,
    throughHull: hullsOf(boat)[0]!.id,
    hole: boat.holes[0]!.id,
    zone: String(boat.zones[0]!.id ?? boat.zones[0]!.code),
  }
}, 240_000)
afterAll(() => app.stop())

/** What stands for a parameter of a route, by what comes before it. */
const PARAMS: [RegExp, () => string][] = [
  [/^(\w+ )?\/boats\/:id/, () => 'fulmars-reach'],
  [/\/through-hulls\/:id/, () => ids.throughHull],
  [/\/fittings\/:id/, () => ids.fitting],
  [/\/penetrations\/:id/, () => String(ids.hole)],
  [/\/lots\/:id/, () => '1'],
  [/\/(photos|hull-goods|hardware)\/:id/, () => '1'],
]
const path = (route: string) =>
  route
    .replace(':id', PARAMS.find(([at]) => at.test(route))?.[1]() ?? '1')
    .replace(':zone', ids.zone)
    .replace(/:(part|reading|job)/, '1')
    .replace(':step', 'must')
    .replace(':name', 'through-hull-stack')
    .replace(/:kind/, 'csv')
    .replace(':size', 'small')
/**
 * Not asked to: what would end the session, what takes a picture and no JSON, and what takes away the
 * fittings that are bent.
 */
const OTHERWISE = [
  'DELETE /session',
  'DELETE /sessions',
  'POST /session/demo',
  'POST /boats/:id/photos',
  'DELETE /through-hulls/:id',
  'DELETE /fittings/:id',
]
const BODIES: unknown[] = [
  null,
  [],
  {},
  'words',
  7,
  true,
  { unheard: 1 },
  { version: -1, design: null },
  { version: 1e300, design: { a: NaN } },
  { design: { schemaVersion: 99 } },
  { step: 'must', at: 'yesterday' },
  { kind: 'bond', value: '0.1' },
  { kind: 'bond', value: 1e308 },
  { catalogueId: 'MV-S1', xMm: 1e308, yMm: '3', zMm: null },
  { catalogueId: { a: 1 } },
  { state: 'drilled', sizeMm: -1 },
  { state: 'no such state' },
  { name: '\u0000', lengthMm: -1 },
  { name: 'x'.repeat(5000) },
  { reason: 'x'.repeat(100_000) },
  { __proto__: { polluted: true }, constructor: 1 },
]
/** Names that somewhere are read, with values that are nearly what is wanted. */
const NAMES = [
  'version',
  'design',
  'name',
  'catalogueId',
  'xMm',
  'yMm',
  'zMm',
  'zone',
  'state',
  'note',
  'at',
  'sizeMm',
  'lotId',
  'gateReason',
  'corrects',
  'step',
  'reason',
  'kind',
  'value',
  'measures',
  'csv',
  'columns',
  'layers',
  'outline',
  'stations',
  'title',
  'part',
  'format',
  'goods',
  'hardware',
  'bolts',
  'plan',
  'holeId',
  'why',
  'role',
  'degrees',
  'foundKind',
  'diameterMm',
  'login',
  'password',
  'question',
  'school',
  'material',
  'field',
  'write',
  'tempC',
  'looked',
]
const bentValue = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    '',
    ' ',
    '0',
    0,
    -1,
    1,
    1.5,
    1e9,
    -1e300,
    true,
    [],
    {},
    [[]],
    'nonsense',
    '2026-02-30',
    '0000-01-01T00:00:00Z',
    '\u202e',
    "'; DROP TABLE boats; --",
    '../../etc/passwd',
    '=1+1',
    'foredeck',
    'HG-C250',
    'MV-S1',
    'drilled',
    'bond',
  ),
  fc.string({ maxLength: 40, unit: 'binary' }),
  fc.jsonValue({ maxDepth: 3 }),
  fc.double({ noNaN: true }),
)
const bodyOf = (route: string) =>
  fc.oneof(
    { weight: 3, arbitrary: fc.dictionary(fc.constantFrom(...NAMES), bentValue, { minKeys: 1, maxKeys: 8 }) },
    {
      weight: 1,
      arbitrary: fc.jsonValue({ maxDepth: 4 }).filter((v) => route.length > 0 && v !== undefined),
    },
  )
/** bodies that are on their way to one route together */
const AT_ONCE = 8
async function sent(route: string, body: unknown, raw?: string) {
  const [method, url] = path(route).split(' ') as [string, string]
  const a = await fitter.ask<object>(method, `/api${url}`, raw === undefined ? body : undefined, raw)
  return { status: a.status, text: a.text, error: a.body?.error }
}
function clear(a: Awaited<ReturnType<typeof sent>>, what: string) {
  expect([what, a.status < 500]).toEqual([what, true])
  expect(a.text).not.toMatch(/\bat \w+.*\(.*:\d+:\d+\)|node_modules|SequelizeDatabaseError/)
  if (a.status >= 400) {
    expect(a.error?.code, what).toMatch(/^[a-z][a-z-]*$/)
    expect(a.error?.message.length, what).toBeGreaterThan(3)
  }
}

describe('a mistake is told, not fallen over', () => {
  it('every route that writes, whatever is in the body: at least three thousand bent ones', async () => {
    const writes = app.routes.filter((r) => !r.startsWith('GET') && !OTHERWISE.includes(r))
    expect(writes.length).toBeGreaterThan(45)
    let asked = 0
    for (const route of writes) {
      const bent = fc.sample(bodyOf(route), { numRuns: 15, seed: 20261127 })
      const all = [...BODIES, ...bent]
      for (let i = 0; i < all.length; i += AT_ONCE)
        await Promise.all(
          all.slice(i, i + AT_ONCE).map(async (body) => {
            clear(await sent(route, body), `${route} ${JSON.stringify(body)?.slice(0, 80)}`)
            asked++
          }),
        )
      for (const raw of ['{', '{"a":', '\u0000', '"x', '{"version":1,"version":}']) {
        clear(await sent(route, undefined, raw), `${route} ${raw}`)
        asked++
      }
    }
    expect(asked).toBeGreaterThan(3000)
  }, 600_000)
  it('a saved design with any one leaf bent is refused at its path, or taken as what it says', async () => {
    const design = (
      await fitter.ask<{ design: Record<string, unknown>; version: number }>(
        'GET',
        `/api/fittings/${ids.throughHull}`,
      )
    ).body.design
    const leaves: string[][] = []
    const walk = (v: unknown, at: string[]) =>
      v !== null && typeof v === 'object'
        ? Object.entries(v).forEach(([k, x]) => walk(x, [...at, k]))
        : leaves.push(at)
    walk(design, [])
    expect(leaves.length).toBeGreaterThan(60)
    const bend = (at: string[], value: unknown) => {
      const copy = structuredClone(design)
      const last = at
        .slice(0, -1)
        .reduce<Record<string, unknown>>((o, k) => o[k] as Record<string, unknown>, copy)
      last[at.at(-1)!] = value
      return copy
    }
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...leaves),
        fc.constantFrom<unknown>('nonsense', -1, 1e300, [], { a: 1 }, true, undefined),
        async (at, value) => {
          // Version 0 is never current, so that nothing is really changed by a figure that is allowed.
          const a = await sent('PUT /through-hulls/:id', { version: 9999, design: bend(at, value) })
          clear(a, `${at.join('.')} = ${JSON.stringify(value)}`)
          if (a.error?.code === 'invalid-input') expect(a.error.path?.startsWith('design')).toBe(true)
        },
      ),
      { numRuns: 80 },
    )
  })
  it.each([
    'GET /through-hulls/:x',
    'GET /through-hulls/:x/card.pdf',
    'GET /through-hulls/:x/section.svg',
    'GET /through-hulls/:x/template.pdf',
    'GET /fittings/:x',
    'GET /fittings/:x/spec.pdf',
    'GET /penetrations/:x',
    'GET /boats/:x',
    'GET /boats/:x/flooding',
    'GET /boats/:x/register.csv',
    'GET /photos/:x/full',
    'DELETE /through-hulls/:x',
    'DELETE /fittings/:x',
    'DELETE /goods/:x',
    'DELETE /photos/:x',
  ])('%s of what is not there', async (route) => {
    for (const id of [
      '0',
      '-1',
      'nothing',
      '999999999999999999999999',
      '00000000-0000-4000-8000-000000000000',
      '..%2f..%2fetc',
      '%20',
      '1;drop table boats',
      '\u00fc',
    ]) {
      const [method, url] = route.split(' ') as [string, string]
      const a = await fitter.ask<object>(method, `/api${url.replace(':x', encodeURI(id))}`)
      expect([route, id, a.status >= 400 && a.status < 500]).toEqual([route, id, true])
      expect(a.body?.error?.code).toMatch(/^[a-z][a-z-]*$/)
    }
  })
  it('nothing of it was written: the boat is as it was', async () => {
    const a = (
      await fitter.ask<{ fittings: { id: string; name: string }[] }>('GET', '/api/boats/fulmars-reach')
    ).body
    expect(a.fittings.map((f) => f.name)).toContain('Wet-lab intake')
    expect((await fitter.ask('GET', `/api/fittings/${ids.throughHull}`)).status).toBe(200)
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined()
  })
})

#!/usr/bin/env node
// npm run growth: how what is asked grows with what there is. Writes a chart of each into docs/growth and
// prints the table with the exponent (`-- --only solver|holes|fittings|yard` for a part). Long; by hand.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import pg from 'pg'
import { asker, at, boatOf } from './lib/bench-yard.mjs'
import { chartOf, exponent } from './lib/growth-chart.mjs'
import { ensurePackages, root } from './lib/packages.mjs'
import { serveFresh } from './lib/serve.mjs'

await ensurePackages()
const to = join(root, 'docs', 'growth')
mkdirSync(to, { recursive: true })
const out = (line) => process.stdout.write(`${line}\n`)
function write(name, title, across, series) {
  writeFileSync(join(to, `${name}.svg`), chartOf(title, across, series))
  for (const s of series)
    out(
      `${title}, ${s.name}: ${s.points.map(([n, ms]) => `${n} ${ms.toFixed(1)} ms`).join(', ')}; exponent ${exponent(s.points).toFixed(2)}`,
    )
}

const MESHES = [19, 31, 44, 62, 89, 109]
async function solver() {
  const { tsImport } = await import('tsx/esm/api')
  const { sameMatrix } = await tsImport('../packages/core/speed/speed.ts', import.meta.url)
  const points = MESHES.map((n) => {
    const s = sameMatrix(n)
    let least = Infinity
    for (let i = 0; i < 3; i++) {
      const t0 = performance.now()
      s.ours()
      least = Math.min(least, performance.now() - t0)
    }
    return [s.unknowns, least]
  })
  write('solver', 'Plate solver', 'unknowns', [{ name: 'factored and solved, least of three', points }])
}

const HOLES = [500, 5000, 50000]
const AT_ONCE = 5000
const READS = 15
async function holes() {
  const product = await serveFresh('bench-postgres')
  try {
    const ask = await asker(product.base, '/session/demo', {})
    const [first, again, one] = [[], [], []]
    for (const n of HOLES) {
      const id = await boatOf(ask, `Of ${n}`, Math.min(n, AT_ONCE))
      for (let more = AT_ONCE; more < n; more += AT_ONCE) await boatOf(ask, `Of ${n}`, AT_ONCE, id)
      const all = (await ask('GET', `/boats/${id}`)).holes
      const timed = async (path) => {
        const t0 = performance.now()
        await ask.bytes(path)
        return performance.now() - t0
      }
      const times = async (what) => {
        const took = []
        for (let i = 0; i < READS; i++) took.push(await what(i))
        return at(took, 0.5)
      }
      const found = { foundKind: 'open hole', diameterMm: 8, xMm: 4000, yMm: 300 }
      const changed = async () => {
        await ask('POST', `/boats/${id}/penetrations`, found)
        return timed(`/boats/${id}`)
      }
      first.push([n, await times(changed)])
      again.push([n, await times(() => timed(`/boats/${id}`))])
      one.push([n, await times((i) => timed(`/penetrations/${all[(i * 37) % all.length].id}`))])
    }
    write('holes', 'A boat of so many holes, asked of the server', 'holes', [
      { name: 'her picture after a hole changed, p50', points: first },
      { name: 'her picture again, p50', points: again },
      { name: 'one hole, p50', points: one },
    ])
  } finally {
    await product.stop()
  }
}

const FITTINGS = [50, 500, 5000]
/** Copies of one fitting along the deck, set down by the database itself. */
const COPIES = `INSERT INTO fittings (boat_id, name, kind, design, verdict, governing, solver_due, updated_by)
  SELECT boat_id, name || ' ' || n, kind, jsonb_set(design, '{place,xMm}', to_jsonb(300 + (n * 97) % 19400)),
    verdict, governing, false, updated_by
    FROM fittings, generate_series(2, $2::int) n WHERE id = $1`
async function fittings() {
  const product = await serveFresh('bench-postgres')
  const db = new pg.Client({ connectionString: product.database.ownerUrl })
  await db.connect()
  try {
    const ask = await asker(product.base, '/session/demo', {})
    const series = { 'the picture of her': [], 'one fitting opened': [], 'one fitting saved': [] }
    for (const n of FITTINGS) {
      const id = await boatOf(ask, `With ${n}`, 1)
      const one = await ask('POST', `/boats/${id}/fittings`, { catalogueId: 'HG-C250', xMm: 200, yMm: 0 })
      await db.query(COPIES, [one.id, n])
      let { version, design } = await ask('GET', `/fittings/${one.id}`)
      const acts = {
        'the picture of her': () => ask.bytes(`/boats/${id}`),
        'one fitting opened': () => ask.bytes(`/fittings/${one.id}`),
        'one fitting saved': async () => {
          const sent = { version, design: { ...design, name: `saved ${version}` } }
          ;({ version, design } = await ask('PUT', `/fittings/${one.id}`, sent))
        },
      }
      for (const [name, act] of Object.entries(acts)) {
        const took = []
        for (let i = 0; i < READS; i++) {
          const t0 = performance.now()
          await act()
          took.push(performance.now() - t0)
        }
        series[name].push([n, at(took, 0.5)])
      }
    }
    write(
      'fittings',
      'A boat of so many fittings, asked of the server',
      'fittings',
      Object.entries(series).map(([name, points]) => ({ name: `${name}, p50`, points })),
    )
  } finally {
    await db.end()
    await product.stop()
  }
}

const BOATS = [10, 30, 100]
/** A yard of so many boats, each as large as the demo's: what it takes, and what a fitter waits for. */
async function yard() {
  const product = await serveFresh('bench-postgres')
  const db = new pg.Client({ connectionString: product.database.ownerUrl })
  await db.connect()
  try {
    const ask = await asker(product.base, '/session', { login: 'manager', password: 'tide-manager' })
    const file = await ask('GET', '/boats/fulmars-reach/boat.json')
    const series = { 'watch of the yard': [], 'one boat opened': [] }
    let there = (await ask('GET', '/boats')).length
    for (const n of BOATS) {
      for (; there < n; there++) await ask('POST', '/boats/import', named(file, there))
      const boats = await ask('GET', '/boats')
      for (const [name, path] of [
        ['watch of the yard', () => '/watch'],
        ['one boat opened', (i) => `/boats/${boats[(i * 7) % boats.length].id}`],
      ]) {
        const took = []
        for (let i = 0; i < READS; i++) {
          const t0 = performance.now()
          await ask.bytes(path(i))
          took.push(performance.now() - t0)
        }
        series[name].push([n, at(took, 0.5)])
      }
      const [{ bytes }] = (await db.query('SELECT pg_database_size(current_database()) AS bytes')).rows
      const memory = readFileSync(`/proc/${product.pid}/status`, 'utf8').match(/VmRSS:\s+(\d+)/)[1]
      out(
        `${n} boats: database ${(bytes / 1e6).toFixed(0)} MB, memory of the server ${(memory / 1e3).toFixed(0)} MB`,
      )
    }
    write(
      'yard',
      'A yard of so many boats, asked of the server',
      'boats',
      Object.entries(series).map(([name, points]) => ({ name: `${name}, p50`, points })),
    )
  } finally {
    await db.end()
    await product.stop()
  }
}
/** The demo’s boat under another name. */
const named = (file, n) => ({ ...file, boat: { ...file.boat, name: `Copy ${n}` } })

const PARTS = { solver, holes, fittings, yard }
const only = process.argv[process.argv.indexOf('--only') + 1]
for (const [name, part] of Object.entries(PARTS))
  if (!process.argv.includes('--only') || only === name) await part()
process.exit(0)

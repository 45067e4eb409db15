#!/usr/bin/env node
// npm run growth: how what is asked grows with what there is. Writes a chart of each into docs/growth and
// prints the table with the exponent. Long; by hand.
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
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
        await ask('GET', path)
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
await solver()
await holes()
process.exit(0)

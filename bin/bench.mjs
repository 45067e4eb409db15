#!/usr/bin/env node
// npm run bench: what the product promises of speed, measured here and now; written down as JSON, and held
// against an earlier run with -- --against FILE. -- --only PART measures a part alone: core, load, yard,
// server, browser, boat.
import { benchTable } from './lib/bench-table.mjs'
import { ensurePackages } from './lib/packages.mjs'

await ensurePackages()
const ms = (v) => `${v.toFixed(v < 10 ? 2 : 0)} ms`
const asked = (name) => {
  const at = process.argv.indexOf(`--${name}`)
  return at < 0 ? null : (process.argv[at + 1] ?? null)
}
const table = benchTable(asked('against'))
const only = asked('only')
const PARTS = {
  core: async () => (await import('./lib/bench-core.mjs')).benchCore(table.row, ms),
  load: async () => (await import('./lib/bench-load.mjs')).benchLoad(table.row),
  yard: async () => (await import('./lib/bench-yard.mjs')).benchYard(table.row, ms),
  server: async () => (await import('./lib/bench-server.mjs')).benchServer(table.row, ms),
  browser: async () => (await import('./lib/bench-browser.mjs')).benchBrowser(table.row, ms),
  boat: async () => (await import('./lib/bench-boat.mjs')).benchBoat(table.row, ms),
}
if (only !== null && !PARTS[only]) throw new Error(`--only takes one of ${Object.keys(PARTS).join(', ')}`)
for (const [name, run] of Object.entries(PARTS)) if (only === null || only === name) await run()
process.stdout.write(`Written to ${table.write()}\n`)
process.exit(0)

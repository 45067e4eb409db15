#!/usr/bin/env node
// npm run bench: what the product promises of speed, measured here and now.
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { ensureBuild } from './lib/build.mjs'
import { ensurePackages, root } from './lib/packages.mjs'

await ensurePackages()
const { tsImport } = await import('tsx/esm/api')
const b = await tsImport('../packages/core/bench/bench.ts', import.meta.url)
const ms = (v) => `${v.toFixed(v < 10 ? 2 : 0)} ms`
const row = (what, got, aim) => process.stdout.write(`${what.padEnd(58)} ${got.padEnd(34)} ${aim}\n`)

const j = b.judging()
row('Judging one fitting whole: checks, remedies, both drawings', `p50 ${ms(j.p50)}, p95 ${ms(j.p95)}`, 'aim p95 5 ms')
const s = b.sizing()
row('Size it, over the catalogue', `p50 ${ms(s.p50)}, most ${ms(s.most)}`, 'aim 1 s')

ensureBuild()
const dist = join(root, 'packages/web/dist')
const manifest = JSON.parse(readFileSync(join(dist, '.vite/manifest.json'), 'utf8'))
const files = new Set()
const take = (key) => {
  const m = manifest[key]
  if (!m || files.has(m.file)) return
  files.add(m.file)
  for (const k of m.imports ?? []) take(k)
}
take('index.html')
take('src/places/boat/BoatPlace.vue')
const bytes = [...files].reduce((sum, f) => sum + gzipSync(readFileSync(join(dist, f))).length, 0)
row('First-load JavaScript, gzipped (frame and Boat)', `${(bytes / 1024).toFixed(0)} kB in ${files.size} files`, 'aim 350 kB')

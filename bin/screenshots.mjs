#!/usr/bin/env node
// Makes docs/screenshots anew from the demo data.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ensureBuild } from './lib/build.mjs'
import { ensureChromium } from './lib/chromium.mjs'
import { ensurePackages, root } from './lib/packages.mjs'
import { serveFresh } from './lib/serve.mjs'

await ensurePackages()
ensureBuild()
ensureChromium()
const product = await serveFresh('screenshot-postgres')
const made = spawnSync(process.execPath, ['--import', 'tsx', join(root, 'packages/e2e/screenshots.ts')], {
  cwd: root,
  stdio: 'inherit',
  env: { ...process.env, BASE_URL: product.base, SHOTS: join(root, 'docs/screenshots') },
})
await product.stop()
process.exit(made.status ?? 1)

#!/usr/bin/env node
// npm run kills: the tests that kill the product while it works, many times over. Long; by hand.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { ensurePackages, root } from './lib/packages.mjs'

await ensurePackages()
const r = spawnSync(
  join(root, 'node_modules', '.bin', 'vitest'),
  ['run', '--project', 'server', 'packages/server/test/kills.test.ts', '--reporter=verbose'],
  {
    cwd: root,
    stdio: 'inherit',
    env: { KILLS_OF_NODE: '64', KILLS_OF_POSTGRES: '16', KILLS_OF_FIRST_START: '12', ...process.env },
  },
)
process.exitCode = r.status ?? 1

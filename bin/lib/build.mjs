import { createHash } from 'node:crypto'
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { fail, log, root } from './packages.mjs'

function* filesThroughHull(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name === 'node_modules' || entry.name === 'dist' || entry.name === 'test') continue
    const path = join(folder, entry.name)
    if (entry.isDirectory()) yield* filesThroughHull(path)
    else yield path
  }
}

/** Builds the web part when its sources have changed since the last build. */
export function ensureBuild() {
  const hash = createHash('sha256')
  for (const folder of ['packages/web', 'packages/core/src'])
    for (const f of [...filesThroughHull(join(root, folder))].sort())
      hash
        .update(f)
        .update(String(statSync(f).size))
        .update(readFileSync(f))
  hash.update(readFileSync(join(root, 'package-lock.json')))
  const now = hash.digest('hex')
  const dist = join(root, 'packages', 'web', 'dist')
  const stamp = join(dist, '.built-from')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return
  log('Building ...')
  const built = spawnSync(
    process.execPath,
    [
      join(root, 'node_modules', 'vite', 'bin', 'vite.js'),
      'build',
      join(root, 'packages', 'web'),
      '--logLevel',
      'warn',
    ],
    // Whoever asks for it, a test too: what is served is made as it is served.
    { cwd: root, encoding: 'utf8', env: { ...process.env, NODE_ENV: 'production' } },
  )
  if (built.status !== 0)
    fail(
      `the web part does not build (${(built.stderr || built.stdout || '').trim().split('\n').slice(-3).join(' ')})`,
    )
  writeFileSync(stamp, now)
}

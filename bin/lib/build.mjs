import { createHash } from 'node:crypto'
import { existsSync, readFileSync, readdirSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { fail, log, root } from './packages.mjs'

function* filesOf(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name === 'node_modules' || entry.name.startsWith('dist') || entry.name === 'test') continue
    const path = join(folder, entry.name)
    if (entry.isDirectory()) yield* filesOf(path)
    else yield path
  }
}
function stateOf(folders) {
  const hash = createHash('sha256')
  for (const folder of folders)
    for (const f of [...filesOf(join(root, folder))].sort())
      hash
        .update(f)
        .update(String(statSync(f).size))
        .update(readFileSync(f))
  hash.update(readFileSync(join(root, 'package-lock.json')))
  return hash.digest('hex')
}

/** Builds one part when its sources have changed since; another who builds it meanwhile gets it whole too. */
function ensurePart(folder, said) {
  const now = stateOf([folder, 'packages/core/src'])
  const dist = join(root, folder, 'dist')
  const stamp = join(dist, '.built-from')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return
  log('Building ...')
  const fresh = `${dist}-${process.pid}`
  const built = spawnSync(
    process.execPath,
    [
      join(root, 'node_modules', 'vite', 'bin', 'vite.js'),
      'build',
      join(root, folder),
      ...['--outDir', fresh, '--emptyOutDir', '--logLevel', 'warn'],
    ],
    // Whoever asks for it, a test too: what is served is made as it is served.
    { cwd: root, encoding: 'utf8', env: { ...process.env, NODE_ENV: 'production' } },
  )
  if (built.status !== 0) {
    rmSync(fresh, { recursive: true, force: true })
    fail(
      `the ${said} does not build (${(built.stderr || built.stdout || '').trim().split('\n').slice(-3).join(' ')})`,
    )
  }
  writeFileSync(join(fresh, '.built-from'), now)
  try {
    rmSync(dist, { recursive: true, force: true })
    renameSync(fresh, dist)
  } catch (error) {
    rmSync(fresh, { recursive: true, force: true })
    // Somebody else was there first, with the same.
    if (!existsSync(stamp) || readFileSync(stamp, 'utf8') !== now) throw error
  }
}
/** All that is served. */
export function ensureBuild() {
  ensurePart('packages/web', 'web part')
  ensurePart('packages/server', 'server')
}
/** What is run of the server: `index`, or `worker` for its queue alone, or what a command asks of it. */
export function serverEntry(name) {
  ensurePart('packages/server', 'server')
  return join(root, 'packages', 'server', 'dist', `${name}.js`)
}

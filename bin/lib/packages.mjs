import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { spawn } from 'node:child_process'
import { dirname, join, resolve } from 'node:path'
import { setTimeout } from 'node:timers/promises'
import { fileURLToPath } from 'node:url'

export const root = join(dirname(fileURLToPath(import.meta.url)), '..', '..')
/**
 * where the product keeps what it makes: the database of npm start, reports; NORTH_TIDE_DATA puts it
 * elsewhere
 */
export const dataFolder = process.env.NORTH_TIDE_DATA
  ? resolve(process.env.NORTH_TIDE_DATA)
  : join(root, '.data')
/** who is installing the packages just now */
const installing = join(root, '.data', 'npm.pid')

export const log = (line) => process.stderr.write(`${line}\n`)

/** One clear line and a non-zero exit. */
export function fail(line) {
  log(`North Tide cannot go on: ${line}`)
  process.exit(1)
}

/** The first line of an npm that failed which says why; its last only names a log file. */
function firstError(npm) {
  const lines = `${npm.stderr ?? ''}\n${npm.error?.message ?? ''}`.split('\n').map((l) => l.trim())
  const errors = lines
    .filter((l) => /^npm (error|ERR!)/.test(l))
    .map((l) => l.replace(/^npm (error|ERR!)\s*/, ''))
  return (
    errors.find((l) => l && !/^(code|errno|syscall|path|command) /.test(l)) ??
    lines.find(Boolean) ??
    'npm said nothing'
  )
}

/** An install outlives a start that was killed; two at once would take each other's files away. */
async function stopLeftOver() {
  const pid = existsSync(installing) ? Number(readFileSync(installing, 'utf8')) : 0
  const runs = () => {
    try {
      return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('npm')
    } catch {
      return false
    }
  }
  if (pid > 1 && runs()) process.kill(pid, 'SIGKILL')
  while (pid > 1 && runs()) await setTimeout(50)
}
function run(command, args) {
  return new Promise((done) => {
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'ignore', 'pipe'] })
    mkdirSync(dirname(installing), { recursive: true })
    if (child.pid) writeFileSync(installing, String(child.pid))
    let stderr = ''
    child.stderr.on('data', (part) => (stderr += part))
    child.once('error', (error) => done({ status: 1, stderr, error }))
    child.once('close', (status) => done({ status, stderr }))
  })
}

/** Installs the npm packages when they are missing or the lock file has changed since. */
export async function ensurePackages({ quiet = false } = {}) {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    fail(`Node ${process.versions.node} is too old; 20.19 or later is needed`)
  const hash = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  const stamp = join(root, 'node_modules', '.north-tide-lock')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return
  if (!quiet) log('Installing packages ...')
  await stopLeftOver()
  const npm = await run('npm', ['ci', '--no-audit', '--no-fund'])
  rmSync(installing, { force: true })
  if (npm.status !== 0) fail(`the npm packages could not be installed (${firstError(npm)})`)
  mkdirSync(dirname(stamp), { recursive: true })
  writeFileSync(stamp, hash)
}

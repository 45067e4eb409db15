#!/usr/bin/env node
// npm run fresh-machine: both commands on a bare Debian 12 that has Node and no compiler, made for it and
// thrown away. As root, by hand.
import { spawn, spawnSync } from 'node:child_process'
import {
  chmodSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  realpathSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { fail, log, root } from './lib/packages.mjs'

if (process.getuid?.() !== 0) fail('a bare machine is made as root')
const machine = mkdtempSync(join(tmpdir(), 'fresh-machine-'))
// Everybody inside has to be able to stand in its root.
chmodSync(machine, 0o755)
const run = (command, args, options = {}) =>
  spawnSync(command, args, {
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'pipe'],
    maxBuffer: 1 << 28,
    ...options,
  })
const must = (what, r) =>
  r.status === 0 ? r : fail(`${what} (${`${r.stdout}${r.stderr}`.trim().split('\n').slice(-3).join(' ')})`)
const mounts = []
function clean() {
  for (const m of mounts.reverse()) run('umount', ['-l', m])
  rmSync(machine, { recursive: true, force: true })
}
process.on('exit', clean)
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(1))

/** Where this machine's own packages come from, so that no address stands here. */
function mirror() {
  const files = [
    '/etc/apt/sources.list',
    ...(existsSync('/etc/apt/sources.list.d')
      ? readdirSync('/etc/apt/sources.list.d').map((f) => `/etc/apt/sources.list.d/${f}`)
      : []),
  ].filter((f) => existsSync(f) && /\.(list|sources)$/.test(f))
  const text = files.map((f) => readFileSync(f, 'utf8')).join('\n')
  return (
    /^(?:URIs:\s*|deb\s+(?:\[[^\]]*\]\s+)?)(\S+)/m.exec(text)?.[1] ??
    fail('no source of Debian packages is set up here')
  )
}
const inside = (path) => join(machine, path)
const ENV = Object.fromEntries(
  Object.entries(process.env).filter(([k]) => /^(npm_config_registry|.*_proxy|.*_PROXY)$/.test(k)),
)
const command = (line) => [
  'chroot',
  [machine, '/bin/sh', '-c', `cd /srv/north-tide && ${line}`],
  {
    env: {
      ...ENV,
      PATH: '/usr/local/bin:/usr/bin:/bin:/usr/sbin:/sbin',
      HOME: '/root',
      LC_ALL: 'C.UTF-8',
      ...(existsSync('/etc/ssl/certs/ca-certificates.crt')
        ? { NODE_EXTRA_CA_CERTS: '/etc/ssl/certs/ca-certificates.crt' }
        : {}),
    },
  },
]

log('Making a bare Debian 12 ...')
if (!existsSync('/usr/sbin/debootstrap'))
  must(
    'debootstrap could not be installed',
    run('apt-get', ['install', '-y', '--no-install-recommends', 'debootstrap']),
  )
must(
  'no bare machine could be made',
  run('debootstrap', ['--variant=minbase', '--include=ca-certificates', 'bookworm', machine, mirror()]),
)
cpSync('/etc/apt/sources.list.d', inside('etc/apt/sources.list.d'), { recursive: true, dereference: true })
if (existsSync('/etc/apt/sources.list')) cpSync('/etc/apt/sources.list', inside('etc/apt/sources.list'))
for (const f of readdirSync('/etc/apt/apt.conf.d').filter((f) => /^99/.test(f)))
  cpSync(join('/etc/apt/apt.conf.d', f), inside(`etc/apt/apt.conf.d/${f}`))
for (const f of ['/etc/resolv.conf', '/etc/hosts', '/etc/ssl/certs/ca-certificates.crt'])
  if (existsSync(f)) cpSync(realpathSync(f), inside(f))
for (const [what, where, args] of [
  ['proc', 'proc', ['-t', 'proc']],
  ['/dev', 'dev', ['--bind']],
  ['/sys', 'sys', ['--bind']],
  ['shm', 'dev/shm', ['-t', 'tmpfs']],
]) {
  mkdirSync(inside(where), { recursive: true })
  if (run('mount', [...args, what, inside(where)]).status === 0) mounts.push(inside(where))
}
// Node as its makers unpack it: the program and npm, no headers, no compiler.
cpSync(realpathSync(process.execPath), inside('usr/local/bin/node'))
const npm = realpathSync(join(dirname(realpathSync(run('which', ['npm']).stdout.trim())), '..'))
cpSync(npm, inside('usr/local/lib/node_modules/npm'), { recursive: true })
writeFileSync(
  inside('usr/local/bin/npm'),
  '#!/bin/sh\nexec /usr/local/bin/node /usr/local/lib/node_modules/npm/bin/npm-cli.js "$@"\n',
  { mode: 0o755 },
)
const registry = run('npm', ['config', 'get', 'registry']).stdout.trim()
writeFileSync(inside('root/.npmrc'), `registry=${registry}\n`)
mkdirSync(inside('srv'), { recursive: true })
must(
  'the checkout could not be copied',
  run('git', ['clone', '--quiet', '--no-hardlinks', root, inside('srv/north-tide')]),
)
const shared = join(root, '..', 'shared')
if (existsSync(shared)) cpSync(shared, inside('srv/shared'), { recursive: true })

const [c, a, o] = command(
  'for t in cc gcc g++ make python3; do command -v $t && exit 1; done; node --version',
)
log(
  `Node ${must('there is a compiler on the bare machine', run(c, a, o)).stdout.trim()}, no compiler, no python, no make`,
)

/** Runs a command line inside, showing what it says; ends it when it says `until`. */
const show = (line, until) =>
  new Promise((done) => {
    const [file, args, options] = command(line)
    const child = spawn(file, args, { ...options, stdio: ['ignore', 'pipe', 'pipe'], detached: true })
    let last = ''
    const t0 = Date.now()
    for (const s of [child.stdout, child.stderr])
      s.on('data', (d) => {
        process.stdout.write(d)
        last = `${last}${d}`.slice(-4000)
        if (until && last.includes(until)) process.kill(-child.pid, 'SIGINT')
      })
    child.once('exit', (code) => done({ code, last, s: (Date.now() - t0) / 1000 }))
  })
log('npm start ...')
const started = await show('npm start', 'North Tide is at')
if (!started.last.includes('North Tide is at')) fail('npm start did not come up on the bare machine')
log(`npm start came up after ${started.s.toFixed(0)} s`)
log('npm test ...')
const tested = await show('npm test')
log(`npm test ended after ${tested.s.toFixed(0)} s: ${tested.last.trim().split('\n').at(-1)}`)
process.exitCode = tested.code ?? 1

#!/usr/bin/env node
// Installs what is missing, starts PostgreSQL on loopback (or uses DATABASE_URL), migrates, loads the demo
// data, serves.
import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { ensureBuild, serverEntry } from './lib/build.mjs'
import { dataFolder, ensurePackages, fail, root } from './lib/packages.mjs'
import { startPostgres } from './lib/postgres.mjs'

const port = Number(process.env.PORT ?? 4180)
const host = process.env.HOST ?? '127.0.0.1'
if (!Number.isInteger(port) || port < 1 || port > 65535)
  fail(`PORT is "${process.env.PORT}"; a whole number from 1 to 65535 is accepted`)
await new Promise((done) => {
  const probe = createServer()
  probe.once('error', (e) =>
    fail(
      e.code === 'EADDRINUSE'
        ? `port ${port} is in use; stop what holds it, or set PORT`
        : `port ${port} cannot be used (${e.message})`,
    ),
  )
  probe.listen(port, host, () => probe.close(done))
})
await ensurePackages()
ensureBuild()

let database = null
let server = null
let stopping = false
const stopAll = (code) => {
  if (stopping) return
  stopping = true
  const end = () => {
    database?.stop()
    process.exit(code)
  }
  if (!server || server.exitCode !== null) return end()
  const patience = setTimeout(() => server.kill('SIGKILL'), 8000)
  server.once('exit', () => {
    clearTimeout(patience)
    end()
  })
  server.kill('SIGTERM')
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => stopAll(0))

if (!process.env.DATABASE_URL) database = await startPostgres()
server = spawn(process.execPath, [serverEntry('index')], {
  cwd: root,
  stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  // Its own group: Ctrl-C reaches this process first, which then stops both in order.
  detached: true,
  env: {
    ...process.env,
    PORT: String(port),
    HOST: host,
    ...(database ? { DATABASE_URL: database.url, OWNER_DATABASE_URL: database.ownerUrl } : {}),
    BACKUP_DIR: process.env.BACKUP_DIR ?? join(dataFolder, 'backups'),
  },
})
server.once('exit', (code) => {
  if (!stopping) stopAll(code ?? 1)
})

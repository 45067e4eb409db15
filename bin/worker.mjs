#!/usr/bin/env node
// npm run worker: does the work of the queue beside any number of servers; DATABASE_URL names the database.
import { spawn } from 'node:child_process'
import { serverEntry } from './lib/build.mjs'
import { ensurePackages, fail, root } from './lib/packages.mjs'

if (!process.env.DATABASE_URL) fail('set DATABASE_URL to the database whose work is to be done here')
await ensurePackages()
const worker = spawn(process.execPath, [serverEntry('worker')], {
  cwd: root,
  stdio: 'inherit',
  env: process.env,
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => worker.kill(signal))
worker.once('exit', (code) => process.exit(code ?? 1))

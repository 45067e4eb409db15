#!/usr/bin/env node
// npm run manager -- LOGIN "NAME": makes a manager. The password is asked for, or read from standard input.
import { createInterface } from 'node:readline'
import { serverEntry } from './lib/build.mjs'
import { ensurePackages, fail } from './lib/packages.mjs'
import { startPostgres } from './lib/postgres.mjs'

const [login, name] = process.argv.slice(2)
if (!login || !name) fail('say who: npm run manager -- LOGIN "NAME"')
await ensurePackages()

/** Asked for where somebody sits at it, and not shown; else the first line that is sent. */
async function askPassword() {
  const { stdin, stderr } = process
  if (!stdin.isTTY) {
    for await (const line of createInterface({ input: stdin })) return line
    return ''
  }
  stderr.write('Password: ')
  stdin.setRawMode(true)
  let typed = ''
  for await (const part of stdin.setEncoding('utf8')) {
    for (const c of part) {
      if (c === '\r' || c === '\n') {
        stdin.setRawMode(false)
        stderr.write('\n')
        return typed
      }
      if (c === '\u0003') process.exit(130)
      typed = c === '\u007f' ? typed.slice(0, -1) : typed + c
    }
  }
  return typed
}
const password = await askPassword()
const database = process.env.DATABASE_URL ? null : await startPostgres()
try {
  const { addManager } = await import(serverEntry('manager'))
  const url = database?.url ?? process.env.DATABASE_URL
  const ownerUrl = database?.ownerUrl ?? process.env.OWNER_DATABASE_URL ?? url
  const made = await addManager({ url, ownerUrl }, { login, name, password })
  process.stdout.write(`${made} is a manager of this yard now.\n`)
} catch (error) {
  database?.stop()
  fail(error.message)
}
database?.stop()
process.exit(0)

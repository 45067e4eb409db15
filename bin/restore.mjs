#!/usr/bin/env node
// npm run restore -- FILE [--over]: brings a yard back as it was, whole or not at all.
import { restore } from './lib/backup.mjs'
import { serverEntry } from './lib/build.mjs'
import { fail } from './lib/packages.mjs'
import { withDatabase } from './lib/with-database.mjs'

const args = process.argv.slice(2)
const file = args.find((a) => !a.startsWith('--'))
if (!file) fail('say what of: npm run restore -- FILE [--over]')
await withDatabase(async ({ ownerUrl, bin }) => {
  const { MIGRATION_NAMES } = await import(serverEntry('db'))
  const back = await restore({
    ownerUrl,
    bin,
    file,
    known: MIGRATION_NAMES,
    over: args.includes('--over'),
  })
  const rows = Object.values(back.tables).reduce((n, t) => n + t.rows, 0)
  process.stdout.write(`The yard of ${back.madeAt} is back: ${rows} rows, the same to the last.\n`)
})

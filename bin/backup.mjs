#!/usr/bin/env node
// npm run backup -- FILE: the whole yard, photos and all, in one file.
import { backup } from './lib/backup.mjs'
import { fail } from './lib/packages.mjs'
import { withDatabase } from './lib/with-database.mjs'

const [file] = process.argv.slice(2)
if (!file) fail('say where to: npm run backup -- FILE')
await withDatabase(async ({ ownerUrl, bin }) => {
  const made = await backup({ ownerUrl, bin, file })
  const rows = Object.values(made.tables).reduce((n, t) => n + t.rows, 0)
  process.stdout.write(
    `${file}: ${rows} rows of ${Object.keys(made.tables).length} tables, ${(made.bytes / 1e6).toFixed(1)} MB.\n`,
  )
})

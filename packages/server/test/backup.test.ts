import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { MIGRATION_NAMES } from '../src/db'
import { prepare } from '../src/start'
import { freshDatabase, Someone, startApp } from './harness'

/** A yard in one file, brought back to the last row, or refused before anything is touched. */
interface Header {
  migrations: string[]
  tables: Record<string, { rows: number; sum: string }>
}
interface Tools {
  backup(o: object): Promise<Header>
  restore(o: object): Promise<Header>
  sums(client: pg.Client): Promise<Header['tables']>
}
const folder = mkdtempSync(join(tmpdir(), 'north-tide-backup-'))
const file = join(folder, 'yard.backup')
let tools: Tools
let bin: string
let from: Awaited<ReturnType<typeof freshDatabase>>
let made: Header
beforeAll(async () => {
  // @ts-expect-error a plain script without types
  tools = (await import('../../../bin/lib/backup.mjs')) as Tools
  // @ts-expect-error a plain script without types
  bin = ((await import('../../../bin/lib/postgres.mjs')) as { serverFolder(): string }).serverFolder()
  from = await freshDatabase('backup_from')
  made = await tools.backup({ ownerUrl: from.ownerUrl, bin, file })
}, 240_000)
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const sumsOf = async (url: string) => {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  const out = await tools.sums(client)
  await client.end()
  return out
}
const back = (url: string, more: object = {}) =>
  tools.restore({ ownerUrl: url, bin, file, known: MIGRATION_NAMES, ...more })
const damaged = (change: (b: Buffer) => Buffer) => {
  const other = join(folder, `damaged-${Math.random()}`)
  writeFileSync(other, change(readFileSync(file)))
  return other
}

describe('a backup', () => {
  it('has every table with its rows, and is not for others to read', () => {
    expect(made.tables['public.life_events']!.rows).toBeGreaterThan(50)
    expect(made.tables['public.users']!.rows).toBe(5)
    expect(made.migrations).toEqual(MIGRATION_NAMES)
    expect(statSync(file).mode & 0o077).toBe(0)
  })
  it('comes back into an empty database the same to the last row, and is served from there', async () => {
    const to = await freshDatabase('backup_to', 'nothing')
    await back(to.ownerUrl)
    expect(await sumsOf(to.ownerUrl)).toEqual(await sumsOf(from.ownerUrl))
    const app = await startApp('backup_to', { databases: to })
    const fitter = await new Someone(app.base).signIn('fitter')
    const boat = await fitter.ask<{ fittings: object[] }>('GET', '/api/boats/fulmars-reach')
    expect(boat.body.fittings.length).toBeGreaterThan(10)
    // Records are records again: the database itself refuses to change one.
    await expect(app.db.query(`UPDATE life_events SET note = 'x'`)).rejects.toThrow()
    await app.stop()
  }, 240_000)
  it('replaces a yard only where that is said, whatever version of tables lies there', async () => {
    const to = await freshDatabase('backup_over')
    const client = new pg.Client({ connectionString: to.ownerUrl })
    await client.connect()
    await client.query(`CREATE TABLE of_a_later_version (id int); UPDATE boats SET name = 'Another'`)
    const before = await sumsOf(to.ownerUrl)
    await expect(back(to.ownerUrl)).rejects.toThrow(/there is a yard in this database/)
    expect(await sumsOf(to.ownerUrl)).toEqual(before)
    await back(to.ownerUrl, { over: true })
    expect(await sumsOf(to.ownerUrl)).toEqual(made.tables)
    await client.end()
  }, 240_000)
})
describe('is refused before anything is touched', () => {
  it.each([
    ['cut short', (b: Buffer) => b.subarray(0, b.length - 100), /damaged: \d+ bytes/],
    [
      'changed by a byte',
      (b: Buffer) => {
        const c = Buffer.from(b)
        c[c.length - 50] = c[c.length - 50]! ^ 1
        return c
      },
      /its sum is not what it was/,
    ],
    ['something else', () => Buffer.from('a letter\nand more'), /is no backup/],
    ['nothing', () => Buffer.alloc(0), /is no backup/],
    [
      'of a newer version',
      (b: Buffer) =>
        Buffer.from(b.toString('latin1').replace('"015-sent-once"', '"999-sent-once"'), 'latin1'),
      /newer version of North Tide \(999-sent-once\)/,
    ],
  ] as [string, (b: Buffer) => Buffer, RegExp][])(
    '%s',
    async (_, change, said) => {
      const to = await freshDatabase('backup_no', 'nothing')
      const db = await prepare(to, false)
      await db.close()
      const before = await sumsOf(to.ownerUrl)
      await expect(back(to.ownerUrl, { file: damaged(change) })).rejects.toThrow(said)
      expect(await sumsOf(to.ownerUrl)).toEqual(before)
    },
    60_000,
  )
  it('where PostgreSQL\u2019s programs lack, and what was there stays', async () => {
    const to = await freshDatabase('backup_half')
    const before = await sumsOf(to.ownerUrl)
    await expect(back(to.ownerUrl, { over: true, bin: '/nowhere' })).rejects.toThrow(/cannot be run/)
    expect(await sumsOf(to.ownerUrl)).toEqual(before)
  }, 240_000)
})

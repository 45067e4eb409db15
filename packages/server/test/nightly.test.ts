import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import dayjs from 'dayjs'
import { pino } from 'pino'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { Task } from '../src/models'
import { kept, startNights } from '../src/services/nightly'
import { Someone, startApp } from './harness'

/** The clock's own work: a backup and reminders once a night, whichever of the servers comes first. */
interface Backups {
  files: { name: string; day: string; bytes: number }[] | null
  last: { state: string; said: string } | null
}
const folder = mkdtempSync(join(tmpdir(), 'north-tide-nights-'))
const TODAY = dayjs().format('YYYY-MM-DD')
const old = Array.from({ length: 80 }, (_, i) =>
  dayjs(TODAY)
    .subtract(i + 1, 'day')
    .format('YYYY-MM-DD'),
)
const nameOf = (day: string) => `north-tide-${day}.backup`
let app: Awaited<ReturnType<typeof startApp>>
let manager: Someone
beforeAll(async () => {
  app = await startApp('nightly')
  manager = await new Someone(app.base).signIn('manager')
  // The clock starts the command as the service would, with the addresses that it was started with.
  vi.stubEnv('DATABASE_URL', app.databases.url)
  vi.stubEnv('OWNER_DATABASE_URL', app.databases.ownerUrl)
  vi.stubEnv('BACKUP_DIR', folder)
  for (const day of old) writeFileSync(join(folder, nameOf(day)), 'an older one')
}, 240_000)
afterAll(async () => {
  vi.useRealTimers()
  vi.unstubAllEnvs()
  rmSync(folder, { recursive: true, force: true })
  await app.stop()
})
/** Looks at the clock as if it were so late, of so many servers. */
async function nightAt(hour: number, servers = 1) {
  vi.useFakeTimers({ toFake: ['Date'], now: dayjs(TODAY).hour(hour).minute(30).toDate() })
  const stops = Array.from({ length: servers }, () => startNights(pino({ level: 'silent' })))
  await Promise.all(stops.map((stop) => stop()))
  vi.useRealTimers()
}
const asked = async () => (await Task.findAll({ order: [['kind', 'ASC']] })).map((t) => t.kind)
const seen = async () => (await manager.ask<Backups>('GET', '/api/backups')).body
const ended = () =>
  vi.waitFor(
    async () => {
      const { last } = await seen()
      expect(last?.state).toMatch(/done|failed/)
      return last!
    },
    { timeout: 120_000, interval: 200 },
  )

describe('a night', () => {
  it('asks for nothing before its hour', async () => {
    await nightAt(1)
    expect(await asked()).toEqual([])
  })
  it('asks once for a backup and for reminders, of however many servers; old ones go, the manager sees it', async () => {
    await nightAt(3, 3)
    await nightAt(4)
    expect(await asked()).toEqual(['backup', 'remind'])
    expect(await ended()).toMatchObject({ state: 'done' })
    const { files } = await seen()
    expect(files![0]).toMatchObject({ day: TODAY, name: nameOf(TODAY) })
    expect(new Set(files!.map((f) => f.day))).toEqual(kept([TODAY, ...old]))
    expect(readdirSync(folder).filter((f) => f.endsWith('.half'))).toEqual([])
    const made = join(folder, nameOf(TODAY))
    expect(statSync(made).mode & 0o077).toBe(0)
    const head = readFileSync(made).subarray(0, 200_000).toString('latin1').split('\n')[0]!
    const { tables } = JSON.parse(head) as { tables: Record<string, { rows: number }> }
    expect(tables['public.life_events']!.rows).toBeGreaterThan(50)
  }, 360_000)
  it('that cannot be kept says why, and leaves the last good one', async () => {
    // The first was asked for at an hour that was made up, and may be still to come.
    await Task.update({ askedAt: new Date() }, { where: {} })
    vi.stubEnv('BACKUP_DIR', join(folder, nameOf(TODAY)))
    await manager.ask('POST', '/api/backups')
    const last = await vi.waitFor(
      async () => {
        const now = (await seen()).last!
        expect(now.state).not.toBe('done')
        expect(now.said).not.toBe('')
        return now
      },
      { timeout: 120_000, interval: 200 },
    )
    expect(last.said).toContain('EEXIST')
    vi.stubEnv('BACKUP_DIR', folder)
    expect((await seen()).files![0]!.day).toBe(TODAY)
  }, 240_000)
})

import { execFile } from 'node:child_process'
import { mkdir, readdir, rename, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import { promisify } from 'node:util'
import dayjs from 'dayjs'
import type { Logger } from 'pino'
import { Task } from '../models'
import { inProduct } from '../place'
import { must, type Account } from './access'
import { askOnce, askTask, taskKind, type TaskShown } from './tasks'

/**
 * What is done every night: a backup of the whole yard with retention, and reminders. Asked for by the clock
 * of whichever server comes first; where BACKUP_DIR is not set there is no backup, and the page says so.
 */
const NIGHT_HOUR = 2
const HOUR_MS = 3_600_000
/** Every one of a week, then the first of each week for two months. */
const DAILY = 7
const WEEKLY = 8
const FILE = /^north-tide-(\d{4}-\d\d-\d\d)\.backup$/
const folder = () => process.env.BACKUP_DIR ?? ''
const COMMAND = inProduct('bin/backup.mjs')

/** Which of the files stay, by their days. */
export function kept(days: string[]): Set<string> {
  const newest = [...new Set(days)].sort().reverse()
  const stays = new Set(newest.slice(0, DAILY))
  const weeks = new Map<string, string>()
  for (const d of newest) {
    const monday = dayjs(d)
      .subtract((dayjs(d).day() + 6) % 7, 'day')
      .format('YYYY-MM-DD')
    // Going back in time: the last that is seen is the first of its week.
    weeks.set(monday, d)
  }
  for (const d of [...weeks.values()].slice(0, WEEKLY)) stays.add(d)
  return stays
}
async function filesIn(dir: string) {
  const names = await readdir(dir).catch(() => [] as string[])
  const out: { name: string; day: string; bytes: number; at: string }[] = []
  for (const name of names) {
    const day = FILE.exec(name)?.[1]
    if (!day) continue
    const s = await stat(join(dir, name))
    out.push({ name, day, bytes: s.size, at: s.mtime.toISOString() })
  }
  return out.sort((a, b) => b.day.localeCompare(a.day))
}
taskKind('backup', async (_t, say) => {
  const dir = folder()
  if (!dir) throw new Error('BACKUP_DIR is not set: nowhere to keep a backup')
  await mkdir(dir, { recursive: true, mode: 0o700 })
  await say(0, 2, 'writing the whole yard')
  const name = `north-tide-${dayjs().format('YYYY-MM-DD')}.backup`
  // Under another name until it is whole: a file of that form is always a good one.
  const half = join(dir, `${name}.half`)
  await rm(half, { force: true })
  await promisify(execFile)(process.execPath, [COMMAND, half], { env: process.env, timeout: HOUR_MS })
  await rename(half, join(dir, name))
  await say(1, 2, 'letting old ones go')
  const files = await filesIn(dir)
  const stays = kept(files.map((f) => f.day))
  for (const f of files) if (!stays.has(f.day)) await rm(join(dir, f.name), { force: true })
  return null
})
export interface Backups {
  /** null: none is kept, for nobody said where */
  files: { name: string; day: string; bytes: number; at: string }[] | null
  last: { state: string; said: string; at: string } | null
}
export async function backups(who: Account): Promise<Backups> {
  must(who, 'people')
  const dir = folder()
  const t = await Task.findOne({
    where: { kind: 'backup' },
    order: [['askedAt', 'DESC']],
  })
  return {
    files: dir ? await filesIn(dir) : null,
    last: t && { state: t.state!, said: t.said!, at: (t.endedAt ?? t.askedAt!).toISOString() },
  }
}
export async function backupNow(who: Account): Promise<TaskShown> {
  must(who, 'people')
  return askTask(who, 'backup', { day: dayjs().format('YYYY-MM-DD') })
}
/** Of the notes of what was written in holes only the last are of use to anybody. */
const NOTES_KEPT = 20_000
export const letNotesGo = () =>
  Task.sequelize!.query('DELETE FROM hole_changes WHERE id < (SELECT max(id) FROM hole_changes) - $1', {
    bind: [NOTES_KEPT],
  })
async function night() {
  if (dayjs().hour() < NIGHT_HOUR) return
  const day = dayjs().format('YYYY-MM-DD')
  await letNotesGo()
  await askOnce('remind', day)
  if (folder()) await askOnce('backup', day)
}
/** Looks at the clock now and then; gives how to stop. */
export function startNights(logger: Logger): () => Promise<void> {
  let at: Promise<void> | null = null
  const look = () => {
    at ??= night()
      .catch((error: unknown) => logger.warn(error, 'night'))
      .finally(() => (at = null))
  }
  const timer = setInterval(look, HOUR_MS / 4)
  look()
  return async () => {
    clearInterval(timer)
    await at
  }
}

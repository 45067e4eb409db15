import { createHash, randomUUID } from 'node:crypto'
import { literal, Op } from 'sequelize'
import type { Logger } from 'pino'
import { CalcError } from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import type { Jobs } from '../jobs/queue'
import { Task } from '../models'
import { must, type Account } from './access'
import { isUuid } from './saving'
import { fileOf, partsOf } from './task-files'
import type { Put } from '../zip-stream'

/**
 * Work that is too long for a page to wait: asked for, done by whichever process is free, looked up, stopped,
 * tried again. One whose process was killed is taken up again; one that fails three times lies with the
 * manager as a dead letter until it is tried once more or let go.
 */
export interface TaskFile {
  name: string
  mime: string
}
export type Say = (done: number, total: number, said: string) => Promise<void>
/** `put` takes the file that it makes, as it is made. */
export type TaskRun = (task: Task, say: Say, put: Put) => Promise<TaskFile | null>
const RUNS = new Map<string, TaskRun>()
/** Names a kind of task, and how it is done. */
export const taskKind = (kind: string, run: TaskRun): void => void RUNS.set(kind, run)

const STILL_S = 20
const BEAT_MS = 2_000
const SWEEP_MS = 5_000
const MOST_TRIES = 3
const KEPT_DAYS = 1
/** What the clock asked for stays in the list for a month. */
const CLOCK_DAYS = 31
let jobs: Jobs | null = null
const handOn = (id: string) => void jobs?.send('task', { taskId: id }, id).catch(() => undefined)

const shown = (t: Task) => ({
  id: t.id,
  kind: t.kind,
  ask: t.ask,
  state: t.state!,
  done: t.done!,
  total: t.total!,
  said: t.said!,
  tries: t.tries!,
  askedBy: t.askedBy,
  askedAt: t.askedAt!.toISOString(),
  endedAt: t.endedAt?.toISOString() ?? null,
  file: t.fileName ?? null,
})
export type TaskShown = ReturnType<typeof shown>
export async function askTask(
  who: { name: string; login: string },
  kind: string,
  ask: unknown,
): Promise<TaskShown> {
  const t = await Task.create({ id: randomUUID(), kind, ask, askedBy: who.name, askedLogin: who.login })
  handOn(t.id)
  return shown(t)
}
/** A task of a day, asked for by whichever server's clock comes first, and once. */
export async function askOnce(kind: string, day: string): Promise<void> {
  const h = createHash('sha256').update(`${kind} ${day}`).digest('hex')
  const id = `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`
  const by = { askedBy: 'the clock', askedLogin: '' }
  await Task.bulkCreate([{ id, kind, ask: { day }, ...by }], { ignoreDuplicates: true })
  handOn(id)
}
/** A task is for whoever asked for it; the manager sees them all. */
async function mine(who: Account, id: string): Promise<Task> {
  const t = isUuid(id) ? await Task.findByPk(id) : null
  if (!t) throw notFound('task')
  if (t.askedLogin !== who.login) must(who, 'people')
  return t
}
export const oneTask = async (who: Account, id: string): Promise<TaskShown> => shown(await mine(who, id))
export async function taskFile(who: Account, id: string) {
  const t = await mine(who, id)
  if (t.state !== 'done' || !t.fileName) throw notFound('file')
  return { name: t.fileName, mime: t.fileMime!, parts: partsOf(id) }
}
export async function stopTask(who: Account, id: string): Promise<TaskShown> {
  await mine(who, id)
  await Task.update(
    { state: 'cancelled', said: `stopped by ${who.name}`, endedAt: new Date() },
    { where: { id, state: ['waiting', 'working', 'failed'] } },
  )
  return oneTask(who, id)
}
/** A dead letter once more, from the beginning. */
export async function retryTask(who: Account, id: string): Promise<TaskShown> {
  await mine(who, id)
  const [n] = await Task.update(
    { state: 'waiting', tries: 0, said: '', endedAt: null },
    { where: { id, state: ['failed', 'cancelled'] } },
  )
  if (!n) throw new ApiError(409, 'not-failed', 'It has not failed, and is not tried again')
  handOn(id)
  return oneTask(who, id)
}
/** What goes on and what failed, for the manager. */
export async function listTasks(who: Account): Promise<TaskShown[]> {
  must(who, 'people')
  return (await Task.findAll({ order: [['askedAt', 'DESC']], limit: 100 })).map(shown)
}

class Stopped extends Error {}
async function runTask(t: Task, logger: Logger) {
  const where = { id: t.id, state: 'working' as const }
  const say: Say = async (done, total, said) => {
    const [n] = await Task.update({ done, total, said, beatAt: new Date() }, { where })
    if (!n) throw new Stopped()
  }
  const beat = setInterval(
    () => void Task.update({ beatAt: new Date() }, { where }).catch(() => undefined),
    BEAT_MS,
  )
  try {
    const run = RUNS.get(t.kind)
    if (!run) throw new ApiError(409, 'no-such-task', `Nobody here knows how to do "${t.kind}"`)
    const kept = await fileOf(t.id)
    const file = await run(t, say, kept.put)
    await kept.end()
    await Task.update(
      {
        state: 'done',
        said: '',
        endedAt: new Date(),
        ...(file ? { fileName: file.name, fileMime: file.mime } : {}),
      },
      { where },
    )
  } catch (error) {
    if (error instanceof Stopped) return
    // What cannot be done is not tried again; what broke is, and lies with the manager after the third time.
    const final = error instanceof CalcError || error instanceof ApiError || t.tries! >= MOST_TRIES
    const said = (error as Error).message.slice(0, 500)
    await Task.update(final ? { state: 'failed', said, endedAt: new Date() } : { state: 'waiting', said }, {
      where,
    })
    if (!(error instanceof CalcError || error instanceof ApiError)) logger.error(error, `task ${t.kind}`)
  } finally {
    clearInterval(beat)
  }
}
const abandoned = () => ({
  [Op.or]: [
    { state: 'waiting' as const },
    { state: 'working' as const, beatAt: { [Op.lt]: new Date(Date.now() - STILL_S * 1000) } },
  ],
})
async function doTask(id: string, logger: Logger) {
  const [n] = await Task.update(
    { state: 'working', beatAt: new Date(), tries: literal('tries + 1') as unknown as number },
    { where: { [Op.and]: [{ id }, abandoned()] } },
  )
  if (!n) return
  const t = await Task.findByPk(id)
  if (!t) return
  // A task that kills its process is not begun for ever either.
  if (t.tries! > MOST_TRIES) {
    await t.update({ state: 'failed', said: 'it was begun three times and never ended', endedAt: new Date() })
    return
  }
  await runTask(t, logger)
}
/** Begins doing this work in this process; gives how to stop. */
export async function startTasks(queue: Jobs, logger: Logger): Promise<() => Promise<void>> {
  jobs = queue
  await queue.work('task', ({ taskId }) => doTask(taskId, logger))
  const again = async () => {
    for (const t of await Task.findAll({ where: abandoned(), attributes: ['id'], limit: 50 })) handOn(t.id)
    const old = new Date(Date.now() - KEPT_DAYS * 86_400_000)
    await Task.destroy({
      where: { state: ['done', 'cancelled'], endedAt: { [Op.lt]: old }, askedLogin: { [Op.ne]: '' } },
    })
    await Task.destroy({
      where: {
        state: ['done', 'cancelled'],
        endedAt: { [Op.lt]: new Date(Date.now() - CLOCK_DAYS * 86_400_000) },
      },
    })
  }
  let at: Promise<void> | null = null
  const timer = setInterval(() => {
    at ??= again()
      .catch((error: unknown) => logger.warn(error, 'tasks'))
      .finally(() => (at = null))
  }, SWEEP_MS)
  return async () => {
    clearInterval(timer)
    await at
    if (jobs === queue) jobs = null
  }
}

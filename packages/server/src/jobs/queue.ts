import PgBoss from 'pg-boss'
import type { Logger } from 'pino'

/**
 * Work that nobody waits for, queued in the same database: any process may do it, and one that is killed
 * loses none of it.
 */
export interface Work {
  rejudge: { boatId: string }
  solve: { fittingId: string }
  plan: { jobId: string }
  task: { taskId: string }
}
export type QueueName = keyof Work
const NAMES: QueueName[] = ['rejudge', 'solve', 'plan', 'task']
/**
 * One waiting job for one thing is enough, however often it was asked for; it reads what is there when it
 * begins.
 */
const QUEUE = {
  policy: 'short',
  retryLimit: 5,
  retryDelay: 1,
  retryBackoff: true,
  expireInSeconds: 300,
  retentionDays: 1,
} as const
const POLL_S = 0.5

/** Made by the owner's role, for queues are tables. */
export async function prepareQueues(ownerUrl: string): Promise<void> {
  const boss = new PgBoss({ connectionString: ownerUrl, max: 1, supervise: false, schedule: false })
  boss.on('error', () => undefined)
  await boss.start()
  try {
    const there = new Set((await boss.getQueues()).map((q) => q.name))
    for (const name of NAMES) if (!there.has(name)) await boss.createQueue(name, { name, ...QUEUE })
  } finally {
    await boss.stop({ graceful: false })
  }
}

export interface Jobs {
  /** puts work in the queue; what waits there already is not put twice */
  send<N extends QueueName>(name: N, data: Work[N], key: string): Promise<void>
  /** the same for many, in one statement */
  sendAll<N extends QueueName>(name: N, all: { data: Work[N]; key: string }[]): Promise<void>
  /** does the work of a queue, one piece after another */
  work<N extends QueueName>(name: N, run: (data: Work[N]) => Promise<void>): Promise<void>
  /** the same for work that is better done together: up to `most` pieces, by `hands` at a time */
  workTogether<N extends QueueName>(
    name: N,
    how: { most: number; hands: number },
    run: (data: Work[N][]) => Promise<void>,
  ): Promise<void>
  stop(): Promise<void>
}

/** The application's end of the queue. */
export async function openJobs(url: string, logger: Logger): Promise<Jobs> {
  const boss = new PgBoss({
    connectionString: url,
    max: 3,
    migrate: false,
    schedule: false,
    maintenanceIntervalSeconds: 60,
  })
  boss.on('error', (error) => logger.error(error, 'queue'))
  await boss.start()
  const workers = new Map<QueueName, string[]>()
  const wake = (name: QueueName) => workers.get(name)?.forEach((id) => boss.notifyWorker(id))
  const begin = async <N extends QueueName>(
    name: N,
    most: number,
    run: (data: Work[N][]) => Promise<void>,
  ): Promise<void> => {
    const id = await boss.work<Work[N]>(
      name,
      { pollingIntervalSeconds: POLL_S, batchSize: most },
      async (jobs) => {
        // Where there was something there may be more: it is not waited for as where there was nothing.
        wake(name)
        await run(jobs.map((job) => job.data))
      },
    )
    workers.set(name, [...(workers.get(name) ?? []), id])
  }
  return {
    async send(name, data, key) {
      await boss.send(name, data, { singletonKey: key })
      wake(name)
    },
    async sendAll(name, all) {
      if (!all.length) return
      await boss.insert(all.map(({ data, key }) => ({ name, data, singletonKey: key })))
      wake(name)
    },
    work: (name, run) => begin(name, 1, ([data]) => run(data!)),
    async workTogether(name, { most, hands }, run) {
      for (let n = 0; n < hands; n++) await begin(name, most, run)
    },
    stop: () => boss.stop({ graceful: true, timeout: 5_000 }),
  }
}

import type { Logger } from 'pino'
import { startNights } from '../services/nightly'
import '../services/passport-files'
import '../services/post'
import '../services/yard-box'
import { startPlanning } from '../services/plan-job'
import { waysOfYard } from '../services/settings'
import { startRejudging } from '../services/rejudge'
import { startTasks } from '../services/tasks'
import { resumeThumbnails } from '../services/thumbnails'
import { openJobs } from './queue'

/** All the work of the queue, done by this process unless another does it. */
export async function startWork(
  databaseUrl: string,
  logger: Logger,
  nights = true,
): Promise<() => Promise<void>> {
  // Letters and sheets that this process makes are in the language of the yard.
  await waysOfYard()
  const jobs = await openJobs(databaseUrl, logger)
  const stops = [
    await startRejudging(jobs, logger),
    await startPlanning(jobs, logger),
    await startTasks(jobs, logger),
    ...(nights ? [startNights(logger)] : []),
  ]
  await resumeThumbnails()
  return async () => {
    for (const stop of stops) await stop()
    await jobs.stop()
  }
}

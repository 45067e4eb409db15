import { pino } from 'pino'
import { startWork } from './jobs/all'
import { prepare } from './start'

/** Work of the queue and nothing else: plans, judging anew, passports, backups, on a machine of its own. */
const url = process.env.DATABASE_URL
if (!url) {
  process.stderr.write('DATABASE_URL is not set: it names the database whose work is done here\n')
  process.exit(1)
}
const logger = pino({ level: process.env.LOG_LEVEL ?? 'warn' }, pino.destination(2))
const db = await prepare({ url, ownerUrl: process.env.OWNER_DATABASE_URL ?? url }, false).catch(
  (error: Error) => {
    process.stderr.write(`North Tide cannot go on: ${error.message}\n`)
    process.exit(1)
  },
)
const stopWork = await startWork(url, logger)
process.stdout.write('North Tide works here.\n')
let stopping = false
async function stop() {
  if (stopping) return
  stopping = true
  await stopWork()
  await db.close()
  process.exit(0)
}
process.on('SIGINT', () => void stop())
process.on('SIGTERM', () => void stop())

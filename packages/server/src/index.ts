import { createServer } from 'node:http'
import { pino } from 'pino'
import { createApp } from './app'
import { refusalOf } from './database-errors'
import { demoPeople, isLoopback } from './demo/accounts'
import { inProduct } from './place'
import { prepare } from './start'

/** One clear line and a non-zero exit, for what stops a start. */
function give(line: string): never {
  process.stderr.write(`North Tide cannot go on: ${line}\n`)
  process.exit(1)
}

/** How many proxies stand before it. */
function proxies(said: string): number {
  const n = Number(said)
  if (!Number.isInteger(n) || n < 0 || n > 9)
    give(`TRUST_PROXY is "${said}"; the number of proxies before it, 0 to 9, is accepted`)
  return n
}

const url = process.env.DATABASE_URL
if (!url) give('DATABASE_URL is not set; npm start sets it')
const port = Number(process.env.PORT ?? 4180)
const host = process.env.HOST ?? '127.0.0.1'
const logger = pino({ level: process.env.LOG_LEVEL ?? 'warn' }, pino.destination(2))
const demo = process.env.NORTH_TIDE_DEMO !== '0'
const db = await prepare({ url, ownerUrl: process.env.OWNER_DATABASE_URL ?? url }, demo).catch(
  (error: Error) => give(error.message),
)
// Whoever reaches the address could read the demo's passwords in the README.
const invented = (await demoPeople()).length > 0
if (!isLoopback(host) && invented)
  give(
    `HOST is ${host}, and this database holds the accounts of the demo, whose passwords everybody can read; keep HOST on loopback, or begin a yard in a database of its own (NORTH_TIDE_DATA, NORTH_TIDE_DEMO=0)`,
  )
const { app, close } = await createApp({
  db,
  databaseUrl: url,
  logger,
  demo: demo && invented,
  webFolder: inProduct('packages/web/dist'),
  nights: process.env.NIGHTS !== '0',
  ...(process.env.TRUST_PROXY ? { trustProxy: proxies(process.env.TRUST_PROXY) } : {}),
  ...(process.env.SIGN_IN_LIMIT ? { signInLimit: Number(process.env.SIGN_IN_LIMIT) } : {}),
})
const server = createServer(app)
server.on('error', (error: NodeJS.ErrnoException) =>
  give(
    error.code === 'EADDRINUSE' ? `port ${port} is in use; stop what holds it, or set PORT` : error.message,
  ),
)
server.listen(port, host, () => {
  process.stdout.write(`North Tide is at http://${host}:${port}\n`)
  process.send?.('ready')
})

// A queue that lost its database in the middle of a job says so here; it goes on when the database is back.
// Anything else is a mistake of our own.
process.on('unhandledRejection', (reason) => {
  logger.error(reason, 'unhandled')
  if (refusalOf(reason)?.status !== 503) give((reason as Error)?.message ?? String(reason))
})

let stopping = false
async function stop() {
  if (stopping) return
  stopping = true
  server.closeAllConnections()
  await new Promise((done) => server.close(done))
  await close()
  await db.close()
  process.exit(0)
}
process.on('SIGINT', () => void stop())
process.on('SIGTERM', () => void stop())
process.on('disconnect', () => void stop())

import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import { ensureBuild, serverEntry } from './build.mjs'
import { root } from './packages.mjs'
import { startPostgres } from './postgres.mjs'

export const freePort = () =>
  new Promise((done) => {
    const s = createServer()
    s.listen(0, '127.0.0.1', () => {
      const { port } = s.address()
      s.close(() => done(port))
    })
  })

/** The running product with fresh demo data on a database of its own; for tests and pictures. */
export async function serveFresh(name) {
  const database = await startPostgres(name, { fresh: true })
  const port = await freePort()
  // What is asked of it is what is served: the pages as they are now, too.
  ensureBuild()
  const server = spawn(process.execPath, [serverEntry('index')], {
    cwd: root,
    env: {
      ...process.env,
      DATABASE_URL: database.url,
      OWNER_DATABASE_URL: database.ownerUrl,
      PORT: String(port),
      SIGN_IN_LIMIT: '1000',
      // Nobody's night falls in the middle of a journey.
      NIGHTS: '0',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise((done, no) => {
    server.stdout.on('data', (d) => d.toString().includes('North Tide is at') && done())
    server.once('exit', (code) => no(new Error(`the server ended with ${code}`)))
  })
  return {
    base: `http://127.0.0.1:${port}`,
    database,
    pid: server.pid,
    async stop() {
      const gone = new Promise((done) => server.once('exit', done))
      server.kill('SIGTERM')
      await gone
      database.stop()
    },
  }
}

import { spawn, type ChildProcess } from 'node:child_process'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, describe, expect, it } from 'vitest'

const root = fileURLToPath(new URL('../../..', import.meta.url))
const freePort = () =>
  new Promise<number>((done) => {
    const s = createServer()
    s.listen(0, '127.0.0.1', () => {
      const { port } = s.address() as { port: number }
      s.close(() => done(port))
    })
  })
const running: ChildProcess[] = []
afterAll(() => running.forEach((c) => c.kill('SIGKILL')))

describe('a start that cannot go on says so in one line', () => {
  const start = (env: Record<string, string>) =>
    new Promise<{ code: number | null; err: string }>((done) => {
      const c = spawn(process.execPath, [join(root, 'bin/start.mjs')], {
        cwd: root,
        env: { ...process.env, ...env },
        stdio: ['ignore', 'ignore', 'pipe'],
      })
      running.push(c)
      let err = ''
      c.stderr!.on('data', (d: Buffer) => (err += d.toString()))
      c.once('exit', (code) => done({ code, err }))
    })
  it('a port in use', async () => {
    const holder = createServer()
    const port = await new Promise<number>((done) =>
      holder.listen(0, '127.0.0.1', () => done((holder.address() as { port: number }).port)),
    )
    const r = await start({ PORT: String(port) })
    holder.close()
    expect(r.code).toBe(1)
    expect(r.err.trim()).toBe(
      `North Tide cannot go on: port ${port} is in use; stop what holds it, or set PORT`,
    )
  })
  it('a database that does not answer', async () => {
    const r = await start({
      PORT: String(await freePort()),
      DATABASE_URL: 'postgres://nobody@127.0.0.1:1/none',
    })
    expect(r.code).toBe(1)
    expect(r.err.trim().split('\n').at(-1)).toMatch(/^North Tide cannot go on: the database does not answer/)
  }, 240_000)
})

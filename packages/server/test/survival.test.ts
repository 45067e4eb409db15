import { spawn, type ChildProcess } from 'node:child_process'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, describe, expect, it } from 'vitest'
import type { Design } from '@north-tide/core'
import type { Databases } from '../src/start'
import { Someone, freshDatabase } from './harness'

const root = fileURLToPath(new URL('../../..', import.meta.url))
const freePort = () => new Promise<number>((done) => {
  const s = createServer()
  s.listen(0, '127.0.0.1', () => {
    const { port } = s.address() as { port: number }
    s.close(() => done(port))
  })
})
const running: ChildProcess[] = []
afterAll(() => running.forEach((c) => c.kill('SIGKILL')))

/** The server as npm start runs it. */
async function serve({ url, ownerUrl }: Databases, port: number): Promise<{ child: ChildProcess; base: string }> {
  const child = spawn(process.execPath, ['--import', 'tsx', join(root, 'packages/server/src/index.ts')], { cwd: root, env: { ...process.env, DATABASE_URL: url, OWNER_DATABASE_URL: ownerUrl, PORT: String(port) }, stdio: ['ignore', 'pipe', 'pipe'] })
  running.push(child)
  await new Promise<void>((done, no) => {
    child.stdout!.on('data', (d: Buffer) => d.toString().includes('North Tide is at') && done())
    let errors = ''
    child.stderr!.on('data', (d: Buffer) => (errors += d.toString()))
    child.once('exit', () => no(new Error(errors)))
  })
  return { child, base: `http://127.0.0.1:${port}` }
}
interface Saved {
  id: string
  version: number
  design: Design
}
const firstFitting = async (who: Someone) => {
  const { fittings } = (await who.ask<{ fittings: { id: string }[] }>('GET', '/api/boats/fulmars-reach')).body
  return (await who.ask<Saved>('GET', `/api/fittings/${fittings[0]!.id}`)).body
}
/** Saves without rest until the far end is gone; says the last version that was acknowledged. */
async function hammer(who: Someone, f: Saved, onCount: (n: number) => void): Promise<{ version: number; name: string }> {
  let last = { version: f.version, name: f.design.name }
  for (let n = 1; n < 5000; n++) {
    const name = `save ${n}`
    const a = await who.ask<Saved>('PUT', `/api/fittings/${f.id}`, { version: last.version, design: { ...f.design, name } }).catch(() => null)
    if (!a || a.status !== 200) return last
    last = { version: a.body.version, name }
    onCount(n)
  }
  return last
}

describe('nothing acknowledged is lost', () => {
  it('when the server is killed in the middle of saving', async () => {
    const url = await freshDatabase('killed_server')
    const one = await serve(url, await freePort())
    const who = await new Someone(one.base).signIn('fitter')
    const f = await firstFitting(who)
    const last = await hammer(who, f, (n) => n === 25 && one.child.kill('SIGKILL'))
    expect(last.version).toBeGreaterThanOrEqual(26)
    const two = await serve(url, await freePort())
    const again = (await (await new Someone(two.base).signIn('fitter')).ask<Saved>('GET', `/api/fittings/${f.id}`)).body
    expect(again.version).toBeGreaterThanOrEqual(last.version)
    if (again.version === last.version) expect(again.design.name).toBe(last.name)
    two.child.kill('SIGTERM')
  })

  it('when PostgreSQL is killed in the middle of saving, and the server goes on when it is back', async () => {
    // @ts-expect-error a plain script without types
    const { startPostgres } = await import('../../../bin/lib/postgres.mjs')
    const database = await startPostgres('crash-postgres', { fresh: true })
    try {
      const one = await serve(database, await freePort())
      const who = await new Someone(one.base).signIn('fitter')
      const f = await firstFitting(who)
      let crash: Promise<unknown> | null = null
      const last = await hammer(who, f, (n) => {
        if (n === 25) crash = new Promise((done) => setImmediate(() => done(database.crash())))
      })
      await crash
      const down = await who.ask('GET', `/api/fittings/${f.id}`)
      expect(down.status).toBe(503)
      expect(database.restart().ok).toBe(true)
      let again = await who.ask<Saved>('GET', `/api/fittings/${f.id}`)
      for (let i = 0; i < 50 && again.status !== 200; i++) again = await who.ask<Saved>('GET', `/api/fittings/${f.id}`)
      expect(again.status).toBe(200)
      expect(again.body.version).toBeGreaterThanOrEqual(last.version)
      if (again.body.version === last.version) expect(again.body.design.name).toBe(last.name)
      one.child.kill('SIGTERM')
      await new Promise((done) => one.child.once('exit', done))
    } finally {
      database.stop()
    }
  })
})

describe('a start that cannot go on says so in one line', () => {
  const start = (env: Record<string, string>) => new Promise<{ code: number | null; err: string }>((done) => {
    const c = spawn(process.execPath, [join(root, 'bin/start.mjs')], { cwd: root, env: { ...process.env, ...env }, stdio: ['ignore', 'ignore', 'pipe'] })
    running.push(c)
    let err = ''
    c.stderr!.on('data', (d: Buffer) => (err += d.toString()))
    c.once('exit', (code) => done({ code, err }))
  })
  it('a port in use', async () => {
    const holder = createServer()
    const port = await new Promise<number>((done) => holder.listen(0, '127.0.0.1', () => done((holder.address() as { port: number }).port)))
    const r = await start({ PORT: String(port) })
    holder.close()
    expect(r.code).toBe(1)
    expect(r.err.trim()).toBe(`North Tide cannot go on: port ${port} is in use; stop what holds it, or set PORT`)
  })
  it('a database that does not answer', async () => {
    const r = await start({ PORT: String(await freePort()), DATABASE_URL: 'postgres://nobody@127.0.0.1:1/none' })
    expect(r.code).toBe(1)
    expect(r.err.trim().split('\n').at(-1)).toMatch(/^North Tide cannot go on: the database does not answer/)
  }, 90_000)
})

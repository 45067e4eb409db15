import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { get, type IncomingMessage } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { brotliCompressSync, gzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { startApp } from './harness'

/** What the pages are made of, as it goes over the line. */
const SCRIPT = 'export const fitting = 1\n'.repeat(60)
let app: Awaited<ReturnType<typeof startApp>>
const web = mkdtempSync(join(tmpdir(), 'north-tide-web-'))
beforeAll(async () => {
  mkdirSync(join(web, 'assets'))
  writeFileSync(join(web, 'index.html'), '<!doctype html><title>North Tide</title>')
  const script = join(web, 'assets', 'place-1a2b.js')
  writeFileSync(script, SCRIPT)
  writeFileSync(`${script}.gz`, gzipSync(SCRIPT))
  writeFileSync(`${script}.br`, brotliCompressSync(SCRIPT))
  app = await startApp('pages', { webFolder: web })
}, 240_000)
afterAll(async () => {
  await app.stop()
  rmSync(web, { recursive: true, force: true })
})
const asked = (path: string, accepts: string) =>
  new Promise<{ head: IncomingMessage; bytes: number }>((done, no) =>
    get(`${app.base}${path}`, { headers: { 'accept-encoding': accepts } }, (head) => {
      let bytes = 0
      head.on('data', (d: Buffer) => (bytes += d.length)).on('end', () => done({ head, bytes }))
    }).on('error', no),
  )

describe('the files of the pages', () => {
  it.each([
    ['gzip, br', 'br', brotliCompressSync(SCRIPT).length],
    ['gzip', 'gzip', gzipSync(SCRIPT).length],
    ['identity', undefined, SCRIPT.length],
  ])(
    'to one who takes %s they go as they were packed, and are kept for a year',
    async (accepts, as, bytes) => {
      const got = await asked('/assets/place-1a2b.js', accepts)
      expect(got.head.statusCode).toBe(200)
      expect(got.head.headers['content-encoding']).toBe(as)
      expect(got.head.headers['content-type']).toMatch(/^(text|application)\/javascript/)
      expect(got.head.headers['cache-control']).toBe('public, max-age=31536000, immutable')
      expect(got.head.headers['content-security-policy']).toContain("default-src 'self'")
      expect(got.bytes).toBe(bytes)
    },
  )
  it('one that is not there is not the page, whose addresses are all others', async () => {
    expect((await asked('/assets/place-0000.js', 'gzip')).head.statusCode).toBe(404)
    const page = await asked('/bench/any', 'gzip')
    expect([page.head.statusCode, page.head.headers['cache-control']]).toEqual([200, 'no-cache'])
  })
})

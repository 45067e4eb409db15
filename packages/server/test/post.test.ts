import { createServer, type Server, type Socket } from 'node:net'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { remind } from '../src/services/post'
import { Someone, startApp } from './harness'

/** Reminders: a letter a week in each one's box, and out by a mail server where one is named. */
let app: Awaited<ReturnType<typeof startApp>>
let fitter: Someone
interface Box {
  mails: { subject: string; body: string; sentAt: string | null; failed: string | null }[]
  address: string
  smtp: boolean
}
/** A mail server that takes what comes, or refuses its sender. */
interface Post {
  server: Server
  got: { from: string; to: string; text: string }[]
}
function mailServer(refuses: string): Post {
  const got: Post['got'] = []
  const talk = (s: Socket) => {
    let [from, to, text, inText] = ['', '', '', false]
    const answer = (line: string) => {
      if (/^(EHLO|HELO)/i.test(line)) return s.write('250 here\r\n')
      if (/^MAIL FROM/i.test(line)) {
        from = /<(.*?)>/.exec(line)?.[1] ?? ''
        return s.write(from === refuses ? '550 not from there\r\n' : '250 ok\r\n')
      }
      if (/^RCPT TO/i.test(line)) {
        to = /<(.*?)>/.exec(line)?.[1] ?? ''
        return s.write('250 ok\r\n')
      }
      if (/^DATA/i.test(line)) {
        inText = true
        return s.write('354 go on\r\n')
      }
      if (/^QUIT/i.test(line)) return s.end('221 bye\r\n')
      return s.write('250 ok\r\n')
    }
    let held = ''
    s.write('220 a stand-in\r\n')
    s.on('error', () => undefined)
    s.on('data', (d) => {
      held += d.toString()
      for (let at = held.indexOf('\r\n'); at >= 0; at = held.indexOf('\r\n')) {
        const line = held.slice(0, at)
        held = held.slice(at + 2)
        if (inText && line === '.') {
          got.push({ from, to, text })
          inText = false
          s.write('250 taken\r\n')
        } else if (inText) text += `${line}\n`
        else answer(line)
      }
    })
  }
  return { server: createServer(talk), got }
}
const open = (s: Server) =>
  new Promise<string>((done) =>
    s.listen(0, '127.0.0.1', () => done(`smtp://127.0.0.1:${(s.address() as AddressInfo).port}`)),
  )
let post: Post
beforeAll(async () => {
  app = await startApp('the_post')
  fitter = await new Someone(app.base).signIn('fitter')
  post = mailServer('nobody@example.org')
  process.env.SMTP_URL = `${await open(post.server)}?ignoreTLS=true`
}, 240_000)
afterAll(async () => {
  delete process.env.SMTP_URL
  delete process.env.MAIL_FROM
  post.server.close()
  await app.stop()
})
const say = () => Promise.resolve()
const box = async (who = fitter) => (await who.ask<Box>('GET', '/api/post')).body

describe('reminders', () => {
  it('lie in the box of each, and go out to whoever gave an address', async () => {
    const at = { address: 'tam@example.org' }
    expect((await fitter.ask<Box>('PUT', '/api/post/address', at)).body.address).toBe(at.address)
    await remind(say)
    const { mails, smtp } = await box()
    expect(smtp).toBe(true)
    expect(mails).toHaveLength(1)
    expect(mails[0]!.subject).toMatch(/to settle or overdue/)
    expect([mails[0]!.sentAt === null, mails[0]!.failed]).toEqual([false, null])
    expect(post.got.map((g) => g.to)).toEqual(['tam@example.org'])
    expect(post.got[0]!.text).toContain('What is due stands in Watch')
    const owner = await new Someone(app.base).signIn('owner')
    expect((await box(owner)).mails.every((m) => m.sentAt === null)).toBe(true)
  })
  it('are written once a week, however often they are asked for', async () => {
    await remind(say)
    expect([(await box()).mails.length, post.got.length]).toEqual([1, 1])
  })
  it('one that the server does not take says so, and lies in the box all the same', async () => {
    process.env.MAIL_FROM = 'nobody@example.org'
    const apprentice = await new Someone(app.base).signIn('apprentice')
    await apprentice.ask('PUT', '/api/post/address', { address: 'jo@example.org' })
    await app.db.query(`UPDATE mails SET once = once || ' earlier' WHERE to_login = 'apprentice'`)
    await remind(say)
    const [last] = (await box(apprentice)).mails
    expect(last!.sentAt).toBeNull()
    expect(last!.failed).toContain('550')
  })
  it('an address that is none is refused beside it', async () => {
    const a = await fitter.ask('PUT', '/api/post/address', { address: 'tam at example' })
    expect([a.status, a.body.error.path]).toEqual([400, 'address'])
  })
  it('a reader of a link gets none', async () => {
    const until = new Date(Date.now() + 864e5).toISOString().slice(0, 10)
    const manager = await new Someone(app.base).signIn('manager')
    await manager.ask('POST', '/api/boats/fulmars-reach/links', { forWhom: 'Reader', until })
    await remind(say)
    const rows = await app.db.query(`SELECT 1 FROM mails WHERE to_login LIKE 'link-%'`)
    expect(rows[0]).toEqual([])
  })
})

import { createTransport } from 'nodemailer'
import dayjs from 'dayjs'
import { Op } from 'sequelize'
import { z } from 'zod'
import { parseInput } from '@north-tide/core'
import { notFound } from '../errors'
import { Mail, User } from '../models'
import { accountNow, type Account } from './access'
import { taskKind, type Say } from './tasks'
import { yardWatch } from './watch'

/**
 * The post box: what would go out as mail lies here to be read, simulated; where SMTP_URL names a server it
 * goes out too, to whoever has given an address.
 */
export interface ShownMail {
  id: number
  subject: string
  body: string
  madeAt: string
  readAt: string | null
  /** null: it lies in the box alone */
  sentAt: string | null
  failed: string | null
}
const shown = (m: Mail): ShownMail => ({
  id: m.id!,
  subject: m.subject,
  body: m.body,
  madeAt: m.madeAt!.toISOString(),
  readAt: m.readAt?.toISOString() ?? null,
  sentAt: m.sentAt?.toISOString() ?? null,
  failed: m.failed ?? null,
})
const MOST = 100
export async function postBox(who: Account) {
  const [mails, user] = await Promise.all([
    Mail.findAll({ where: { toLogin: who.login }, order: [['id', 'DESC']], limit: MOST }),
    User.findByPk(who.id),
  ])
  return { mails: mails.map(shown), address: user?.mail ?? '', smtp: Boolean(process.env.SMTP_URL) }
}
export async function readMail(who: Account, id: number): Promise<ShownMail> {
  const m = Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await Mail.findByPk(id) : null
  if (m?.toLogin !== who.login) throw notFound('letter')
  if (!m.readAt) await m.update({ readAt: new Date() })
  return shown(m)
}
const addressed = z.strictObject({ address: z.union([z.literal(''), z.email().max(200)]) })
/** Where his reminders go besides; empty: nowhere. */
export async function setAddress(who: Account, body: unknown) {
  const { address } = parseInput(addressed, body)
  await User.update({ mail: address || null }, { where: { id: who.id } })
  return postBox(who)
}

const FROM = () => process.env.MAIL_FROM ?? 'north-tide@localhost'
async function sendOut(m: Mail, address: string) {
  try {
    // One that does not answer holds up nobody else's letter for long.
    const patience = { connectionTimeout: 10_000, greetingTimeout: 10_000, socketTimeout: 20_000 }
    const way = createTransport({ url: process.env.SMTP_URL!, ...patience })
    await way.sendMail({ from: FROM(), to: address, subject: m.subject, text: m.body })
    await m.update({ sentAt: new Date() })
  } catch (error) {
    await m.update({ failed: (error as Error).message.slice(0, 300) })
  }
}
const GONE = new AbortController().signal
const HORIZON_DAYS = 14
function letterOf(w: Awaited<ReturnType<typeof yardWatch>>, today: string) {
  const open = w.boats.filter((b) => b.due || b.ashore)
  if (!open.length) return null
  const overdue = open.reduce((n, b) => n + b.overdue, 0)
  const n = (x: number, one: string) => `${x} ${one}${x === 1 ? '' : 's'}`
  return {
    subject: `${n(overdue, 'look')} to settle or overdue, ${n(
      open.reduce((s, b) => s + b.due, 0),
      'look',
    )} within a fortnight`,
    body: [
      ...open.map(
        (b) =>
          `${b.name}: ${n(b.due, 'look')}, ${b.overdue} to settle or overdue${b.ashore ? `; ${n(b.ashore, 'thing')} keeping her ashore` : ''}${b.next ? `; next visit ${dayjs(b.next < today ? today : b.next).format('D MMM YYYY')}` : ''}.`,
      ),
      '',
      'What is due stands in Watch, place by place.',
    ].join('\n'),
  }
}
/** One letter a week to each who has boats with anything due; asked twice it is written once. */
export async function remind(say: Say): Promise<null> {
  const today = dayjs().format('YYYY-MM-DD')
  const week = dayjs()
    .subtract((dayjs().day() + 6) % 7, 'day')
    .format('YYYY-MM-DD')
  const users = await User.findAll({ where: { leftOn: null, role: { [Op.ne]: 'reader' } } })
  for (const [i, u] of users.entries()) {
    await say(i, users.length, u.name)
    const once = `watch ${week} ${u.login}`
    const who = await accountNow(u.id)
    if (!who || (await Mail.count({ where: { once } }))) continue
    const letter = letterOf(await yardWatch(who, { days: String(HORIZON_DAYS) }, GONE), today)
    if (!letter) continue
    await Mail.bulkCreate([{ toLogin: u.login, once, ...letter }], { ignoreDuplicates: true })
    const m = await Mail.findOne({ where: { once } })
    if (m && process.env.SMTP_URL && u.mail) await sendOut(m, u.mail)
  }
  return null
}
taskKind('remind', (_t, say) => remind(say))

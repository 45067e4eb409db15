import { createHash, randomBytes } from 'node:crypto'
import dayjs from 'dayjs'
import { z } from 'zod'
import { CalcError, mayDo, parseInput } from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { Boat, Feed } from '../models'
import { accountNow, must, type Account } from './access'
import { planIcs, planToCarry } from './plan-files'
import { watchIcs } from './watch-files'

/**
 * Addresses that a calendar asks by itself. The secret is shown once, as the feed is made; only its hash is
 * kept. A feed shows what its owner may see now, and nothing once it was revoked.
 */
const adding = z.strictObject({
  title: z.string().trim().min(1).max(80),
  what: z.enum(['plan', 'watch']),
  boatId: z.string().max(80).nullable().default(null),
  onlyWho: z.string().trim().max(80).nullable().default(null),
})
const MOST = 20
const hashOf = (secret: string) => createHash('sha256').update(secret).digest('hex')
const shown = (f: Feed) => ({
  id: f.id,
  title: f.title,
  what: f.what,
  boatId: f.boatId,
  onlyWho: f.onlyWho,
  madeAt: f.madeAt!.toISOString(),
  readAt: f.readAt?.toISOString() ?? null,
})
const mine = (who: Account) =>
  Feed.findAll({ where: { userId: who.id, revokedAt: null }, order: [['id', 'ASC']] })
export const listFeeds = async (who: Account) => (await mine(who)).map(shown)

export async function addFeed(who: Account, body: unknown) {
  const f = parseInput(adding, body)
  if (f.what === 'watch' && f.boatId === null)
    throw new CalcError('invalid-input', 'boatId', 'The looks are those of one boat: which one is needed')
  if (f.boatId !== null) {
    must(who, 'read', f.boatId)
    if (!(await Boat.count({ where: { id: f.boatId } }))) throw notFound('boat')
  }
  if ((await mine(who)).length >= MOST)
    throw new ApiError(409, 'too-many', `You have ${MOST} already; revoke one of them first`)
  const secret = randomBytes(24).toString('base64url')
  const feed = await Feed.create({ ...f, userId: who.id, secretHash: hashOf(secret) })
  return { ...shown(feed), path: `/api/feeds/${secret}.ics` }
}
export async function revokeFeed(who: Account, id: number) {
  const feed = Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await Feed.findByPk(id) : null
  if (!feed || feed.userId !== who.id || feed.revokedAt) throw notFound('feed')
  await feed.update({ revokedAt: new Date() })
  return listFeeds(who)
}
const LINE = /^[\w-]{20,80}$/
const READ_EVERY_MIN = 10
/** What a calendar gets that knows the address. */
export async function readFeed(secret: string): Promise<string> {
  const feed = LINE.test(secret)
    ? await Feed.findOne({ where: { secretHash: hashOf(secret), revokedAt: null } })
    : null
  const who = feed && (await accountNow(feed.userId))
  if (!feed || !who) throw notFound('feed')
  if (feed.boatId !== null && !mayDo(who, 'read', feed.boatId)) throw notFound('feed')
  if (!feed.readAt || dayjs().diff(feed.readAt, 'minute') >= READ_EVERY_MIN)
    await feed.update({ readAt: new Date() })
  if (feed.what === 'watch') return watchIcs(who, feed.boatId!)
  const { plan } = await planToCarry(who, {
    ...(feed.boatId ? { boat: feed.boatId } : {}),
    ...(feed.onlyWho ? { who: feed.onlyWho } : {}),
  })
  return planIcs(plan, feed.title)
}

import { randomBytes } from 'node:crypto'
import dayjs from 'dayjs'
import { z } from 'zod'
import { parseInput } from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { Boat, BoatLink, BoatRole, User } from '../models'
import { accountNow, must, type Account } from './access'
import { endSessions, hashOf } from './accounts'
import { boatById } from './boats'
import { NO_PASSWORD } from './password'

/**
 * A boat shown to somebody who has no account: by a link, until a day, for reading alone. Each link has a
 * reader of its own, so that the one table of roles says what he may, and what was looked at is told apart.
 */
const MOST_DAYS = 366
const DAY = 'YYYY-MM-DD'
export interface ShownLink {
  id: number
  forWhom: string
  /** the last day on which it opens */
  until: string | null
  madeBy: string
  madeAt: string
  lastSeen: string | null
  state: 'good' | 'over' | 'withdrawn'
}
export async function linksOf(who: Account, boatId: string): Promise<ShownLink[]> {
  must(who, 'give-roles', boatId)
  await boatById(boatId)
  const links = await BoatLink.findAll({ where: { boatId }, order: [['id', 'DESC']] })
  const of = { userId: links.map((l) => l.userId) }
  const [users, roles] = await Promise.all([
    User.findAll({ where: { id: of.userId } }),
    BoatRole.findAll({ where: { boatId, ...of } }),
  ])
  const today = dayjs().format(DAY)
  return links.map((l) => {
    const user = users.find((u) => u.id === l.userId)
    const until = roles.find((r) => r.userId === l.userId)?.until ?? null
    return {
      id: l.id,
      forWhom: user?.name ?? '',
      until,
      madeBy: l.madeBy,
      madeAt: l.madeAt.toISOString(),
      lastSeen: user?.lastSeenAt?.toISOString() ?? null,
      state: l.withdrawnAt ? 'withdrawn' : until === null || until < today ? 'over' : 'good',
    }
  })
}
const making = z.strictObject({
  forWhom: z.string().trim().min(1).max(80),
  until: z.iso.date(),
})
/** A new one; its address is shown once. */
export async function makeLink(who: Account, boatId: string, body: unknown) {
  must(who, 'give-roles', boatId)
  await boatById(boatId)
  const { forWhom, until } = parseInput(making, body)
  const days = dayjs(until).diff(dayjs().startOf('day'), 'day')
  if (days < 0) throw new ApiError(400, 'invalid', 'That day is over already', 'until')
  if (days > MOST_DAYS)
    throw new ApiError(400, 'invalid', 'A link is good for a year at most; make another one then', 'until')
  const secret = randomBytes(24).toString('base64url')
  await Boat.sequelize!.transaction(async (transaction) => {
    const login = `link-${randomBytes(6).toString('hex')}`
    const user = await User.create(
      { login, name: forWhom, role: 'reader', passwordHash: NO_PASSWORD },
      { transaction },
    )
    await BoatRole.create({ boatId, userId: user.id, role: 'reader', until }, { transaction })
    const row = { boatId, userId: user.id, secretHash: hashOf(secret), madeBy: who.name }
    await BoatLink.create(row, { transaction })
  })
  return { path: `/look/${secret}`, links: await linksOf(who, boatId) }
}
/** It opens nothing from now on, and whoever is in by it is out. */
export async function withdrawLink(who: Account, boatId: string, id: number): Promise<ShownLink[]> {
  must(who, 'give-roles', boatId)
  const link = Number.isSafeInteger(id) && id > 0 && id < 2 ** 31 ? await BoatLink.findByPk(id) : null
  if (link?.boatId !== boatId) throw notFound('link')
  await Boat.sequelize!.transaction(async (transaction) => {
    const by = { withdrawnAt: new Date(), withdrawnBy: who.name }
    await BoatLink.update(by, { where: { id, withdrawnAt: null }, transaction })
    await User.update({ leftOn: dayjs().format(DAY) }, { where: { id: link.userId }, transaction })
  })
  await endSessions(link.userId)
  return linksOf(who, boatId)
}
const GONE = new ApiError(404, 'not-found', 'This link is no good, or is no good any more: ask for another')
const looking = z.strictObject({ secret: z.string().regex(/^[\w-]{20,80}$/) })
async function byLink(secret: string): Promise<{ account: Account; boatId: string }> {
  const link = await BoatLink.findOne({ where: { secretHash: hashOf(secret), withdrawnAt: null } })
  const account = link && (await accountNow(link.userId))
  if (!account?.boats[link!.boatId]) throw GONE
  return { account, boatId: link!.boatId }
}
/** What a link opens, before it is opened. */
export async function whatOpens(secret: string) {
  const { account, boatId } = await byLink(secret)
  const [boat, role] = await Promise.all([
    boatById(boatId),
    BoatRole.findOne({ where: { boatId, userId: account.id } }),
  ])
  return { boat: boat.name, forWhom: account.name, until: role?.until ?? null }
}
export const enterByLink = (body: unknown) => byLink(parseInput(looking, body).secret)

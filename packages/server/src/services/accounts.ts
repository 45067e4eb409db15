import { createHash, randomBytes } from 'node:crypto'
import dayjs from 'dayjs'
import { Op, type Sequelize } from 'sequelize'
import { z } from 'zod'
import { NAMED_ROLES, parseInput, type Role } from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { BoatRole, Invite, User } from '../models'
import { accountNow, must, withRoles, type Account } from './access'
import { LOGIN, PASSWORD as password } from './first'
import { hashPassword, matches, NO_PASSWORD } from './password'

/**
 * The people of a yard: let in by a link of their own, seen last, given another password, gone. What somebody
 * did stays in the records under his name.
 */
const INVITE_DAYS = 7
export const hashOf = (secret: string) => createHash('sha256').update(secret).digest('hex')
const db = () => User.sequelize!

/** All sessions of somebody, or all but the one that he is in. */
export async function endSessions(userId: number, but = ''): Promise<void> {
  await db().query(`DELETE FROM session WHERE (sess->>'userId')::int = :userId AND sid <> :but`, {
    replacements: { userId, but },
  })
}
const changing = z.strictObject({ old: z.string().max(200), password })
/** Another password; every other session of his ends. */
export async function changePassword(who: Account, body: unknown, sid: string): Promise<void> {
  const c = parseInput(changing, body)
  const user = await User.findByPk(who.id)
  if (!user || !(await matches(user.passwordHash, c.old, false)))
    throw new ApiError(400, 'wrong-password', 'That is not the password that you have now', 'old')
  await user.update({ passwordHash: await hashPassword(c.password) })
  await endSessions(who.id, sid)
}
export const signOutEverywhere = (who: Account) => endSessions(who.id)

export interface ShownPerson {
  id: number
  login: string
  name: string
  role: Role
  boats: { boatId: string; role: Role; until: string | null }[]
  lastSeen: string | null
  /** a link was made and not used yet; until when it is good */
  invitedUntil: string | null
  left: string | null
}
export async function listPeople(who: Account): Promise<ShownPerson[]> {
  must(who, 'people')
  const [people, users, roles, invites] = await Promise.all([
    withRoles(),
    User.findAll(),
    BoatRole.findAll(),
    Invite.findAll({ where: { usedAt: null, endsAt: { [Op.gt]: new Date() } } }),
  ])
  const byId = new Map(users.map((u) => [u.id!, u]))
  // Readers stand at the boat that their link is for.
  const named = people.filter((p) => p.role !== 'reader')
  return named.map((p) => {
    const u = byId.get(p.id)!
    return {
      id: p.id,
      login: p.login,
      name: p.name,
      role: p.role,
      boats: roles
        .filter((r) => r.userId === p.id)
        .map((r) => ({ boatId: r.boatId, role: r.role, until: r.until ?? null })),
      lastSeen: u.lastSeenAt?.toISOString() ?? null,
      invitedUntil: invites.find((i) => i.userId === p.id)?.endsAt.toISOString() ?? null,
      left: u.leftOn ?? null,
    }
  })
}
async function linkFor(who: Account, userId: number): Promise<string> {
  const secret = randomBytes(24).toString('base64url')
  // A link that was made before is no good any more.
  await Invite.update({ endsAt: new Date() }, { where: { userId, usedAt: null } })
  await Invite.create({
    userId,
    secretHash: hashOf(secret),
    madeBy: who.name,
    endsAt: dayjs().add(INVITE_DAYS, 'day').toDate(),
  })
  return `/join/${secret}`
}
const inviting = z.strictObject({
  login: LOGIN,
  name: z.string().trim().min(1).max(80),
  role: z.enum(NAMED_ROLES),
})
/** Somebody new: he sets his own password by the link, which is shown once. */
export async function invite(who: Account, body: unknown) {
  must(who, 'people')
  const p = parseInput(inviting, body)
  if (await User.findOne({ where: { login: p.login } }))
    throw new ApiError(409, 'taken', `"${p.login}" is somebody's login already; another is accepted`, 'login')
  const user = await User.create({ ...p, passwordHash: NO_PASSWORD })
  return { path: await linkFor(who, user.id!), people: await listPeople(who) }
}
async function personOf(id: number): Promise<User> {
  const user = Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await User.findByPk(id) : null
  // A reader is his link, which is made and withdrawn at its boat.
  if (!user || user.role === 'reader') throw notFound('account')
  return user
}
/** A link to set the password anew: for whoever forgot his. The one that he had is good until then. */
export async function resetLink(who: Account, id: number) {
  must(who, 'people')
  const user = await personOf(id)
  if (user.leftOn) throw new ApiError(409, 'left', `${user.name} works here no longer`)
  return { path: await linkFor(who, user.id!), people: await listPeople(who) }
}
const LAST = 'The yard would be left without a manager; make another one first'
async function managersBut(id: number): Promise<number> {
  return User.count({ where: { role: 'manager', leftOn: null, id: { [Op.ne]: id } } })
}
const settling = z.strictObject({ role: z.enum(NAMED_ROLES).optional(), left: z.boolean().optional() })
/** Another role in the yard, or gone from it: his sessions end, his records stay. */
export async function settlePerson(who: Account, id: number, body: unknown): Promise<ShownPerson[]> {
  must(who, 'people')
  const c = parseInput(settling, body)
  await db().transaction(async (transaction) => {
    const user = await User.findByPk((await personOf(id)).id, { transaction, lock: transaction.LOCK.UPDATE })
    const stays = user!.role === 'manager' && !user!.leftOn && ((c.role ?? 'manager') !== 'manager' || c.left)
    if (stays && !(await managersBut(id))) throw new ApiError(409, 'last-manager', LAST)
    await user!.update(
      {
        ...(c.role === undefined ? {} : { role: c.role }),
        ...(c.left === undefined
          ? {}
          : c.left
            ? { leftOn: dayjs().format('YYYY-MM-DD'), passwordHash: NO_PASSWORD }
            : { leftOn: null }),
      },
      { transaction },
    )
  })
  if (c.left) {
    await Invite.update({ endsAt: new Date() }, { where: { userId: id, usedAt: null } })
    await endSessions(id)
  }
  return listPeople(who)
}
const joining = z.strictObject({ secret: z.string().regex(/^[\w-]{20,80}$/), password })
const goodInvite = (secret: string) =>
  Invite.findOne({ where: { secretHash: hashOf(secret), usedAt: null, endsAt: { [Op.gt]: new Date() } } })
const GONE = new ApiError(404, 'not-found', 'This link was used, or is no good any more: ask for another')
/** Whose link it is: his name, for the page on which he sets his password. */
export async function whoJoins(secret: string): Promise<{ name: string; login: string }> {
  const i = await goodInvite(secret)
  const user = i && (await User.findByPk(i.userId))
  if (!user || user.leftOn) throw GONE
  return { name: user.name, login: user.login }
}
/** He sets his password by the link, once, and is in. */
export async function join(body: unknown): Promise<Account> {
  const j = parseInput(joining, body)
  const found = await goodInvite(j.secret)
  if (!found) throw GONE
  const passwordHash = await hashPassword(j.password)
  await db().transaction(async (transaction) => {
    const [n] = await Invite.update(
      { usedAt: new Date() },
      { where: { id: found.id!, usedAt: null }, transaction },
    )
    if (!n) throw GONE
    await User.update({ passwordHash }, { where: { id: found.userId, leftOn: null }, transaction })
  })
  await endSessions(found.userId)
  const account = await accountNow(found.userId)
  if (!account) throw GONE
  return account
}
/** of each database by itself: its people are numbered by it */
const seenIn = new WeakMap<Sequelize, Map<number, number>>()
const SEEN_MS = 10 * 60_000
/** Seen last, to ten minutes: not a line written for every question. */
export async function wasHere(id: number): Promise<void> {
  const now = Date.now()
  let seen = seenIn.get(db())
  if (!seen) seenIn.set(db(), (seen = new Map()))
  if (now - (seen.get(id) ?? 0) < SEEN_MS) return
  seen.set(id, now)
  await User.update({ lastSeenAt: new Date(now) }, { where: { id } })
}

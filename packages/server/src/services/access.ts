import { Op } from 'sequelize'
import { z } from 'zod'
import { ACTS, mayDo, parseInput, roleOn, type Act, type Role } from '@north-tide/core'
import { ApiError, forbidden } from '../errors'
import { User, boatRoles } from '../models'
import { hashPassword, isOld, matches } from './password'

export interface Account {
  id: number
  login: string
  name: string
  /** in the yard; an owner or a surveyor has his boats below and none else */
  role: Role
  /** role on single boats, by the boat's id */
  boats: Record<string, Role>
}
const credentials = z.strictObject({
  login: z.string().trim().min(1).max(80),
  password: z.string().min(1).max(200),
})
/** Somebody with all his roles, in one question to the database. */
const WITH_BOATS = { attributes: { include: [[boatRoles, 'boats'] as [typeof boatRoles, string]] } }
const account = (u: User): Account => ({
  id: u.id,
  login: u.login,
  name: u.name,
  role: u.role,
  boats: (u.get('boats') as Record<string, Role> | null) ?? {},
})
/** As the accounts know somebody. */
export interface Person extends Omit<Account, 'boats'> {
  leftOn: string | null
  /** null for no role on a single boat */
  boats: Record<string, Role> | null
}
/** Null for somebody who is nobody any more: who has left, and a reader whose link is over. */
export function present({ leftOn, id, login, name, role, boats }: Person): Account | null {
  if (leftOn || (role === 'reader' && !Object.keys(boats ?? {}).length)) return null
  return { id, login, name, role, boats: boats ?? {} }
}

/** A hash of an earlier version is renewed when its owner signs in, for only then the password is known. */
export async function signIn(body: unknown): Promise<Account> {
  const { login, password } = parseInput(credentials, body)
  const user = await User.findOne({ where: { login: login.toLowerCase() }, ...WITH_BOATS })
  const oldAbout = (await User.count({ where: { passwordHash: { [Op.startsWith]: '$argon2' } } })) > 0
  const good = await matches(user?.passwordHash ?? null, password, oldAbout)
  if (!user || !good)
    throw new ApiError(401, 'wrong-login', 'That login and password do not go together', 'password')
  if (isOld(user.passwordHash))
    await User.update(
      { passwordHash: await hashPassword(password) },
      { where: { id: user.id, passwordHash: user.passwordHash } },
    )
  return account(user)
}

/**
 * Who somebody is now: a role that was changed, or an account that is gone, counts at once and not at the
 * next sign-in.
 */
export async function accountNow(id: number): Promise<Account | null> {
  const user = await User.findByPk(id, WITH_BOATS)
  return user && present({ ...account(user), leftOn: user.leftOn ?? null })
}

/** Somebody by login and name: the demo's own, and never a fitter of a real yard. */
export async function accountNamed(login: string, name: string): Promise<Account> {
  const user = await User.findOne({ where: { login, name }, ...WITH_BOATS })
  if (!user) throw new ApiError(404, 'not-found', 'There is no demo fitter in this database')
  return account(user)
}

/** All accounts with their roles. */
export const withRoles = async (): Promise<Account[]> =>
  (await User.findAll({ order: [['name', 'ASC']], ...WITH_BOATS })).map(account)

/** Refuses with the table's words what somebody may not do, on a boat or in the yard. */
export function must(who: Account, act: Act, boatId?: string) {
  if (boatId !== undefined && roleOn(who, boatId) === null) throw forbidden(ACTS.read.else)
  if (!mayDo(who, act, boatId)) throw forbidden(ACTS[act].else)
}

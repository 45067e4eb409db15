import { Op } from 'sequelize'
import { z } from 'zod'
import { parseInput } from '@north-tide/core'
import { ApiError, forbidden } from '../errors'
import { User, type Role } from '../models'
import { hashPassword, isOld, matches } from './password'

export interface Account {
  id: number
  login: string
  name: string
  role: Role
  boatId: string | null
}
const credentials = z.strictObject({
  login: z.string().trim().min(1).max(80),
  password: z.string().min(1).max(200),
})
const account = (u: User): Account => ({
  id: u.id,
  login: u.login,
  name: u.name,
  role: u.role,
  boatId: u.boatId,
})

/** A hash of an earlier version is renewed when its owner signs in, for only then the password is known. */
export async function signIn(body: unknown): Promise<Account> {
  const { login, password } = parseInput(credentials, body)
  const user = await User.findOne({ where: { login: login.toLowerCase() } })
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
  const user = await User.findByPk(id)
  return user && account(user)
}

export async function demoFitter(): Promise<Account> {
  const user = await User.findOne({ where: { role: 'fitter' } })
  if (!user) throw new ApiError(404, 'not-found', 'There is no demo fitter in this database')
  return account(user)
}

export function mayRead(who: Account, boatId: string) {
  if (who.role === 'owner' && who.boatId !== boatId) throw forbidden('An owner reads only his own boat')
}
export function mayWrite(who: Account, boatId: string) {
  mayRead(who, boatId)
  if (who.role === 'owner') throw forbidden('An owner reads; the yard records')
}
export function mayPassGates(who: Account) {
  if (who.role === 'apprentice') throw forbidden('An apprentice records, but a fitter passes the gate')
}

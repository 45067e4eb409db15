import type { Sequelize } from 'sequelize'
import { z } from 'zod'
import { parseInput } from '@north-tide/core'
import { ApiError } from '../errors'
import { User } from '../models'
import { hashPassword } from './password'

/** Whoever comes first to a yard without anybody in it: its manager, made once. */
const MAKING = 4181
const LEAST_PASSWORD = 12
const MOST_PASSWORD = 200
/** In words of its own: what is wrong with a password is said without it. */
export const PASSWORD = z
  .string()
  .refine((p) => p.length >= LEAST_PASSWORD, {
    message: `At least ${LEAST_PASSWORD} characters are accepted; a short sentence is best`,
  })
  .refine((p) => p.length <= MOST_PASSWORD, { message: `Up to ${MOST_PASSWORD} characters are accepted` })
export const LOGIN = z
  .string()
  .trim()
  .toLowerCase()
  .regex(/^[a-z0-9][a-z0-9._-]{1,39}$/, 'Two to forty of a to z, figures, dot and dash are accepted')
const body = z.strictObject({
  login: LOGIN,
  name: z.string().trim().min(1).max(80),
  password: PASSWORD,
})
/** Nobody is in the yard yet. */
export const isEmpty = async (): Promise<boolean> => (await User.count()) === 0
const taken = (login: string) =>
  new ApiError(409, 'taken', `"${login}" is somebody's login already; another is accepted`, 'login')

/**
 * Makes a manager. `alone`: only where there is nobody at all, as the page does; the command may add one.
 * One at a time: of two that come at once, the second finds the first.
 */
export async function makeManager(db: Sequelize, raw: unknown, alone: boolean): Promise<User> {
  const { login, name, password } = parseInput(body, raw)
  const passwordHash = await hashPassword(password)
  return db.transaction(async (transaction) => {
    await db.query(`SELECT pg_advisory_xact_lock(${MAKING})`, { transaction })
    if (alone && (await User.count({ transaction })) > 0)
      throw new ApiError(409, 'not-empty', 'Somebody is in this yard already: a manager lets others in')
    if (await User.findOne({ where: { login }, transaction })) throw taken(login)
    return User.create({ login, name, role: 'manager', passwordHash }, { transaction })
  })
}

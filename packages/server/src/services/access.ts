import argon2 from 'argon2'
import { z } from 'zod'
import { parseInput } from '@north-tide/core'
import { ApiError, forbidden } from '../errors'
import { User, type Role } from '../models'

export interface Account {
  id: number
  login: string
  name: string
  role: Role
  boatId: string | null
}
const credentials = z.strictObject({ login: z.string().trim().min(1).max(80), password: z.string().min(1).max(200) })
const account = (u: User): Account => ({ id: u.id, login: u.login, name: u.name, role: u.role, boatId: u.boatId })

/** A hash of nothing, so that an unknown login takes as long to refuse as a wrong password. */
let decoy: Promise<string> | null = null

export async function signIn(body: unknown): Promise<Account> {
  const { login, password } = parseInput(credentials, body)
  const user = await User.findOne({ where: { login: login.toLowerCase() } })
  decoy ??= argon2.hash('nobody')
  const good = await argon2.verify(user?.passwordHash ?? (await decoy), password)
  if (!user || !good) throw new ApiError(401, 'wrong-login', 'That login and password do not go together', 'password')
  return account(user)
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

import { User } from '../models'
import { DEMO_ACCOUNTS } from './yard'

export const DEMO_FITTER = DEMO_ACCOUNTS.find((a) => a.role === 'fitter')!
/** Whether the demo's people are in this database: their passwords are in the README. */
export async function demoPeople(): Promise<string[]> {
  const there = await User.findAll({ where: { login: DEMO_ACCOUNTS.map((a) => a.login) } })
  return there
    .filter((u) => DEMO_ACCOUNTS.some((a) => a.login === u.login && a.name === u.name))
    .map((u) => u.login)
}
const LOOPBACK = /^(localhost|127\.\d+\.\d+\.\d+|::1|::ffff:127\.\d+\.\d+\.\d+)$/
/** Nobody but this machine reaches it. */
export const isLoopback = (address: string) => LOOPBACK.test(address)

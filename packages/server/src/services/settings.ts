import dayjs from 'dayjs'
import '../languages'
import type { Transaction } from 'sequelize'
import { z } from 'zod'
import { DATE_LANGUAGES, isOfTheYard, parseInput, roleOn } from '@north-tide/core'
import { YardSetting } from '../models'
import type { Paper } from '../pdf/paper'
import { must, type Account } from './access'
import { MOST_VERSION, stale } from './saving'

/** What the manager set for the whole yard. */
export const prices = z.strictObject({
  /** as it is written before a sum */
  currency: z.string().trim().min(1).max(5),
  /** an hour of one pair of hands; null: hours are not priced */
  hourCents: z.number().int().min(0).max(10_000_000).nullable(),
  /** an owner sees what his boat costs */
  ownersSee: z.boolean(),
})
export type Prices = z.infer<typeof prices>
const NONE: Prices = { currency: '\u20ac', hourCents: null, ownersSee: false }
export async function pricesOfYard(): Promise<Prices & { version: number }> {
  const row = await YardSetting.findByPk('prices')
  return { ...NONE, ...(row?.value as Prices | undefined), version: row?.version ?? 0 }
}
export async function readPrices(who: Account) {
  must(who, 'stores')
  return pricesOfYard()
}
/** Writes what was set, begun from a version; somebody who was faster is told of. */
async function set(who: Account, key: string, what: string, version: number, value: object) {
  await YardSetting.sequelize!.transaction(async (transaction) => {
    const there = await YardSetting.findByPk(key, { transaction, lock: transaction.LOCK.UPDATE })
    if ((there?.version ?? 0) !== version)
      throw stale(what, { version: there?.version ?? 0 }, version, there?.value ?? null)
    await writeSetting(who, key, value, transaction)
  })
}
/** Writes it whatever is there. */
export async function writeSetting(who: Account, key: string, value: object, transaction: Transaction) {
  const by = { value, changedBy: who.name, changedAt: new Date() }
  const there = await YardSetting.findByPk(key, { transaction, lock: transaction.LOCK.UPDATE })
  if (there) await there.update({ ...by, version: (there.version ?? 0) + 1 }, { transaction })
  else await YardSetting.create({ key, ...by }, { transaction })
}
const begun = { version: z.number().int().min(0).max(MOST_VERSION) }
export async function setPrices(who: Account, body: unknown) {
  must(who, 'prices')
  const { version, ...value } = parseInput(prices.extend(begun), body)
  await set(who, 'prices', 'the prices', version, value)
  return pricesOfYard()
}

/** How this yard writes: what it prints on, what a new boat is measured in, the language of its dates. */
export const ways = z.strictObject({
  paper: z.enum(['A4', 'letter']),
  units: z.enum(['metric', 'inch']),
  dates: z.enum(DATE_LANGUAGES),
})
export type Ways = z.infer<typeof ways>
export const USUAL_WAYS: Ways = { paper: 'A4', units: 'metric', dates: 'en' }
export async function waysOfYard(): Promise<Ways & { version: number }> {
  const row = await YardSetting.findByPk('ways')
  const now = { ...USUAL_WAYS, ...(row?.value as Ways | undefined) }
  // One database is one yard: what this process writes from here on, letters and sheets, is in its language.
  dayjs.locale(now.dates)
  return { ...now, version: row?.version ?? 0 }
}
export async function setWays(who: Account, body: unknown) {
  must(who, 'prices')
  const { version, ...value } = parseInput(ways.extend(begun), body)
  await set(who, 'ways', 'how the yard writes', version, value)
  return waysOfYard()
}
/** What is printed on: what was asked for, or the yard's own; dates on it are in the yard's language. */
export async function paper(asked?: unknown): Promise<Paper> {
  const w = await waysOfYard()
  const size = typeof asked === 'string' && /^(a4|letter)$/i.test(asked) ? asked : w.paper
  return size.toLowerCase() === 'letter' ? 'LETTER' : 'A4'
}
/** Whether somebody sees what a boat costs: the yard does, others only where the manager says so. */
export async function maySeeCosts(who: Account, boatId: string): Promise<boolean> {
  const role = roleOn(who, boatId)
  return role !== null && (isOfTheYard(role) || (await pricesOfYard()).ownersSee)
}

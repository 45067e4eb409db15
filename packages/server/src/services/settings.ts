import { z } from 'zod'
import { isOfTheYard, parseInput, roleOn } from '@north-tide/core'
import { YardSetting } from '../models'
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
export async function setPrices(who: Account, body: unknown) {
  must(who, 'prices')
  const { version, ...value } = parseInput(
    prices.extend({ version: z.number().int().min(0).max(MOST_VERSION) }),
    body,
  )
  await YardSetting.sequelize!.transaction(async (transaction) => {
    const there = await YardSetting.findByPk('prices', { transaction, lock: transaction.LOCK.UPDATE })
    if ((there?.version ?? 0) !== version)
      throw stale('the prices', { version: there?.version ?? 0 }, version, there?.value ?? null)
    const by = { value, changedBy: who.name, changedAt: new Date() }
    if (there) await there.update({ ...by, version: version + 1 }, { transaction })
    else await YardSetting.create({ key: 'prices', ...by }, { transaction })
  })
  return pricesOfYard()
}
/** Whether somebody sees what a boat costs: the yard does, others only where the manager says so. */
export async function maySeeCosts(who: Account, boatId: string): Promise<boolean> {
  const role = roleOn(who, boatId)
  return role !== null && (isOfTheYard(role) || (await pricesOfYard()).ownersSee)
}

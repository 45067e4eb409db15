import dayjs from 'dayjs'
import { z } from 'zod'
import { parseInput, YARD_KINDS } from '@north-tide/core'
import { ApiError } from '../errors'
import { Boat } from '../models'
import { must, type Account } from './access'
import { askRejudgeAll } from './asked'
import { habitQuestion, habits, knownSchool, writeHabit } from './hardware'
import { minutesOnRecord } from './own-minutes'
import { prices, pricesOfYard, ways, waysOfYard, writeSetting } from './settings'
import { knownValue, writeYardValue, yardValues } from './yard'

/**
 * What a yard set for itself as one file: habits, values of its own with where they are from, prices; and the
 * minutes that its steps take, which are for reading, as they come from its own record.
 */
const FORMAT = 'north-tide-yard-settings'
const VERSION = 2
export async function yardSettings(who: Account) {
  must(who, 'stores')
  const { version: _, ...p } = await pricesOfYard()
  const { version: _w, ...w } = await waysOfYard()
  return {
    format: FORMAT,
    version: VERSION,
    madeAt: new Date().toISOString(),
    madeBy: who.name,
    habits: await habits(),
    values: (await yardValues()).map(({ version: _v, ...v }) => v),
    prices: p,
    ways: w,
    minutes: await minutesOnRecord(),
  }
}
const file = z.strictObject({
  format: z.literal(FORMAT, `This is no ${FORMAT} file`),
  version: z.union([z.literal(1), z.literal(VERSION)], `A file of version 1 to ${VERSION} is read here`),
  madeAt: z.iso.datetime({ offset: true }),
  madeBy: z.string().max(120),
  habits: z.partialRecord(habitQuestion, z.string().max(60)),
  values: z
    .array(
      z.strictObject({
        kind: z.enum(YARD_KINDS),
        material: z.string().max(80),
        field: z.string().max(80),
        value: z.number().positive().max(1e6),
        reason: z.string().trim().min(1).max(300),
        measuredBy: z.string().trim().min(1).max(120),
      }),
    )
    .max(500),
  prices,
  /** since version 2 */
  ways: ways.optional(),
  minutes: z.array(z.unknown()).max(5000).default([]),
})
export interface Taken {
  habits: number
  values: number
  prices: boolean
}
/**
 * Takes over what a file says, all of it or nothing. Whose word a value is stays with it; what the file does
 * not name stays as it is. Prices are the manager's.
 */
export async function takeSettings(who: Account, raw: unknown): Promise<Taken> {
  must(who, 'prices')
  const f = parseInput(file, raw)
  if (dayjs(f.madeAt).isAfter(dayjs().add(1, 'day')))
    throw new ApiError(400, 'invalid-input', 'It was made on a day that has not come yet', 'madeAt')
  const own = Object.entries(f.habits) as [string, string][]
  for (const [question, school] of own) knownSchool(question, school, `habits.${question}`)
  f.values.forEach((v, i) => knownValue(v, `values.${i}.`))
  await Boat.sequelize!.transaction(async (transaction) => {
    for (const [question, school] of own) await writeHabit(who, question, school, transaction)
    const there = new Set((await yardValues(transaction)).map((v) => `${v.kind} ${v.material} ${v.field}`))
    for (const { measuredBy, ...v } of f.values) {
      const key = `${v.kind} ${v.material} ${v.field}`
      await writeYardValue(v, measuredBy, there.has(key), transaction)
      there.add(key)
    }
    await writeSetting(who, 'prices', f.prices, transaction)
    if (f.ways) await writeSetting(who, 'ways', f.ways, transaction)
    if (f.values.length) await askRejudgeAll('values of the yard’s own were read in', transaction)
  })
  return { habits: own.length, values: f.values.length, prices: true }
}
